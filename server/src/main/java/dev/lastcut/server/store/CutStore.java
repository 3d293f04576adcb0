package dev.lastcut.server.store;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Cuts: added, read, never changed. */
@Repository
public class CutStore {
    private final JdbcClient jdbc;
    private final BlobStore blobs;

    CutStore(JdbcClient jdbc, BlobStore blobs) {
        this.jdbc = jdbc;
        this.blobs = blobs;
    }

    /**
     * A cut as listed; {@code version} is the ticket's it was made of, 0 for one from before there
     * were versions; {@code sha256} is that of its zip.
     */
    public record Cut(
            int number,
            int revision,
            int version,
            String created,
            String sheet,
            boolean released,
            int files,
            String sha256) {}

    public int nextNumber(long job) {
        return jdbc.sql("select coalesce(max(number), 0) + 1 from cut where job_id = :job")
                .param("job", job)
                .query(Integer.class)
                .single();
    }

    @Transactional
    public void add(long job, Cut cut, byte[] zip) {
        String sha256 = blobs.put(zip);
        jdbc.sql(
                        """
                        insert into cut (job_id, revision, version, number, created, sheet,
                        released, files, zip)
                        values (:job, :revision, :version, :number, :created, :sheet,
                        :released, :files, :zip)
                        """)
                .param("job", job)
                .param("revision", cut.revision())
                .param("version", cut.version())
                .param("number", cut.number())
                .param("created", cut.created())
                .param("sheet", cut.sheet())
                .param("released", cut.released() ? 1 : 0)
                .param("files", cut.files())
                .param("zip", sha256)
                .update();
    }

    public List<Cut> all(long job) {
        return jdbc.sql("select * from cut where job_id = :job order by number desc")
                .param("job", job)
                .query(
                        (r, n) ->
                                new Cut(
                                        r.getInt("number"),
                                        r.getInt("revision"),
                                        r.getInt("version"),
                                        r.getString("created"),
                                        r.getString("sheet"),
                                        r.getBoolean("released"),
                                        r.getInt("files"),
                                        r.getString("zip")))
                .list();
    }

    /** To whom a cut was handed, when, and with what words. */
    public record Handed(int cut, String to, String at, String note) {}

    public void hand(long job, Handed h) {
        jdbc.sql(
                        """
                        insert into handed (job, cut, to_whom, at, note)
                        values (:job, :cut, :to, :at, :note)
                        """)
                .param("job", job)
                .param("cut", h.cut())
                .param("to", h.to())
                .param("at", h.at())
                .param("note", h.note())
                .update();
    }

    /** In the order they were handed over. */
    public List<Handed> handed(long job) {
        return jdbc.sql("select * from handed where job = :job order by rowid")
                .param("job", job)
                .query(
                        (r, n) ->
                                new Handed(
                                        r.getInt("cut"),
                                        r.getString("to_whom"),
                                        r.getString("at"),
                                        r.getString("note")))
                .list();
    }

    /** Which cut a zip is, by its hash: the job and the number; empty for none kept here. */
    public Optional<Kept> kept(String sha256) {
        return jdbc.sql(
                        """
                        select c.job_id, c.number, j.name from cut c join job j on j.id = c.job_id
                        where c.zip = :sha
                        """)
                .param("sha", sha256)
                .query((r, n) -> new Kept(r.getLong(1), r.getInt(2), r.getString(3)))
                .optional();
    }

    /** A cut that is kept here. */
    public record Kept(long job, int number, String name) {}

    /** Cuts of jobs of a name, by number. */
    public List<Kept> kept(String job, int number) {
        return jdbc.sql(
                        """
                        select c.job_id, c.number, j.name from cut c join job j on j.id = c.job_id
                        where j.name = :name and c.number = :number
                        """)
                .param("name", job)
                .param("number", number)
                .query((r, n) -> new Kept(r.getLong(1), r.getInt(2), r.getString(3)))
                .list();
    }

    /** The zip of a cut, byte for byte as it was made. */
    public Optional<byte[]> zip(long job, int number) {
        return jdbc.sql(
                        """
                        select b.bytes from cut c join blob b on b.sha256 = c.zip
                        where c.job_id = :job and c.number = :number
                        """)
                .param("job", job)
                .param("number", number)
                .query((r, n) -> r.getBytes(1))
                .optional();
    }
}
