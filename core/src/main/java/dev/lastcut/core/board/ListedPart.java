package dev.lastcut.core.board;

import dev.lastcut.core.value.PartValue;

/**
 * One designator of the parts list.
 *
 * @param fitted false when the list says it is not to be fitted
 */
public record ListedPart(
        String designator,
        String value,
        String footprint,
        String maker,
        String partNumber,
        String description,
        boolean fitted,
        int line) {
    /** What its value says. */
    public PartValue meaning() {
        return PartValue.read(value, designator);
    }
}
