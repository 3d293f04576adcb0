package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.Span;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Blind and buried holes have pads on the layers they pass and on no other. */
final class DrillSpans implements Witness {
    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        Map<Span, List<Hole>> spans =
                pack.holes().stream()
                        .filter(h -> !h.span().isThrough())
                        .collect(Collectors.groupingBy(Hole::span));
        int deepest = spans.keySet().stream().mapToInt(Span::last).max().orElse(0);
        for (Map.Entry<Span, List<Hole>> e : spans.entrySet()) {
            for (Picture p : pack.pictures()) {
                if (p.isSparse() || p.contour().isPresent() || p.isEmpty()) {
                    continue;
                }
                int met = 0;
                int told = 0;
                for (Hole h : e.getValue()) {
                    boolean passes = p.hasOwnPad(h.middle(), h.diameter());
                    // An area that runs on over a place tells nothing: it may be joined or far off.
                    boolean silent = !passes && p.hasRing(h.middle(), h.diameter());
                    met += passes ? 1 : 0;
                    told += silent ? 0 : 1;
                }
                if (told == 0) {
                    continue;
                }
                double share = (double) met / told;
                double sure = Math.min(1, told / 4.0) * told / e.getValue().size();
                double bits = 4 * sure * PadContent.clamp((share - 0.5) * 2);
                Span s = e.getKey();
                testimony.say(
                        p.path(),
                        PadContent.percent(share)
                                + " of the holes from layer "
                                + s.first()
                                + " to "
                                + s.last()
                                + " have a pad in it",
                        r -> !r.isCopper() ? 0 : isPassed(s, r, deepest) ? bits : -bits);
            }
        }
    }

    /** Whether a span passes a layer. The bottom is the end of the deepest span from below. */
    private static boolean isPassed(Span s, Role r, int deepest) {
        if (r.inner() > 0) {
            return s.passes(r.inner());
        }
        return r.side().equals(Optional.of(Side.TOP))
                ? s.first() == 1
                : s.first() > 1 && s.last() == deepest;
    }
}
