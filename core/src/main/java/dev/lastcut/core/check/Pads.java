package dev.lastcut.core.check;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Tells the pads to solder on from vias: by what the file says of them, else by the netlist, else
 * by size (a flash on a plated hole of at most 0.5 mm is a via; common practice, no source).
 */
final class Pads {
    private static final long LARGEST_VIA_NM = 500_000;

    private Pads() {}

    /** A pad on an outer layer; {@code part} is empty where nothing names it. */
    record Pad(CopperNode node, Feature.Flash flash, String part, String pin) {}

    static List<Pad> on(CheckContext c, Side side) {
        int layer = c.geometry().copperIndex(side);
        if (layer < 0) {
            return List.of();
        }
        Map<Pt, Netlist.Point> pins = new HashMap<>();
        Set<Pt> vias = new HashSet<>();
        c.board().netlist().ifPresent(n -> n.points().forEach(p -> sort(p, side, pins, vias)));
        Map<Pt, Hole> holes = new HashMap<>();
        c.board().holes().forEach(h -> holes.put(cell(h.middle()), h));
        List<Pad> pads = new ArrayList<>();
        for (CopperNode n : c.geometry().nets().nodes()) {
            if (n.layer() == layer && n.feature() instanceof Feature.Flash f) {
                var at = cell(f.at());
                if (isPad(f, pins.get(at), vias.contains(at), holes.get(at))) {
                    Netlist.Point p = pins.get(at);
                    String part = f.attributes().component();
                    pads.add(
                            new Pad(
                                    n,
                                    f,
                                    part.isEmpty() && p != null ? p.component() : part,
                                    p == null ? f.attributes().pin() : p.pin()));
                }
            }
        }
        return pads;
    }

    private static void sort(
            Netlist.Point p, Side side, Map<Pt, Netlist.Point> pins, Set<Pt> vias) {
        if (p.access().isPresent() && !p.access().equals(Optional.of(side))) {
            return;
        }
        if (p.isPin()) {
            pins.put(cell(p.at()), p);
        } else {
            vias.add(cell(p.at()));
        }
    }

    private static boolean isPad(Feature.Flash f, Netlist.Point pin, boolean via, Hole hole) {
        String function = f.attributes().function().toLowerCase(Locale.ROOT);
        if (!function.isEmpty()) {
            return function.endsWith("pad") && !function.equals("viapad");
        }
        if (pin != null) {
            return true;
        }
        boolean small = hole != null && hole.plated() && hole.diameter() <= LARGEST_VIA_NM;
        return !via && !small;
    }

    /** Netlists round to a micrometre or two; a 20 µm grid is still far finer than any pad. */
    private static Pt cell(Pt p) {
        return new Pt(Math.round(p.x() / 20_000.0), Math.round(p.y() / 20_000.0));
    }
}
