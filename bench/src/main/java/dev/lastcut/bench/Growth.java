package dev.lastcut.bench;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.gerber.GerberReader;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;

/**
 * Times reading and net finding on boards of growing size in one process, beside splitting the same
 * bytes at asterisks and beside the same pack where no file says what it is, and prints the
 * exponent of growth. Start it in a heap of 1 GiB.
 */
public final class Growth {
    private static final int[] SIZES = {25_000, 50_000, 100_000, 200_000};
    private static final int ROUNDS = 3;

    private Growth() {}

    /** Work whose time is taken. */
    private interface Work {
        Object run() throws Exception;
    }

    public static void main(String[] args) throws Exception {
        PrintStream out = System.out;
        once(LargeBoard.pack(SIZES[0]));
        out.printf(
                "%-9s %9s %9s %7s %9s %9s %9s %9s %7s%n",
                "objects",
                "split ms",
                "read ms",
                "ratio",
                "pack ms",
                "nets ms",
                "model ms",
                "silent ms",
                "ratio");
        double[] model = new double[SIZES.length];
        double[] objects = new double[SIZES.length];
        for (int i = 0; i < SIZES.length; i++) {
            Pack pack = LargeBoard.pack(SIZES[i]);
            double[] t = once(pack);
            for (int round = 1; round < ROUNDS; round++) {
                double[] again = once(pack);
                for (int k = 0; k < t.length; k++) {
                    t[k] = Math.min(t[k], again[k]);
                }
            }
            objects[i] = t[4];
            model[i] = t[2] + t[3];
            out.printf(
                    "%-9.0f %9.1f %9.1f %7.2f %9.0f %9.0f %9.0f %9.0f %7.2f%n",
                    t[4],
                    t[0],
                    t[1],
                    t[1] / t[0],
                    t[2],
                    t[3],
                    model[i],
                    t[5] + t[3],
                    (t[5] + t[3]) / model[i]);
        }
        int last = SIZES.length - 1;
        out.printf(
                "growth of the model from %.0f to %.0f objects: n^%.2f%n",
                objects[0],
                objects[last],
                Math.log(model[last] / model[0]) / Math.log(objects[last] / objects[0]));
    }

    /**
     * Milliseconds for splitting, Gerber reading, opening the pack and nets; then the objects, and
     * the time for opening the same pack where no file says what it is.
     */
    private static double[] once(Pack pack) throws Exception {
        var gerbers = pack.files().stream().filter(f -> f.path().endsWith(".gbr")).toList();
        double split =
                least(
                        () -> {
                            int n = 0;
                            for (Pack.PackFile f : gerbers) {
                                String s = new String(f.content(), StandardCharsets.UTF_8);
                                n += s.split("\\*").length;
                            }
                            return n;
                        });
        double read =
                least(
                        () -> {
                            int n = 0;
                            for (Pack.PackFile f : gerbers) {
                                n += GerberReader.read(f.path(), f.content()).features().size();
                            }
                            return n;
                        });
        Board[] board = new Board[1];
        double open = ms(() -> board[0] = Intake.open(pack));
        int objects = board[0].layers().stream().mapToInt(l -> l.features().size()).sum();
        double nets = ms(() -> new BoardGeometry(board[0]));
        Pack silent = LargeBoard.silent(pack);
        double asked = ms(() -> Intake.open(silent));
        return new double[] {split, read, open, nets, objects, asked};
    }

    /** The short works are run often: the least time is the one without a collection in it. */
    private static double least(Work work) throws Exception {
        double best = Double.MAX_VALUE;
        for (int i = 0; i < 7; i++) {
            best = Math.min(best, ms(work));
        }
        return best;
    }

    private static double ms(Work work) throws Exception {
        long start = System.nanoTime();
        Object result = work.run();
        if (result == null) {
            throw new IllegalStateException("no result");
        }
        return (System.nanoTime() - start) / 1e6;
    }
}
