package dev.lastcut.core.touch;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.LimitKey;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/**
 * A random board of 40 by 30 mm that has no fault: nets walk along a grid without meeting, from a
 * pad with a hole to another, through a via; on the bottom a plane of GND clears what is not of it.
 */
final class RandomLayout {
    static final double PITCH = 2;
    private static final int COLUMNS = 18;
    private static final int ROWS = 13;

    private record Node(int x, int y) {
        double mmX() {
            return 3 + x * PITCH;
        }

        double mmY() {
            return 3 + y * PITCH;
        }
    }

    private final Random random;
    private final TestBoards board = new TestBoards();
    private final Set<Node> taken = new HashSet<>();
    private final List<double[]> pads = new ArrayList<>();
    private final List<double[]> vias = new ArrayList<>();
    private final List<double[]> grounds = new ArrayList<>();
    private final List<double[]> tracks = new ArrayList<>();

    private RandomLayout(long seed) {
        random = new Random(seed);
    }

    /** What a common house asks; mm. */
    static CapabilitySheet house() {
        return TestBoards.house(
                Map.of(
                        LimitKey.TRACK_WIDTH, 0.15,
                        LimitKey.CLEARANCE, 0.2,
                        LimitKey.COPPER_SLIVER, 0.15,
                        LimitKey.COPPER_TO_EDGE, 0.3,
                        LimitKey.COPPER_TO_HOLE, 0.25,
                        LimitKey.ANNULAR_RING, 0.15,
                        LimitKey.HOLE_SPACING, 0.3,
                        LimitKey.MASK_DAM, 0.1,
                        LimitKey.SILK_TO_MASK, 0.1,
                        LimitKey.SILK_WIDTH, 0.12));
    }

    static Board of(long seed) {
        return new RandomLayout(seed).make();
    }

    private Board make() {
        board.outline(0, 0, 40, 30);
        for (int net = 0; net < 12; net++) {
            walk("N" + net);
        }
        for (int i = 0; i < 6; i++) {
            Node n = free();
            grounds.add(new double[] {n.mmX(), n.mmY()});
        }
        board.on(Role.Kind.COPPER, Side.TOP);
        tracks.forEach(t -> board.line(0.25, t[0], t[1], t[2], t[3]));
        pads.forEach(p -> board.round(p[0], p[1], 1.4));
        grounds.forEach(p -> board.round(p[0], p[1], 1.4));
        vias.forEach(p -> board.round(p[0], p[1], 0.7));
        board.on(Role.Kind.COPPER, Side.BOTTOM);
        board.area(1, 1, 39, 1, 39, 29, 1, 29);
        pads.forEach(p -> board.clear(p[0], p[1], 2));
        vias.forEach(p -> board.clear(p[0], p[1], 1.3));
        pads.forEach(p -> board.round(p[0], p[1], 1.4));
        vias.forEach(p -> board.round(p[0], p[1], 0.7));
        grounds.forEach(p -> board.round(p[0], p[1], 1.4));
        int pin = 0;
        for (double[] p : grounds) {
            board.lead("GND", "J" + pin++, "1", p[0], p[1]).hole(p[0], p[1], 0.8, true);
        }
        for (double[] p : pads) {
            board.hole(p[0], p[1], 0.8, true);
        }
        vias.forEach(p -> board.hole(p[0], p[1], 0.3, true));
        for (Side side : Side.values()) {
            board.on(Role.Kind.MASK, side);
            pads.forEach(p -> board.round(p[0], p[1], 1.5));
            grounds.forEach(p -> board.round(p[0], p[1], 1.5));
        }
        board.on(Role.Kind.SILK, Side.TOP);
        for (int i = 0; i < 12; i++) {
            double x = 4 + random.nextInt(300) / 10.0;
            double y = 4 + random.nextInt(200) / 10.0;
            board.line(0.15, x, y, x + random.nextInt(40) / 10.0, y + random.nextInt(30) / 10.0);
        }
        return board.board();
    }

    private Node free() {
        while (true) {
            Node n = new Node(random.nextInt(COLUMNS), random.nextInt(ROWS));
            if (taken.add(n)) {
                return n;
            }
        }
    }

    private void walk(String net) {
        Node at = free();
        List<Node> way = new ArrayList<>(List.of(at));
        for (int step = 0; step < 3 + random.nextInt(6); step++) {
            int way4 = random.nextInt(4);
            Node next =
                    new Node(
                            at.x() + (way4 == 0 ? 1 : way4 == 1 ? -1 : 0),
                            at.y() + (way4 == 2 ? 1 : way4 == 3 ? -1 : 0));
            boolean inside =
                    next.x() >= 0 && next.y() >= 0 && next.x() < COLUMNS && next.y() < ROWS;
            if (inside && taken.add(next)) {
                tracks.add(new double[] {at.mmX(), at.mmY(), next.mmX(), next.mmY()});
                at = next;
                way.add(next);
            }
        }
        pads.add(new double[] {way.get(0).mmX(), way.get(0).mmY()});
        board.lead(net, "R" + net, "1", way.get(0).mmX(), way.get(0).mmY());
        if (way.size() > 1) {
            pads.add(new double[] {at.mmX(), at.mmY()});
            board.lead(net, "R" + net, "2", at.mmX(), at.mmY());
        }
        if (way.size() > 3) {
            vias.add(new double[] {way.get(2).mmX(), way.get(2).mmY()});
        }
    }
}
