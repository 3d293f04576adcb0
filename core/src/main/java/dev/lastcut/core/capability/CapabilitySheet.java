package dev.lastcut.core.capability;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What one shop can do.
 *
 * @param limits numbers it states; a check whose number is missing does not run
 * @param maxCopperLayers the most copper layers it makes
 * @param plates whether it plates holes
 * @param options what it offers of each order option, its usual one first
 * @param variations numbers that depend on what is ordered
 * @param mill present for a mill, absent for a board house
 * @param assembly present where parts are fitted
 * @param panel present where it says what it takes of panels
 */
public record CapabilitySheet(
        String id,
        String name,
        Kind kind,
        String description,
        Map<LimitKey, Limit> limits,
        int maxCopperLayers,
        boolean plates,
        Map<OrderOption, List<String>> options,
        List<Variation> variations,
        Price price,
        Optional<Mill> mill,
        Optional<Assembly> assembly,
        Optional<PanelTerms> panel) {
    /** Who makes the board. */
    public enum Kind {
        HOUSE,
        MILL
    }

    /**
     * What it costs and how long it takes.
     *
     * @param setup per order
     * @param perSquareCm per board
     */
    public record Price(String currency, double setup, double perSquareCm, int days) {
        public Price {
            if (!(setup >= 0) || !(perSquareCm >= 0) || days < 0) {
                throw new IllegalArgumentException("prices and days must be from 0");
            }
        }
    }

    /** A shop that fits no parts. */
    public CapabilitySheet(
            String id,
            String name,
            Kind kind,
            String description,
            Map<LimitKey, Limit> limits,
            int maxCopperLayers,
            boolean plates,
            Map<OrderOption, List<String>> options,
            List<Variation> variations,
            Price price,
            Optional<Mill> mill) {
        this(
                id,
                name,
                kind,
                description,
                limits,
                maxCopperLayers,
                plates,
                options,
                variations,
                price,
                mill,
                Optional.empty(),
                Optional.empty());
    }

    public CapabilitySheet {
        limits = Collections.unmodifiableMap(new TreeMap<>(limits));
        options = Collections.unmodifiableMap(new TreeMap<>(options));
        variations = List.copyOf(variations);
        if (!id.matches("[a-z0-9][a-z0-9-]{0,62}")) {
            throw new IllegalArgumentException(
                    "id must be lower-case letters, digits and hyphens: '" + id + "'");
        }
        if (name.isBlank() || name.length() > 120) {
            throw new IllegalArgumentException("the name must have 1 to 120 characters");
        }
        if (maxCopperLayers < 1 || maxCopperLayers > 64) {
            throw new IllegalArgumentException("copper layers must be 1 to 64");
        }
        if ((kind == Kind.MILL) != mill.isPresent()) {
            throw new IllegalArgumentException("a mill's sheet has a mill section, a house's none");
        }
        limits.forEach(CapabilitySheet::requireUnit);
        variations.forEach(v -> v.limits().forEach(CapabilitySheet::requireUnit));
        options.forEach(CapabilitySheet::requireValues);
    }

    private static void requireUnit(LimitKey key, Limit limit) {
        if (key.isRatio() != limit.hasNoUnit()) {
            throw new IllegalArgumentException(
                    key.id() + (key.isRatio() ? " is a ratio" : " is a length, not a ratio"));
        }
    }

    private static void requireValues(OrderOption option, List<String> values) {
        if (values.isEmpty() || option == OrderOption.LAYERS) {
            throw new IllegalArgumentException("option " + option.id() + " cannot be offered so");
        }
        for (String v : values) {
            if (option.isNumber() && !v.matches("\\d{1,3}(\\.\\d{1,4})?")) {
                throw new IllegalArgumentException(
                        option.id() + " is a number of " + option.unit() + ", not '" + v + "'");
            }
        }
    }

    /** A number as it stands on the sheet, whatever is ordered. */
    public Optional<Limit> limit(LimitKey key) {
        return Optional.ofNullable(limits.get(key));
    }

    /**
     * A number for an order on a board: of the variations that hold for it the most demanding one,
     * else the usual number.
     */
    public Optional<Limit> limit(LimitKey key, Order order, int copperLayers) {
        List<Limit> varied = new ArrayList<>();
        for (Variation v : variations) {
            if (v.limits().containsKey(key) && holds(v, order, copperLayers)) {
                varied.add(v.limits().get(key));
            }
        }
        return varied.stream()
                .reduce((a, b) -> (a.amount() > b.amount()) == key.isLeast() ? a : b)
                .or(() -> limit(key));
    }

    private boolean holds(Variation v, Order order, int copperLayers) {
        return v.option() == OrderOption.LAYERS
                ? v.value().equals(String.valueOf(copperLayers))
                : value(v.option(), order).filter(v.value()::equals).isPresent();
    }

    /**
     * What an order says of an option here: what was chosen if the shop offers it, else its usual
     * value; empty where the shop offers nothing.
     */
    public Optional<String> value(OrderOption option, Order order) {
        List<String> offered = options.getOrDefault(option, List.of());
        return order.value(option).filter(offered::contains).or(() -> offered.stream().findFirst());
    }

    /** What was chosen but is not offered here. */
    public Map<OrderOption, String> notOffered(Order order) {
        Map<OrderOption, String> refused = new EnumMap<>(OrderOption.class);
        order.chosen()
                .forEach(
                        (option, value) -> {
                            if (!options.getOrDefault(option, List.of()).contains(value)) {
                                refused.put(option, value);
                            }
                        });
        return refused;
    }

    /** The same shop, fitting parts. */
    public CapabilitySheet with(Assembly terms) {
        return new CapabilitySheet(
                id,
                name,
                kind,
                description,
                limits,
                maxCopperLayers,
                plates,
                options,
                variations,
                price,
                mill,
                Optional.of(terms),
                panel);
    }

    /** The same shop, making panels so. */
    public CapabilitySheet with(PanelTerms terms) {
        return new CapabilitySheet(
                id,
                name,
                kind,
                description,
                limits,
                maxCopperLayers,
                plates,
                options,
                variations,
                price,
                mill,
                assembly,
                Optional.of(terms));
    }

    public boolean isMill() {
        return kind == Kind.MILL;
    }
}
