package dev.lastcut.core.intake.places;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/** Lays one set of places over another: how many meet as they are, and how to make them meet. */
public final class PointMatch {
    private static final double VOTE_NM = 200_000;
    private static final double LEAST_SPAN = 0.25;
    private static final int SAMPLE = 60;
    private static final int MOST_PAIRS = 300_000;
    private static final double[] SCALES = {25.4, 1 / 25.4, 10, 0.1, 100, 0.01, 2.54, 1 / 2.54};

    private final CellSet cells;
    private final List<Pt> places;

    public PointMatch(Collection<Pt> places) {
        this.places = List.copyOf(places);
        this.cells = new CellSet(places.size());
        places.forEach(cells::add);
    }

    private boolean has(Pt p) {
        return cells.hasAround(p);
    }

    public int size() {
        return places.size();
    }

    /**
     * The share of places that meet, 50 µm off at most, of the smaller of both sets; 0 for none. A
     * drill file has but some of the places of a copper layer, and the other way round.
     */
    public double share(Collection<Pt> others) {
        return share(others, Correction.NONE);
    }

    /** The share of the given places that meet one of these; 0 for none. */
    public double shareOf(Collection<Pt> others) {
        long met = others.stream().filter(this::has).count();
        return others.isEmpty() ? 0 : (double) met / others.size();
    }

    private double share(Collection<Pt> others, Correction c) {
        CellSet met = new CellSet(others.size());
        for (Pt p : others) {
            Pt moved = c.isNone() ? p : c.apply(p);
            if (has(moved)) {
                met.add(moved);
            }
        }
        int smaller = Math.min(others.size(), cells.size());
        return smaller == 0 ? 0 : Math.min(1, (double) met.size() / smaller);
    }

    /** A correction and the share of places that meet with it. */
    public record Fit(Correction correction, double share) {}

    /**
     * The simplest correction that lays at least {@code least} of the places onto these: a shift, a
     * mirror image, a turn, or a mistaken unit or number of digits. Empty when none does.
     */
    public Optional<Fit> fit(Collection<Pt> others, double least) {
        List<Pt> all = List.copyOf(others);
        Fit best = null;
        for (Correction c : candidates()) {
            Pt shift = vote(all, c);
            if (shift == null) {
                continue;
            }
            Correction with = new Correction(c.mirrored(), c.quarterTurns(), c.scale(), shift);
            double share = spansEnough(all, with) ? share(all, with) : 0;
            // A later, less simple one must be clearly better.
            if (share >= least && (best == null || share > best.share + 0.1)) {
                best = new Fit(with, share);
            }
        }
        return Optional.ofNullable(best);
    }

    /**
     * Places that are shrunk onto a corner of the board meet something by chance: what fits must
     * reach over a fair part of it.
     */
    private boolean spansEnough(List<Pt> others, Correction c) {
        Envelope own = new Envelope();
        places.forEach(p -> own.expandToInclude(p.coordinate()));
        Envelope moved = new Envelope();
        others.forEach(p -> moved.expandToInclude(c.apply(p).coordinate()));
        return moved.getDiameter() >= LEAST_SPAN * own.getDiameter();
    }

    private static List<Correction> candidates() {
        List<Correction> all = new ArrayList<>();
        for (boolean mirrored : new boolean[] {false, true}) {
            for (int turns = 0; turns < 4; turns++) {
                all.add(new Correction(mirrored, turns, 1, Pt.ORIGIN));
            }
        }
        for (double scale : SCALES) {
            all.add(new Correction(false, 0, scale, Pt.ORIGIN));
        }
        return all;
    }

    /** The shift alone that most pairs of places ask for; empty where there are no places. */
    public Optional<Pt> shift(Collection<Pt> others) {
        return others.isEmpty() || places.isEmpty()
                ? Optional.empty()
                : Optional.ofNullable(vote(List.copyOf(others), Correction.NONE));
    }

    /** The shift that most pairs of places ask for, refined to the middle of its voters. */
    private Pt vote(List<Pt> others, Correction c) {
        int wanted = Math.max(8, Math.min(SAMPLE, MOST_PAIRS / Math.max(1, places.size())));
        int step = Math.max(1, others.size() / wanted);
        int stride = Math.max(1, places.size() * wanted / MOST_PAIRS);
        Map<Pt, Integer> votes = new HashMap<>();
        Pt best = null;
        int most = 0;
        List<Pt> sample = new ArrayList<>();
        for (int i = 0; i < others.size(); i += step) {
            sample.add(c.apply(others.get(i)));
        }
        for (Pt p : sample) {
            for (int k = 0; k < places.size(); k += stride) {
                Pt q = places.get(k);
                Pt v =
                        new Pt(
                                Math.round((q.x() - p.x()) / VOTE_NM),
                                Math.round((q.y() - p.y()) / VOTE_NM));
                int n = votes.merge(v, 1, Integer::sum);
                if (n > most || (n == most && near(v, best))) {
                    most = n;
                    best = v;
                }
            }
        }
        return best == null ? null : refined(sample, best);
    }

    /** Of shifts equally asked for, the smaller is the likelier. */
    private static boolean near(Pt v, Pt best) {
        return Math.abs(v.x()) + Math.abs(v.y()) < Math.abs(best.x()) + Math.abs(best.y());
    }

    private Pt refined(List<Pt> sample, Pt vote) {
        List<Long> xs = new ArrayList<>();
        List<Long> ys = new ArrayList<>();
        for (Pt p : sample) {
            for (Pt q : places) {
                long dx = q.x() - p.x();
                long dy = q.y() - p.y();
                if (Math.abs(dx - vote.x() * VOTE_NM) <= VOTE_NM
                        && Math.abs(dy - vote.y() * VOTE_NM) <= VOTE_NM) {
                    xs.add(dx);
                    ys.add(dy);
                }
            }
        }
        xs.sort(null);
        ys.sort(null);
        long x = xs.get(xs.size() / 2);
        long y = ys.get(ys.size() / 2);
        return new Pt(Math.abs(x) <= 1_000 ? 0 : x, Math.abs(y) <= 1_000 ? 0 : y);
    }
}
