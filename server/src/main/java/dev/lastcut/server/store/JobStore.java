package dev.lastcut.server.store;

import dev.lastcut.core.intake.Pack;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Jobs, their revisions and files. */
@Repository
public class JobStore {
    private final JdbcClient jdbc;
    private final BlobStore blobs;

    JobStore(JdbcClient jdbc, BlobStore blobs) {
        this.jdbc = jdbc;
        this.blobs = blobs;
    }

    /** A job. */
    public record Job(long id, String name, String created) {}

    /** A file of a revision. */
    public record StoredFile(String path, String sha256) {}

    /** A revision of a job. */
    public record Revision(int number, String created) {}

    /** Keeps a pack as the first revision of a new job; returns the job's id. */
    @Transactional
    public long create(String name, Pack pack, String now) {
        long job =
                insert(
                        jdbc.sql("insert into job (name, created) values (:name, :now)")
                                .param("name", name)
                                .param("now", now));
        addRevision(job, 1, pack, now);
        return job;
    }

    /** Keeps a pack as a further revision of a job. */
    @Transactional
    public void addRevision(long job, int number, Pack pack, String now) {
        long revision =
                insert(
                        jdbc.sql(
                                        """
                                        insert into revision (job_id, number, created)
                                        values (:job, :number, :now)
                                        """)
                                .param("job", job)
                                .param("number", number)
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
        return new Job(r.getLong("id"), r.getString("name"), r.getString("created"));
    }

    /** The number of the job's newest revision. */
    public int revision(long job) {
        return jdbc.sql("select max(number) from revision where job_id = :job")
                .param("job", job)
                .query(Integer.class)
                .single();
    }

    public List<Revision> revisions(long job) {
        return jdbc.sql("select number, created from revision where job_id = :job order by number")
                .param("job", job)
                .query((r, n) -> new Revision(r.getInt("number"), r.getString("created")))
                .list();
    }

    /** The files of a revision, by path. */
    public List<StoredFile> files(long job, int revision) {
        return jdbc.sql(
                        """
                        select f.path, f.sha256
                        from revision_file f
                        join revision r on r.id = f.revision_id
                        where r.job_id = :job and r.number = :number
                        order by f.path
                        """)
                .param("job", job)
                .param("number", revision)
                .query((r, n) -> new StoredFile(r.getString("path"), r.getString("sha256")))
                .list();
    }
}
