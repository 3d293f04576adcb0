package dev.lastcut.core.check;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The web of mask between openings. Webs of the same width at the same part are one finding. */
final class MaskDamRule implements Rule {
    @Override
    public String id() {
        return "mask-dam";
    }

    @Override
    public String title() {
        return "Webs of mask";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds = c.bounds(LimitKey.MASK_DAM);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.MASK_DAM);
        }
        List<Finding> findings = new ArrayList<>();
        int openings = 0;
        for (Side side : Side.values()) {
            Role mask = Role.of(Role.Kind.MASK, side);
            openings += c.geometry().pieces(mask).size();
            for (List<Webs.Web> same : Webs.narrower(c, mask, side, bounds.get().reachNm())) {
                findings.add(finding(bounds.get(), mask, same));
            }
        }
        return openings == 0
                ? Outcome.notRun("the pack has no mask file with openings")
                : Outcome.of(findings, openings + " openings");
    }

    private Finding finding(CheckContext.Bounds bounds, Role mask, List<Webs.Web> same) {
        Webs.Web w = same.get(0);
        double width = w.across().nm();
        return new FindingBuilder(id())
                .layers(mask.id())
                .measure(w.across())
                .also(same.stream().map(Webs.Web::across).toList())
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(width, Severity.LOOK))
                .parts(w.parts())
                .say(
                        (same.size() == 1
                                        ? "The web of mask between two openings is "
                                        : same.size() + " webs of mask between openings are ")
                                + Length.text(width)
                                + " wide; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". It peels off or is left out, and solder may bridge there. Make"
                                + " the openings smaller or choose another shop.");
    }
}
