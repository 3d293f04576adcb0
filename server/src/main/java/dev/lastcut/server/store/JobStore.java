package dev.lastcut.server.store;

import dev.lastcut.core.intake.Pack;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Comparator;
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

    /**
     * A job.
     *
     * @param face the path of the file that shows what it is; empty until its board was read
     */
    public record Job(
            long id,
            String name,
            String created,
            boolean archived,
            boolean deleted,
            Optional<String> face) {}

    /**
     * A job as it is listed: where it stands, and what was done last.
     *
     * @param shop the id of its sheet; empty until one is chosen
     */
    public record Listed(Job job, int revision, int cuts, String shop, String last, String at) {}

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

    /** Those that are not deleted. */
    public List<Job> all() {
        return jdbc.sql("select * from job where deleted is null order by id")
                .query((r, n) -> job(r))
                .list();
    }

    /** Every job, deleted ones too, the one that was worked on last first. */
    public List<Listed> listed() {
        return jdbc
                .sql(
                        """
                        select j.*, t.says, t.at,
                        coalesce(json_extract(t.ticket, '$.shop'), '') as shop,
                        (select max(number) from revision r where r.job_id = j.id) as revision,
                        (select count(*) from cut c where c.job_id = j.id) as cuts,
                        (select max(created) from cut c where c.job_id = j.id) as cut_at
                        from job j
                        left join revision v on v.job_id = j.id and v.number =
                        (select max(number) from revision r where r.job_id = j.id)
                        left join ticket_version t on t.job_id = j.id and t.number = v.version
                        """)
                .query((r, n) -> listed(r))
                .list()
                .stream()
                .sorted(
                        Comparator.comparing(Listed::at)
                                .thenComparing(l -> l.job().id())
                                .reversed())
                .toList();
    }

    private static Listed listed(ResultSet r) throws SQLException {
        Job job = job(r);
        String at = Optional.ofNullable(r.getString("at")).orElse(job.created());
        String cut = Optional.ofNullable(r.getString("cut_at")).orElse("");
        int cuts = r.getInt("cuts");
        boolean cutLast = cut.compareTo(at) >= 0;
        String says = Optional.ofNullable(r.getString("says")).orElse("brought in");
        return new Listed(
                job,
                r.getInt("revision"),
                cuts,
                r.getString("shop"),
                cutLast ? "cut " + cuts + " made" : says,
                cutLast ? cut : at);
    }

    public void rename(long id, String name) {
        set(id, "name", name);
    }

    public void archive(long id, boolean archived) {
        set(id, "archived", archived ? 1 : 0);
    }

    /**
     * @param when empty to take it back
     */
    public void delete(long id, Optional<String> when) {
        set(id, "deleted", when.orElse(null));
    }

    public void face(long id, String path) {
        set(id, "face", path);
    }

    private void set(long id, String column, Object value) {
        jdbc.sql("update job set " + column + " = :value where id = :id")
                .param("value", value)
                .param("id", id)
                .update();
    }

    public Optional<Job> find(long id) {
        return jdbc.sql("select * from job where id = :id")
                .param("id", id)
                .query((r, n) -> job(r))
                .optional();
    }

    private static Job job(ResultSet r) throws SQLException {
        return new Job(
                r.getLong("id"),
                r.getString("name"),
                r.getString("created"),
                r.getBoolean("archived"),
                r.getString("deleted") != null,
                Optional.ofNullable(r.getString("face")));
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
