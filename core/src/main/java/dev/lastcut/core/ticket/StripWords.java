package dev.lastcut.core.ticket;

import dev.lastcut.core.strip.StripChoices;
import dev.lastcut.core.strip.StripPlan;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Says what changed of a strip board. */
final class StripWords {
    private StripWords() {}

    static void changed(StripChoices before, StripChoices after, List<String> all) {
        if (!before.forms().equals(after.forms())) {
            TicketWords.different(before.forms(), after.forms())
                    .forEach(name -> all.add("leads of " + name));
        }
        if (!before.weights().equals(after.weights())) {
            all.add("weights of the strip plan");
        }
        if (!before.stock().equals(after.stock())) {
            all.add("strip board: " + after.stock().orElse("the smallest that holds it"));
        }
        if (before.plan().equals(after.plan())) {
            return;
        }
        if (before.plan().isEmpty() || after.plan().isEmpty()) {
            all.add(after.plan().isEmpty() ? "the computer's strip plan" : "a strip plan");
            return;
        }
        StripPlan b = before.plan().get();
        StripPlan a = after.plan().get();
        List<String> moved = TicketWords.different(b.parts(), a.parts());
        if (!moved.isEmpty()) {
            all.add(
                    moved.size() > 4
                            ? moved.size() + " parts on the strip board"
                            : String.join(", ", moved) + " on the strip board");
        }
        Set<Object> cuts = new HashSet<>(a.cuts());
        cuts.addAll(a.knifeCuts());
        Set<Object> had = new HashSet<>(b.cuts());
        had.addAll(b.knifeCuts());
        if (!cuts.equals(had)) {
            all.add(cuts.size() + " cuts, " + had.size() + " before");
        }
        if (!a.links().equals(b.links())) {
            all.add(a.links().size() + " links, " + b.links().size() + " before");
        }
        if (a.strips() != b.strips() || a.holes() != b.holes()) {
            all.add("strip board of " + a.strips() + " × " + a.holes() + " holes");
        }
    }
}
