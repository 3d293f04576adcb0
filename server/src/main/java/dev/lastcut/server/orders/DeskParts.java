package dev.lastcut.server.orders;

import java.util.List;

/**
 * What a house that fits parts made of the tables.
 *
 * @param zero where it wants pin 1 at 0°; empty where it does not say
 * @param lines the parts list, held against its shelf
 * @param placed each part where it would put it
 */
public record DeskParts(String zero, List<DeskLine> lines, List<DeskPlaced> placed) {
    /**
     * A line of the parts list.
     *
     * @param number as the list has it; empty where it has none
     * @param taken the part it would fit; empty when it knows none
     * @param state one of the constants
     * @param says why it is not simply found, in a sentence
     * @param needed pieces for all boards, with those lost in feeding
     * @param loading what loading this kind costs; 0 for line stock
     */
    public record DeskLine(
            List<String> designators,
            String value,
            String packageName,
            String number,
            String taken,
            String state,
            String says,
            long needed,
            long stock,
            double loading) {
        public static final String FOUND = "found";
        public static final String OTHER_PACKAGING = "other-packaging";
        public static final String PROPOSED = "proposed";
        public static final String SHORT = "short";
        public static final String UNKNOWN = "unknown";
    }

    /**
     * A part as it would be fitted.
     *
     * @param rotationDeg as its table says, counter-clockwise from the top
     * @param turnDeg by which it must be turned on for its pin 1 to lie on the board's; 0 when it
     *     does, null where a package has no pin 1 in a corner or nothing names its pads
     */
    public record DeskPlaced(
            String designator,
            String footprint,
            String side,
            double xMm,
            double yMm,
            double rotationDeg,
            Double turnDeg) {}
}
