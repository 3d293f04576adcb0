package dev.lastcut.core.capability;

import java.util.Map;
import java.util.Optional;

/**
 * What one shop can do.
 *
 * @param limits numbers it states; a check whose number is missing does not run
 * @param maxCopperLayers the most copper layers it makes
 * @param mill present for a mill, absent for a board house
 */
public record CapabilitySheet(
        String id,
        String name,
        Kind kind,
        String description,
        Map<LimitKey, Limit> limits,
        int maxCopperLayers,
        Price price,
        Optional<Mill> mill) {
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
    public record Price(String currency, double setup, double perSquareCm, int days) {}

    public CapabilitySheet {
        limits = Map.copyOf(limits);
        if (!id.matches("[a-z0-9][a-z0-9-]{0,62}")) {
            throw new IllegalArgumentException(
                    "id must be lower-case letters, digits and hyphens: '" + id + "'");
        }
        if ((kind == Kind.MILL) != mill.isPresent()) {
            throw new IllegalArgumentException("a mill's sheet has a mill section, a house's none");
        }
    }

    public Optional<Limit> limit(LimitKey key) {
        return Optional.ofNullable(limits.get(key));
    }

    public boolean isMill() {
        return kind == Kind.MILL;
    }
}
