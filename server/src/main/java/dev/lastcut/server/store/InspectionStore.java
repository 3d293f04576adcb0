package dev.lastcut.server.store;

import dev.lastcut.core.receiving.Checklist.Answer;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was found on the boards of a cut, item by item. */
@Repository
public class InspectionStore {
    private final JdbcClient jdbc;

    InspectionStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public Map<String, Answer> of(long job, int cut) {
        Map<String, Answer> all = new LinkedHashMap<>();
        jdbc.sql(
                        "select item, measured, good, note from inspection where job = :job and cut = :cut")
                .param("job", job)
                .param("cut", cut)
                .query(
                        (r, n) -> {
                            double measured = r.getDouble("measured");
                            Optional<Double> number =
                                    r.wasNull() ? Optional.empty() : Optional.of(measured);
                            boolean good = r.getBoolean("good");
                            Optional<Boolean> seen =
                                    r.wasNull() ? Optional.empty() : Optional.of(good);
                            return Map.entry(
                                    r.getString("item"),
                                    new Answer(number, seen, r.getString("note")));
                        })
                .list()
                .forEach(e -> all.put(e.getKey(), e.getValue()));
        return all;
    }

    public void put(long job, int cut, String item, Answer a, String now) {
        jdbc.sql(
                        """
                        insert into inspection (job, cut, item, measured, good, note, at)
                        values (:job, :cut, :item, :measured, :good, :note, :now)
                        on conflict (job, cut, item) do update
                        set measured = excluded.measured, good = excluded.good,
                        note = excluded.note, at = excluded.at
                        """)
                .param("job", job)
                .param("cut", cut)
                .param("item", item)
                .param("measured", a.measured().orElse(null))
                .param("good", a.good().map(g -> g ? 1 : 0).orElse(null))
                .param("note", a.note())
                .param("now", now)
                .update();
    }
}
