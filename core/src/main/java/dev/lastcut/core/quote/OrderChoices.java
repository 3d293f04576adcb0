package dev.lastcut.core.quote;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Carriage;
import dev.lastcut.core.capability.Exclusion;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Quote;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** What a shop offers with an order, and what each other choice would do to it. */
public final class OrderChoices {
    /** The id of the carriage, which is chosen like an option. */
    public static final String CARRIAGE = "carriage";

    private final CapabilitySheet sheet;
    private final Order now;
    private final int layers;
    private final Function<Order, Optional<Quote>> quote;

    /**
     * One option and its values, the shop's usual one first.
     *
     * @param unit of the values; empty for words
     * @param freeOfFiles whether the shop can be told another value without new files
     */
    public record OrderChoice(
            String id,
            String title,
            String unit,
            String chosen,
            boolean freeOfFiles,
            List<OrderValue> values) {}

    /**
     * What choosing a value would do.
     *
     * @param money to the total, against what is chosen now, in the sheet's currency
     * @param limits numbers that would be others, in words
     * @param excluded why the shop does not make it with the rest; empty when it does
     */
    public record OrderValue(
            String value, double money, int days, List<String> limits, List<String> excluded) {}

    /**
     * @param now what is chosen
     * @param layers of copper of the board
     * @param quote what an order costs; empty where nobody knows
     */
    public OrderChoices(
            CapabilitySheet sheet, Order now, int layers, Function<Order, Optional<Quote>> quote) {
        this.sheet = sheet;
        this.now = now;
        this.layers = layers;
        this.quote = quote;
    }

    /** Every option that the shop offers, in their order, the carriage last. */
    public List<OrderChoice> all() {
        Optional<Quote> before = quote.apply(now);
        List<OrderChoice> all = new ArrayList<>();
        for (OrderOption o : OrderOption.values()) {
            if (sheet.options().containsKey(o)) {
                all.add(option(o, before));
            }
        }
        if (!sheet.price().carriage().isEmpty()) {
            all.add(carriage(before));
        }
        return all;
    }

    private OrderChoice option(OrderOption o, Optional<Quote> before) {
        List<Exclusion> already = sheet.excluded(now, layers);
        List<OrderValue> values =
                sheet.options().get(o).stream()
                        .map(v -> value(before, already, now.with(o, v), v))
                        .toList();
        String chosen = sheet.value(o, now).orElse("");
        return new OrderChoice(o.id(), o.title(), o.unit(), chosen, o.isFreeOfFiles(), values);
    }

    private OrderChoice carriage(Optional<Quote> before) {
        List<OrderValue> values =
                sheet.price().carriage().stream()
                        .map(Carriage::name)
                        .map(n -> value(before, List.of(), now.sent(Optional.of(n)), n))
                        .toList();
        String chosen = sheet.price().carriage(now).map(Carriage::name).orElse("");
        return new OrderChoice(CARRIAGE, "Carriage", "", chosen, true, values);
    }

    private OrderValue value(
            Optional<Quote> before, List<Exclusion> already, Order then, String value) {
        Optional<Quote> after = quote.apply(then);
        boolean known = before.isPresent() && after.isPresent();
        double money = known ? after.get().total() - before.get().total() : 0;
        List<String> excluded =
                sheet.excluded(then, layers).stream()
                        .filter(x -> !already.contains(x) || now.equals(then))
                        .map(x -> x.words() + ": " + x.why())
                        .toList();
        return new OrderValue(
                value,
                Math.round(money * 100) / 100.0,
                known ? after.get().days() - before.get().days() : 0,
                limits(sheet, now, then, layers),
                excluded);
    }

    /** Limits of a sheet that are others for another order, in words. */
    public static List<String> limits(CapabilitySheet sheet, Order now, Order then, int layers) {
        List<String> all = new ArrayList<>();
        for (LimitKey k : LimitKey.values()) {
            Optional<Limit> a = sheet.limit(k, now, layers);
            Optional<Limit> b = sheet.limit(k, then, layers);
            if (b.isPresent() && !a.equals(b)) {
                String instead = a.map(l -> " instead of " + number(l)).orElse("");
                all.add(k.title() + " " + number(b.get()) + instead);
            }
        }
        return all;
    }

    /**
     * What is ordered of files that were made for an order: as it is chosen now, as far as neither
     * a file nor a limit of the shop depends on it.
     *
     * @param made the order the files were made for
     * @param now what is chosen now, at the same shop
     */
    public static Order ofFilesMadeFor(CapabilitySheet sheet, Order made, Order now) {
        Order then = made.orderedAs(now);
        for (int layers = 1; layers <= sheet.maxCopperLayers(); layers++) {
            if (!limits(sheet, made, then, layers).isEmpty()) {
                return made.of(now.quantity()).sent(now.carriage());
            }
        }
        return then;
    }

    private static String number(Limit l) {
        String n = Length.shortMm(l.value());
        return l.hasNoUnit() ? n : n + " " + l.unit();
    }
}
