package dev.lastcut.server.api;

import java.util.List;
import java.util.Map;

/**
 * The bench kit of a job.
 *
 * @param unplaced parts that are fitted and have no place
 * @param wires holes that need a wire, on a board that is milled
 * @param notes by designator
 * @param done the parts that are ticked on every board
 * @param ticked the parts that are ticked, board by board
 * @param pictured the parts that a picture was dropped to
 */
record KitView(
        int boards,
        List<KitStepView> steps,
        List<GuideLineView> lines,
        String unplaced,
        int wires,
        List<ProbeView> probes,
        Map<String, String> notes,
        List<String> done,
        List<List<String>> ticked,
        List<String> pictured) {
    /**
     * A line of the guide, in order.
     *
     * @param step its place among the steps; null for one of the maker's own
     * @param own what is done there; "" where parts are soldered
     */
    record GuideLineView(Integer step, String own) {}

    /**
     * One step.
     *
     * @param designators folded
     * @param why why it comes then
     * @param spacingMm between the holes of two leads; null for others
     */
    record KitStepView(
            String designators,
            String value,
            String footprint,
            String number,
            String side,
            boolean leads,
            double heightMm,
            Double spacingMm,
            String why,
            String polarity,
            List<ReadingView> colours,
            List<KitPlaceView> places) {}

    /** The bands of a resistor; {@code tolerancePercent} is 0 where the value says it. */
    record ReadingView(List<BandView> bands, String words, double tolerancePercent) {}

    /** One band; {@code ink} is a colour of CSS. */
    record BandView(String word, String ink) {}

    /** Where a part stands, nm; the pad to start on and the pin of its polarity may be null. */
    record KitPlaceView(
            String designator,
            long x,
            long y,
            Long startX,
            Long startY,
            String startPin,
            Long markX,
            Long markY) {}

    /** A place to hold a probe to; {@code side} is "" where it is reached from both. */
    record ProbeView(String name, String designator, String net, String side, long x, long y) {}
}
