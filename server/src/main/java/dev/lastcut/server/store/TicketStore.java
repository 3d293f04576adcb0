package dev.lastcut.server.store;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * The versions of jobs' tickets: added, never changed. Each revision points at the version that
 * holds, and at the newest one that going forward leads to.
 */
@Repository
public class TicketStore {
    private final JdbcClient jdbc;

    TicketStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A version.
     *
     * @param number counted from 1 over all revisions of a job
     * @param parent the version it was made from, 0 for the first of a revision
     * @param says what it changed, in words
     * @param leftOut sentences on what of the ticket before did not fit, as a JSON list
     * @param ticket as JSON
     */
    public record Version(
            int number,
            int revision,
            int parent,
            String at,
            String says,
            String leftOut,
            String ticket) {}

    /** What a version did, without the ticket it made: these are listed by the hundred. */
    public record Step(int number, int parent, String at, String says, String leftOut) {}

    /** Where a revision stands: the version that holds, and the one forward leads to. */
    public record Place(int version, int tip) {}

    public Optional<Place> place(long job, int revision) {
        return jdbc.sql(
                        "select version, tip from revision where job_id = :job and number = :number")
                .param("job", job)
                .param("number", revision)
                .query((r, n) -> new Place(r.getInt("version"), r.getInt("tip")))
                .optional();
    }

    public Optional<Version> find(long job, int number) {
        return jdbc.sql("select * from ticket_version where job_id = :job and number = :number")
                .param("job", job)
                .param("number", number)
                .query((r, n) -> version(r))
                .optional();
    }

    /** Every version of a revision, in the order they were made. */
    public List<Step> steps(long job, int revision) {
        return jdbc.sql(
                        """
                        select number, parent, at, says, left_out from ticket_version
                        where job_id = :job and revision = :revision order by number
                        """)
                .param("job", job)
                .param("revision", revision)
                .query(
                        (r, n) ->
                                new Step(
                                        r.getInt("number"),
                                        r.getInt("parent"),
                                        r.getString("at"),
                                        r.getString("says"),
                                        r.getString("left_out")))
                .list();
    }

    private static Version version(java.sql.ResultSet r) throws java.sql.SQLException {
        return new Version(
                r.getInt("number"),
                r.getInt("revision"),
                r.getInt("parent"),
                r.getString("at"),
                r.getString("says"),
                r.getString("left_out"),
                r.getString("ticket"));
    }

    public int nextNumber(long job) {
        return jdbc.sql(
                        "select coalesce(max(number), 0) + 1 from ticket_version where job_id = :job")
                .param("job", job)
                .query(Integer.class)
                .single();
    }

    /**
     * Adds a version and goes to it.
     *
     * @return false, and nothing is changed, when the revision no longer stands at its parent
     */
    @Transactional
    public boolean add(long job, Version v) {
        if (!move(job, v.revision(), v.parent(), new Place(v.number(), v.number()))) {
            return false;
        }
        jdbc.sql(
                        """
                        insert into ticket_version
                        (job_id, number, revision, parent, at, says, left_out, ticket)
                        values (:job, :number, :revision, :parent, :at, :says, :left, :ticket)
                        """)
                .param("job", job)
                .param("number", v.number())
                .param("revision", v.revision())
                .param("parent", v.parent() == 0 ? null : v.parent())
                .param("at", v.at())
                .param("says", v.says())
                .param("left", v.leftOut())
                .param("ticket", v.ticket())
                .update();
        return true;
    }

    /** Goes to another version; false when the revision no longer stands where it should. */
    public boolean move(long job, int revision, int from, Place to) {
        return jdbc.sql(
                                """
                                update revision set version = :version, tip = :tip
                                where job_id = :job and number = :revision
                                and coalesce(version, 0) = :from
                                """)
                        .param("version", to.version())
                        .param("tip", to.tip())
                        .param("job", job)
                        .param("revision", revision)
                        .param("from", from)
                        .update()
                == 1;
    }
}
