package dev.lastcut.server.store;

import dev.lastcut.server.work.Daemons;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Jobs that were deleted thirty days ago are gone for good, with the files that only they had. */
@Component
public class Purge {
    /** So long a deleted job can be taken back. */
    public static final Duration KEPT = Duration.ofDays(30);

    private static final Logger LOG = LoggerFactory.getLogger(Purge.class);

    /** What belongs to a job, the rows that name others first. */
    private static final List<String> OF_JOB =
            List.of(
                    "delete from desk_picture where order_id in"
                            + " (select id from desk_order where job_id = :job)",
                    "delete from desk_order where job_id = :job",
                    "delete from handed where job = :job",
                    "delete from begun where job = :job",
                    "delete from inspection where job = :job",
                    "delete from kit_picture where job = :job",
                    "delete from kit_ticks where job = :job",
                    "delete from cut where job_id = :job",
                    "delete from ticket_version where job_id = :job",
                    "delete from revision_file where revision_id in"
                            + " (select id from revision where job_id = :job)",
                    "delete from revision where job_id = :job",
                    "delete from job where id = :job");

    private final JdbcClient jdbc;
    private final TransactionTemplate whole;
    private final ScheduledExecutorService clock =
            Executors.newSingleThreadScheduledExecutor(new Daemons("purge"));

    Purge(JdbcClient jdbc, PlatformTransactionManager transactions) {
        this.jdbc = jdbc;
        this.whole = new TransactionTemplate(transactions);
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        clock.scheduleWithFixedDelay(this::due, 1, TimeUnit.DAYS.toMinutes(1), TimeUnit.MINUTES);
    }

    private void due() {
        try {
            int gone = before(Instant.now().minus(KEPT));
            // What the counter said of a question is asked again after a month in any case.
            jdbc.sql("delete from counter_answers where seen < :moment")
                    .param("moment", Instant.now().minus(KEPT).toString())
                    .update();
            if (gone > 0) {
                LOG.info("{} jobs deleted thirty days ago are gone for good", gone);
            }
        } catch (DataAccessException e) {
            LOG.error("What was deleted could not be purged; it is tried again tomorrow", e);
        }
    }

    /** Purges jobs that were deleted before a moment; how many. */
    public int before(Instant moment) {
        List<Long> due =
                jdbc.sql("select id from job where deleted is not null and deleted < :moment")
                        .param("moment", moment.truncatedTo(ChronoUnit.SECONDS).toString())
                        .query(Long.class)
                        .list();
        for (long job : due) {
            whole.executeWithoutResult(
                    status -> {
                        // What is kept for good stays for as long as its job does.
                        List<Guard> guards = guards();
                        guards.forEach(g -> jdbc.sql("drop trigger " + g.name()).update());
                        OF_JOB.forEach(sql -> jdbc.sql(sql).param("job", job).update());
                        guards.forEach(g -> jdbc.sql(g.sql()).update());
                        jdbc.sql(
                                        "delete from blob where sha256 not in (select sha256 from"
                                                + " revision_file union select zip from cut union"
                                                + " select sha256 from kit_picture)")
                                .update();
                    });
        }
        return due.size();
    }

    /** A trigger that keeps rows from being deleted. */
    private record Guard(String name, String sql) {}

    private List<Guard> guards() {
        return jdbc.sql(
                        "select name, sql from sqlite_master where type = 'trigger' and name in"
                                + " ('cut_stays', 'ticket_version_stays')")
                .query((r, n) -> new Guard(r.getString(1), r.getString(2)))
                .list();
    }

    @PreDestroy
    void stop() {
        clock.shutdownNow();
    }
}
