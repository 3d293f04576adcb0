package dev.lastcut.bench;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.milling.Isolation;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.ProgramWriter;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Geometry;

/**
 * Times the programs for two-layer boards of growing size with three cutters, beside one buffer and
 * union of the same copper by the geometry library in the same run, and prints the exponent of
 * growth. Start it in a heap of 1 GiB.
 */
public final class MillGrowth {
    private static final int[] SIZES = {3_350, 6_700, 13_400, 20_100};

    private MillGrowth() {}

    public static void main(String[] args) throws Exception {
        PrintStream out = System.out;
        round(SIZES[0]);
        round(SIZES[0]);
        out.printf(
                "%-9s %6s %11s %11s %11s %7s %11s %9s %11s%n",
                "objects",
                "parts",
                "board mm",
                "library ms",
                "isolate ms",
                "ratio",
                "all ms",
                "kB",
                "joined ms");
        double[] all = new double[SIZES.length];
        double[] objects = new double[SIZES.length];
        for (int i = 0; i < SIZES.length; i++) {
            // The second of two, when the machine is warm.
            round(SIZES[i]);
            double[] t = round(SIZES[i]);
            objects[i] = t[0];
            all[i] = t[6];
            out.printf(
                    "%-9.0f %6.0f %5.0f×%-5.0f %11.0f %11.0f %7.2f %11.0f %9.0f %11.0f%n",
                    t[0], t[1], t[2], t[3], t[4], t[5], t[5] / t[4], t[6], t[7], t[8]);
        }
        int last = SIZES.length - 1;
        out.printf(
                "growth of all programs from %.0f to %.0f objects: n^%.2f%n",
                objects[0],
                objects[last],
                Math.log(all[last] / all[0]) / Math.log(objects[last] / objects[0]));
    }

    private static Cutter cutter(String id, Cutter.Kind kind, double mm) {
        long d = Math.round(mm * 1e6);
        return kind == Cutter.Kind.V
                ? new Cutter(id, id, kind, d, 10, 3_175_000, 0, 200, 60, 12_000, 200_000)
                : new Cutter(id, id, kind, 0, 0, d, 0, 200, 60, 12_000, 600_000);
    }

    private static Mill mill() {
        return new Mill(
                List.of(
                        cutter("v", Cutter.Kind.V, 0.1),
                        cutter("f04", Cutter.Kind.FLAT, 0.4),
                        cutter("f08", Cutter.Kind.FLAT, 0.8),
                        cutter("f2", Cutter.Kind.FLAT, 2),
                        cutter("d03", Cutter.Kind.DRILL, 0.3),
                        cutter("d09", Cutter.Kind.DRILL, 0.9)),
                new Mill.Stock(900_000_000, 900_000_000, 1_600_000, 35_000),
                new Mill.Bed(900_000_000, 900_000_000, 40_000_000),
                new Mill.Cutting(2_000_000, 100_000, 400_000, 0.3, 200_000, 50_000, 1200),
                new Mill.Tabs(4, 2_000_000, 500_000),
                new Mill.Pins(900_000, 4_000_000),
                new Mill.Controller(
                        Mill.Controller.ToolChange.PROGRAM_PER_TOOL, false, false, true, 2));
    }

    /**
     * Objects, parts, width, height; ms of the library, of isolation, of all; kB of programs; ms to
     * tell what stays joined.
     */
    private static double[] round(int size) throws Exception {
        BoardGeometry g = new BoardGeometry(Intake.open(LargeBoard.pack(size)));
        int objects = g.board().layers().stream().mapToInt(l -> l.features().size()).sum();
        MillSetup setup = MillSetup.USUAL.withTools(List.of("f08", "f04", "v"));
        List<List<Geometry>> copper = new ArrayList<>();
        for (Side side : Side.values()) {
            int layer = g.copperIndex(side);
            copper.add(
                    g.nets().nodes().stream()
                            .filter(n -> n.layer() == layer)
                            .map(n -> (Geometry) n.polygon())
                            .toList());
        }
        double library =
                ms(
                        () ->
                                copper.forEach(
                                        c ->
                                                Geo.union(
                                                        c.stream()
                                                                .map(
                                                                        p ->
                                                                                Geo.offset(
                                                                                        p, 60_000,
                                                                                        1e3))
                                                                .toList())));
        Mill mill = mill();
        double isolation =
                ms(
                        () ->
                                Stream.of(Side.values())
                                        .parallel()
                                        .forEach(
                                                side ->
                                                        MillingPlan.isolation(
                                                                g, mill, setup, side)));
        double joined =
                ms(
                        () ->
                                Stream.of(Side.values())
                                        .parallel()
                                        .forEach(side -> joined(g, mill, setup, side)));
        // All programs start from a board of their own, of which nothing is known but its nets.
        BoardGeometry fresh = new BoardGeometry(g.board());
        fresh.nets();
        long[] bytes = new long[1];
        double all = ms(() -> bytes[0] = bytes(fresh, mill, setup));
        var e = g.boardArea().getEnvelopeInternal();
        return new double[] {
            objects,
            g.board().partCount(),
            e.getWidth() / 1e6,
            e.getHeight() / 1e6,
            library,
            isolation,
            all,
            bytes[0] / 1024.0,
            joined
        };
    }

    private static void joined(BoardGeometry g, Mill mill, MillSetup setup, Side side) {
        MillingPlan.isolation(g, mill, setup, side).ifPresent(Isolation::joined);
    }

    private static long bytes(BoardGeometry g, Mill mill, MillSetup setup) {
        return MillingPlan.of(g, mill, setup).programs().parallelStream()
                .mapToLong(p -> ProgramWriter.write(p, mill).length)
                .sum();
    }

    private static double ms(Runnable work) {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e6;
    }
}
