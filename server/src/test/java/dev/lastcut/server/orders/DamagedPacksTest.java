package dev.lastcut.server.orders;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.server.LongRun;
import dev.lastcut.server.desk.Cuts;
import dev.lastcut.server.jobs.CheckService;
import dev.lastcut.server.jobs.ChoiceService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.work.Task;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import dev.lastcut.server.work.TaskState.Status;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/**
 * Packs that are damaged at random, and such as are large on purpose, are brought in and checked or
 * refused with a sentence: never a mistake of ours, and nothing that goes on after it is cancelled.
 */
@Timeout(value = 90, unit = TimeUnit.MINUTES)
class DamagedPacksTest {
    private static final int DAMAGED = LongRun.is() ? 1_000 : 8;
    private static final int LARGE = LongRun.is() ? 100 : 4;

    /** Beyond this it is cancelled. */
    private static final long LONGEST_MS = 30_000;

    /** So soon it must end then. */
    private static final long CANCEL_MS = 1_000;

    @TempDir Path data;

    /** Does work to its end, or cancels it when it takes too long; how it ended. */
    private static TaskState over(Workshop w, String what, TaskRunner.Work work)
            throws InterruptedException {
        TaskRunner runner = w.a(TaskRunner.class);
        Jobs.Going going = Jobs.start(runner, work);
        Task task = going.task();
        TaskState state = task.await(LONGEST_MS);
        if (!state.isOver()) {
            runner.cancel(state.id());
            assertThat(going.ended().await(CANCEL_MS, TimeUnit.MILLISECONDS))
                    .as(what + " goes on after it was cancelled, at: " + state.step())
                    .isTrue();
            return task.state();
        }
        assertThat(state.error())
                .as(what)
                .doesNotContain("inside the application")
                .doesNotContain("not enough memory");
        if (state.status() == Status.FAILED) {
            assertThat(state.error()).as(what).endsWith(".").hasSizeGreaterThan(20);
        }
        return state;
    }

    /** Brings it in and, where that was possible, has it checked by a house. */
    private static void through(Workshop w, String what, Pack pack) throws Exception {
        TaskState in = over(w, what, t -> String.valueOf(w.a(JobService.class).bringIn(pack, t)));
        if (in.status() != Status.DONE) {
            return;
        }
        long job = Long.parseLong(in.result());
        w.a(ChoiceService.class).choose(job, Optional.empty(), t -> t.withShop("waggle-quick"));
        over(
                w,
                what + ", checked",
                t -> {
                    w.a(CheckService.class).check(job, t);
                    return "";
                });
        // It can be opened and put away whatever became of it.
        w.a(JobService.class).delete(job, true);
    }

    @Test
    void damaged() throws Exception {
        long seed = LongRun.seed(7);
        Random random = new Random(seed);
        List<String> names = List.of("joint-box", "honeycomb-tag", "p07_mill_single", "p18_kart");
        try (Workshop w = new Workshop(data, Map.of())) {
            for (int i = 0; i < DAMAGED; i++) {
                String name = names.get(i % names.size());
                Pack pack = damaged(Cuts.pack(name), random);
                through(w, "seed " + seed + ", round " + i + " of " + name, pack);
            }
        }
    }

    private static Pack damaged(Pack pack, Random r) {
        List<PackFile> files = new ArrayList<>();
        for (PackFile f : pack.files()) {
            int what = r.nextInt(14);
            byte[] content = f.content();
            switch (what) {
                case 0 -> content = Arrays.copyOf(content, r.nextInt(content.length + 1));
                case 1, 2 -> content = flipped(content, 1 + r.nextInt(40), r);
                case 3 -> content = shuffled(content, r);
                case 4 -> content = new byte[r.nextInt(3) * 500];
                case 5 -> content = repeated(content, r);
                default -> {}
            }
            if (what == 6) {
                PackFile other = pack.files().get(r.nextInt(pack.files().size()));
                content = other.content();
            }
            if (what != 7) {
                files.add(new PackFile(f.path(), content));
            }
        }
        return new Pack(pack.name(), files);
    }

    private static byte[] flipped(byte[] content, int times, Random r) {
        byte[] all = content.clone();
        for (int i = 0; i < times && all.length > 0; i++) {
            all[r.nextInt(all.length)] = (byte) "0123456789*%XYDMG,-.;\n\"é".charAt(r.nextInt(23));
        }
        return all;
    }

    /** Some of its lines in another order. */
    private static byte[] shuffled(byte[] content, Random r) {
        String[] lines = new String(content, StandardCharsets.ISO_8859_1).split("\n");
        for (int i = 0; i < 10; i++) {
            int a = r.nextInt(lines.length);
            int b = r.nextInt(lines.length);
            String line = lines[a];
            lines[a] = lines[b];
            lines[b] = line;
        }
        return String.join("\n", lines).getBytes(StandardCharsets.ISO_8859_1);
    }

    /** A piece of it a few hundred times. */
    private static byte[] repeated(byte[] content, Random r) {
        String text = new String(content, StandardCharsets.ISO_8859_1);
        int from = r.nextInt(text.length() + 1);
        int to = Math.min(text.length(), from + r.nextInt(200));
        String more = text.substring(from, to).repeat(300);
        return (text.substring(0, to) + more + text.substring(to))
                .getBytes(StandardCharsets.ISO_8859_1);
    }

    @Test
    void largeOnPurpose() throws Exception {
        long seed = LongRun.seed(11);
        Random random = new Random(seed);
        try (Workshop w = new Workshop(data, Map.of())) {
            for (int i = 0; i < LARGE; i++) {
                through(w, "seed " + seed + ", large " + i, large(i % 6, random));
            }
        }
    }

    private static final String HEAD = "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.2*%\n%ADD11R,1X0.5*%\n";

    private static Pack large(int kind, Random r) {
        StringBuilder top = new StringBuilder(HEAD);
        StringBuilder drill = new StringBuilder("M48\nMETRIC\nT1C0.5\n%\nT1\n");
        StringBuilder list = new StringBuilder("Designator,Value,Footprint\n");
        int n = (LongRun.is() ? 20_000 : 5_000) + r.nextInt(LongRun.is() ? 60_000 : 5_000);
        switch (kind) {
            case 0 -> lines(top, n, "D01", r);
            case 1 -> lines(top, n, "D03", r);
            case 2 -> {
                top.append("D10*\nG36*\nX0Y0D02*\n");
                lines(top, 400 + r.nextInt(1_000), "D01", r);
                top.append("G37*\n");
            }
            case 3 -> {
                for (int i = 0; i < Math.min(n, 49_000); i++) {
                    drill.append(
                            "X%.3fY%.3f\n".formatted(r.nextDouble() * 90, r.nextDouble() * 90));
                }
            }
            case 4 -> {
                for (int i = 0; i < 19_000; i++) {
                    list.append("R").append(i).append(",10k,0603\n");
                }
            }
            default ->
                    top.append("D11*\n%SRX")
                            .append(100 + r.nextInt(500))
                            .append("Y")
                            .append(100 + r.nextInt(500))
                            .append("I0.7J0.9*%\nX0Y0D03*\n%SR*%\n");
        }
        top.append("D10*\nX5000000Y5000000D03*\nM02*\n");
        drill.append("X5Y5\nM30\n");
        list.append("X1,plug,header\n");
        String edge = HEAD + "D10*\nX0Y0D02*\nX90000000D01*\nY90000000D01*\nX0D01*\nY0D01*\nM02*\n";
        return new Pack(
                "large " + kind,
                List.of(
                        file("board-copper-top.gbr", top),
                        file("board-outline.gbr", new StringBuilder(edge)),
                        file("board-holes.drl", drill),
                        file("board-parts.csv", list)));
    }

    private static void lines(StringBuilder top, int n, String what, Random r) {
        top.append(what.equals("D03") ? "D11*\n" : "D10*\n");
        for (int i = 0; i < n; i++) {
            top.append('X')
                    .append(r.nextInt(90_000_000))
                    .append('Y')
                    .append(r.nextInt(90_000_000))
                    .append(what)
                    .append("*\n");
        }
    }

    private static PackFile file(String path, StringBuilder text) {
        return new PackFile(path, text.toString().getBytes(StandardCharsets.UTF_8));
    }
}
