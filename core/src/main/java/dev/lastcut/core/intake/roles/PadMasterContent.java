package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.intake.picture.Blobs.Blob;
import java.util.List;

/**
 * Pad masters: the pads of another picture without its tracks. They are no copper of the board,
 * though every hole has its pad in them; where a mask opens the same pads, they are no mask either.
 */
final class PadMasterContent implements Witness {
    /** Of its ink, so much lies in the ink of the picture it was made from. */
    private static final double WITHIN = 0.97;

    /** Pads are this share of its ink. */
    private static final double PADS = 0.95;

    /** With fewer pads nothing is said. */
    private static final int FEWEST = 4;

    /** From this share of pads without holes on, they are the surface pads of one side. */
    private static final double SURFACE = 0.15;

    /** A mask opens this share of the surface pads. */
    private static final double MOST = 0.9;

    /** A mask opens at least so much more than the pads (common practice, no source). */
    private static final double WIDER = 1.03;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        for (Picture p : pack.pictures()) {
            boolean pads = !p.isEmpty() && p.contour().isEmpty() && p.compactShare() >= PADS;
            if (!pads || p.compact().size() < FEWEST || !overHoles(pack, p)) {
                continue;
            }
            Picture from = origin(pack, p);
            if (from == null) {
                continue;
            }
            boolean surface = surfaceShare(pack, p) >= SURFACE;
            boolean masked = surface && isMasked(pack, p);
            testimony.say(
                    p.path(),
                    "its pads are those of " + PackFacts.leaf(from.path()) + ", without the tracks",
                    r -> {
                        // The outer copper of plated holes alone may have no track on one side.
                        if (r.isCopper() && (surface || r.inner() > 0)) {
                            return -12;
                        }
                        boolean mask = masked && r.kind() == Role.Kind.MASK;
                        return mask ? -6 : masked && r.equals(Role.NOT_PART) ? 4 : 0;
                    });
        }
    }

    private static boolean overHoles(PackFacts pack, Picture p) {
        return PadContent.overHoles(pack, p) >= 2;
    }

    /** The picture with tracks or areas that holds all its pads; null for none. */
    private static Picture origin(PackFacts pack, Picture p) {
        long own = p.ink().count();
        for (Picture q : pack.pictures()) {
            boolean drawn = q != p && !q.isSparse() && q.contour().isEmpty();
            if (drawn && own > 0 && p.ink().shared(q.ink()) >= WITHIN * own && joins(p, q)) {
                return q;
            }
        }
        return null;
    }

    /** Whether its pads hang together in the other: more pads than pieces of copper. */
    private static boolean joins(Picture p, Picture q) {
        long pieces =
                p.sample().stream().mapToInt(b -> q.blobs().at(b.middle())).distinct().count();
        return pieces < 0.8 * p.sample().size();
    }

    private static double surfaceShare(PackFacts pack, Picture p) {
        long bare = p.sample().stream().filter(b -> !pack.hasHole(b)).count();
        return (double) bare / p.sample().size();
    }

    /** Whether another picture of openings opens its surface pads, and a little more. */
    private static boolean isMasked(PackFacts pack, Picture p) {
        List<Blob> surface = p.sample().stream().filter(b -> !pack.hasHole(b)).toList();
        return pack.sparse().stream()
                .filter(s -> s != p)
                .anyMatch(
                        s ->
                                surface.stream().filter(b -> opens(s, b)).count()
                                        >= MOST * surface.size());
    }

    private static boolean opens(Picture mask, Blob pad) {
        int opening = mask.blobs().at(pad.middle());
        return opening >= 0 && mask.blobs().all().get(opening).area() >= WIDER * pad.area();
    }
}
