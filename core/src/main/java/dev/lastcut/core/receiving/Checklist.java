package dev.lastcut.core.receiving;

import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What is to be checked on boards that came, computed from what was ordered. The tolerances are
 * those houses usually give: 0.2 mm on the outline, a tenth of the thickness, 0.1 mm on holes
 * (common practice, no source).
 */
public final class Checklist {
    private static final double OUTLINE_MM = 0.2;
    private static final double THICKNESS = 0.1;
    private static final double HOLE_MM = 0.1;

    /** What no gauge of a bench enters. */
    private static final double LEAST_GAUGE_MM = 0.5;

    private Checklist() {}

    /**
     * One thing to check.
     *
     * @param id the same for the same thing of the same cut
     * @param expected what is measured or counted; empty for what is only looked at
     * @param tolerance how far off is still right
     * @param unit of both; "" for counts
     * @param xMm a place to look at, with y; empty for none
     */
    public record Item(
            String id,
            String what,
            Optional<Double> expected,
            double tolerance,
            String unit,
            Optional<Double> xMm,
            Optional<Double> yMm) {
        static Item look(String id, String what) {
            return new Item(id, what, Optional.empty(), 0, "", Optional.empty(), Optional.empty());
        }

        static Item measure(String id, String what, double expected, double by, String unit) {
            return new Item(
                    id, what, Optional.of(expected), by, unit, Optional.empty(), Optional.empty());
        }

        /** Whether what was measured is as ordered. */
        public boolean holds(double measured) {
            // What is measured to a hundredth is not off by a rounding step of its own.
            return Math.abs(measured - expected.orElse(measured)) <= tolerance + 1e-9;
        }
    }

    /**
     * What somebody found of an item.
     *
     * @param measured for what is measured or counted
     * @param good for what is looked at
     */
    public record Answer(Optional<Double> measured, Optional<Boolean> good, String note) {
        /** Whether the item is right; empty while nothing is said. */
        public Optional<Boolean> right(Item item) {
            return item.expected().isPresent() ? measured.map(item::holds) : good;
        }
    }

    /** What all answers come to. */
    public record Verdict(int open, List<String> wrong, String words) {
        public boolean isGood() {
            return open == 0 && wrong.isEmpty();
        }
    }

    /** The items of a delivery, in the order one goes through them. */
    public static List<Item> of(Received r) {
        List<Item> all = new ArrayList<>();
        all.add(Item.measure("boards", "Boards that came", r.boards(), 0, ""));
        if (r.widthMm() > 0) {
            all.add(Item.measure("width", "Width", rounded(r.widthMm()), OUTLINE_MM, "mm"));
            all.add(Item.measure("height", "Height", rounded(r.heightMm()), OUTLINE_MM, "mm"));
        }
        if (r.thicknessMm() > 0) {
            all.add(
                    Item.measure(
                            "thickness",
                            "Thickness",
                            r.thicknessMm(),
                            r.thicknessMm() * THICKNESS,
                            "mm"));
        }
        r.options()
                .forEach(
                        (title, value) ->
                                all.add(Item.look("option-" + title, title + ": " + value)));
        holes(r, all);
        if (r.placed() > 0) {
            all.add(Item.measure("parts", "Parts on each board", r.placed(), 0, ""));
            all.add(
                    Item.look(
                            "polarity",
                            "Every diode, plus and pin 1 lies as in the placement; compare with"
                                    + " the footprints laid side by side"));
        }
        for (Received.Accepted a : r.accepted()) {
            all.add(
                    new Item(
                            String.format(Locale.ROOT, "%s-%.3f-%.3f", a.rule(), a.xMm(), a.yMm()),
                            a.message() + " Signed off: " + a.reason(),
                            Optional.empty(),
                            0,
                            "",
                            Optional.of(a.xMm()),
                            Optional.of(a.yMm())));
        }
        all.add(Item.look("clean", "No bare tracks, scratches, residues or shifted mask"));
        return all;
    }

    private static void holes(Received r, List<Item> all) {
        for (Received.Gauge g : r.gauges()) {
            String kind = g.plated() ? "plated" : "unplated";
            String id = String.format(Locale.ROOT, "hole-%.3f-%s", g.diameterMm(), kind);
            if (g.diameterMm() < LEAST_GAUGE_MM) {
                all.add(
                        Item.look(
                                id,
                                String.format(
                                        Locale.ROOT,
                                        "%d %s holes of %s mm are open and where they belong",
                                        g.count(),
                                        kind,
                                        Length.shortMm(g.diameterMm()))));
                continue;
            }
            all.add(
                    Item.measure(
                            id,
                            String.format(
                                    Locale.ROOT,
                                    "%d %s %s of %s mm, by gauge",
                                    g.count(),
                                    kind,
                                    g.count() == 1 ? "hole" : "holes",
                                    Length.shortMm(g.diameterMm())),
                            g.diameterMm(),
                            HOLE_MM,
                            "mm"));
        }
        if (r.slots() > 0) {
            all.add(Item.measure("slots", "Slots", r.slots(), 0, ""));
        }
    }

    private static double rounded(double mm) {
        return Math.round(mm * 100) / 100.0;
    }

    /** What all answers come to; items without one are open. */
    public static Verdict verdict(List<Item> items, Map<String, Answer> answers) {
        int open = 0;
        List<String> wrong = new ArrayList<>();
        for (Item i : items) {
            Optional<Boolean> right =
                    Optional.ofNullable(answers.get(i.id())).flatMap(a -> a.right(i));
            if (right.isEmpty()) {
                open++;
            } else if (!right.get()) {
                wrong.add(i.what());
            }
        }
        String words =
                !wrong.isEmpty()
                        ? "Not as ordered: " + String.join("; ", wrong) + "."
                        : open > 0
                                ? open + " of " + items.size() + " still to check."
                                : "As ordered.";
        return new Verdict(open, List.copyOf(wrong), words);
    }
}
