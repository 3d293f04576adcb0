package dev.lastcut.core.capability;

import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.Side;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/**
 * How a shop fits parts, what it asks for it and how it wants its tables.
 *
 * @param sides those it fits; the top first
 * @param counts what it takes at most
 * @param fees what it asks, in the currency of the sheet's price
 * @param list how the parts list is to look
 * @param zeroOrientation where pin 1 lies at 0°, after IEC 61188-7; empty when it does not say
 * @param leastPitch the narrowest pitch it fits
 * @param placement how the placement is to look
 * @param line what its line asks of the board and its parts
 */
public record Assembly(
        List<Side> sides,
        Counts counts,
        Fees fees,
        ListForm list,
        Optional<ZeroOrientation> zeroOrientation,
        Optional<Limit> leastPitch,
        PlacementForm placement,
        Line line) {
    public Assembly {
        sides = List.copyOf(sides);
        if (sides.isEmpty() || sides.stream().distinct().count() != sides.size()) {
            throw new IllegalArgumentException("assembly.sides names top, bottom or both");
        }
    }

    /** With the usual placement table, and a line that asks nothing of the board. */
    public Assembly(
            List<Side> sides,
            Counts counts,
            Fees fees,
            ListForm list,
            Optional<ZeroOrientation> zeroOrientation,
            Optional<Limit> leastPitch) {
        this(
                sides,
                counts,
                fees,
                list,
                zeroOrientation,
                leastPitch,
                PlacementForm.USUAL,
                Line.ASKS_NOTHING);
    }

    /**
     * What the line asks of a board and of its parts.
     *
     * @param leastToEdge how near to the edge parts may stand without rails
     * @param fiducials how many marks a side with parts needs, 0 for none
     * @param fits the kinds of parts it fits; never empty
     * @param greatestHeight of a part, above the board
     */
    public record Line(
            Optional<Limit> leastToEdge,
            int fiducials,
            Set<Mounting> fits,
            Optional<Limit> greatestHeight) {
        public static final Line ASKS_NOTHING = new Line(Optional.empty(), 0);

        /** For parts of any kind and height. */
        public Line(Optional<Limit> leastToEdge, int fiducials) {
            this(leastToEdge, fiducials, EnumSet.allOf(Mounting.class), Optional.empty());
        }

        public Line {
            if (fiducials < 0 || fiducials > 8) {
                throw new IllegalArgumentException("assembly.fiducials is from 0 to 8");
            }
            if (fits.isEmpty()) {
                throw new IllegalArgumentException("assembly.fits lists surface, leaded or both");
            }
            fits = Collections.unmodifiableSet(EnumSet.copyOf(fits));
        }
    }

    /**
     * How its placement looks.
     *
     * @param fileASide whether each side is a file of its own
     */
    public record PlacementForm(List<PlacementColumn> columns, boolean fileASide) {
        /** What is written where a shop does not say. */
        public static final PlacementForm USUAL =
                new PlacementForm(
                        List.of(
                                PlacementColumn.of(PlacementHolds.DESIGNATOR),
                                PlacementColumn.of(PlacementHolds.X),
                                PlacementColumn.of(PlacementHolds.Y),
                                PlacementColumn.of(PlacementHolds.ROTATION),
                                PlacementColumn.of(PlacementHolds.SIDE),
                                PlacementColumn.of(PlacementHolds.VALUE),
                                PlacementColumn.of(PlacementHolds.FOOTPRINT)),
                        false);

        public PlacementForm {
            columns = List.copyOf(columns);
            for (PlacementHolds needed :
                    List.of(
                            PlacementHolds.DESIGNATOR,
                            PlacementHolds.X,
                            PlacementHolds.Y,
                            PlacementHolds.ROTATION)) {
                if (columns.stream().noneMatch(c -> c.holds() == needed)) {
                    throw new IllegalArgumentException(
                            "assembly.placement_columns must hold " + needed.id());
                }
            }
        }
    }

    /** One column of the placement, and what stands above it. */
    public record PlacementColumn(PlacementHolds holds, String title) {
        public static PlacementColumn of(PlacementHolds holds) {
            return new PlacementColumn(holds, holds.title());
        }
    }

    /** What a column of the placement can hold. */
    public enum PlacementHolds {
        DESIGNATOR("Designator"),
        X("X (mm)"),
        Y("Y (mm)"),
        ROTATION("Rotation"),
        SIDE("Side"),
        VALUE("Value"),
        FOOTPRINT("Footprint"),
        PACKAGE("Package"),
        PART_NUMBER("Part number");

        private final String title;

        PlacementHolds(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        public String id() {
            return idOf(this);
        }

        /**
         * @throws IllegalArgumentException when there is none of that id
         */
        public static PlacementHolds parse(String id) {
            return named(values(), id);
        }
    }

    private static String idOf(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static <E extends Enum<E>> E named(E[] all, String id) {
        List<String> ids = new ArrayList<>();
        for (E e : all) {
            if (idOf(e).equals(id)) {
                return e;
            }
            ids.add(idOf(e));
        }
        throw new IllegalArgumentException(
                "a column holds " + String.join(", ", ids) + ", not '" + id + "'");
    }

    /** Levels of IEC 61188-7: pin 1 at the lower left (A) or upper left (B) at 0°. */
    public enum ZeroOrientation {
        A,
        B;

        /** Where pin 1 lies at 0°, in words. */
        public String corner() {
            return this == A ? "lower left" : "upper left";
        }
    }

    /** What it takes at most; empty for no limit. */
    public record Counts(
            OptionalInt designatorsPerLine,
            OptionalInt billLines,
            OptionalInt placementLines,
            OptionalInt loadedKinds) {
        public Counts {
            for (OptionalInt n :
                    List.of(designatorsPerLine, billLines, placementLines, loadedKinds)) {
                if (n.isPresent() && n.getAsInt() < 1) {
                    throw new IllegalArgumentException("counts of assembly are from 1");
                }
            }
        }
    }

    /**
     * What it asks.
     *
     * @param setup for an order
     * @param perPart for each part fitted
     * @param loading for each kind it does not keep on its machines
     * @param attritionPercent parts lost in feeding, that must be bought too
     */
    public record Fees(double setup, double perPart, double loading, double attritionPercent) {
        /** Of a shop that fits no parts. */
        public static final Fees NONE = new Fees(0, 0, 0, 0);

        public Fees {
            if (!(setup >= 0) || !(perPart >= 0) || !(loading >= 0)) {
                throw new IllegalArgumentException("fees of assembly are from 0");
            }
            if (!(attritionPercent >= 0 && attritionPercent <= 100)) {
                throw new IllegalArgumentException("assembly.attrition_percent is from 0 to 100");
            }
        }

        /** How many of a kind an order needs: those fitted on all boards, and those lost. */
        public long pieces(int perBoard, int boards) {
            // Less a billionth, so that a rounding of doubles does not buy one more.
            return (long)
                    Math.ceil(perBoard * (double) boards * (1 + attritionPercent / 100) - 1e-9);
        }
    }

    /**
     * How its parts list looks.
     *
     * @param ranges whether R5-R8 stands for four
     * @param separator what stands between designators
     */
    public record ListForm(List<Column> columns, boolean ranges, String separator) {
        /** What is written where a shop does not say. */
        public static final ListForm USUAL =
                new ListForm(
                        List.of(
                                Column.of(Holds.DESIGNATORS),
                                Column.of(Holds.QUANTITY),
                                Column.of(Holds.VALUE),
                                Column.of(Holds.FOOTPRINT),
                                Column.of(Holds.MAKER),
                                Column.of(Holds.PART_NUMBER),
                                Column.of(Holds.DESCRIPTION)),
                        true,
                        " ");

        public ListForm {
            columns = List.copyOf(columns);
            if (columns.stream().noneMatch(c -> c.holds() == Holds.DESIGNATORS)) {
                throw new IllegalArgumentException("assembly.columns must hold designators");
            }
            if (!List.of(" ", ", ", ",").contains(separator)) {
                throw new IllegalArgumentException(
                        "assembly.separator is a space, a comma or both, not '" + separator + "'");
            }
        }
    }

    /** One column of the list, and what stands above it. */
    public record Column(Holds holds, String title) {
        public static Column of(Holds holds) {
            return new Column(holds, holds.title());
        }
    }

    /** What a column can hold. */
    public enum Holds {
        LINE("Line"),
        DESIGNATORS("Designators"),
        QUANTITY("Quantity"),
        VALUE("Value"),
        FOOTPRINT("Footprint"),
        PACKAGE("Package"),
        MAKER("Maker"),
        PART_NUMBER("Part number"),
        DESCRIPTION("Description"),
        /** What the pack's own list has under the column's title. */
        LISTED("Listed");

        private final String title;

        Holds(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        public String id() {
            return idOf(this);
        }

        /**
         * @throws IllegalArgumentException when there is none of that id
         */
        public static Holds parse(String id) {
            return named(values(), id);
        }
    }
}
