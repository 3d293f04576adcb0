package dev.lastcut.server.store;

import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.intake.Pack;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Jobs, their revisions and files, the shop chosen, and the sign-offs. */
@Repository
public class JobStore {
    private final JdbcClient jdbc;
    private final BlobStore blobs;

    JobStore(JdbcClient jdbc, BlobStore blobs) {
        this.jdbc = jdbc;
        this.blobs = blobs;
    }

    /** A job; {@code sheetId} empty until a shop is chosen, {@code headroom} as JSON. */
    public record Job(
            long id, String name, String created, Optional<String> sheetId, String headroom) {}

    /** A file of a revision; {@code role} as the user chose it. */
    public record StoredFile(String path, String sha256, Optional<String> role) {}

    /** Keeps a pack as the first revision of a new job; returns the job's id. */
    @Transactional
    public long create(String name, Pack pack, String now) {
        long job =
                insert(
                        jdbc.sql("insert into job (name, created) values (:name, :now)")
                                .param("name", name)
                                .param("now", now));
        long revision =
                insert(
                        jdbc.sql(
                                        """
                                        insert into revision (job_id, number, created)
                                        values (:job, 1, :now)
                                        """)
                                .param("job", job)
                                .param("now", now));
        for (Pack.PackFile f : pack.files()) {
            jdbc.sql(
                            """
                            insert into revision_file (revision_id, path, sha256)
                            values (:revision, :path, :sha256)
                            """)
                    .param("revision", revision)
                    .param("path", f.path())
                    .param("sha256", blobs.put(f.content()))
                    .update();
        }
        return job;
    }

    private static long insert(JdbcClient.StatementSpec statement) {
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        statement.update(key);
        return key.getKey().longValue();
    }

    public List<Job> all() {
        return jdbc.sql("select * from job order by id").query((r, n) -> job(r)).list();
    }

    public Optional<Job> find(long id) {
        return jdbc.sql("select * from job where id = :id")
                .param("id", id)
                .query((r, n) -> job(r))
                .optional();
    }

    private static Job job(java.sql.ResultSet r) throws java.sql.SQLException {
        return new Job(
                r.getLong("id"),
                r.getString("name"),
                r.getString("created"),
                Optional.ofNullable(r.getString("sheet_id")),
                r.getString("headroom"));
    }

    /** The number of the job's newest revision. */
    public int revision(long job) {
        return jdbc.sql("select max(number) from revision where job_id = :job")
                .param("job", job)
                .query(Integer.class)
                .single();
    }

    /** The files of the newest revision, by path. */
    public List<StoredFile> files(long job) {
        return jdbc.sql(
                        """
                        select f.path, f.sha256, f.role from revision_file f
                        join revision r on r.id = f.revision_id
                        where r.job_id = :job
                        and r.number = (select max(number) from revision where job_id = :job)
                        order by f.path
                        """)
                .param("job", job)
                .query(
                        (r, n) ->
                                new StoredFile(
                                        r.getString("path"),
                                        r.getString("sha256"),
                                        Optional.ofNullable(r.getString("role"))))
                .list();
    }

    /**
     * Sets or, with an empty role, takes back the user's choice; false if there is no such file.
     */
    public boolean chooseRole(long job, String path, Optional<String> role) {
        return jdbc.sql(
                                """
                                update revision_file set role = :role where path = :path
                                and revision_id = (select id from revision where job_id = :job
                                order by number desc limit 1)
                                """)
                        .param("role", role.orElse(null))
                        .param("path", path)
                        .param("job", job)
                        .update()
                == 1;
    }

    public void chooseShop(long job, String sheetId, String headroom) {
        jdbc.sql("update job set sheet_id = :sheet, headroom = :headroom where id = :job")
                .param("sheet", sheetId)
                .param("headroom", headroom)
                .param("job", job)
                .update();
    }

    public List<SignOff> signOffs(long job) {
        return jdbc.sql("select * from sign_off where job_id = :job order by finding_id")
                .param("job", job)
                .query(
                        (r, n) ->
                                new SignOff(
                                        r.getString("finding_id"),
                                        r.getString("signed_by"),
                                        r.getString("reason"),
                                        r.getString("at")))
                .list();
    }

    public void signOff(long job, SignOff s) {
        jdbc.sql(
                        """
                        insert into sign_off (job_id, finding_id, signed_by, reason, at)
                        values (:job, :finding, :by, :reason, :at)
                        on conflict (job_id, finding_id) do update
                        set signed_by = :by, reason = :reason, at = :at
                        """)
                .param("job", job)
                .param("finding", s.findingId())
                .param("by", s.by())
                .param("reason", s.reason())
                .param("at", s.at())
                .update();
    }

    public void takeBack(long job, String findingId) {
        jdbc.sql("delete from sign_off where job_id = :job and finding_id = :finding")
                .param("job", job)
                .param("finding", findingId)
                .update();
    }
}
