package dev.lastcut.core.intake.places;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.geometry.PlaceIndex;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/**
 * The factor, near 1, by which places must be scaled to meet others: a picture that was drawn or
 * exported some per cent too large or too small.
 */
public final class ScaleFit {
    private static final double LEAST = 0.8;
    private static final double MOST = 1.25;

    /** From one trial to the next, a place 100 mm off the origin moves by 40 µm. */
    private static final double STEP = 1.0004;

    private static final double NEAR_NM = 120_000;
    private static final int SAMPLE = 80;
    private static final int MOST_PLACES = 1_000;
    private static final int MOST_TO_VOTE = 10_000;
    private static final int ROUNDS = 4;
    private static final double FIRST_SHARE = 0.25;

    private interface Trial {
        Correction of(List<Pt> all);
    }

    private final List<Pt> places;
    private final PointMatch match;
    private final PlaceIndex<Pt> index = new PlaceIndex<>(NEAR_NM);

    public ScaleFit(Collection<Pt> places) {
        this.places = List.copyOf(places);
        this.match = new PointMatch(this.places);
        this.places.forEach(p -> index.put(p, p));
    }

    /**
     * The scaling, and where needed a shift, that lays at least {@code least} of places on these.
     */
    public Optional<Correction> fit(Collection<Pt> others, double least) {
        List<Pt> all = evenly(others);
        if (all.size() < 4 || places.size() < 4) {
            return Optional.empty();
        }
        for (Trial trial : List.<Trial>of(this::aboutOrigin, this::bySize, this::byVote)) {
            Correction first = trial.of(all);
            Correction fine = refined(all, first);
            boolean scaled = Math.abs(fine.scale() - 1) > 2e-4;
            if (scaled && share(all, fine) >= least) {
                return Optional.of(fine);
            }
        }
        return Optional.empty();
    }

    /** An even selection: a thousand places tell as much as a hundred thousand. */
    private static List<Pt> evenly(Collection<Pt> others) {
        int step = Math.max(1, (others.size() + MOST_PLACES - 1) / MOST_PLACES);
        List<Pt> some = new ArrayList<>();
        int i = 0;
        for (Pt p : others) {
            if (i++ % step == 0) {
                some.add(p);
            }
        }
        return some;
    }

    private double share(List<Pt> all, Correction c) {
        return match.shareOf(all.stream().map(c::apply).toList());
    }

    private Correction aboutOrigin(List<Pt> all) {
        List<Pt> sample = new ArrayList<>();
        for (int i = 0; i < all.size(); i += Math.max(1, all.size() / SAMPLE)) {
            sample.add(all.get(i));
        }
        Correction best = Correction.NONE;
        double most = 0;
        for (double s = LEAST; s <= MOST; s *= STEP) {
            Correction c = new Correction(false, 0, s, Pt.ORIGIN);
            double share = share(sample, c);
            if (share > most) {
                most = share;
                best = c;
            }
        }
        return best;
    }

    /** From how large both sets are, with the shift that most pairs then ask for. */
    private Correction bySize(List<Pt> all) {
        Envelope own = box(places);
        Envelope other = box(all);
        double x = own.getWidth() / Math.max(1, other.getWidth());
        double y = own.getHeight() / Math.max(1, other.getHeight());
        double s = (x + y) / 2;
        if (Math.abs(x - y) > 0.004 || s < LEAST || s > MOST) {
            return Correction.NONE;
        }
        Correction scaled = new Correction(false, 0, s, Pt.ORIGIN);
        Pt shift = match.shift(all.stream().map(scaled::apply).toList()).orElse(Pt.ORIGIN);
        return new Correction(false, 0, s, shift);
    }

    /** Some per cent, and the shift that most pairs then ask for; the slow way. */
    private Correction byVote(List<Pt> all) {
        if (places.size() > MOST_TO_VOTE) {
            return Correction.NONE;
        }
        Correction best = Correction.NONE;
        double most = 0;
        for (int i = -20; i <= 20; i++) {
            double s = 1 + i * 0.0025;
            Correction scaled = new Correction(false, 0, s, Pt.ORIGIN);
            Pt shift = match.shift(all.stream().map(scaled::apply).toList()).orElse(Pt.ORIGIN);
            Correction c = new Correction(false, 0, s, shift);
            long near = all.stream().filter(p -> index.hasAt(c.apply(p))).count();
            if (near > most) {
                most = near;
                best = c;
            }
        }
        return best;
    }

    private static Envelope box(List<Pt> places) {
        Envelope e = new Envelope();
        places.forEach(p -> e.expandToInclude(p.coordinate()));
        return e;
    }

    /** Scale and shift by least squares over the places that meet, several times over. */
    private Correction refined(List<Pt> all, Correction first) {
        Correction c = first;
        for (int round = 0; round < ROUNDS; round++) {
            List<Pt> from = new ArrayList<>();
            List<Pt> to = new ArrayList<>();
            for (Pt p : all) {
                index.at(c.apply(p))
                        .ifPresent(
                                q -> {
                                    from.add(p);
                                    to.add(q);
                                });
            }
            if (from.size() < Math.max(4, FIRST_SHARE * all.size())) {
                return c;
            }
            c = leastSquares(from, to);
        }
        return c;
    }

    private static Correction leastSquares(List<Pt> from, List<Pt> to) {
        double n = from.size();
        double px = from.stream().mapToDouble(Pt::x).sum() / n;
        double py = from.stream().mapToDouble(Pt::y).sum() / n;
        double qx = to.stream().mapToDouble(Pt::x).sum() / n;
        double qy = to.stream().mapToDouble(Pt::y).sum() / n;
        double above = 0;
        double below = 0;
        for (int i = 0; i < from.size(); i++) {
            double dx = from.get(i).x() - px;
            double dy = from.get(i).y() - py;
            above += dx * (to.get(i).x() - qx) + dy * (to.get(i).y() - qy);
            below += dx * dx + dy * dy;
        }
        double s = below == 0 ? 1 : above / below;
        long x = Math.round(qx - s * px);
        long y = Math.round(qy - s * py);
        // What is left of a shift below the step of coarse files is none.
        boolean still = Math.hypot(x, y) < 5_000;
        return new Correction(
                false, 0, Math.min(MOST, Math.max(LEAST, s)), still ? Pt.ORIGIN : new Pt(x, y));
    }
}
