package dev.lastcut.core.stencil;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;

/** The thickness of a stencil's foil. */
public final class Foil {
    /** Where neither ticket nor sheet says: 0.12 mm (common practice, no source). */
    public static final double USUAL_MM = 0.12;

    private Foil() {}

    /** As chosen for the stencil, else as ordered, else as the shop usually has it; mm. */
    public static double mm(StencilPlan plan, CapabilitySheet sheet, Order order) {
        return plan.foilMm()
                .orElseGet(
                        () ->
                                sheet.value(OrderOption.FOIL, order)
                                        .map(Double::valueOf)
                                        .orElse(USUAL_MM));
    }
}
