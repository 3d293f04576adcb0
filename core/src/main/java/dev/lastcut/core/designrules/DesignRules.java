package dev.lastcut.core.designrules;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * What all of some shops can make, number by number, for an order and with headroom.
 *
 * @param shops their names
 * @param copperLayers of the board that is to be drawn
 * @param rules one for each number that a shop states, and the pads of vias that follow from them
 */
public record DesignRules(List<String> shops, int copperLayers, List<DesignRule> rules) {
    /**
     * One number.
     *
     * @param id as in a sheet; {@code via-pad} for what follows
     * @param bound {@code min}, {@code max}, or {@code usual} for a habit
     * @param amount with headroom: nm, or a ratio
     * @param shop whose number it is: of several the most demanding
     * @param silent shops that do not state it
     */
    public record DesignRule(
            String id,
            String title,
            String bound,
            boolean ratio,
            double amount,
            String shop,
            List<String> silent) {
        /** The number with its unit: "0.150 mm". */
        public String words() {
            return ratio
                    ? String.format(Locale.ROOT, "%.2f", amount)
                    : String.format(Locale.ROOT, "%.3f mm", Length.toMm(amount));
        }
    }

    public DesignRules {
        shops = List.copyOf(shops);
        rules = List.copyOf(rules);
    }

    /**
     * @throws IllegalArgumentException when there is no shop, or one makes fewer copper layers
     */
    public static DesignRules of(
            List<CapabilitySheet> sheets, Order order, Headroom headroom, int copperLayers) {
        if (sheets.isEmpty()) {
            throw new IllegalArgumentException("Name at least one shop.");
        }
        for (CapabilitySheet s : sheets) {
            if (s.maxCopperLayers() < copperLayers) {
                throw new IllegalArgumentException(
                        String.format(
                                "%s makes %d copper layers at most, not %d.",
                                s.name(), s.maxCopperLayers(), copperLayers));
            }
        }
        List<DesignRule> rules = new ArrayList<>();
        for (LimitKey key : LimitKey.values()) {
            rule(key, sheets, order, headroom, copperLayers).ifPresent(rules::add);
        }
        viaPad(rules).ifPresent(rules::add);
        return new DesignRules(
                sheets.stream().map(CapabilitySheet::name).toList(), copperLayers, rules);
    }

    private static Optional<DesignRule> rule(
            LimitKey key,
            List<CapabilitySheet> sheets,
            Order order,
            Headroom headroom,
            int copperLayers) {
        String by = "";
        double strictest = 0;
        List<String> silent = new ArrayList<>();
        for (CapabilitySheet s : sheets) {
            Optional<Limit> stated = s.limit(key, order, copperLayers);
            if (stated.isEmpty()) {
                silent.add(s.name());
                continue;
            }
            double said = stated.get().amount();
            double amount = key.isHabit() ? said : headroom.apply(key, said);
            if (by.isEmpty() || (key.isLeast() ? amount > strictest : amount < strictest)) {
                strictest = amount;
                by = s.name();
            }
        }
        return by.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        new DesignRule(
                                key.id(),
                                key.title(),
                                key.isHabit() ? "usual" : key.isLeast() ? "min" : "max",
                                key.isRatio(),
                                strictest,
                                by,
                                silent));
    }

    /** The smallest via's pad: its hole and a ring on both sides of it. */
    private static Optional<DesignRule> viaPad(List<DesignRule> rules) {
        Optional<DesignRule> hole = find(rules, LimitKey.HOLE_MIN);
        Optional<DesignRule> ring = find(rules, LimitKey.ANNULAR_RING);
        if (hole.isEmpty() || ring.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(
                new DesignRule(
                        "via-pad",
                        "Pad of the smallest via",
                        "min",
                        false,
                        hole.get().amount() + 2 * ring.get().amount(),
                        ring.get().shop(),
                        List.of()));
    }

    private static Optional<DesignRule> find(List<DesignRule> rules, LimitKey key) {
        return rules.stream().filter(r -> r.id().equals(key.id())).findFirst();
    }

    /** A line for each number, to carry into a layout: {@code track-width min 0.150 mm}. */
    public String text() {
        StringBuilder all = new StringBuilder();
        all.append("# Rules to draw by: ").append(title()).append('\n');
        for (DesignRule r : rules) {
            String line =
                    String.format(
                            Locale.ROOT,
                            "%-20s %-5s %10s   # %s, %s",
                            r.id(),
                            r.bound(),
                            r.words(),
                            r.title(),
                            r.shop());
            all.append(line).append(silence(r)).append('\n');
        }
        return all.toString();
    }

    /** The shops and the layers, for people. */
    String title() {
        return shops.stream().collect(Collectors.joining(" and "))
                + ", "
                + copperLayers
                + (copperLayers == 1 ? " copper layer" : " copper layers");
    }

    static String silence(DesignRule r) {
        return r.silent().isEmpty() ? "" : "; not stated by " + String.join(", ", r.silent());
    }
}
