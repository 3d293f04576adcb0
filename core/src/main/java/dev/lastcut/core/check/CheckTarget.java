package dev.lastcut.core.check;

import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.stencil.StencilPlan;
import java.util.List;
import java.util.Optional;

/**
 * What a board is held against.
 *
 * @param order what the maker chose of the shop's options
 * @param currents currents the maker gave to nets
 * @param setup how the board is set up, for a mill
 * @param parts what is chosen about parts
 * @param stencil what is chosen about the stencil
 * @param panel the panel that is wanted; empty for single boards
 */
public record CheckTarget(
        CapabilitySheet sheet,
        Headroom headroom,
        Order order,
        List<NetCurrent> currents,
        MillSetup setup,
        PartsPlan parts,
        StencilPlan stencil,
        Optional<PanelAsk> panel) {
    public CheckTarget {
        currents = List.copyOf(currents);
    }

    /** With the shop's usual options and no currents. */
    public CheckTarget(CapabilitySheet sheet, Headroom headroom) {
        this(sheet, headroom, Order.USUAL, List.of());
    }

    /** With the usual set-up of a mill. */
    public CheckTarget(
            CapabilitySheet sheet, Headroom headroom, Order order, List<NetCurrent> currents) {
        this(sheet, headroom, order, currents, MillSetup.USUAL);
    }

    /** With nothing chosen about parts. */
    public CheckTarget(
            CapabilitySheet sheet,
            Headroom headroom,
            Order order,
            List<NetCurrent> currents,
            MillSetup setup) {
        this(
                sheet,
                headroom,
                order,
                currents,
                setup,
                PartsPlan.NONE,
                StencilPlan.AS_DRAWN,
                Optional.empty());
    }

    public CheckTarget with(PartsPlan plan) {
        return new CheckTarget(sheet, headroom, order, currents, setup, plan, stencil, panel);
    }

    public CheckTarget with(StencilPlan plan) {
        return new CheckTarget(sheet, headroom, order, currents, setup, parts, plan, panel);
    }

    public CheckTarget with(PanelAsk wanted) {
        return new CheckTarget(
                sheet, headroom, order, currents, setup, parts, stencil, Optional.of(wanted));
    }
}
