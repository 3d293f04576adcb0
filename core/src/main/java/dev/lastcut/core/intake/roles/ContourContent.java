package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.reading.Reading;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/** Thin strokes that close to one contour around everything: the outline. */
final class ContourContent implements Witness {
    private static final double OVER_NM = 500_000;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        for (Picture p : pack.pictures()) {
            if (pack.readings().get(p.path()) instanceof Reading.Drawn d) {
                testimony.say(
                        p.path(),
                        "a drawing of "
                                + d.drawing().segments().size()
                                + " pieces, "
                                + d.drawing().size(),
                        r -> r.equals(Role.OUTLINE) ? 6 : r.isPicture() ? -12 : 0);
            }
            Optional<Envelope> contour = p.contour();
            if (contour.isEmpty()) {
                testimony.say(
                        p.path(), "it is no closed contour", r -> r.equals(Role.OUTLINE) ? -5 : 0);
                continue;
            }
            Envelope box = new Envelope(contour.get());
            box.expandBy(OVER_NM);
            List<Pt> anchors = pack.anchors();
            long inside = anchors.stream().filter(a -> box.contains(a.coordinate())).count();
            double share = anchors.isEmpty() ? 0.5 : (double) inside / anchors.size();
            Envelope usual = pack.usual();
            double tight = usual.getArea() > 0 ? Math.min(1, usual.getArea() / box.getArea()) : 0.5;
            double bits = 4 + 3 * PadContent.clamp((share - 0.7) / 0.3) + 4 * (tight - 0.5);
            testimony.say(
                    p.path(),
                    share > 0.7
                            ? "thin strokes that close to one contour around everything"
                            : "thin strokes that close to a contour, but not around the pads",
                    r -> r.equals(Role.OUTLINE) ? bits : r.isPicture() ? -4 : 0);
        }
    }
}
