package dev.lastcut.server.desk;

import dev.lastcut.server.orders.DeskOrder;
import dev.lastcut.server.orders.DeskOrder.DeskStep;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * How an order goes through the shop. A state is not kept: it follows from when the order came and
 * when its questions were answered, so that a desk that was away is where it would be.
 *
 * @param step how long one state takes
 */
record OrderTimeline(Duration step) {
    static final String RECEIVED = "received";
    static final String WAITING = "waiting";
    private static final List<String> SHOP =
            List.of("making", "testing", "packed", DeskOrder.SHIPPED);

    private static final Map<String, String> SAYS =
            Map.of(
                    RECEIVED,
                    "An engineer looks at the files.",
                    WAITING,
                    "An engineer has a question; nothing is made before it is answered.",
                    "making",
                    "The boards are being made.",
                    "testing",
                    "The boards are tested.",
                    "packed",
                    "The boards are packed.",
                    DeskOrder.SHIPPED,
                    "The parcel is on its way.",
                    DeskOrder.WITHDRAWN,
                    "The order was withdrawn; nothing is made.");

    /**
     * The states an order has come to, the last one last.
     *
     * @param order as it is kept
     * @param open whether a question is open
     */
    List<DeskStep> history(DeskStore.Placed order, boolean open, Instant now) {
        List<DeskStep> all = new ArrayList<>();
        Instant end = order.withdrawn().orElse(now);
        add(all, RECEIVED, order.placed(), end);
        Instant looked = order.placed().plus(step);
        if (open || order.answered().isPresent()) {
            add(all, WAITING, looked, end);
        }
        if (!open) {
            Instant at = order.answered().filter(a -> a.isAfter(looked)).orElse(looked);
            for (String state : SHOP) {
                add(all, state, at, end);
                at = at.plus(step);
            }
        }
        order.withdrawn().ifPresent(w -> all.add(new DeskStep(DeskOrder.WITHDRAWN, w.toString())));
        return all;
    }

    private static void add(List<DeskStep> all, String state, Instant at, Instant end) {
        if (!at.isAfter(end)) {
            all.add(new DeskStep(state, at.toString()));
        }
    }

    /** Whether the engineer has looked, so that questions are asked. */
    boolean isLooked(DeskStore.Placed order, Instant now) {
        return !order.placed().plus(step).isAfter(now);
    }

    static boolean isBegun(List<DeskStep> history) {
        return SHOP.contains(history.get(history.size() - 1).state());
    }

    static String says(String state) {
        return SAYS.get(state);
    }
}
