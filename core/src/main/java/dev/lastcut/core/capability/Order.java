package dev.lastcut.core.capability;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What the maker chose of what a shop offers; what is not chosen is the shop's usual.
 *
 * @param quantity how many boards
 * @param mark where the house may print its mark; empty where no place is said
 * @param carriage the name of the way it is sent; empty for the shop's usual one
 */
public record Order(
        Map<OrderOption, String> chosen,
        int quantity,
        Optional<OrderMark> mark,
        Optional<String> carriage) {
    /** Enough for a club, and what many houses sell at the least (common practice, no source). */
    public static final int USUAL_QUANTITY = 5;

    public static final int MOST = 100_000;

    public static final Order USUAL = new Order(Map.of());

    public Order(Map<OrderOption, String> chosen) {
        this(chosen, USUAL_QUANTITY);
    }

    /** With no place for the order mark, sent as usual. */
    public Order(Map<OrderOption, String> chosen, int quantity) {
        this(chosen, quantity, Optional.empty(), Optional.empty());
    }

    /**
     * @throws IllegalArgumentException when the quantity is not from 1 to {@link #MOST}
     */
    public Order {
        if (quantity < 1 || quantity > MOST) {
            throw new IllegalArgumentException("the quantity is 1 to " + MOST + " boards");
        }
        chosen = Collections.unmodifiableMap(new TreeMap<>(chosen));
    }

    public Optional<String> value(OrderOption option) {
        return Optional.ofNullable(chosen.get(option));
    }

    public Order with(OrderOption option, String value) {
        Map<OrderOption, String> next = new EnumMap<>(OrderOption.class);
        next.putAll(chosen);
        next.put(option, value);
        return new Order(next, quantity, mark, carriage);
    }

    /**
     * The same files, ordered as another order has it: its number, its carriage, and its options
     * that no file depends on.
     */
    public Order orderedAs(Order now) {
        Map<OrderOption, String> next = new EnumMap<>(OrderOption.class);
        chosen.forEach((o, v) -> keep(next, o, v, !o.isFreeOfFiles()));
        now.chosen.forEach((o, v) -> keep(next, o, v, o.isFreeOfFiles()));
        return new Order(next, now.quantity, mark, now.carriage);
    }

    private static void keep(
            Map<OrderOption, String> to, OrderOption option, String value, boolean wanted) {
        if (wanted) {
            to.put(option, value);
        }
    }

    public Order of(int boards) {
        return new Order(chosen, boards, mark, carriage);
    }

    public Order marked(Optional<OrderMark> place) {
        return new Order(chosen, quantity, place, carriage);
    }

    public Order sent(Optional<String> way) {
        return new Order(chosen, quantity, mark, way);
    }
}
