package dev.lastcut.bench;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.kit.BenchKit;
import dev.lastcut.core.placement.OffPads;
import dev.lastcut.core.placement.TurnJudge;
import dev.lastcut.core.placement.UnrotatedPins;
import dev.lastcut.core.placement.Verdict;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.stencil.openings.Stencil;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/**
 * Times what is held of the placement of growing boards: rotations and places of every part, its
 * openings shaped, and the order to solder all of it; beside that the time for turning every part's
 * pins back once. One part in twenty is told turned. Start it in a heap of 1 GiB.
 */
public final class PlacementGrowth {
    private static final int[] SIZES = {300, 1_000, 3_000, 9_000};
    private static final String[] FOOTPRINTS = {"R0603", "C0603", "C0805", "SMA", "SO8", "SO16"};
    private static final int[] PINS = {2, 2, 2, 2, 8, 16};

    private PlacementGrowth() {}

    public static void main(String[] args) {
        PrintStream out = System.out;
        round(SIZES[0], out, false);
        round(SIZES[1], out, false);
        out.printf(
                "%-8s %9s %9s %9s %9s %9s %8s%n",
                "parts", "turn ms", "judge ms", "off ms", "stencil", "kit ms", "judge x");
        double[] judged = new double[SIZES.length];
        for (int i = 0; i < SIZES.length; i++) {
            judged[i] = round(SIZES[i], out, true);
        }
        int last = SIZES.length - 1;
        out.printf(
                "judging grows from %d to %d parts with n^%.2f%n",
                SIZES[0],
                SIZES[last],
                Math.log(judged[last] / judged[0]) / Math.log((double) SIZES[last] / SIZES[0]));
    }

    private static double round(int count, PrintStream out, boolean told) {
        Random r = new Random(count);
        List<Netlist.Point> points = new ArrayList<>();
        List<PlacedPart> placed = new ArrayList<>();
        List<Feature> pads = new ArrayList<>();
        int side = (int) Math.ceil(Math.sqrt(count));
        int turned = 0;
        for (int i = 0; i < count; i++) {
            int kind = r.nextInt(FOOTPRINTS.length);
            int lies = 90 * r.nextInt(4);
            boolean wrong = kind > 2 && r.nextInt(20) == 0;
            turned += wrong ? 1 : 0;
            Pt at = new Pt(12_000_000L * (i % side), 12_000_000L * (i / side));
            String name = "P" + i;
            for (int pin = 0; pin < PINS[kind]; pin++) {
                Pt p = at.plus(pin(pin, PINS[kind], lies));
                points.add(
                        new Netlist.Point(
                                "N" + r.nextInt(count),
                                name,
                                String.valueOf(pin + 1),
                                p,
                                Optional.of(Side.TOP),
                                false));
                pads.add(
                        new Feature.Flash(
                                new Aperture.Rectangle(600_000, 400_000, 0),
                                p,
                                Orientation.NONE,
                                true,
                                0,
                                ObjectAttributes.NONE));
            }
            double said = (lies + (wrong ? 180 : 0)) % 360;
            placed.add(new PlacedPart(name, "v", FOOTPRINTS[kind], at, said, Side.TOP, i));
        }
        Board board =
                new Board(
                        List.of(),
                        List.of(
                                new Layer(Role.of(Role.Kind.COPPER, Side.TOP), "copper", pads),
                                new Layer(Role.of(Role.Kind.PASTE, Side.TOP), "paste", pads)),
                        Optional.empty(),
                        List.of(),
                        Optional.of(new Netlist("netlist", points)),
                        Optional.empty(),
                        Optional.of(placed),
                        List.of());
        BoardGeometry geometry = new BoardGeometry(board);
        List<Part> parts = Population.of(board, Variants.NONE);
        double turn =
                PartsGrowth.ms(
                        () -> {
                            for (int i = 0, n = 0; i < placed.size(); i++) {
                                for (;
                                        n < points.size() && isOf(points.get(n), placed.get(i));
                                        n++) {
                                    UnrotatedPins.back(
                                            points.get(n).at(),
                                            placed.get(i),
                                            placed.get(i).rotationDeg());
                                }
                            }
                        });
        List<Verdict> verdicts = new ArrayList<>();
        double judge =
                PartsGrowth.ms(() -> verdicts.addAll(TurnJudge.of(geometry, parts, Turns.NONE)));
        long named = verdicts.stream().filter(v -> v.state() == Verdict.State.TURNED).count();
        if (named != turned) {
            throw new IllegalStateException(named + " of " + turned + " turned parts were named");
        }
        double off = PartsGrowth.ms(() -> OffPads.of(geometry, parts, Turns.NONE));
        double stencil = PartsGrowth.ms(() -> Stencil.of(geometry, StencilPlan.AS_DRAWN, parts));
        double kit =
                PartsGrowth.ms(
                        () ->
                                BenchKit.of(
                                        geometry,
                                        Assignments.of(
                                                geometry, nobody(), Order.USUAL, PartsPlan.NONE),
                                        PartsPlan.NONE));
        if (told) {
            out.printf(
                    "%-8d %9.1f %9.1f %9.1f %9.1f %9.1f %8.1f%n",
                    count, turn, judge, off, stencil, kit, judge / turn);
        }
        return judge;
    }

    private static boolean isOf(Netlist.Point p, PlacedPart part) {
        return p.component().equals(part.designator());
    }

    /** Two rows, the first pin at the upper left at 0°. */
    private static Pt pin(int pin, int of, int lies) {
        int row = of / 2;
        boolean left = pin < row;
        int along = left ? pin : of - 1 - pin;
        long x = left ? -1_000_000L - 100_000L * of : 1_000_000L + 100_000L * of;
        long y = Math.round(((row - 1) / 2.0 - along) * 650_000);
        return switch (lies) {
            case 90 -> new Pt(-y, x);
            case 180 -> new Pt(-x, -y);
            case 270 -> new Pt(y, -x);
            default -> new Pt(x, y);
        };
    }

    private static CapabilitySheet nobody() {
        return new CapabilitySheet(
                "bench",
                "Bench",
                CapabilitySheet.Kind.HOUSE,
                "",
                Map.of(),
                2,
                true,
                Map.of(),
                List.of(),
                new Price("EUR", 0, 0, 0),
                Optional.empty());
    }
}
