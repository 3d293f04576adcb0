package dev.lastcut.server.store;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Which part was chosen for a value in a package, in whichever job. */
@Repository
public class PartChoiceStore {
    private final JdbcClient jdbc;

    PartChoiceStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A value in its usual words, in a package. */
    public record Asked(String meaning, String packageName) {}

    public Map<Asked, String> all() {
        Map<Asked, String> all = new LinkedHashMap<>();
        jdbc.sql("select meaning, package, number from part_choices")
                .query(
                        (r, n) ->
                                Map.entry(
                                        new Asked(r.getString("meaning"), r.getString("package")),
                                        r.getString("number")))
                .list()
                .forEach(e -> all.put(e.getKey(), e.getValue()));
        return all;
    }

    @Transactional
    public void put(Map<Asked, String> chosen, String now) {
        chosen.forEach(
                (asked, number) ->
                        jdbc.sql(
                                        """
                                        insert into part_choices (meaning, package, number, said)
                                        values (:meaning, :package, :number, :now)
                                        on conflict (meaning, package) do update
                                        set number = excluded.number, said = excluded.said
                                        """)
                                .param("meaning", asked.meaning())
                                .param("package", asked.packageName())
                                .param("number", number)
                                .param("now", now)
                                .update());
    }
}
