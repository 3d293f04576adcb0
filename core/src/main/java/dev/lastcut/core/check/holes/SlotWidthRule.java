package dev.lastcut.core.check.holes;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** Slots narrower than the shop's router; one finding for each width. */
public final class SlotWidthRule implements Rule {
    @Override
    public String id() {
        return "slot-width";
    }

    @Override
    public String title() {
        return "Slot widths";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<CheckContext.Bounds> bounds =
                c.bounds(LimitKey.SLOT_WIDTH, Role.Kind.PLATED_HOLES);
        if (bounds.isEmpty()) {
            return c.noLimit(LimitKey.SLOT_WIDTH);
        }
        List<Hole> slots = c.board().holes().stream().filter(Hole::isSlot).toList();
        if (slots.isEmpty()) {
            return Outcome.notRun("the pack has no slots");
        }
        Map<Long, List<Hole>> narrow = new TreeMap<>();
        for (Hole h : slots) {
            if (bounds.get().isBeyond(h.diameter())) {
                narrow.computeIfAbsent(h.diameter(), k -> new ArrayList<>()).add(h);
            }
        }
        List<Finding> findings = new ArrayList<>();
        narrow.values().forEach(same -> findings.add(finding(bounds.get(), same)));
        return Outcome.of(findings, slots.size() + " slots");
    }

    private Finding finding(CheckContext.Bounds bounds, List<Hole> same) {
        Hole h = same.get(0);
        return new FindingBuilder(id())
                .layers(h.plated() ? "plated-holes" : "unplated-holes")
                .measure(h.across())
                .alsoAt(same.stream().map(Hole::middle).toList())
                .limitNm(bounds.withHeadroomNm())
                .severity(bounds.severity(h.diameter(), Severity.STOP))
                .say(
                        (same.size() == 1 ? "A slot is " : same.size() + " slots are ")
                                + Length.text(h.diameter())
                                + " wide; the shop's narrowest is "
                                + Length.text(bounds.withHeadroomNm())
                                + ". It will be refused or come out wider. Widen it.");
    }
}
