package dev.lastcut.server.orders;

import dev.lastcut.core.intake.Pack;
import dev.lastcut.server.desk.Cuts;
import dev.lastcut.server.jobs.ChoiceService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.work.Task;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.function.Consumer;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.SimpleDriverDataSource;
import org.sqlite.JDBC;

/** Jobs in a {@link Workshop}. */
final class Jobs {
    private static final String PACK = "joint-box";
    private static final long LONG_MS = 60_000;

    private Jobs() {}

    /** Does some work to its end, told of its steps; what came of it. */
    static String work(Workshop workshop, Consumer<String> steps, TaskRunner.Work work) {
        TaskRunner runner = workshop.a(TaskRunner.class);
        Task task = runner.find(runner.start(work).id()).orElseThrow();
        task.listen(s -> steps.accept(s.step()));
        TaskState over = task.await(LONG_MS);
        if (over.status() != TaskState.Status.DONE) {
            throw new IllegalStateException(over.toString());
        }
        return over.result();
    }

    /** Work that was started, and whether it has ended, however its task stands. */
    record Going(Task task, CountDownLatch ended) {}

    /** Starts some work whose end can be waited for when its task was cancelled before. */
    static Going start(TaskRunner runner, TaskRunner.Work work) {
        CountDownLatch ended = new CountDownLatch(1);
        TaskState begun =
                runner.start(
                        t -> {
                            try {
                                return work.run(t);
                            } finally {
                                ended.countDown();
                            }
                        });
        return new Going(runner.find(begun.id()).orElseThrow(), ended);
    }

    static Pack pack(String name) throws Exception {
        return new Pack(name, Cuts.pack(PACK).files());
    }

    /** A job with a shop that takes it; its id. */
    static long begun(Workshop workshop) throws Exception {
        Pack pack = pack("tag");
        String id =
                work(
                        workshop,
                        s -> {},
                        t -> String.valueOf(workshop.a(JobService.class).bringIn(pack, t)));
        long job = Long.parseLong(id);
        workshop.a(ChoiceService.class)
                .choose(job, Optional.empty(), t -> t.withShop("waggle-quick"));
        return job;
    }

    static JdbcClient database(Path file) {
        return JdbcClient.create(new SimpleDriverDataSource(new JDBC(), "jdbc:sqlite:" + file));
    }

    /** Keys of the orders that a desk has and makes. */
    static List<String> orders(Path desk) {
        return database(desk)
                .sql("select key from placed where number is not null and withdrawn is null")
                .query(String.class)
                .list();
    }
}
