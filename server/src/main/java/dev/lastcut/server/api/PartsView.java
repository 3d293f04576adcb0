package dev.lastcut.server.api;

import java.util.List;
import java.util.Map;

/**
 * The parts of a job as they are built, for the station. Amounts of money are in {@code currency}.
 *
 * @param built the variant that is built; "" for the base
 * @param kinds the fitted parts by kind
 * @param off those that are left off, by kind
 * @param differences in what the variants differ, alike differences together
 * @param newer how many known parts the counter tells otherwise by now
 */
record PartsView(
        boolean hasList,
        boolean hasPlacement,
        String built,
        List<String> variants,
        int boards,
        String currency,
        List<KindView> kinds,
        List<KindView> off,
        List<PlacedView> parts,
        List<DifferenceView> differences,
        LimitsView limits,
        CostView cost,
        List<HintView> hints,
        CounterView counter,
        Map<String, List<String>> needs,
        int newer) {

    /**
     * One kind of part.
     *
     * @param designators folded
     * @param words its value in usual form
     * @param read false when nobody can read the value
     * @param known null while the part is not known
     * @param proposed the number that is sure to be meant; "" for none
     * @param candidates how many parts of the counter can be meant
     * @param handChosen how many of them the maker chose to solder
     * @param fittedBy who fits them and why, alike ones together; empty without a shop
     */
    record KindView(
            String designators,
            List<String> names,
            int quantity,
            String value,
            String words,
            boolean read,
            String footprint,
            String packageName,
            String maker,
            String number,
            String description,
            KnownView known,
            String proposed,
            int candidates,
            List<String> troubles,
            List<FittedByView> fittedBy,
            int handChosen) {}

    /** Who fits some parts of a line: house, hand or nobody; why, which, and how many. */
    record FittedByView(String by, String why, String designators, int count) {}

    /** What the ticket knows of a part. */
    record KnownView(
            String number,
            String maker,
            String description,
            long stock,
            boolean lineStock,
            String life,
            Double price,
            String asOf) {}

    /**
     * A placed part; pin 1 is null when no netlist tells where it is.
     *
     * @param footprints those it is placed with, of which one can be fitted
     * @param outline the corners of its body, x and y in turn
     */
    record PlacedView(
            String designator,
            String value,
            String footprint,
            long x,
            long y,
            double rotationDeg,
            String side,
            boolean fitted,
            Long pin1X,
            Long pin1Y,
            List<String> footprints,
            List<Long> outline) {}

    /**
     * Parts that differ alike.
     *
     * @param cells one for the base and one for each variant, in their order
     */
    record DifferenceView(String designators, List<String> names, List<CellView> cells) {}

    /** What a variant has other than the base; "" for what is the same. */
    record CellView(boolean fitted, String value, String number, String footprint) {}

    /**
     * How much of what the shop takes is used; null where it sets no limit.
     *
     * @param shop that fits parts; "" where none does
     * @param bare why none does; "" where one does
     */
    record LimitsView(
            String shop,
            String bare,
            int lines,
            Integer mostLines,
            int placements,
            Integer mostPlacements,
            int loaded,
            Integer mostLoaded,
            Integer perLine) {}

    /** Sums, and their items, the dearest first. */
    record CostView(double batch, double perBoard, List<ItemView> items, List<String> unpriced) {}

    /** One amount: for parts, loading, fitting or setup. */
    record ItemView(String what, String designators, long pieces, double each, double amount) {}

    /**
     * What could be chosen otherwise.
     *
     * @param saves null when no price tells
     * @param take what is chosen then; empty when the board must change
     */
    record HintView(
            String kind,
            String words,
            Double saves,
            Map<String, PartsController.FittingView> take) {}

    /**
     * How the counter stands.
     *
     * @param asOf when it answered first of what is shown; "" when it never did
     * @param fault what is wrong; "" when it answered last
     * @param unasked kinds it was not asked about
     */
    record CounterView(String asOf, String fault, int unasked) {}
}
