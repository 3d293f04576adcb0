package dev.lastcut.core.placement;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Judges rotations where nothing names the pins: what most parts of a footprint have about them,
 * turned back, is the footprint: its pads by size, its silk strokes by length. A part about which
 * that is found in another turn only is turned.
 */
final class Likeness {
    /** So far from a part's middle its pads and silk are looked for. */
    private static final double REACH_NM = 8_000_000;

    /** Silk of a footprint lies no farther beside the middles of its pads. */
    private static final double BESIDE_NM = 1_000_000;

    private static final double SAME_PLACE_NM = 120_000;
    private static final double SAME_SIZE = 0.1;

    /** What so many of the parts have about them belongs to the footprint. */
    private static final double COMMON = 0.6;

    private static final int FEWEST = 3;

    /** A part shows its footprint when so much of it is found. */
    private static final double FOUND = 0.9;

    /** Two turns that differ by less than this share of the marks cannot be told apart. */
    private static final double TELLS = 0.08;

    /** At most one in so many is turned, or one alone. */
    private static final int FEW = 4;

    private static final int TRIED = 5;

    private record Mark(boolean pad, Coordinate at, double size) {
        boolean isAs(Mark o, Coordinate turned) {
            return pad == o.pad
                    && turned.distance(o.at) < SAME_PLACE_NM
                    && Math.abs(size - o.size) <= SAME_SIZE * Math.max(size, o.size);
        }
    }

    private record Seen(Part part, List<Mark> marks) {
        /** The share of a footprint's marks found when it is turned on by quarters. */
        double shows(List<Mark> footprint, int quarters) {
            int found = 0;
            for (Mark m : footprint) {
                Coordinate turned = quarter(m.at, quarters);
                found += marks.stream().anyMatch(o -> m.isAs(o, turned)) ? 1 : 0;
            }
            return (double) found / footprint.size();
        }
    }

    private static Coordinate quarter(Coordinate c, int quarters) {
        return switch (Math.floorMod(quarters, 4)) {
            case 1 -> new Coordinate(-c.y, c.x);
            case 2 -> new Coordinate(-c.x, -c.y);
            case 3 -> new Coordinate(c.y, -c.x);
            default -> c;
        };
    }

    private Likeness() {}

    static List<Verdict> judge(
            BoardGeometry geometry, List<Part> parts, ToDoubleFunction<Part> rotation) {
        Map<String, List<Part>> groups = new LinkedHashMap<>();
        for (Part p : parts) {
            PlacedPart at = p.placed().orElseThrow();
            groups.computeIfAbsent(at.side() + " " + p.standsOn(), k -> new ArrayList<>()).add(p);
        }
        Map<Side, PlaceTree> middles = new LinkedHashMap<>();
        Map<Side, STRtree> marks = new LinkedHashMap<>();
        if (!groups.isEmpty()) {
            for (Side side : Side.values()) {
                marks.put(side, marks(geometry, side));
                middles.put(side, new PlaceTree(parts, side));
            }
        }
        List<Verdict> verdicts = new ArrayList<>();
        for (List<Part> group : groups.values()) {
            Side side = group.get(0).placed().orElseThrow().side();
            List<Seen> seen = new ArrayList<>();
            for (Part p : group) {
                seen.add(
                        new Seen(
                                p,
                                about(
                                        p,
                                        rotation.applyAsDouble(p),
                                        marks.get(side),
                                        middles.get(side))));
            }
            judge(seen, verdicts);
        }
        return verdicts;
    }

    private static void judge(List<Seen> group, List<Verdict> verdicts) {
        List<Mark> footprint = common(group);
        String name = group.get(0).part().standsOn();
        List<Verdict> own = new ArrayList<>();
        for (Seen s : group) {
            own.add(
                    footprint.isEmpty()
                            ? Verdict.unknown(
                                    s.part(),
                                    "nothing names its pins, and too few parts of "
                                            + name
                                            + " look alike")
                            : verdict(s, footprint, "the look of the others of " + name));
        }
        // Where many seem to be turned it is the habit that was not found.
        long turned = own.stream().filter(v -> v.state() == Verdict.State.TURNED).count();
        boolean few = turned <= 1 || turned * FEW <= own.size();
        for (Verdict v : own) {
            verdicts.add(
                    few || v.state() != Verdict.State.TURNED
                            ? v
                            : Verdict.unknown(
                                    v.part(),
                                    "nothing names its pins, and those of "
                                            + name
                                            + " look this way and that"));
        }
    }

    private static Verdict verdict(Seen s, List<Mark> footprint, String others) {
        double[] shows = new double[4];
        int best = 0;
        for (int q = 0; q < 4; q++) {
            shows[q] = s.shows(footprint, q);
            best = shows[q] > shows[best] + TELLS ? q : best;
        }
        if (shows[best] < FOUND) {
            return Verdict.unknown(
                    s.part(), "nothing names its pins, and it looks other than " + others);
        }
        boolean eitherWay =
                footprint.stream().filter(Mark::pad).count() == 2 && Polarity.isEitherWay(s.part());
        if (eitherWay && best % 2 == 0) {
            return Verdict.right(s.part(), others);
        }
        if (best == 0) {
            boolean either = shows[2] > shows[0] - TELLS;
            return either
                    ? Verdict.unknown(
                            s.part(),
                            "nothing names its pins, and its pads and silk look the same turned"
                                    + " by half")
                    : Verdict.right(s.part(), others);
        }
        boolean below = s.part().placed().orElseThrow().side() == Side.BOTTOM;
        double turn = 90.0 * (below ? 4 - best : best);
        boolean half = shows[(best + 2) % 4] > shows[best] - TELLS;
        return new Verdict(s.part(), Verdict.State.TURNED, half ? turn % 180 : turn, false, others);
    }

    /** The marks that most have, as seen about the one that has most of them; empty if none. */
    private static List<Mark> common(List<Seen> group) {
        List<Mark> best = List.of();
        if (group.size() < FEWEST) {
            return best;
        }
        for (Seen candidate : group.subList(0, Math.min(TRIED, group.size()))) {
            List<Mark> shared = new ArrayList<>();
            for (Mark m : candidate.marks()) {
                long has =
                        group.stream()
                                .filter(s -> s.marks().stream().anyMatch(o -> m.isAs(o, m.at())))
                                .count();
                if (has >= COMMON * group.size()) {
                    shared.add(m);
                }
            }
            best = shared.size() > best.size() ? shared : best;
        }
        Envelope pads = new Envelope();
        best.stream().filter(Mark::pad).forEach(m -> pads.expandToInclude(m.at()));
        // Lettering stands upright however a part lies, and most of it beside the pads.
        pads.expandBy(BESIDE_NM);
        List<Mark> own = best.stream().filter(m -> m.pad() || pads.contains(m.at())).toList();
        return own.stream().filter(Mark::pad).count() >= 2 ? own : List.of();
    }

    /** The middles of the parts of a side: a mark is of the part it lies nearest to. */
    private static final class PlaceTree {
        private final STRtree tree = new STRtree();

        PlaceTree(List<Part> parts, Side side) {
            for (Part p : parts) {
                PlacedPart at = p.placed().orElseThrow();
                if (at.side() == side) {
                    tree.insert(new Envelope(at.at().coordinate()), at.at().coordinate());
                }
            }
        }

        boolean isNearest(Coordinate mark, Coordinate middle) {
            double own = mark.distance(middle);
            Envelope reach = new Envelope(mark);
            reach.expandBy(own);
            for (Object o : tree.query(reach)) {
                if (mark.distance((Coordinate) o) < own - 1) {
                    return false;
                }
            }
            return true;
        }
    }

    private static List<Mark> about(Part p, double rotationDeg, STRtree all, PlaceTree middles) {
        PlacedPart at = p.placed().orElseThrow();
        Envelope reach = new Envelope(at.at().coordinate());
        reach.expandBy(REACH_NM);
        List<Mark> marks = new ArrayList<>();
        for (Object o : all.query(reach)) {
            Mark m = (Mark) o;
            if (middles.isNearest(m.at(), at.at().coordinate())) {
                Coordinate back = UnrotatedPins.back(Pt.of(m.at()), at, rotationDeg);
                marks.add(new Mark(m.pad(), back, m.size()));
            }
        }
        return marks;
    }

    /** Pads as the mask opens them, and strokes of silk. */
    private static STRtree marks(BoardGeometry geometry, Side side) {
        STRtree all = new STRtree();
        Role mask = Role.of(Role.Kind.MASK, side);
        boolean masked = geometry.board().layer(mask).isPresent();
        Role pads = masked ? mask : Role.of(Role.Kind.COPPER, side);
        for (Piece p : geometry.pieces(pads)) {
            if (masked || p.feature() instanceof Feature.Flash) {
                put(all, new Mark(true, p.envelope().centre(), Math.sqrt(p.polygon().getArea())));
            }
        }
        geometry.board()
                .layer(Role.of(Role.Kind.SILK, side))
                .map(Layer::features)
                .orElse(List.of())
                .forEach(
                        f -> {
                            if (f instanceof Feature.Stroke s) {
                                Envelope e = s.path().envelope();
                                double length = Math.hypot(e.getWidth(), e.getHeight());
                                put(all, new Mark(false, e.centre(), length + s.roundWidth()));
                            } else if (f instanceof Feature.Flash x) {
                                put(all, new Mark(false, x.at().coordinate(), 0));
                            }
                        });
        return all;
    }

    private static void put(STRtree all, Mark m) {
        all.insert(new Envelope(m.at()), m);
    }
}
