package dev.lastcut.server.jobs;

import dev.lastcut.core.ticket.Asking;
import dev.lastcut.core.ticket.Ticket;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The latest results, each with what it was made of: something that does not change, such as the
 * files and the sheet, and what it asked of the ticket. Under a ticket that answers the same it is
 * found again, so undoing computes nothing.
 */
final class Results<T> {
    private record Kept<T>(Object of, List<Asking.Noted> noted, T value) {
        boolean serves(Object other, Ticket ticket) {
            return of.equals(other) && noted.stream().allMatch(n -> n.sameIn(ticket));
        }
    }

    private final int most;
    private final Deque<Kept<T>> kept = new ArrayDeque<>();
    private final Map<Object, Object> locks = new ConcurrentHashMap<>();

    Results(int most) {
        this.most = most;
    }

    /** How a result is made; it asks the ticket for what it needs. */
    interface Make<T, E extends Exception> {
        T make(Asking ticket) throws E;
    }

    Optional<T> peek(Object of, Ticket ticket) {
        synchronized (kept) {
            for (Iterator<Kept<T>> i = kept.iterator(); i.hasNext(); ) {
                Kept<T> k = i.next();
                if (k.serves(of, ticket)) {
                    i.remove();
                    kept.addFirst(k);
                    return Optional.of(k.value);
                }
            }
            return Optional.empty();
        }
    }

    /**
     * Finds a result or makes it. Two who ask for the same get one computation; what is made of
     * something else does not wait. What fails is not kept.
     */
    <E extends Exception> T get(Object of, Ticket ticket, Make<T, E> make) throws E {
        Optional<T> known = peek(of, ticket);
        if (known.isPresent()) {
            return known.get();
        }
        synchronized (locks.computeIfAbsent(of, k -> new Object())) {
            Optional<T> meanwhile = peek(of, ticket);
            if (meanwhile.isPresent()) {
                return meanwhile.get();
            }
            Asking asking = new Asking(ticket);
            T value = make.make(asking);
            synchronized (kept) {
                kept.addFirst(new Kept<>(of, asking.noted(), value));
                if (kept.size() > most) {
                    Kept<T> oldest = kept.removeLast();
                    if (kept.stream().noneMatch(k -> k.of.equals(oldest.of))) {
                        locks.remove(oldest.of);
                    }
                }
            }
            return value;
        }
    }
}
