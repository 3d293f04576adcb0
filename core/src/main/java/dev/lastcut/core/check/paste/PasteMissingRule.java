package dev.lastcut.core.check.paste;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.PieceIndex;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Surface-mount pads without an opening for paste, one finding for each part. Parts that are not
 * placed or not to be fitted need none; pads that nothing names are told one by one.
 */
public final class PasteMissingRule implements Rule {
    @Override
    public String id() {
        return "paste-missing";
    }

    @Override
    public String title() {
        return "Missing paste apertures";
    }

    @Override
    public Outcome run(CheckContext c) {
        Set<String> placed = new HashSet<>();
        c.board().placements().ifPresent(all -> names(all).forEach(placed::add));
        Set<String> notFitted = new HashSet<>();
        c.parts().stream().filter(p -> !p.fitted()).forEach(p -> notFitted.add(p.designator()));
        List<Finding> findings = new ArrayList<>();
        int sides = 0;
        int points = 0;
        for (Side side : Side.values()) {
            Role paste = Role.of(Role.Kind.PASTE, side);
            if (c.board().layer(paste).isEmpty()) {
                continue;
            }
            sides++;
            PieceIndex openings = c.geometry().index(paste);
            Map<String, List<Pads.Pad>> bare = new TreeMap<>();
            List<Pads.Pad> surface = Pads.surface(c, side);
            Set<String> single = singlePads(surface);
            Set<Object> pasted = new HashSet<>();
            for (Pads.Pad pad : surface) {
                if (!openings.within(pad.node().piece(), 1).isEmpty()) {
                    pasted.add(pad.shape());
                }
            }
            for (Pads.Pad pad : surface) {
                boolean point =
                        pad.part().isEmpty()
                                ? pad.isRound() && !pasted.contains(pad.shape())
                                : single.contains(pad.part());
                boolean wanted =
                        pad.part().isEmpty()
                                ? c.board().placements().isEmpty()
                                : !notFitted.contains(pad.part())
                                        && (placed.isEmpty() || placed.contains(pad.part()));
                if (wanted && openings.within(pad.node().piece(), 1).isEmpty()) {
                    if (point) {
                        points++;
                        continue;
                    }
                    String who = pad.part().isEmpty() ? "at " + pad.at() : pad.part();
                    bare.computeIfAbsent(who, k -> new ArrayList<>()).add(pad);
                }
            }
            bare.values().forEach(pads -> findings.add(finding(c, paste, pads)));
        }
        if (sides == 0) {
            return Outcome.notRun("the pack has no paste file");
        }
        String remark =
                points == 0
                        ? ""
                        : points + " pads without paste were taken for test points or fiducials";
        return Outcome.of(findings, remark);
    }

    /** Parts of one pad: test points and fiducials, which nobody solders. */
    private static Set<String> singlePads(List<Pads.Pad> surface) {
        Set<String> once = new HashSet<>();
        Set<String> more = new HashSet<>();
        for (Pads.Pad p : surface) {
            if (!once.add(p.part())) {
                more.add(p.part());
            }
        }
        once.removeAll(more);
        return once;
    }

    private static List<String> names(List<PlacedPart> all) {
        return all.stream().map(PlacedPart::designator).toList();
    }

    private Finding finding(CheckContext c, Role paste, List<Pads.Pad> pads) {
        Pads.Pad first = pads.get(0);
        String who =
                pads.size() == 1
                        ? first.words() + " has"
                        : pads.size() + " pads of " + first.part() + " have";
        return new FindingBuilder(id())
                .layers(paste.id(), c.copperId(first.node().layer()))
                .at(first.at())
                .alsoAt(pads.stream().map(p -> p.at()).toList())
                .count(pads.size(), 0, "pads")
                .severity(Severity.LOOK)
                .parts(first.parts())
                .say(
                        who
                                + " no opening in the "
                                + paste.words()
                                + ". The joint gets no solder from the stencil. Add the opening, or"
                                + " solder it by hand.");
    }
}
