package dev.lastcut.core.kit;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/**
 * A place to hold a probe or solder a wire to.
 *
 * @param pin the pin's name; "" for a point of one pad
 * @param side empty where it is reached from both
 */
public record TestPoint(String designator, String pin, String net, Optional<Side> side, Pt at) {
    /** Points of one pad, and the pins of plugs. */
    public static List<TestPoint> of(BoardGeometry geometry) {
        PartPins pins = PartPins.of(geometry);
        TreeSet<String> names = new TreeSet<>(Designators.ORDER);
        names.addAll(pins.designators());
        List<TestPoint> points = new ArrayList<>();
        List<TestPoint> plugs = new ArrayList<>();
        for (String name : names) {
            boolean point = pins.count(name) == 1;
            if (!point && !PartPins.isPlug(name)) {
                continue;
            }
            TreeSet<String> told = new TreeSet<>(Designators.ORDER);
            pins.of(name).stream()
                    .sorted(Comparator.comparing(Netlist.Point::pin, Designators.ORDER))
                    .filter(p -> !p.net().isEmpty() && told.add(p.pin()))
                    .forEach(
                            p ->
                                    (point ? points : plugs)
                                            .add(
                                                    new TestPoint(
                                                            name,
                                                            point ? "" : p.pin(),
                                                            p.net(),
                                                            p.hole()
                                                                    ? Optional.empty()
                                                                    : p.access(),
                                                            p.at())));
        }
        points.addAll(plugs);
        return points;
    }

    public String name() {
        return pin.isEmpty() ? designator : designator + "." + pin;
    }
}
