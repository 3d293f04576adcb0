package dev.lastcut.server.store;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The currents given to a job's nets. */
@Repository
public class CurrentStore {
    private final JdbcClient jdbc;

    CurrentStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A current; {@code ends} is the JSON of its two pads, empty for those farthest apart. */
    public record Kept(String net, double amps, double riseC, Optional<String> ends) {}

    public List<Kept> all(long job) {
        return jdbc.sql("select * from net_current where job_id = :job order by net")
                .param("job", job)
                .query(
                        (r, n) ->
                                new Kept(
                                        r.getString("net"),
                                        r.getDouble("amps"),
                                        r.getDouble("rise_c"),
                                        Optional.ofNullable(r.getString("ends"))))
                .list();
    }

    public void put(long job, Kept k) {
        jdbc.sql(
                        """
                        insert into net_current (job_id, net, amps, rise_c, ends)
                        values (:job, :net, :amps, :rise, :ends)
                        on conflict (job_id, net) do update
                        set amps = :amps, rise_c = :rise, ends = :ends
                        """)
                .param("job", job)
                .param("net", k.net())
                .param("amps", k.amps())
                .param("rise", k.riseC())
                .param("ends", k.ends().orElse(null))
                .update();
    }

    public void delete(long job, String net) {
        jdbc.sql("delete from net_current where job_id = :job and net = :net")
                .param("job", job)
                .param("net", net)
                .update();
    }
}
