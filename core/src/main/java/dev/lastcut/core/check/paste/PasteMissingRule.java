package dev.lastcut.core.check.paste;

import dev.lastcut.core.board.ListedPart;
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
        return "Paste on surface pads";
    }

    @Override
    public Outcome run(CheckContext c) {
        Set<String> placed = new HashSet<>();
        c.board().placements().ifPresent(all -> names(all).forEach(placed::add));
        Set<String> notFitted = new HashSet<>();
        c.board()
                .parts()
                .ifPresent(
                        all ->
                                all.stream()
                                        .filter(p -> !p.fitted())
                                        .map(ListedPart::designator)
                                        .forEach(notFitted::add));
        List<Finding> findings = new ArrayList<>();
        int sides = 0;
        for (Side side : Side.values()) {
            Role paste = Role.of(Role.Kind.PASTE, side);
            if (c.board().layer(paste).isEmpty()) {
                continue;
            }
            sides++;
            PieceIndex openings = c.geometry().index(paste);
            Map<String, List<Pads.Pad>> bare = new TreeMap<>();
            for (Pads.Pad pad : Pads.surface(c, side)) {
                boolean wanted =
                        pad.part().isEmpty()
                                ? c.board().placements().isEmpty()
                                : !notFitted.contains(pad.part())
                                        && (placed.isEmpty() || placed.contains(pad.part()));
                if (wanted && openings.within(pad.node().piece(), 1).isEmpty()) {
                    String who = pad.part().isEmpty() ? "at " + pad.flash().at() : pad.part();
                    bare.computeIfAbsent(who, k -> new ArrayList<>()).add(pad);
                }
            }
            bare.values().forEach(pads -> findings.add(finding(c, paste, pads)));
        }
        return sides == 0 ? Outcome.notRun("the pack has no paste file") : Outcome.of(findings);
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
                .at(first.flash().at())
                .alsoAt(pads.stream().map(p -> p.flash().at()).toList())
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
