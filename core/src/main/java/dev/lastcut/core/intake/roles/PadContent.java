package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.geometry.Pt;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Pads over holes and tracks between them: copper. Openings that hang together with nothing: mask
 * or paste, of which only the mask opens over holes.
 */
final class PadContent implements Witness {
    private static final int FEWEST = 2;
    private static final double OWN_PLACE_NM = 600_000;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        boolean holesAreOpened = pack.sparse().stream().anyMatch(p -> overHoles(pack, p) >= FEWEST);
        for (Picture p : pack.pictures()) {
            if (p.isEmpty() || p.contour().isPresent()) {
                continue;
            }
            joined(pack, p, testimony);
            pads(pack, p, testimony);
            openings(pack, p, holesAreOpened, testimony);
        }
    }

    /** Places of pads that ink joins to other places of pads. */
    private static void joined(PackFacts pack, Picture p, Testimony testimony) {
        Map<Integer, Integer> count = new HashMap<>();
        Map<Integer, Pt> first = new HashMap<>();
        int dark = 0;
        for (Pt at : pack.anchors()) {
            int blob = p.blobs().at(at);
            if (blob >= 0) {
                dark++;
                Pt known = first.putIfAbsent(blob, at);
                boolean elsewhere = known == null || known.distance(at) > OWN_PLACE_NM;
                count.merge(blob, elsewhere ? 1 : 0, Integer::sum);
            }
        }
        if (dark < 2) {
            return;
        }
        int inCompany = count.values().stream().filter(n -> n > 1).mapToInt(n -> n).sum();
        double share = Math.min(1, (double) inCompany / dark);
        double met = (double) dark / pack.anchors().size();
        double bits = 6 * clamp((share - 0.2) / 0.3) * enough(dark) * Math.min(1, met / 0.25);
        testimony.say(
                p.path(),
                bits > 0
                        ? percent(share) + " of the pads it meets are joined by tracks or areas"
                        : "what it meets of the pads is not joined to each other",
                r -> r.isCopper() ? bits : isOpening(r) ? -bits : 0);
    }

    /** A pad, or a place kept free of copper, at the holes that have a pad in any picture. */
    private static void pads(PackFacts pack, Picture p, Testimony testimony) {
        List<Hole> holes = pack.paddedHoles();
        if (holes.isEmpty()) {
            return;
        }
        long met =
                holes.stream()
                        .filter(
                                h ->
                                        p.hasRing(h.middle(), h.diameter())
                                                || p.hasAntipad(h.middle(), h.diameter()))
                        .count();
        double share = (double) met / holes.size();
        double way = share > 0.5 ? clamp((share - 0.5) / 0.3) : -2 * clamp((0.5 - share) / 0.4);
        double bits = 4 * way * enough(holes.size());
        testimony.say(
                p.path(),
                percent(share) + " of the holes have a pad in it or are kept free",
                r ->
                        r.isCopper()
                                ? bits
                                : r.kind() == Role.Kind.SILK || r.equals(Role.OUTLINE)
                                        ? -bits / (bits < 0 ? 2 : 1)
                                        : 0);
    }

    private static void openings(
            PackFacts pack, Picture p, boolean holesAreOpened, Testimony testimony) {
        double share = p.compactShare();
        double bits = 3 * clamp((share - 0.6) / 0.25);
        testimony.say(
                p.path(),
                percent(share) + " of its ink are single pads or openings",
                r -> isOpening(r) ? bits : r.kind() == Role.Kind.SILK ? -Math.max(0, bits) : 0);
        if (bits <= 0 || !holesAreOpened) {
            return;
        }
        int over = overHoles(pack, p);
        boolean opens = over >= 2 && over >= 0.03 * p.compact().size();
        double way = opens ? 3 : -1.5;
        testimony.say(
                p.path(),
                over == 0 ? "it opens over no hole" : "it opens over " + over + " holes",
                r -> r.kind() == Role.Kind.MASK ? way : r.kind() == Role.Kind.PASTE ? -way : 0);
    }

    /** How many openings have a hole in them, reckoned from an even selection. */
    static int overHoles(PackFacts pack, Picture p) {
        long of = p.sample().stream().filter(pack::hasHole).count();
        double step = p.sample().isEmpty() ? 0 : (double) p.compact().size() / p.sample().size();
        return (int) Math.round(of * step);
    }

    /** Mask and paste. */
    static boolean isOpening(Role r) {
        return r.kind() == Role.Kind.MASK || r.kind() == Role.Kind.PASTE;
    }

    /** Few places prove less. */
    private static double enough(int places) {
        return Math.min(1, places / 4.0);
    }

    static double clamp(double x) {
        return Math.max(-1, Math.min(1, x));
    }

    static String percent(double share) {
        return Math.round(share * 100) + " %";
    }
}
