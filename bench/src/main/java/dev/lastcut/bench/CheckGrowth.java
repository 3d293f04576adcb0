package dev.lastcut.bench;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.intake.Intake;
import java.io.PrintStream;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Geometry;

/**
 * Times all checks on boards of growing size in one process, beside one union of the top copper by
 * the geometry library, then the same checks after one headroom number changed, and prints the
 * exponent of growth. Start it in a heap of 1 GiB.
 */
public final class CheckGrowth {
    private static final int[] SIZES = {25_000, 50_000, 100_000, 200_000};

    private CheckGrowth() {}

    public static void main(String[] args) throws Exception {
        PrintStream out = System.out;
        CapabilitySheet sheet = sheet();
        round(SIZES[0], sheet);
        out.printf(
                "%-9s %9s %9s %7s %9s %9s %9s%n",
                "objects", "union ms", "all ms", "ratio", "again ms", "computed", "findings");
        double[] all = new double[SIZES.length];
        double[] objects = new double[SIZES.length];
        for (int i = 0; i < SIZES.length; i++) {
            double[] t = round(SIZES[i], sheet);
            objects[i] = t[0];
            all[i] = t[2];
            out.printf(
                    "%-9.0f %9.0f %9.0f %7.2f %9.0f %9.0f %9.0f%n",
                    t[0], t[1], t[2], t[2] / t[1], t[3], t[4], t[5]);
        }
        int last = SIZES.length - 1;
        out.printf(
                "growth of all checks from %.0f to %.0f objects: n^%.2f%n",
                objects[0],
                objects[last],
                Math.log(all[last] / all[0]) / Math.log(objects[last] / objects[0]));
    }

    /** A house that states every number a board can be held against, so that every check runs. */
    private static CapabilitySheet sheet() {
        Map<LimitKey, Limit> limits = new EnumMap<>(LimitKey.class);
        for (LimitKey key : LimitKey.values()) {
            limits.put(key, new Limit(least(key), key.isRatio() ? Limit.RATIO : "mm", "", ""));
        }
        return new CapabilitySheet(
                "fine",
                "A fine house",
                CapabilitySheet.Kind.HOUSE,
                "",
                limits,
                8,
                true,
                Map.of(OrderOption.THICKNESS, List.of("1.6")),
                List.of(),
                new Price("EUR", 0, 0, 0),
                Optional.empty());
    }

    private static double least(LimitKey key) {
        return switch (key) {
            case ASPECT_RATIO -> 10;
            case STENCIL_AREA_RATIO -> 0.66;
            case STENCIL_ASPECT -> 1.5;
            case SILK_HEIGHT -> 0.8;
            case HOLE_MAX -> 6;
            case BOARD_WIDTH_MAX, BOARD_HEIGHT_MAX -> 600;
            case MASK_TO_COPPER, MASK_EXPANSION -> 0.03;
            default -> 0.09;
        };
    }

    /** Objects; ms of the union, of all checks, of a repeated check; rules computed; findings. */
    private static double[] round(int size, CapabilitySheet sheet) throws Exception {
        BoardGeometry g = new BoardGeometry(Intake.open(LargeBoard.pack(size)));
        int objects = g.board().layers().stream().mapToInt(l -> l.features().size()).sum();
        CheckRun[] run = new CheckRun[1];
        double all = ms(() -> run[0] = CheckRunner.run(new CheckContext(g, sheet, Headroom.NONE)));
        int findings = run[0].findings().size();
        Headroom one = new Headroom(0, Map.of(LimitKey.CLEARANCE, 20_000.0), Map.of());
        double again = ms(() -> run[0] = CheckRunner.run(new CheckContext(g, sheet, one)));
        long computed = run[0].results().stream().filter(CheckRun.Result::computed).count();
        List<? extends Geometry> copper =
                g.nets().nodes().stream()
                        .filter(n -> n.layer() == 0)
                        .map(n -> n.polygon())
                        .toList();
        double union = ms(() -> Geo.union(copper));
        return new double[] {objects, union, all, again, computed, findings};
    }

    private static double ms(Runnable work) {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e6;
    }
}
