package dev.lastcut.server.store;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What was soldered of a job's bench kit, and the pictures dropped into it. */
@Repository
public class KitStore {
    private final JdbcClient jdbc;
    private final BlobStore blobs;

    KitStore(JdbcClient jdbc, BlobStore blobs) {
        this.jdbc = jdbc;
        this.blobs = blobs;
    }

    /** The parts that a picture is with. */
    public Set<String> pictured(long job) {
        return Set.copyOf(
                jdbc.sql("select designator from kit_picture where job = :job")
                        .param("job", job)
                        .query(String.class)
                        .list());
    }

    public Optional<byte[]> picture(long job, String designator) {
        return jdbc.sql(
                        """
                        select b.bytes from kit_picture k join blob b on b.sha256 = k.sha256
                        where k.job = :job and k.designator = :d
                        """)
                .param("job", job)
                .param("d", designator)
                .query((r, n) -> r.getBytes(1))
                .optional();
    }

    @Transactional
    public void put(long job, String designator, byte[] picture) {
        jdbc.sql(
                        """
                        insert into kit_picture (job, designator, sha256) values (:job, :d, :sha)
                        on conflict (job, designator) do update set sha256 = excluded.sha256
                        """)
                .param("job", job)
                .param("d", designator)
                .param("sha", blobs.put(picture))
                .update();
    }

    public void drop(long job, String designator) {
        jdbc.sql("delete from kit_picture where job = :job and designator = :d")
                .param("job", job)
                .param("d", designator)
                .update();
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
