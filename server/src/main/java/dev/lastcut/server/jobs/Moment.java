package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.ticket.Ticket;
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
record Moment(
        long job,
        String name,
        int revision,
        int version,
        Ticket ticket,
        Optional<CapabilitySheet> sheet,
        BoardKey board) {
    /** What a board is made of: the files by their hash, and what is said of them. */
    record BoardKey(String files, Choices choices) {}

    /** The chosen sheet, which must be there. */
    CapabilitySheet requireSheet() {
        return sheet.orElseThrow(
                () -> new RefusedException("Choose a shop first: nothing to hold it against."));
    }
}
