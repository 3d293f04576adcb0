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
public final class Pads {
    private static final long LARGEST_VIA_NM = 500_000;

    private Pads() {}

    /**
     * A pad on an outer layer; {@code part} is empty where nothing names it.
     *
     * @param throughHole true where the netlist or the file says that a lead goes through
     */
    public record Pad(
            CopperNode node, Feature.Flash flash, String part, String pin, boolean throughHole) {
        /** "Pad R1.2", or "This pad" where nothing names it. */
        public String words() {
            return part.isEmpty() ? "This pad" : "Pad " + part + "." + pin;
        }

        public List<String> parts() {
            return part.isEmpty() ? List.of() : List.of(part);
        }
    }

    /** The pads of a side, in drawing order. */
    public static List<Pad> on(CheckContext c, Side side) {
        record Key(Side side) {}
        return c.geometry().once(new Key(side), () -> find(c, side));
    }

    /** The plated holes that no part's lead goes through, by index. */
    public static List<Integer> vias(CheckContext c) {
        record Key() {}
        return c.geometry().once(new Key(), () -> findVias(c));
    }

    /** Pads that no hole goes through: those to put parts on from above. */
    public static List<Pad> surface(CheckContext c, Side side) {
        Set<Pt> drilled = new HashSet<>();
        c.board().holes().forEach(h -> drilled.add(cell(h.middle())));
        return on(c, side).stream()
                .filter(p -> !drilled.contains(cell(p.flash().at())) && !p.throughHole())
                .toList();
    }

    private static List<Integer> findVias(CheckContext c) {
        Set<Pt> pads = new HashSet<>();
        for (Side side : Side.values()) {
            on(c, side).forEach(p -> pads.add(cell(p.flash().at())));
        }
        List<Integer> vias = new ArrayList<>();
        List<Hole> holes = c.board().holes();
        for (int i = 0; i < holes.size(); i++) {
            Hole h = holes.get(i);
            if (h.plated() && !h.isSlot() && !pads.contains(cell(h.middle()))) {
                vias.add(i);
            }
        }
        return vias;
    }

    private static List<Pad> find(CheckContext c, Side side) {
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
                                    p == null ? f.attributes().pin() : p.pin(),
                                    isThroughHole(f, p)));
                }
            }
        }
        return pads;
    }

    private static boolean isThroughHole(Feature.Flash f, Netlist.Point p) {
        // Gerber specification, aperture functions: a pad of a through-hole component.
        return f.attributes().function().equalsIgnoreCase("ComponentPad")
                || (p != null && p.hole());
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
    public static Pt cell(Pt p) {
        return new Pt(Math.round(p.x() / 20_000.0), Math.round(p.y() / 20_000.0));
    }
}
