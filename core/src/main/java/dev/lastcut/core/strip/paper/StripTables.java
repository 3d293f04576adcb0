package dev.lastcut.core.strip.paper;

import dev.lastcut.core.formats.table.TableWriter;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripCopper;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripNets;
import dev.lastcut.core.strip.StripPlan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/** The cuts and links of a layout as tables. Strips and holes are counted from 0. */
public final class StripTables {
    private StripTables() {}

    /** A cut, how it is made, and what it parts. */
    public record Cut(GridHole at, How how, String parts) {}

    /** How copper is parted. */
    public enum How {
        /** The copper round the hole is drilled away. */
        DRILL("drill"),
        /** Cut with a knife between the hole and the next one. */
        KNIFE("knife"),
        /** The board is bought so. */
        AS_BOUGHT("as bought");

        private final String word;

        How(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** All cuts in cutting order: strip by strip, gaps of the board as bought last. */
    public static List<Cut> cuts(StripLayout layout) {
        Map<GridHole, How> all = new TreeMap<>();
        layout.plan().knifeCuts().forEach(c -> all.put(c, How.KNIFE));
        layout.plan().cuts().forEach(c -> all.put(c, How.DRILL));
        StripCopper.gaps(layout.plan(), layout.stock().gaps())
                .forEach(c -> all.put(c, How.AS_BOUGHT));
        List<Cut> cuts = new ArrayList<>();
        StripNets nets = new StripNets(layout);
        all.forEach((at, how) -> cuts.add(new Cut(at, how, parted(nets, at, how))));
        cuts.sort(Comparator.comparing((Cut c) -> c.how() == How.AS_BOUGHT).thenComparing(Cut::at));
        return cuts;
    }

    private static String parted(StripNets nets, GridHole at, How how) {
        String left = net(nets, how == How.KNIFE ? at : at.plus(0, -1));
        String right = net(nets, at.plus(0, 1));
        return left.isEmpty() || right.isEmpty() ? (left + right) : left + " from " + right;
    }

    private static String net(StripNets nets, GridHole at) {
        return nets.at(at).orElse("");
    }

    public static byte[] cutsCsv(StripLayout layout) {
        List<List<String>> rows = new ArrayList<>();
        for (Cut c : cuts(layout)) {
            rows.add(
                    List.of(
                            String.valueOf(c.at().strip()),
                            String.valueOf(c.at().hole()),
                            c.how().word(),
                            c.parts()));
        }
        return TableWriter.csv(List.of("strip", "hole", "how", "parts"), rows);
    }

    public static byte[] linksCsv(StripLayout layout) {
        StripNets nets = new StripNets(layout);
        List<List<String>> rows = new ArrayList<>();
        for (StripPlan.Link l : links(layout.plan())) {
            rows.add(
                    List.of(
                            String.valueOf(l.from().strip()),
                            String.valueOf(l.from().hole()),
                            String.valueOf(l.to().strip()),
                            String.valueOf(l.to().hole()),
                            String.format(Locale.ROOT, "%.1f", l.length() * layout.pitchMm()),
                            net(nets, l.from()),
                            wire(l)));
        }
        return TableWriter.csv(
                List.of(
                        "from_strip",
                        "from_hole",
                        "to_strip",
                        "to_hole",
                        "length_mm",
                        "net",
                        "wire"),
                rows);
    }

    /** A wire that runs slanted over other wires and leads must be insulated. */
    public static String wire(StripPlan.Link link) {
        return link.isStraight() ? "bare" : "insulated";
    }

    /** Links in the order they are soldered: the short ones first. */
    public static List<StripPlan.Link> links(StripPlan plan) {
        return plan.links().stream()
                .sorted(
                        Comparator.comparing((StripPlan.Link l) -> !l.isStraight())
                                .thenComparingDouble(StripPlan.Link::length)
                                .thenComparing(StripPlan.Link::from))
                .toList();
    }

    /** Parts in the order they are soldered: the lowest first. */
    public static List<String> parts(StripLayout layout) {
        List<String> all = new ArrayList<>(layout.plan().parts().keySet());
        all.removeIf(name -> layout.part(name).isEmpty());
        all.sort(
                Comparator.comparingDouble(
                        name ->
                                layout.plan().parts().get(name).standing()
                                        ? STANDING_MM
                                        : layout.part(name)
                                                .flatMap(p -> p.form())
                                                .map(f -> f.heightMm())
                                                .orElse(0.0)));
        return all;
    }

    private static final double STANDING_MM = 9;

    /** The pins of a part with their holes, for people. */
    public static String holes(StripPlan.Placed placed) {
        StringBuilder out = new StringBuilder();
        placed.pins()
                .forEach(
                        (pin, at) ->
                                out.append(out.isEmpty() ? "" : ", ")
                                        .append(pin)
                                        .append(" at ")
                                        .append(at.strip())
                                        .append('/')
                                        .append(at.hole()));
        return out.toString();
    }
}
