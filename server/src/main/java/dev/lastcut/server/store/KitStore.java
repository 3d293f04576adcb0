package dev.lastcut.server.store;

import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What was soldered of a job's bench kit. */
@Repository
public class KitStore {
    private final JdbcClient jdbc;

    KitStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The parts that are ticked. */
    public List<String> done(long job) {
        return jdbc.sql("select designator from kit_ticks where job = :job order by at, designator")
                .param("job", job)
                .query(String.class)
                .list();
    }

    /** Ticks parts, or takes their ticks back. */
    @Transactional
    public void tick(long job, Collection<String> designators, boolean done, String now) {
        for (String d : designators) {
            if (done) {
                jdbc.sql(
                                """
                                insert into kit_ticks (job, designator, at) values (:job, :d, :now)
                                on conflict (job, designator) do nothing
                                """)
                        .param("job", job)
                        .param("d", d)
                        .param("now", now)
                        .update();
            } else {
                jdbc.sql("delete from kit_ticks where job = :job and designator = :d")
                        .param("job", job)
                        .param("d", d)
                        .update();
            }
        }
    }
}
