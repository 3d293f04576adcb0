package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.locationtech.jts.geom.Envelope;

/**
 * Recognises the habits of placement tables by laying them on the pads: another unit, another
 * origin, bottom parts given as seen from below, and bottom rotations counted the other way.
 */
public final class PlacementFit {
    private static final double LEAST = 0.6;

    /** A less simple reading must be better by this share of the parts. */
    private static final double BETTER = 0.15;

    /** So few parts may lie in one corner. */
    private static final int FEW = 8;

    private static final double LEAST_SPAN = 0.2;
    private static final double MIL = Length.NM_PER_MIL / (double) Length.NM_PER_MM;
    private static final double[] UNITS = {1, MIL, 25.4, 1 / 25.4, 1e-3};

    private static final String FROM_BELOW =
            "its bottom parts are given as seen from below, so their x was turned round";

    /** How raw places are to be taken. */
    private record Way(double unit, boolean mirrored, Pt origin) {
        static final Way NONE = new Way(1, false, Pt.ORIGIN);

        Pt raw(Pt p) {
            return new Pt(Math.round(p.x() * unit) * (mirrored ? -1 : 1), Math.round(p.y() * unit));
        }

        Pt apply(Pt p) {
            return raw(p).plus(origin);
        }
    }

    private record Found(Way way, double share) {}

    /**
     * The parts as they lie on the copper, and what had to be done to them.
     *
     * @param share of the parts that can be judged, those that lie on pads of their own
     */
    public record Result(List<PlacedPart> parts, List<String> done, double share) {}

    private final Ground ground;

    public PlacementFit(Ground ground) {
        this.ground = ground;
    }

    /**
     * @param unitStated when true, only the table's own unit is tried
     * @return empty when too few parts can be judged
     */
    public Optional<Result> fit(List<PlacedPart> parts, boolean unitStated) {
        List<PlacedPart> known = parts.stream().filter(ground::knows).toList();
        if (known.size() < Ground.FEWEST) {
            return Optional.empty();
        }
        List<PlacedPart> top = on(known, p -> p.side() == Side.TOP);
        List<PlacedPart> bottom = on(known, p -> p.side() == Side.BOTTOM);
        List<PlacedPart> main = top.size() >= Ground.FEWEST ? top : known;
        Found first = best(main, unitStated ? new double[] {1} : UNITS, false);
        Way way = first.share >= LEAST ? first.way : Way.NONE;
        Way below = way;
        if (!bottom.isEmpty()) {
            Found asTop = new Found(way, share(bottom, way));
            Found turned = best(bottom, new double[] {way.unit}, true);
            boolean proven = bottom.size() > 1 || isNatural(turned.way, way);
            if (proven && turned.share >= LEAST && turned.share > asTop.share + BETTER) {
                below = turned.way;
            }
        }
        List<PlacedPart> all = new ArrayList<>();
        int good = 0;
        for (PlacedPart p : parts) {
            Pt at = (p.side() == Side.BOTTOM ? below : way).apply(p.at());
            PlacedPart moved = with(p, at, p.rotationDeg());
            all.add(moved);
            good += ground.knows(p) && ground.holds(p, at) ? 1 : 0;
        }
        return Optional.of(turned(all, done(way, below), (double) good / known.size()));
    }

    private static List<PlacedPart> on(List<PlacedPart> parts, Predicate<PlacedPart> which) {
        return parts.stream().filter(which).toList();
    }

    /** A single part lies well with some origin always; with this one it is no chance. */
    private static boolean isNatural(Way turned, Way top) {
        return turned.origin.equals(top.origin) || turned.origin.y() == top.origin.y();
    }

    /** The way in which most parts lie on pads; a simpler one unless another is clearly better. */
    private Found best(List<PlacedPart> parts, double[] units, boolean mirrored) {
        Found best = null;
        for (double unit : units) {
            Way plain = new Way(unit, mirrored, Pt.ORIGIN);
            List<Pt> raw = parts.stream().map(p -> plain.raw(p.at())).toList();
            for (Pt origin : ground.origins(parts, raw)) {
                Way way = new Way(unit, mirrored, origin);
                double share = isSpread(raw) ? share(parts, way) : 0;
                if (best == null || share > best.share + (best.share >= LEAST ? BETTER : 0)) {
                    best = new Found(way, share);
                }
            }
        }
        return best;
    }

    /**
     * Places that a mistaken unit shrinks onto a corner of the board meet something by chance: many
     * parts lie about a fair part of it.
     */
    private boolean isSpread(List<Pt> places) {
        Envelope box = new Envelope();
        places.forEach(p -> box.expandToInclude(p.coordinate()));
        return places.size() < FEW
                || box.getDiameter() >= LEAST_SPAN * ground.extent().getDiameter();
    }

    private double share(List<PlacedPart> parts, Way way) {
        long good = parts.stream().filter(p -> ground.holds(p, way.apply(p.at()))).count();
        return parts.isEmpty() ? 0 : (double) good / parts.size();
    }

    private static List<String> done(Way way, Way below) {
        List<String> done = new ArrayList<>();
        if (way.unit == MIL) {
            done.add("its places were taken as mil: scaled by 0.0254");
        } else if (way.unit != 1) {
            done.add(String.format(Locale.ROOT, "its places were scaled by %.6g", way.unit));
        }
        if (below.mirrored) {
            done.add(FROM_BELOW);
        }
        if (!way.origin.equals(Pt.ORIGIN)) {
            done.add(
                    String.format(
                            Locale.ROOT,
                            "its origin lies elsewhere, so all were moved by %.3f, %.3f mm",
                            way.origin.x() / 1e6,
                            way.origin.y() / 1e6));
        }
        return done;
    }

    private static PlacedPart with(PlacedPart p, Pt at, double rotationDeg) {
        return new PlacedPart(
                p.designator(), p.value(), p.footprint(), at, rotationDeg, p.side(), p.line());
    }

    /** Bottom rotations: a footprint that is used on both sides shows which way they count. */
    private Result turned(List<PlacedPart> parts, List<String> done, double share) {
        Map<String, List<PlacedPart>> tops =
                parts.stream()
                        .filter(p -> p.side() == Side.TOP && !p.footprint().isEmpty())
                        .collect(Collectors.groupingBy(PlacedPart::footprint));
        int counterClockwise = 0;
        int clockwise = 0;
        for (PlacedPart p : parts) {
            if (isTurnedBelow(p) && tops.containsKey(p.footprint())) {
                Ground.Turn turn = ground.turn(p, tops.get(p.footprint()));
                counterClockwise += turn == Ground.Turn.COUNTER_CLOCKWISE ? 1 : 0;
                clockwise += turn == Ground.Turn.CLOCKWISE ? 1 : 0;
            }
        }
        boolean silent = clockwise + counterClockwise == 0;
        if (silent && done.contains(FROM_BELOW) && hasQuarterTurns(parts)) {
            done.add(
                    "the angles of its bottom parts are kept as written, as neither a first pin nor"
                            + " the shape of pads tells whether they count as seen from below too");
        }
        if (clockwise < 2 || clockwise <= 2 * counterClockwise) {
            return new Result(parts, done, share);
        }
        done.add("its bottom rotations count as seen from below, so they were reversed");
        List<PlacedPart> all = new ArrayList<>();
        for (PlacedPart p : parts) {
            boolean bottom = p.side() == Side.BOTTOM;
            all.add(bottom ? with(p, p.at(), (360 - p.rotationDeg()) % 360) : p);
        }
        return new Result(all, done, share);
    }

    private static boolean hasQuarterTurns(List<PlacedPart> parts) {
        return parts.stream().anyMatch(PlacementFit::isTurnedBelow);
    }

    /** After half a turn it looks the same whichever way it was counted. */
    private static boolean isTurnedBelow(PlacedPart p) {
        return p.side() == Side.BOTTOM && p.rotationDeg() % 180 != 0;
    }
}
