package dev.lastcut.core.placement;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;

/**
 * Parts that are not placed on their pads. Where a footprint's origin lies to its pads, most parts
 * of the footprint tell; a part alone must lie among its pads, or as near beside them as they are
 * long.
 */
public final class OffPads {
    /** Parts of one footprint are placed alike to this much of their pads' extent. */
    private static final double ALIKE = 0.15;

    private static final double LEAST_ALIKE_NM = 150_000;

    /** A lone part may lie so far beside its pads. */
    private static final double LEAST_BESIDE_NM = 1_500_000;

    /** No library has its origin farther beside the pads, however alike its parts lie. */
    private static final double FARTHEST_NM = 10_000_000;

    private static final int FEWEST = 3;

    /**
     * A part off its pads.
     *
     * @param should where it ought to be placed
     */
    public record Off(Part part, Pt should, double farNm, String heldAgainst) {}

    /** Those that are off, and how many could be judged. */
    public record Result(List<Off> off, int judged) {}

    /** A part and where its pads' middle lies, turned back about where it is placed. */
    private record Laid(Part part, Envelope pads, Coordinate middle, double rotationDeg) {
        double extent() {
            return Math.max(pads.getWidth(), pads.getHeight());
        }

        boolean isAs(Laid o) {
            return middle.distance(o.middle)
                    <= Math.max(LEAST_ALIKE_NM, ALIKE * Math.max(extent(), o.extent()));
        }
    }

    private OffPads() {}

    public static Result of(BoardGeometry geometry, List<Part> placed, Turns turns) {
        PartPins pins = PartPins.of(geometry);
        Map<String, List<Laid>> groups = new LinkedHashMap<>();
        int judged = 0;
        for (Part p : placed) {
            PlacedPart at = p.placed().orElseThrow();
            Envelope box = pins.box(p.designator());
            if (box.isNull()) {
                continue;
            }
            judged++;
            double rotation = at.rotationDeg() + turns.ofPart(p.designator());
            Coordinate middle = UnrotatedPins.back(Pt.of(box.centre()), at, rotation);
            groups.computeIfAbsent(at.side() + " " + p.standsOn(), k -> new ArrayList<>())
                    .add(new Laid(p, box, middle, rotation));
        }
        List<Off> off = new ArrayList<>();
        groups.values().forEach(g -> among(g, off));
        return new Result(off, judged);
    }

    private static void among(List<Laid> group, List<Off> off) {
        Laid habit = null;
        long most = 0;
        for (Laid l : group.subList(0, Math.min(20, group.size()))) {
            long like = group.stream().filter(o -> o.isAs(l)).count();
            if (like > most) {
                most = like;
                habit = l;
            }
        }
        boolean tells =
                most >= FEWEST
                        && most * 2 > group.size()
                        && beside(habit) <= Math.max(FARTHEST_NM, 2 * habit.extent());
        for (Laid l : group) {
            if (tells && l.isAs(habit)) {
                continue;
            }
            Pt middle = Pt.of(l.pads().centre());
            double far = l.part().placed().orElseThrow().at().distance(middle);
            // A part that is turned about an origin off its middle seems to lie elsewhere.
            boolean turned = tells && same(l.middle(), habit.middle());
            if (tells && !turned) {
                String others = "the " + most + " others of " + l.part().standsOn();
                Pt should = should(l, habit.middle());
                double way = l.part().placed().orElseThrow().at().distance(should);
                off.add(new Off(l.part(), should, way, others));
            } else if (!tells && beside(l) > Math.max(LEAST_BESIDE_NM, l.extent())) {
                off.add(new Off(l.part(), middle, far, "the middle of its pads"));
            }
        }
    }

    private static boolean same(Coordinate a, Coordinate b) {
        double ra = Math.hypot(a.x, a.y);
        double rb = Math.hypot(b.x, b.y);
        return Math.abs(ra - rb) <= LEAST_ALIKE_NM;
    }

    private static double beside(Laid l) {
        return l.pads().distance(new Envelope(l.part().placed().orElseThrow().at().coordinate()));
    }

    /** Where a part is placed whose pads' middle, turned back, lies as the habit's. */
    private static Pt should(Laid l, Coordinate habit) {
        PlacedPart at = l.part().placed().orElseThrow();
        double a = Math.toRadians(l.rotationDeg());
        double x = at.side() == Side.BOTTOM ? -habit.x : habit.x;
        double y = habit.y;
        Coordinate c = l.pads().centre();
        return new Pt(
                Math.round(c.x - (x * Math.cos(a) - y * Math.sin(a))),
                Math.round(c.y - (x * Math.sin(a) + y * Math.cos(a))));
    }
}
