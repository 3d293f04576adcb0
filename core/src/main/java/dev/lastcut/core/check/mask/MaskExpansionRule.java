package dev.lastcut.core.check.mask;

import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Margin;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Mask openings smaller than the pad, or larger by less than the shop's registration asks for. Pads
 * with the same margin are one finding.
 */
public final class MaskExpansionRule implements Rule {
    private record Tight(Pads.Pad pad, List<Piece> openings, double margin) {}

    @Override
    public String id() {
        return "mask-expansion";
    }

    @Override
    public String title() {
        return "Mask expansion";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds =
                c.bounds(LimitKey.MASK_EXPANSION, Role.Kind.MASK, Role.Kind.COPPER);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.MASK_EXPANSION);
        }
        List<Finding> findings = new ArrayList<>();
        int pads = 0;
        for (Side side : Side.values()) {
            Role mask = Role.of(Role.Kind.MASK, side);
            if (c.board().layer(mask).isPresent()) {
                List<Tight> all = margins(c, side, mask);
                pads += all.size();
                Map<Long, List<Tight>> tight = new TreeMap<>();
                for (Tight t : all) {
                    if (bounds.get().isBeyond(t.margin)) {
                        tight.computeIfAbsent(Math.round(t.margin / 2_000), k -> new ArrayList<>())
                                .add(t);
                    }
                }
                tight.values().forEach(same -> findings.add(finding(c, bounds.get(), mask, same)));
            }
        }
        return pads == 0
                ? Outcome.notRun("no side has both pads and a mask file")
                : Outcome.of(findings, pads + " pads");
    }

    private static List<Tight> margins(CheckContext c, Side side, Role mask) {
        record Key(Side side) {}
        return c.geometry().once(new Key(side), () -> measure(c, side, mask));
    }

    private static List<Tight> measure(CheckContext c, Side side, Role mask) {
        PieceIndex openings = c.geometry().index(mask);
        Margin margin = new Margin();
        List<Tight> all = new ArrayList<>();
        for (Pads.Pad pad : Pads.on(c, side)) {
            if (!openings.at(pad.at()).isEmpty()) {
                List<Piece> over = openings.within(pad.node().piece(), 1);
                all.add(new Tight(pad, over, margin.of(pad.node().piece(), over)));
            }
        }
        return all;
    }

    private Finding finding(
            CheckContext c, CheckContext.Bounds bounds, Role mask, List<Tight> same) {
        Tight t = same.get(0);
        Measure m = Margin.at(t.pad.node().polygon(), Margin.shape(t.openings));
        boolean covered = t.margin < 0;
        String by = Length.text(Math.abs(t.margin));
        String who =
                same.size() == 1
                        ? t.pad.words() + " has an opening in the mask "
                        : same.size() + " pads have openings in the mask ";
        return new FindingBuilder(id())
                .layers(mask.id(), c.copperId(t.pad.node().layer()))
                .measure(m)
                .lengths(t.margin, bounds.withHeadroomNm())
                .severity(bounds.severity(t.margin, Severity.LOOK))
                .alsoAt(same.stream().map(s -> s.pad.at()).toList())
                .parts(same.stream().flatMap(s -> s.pad.parts().stream()).distinct().toList())
                .say(
                        who
                                + (covered
                                        ? "that covers " + by + " of the pad"
                                        : "that is only " + by + " larger all round")
                                + "; the shop wants "
                                + Length.text(bounds.withHeadroomNm())
                                + ". A shifted mask lies on the pad and spoils the joint. Enlarge"
                                + " the openings.");
    }
}
