package dev.lastcut.core.board;

import dev.lastcut.core.value.PartValue;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * One designator of the parts list.
 *
 * @param fitted false when the list says it is not to be fitted
 * @param others the cells of columns that have no meaning here, as a second part number, by heading
 */
public record ListedPart(
        String designator,
        String value,
        String footprint,
        String maker,
        String partNumber,
        String description,
        boolean fitted,
        int line,
        Map<String, String> others) {
    public ListedPart {
        others = Collections.unmodifiableMap(new LinkedHashMap<>(others));
    }

    /** From a list without further columns. */
    public ListedPart(
            String designator,
            String value,
            String footprint,
            String maker,
            String partNumber,
            String description,
            boolean fitted,
            int line) {
        this(designator, value, footprint, maker, partNumber, description, fitted, line, Map.of());
    }

    /** What its value says. */
    public PartValue meaning() {
        return PartValue.read(value, designator);
    }
}
