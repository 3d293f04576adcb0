package dev.lastcut.core.assembly;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * The order in which the maker solders, as far as it is chosen, with steps of one's own put in
 * between.
 *
 * @param entries in order; steps that are not named come where they are proposed
 */
public record GuidePlan(List<Entry> entries) {
    public static final GuidePlan AS_PROPOSED = new GuidePlan(List.of());

    private static final int LONGEST = 500;
    private static final int MOST = 2_000;

    /**
     * One place in the order.
     *
     * @param part a part of the step that is soldered here; empty for a step of one's own
     * @param own what is done in a step of one's own; empty for soldering
     */
    public record Entry(String part, String own) {
        public Entry {
            own = own.strip();
            if (part.isBlank() == own.isBlank()) {
                throw new IllegalArgumentException(
                        "an entry of the guide names a part to solder, or says what to do");
            }
            if (own.length() > LONGEST) {
                throw new IllegalArgumentException(
                        "a step of one's own has at most " + LONGEST + " letters");
            }
        }

        public static Entry solder(String part) {
            return new Entry(part, "");
        }

        public static Entry own(String text) {
            return new Entry("", text);
        }
    }

    public GuidePlan {
        entries = List.copyOf(entries);
        if (entries.size() > MOST) {
            throw new IllegalArgumentException("the guide has at most " + MOST + " entries");
        }
    }

    GuidePlan without(Set<String> designators) {
        List<Entry> left = new ArrayList<>(entries);
        left.removeIf(e -> designators.contains(e.part()));
        return new GuidePlan(left);
    }
}
