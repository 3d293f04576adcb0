package dev.lastcut.server.store;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What is under way, so that it can be told of when it broke off with the application. */
@Repository
public class BegunStore {
    private final JdbcClient jdbc;

    /** This run of the application: what is under way in another one broke off. */
    private final String run = UUID.randomUUID().toString();

    BegunStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Something that broke off; nothing of it was kept.
     *
     * @param job empty for a job that was not there yet
     */
    public record Broken(long id, Optional<Long> job, String what, String at) {}

    /** Notes that something is under way; the number to say that it is over by. */
    public long begin(Optional<Long> job, String what, String now) {
        return jdbc.sql(
                        """
                        insert into begun (run, job, what, at) values (:run, :job, :what, :now)
                        returning id
                        """)
                .param("run", run)
                .param("job", job.orElse(null))
                .param("what", what)
                .param("now", now)
                .query(Long.class)
                .single();
    }

    /** It is over, or was read of. */
    public void end(long id) {
        jdbc.sql("delete from begun where id = :id").param("id", id).update();
    }

    /** What broke off with an earlier run, the oldest first. */
    public List<Broken> broken() {
        return jdbc.sql("select id, job, what, at from begun where run <> :run order by id")
                .param("run", run)
                .query(
                        (r, n) ->
                                new Broken(
                                        r.getLong("id"),
                                        Optional.ofNullable((Number) r.getObject("job"))
                                                .map(Number::longValue),
                                        r.getString("what"),
                                        r.getString("at")))
                .list();
    }
}
