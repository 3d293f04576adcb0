package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.places.PointMatch;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Openings of which nobody says whose they are: a part lies where two of one size face each other
 * across its middle.
 */
public final class OpenPads implements PlacementReference {
    /** How far from a part's middle its pads are looked for. */
    private static final double REACH_NM = 16_000_000;

    private static final double FIRST_REACH_NM = 2_000_000;
    private static final int NEIGHBOURS = 12;

    /** Pads whose middle serves to find a table's origin lie no farther apart. */
    private static final double PAIR_NM = 4_000_000;

    /** So many openings, no farther off than so many times the nearest, are those of a part. */
    private static final int ABOUT = 24;

    private static final double FARTHER = 1.5;
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

    /** The share of the openings next to one that lie in the same place about the other. */
    @Override
    public double likeness(PlacedPart a, double angleA, PlacedPart b, double angleB) {
        List<Opening> near = nearest(a.at(), x -> true, ABOUT);
        int met = 0;
        int all = 0;
        // What lies much farther off than the nearest belongs to others.
        double reach = near.isEmpty() ? 0 : FARTHER * near.get(0).at.distance(a.at()) + tolerance;
        for (Opening o : near) {
            if (o.at.distance(a.at()) > reach + 2 * tolerance) {
                continue;
            }
            all++;
            Pt v = Look.back(o.at.minus(a.at()), a, angleA);
            met += isOpen(Look.placed(v, b, angleB)) ? 1 : 0;
        }
        return all < 2 ? Double.NaN : (double) met / all;
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
