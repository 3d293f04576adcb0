package dev.lastcut.core.capability;

import dev.lastcut.core.board.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * How a shop fits parts, what it asks for it and how it wants its tables.
 *
 * @param sides those it fits; the top first
 * @param counts what it takes at most
 * @param fees what it asks, in the currency of the sheet's price
 * @param list how the parts list is to look
 * @param zeroOrientation where pin 1 lies at 0°, after IEC 61188-7; empty when it does not say
 * @param leastPitch the narrowest pitch it fits
 */
public record Assembly(
        List<Side> sides,
        Counts counts,
        Fees fees,
        ListForm list,
        Optional<ZeroOrientation> zeroOrientation,
        Optional<Limit> leastPitch) {
    public Assembly {
        sides = List.copyOf(sides);
        if (sides.isEmpty() || sides.stream().distinct().count() != sides.size()) {
            throw new IllegalArgumentException("assembly.sides names top, bottom or both");
        }
    }

    /** Levels of IEC 61188-7: pin 1 at the lower left (A) or upper left (B) at 0°. */
    public enum ZeroOrientation {
        A,
        B
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
        public Fees {
            if (!(setup >= 0) || !(perPart >= 0) || !(loading >= 0)) {
                throw new IllegalArgumentException("fees of assembly are from 0");
            }
            if (!(attritionPercent >= 0 && attritionPercent <= 100)) {
                throw new IllegalArgumentException("assembly.attrition_percent is from 0 to 100");
            }
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
        DESCRIPTION("Description");

        private final String title;

        Holds(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        public String id() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /**
         * @throws IllegalArgumentException when there is none of that id
         */
        public static Holds parse(String id) {
            List<String> ids = new ArrayList<>();
            for (Holds h : values()) {
                if (h.id().equals(id)) {
                    return h;
                }
                ids.add(h.id());
            }
            throw new IllegalArgumentException(
                    "a column holds " + String.join(", ", ids) + ", not '" + id + "'");
        }
    }
}
