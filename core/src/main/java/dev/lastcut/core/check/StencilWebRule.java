package dev.lastcut.core.check;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;

/**
 * The web of foil between two openings. Where the sheet states no number, 0.15 mm (common practice,
 * no source).
 */
final class StencilWebRule implements Rule {
    private static final double USUAL_NM = 150_000;

    @Override
    public String id() {
        return "stencil-web";
    }

    @Override
    public String title() {
        return "Webs of stencil";
    }

    @Override
    public Outcome run(CheckContext c) {
        CheckContext.Bounds bounds = c.boundsOr(LimitKey.STENCIL_WEB, USUAL_NM);
        List<Finding> findings = new ArrayList<>();
        int openings = 0;
        for (Side side : Side.values()) {
            Role paste = Role.of(Role.Kind.PASTE, side);
            openings += c.geometry().pieces(paste).size();
            for (List<Webs.Web> same : Webs.narrower(c, paste, side, bounds.reachNm())) {
                findings.add(finding(bounds, paste, same));
            }
        }
        return openings == 0
                ? Outcome.notRun("the pack has no paste openings")
                : Outcome.of(findings, openings + " openings");
    }

    private Finding finding(CheckContext.Bounds bounds, Role paste, List<Webs.Web> same) {
        Webs.Web w = same.get(0);
        double width = w.across().nm();
        return new FindingBuilder(id())
                .layers(paste.id())
                .measure(w.across())
                .also(same.stream().map(Webs.Web::across).toList())
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(width, Severity.LOOK))
                .parts(w.parts())
                .say(
                        (same.size() == 1
                                        ? "The foil between two openings is "
                                        : same.size() + " webs of foil between openings are ")
                                + Length.text(width)
                                + " wide; the limit is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". It bends or tears when wiped. Make the openings smaller.");
    }
}
