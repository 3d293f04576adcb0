package dev.lastcut.core.check.paste;

import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Margin;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;

/**
 * Paste that reaches beyond the copper under it by more than 0.02 mm (common practice, no source):
 * it balls up beside the pad.
 */
public final class PasteOutsidePadRule implements Rule {
    private static final double ALLOWED_NM = 20_000;

    @Override
    public String id() {
        return "paste-outside-pad";
    }

    @Override
    public String title() {
        return "Paste outside its pad";
    }

    @Override
    public Outcome run(CheckContext c) {
        List<Finding> findings = new ArrayList<>();
        int openings = 0;
        for (Side side : Side.values()) {
            Role paste = Role.of(Role.Kind.PASTE, side);
            int layer = c.geometry().copperIndex(side);
            if (layer >= 0 && c.board().layer(paste).isPresent()) {
                Margin margin = new Margin();
                for (Piece p : c.geometry().pieces(paste)) {
                    openings++;
                    List<Piece> copper = copperUnder(c, layer, p, margin);
                    double m = copper.isEmpty() ? 0 : margin.of(p, copper);
                    if (copper.isEmpty() || m < -ALLOWED_NM) {
                        findings.add(finding(c, paste, layer, p, copper));
                    }
                }
            }
        }
        return openings == 0
                ? Outcome.notRun("the pack has no paste openings over copper")
                : Outcome.of(findings, openings + " openings");
    }

    private static List<Piece> copperUnder(CheckContext c, int layer, Piece p, Margin margin) {
        var nets = c.geometry().nets();
        List<Piece> under = new ArrayList<>();
        for (CopperNode n : nets.near(layer, p.envelope())) {
            if (nets.contact().gap(n.piece(), p, 1) < 1) {
                under.add(n.piece());
            }
        }
        // Where one pad carries it all, tracks that leave the pad make no difference.
        for (Piece one : under) {
            boolean carries = Geo.expanded(one.envelope(), 1).contains(p.envelope());
            if (carries && margin.of(p, List.of(one)) >= 0) {
                return List.of(one);
            }
        }
        return under;
    }

    private Finding finding(CheckContext c, Role paste, int layer, Piece p, List<Piece> copper) {
        FindingBuilder b = new FindingBuilder(id()).layers(paste.id(), c.copperId(layer));
        if (copper.isEmpty()) {
            return b.at(Pt.of(p.envelope().centre()))
                    .count(0, 1, "pads")
                    .severity(Severity.LOOK)
                    .say(
                            "There is no copper under this opening of the stencil. Paste falls on the"
                                    + " mask and balls up. Take the opening out.");
        }
        var window = Geo.expanded(p.envelope(), 1_000_000);
        var under = Geo.clip(Margin.shape(copper), window);
        Measure m = Margin.at(p.polygon(), under);
        return b.measure(new Measure(m.from(), m.to(), -m.nm()))
                .limitNm(ALLOWED_NM)
                .severity(Severity.LOOK)
                .say(
                        "Paste reaches "
                                + Length.text(-m.nm())
                                + " beyond the copper under it. It balls up beside the pad and may"
                                + " bridge. Make the opening as large as the pad at most.");
    }
}
