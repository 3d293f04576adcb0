package dev.lastcut.server.orders;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.Verification;
import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.server.LongRun;
import dev.lastcut.server.desk.DeskServer;
import dev.lastcut.server.jobs.CheckService;
import dev.lastcut.server.jobs.InterruptedWork;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.store.BlobStore;
import dev.lastcut.server.store.CutStore;
import dev.lastcut.server.store.DeskOrderStore;
import dev.lastcut.server.store.DeskOrderStore.Row;
import dev.lastcut.server.store.DeskOrderStore.State;
import dev.lastcut.server.store.JobStore;
import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Killed with signal 9 at random moments of its work, the application comes back with all of it or
 * nothing, says so, and its database is whole.
 */
@Timeout(300)
class KillTest {
    private static final int ROUNDS = LongRun.is() ? 17 : 4;

    /**
     * A slow machine may be killed beside the work more often than in it: then there are more
     * rounds.
     */
    private static final int MOST_ROUNDS = 51;

    private static final int ENOUGH = ROUNDS / 4;

    /** Half of the kills fall about the step in which something is written. */
    private static final Map<String, String> WRITING =
            Map.of(
                    "bring-in", "keeping the files",
                    "cut", "freezing the cut",
                    "order", "placing the order",
                    "backup", "copying");

    @TempDir static Path archive;
    private static Victims victims;

    @TempDir Path data;
    private long job;
    private int begun;
    private String last = "";

    /** Packs that are not there, by when they were begun. */
    private final Set<Integer> lost = new HashSet<>();

    /** Cuts that were told to have broken off, and such as were lost before they were noted. */
    private int broken;

    private int unnoted;

    @BeforeAll
    static void prepare() throws Exception {
        victims = new Victims(archive);
    }

    @ParameterizedTest
    @CsvSource({"bring-in, 1", "cut, 2", "order, 3", "backup, 4"})
    void wholeOrNotAtAllAndToldOf(String what, long seed) throws Exception {
        Random random = new Random(seed);
        try (Workshop w = new Workshop(data, Map.of())) {
            job = Jobs.begun(w);
            Jobs.work(
                    w,
                    s -> {},
                    t -> {
                        w.a(CheckService.class).check(job, t);
                        return "";
                    });
            Jobs.work(w, s -> {}, t -> "" + w.a(OutputService.class).cut(job, t));
        }
        int told = 0;
        Process next = victims.start(data, what, job);
        for (int i = 0; i < ROUNDS || i < MOST_ROUNDS && told < ENOUGH; i++) {
            Process victim = next;
            next = victims.start(data, what, job);
            kill(victim, what, random);
            integrity("last-cut.db");
            integrity("desk.db");
            try (Workshop w = new Workshop(data, Map.of())) {
                told += w.a(InterruptedWork.class).all().size();
                switch (what) {
                    case "bring-in" -> packsAreWhole(w);
                    case "cut" -> cutsAreWhole(w);
                    case "backup" -> told += copiesAreWhole();
                    default -> told += ordersAreWhole(w);
                }
                w.a(InterruptedWork.class)
                        .all()
                        .forEach(b -> w.a(InterruptedWork.class).read(b.id()));
            }
        }
        next.destroyForcibly();
        assertThat(told).as("that something broke off was told").isGreaterThanOrEqualTo(ENOUGH);
    }

    /** Lets it work and kills it somewhere in it. */
    private void kill(Process victim, String what, Random random) throws Exception {
        try (BufferedReader said = victim.inputReader(StandardCharsets.UTF_8)) {
            Victims.go(victim, begun);
            boolean writing = random.nextBoolean();
            String awaited = writing ? WRITING.get(what) : "begin " + begun;
            for (String line = said.readLine(); line != null; line = said.readLine()) {
                heard(line);
                if (line.equals(awaited)) {
                    break;
                }
            }
            LockSupport.parkNanos(1_000L * random.nextInt(writing ? writing(what) : 300_000));
            victim.toHandle().destroyForcibly();
            assertThat(victim.waitFor(20, TimeUnit.SECONDS)).isTrue();
            said.lines().forEach(this::heard);
        }
        assertThat(victim.exitValue()).as("killed, and not fallen over").isEqualTo(128 + 9);
    }

    /** How long the writing step takes about, µs; an order is held against its choices first. */
    private static int writing(String what) {
        return what.equals("order") ? 90_000 : 25_000;
    }

    private void heard(String line) {
        if (line.startsWith("begin ")) {
            begun = Integer.parseInt(line.substring(6)) + 1;
        }
        last = line;
    }

    private void integrity(String file) {
        assertThat(
                        Jobs.database(data.resolve(file))
                                .sql("pragma integrity_check")
                                .query(String.class)
                                .list())
                .containsExactly("ok");
        assertThat(
                        Jobs.database(data.resolve(file))
                                .sql("pragma foreign_key_check")
                                .query((r, n) -> r.getString(1))
                                .list())
                .isEmpty();
    }

    /**
     * Every job has all of its files and a ticket; the last one is there, or it is said not to be.
     */
    private void packsAreWhole(Workshop w) throws Exception {
        Map<String, String> files = new HashMap<>();
        for (PackFile f : Jobs.pack("tag").files()) {
            files.put(f.path(), Manifest.sha256(f.content()));
        }
        JobStore jobs = w.a(JobStore.class);
        List<JobStore.Job> all = jobs.all();
        for (JobStore.Job j : all) {
            Map<String, String> kept = new HashMap<>();
            for (JobStore.StoredFile f : jobs.files(j.id(), 1)) {
                kept.put(f.path(), Manifest.sha256(w.a(BlobStore.class).get(f.sha256())));
            }
            assertThat(kept).isEqualTo(files);
            assertThat(w.a(JobService.class).ticket(j.id())).isNotNull();
        }
        List<String> names = all.stream().map(JobStore.Job::name).toList();
        // The first job is the one the work began with.
        for (int n = 0; n < begun - 1; n++) {
            if (!lost.contains(n)) {
                assertThat(names).contains("tag " + n);
            }
        }
        boolean there = names.contains("tag " + (begun - 1));
        List<InterruptedWork.Told> told = w.a(InterruptedWork.class).all();
        if (there) {
            assertThat(told).isEmpty();
        } else {
            lost.add(begun - 1);
            assertThat(told.size()).isLessThanOrEqualTo(1);
            assertThat(told).allMatch(t -> t.says().contains("tag " + (begun - 1)));
        }
        assertThat(last.startsWith("done") && !there).as("said to be done and lost").isFalse();
    }

    /** Every cut is as its manifest says, and they are numbered without a gap. */
    private void cutsAreWhole(Workshop w) {
        CutStore cuts = w.a(CutStore.class);
        List<CutStore.Cut> all = cuts.all(job);
        for (int i = 0; i < all.size(); i++) {
            CutStore.Cut c = all.get(i);
            assertThat(c.number()).isEqualTo(all.size() - i);
            byte[] zip = cuts.zip(job, c.number()).orElseThrow();
            assertThat(Manifest.sha256(zip)).isEqualTo(c.sha256());
            Verification held = Verification.of(zip);
            assertThat(held.faults()).isEmpty();
            assertThat(held.cut().orElseThrow().number()).isEqualTo(c.number());
        }
        List<InterruptedWork.Told> told = w.a(InterruptedWork.class).all();
        broken += told.size();
        // One was made before; one may be lost before it was noted to be begun.
        int missing = begun - (all.size() - 1 + broken);
        assertThat(missing).isBetween(unnoted, unnoted + 1);
        unnoted = missing;
        assertThat(told).allMatch(t -> t.says().startsWith("Making a cut of tag broke off"));
    }

    /** What bears the name of a copy is whole; how many were broken off beside it. */
    private int copiesAreWhole() throws IOException {
        Path folder = data.resolve("backups");
        if (!Files.isDirectory(folder)) {
            return 0;
        }
        List<String> names;
        try (Stream<Path> files = Files.list(folder)) {
            names = files.map(f -> f.getFileName().toString()).toList();
        }
        for (String name : names) {
            if (name.startsWith("last-cut-") && name.endsWith(".db")) {
                integrity("backups/" + name);
                assertThat(
                                Jobs.database(folder.resolve(name))
                                        .sql("select count(*) from job")
                                        .query(Integer.class)
                                        .single())
                        .isEqualTo(1);
            }
        }
        return names.contains("part.db") ? 1 : 0;
    }

    /** What is placed here is what the desk has, to the key; all else is said not to be ordered. */
    private int ordersAreWhole(Workshop w) {
        Path file = data.resolve("desk.db");
        try (DeskServer desk = new DeskServer(0, file, Duration.ofMillis(5))) {
            OrderService orders = w.orders(desk.address());
            int before = w.a(DeskOrderStore.class).in(State.PLACING).size();
            orders.takeUp();
            List<Row> all = orders.of(job);
            List<String> placed =
                    all.stream().filter(r -> r.state() == State.PLACED).map(Row::key).toList();
            assertThat(placed).containsExactlyInAnyOrderElementsOf(Jobs.orders(file));
            assertThat(w.a(CutStore.class).handed(job)).hasSameSizeAs(placed);
            assertThat(all).noneMatch(r -> r.state() == State.PLACING);
            List<Row> open =
                    all.stream()
                            .filter(r -> r.state() == State.SENDING || !r.fault().isEmpty())
                            .toList();
            assertThat(open)
                    .allMatch(
                            r ->
                                    r.state() == State.PLACED
                                            ? r.fault().endsWith("it is ordered once.")
                                            : r.fault().contains("othing was ordered"));
            return before + (int) all.stream().filter(r -> r.state() == State.SENDING).count();
        }
    }
}
