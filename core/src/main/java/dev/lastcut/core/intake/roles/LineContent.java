package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import org.locationtech.jts.geom.Envelope;

/**
 * Strokes and lettering that keep off the pads: silk. Lines that run over pads, or far beyond the
 * board: a drawing.
 */
final class LineContent implements Witness {
    private static final double SLACK_NM = 2_000_000;
    private static final double SMALL_PIECE_MM2 = 20;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        Envelope usual = pack.usual();
        for (Picture p : pack.pictures()) {
            if (p.isEmpty()) {
                testimony.say(p.path(), "it is empty", r -> r.equals(Role.OUTLINE) ? -6 : 0);
                continue;
            }
            if (p.contour().isPresent()) {
                continue;
            }
            beyond(p, usual, testimony);
            double lines = lineShare(p);
            if (lines < 0.6) {
                testimony.say(p.path(), p.counts(), r -> r.kind() == Role.Kind.SILK ? -3 : 0);
                continue;
            }
            double over = overOpenings(pack, p);
            testimony.say(
                    p.path(),
                    "thin strokes and lettering ("
                            + p.counts()
                            + "), "
                            + PadContent.percent(over)
                            + " of them over pads",
                    r ->
                            r.kind() == Role.Kind.SILK
                                    ? 4 - 20 * Math.min(0.4, over)
                                    : r.equals(Role.NOT_PART) ? 15 * Math.min(0.3, over) - 1 : 0);
        }
    }

    /** The share of its ink in thin strokes and small pieces. */
    private static double lineShare(Picture p) {
        if (p.thinShare() > 0.8) {
            return 1 - 0.9 * p.compactShare();
        }
        long all = p.ink().count();
        double pixelsPerMm = 1e6 / p.grid().pixelNm();
        double most = SMALL_PIECE_MM2 * pixelsPerMm * pixelsPerMm;
        long small =
                p.blobs().all().stream()
                        .filter(b -> b.fill() < 0.45 && b.area() < most)
                        .mapToLong(b -> b.area())
                        .sum();
        return all == 0 ? 0 : (double) small / all;
    }

    /** The share of its ink that lies in openings of the sparse pictures. */
    private static double overOpenings(PackFacts pack, Picture p) {
        double most = 0;
        long own = p.ink().count();
        for (Picture s : pack.sparse()) {
            if (s != p && own > 0) {
                most = Math.max(most, (double) p.ink().shared(s.ink()) / own);
            }
        }
        return most;
    }

    private static void beyond(Picture p, Envelope usual, Testimony testimony) {
        Envelope e = p.extent();
        double out =
                Math.max(
                        Math.max(usual.getMinX() - e.getMinX(), e.getMaxX() - usual.getMaxX()),
                        Math.max(usual.getMinY() - e.getMinY(), e.getMaxY() - usual.getMaxY()));
        double size = Math.max(usual.getWidth(), usual.getHeight());
        if (size > 0 && out > 0.15 * size + SLACK_NM) {
            testimony.say(
                    p.path(),
                    "it reaches far beyond the other pictures, as a drawing with a frame does",
                    r -> r.equals(Role.NOT_PART) ? 4 : lines(r) ? -5 : 0);
        }
    }

    private static boolean lines(Role r) {
        return r.kind() == Role.Kind.SILK || r.equals(Role.OUTLINE);
    }
}
