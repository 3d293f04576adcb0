package dev.lastcut.core.assembly;

import java.util.Collections;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The room that parts have above the board.
 *
 * @param zones where it ends
 * @param unshaded parts that nothing may shade (sensors, antennas, buttons), by designator: the
 *     angle over the horizon, in degrees, above which all must be open around them
 */
public record Heights(List<HeightZone> zones, SortedMap<String, Double> unshaded) {
    public static final Heights NONE = new Heights(List.of(), new TreeMap<>());

    /**
     * @throws IllegalArgumentException when an angle is not above 0° and below 90°
     */
    public Heights {
        zones = List.copyOf(zones);
        unshaded = Collections.unmodifiableSortedMap(new TreeMap<>(unshaded));
        unshaded.forEach(
                (part, deg) -> {
                    if (!(deg > 0 && deg < 90)) {
                        throw new IllegalArgumentException(
                                "unshaded." + part + ": an angle above 0° and below 90°");
                    }
                });
    }
}
