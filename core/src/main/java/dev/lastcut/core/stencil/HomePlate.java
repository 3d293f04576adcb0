package dev.lastcut.core.stencil;

import java.util.Collections;
import java.util.SortedSet;
import java.util.TreeSet;

/**
 * Openings of parts with two pads that run to a point under the part, so that no paste is pressed
 * out there into beads.
 *
 * @param packages footprints or packages it is for; empty for all of two pads
 * @param ratio the share of an opening's length that the point takes, above 0 and at most 1
 */
public record HomePlate(SortedSet<String> packages, double ratio) {
    public HomePlate {
        packages = Collections.unmodifiableSortedSet(new TreeSet<>(packages));
        if (!(ratio > 0 && ratio <= 1)) {
            throw new IllegalArgumentException(
                    "home_plate.ratio is above 0 and at most 1, not " + ratio);
        }
    }
}
