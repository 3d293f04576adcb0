package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.places.PointMatch;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Openings of which nobody says whose they are: a part lies where two of one size face each other
 * across its middle.
 */
public final class OpenPads implements Ground {
    /** How far from a part's middle its pads are looked for. */
    private static final double REACH_NM = 16_000_000;

    private static final double FIRST_REACH_NM = 2_000_000;
    private static final int NEIGHBOURS = 12;

    /** Pads whose middle serves to find a table's origin lie no farther apart. */
    private static final double PAIR_NM = 4_000_000;

    /** So many parts of a footprint tell what they have in common, of so many openings. */
    private static final int MOST_ALIKE = 12;

    private static final int MOST_PADS = 64;

    /** The share of a part's openings that must be met, and what may be by chance. */
    private static final double ALL = 0.9;

    private static final double FEW = 0.7;
    private static final double LEAST_APART_NM = 200_000;
    private static final double SAME_SIZE = 0.12;

    /** An opening: its middle, and the size of its box, nm. */
    public record Opening(Pt at, double width, double height) {}

    private final STRtree tree = new STRtree();
    private final List<Opening> openings;
    private final Envelope board;
    private final double tolerance;
    private final Map<String, List<Pt>> patterns = new HashMap<>();
    private PointMatch middles;

    /**
     * @param board the box about the board
     * @param stepNm how exactly the openings' places are known
     */
    public OpenPads(List<Opening> openings, Envelope board, double stepNm) {
        this.openings = openings;
        this.board = board;
        this.tolerance = Math.max(60_000, 1.6 * stepNm);
        openings.forEach(o -> tree.insert(new Envelope(o.at.coordinate()), o));
    }

    @Override
    public Envelope extent() {
        Envelope all = new Envelope();
        openings.forEach(o -> all.expandToInclude(o.at.coordinate()));
        return all;
    }

    @Override
    public boolean knows(PlacedPart part) {
        return true;
    }

    @Override
    public boolean holds(PlacedPart part, Pt at) {
        return hasPair(at, o -> true);
    }

    /**
     * Whether two openings of one size, near enough to be its own, face across a place.
     *
     * @param which the openings that count
     */
    public boolean hasPair(Pt at, Predicate<Opening> which) {
        for (Opening a : nearest(at, which)) {
            double apart = a.at.distance(at);
            Pt across = new Pt(2 * at.x() - a.at.x(), 2 * at.y() - a.at.y());
            if (apart > LEAST_APART_NM && hasTwin(a, across, which)) {
                return true;
            }
        }
        return false;
    }

    /** The few openings next to a place: far ones face each other across it by chance. */
    private List<Opening> nearest(Pt at, Predicate<Opening> which) {
        return nearest(at, which, NEIGHBOURS);
    }

    private List<Opening> nearest(Pt at, Predicate<Opening> which, int most) {
        List<Opening> some = new ArrayList<>();
        for (double reach = FIRST_REACH_NM; reach <= REACH_NM; reach *= 2) {
            Envelope near = new Envelope(at.coordinate());
            near.expandBy(reach);
            some.clear();
            for (Object o : tree.query(near)) {
                if (which.test((Opening) o)) {
                    some.add((Opening) o);
                }
            }
            if (some.size() >= most) {
                break;
            }
        }
        some.sort(Comparator.comparingDouble(o -> o.at.distance(at)));
        return some.subList(0, Math.min(most, some.size()));
    }

    private boolean hasTwin(Opening a, Pt at, Predicate<Opening> which) {
        Envelope near = new Envelope(at.coordinate());
        near.expandBy(2 * tolerance);
        for (Object o : tree.query(near)) {
            Opening b = (Opening) o;
            if (b.at.distance(at) <= 2 * tolerance && isAlike(a, b) && which.test(b)) {
                return true;
            }
        }
        return false;
    }

    private boolean isAlike(Opening a, Opening b) {
        return Math.abs(a.width - b.width) <= SAME_SIZE * a.width + tolerance
                && Math.abs(a.height - b.height) <= SAME_SIZE * a.height + tolerance;
    }

    /**
     * As it is, the corners of the board, and the shift that lays most parts between two openings.
     */
    @Override
    public List<Pt> origins(List<PlacedPart> parts, List<Pt> raw) {
        List<Pt> all = new ArrayList<>();
        all.add(Pt.ORIGIN);
        if (!board.isNull()) {
            long x0 = Math.round(board.getMinX());
            long y0 = Math.round(board.getMinY());
            long x1 = Math.round(board.getMaxX());
            all.add(new Pt(x0, y0));
            all.add(new Pt(x1, y0));
            all.add(new Pt(x1, 0));
            all.add(new Pt(x0 + x1, 0));
        }
        middles().shift(raw).ifPresent(all::add);
        return all;
    }

    /** Places half way between neighbours of one size. */
    private PointMatch middles() {
        if (middles == null) {
            List<Pt> all = new ArrayList<>();
            for (Opening a : openings) {
                Envelope near = new Envelope(a.at.coordinate());
                near.expandBy(PAIR_NM);
                for (Object o : tree.query(near)) {
                    Opening b = (Opening) o;
                    boolean once =
                            a.at.x() < b.at.x() || a.at.x() == b.at.x() && a.at.y() < b.at.y();
                    if (once && isAlike(a, b)) {
                        all.add(a.at.middle(b.at));
                    }
                }
            }
            middles = new PointMatch(all);
        }
        return middles;
    }

    /**
     * The openings that recur about every top part of a footprint are its own. A bottom part shows
     * them mirrored, and, unless they look alike after both turns, turned the one way or the other.
     */
    @Override
    public Turn turn(PlacedPart part, List<PlacedPart> tops) {
        List<Pt> own = patterns.computeIfAbsent(part.footprint(), k -> pattern(tops));
        if (own.size() < 2) {
            return Turn.UNTOLD;
        }
        double plain = met(own, part, part.rotationDeg());
        double reversed = met(own, part, -part.rotationDeg());
        if (plain >= ALL && reversed <= FEW) {
            return Turn.COUNTER_CLOCKWISE;
        }
        return reversed >= ALL && plain <= FEW ? Turn.CLOCKWISE : Turn.UNTOLD;
    }

    /** Where openings lie from the middle of an unturned part, where that recurs. */
    private List<Pt> pattern(List<PlacedPart> tops) {
        List<Pt> own = new ArrayList<>();
        if (tops.size() < 2) {
            return own;
        }
        PlacedPart first = tops.get(0);
        List<PlacedPart> others = tops.subList(1, Math.min(tops.size(), MOST_ALIKE));
        for (Opening o : nearest(first.at(), x -> true, MOST_PADS)) {
            Pt v = turned(o.at.minus(first.at()), -first.rotationDeg());
            boolean recurs =
                    others.stream().allMatch(t -> isOpen(t.at().plus(turned(v, t.rotationDeg()))));
            if (recurs) {
                own.add(v);
            }
        }
        return own;
    }

    /** The share of a pattern that lies on openings where a bottom part is turned by an angle. */
    private double met(List<Pt> pattern, PlacedPart part, double angle) {
        long met =
                pattern.stream()
                        .map(v -> part.at().plus(turned(new Pt(-v.x(), v.y()), angle)))
                        .filter(this::isOpen)
                        .count();
        return (double) met / pattern.size();
    }

    private static Pt turned(Pt p, double deg) {
        return new Orientation(false, deg, 1).apply(p);
    }

    /** Whether the middle of an opening lies at a place. */
    private boolean isOpen(Pt at) {
        Envelope near = new Envelope(at.coordinate());
        near.expandBy(2 * tolerance);
        for (Object o : tree.query(near)) {
            if (((Opening) o).at.distance(at) <= 2 * tolerance) {
                return true;
            }
        }
        return false;
    }
}
