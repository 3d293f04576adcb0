package dev.lastcut.server.jobs;

import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketDependencies;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToLongFunction;

/**
 * The latest results, each with what it was made of: something that does not change, such as the
 * files and the sheet, and what it asked of the ticket. Under a ticket that answers the same it is
 * found again, so undoing computes nothing. They are kept up to a number and, where they have a
 * weight, up to a share of the memory; the one made last always is.
 */
final class ResultCache<T> {
    private record Kept<T>(Object of, List<TicketDependencies.Noted> noted, T value, long weight) {
        boolean serves(Object other, Ticket ticket) {
            return of.equals(other) && noted.stream().allMatch(n -> n.sameIn(ticket));
        }
    }

    /** Held by whoever makes or waits for something; gone when the last of them is. */
    private static final class Making {
        private int users;
    }

    private final int most;
    private final long mostWeight;
    private final ToLongFunction<T> weigh;
    private final Deque<Kept<T>> kept = new ArrayDeque<>();
    private final Map<Object, Making> making = new HashMap<>();

    /** Results that weigh little. */
    ResultCache(int most) {
        this(most, Long.MAX_VALUE, value -> 0);
    }

    /**
     * @param mostWeight of all that are kept, in the unit of {@code weigh}
     */
    ResultCache(int most, long mostWeight, ToLongFunction<T> weigh) {
        this.most = most;
        this.mostWeight = mostWeight;
        this.weigh = weigh;
    }

    /** How a result is made; it asks the ticket for what it needs. */
    interface Make<T, E extends Exception> {
        T make(TicketDependencies ticket) throws E;
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
        Making own = enter(of);
        try {
            synchronized (own) {
                Optional<T> meanwhile = peek(of, ticket);
                return meanwhile.isPresent() ? meanwhile.get() : made(of, ticket, make);
            }
        } finally {
            leave(of, own);
        }
    }

    private Making enter(Object of) {
        synchronized (making) {
            Making own = making.computeIfAbsent(of, k -> new Making());
            own.users++;
            return own;
        }
    }

    private void leave(Object of, Making own) {
        synchronized (making) {
            if (--own.users == 0) {
                making.remove(of);
            }
        }
    }

    private <E extends Exception> T made(Object of, Ticket ticket, Make<T, E> make) throws E {
        TicketDependencies asking = new TicketDependencies(ticket);
        T value = make.make(asking);
        synchronized (kept) {
            kept.addFirst(new Kept<>(of, asking.noted(), value, weigh.applyAsLong(value)));
            while (kept.size() > 1 && (kept.size() > most || weight() > mostWeight)) {
                kept.removeLast();
            }
        }
        return value;
    }

    private long weight() {
        return kept.stream().mapToLong(Kept::weight).sum();
    }

    /** How many are kept, and how many are being made. */
    int[] size() {
        synchronized (kept) {
            synchronized (making) {
                return new int[] {kept.size(), making.size()};
            }
        }
    }
}
