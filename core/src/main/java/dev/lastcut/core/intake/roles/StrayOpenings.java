package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.intake.picture.Blobs.Blob;
import java.util.List;

/**
 * Dots of one size that lie on no pad: glue. Openings of mask and paste lie on pads, which other
 * pictures show too.
 */
final class StrayOpenings implements Witness {
    private static final double ON_PADS = 0.1;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        for (Picture p : pack.sparse()) {
            List<Blob> dots = p.sample();
            boolean others = pack.sparse().stream().anyMatch(s -> s != p && s.compact().size() > 2);
            if (!others || dots.isEmpty() || !areAlike(dots)) {
                continue;
            }
            long on =
                    dots.stream()
                            .filter(
                                    b ->
                                            pack.hasHole(b)
                                                    || pack.sparse().stream()
                                                            .anyMatch(
                                                                    s ->
                                                                            s != p
                                                                                    && s.ink()
                                                                                            .at(
                                                                                                    b
                                                                                                            .middle())))
                            .count();
            if (on <= ON_PADS * dots.size()) {
                testimony.say(
                        p.path(),
                        "dots of one size that lie on no pad, as of glue",
                        r ->
                                r.equals(Role.NOT_PART)
                                        ? 4
                                        : PadContent.isOpening(r) ? -7 : r.isCopper() ? -3 : 0);
            }
        }
    }

    private static boolean areAlike(List<Blob> dots) {
        double size = dots.get(0).widthNm();
        double slack = 0.15 * size + 60_000;
        return dots.stream()
                .allMatch(
                        b ->
                                Math.abs(b.widthNm() - size) < slack
                                        && Math.abs(b.heightNm() - size) < slack);
    }
}
