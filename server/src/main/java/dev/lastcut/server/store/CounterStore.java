package dev.lastcut.server.store;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What the parts counter said last, so that it can be shown while the counter is not there. */
@Repository
public class CounterStore {
    private final JdbcClient jdbc;

    CounterStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A part as it was told, in JSON, and when. */
    public record Told(String number, String part, String seen) {}

    /**
     * Keeps an answer.
     *
     * @param numbers the parts that answer the question
     * @param parts those of them that are new or other than before, by number
     */
    @Transactional
    public void put(String question, List<String> numbers, Map<String, String> parts, String now) {
        parts.forEach(
                (number, part) ->
                        jdbc.sql(
                                        """
                                        insert into counter_parts (number, part, seen)
                                        values (:number, :part, :now)
                                        on conflict (number) do update
                                        set part = excluded.part, seen = excluded.seen
                                        """)
                                .param("number", number)
                                .param("part", part)
                                .param("now", now)
                                .update());
        jdbc.sql(
                        """
                        insert into counter_answers (question, numbers, seen)
                        values (:question, :numbers, :now)
                        on conflict (question) do update
                        set numbers = excluded.numbers, seen = excluded.seen
                        """)
                .param("question", question)
                .param("numbers", String.join("\n", numbers))
                .param("now", now)
                .update();
    }

    public Optional<Told> part(String number) {
        return jdbc.sql("select number, part, seen from counter_parts where number = :number")
                .param("number", number)
                .query(Told.class)
                .optional();
    }

    /** An answer: which numbers, and when. */
    public record Answer(List<String> numbers, String seen) {}

    /** All answers there are, by question. */
    public Map<String, Answer> answers() {
        Map<String, Answer> all = new LinkedHashMap<>();
        jdbc.sql("select question, numbers, seen from counter_answers")
                .query(
                        (r, n) ->
                                Map.entry(
                                        r.getString("question"),
                                        new Answer(
                                                lines(r.getString("numbers")),
                                                r.getString("seen"))))
                .list()
                .forEach(e -> all.put(e.getKey(), e.getValue()));
        return all;
    }

    private static List<String> lines(String text) {
        return text.isEmpty() ? List.of() : Arrays.asList(text.split("\n"));
    }

    /** Every part that was ever told. */
    public List<Told> parts() {
        return jdbc.sql("select number, part, seen from counter_parts").query(Told.class).list();
    }
}
