package dev.lastcut.core.capability;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * What a shop takes as one upload: a file, or a zip of several.
 *
 * @param name of the file or zip, without its ending
 * @param holds what is in it
 */
public record Parcel(String name, Set<Content> holds) {
    /** What a parcel can hold. */
    public enum Content {
        FABRICATION,
        STENCIL,
        PANEL,
        PARTS_LIST,
        PLACEMENT,
        DRAWING,
        PROGRAMS,
        MECHANICAL,
        REPORT;

        public String id() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        public static Optional<Content> parse(String id) {
            return Arrays.stream(values()).filter(c -> c.id().equals(id)).findFirst();
        }
    }

    public Parcel {
        if (name == null || !name.matches("[A-Za-z0-9][A-Za-z0-9._-]{0,59}")) {
            throw new IllegalArgumentException(
                    "parcels: a name is 1 to 60 letters, digits, dots, hyphens, not '"
                            + name
                            + "'");
        }
        if (holds.isEmpty()) {
            throw new IllegalArgumentException("parcels: " + name + " holds nothing");
        }
        holds = Set.copyOf(EnumSet.copyOf(holds));
    }

    /**
     * @throws IllegalArgumentException when two have one name, letter case aside
     */
    static List<Parcel> distinct(List<Parcel> all) {
        long names = all.stream().map(p -> p.name().toLowerCase(Locale.ROOT)).distinct().count();
        if (names < all.size()) {
            throw new IllegalArgumentException("parcels: two have one name");
        }
        return List.copyOf(all);
    }
}
