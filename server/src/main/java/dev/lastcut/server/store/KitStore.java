package dev.lastcut.server.store;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
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

    /** The parts that are ticked on each board of the batch, in the order they were. */
    public Map<Integer, List<String>> done(long job) {
        Map<Integer, List<String>> all = new TreeMap<>();
        jdbc.sql(
                        """
                        select board, designator from kit_ticks where job = :job
                        order by at, designator
                        """)
                .param("job", job)
                .query(
                        r -> {
                            all.computeIfAbsent(r.getInt(1), k -> new ArrayList<>())
                                    .add(r.getString(2));
                        });
        return all;
    }

    /** Ticks parts on boards, or takes their ticks back. */
    @Transactional
    public void tick(
            long job,
            Collection<Integer> boards,
            Collection<String> designators,
            boolean done,
            String now) {
        for (int board : boards) {
            for (String d : designators) {
                tick(job, board, d, done, now);
            }
        }
    }

    private void tick(long job, int board, String designator, boolean done, String now) {
        String sql =
                done
                        ? """
                        insert into kit_ticks (job, board, designator, at)
                        values (:job, :board, :d, :now)
                        on conflict (job, board, designator) do nothing
                        """
                        : """
                        delete from kit_ticks
                        where job = :job and board = :board and designator = :d
                        """;
        var statement =
                jdbc.sql(sql).param("job", job).param("board", board).param("d", designator);
        (done ? statement.param("now", now) : statement).update();
    }
}
