package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
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

    /** Two parts do not lie nearer to each other. */
    private static final double OWN_NM = 200_000;

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
     * @param anglesTold whether the pads tell how angles count
     */
    public record Result(
            List<PlacedPart> parts, List<String> done, double share, boolean anglesTold) {}

    private final PlacementReference ground;

    public PlacementFit(PlacementReference ground) {
        this.ground = ground;
    }

    /**
     * @param unitStated when true, only the table's own unit is tried
     * @return empty when too few parts can be judged
     */
    public Optional<Result> fit(List<PlacedPart> parts, boolean unitStated) {
        return fit(parts, unitStated, false);
    }

    /**
     * @param unitStated when true, only the table's own unit is tried
     * @param clockwise whether the table says that its angles count clockwise
     * @return empty when too few parts can be judged
     */
    public Optional<Result> fit(List<PlacedPart> parts, boolean unitStated, boolean clockwise) {
        List<PlacedPart> known = parts.stream().filter(ground::knows).toList();
        if (known.size() < PlacementReference.FEWEST) {
            return Optional.empty();
        }
        List<PlacedPart> top = on(known, p -> p.side() == Side.TOP);
        List<PlacedPart> bottom = on(known, p -> p.side() == Side.BOTTOM);
        List<PlacedPart> main = top.size() >= PlacementReference.FEWEST ? top : known;
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
            PlacedPart moved = p.movedTo(at);
            all.add(moved);
            good += ground.knows(p) && ground.holds(p, at) ? 1 : 0;
        }
        double share = (double) good / known.size();
        return Optional.of(turned(all, done(way, below), share, clockwise));
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
        // Parts that a mistaken unit lays upon each other have no pads of their own.
        Set<Pt> taken = new HashSet<>();
        long good =
                parts.stream()
                        .filter(
                                p -> {
                                    Pt at = way.apply(p.at());
                                    return ground.holds(p, at) && taken.add(coarse(at));
                                })
                        .count();
        return parts.isEmpty() ? 0 : (double) good / parts.size();
    }

    private static Pt coarse(Pt at) {
        return new Pt(Math.round(at.x() / OWN_NM), Math.round(at.y() / OWN_NM));
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

    /** Rotations: parts of a footprint lie alike when they are counted rightly. */
    private Result turned(
            List<PlacedPart> parts, List<String> done, double share, boolean clockwise) {
        Optional<AngleHabit> found = AngleHabit.of(parts, ground, clockwise);
        AngleHabit habit = found.orElse(new AngleHabit(clockwise, false, false));
        if (found.isEmpty() && done.contains(FROM_BELOW) && hasQuarterTurns(parts)) {
            done.add(
                    "the angles of its bottom parts are kept as written, as neither a first pin nor"
                            + " the shape of pads tells whether they count as seen from below too");
        }
        done.addAll(habit.words());
        return new Result(habit.apply(parts), done, share, found.isPresent());
    }

    private static boolean hasQuarterTurns(List<PlacedPart> parts) {
        return parts.stream().anyMatch(p -> p.side() == Side.BOTTOM && p.rotationDeg() % 180 != 0);
    }
}
