package dev.lastcut.core.milling;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A place where a plated hole would join two layers and the mill's board needs a hand: a wire or a
 * rivet, or a lead soldered on both sides.
 *
 * @param diameter of the hole, nm
 * @param pin the part's pin that goes there, such as J1.2; empty for a via
 */
public record HandJoint(Pt at, long diameter, String net, String pin) {
    /** Every such place, those without a lead first. */
    public static List<HandJoint> of(BoardGeometry geometry) {
        Map<Pt, String> pins = new HashMap<>();
        geometry.board()
                .netlist()
                .map(Netlist::points)
                .orElse(List.of())
                .forEach(
                        p -> {
                            if (p.isPin()) {
                                pins.put(onGrid(p.at()), p.component() + "." + p.pin());
                            }
                        });
        List<HandJoint> wires = new ArrayList<>();
        List<HandJoint> leads = new ArrayList<>();
        for (Hole h : geometry.board().holes()) {
            List<Integer> nodes = h.plated() ? geometry.nets().nodesAt(h) : List.of();
            long layers =
                    nodes.stream()
                            .map(n -> geometry.nets().nodes().get(n).layer())
                            .distinct()
                            .count();
            if (layers > 1) {
                int net = geometry.nets().nodes().get(nodes.get(0)).net();
                String pin = pins.getOrDefault(onGrid(h.middle()), "");
                HandJoint joint =
                        new HandJoint(h.middle(), h.diameter(), geometry.netName(net), pin);
                (pin.isEmpty() ? wires : leads).add(joint);
            }
        }
        wires.addAll(leads);
        return wires;
    }

    /** Netlists give places in coarser steps than the drill file. */
    private static Pt onGrid(Pt p) {
        return new Pt(Math.round(p.x() / 50_000.0), Math.round(p.y() / 50_000.0));
    }

    /** As a table: place in mm, hole, net, what to do. */
    public static String csv(List<HandJoint> joints) {
        StringBuilder out = new StringBuilder("x_mm,y_mm,hole_mm,net,work\n");
        for (HandJoint j : joints) {
            out.append(
                    String.format(
                            Locale.ROOT,
                            "%.4f,%.4f,%.3f,\"%s\",%s\n",
                            j.at.x() / 1e6,
                            j.at.y() / 1e6,
                            j.diameter / 1e6,
                            j.net.replace("\"", "\"\""),
                            j.work()));
        }
        return out.toString();
    }

    /** What to do there. */
    public String work() {
        return pin.isEmpty()
                ? "wire or rivet through the hole"
                : "solder the lead of " + pin + " on both sides";
    }
}
