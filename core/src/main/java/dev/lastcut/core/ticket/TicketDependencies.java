package dev.lastcut.core.ticket;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/**
 * A ticket that notes what is asked of it. A result made of the answers serves again under every
 * ticket that answers the same, whatever else was chosen.
 */
public final class TicketDependencies {
    /** A question to a ticket, and its answer. */
    public record Noted(Function<Ticket, ?> question, Object answer) {
        public boolean sameIn(Ticket other) {
            return answer.equals(question.apply(other));
        }
    }

    private final Ticket ticket;
    private final List<Noted> noted = new ArrayList<>();

    public TicketDependencies(Ticket ticket) {
        this.ticket = ticket;
    }

    public synchronized <T> T ask(Function<Ticket, T> question) {
        T answer = question.apply(ticket);
        noted.add(new Noted(question, answer));
        return answer;
    }

    public synchronized List<Noted> noted() {
        return List.copyOf(noted);
    }
}
