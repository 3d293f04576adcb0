package dev.lastcut.core.capability;

import dev.lastcut.core.board.Side;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

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
 * @param exclusions values of options that it does not make together
 * @param strip present where it has strip board, absent for houses and mills
 * @param calendar when it works
 * @param parcels the uploads it takes, each for itself; empty where it takes the whole cut
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
        Optional<PanelTerms> panel,
        List<Exclusion> exclusions,
        Optional<StripTerms> strip,
        ShopCalendar calendar,
        List<Parcel> parcels) {
    /** What the board is made of, and by whom. */
    public enum Kind {
        HOUSE,
        MILL,
        STRIP;

        /** As it stands in a sheet. */
        public String id() {
            return name().toLowerCase(Locale.ROOT);
        }

        public static Optional<Kind> parse(String id) {
            return Stream.of(values()).filter(k -> k.id().equals(id)).findFirst();
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
                Optional.empty(),
                List.of(),
                Optional.empty(),
                ShopCalendar.EVERY_DAY,
                List.of());
    }

    public CapabilitySheet {
        limits = Collections.unmodifiableMap(new TreeMap<>(limits));
        options = Collections.unmodifiableMap(new TreeMap<>(options));
        variations = List.copyOf(variations);
        exclusions = List.copyOf(exclusions);
        parcels = Parcel.distinct(parcels);
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
            throw new IllegalArgumentException("a mill's sheet has a mill section, others none");
        }
        if ((kind == Kind.STRIP) != strip.isPresent()) {
            throw new IllegalArgumentException(
                    "a sheet of kind strip has a strip section, others none");
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
            if (v.limits().containsKey(key) && has(v.option(), v.value(), order, copperLayers)) {
                varied.add(v.limits().get(key));
            }
        }
        return varied.stream()
                .reduce((a, b) -> (a.amount() > b.amount()) == key.isLeast() ? a : b)
                .or(() -> limit(key));
    }

    /** Whether an order on a board has a value of an option here. */
    public boolean has(OrderOption option, String value, Order order, int copperLayers) {
        return option == OrderOption.LAYERS
                ? value.equals(String.valueOf(copperLayers))
                : value(option, order).filter(value::equals).isPresent();
    }

    /**
     * What an order says of an option here: what was chosen if the shop offers it, else its usual
     * value; empty where the shop offers nothing.
     */
    public Optional<String> value(OrderOption option, Order order) {
        List<String> offered = options.getOrDefault(option, List.of());
        return order.value(option).filter(offered::contains).or(() -> offered.stream().findFirst());
    }

    /**
     * The sides that an order has fitted here: those ordered of those the shop fits. Empty for bare
     * boards, and at a shop that fits no parts. Ordering both sides of a shop that fits one has
     * that one fitted.
     */
    public Set<Side> fittedSides(Order order) {
        Set<Side> sides = EnumSet.noneOf(Side.class);
        String said =
                order.value(OrderOption.ASSEMBLY)
                        .or(() -> value(OrderOption.ASSEMBLY, order))
                        .orElse("none");
        for (Side side : assembly.map(Assembly::sides).orElse(List.of())) {
            if (said.equals("both") || said.equals(side.word())) {
                sides.add(side);
            }
        }
        return sides;
    }

    /** Where the order mark goes, when it is ordered at a place of ours and the place is said. */
    public Optional<OrderMark> orderMark(Order order) {
        return value(OrderOption.ORDER_MARK, order).filter(OrderMark.OUR_PLACE::equals).isPresent()
                ? order.mark()
                : Optional.empty();
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

    /** A way to have it sent that was chosen but is not offered here. */
    public Optional<String> carriageNotOffered(Order order) {
        return order.carriage()
                .filter(way -> price.carriage().stream().noneMatch(c -> c.name().equals(way)));
    }

    /** Pairs of an order on a board that the shop does not make together. */
    public List<Exclusion> excluded(Order order, int copperLayers) {
        return exclusions.stream().filter(x -> x.isIn(this, order, copperLayers)).toList();
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
                panel,
                exclusions,
                strip,
                calendar,
                parcels);
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
                Optional.of(terms),
                exclusions,
                strip,
                calendar,
                parcels);
    }

    /** Whether holes through both sides are joined by hand; strip board has links for that. */
    public boolean joinsByHand() {
        return !plates && strip.isEmpty();
    }

    public boolean isMill() {
        return kind == Kind.MILL;
    }
}
