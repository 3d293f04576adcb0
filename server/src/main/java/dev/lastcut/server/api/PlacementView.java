package dev.lastcut.server.api;

import java.util.List;

/**
 * How the parts are placed, by footprint.
 *
 * @param fits whether the shop is to fit parts
 * @param bare why it fits none, begun with a capital; "" where it does
 * @param zero where the shop wants pin 1 at 0°, in words; "" when it does not say
 * @param lines how many the shop is given
 * @param most how many it takes; null without a limit
 * @param sides how many parts of each side the house fits and the hand does
 */
record PlacementView(
        boolean hasPlacement,
        String shop,
        boolean fits,
        String bare,
        String zero,
        int lines,
        Integer most,
        List<PlacedSideView> sides,
        List<PlacedKindView> packages) {
    /**
     * A side of the board.
     *
     * @param fits whether the shop is to fit it
     * @param byHand whether the whole of it is soldered by hand
     * @param fiducials how many marks were found on it
     */
    record PlacedSideView(
            String side, boolean fits, boolean byHand, int house, int hand, int fiducials) {}

    /**
     * Parts of one footprint on one side.
     *
     * @param pinOne where pin 1 lies at 0° as the pack counts, in words; "" when nothing tells
     * @param turn what is added to all of them, degrees
     * @param proposed what would bring them to the shop's zero; null when that is not known
     * @param looked never, now or before: whether somebody looked at them as they lie
     */
    record PlacedKindView(
            String footprint,
            String packageName,
            String side,
            String pinOne,
            double turn,
            Double proposed,
            String looked,
            boolean byHand,
            PolarityView polarity,
            List<PlacedLineView> parts) {}

    /**
     * Which pin of a footprint is told from the others.
     *
     * @param terminal cathode, plus or pin 1
     * @param pin as it is taken; the first part's where they differ
     * @param words who says so
     * @param assumed the parts of which nothing says it, folded; "" for none
     * @param told the maker's own word; null for none
     * @param pins that can be told
     */
    record PolarityView(
            String terminal,
            String pin,
            String words,
            String assumed,
            String told,
            List<String> pins) {}

    /**
     * One part.
     *
     * @param fileDeg its rotation as the pack has it
     * @param outDeg as it goes out
     * @param turn what is added to it alone
     * @param state right, turned or unknown
     * @param turnDeg what would put it right, where it is turned
     * @param why who fits it, and why, in one line
     */
    record PlacedLineView(
            String designator,
            String value,
            double fileDeg,
            double outDeg,
            double turn,
            String state,
            double turnDeg,
            boolean harmless,
            String because,
            boolean fitted,
            boolean house,
            String why) {}

    /** All parts of a footprint, turned to 0°. */
    record KindSheetView(String footprint, long reach, List<TurnedView> parts) {}

    /**
     * One part about its own middle, nm, its rotation taken off, seen from its side.
     *
     * @param pads rings of the mask's openings near it, or of pads
     * @param own which of them are its own, by their place in the list
     */
    record TurnedView(
            String designator,
            String state,
            double turnDeg,
            double rotationDeg,
            List<double[]> pads,
            List<Integer> own,
            List<double[]> silk,
            List<double[]> body,
            Double pin1X,
            Double pin1Y) {}
}
