package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.strip.StripChoices;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.touch.Step;
import java.util.List;
import java.util.Optional;

/**
 * A job as it is at one moment. Whatever is made of it is made of all of it as it was then, even
 * when something else is chosen while it is being made.
 *
 * @param name of the job
 * @param version of the ticket
 * @param sheet the chosen one; empty until one is chosen
 * @param board what the board is made of
 */
record JobSnapshot(
        long job,
        String name,
        int revision,
        int version,
        Ticket ticket,
        Optional<CapabilitySheet> sheet,
        BoardKey board) {
    /**
     * What a board is made of: the files by their hash, what is said of them, and what is done to
     * it.
     */
    record BoardKey(String files, Choices choices, Object touches) {
        /** What touches depend on besides the board itself; nothing where there are none. */
        record Touching(
                List<Step> steps,
                Optional<CapabilitySheet> sheet,
                Headroom headroom,
                Order order) {}

        /** What a layout on strip board depends on. */
        record LaidOut(StripTerms terms, StripChoices choices) {}

        /** Whether the board is made of more than its files. */
        boolean isMade() {
            return !touches.equals(List.of());
        }

        static BoardKey of(String files, Ticket ticket, Optional<CapabilitySheet> sheet) {
            Optional<StripTerms> strip = sheet.flatMap(CapabilitySheet::strip);
            if (strip.isPresent()) {
                return new BoardKey(
                        files, ticket.files(), new LaidOut(strip.get(), ticket.strip()));
            }
            return new BoardKey(
                    files,
                    ticket.files(),
                    ticket.touches().isEmpty()
                            ? List.of()
                            : new Touching(
                                    ticket.touches(), sheet, ticket.headroom(), ticket.order()));
        }
    }

    /** The chosen sheet, which must be there. */
    CapabilitySheet requireSheet() {
        return sheet.orElseThrow(
                () -> new RefusedException("Choose a shop first: nothing to hold it against."));
    }
}
