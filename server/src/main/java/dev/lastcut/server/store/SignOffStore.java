package dev.lastcut.server.store;

import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Findings accepted, with what they were about. */
@Repository
public class SignOffStore {
    private final JdbcClient jdbc;

    SignOffStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A sign-off as it was given.
     *
     * @param revision the revision it was given on
     * @param subject what the finding was about, without its place
     * @param beyond how far the measure was from its limit, in the finding's unit
     */
    public record Kept(SignOff signOff, int revision, String subject, Pt at, double beyond) {}

    public List<Kept> all(long job) {
        return jdbc.sql("select * from sign_off where job_id = :job order by finding_id")
                .param("job", job)
                .query(
                        (r, n) ->
                                new Kept(
                                        new SignOff(
                                                r.getString("finding_id"),
                                                r.getString("signed_by"),
                                                r.getString("reason"),
                                                r.getString("at")),
                                        r.getInt("revision"),
                                        r.getString("subject"),
                                        new Pt(r.getLong("x"), r.getLong("y")),
                                        r.getObject("beyond") == null
                                                ? Double.MAX_VALUE
                                                : r.getDouble("beyond")))
                .list();
    }

    /** Keeps all of them or none. */
    @Transactional
    public void put(long job, List<Kept> all) {
        for (Kept k : all) {
            jdbc.sql(
                            """
                            insert into sign_off (job_id, finding_id, signed_by, reason, at,
                            revision, subject, x, y, beyond)
                            values (:job, :finding, :by, :reason, :at,
                            :revision, :subject, :x, :y, :beyond)
                            on conflict (job_id, finding_id) do update
                            set signed_by = :by, reason = :reason, at = :at, revision = :revision,
                            subject = :subject, x = :x, y = :y, beyond = :beyond
                            """)
                    .param("job", job)
                    .param("finding", k.signOff().findingId())
                    .param("by", k.signOff().by())
                    .param("reason", k.signOff().reason())
                    .param("at", k.signOff().at())
                    .param("revision", k.revision())
                    .param("subject", k.subject())
                    .param("x", k.at().x())
                    .param("y", k.at().y())
                    .param("beyond", k.beyond())
                    .update();
        }
    }

    public void delete(long job, String findingId) {
        jdbc.sql("delete from sign_off where job_id = :job and finding_id = :finding")
                .param("job", job)
                .param("finding", findingId)
                .update();
    }
}
