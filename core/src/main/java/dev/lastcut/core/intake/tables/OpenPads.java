package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.places.PointMatch;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
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

    private static final double LEAST_APART_NM = 200_000;
    private static final double SAME_SIZE = 0.12;

    /** An opening: its middle, and the size of its box, nm. */
    public record Opening(Pt at, double width, double height) {}

    private final STRtree tree = new STRtree();
    private final List<Opening> openings;
    private final Envelope board;
    private final double tolerance;
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
            if (some.size() >= NEIGHBOURS) {
                break;
            }
        }
        some.sort(Comparator.comparingDouble(o -> o.at.distance(at)));
        return some.subList(0, Math.min(NEIGHBOURS, some.size()));
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

    @Override
    public Optional<Double> toFirstPin(PlacedPart part) {
        return Optional.empty();
    }
}
