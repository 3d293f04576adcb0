package dev.lastcut.core.touch;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.capability.Order;
import java.util.List;
import java.util.Optional;

/**
 * How far touches keep from what is there where they do not say so themselves: what the chosen shop
 * asks, headroom included. Lengths in nm.
 *
 * @param clearance to copper of other nets
 * @param edge from copper to the board's edge
 * @param hole from copper to unplated holes
 * @param maskToCopper from openings of the mask to copper that is not their pad's
 * @param silk from silk to openings of the mask
 * @param ring least copper about a plated hole
 * @param neck narrowest copper that is left of an area
 * @param web least between holes, and from a hole to the edge
 * @param drills diameters of the chosen mill's drills; empty for a house
 */
public record TouchClearances(
        double clearance,
        double edge,
        double hole,
        double maskToCopper,
        double silk,
        double ring,
        double neck,
        double web,
        List<Long> drills) {
    /** Where no shop is chosen (common practice, no source). */
    public static final TouchClearances USUAL =
            new TouchClearances(
                    200_000, 300_000, 250_000, 50_000, 100_000, 150_000, 150_000, 300_000,
                    List.of());

    public TouchClearances {
        drills = List.copyOf(drills);
    }

    public static TouchClearances of(
            Optional<CapabilitySheet> sheet, Headroom headroom, Order order, int copperLayers) {
        if (sheet.isEmpty()) {
            return USUAL;
        }
        Asked asked = new Asked(sheet.get(), headroom, order, copperLayers);
        return new TouchClearances(
                asked.nm(LimitKey.CLEARANCE, USUAL.clearance),
                asked.nm(LimitKey.COPPER_TO_EDGE, USUAL.edge),
                asked.nm(LimitKey.COPPER_TO_HOLE, USUAL.hole),
                asked.nm(LimitKey.MASK_TO_COPPER, USUAL.maskToCopper),
                asked.nm(LimitKey.SILK_TO_MASK, USUAL.silk),
                asked.nm(LimitKey.ANNULAR_RING, USUAL.ring),
                Math.max(
                        asked.nm(LimitKey.COPPER_SLIVER, USUAL.neck),
                        asked.nm(LimitKey.TRACK_WIDTH, USUAL.neck)),
                Math.max(
                        asked.nm(LimitKey.HOLE_SPACING, USUAL.web),
                        asked.nm(LimitKey.HOLE_TO_EDGE, USUAL.web)),
                sheet.get().mill().map(TouchClearances::drills).orElse(List.of()));
    }

    private static List<Long> drills(Mill mill) {
        return mill.rack().stream()
                .filter(c -> c.kind() == Cutter.Kind.DRILL)
                .map(Cutter::diameter)
                .sorted()
                .distinct()
                .toList();
    }

    private record Asked(CapabilitySheet sheet, Headroom headroom, Order order, int layers) {
        double nm(LimitKey key, double usual) {
            double n = sheet.limit(key, order, layers).map(Limit::amount).orElse(usual);
            return headroom.apply(key, n);
        }
    }
}
