package dev.lastcut.server.orders;

import dev.lastcut.server.orders.DeskParts.DeskPlaced;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/**
 * A part that a desk would fit otherwise than a cut means it.
 *
 * @param what {@code fitted}, {@code side}, {@code place} or {@code rotation}
 * @param ours what the cut's report says of it
 * @param desk what the desk made of the tables
 */
public record DeskDifference(String designator, String what, String ours, String desk) {
    /** Tables are written to a ten-thousandth of a mm; anything above a hundredth was meant. */
    private static final double SAME_MM = 0.01;

    private static final double SAME_DEG = 0.01;

    /**
     * @param report of the cut; the parts that the house is to fit are compared
     * @param desk what the desk read, null where it fits none
     */
    static List<DeskDifference> between(JsonNode report, DeskParts desk) {
        List<DeskDifference> all = new ArrayList<>();
        if (desk == null) {
            return all;
        }
        Map<String, DeskPlaced> there = new LinkedHashMap<>();
        desk.placed().forEach(p -> there.put(p.designator(), p));
        for (JsonNode part : report.path("parts")) {
            String name = part.path("designator").asString("");
            DeskPlaced d = there.remove(name);
            boolean house = part.path("by").asString("").equals("house");
            if (house && d == null) {
                all.add(fitted(name, "fitted by the house", "not placed"));
            } else if (!house && d != null) {
                all.add(fitted(name, "not fitted by the house", "placed"));
            } else if (d != null) {
                compare(name, part, d, all);
            }
        }
        there.keySet().forEach(name -> all.add(fitted(name, "not on the board", "placed")));
        return all;
    }

    private static DeskDifference fitted(String name, String ours, String desk) {
        return new DeskDifference(name, "fitted", ours, desk);
    }

    private static void compare(
            String name, JsonNode part, DeskPlaced d, List<DeskDifference> all) {
        String side = part.path("side").asString("");
        if (!side.equals(d.side())) {
            all.add(new DeskDifference(name, "side", side, d.side()));
        }
        double x = part.path("x_mm").asDouble();
        double y = part.path("y_mm").asDouble();
        if (Math.hypot(x - d.xMm(), y - d.yMm()) > SAME_MM) {
            all.add(new DeskDifference(name, "place", place(x, y), place(d.xMm(), d.yMm())));
        }
        double deg = part.path("rotation_deg").asDouble();
        double apart = Math.abs(Math.IEEEremainder(deg - d.rotationDeg(), 360));
        if (apart > SAME_DEG) {
            all.add(new DeskDifference(name, "rotation", turn(deg), turn(d.rotationDeg())));
        }
    }

    private static String place(double x, double y) {
        return String.format(Locale.ROOT, "%.2f, %.2f mm", x, y);
    }

    private static String turn(double deg) {
        return String.format(Locale.ROOT, "%.1f°", deg);
    }
}
