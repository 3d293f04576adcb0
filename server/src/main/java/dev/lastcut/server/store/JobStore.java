package dev.lastcut.server.store;

import dev.lastcut.core.intake.Pack;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Jobs, their revisions and files, the shop chosen and what is ordered of it. */
@Repository
public class JobStore {
    private final JdbcClient jdbc;
    private final BlobStore blobs;

    JobStore(JdbcClient jdbc, BlobStore blobs) {
        this.jdbc = jdbc;
        this.blobs = blobs;
    }

    /**
     * A job; {@code sheetId} empty until a shop is chosen, {@code headroom} and {@code order} as
     * JSON.
     */
    public record Job(
            long id,
            String name,
            String created,
            Optional<String> sheetId,
            String headroom,
            String order) {}

    /**
     * A file of a revision and what the user decided about it: role, correction as JSON, number
     * format in words, unit in nm.
     */
    public record StoredFile(
            String path,
            String sha256,
            Optional<String> role,
            Optional<String> correction,
            Optional<String> format,
            Optional<Double> unitNm) {
        public StoredFile withRole(Optional<String> chosen) {
            return new StoredFile(path, sha256, chosen, correction, format, unitNm);
        }

        public StoredFile withCorrection(Optional<String> chosen) {
            return new StoredFile(path, sha256, role, chosen, format, unitNm);
        }

        public StoredFile withFormat(Optional<String> chosen) {
            return new StoredFile(path, sha256, role, correction, chosen, unitNm);
        }

        public StoredFile withUnit(Optional<Double> chosen) {
            return new StoredFile(path, sha256, role, correction, format, chosen);
        }
    }

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
        return new Job(
                r.getLong("id"),
                r.getString("name"),
                r.getString("created"),
                Optional.ofNullable(r.getString("sheet_id")),
                r.getString("headroom"),
                r.getString("order_options"));
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
                        select f.path, f.sha256, f.role, f.correction, f.number_format, f.unit_nm
                        from revision_file f
                        join revision r on r.id = f.revision_id
                        where r.job_id = :job and r.number = :number
                        order by f.path
                        """)
                .param("job", job)
                .param("number", revision)
                .query(
                        (r, n) -> {
                            double unit = r.getDouble("unit_nm");
                            return new StoredFile(
                                    r.getString("path"),
                                    r.getString("sha256"),
                                    Optional.ofNullable(r.getString("role")),
                                    Optional.ofNullable(r.getString("correction")),
                                    Optional.ofNullable(r.getString("number_format")),
                                    unit > 0 ? Optional.of(unit) : Optional.empty());
                        })
                .list();
    }

    /** Keeps what the user decided about several files of a revision, all or none. */
    @Transactional
    public void chooseAll(long job, int revision, List<StoredFile> files) {
        files.forEach(f -> choose(job, revision, f));
    }

    /** Keeps what the user decided about a file of a revision; false if there is no such file. */
    public boolean choose(long job, int revision, StoredFile f) {
        return jdbc.sql(
                                """
                                update revision_file set role = :role, correction = :correction,
                                number_format = :format, unit_nm = :unit where path = :path
                                and revision_id = (select id from revision where job_id = :job
                                and number = :number)
                                """)
                        .param("role", f.role().orElse(null))
                        .param("correction", f.correction().orElse(null))
                        .param("format", f.format().orElse(null))
                        .param("unit", f.unitNm().orElse(null))
                        .param("path", f.path())
                        .param("job", job)
                        .param("number", revision)
                        .update()
                == 1;
    }

    public void chooseOrder(long job, String order) {
        jdbc.sql("update job set order_options = :order where id = :job")
                .param("order", order)
                .param("job", job)
                .update();
    }

    public void chooseShop(long job, String sheetId, String headroom) {
        jdbc.sql("update job set sheet_id = :sheet, headroom = :headroom where id = :job")
                .param("sheet", sheetId)
                .param("headroom", headroom)
                .param("job", job)
                .update();
    }
}
