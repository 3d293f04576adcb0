package dev.lastcut.core.capability;

/**
 * Two values of options that a shop does not make together.
 *
 * @param why in a sentence, without its full stop
 */
public record Exclusion(
        OrderOption option, String value, OrderOption with, String withValue, String why) {
    public boolean isIn(CapabilitySheet sheet, Order order, int copperLayers) {
        return sheet.has(option, value, order, copperLayers)
                && sheet.has(with, withValue, order, copperLayers);
    }

    /** "Copper weight outside 3 oz with Material polyimide, flexible". */
    public String words() {
        return option.title()
                + " "
                + option.words(value)
                + " with "
                + with.title()
                + " "
                + with.words(withValue);
    }
}
