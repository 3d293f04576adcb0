package dev.lastcut.core.check;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.PlaceIndex;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;

/**
 * Tells the pads to solder on from vias: by what the file says of them, else by the netlist, else
 * by size (a pad on a plated hole of at most 0.5 mm is a via; common practice, no source). Places
 * may be a step of a coarse file off each other.
 */
public final class Pads {
    private static final long LARGEST_VIA_NM = 500_000;

    /** So many holes of one size make a habit. */
    private static final int FEWEST_TENTED = 3;

    /** Larger filled contours are areas. */
    private static final double LARGEST_PAINTED_NM = 8_000_000;

    private Pads() {}

    /**
     * A pad on an outer layer; {@code part} is empty where nothing names it.
     *
     * @param at its middle
     * @param throughHole true where the netlist or the file says that a lead goes through
     */
    public record Pad(CopperNode node, Pt at, String part, String pin, boolean throughHole) {
        /** "Pad R1.2", or "This pad" where nothing names it. */
        public String words() {
            return part.isEmpty() ? "This pad" : "Pad " + part + "." + pin;
        }

        public List<String> parts() {
            return part.isEmpty() ? List.of() : List.of(part);
        }

        /** Round pads without a hole are what test points and fiducials look like. */
        public boolean isRound() {
            return node.feature() instanceof Feature.Flash f
                    && f.aperture() instanceof Aperture.Circle;
        }

        /** What pads of one kind have in common: aperture or outline, wherever they lie. */
        public Object shape() {
            return shapeOf(node.feature());
        }
    }

    public static List<Pad> on(CheckContext c, Side side) {
        return on(c.geometry(), side);
    }

    public static List<Pad> surface(CheckContext c, Side side) {
        return surface(c.geometry(), side);
    }

    public static List<Integer> vias(CheckContext c) {
        return vias(c.geometry());
    }

    public static double toleranceNm(CheckContext c) {
        return toleranceNm(c.geometry());
    }

    /** The pads of a side, in drawing order. */
    public static List<Pad> on(BoardGeometry g, Side side) {
        record Key(Side side) {}
        return g.once(new Key(side), () -> find(g, side));
    }

    /** The plated holes that no part's lead goes through, by index. */
    public static List<Integer> vias(BoardGeometry g) {
        record Key() {}
        return g.once(new Key(), () -> findVias(g));
    }

    /** Pads that no hole goes through: those to put parts on from above. */
    public static List<Pad> surface(BoardGeometry g, Side side) {
        PlaceIndex<Hole> holes = holes(g);
        return on(g, side).stream().filter(p -> !p.throughHole() && !holes.hasAt(p.at())).toList();
    }

    /** How far places of one pad may differ between files: their steps, and a hair for netlists. */
    public static double toleranceNm(BoardGeometry g) {
        double steps = 0;
        for (SourceFile f : g.board().files()) {
            steps = Math.max(steps, f.stepNm());
        }
        return 20_000 + 2 * steps;
    }

    private static PlaceIndex<Hole> holes(BoardGeometry g) {
        record Key() {}
        return g.once(
                new Key(),
                () -> {
                    PlaceIndex<Hole> all = new PlaceIndex<>(toleranceNm(g));
                    g.board().holes().forEach(h -> all.put(h.middle(), h));
                    return all;
                });
    }

    private static List<Integer> findVias(BoardGeometry g) {
        PlaceIndex<Pad> pads = new PlaceIndex<>(toleranceNm(g));
        for (Side side : Side.values()) {
            on(g, side).forEach(p -> pads.put(p.at(), p));
        }
        List<Integer> vias = new ArrayList<>();
        List<Hole> holes = g.board().holes();
        for (int i = 0; i < holes.size(); i++) {
            Hole h = holes.get(i);
            boolean round = h.plated() && !h.isSlot();
            if (round && !pads.hasAt(h.middle()) && !takesLeads(g, h)) {
                vias.add(i);
            }
        }
        return vias;
    }

    /** A hole for leads by its size and its openings, where nothing names it and no pad is seen. */
    private static boolean takesLeads(BoardGeometry g, Hole h) {
        if (h.diameter() <= LARGEST_VIA_NM) {
            return false;
        }
        for (Side side : Side.values()) {
            Role mask = Role.of(Role.Kind.MASK, side);
            boolean covered =
                    g.board().layer(mask).isPresent() && g.index(mask).at(h.middle()).isEmpty();
            if (covered) {
                return false;
            }
        }
        return true;
    }

    private static List<Pad> find(BoardGeometry g, Side side) {
        int layer = g.copperIndex(side);
        if (layer < 0) {
            return List.of();
        }
        double tolerance = toleranceNm(g);
        PlaceIndex<Netlist.Point> pins = new PlaceIndex<>(tolerance);
        PlaceIndex<Netlist.Point> vias = new PlaceIndex<>(tolerance);
        g.board()
                .netlist()
                .ifPresent(
                        n ->
                                n.points().stream()
                                        // A place that nothing names is a via by its hole.
                                        .filter(p -> isOn(p, side) && (p.isPin() || p.hole()))
                                        .forEach(p -> (p.isPin() ? pins : vias).put(p.at(), p)));
        PlaceIndex<Hole> holes = holes(g);
        Set<Long> tented = tentedSizes(g);
        Map<Object, Integer> painted = paintedShapes(g, layer);
        List<Pad> pads = new ArrayList<>();
        for (CopperNode n : g.nets().nodes()) {
            if (n.layer() != layer) {
                continue;
            }
            Optional<Pt> at = middle(n.feature(), painted);
            if (at.isEmpty()) {
                continue;
            }
            Optional<Netlist.Point> pin = pins.at(at.get());
            boolean via = vias.hasAt(at.get());
            Optional<Hole> hole = holes.at(at.get());
            via |= hole.filter(h -> tented.contains(h.diameter())).isPresent();
            if (isPad(n.feature().attributes(), pin, via, hole)) {
                pads.add(pad(n, at.get(), pin));
            }
        }
        return pads;
    }

    /**
     * Sizes of plated holes of which not one is opened by a mask on either side: tented vias,
     * however large (common practice, no source). What the netlist or the file names as a pin is
     * one still.
     */
    private static Set<Long> tentedSizes(BoardGeometry g) {
        record Key() {}
        return g.once(
                new Key(),
                () -> {
                    Map<Long, Integer> covered = new HashMap<>();
                    Set<Long> open = new HashSet<>();
                    List<PieceIndex> masks = new ArrayList<>();
                    for (Side side : Side.values()) {
                        Role mask = Role.of(Role.Kind.MASK, side);
                        if (g.board().layer(mask).isPresent()) {
                            masks.add(g.index(mask));
                        }
                    }
                    for (Hole h : g.board().holes()) {
                        boolean hidden = masks.stream().allMatch(m -> m.at(h.middle()).isEmpty());
                        if (h.plated() && !h.isSlot() && masks.size() == 2 && hidden) {
                            covered.merge(h.diameter(), 1, Integer::sum);
                        } else {
                            open.add(h.diameter());
                        }
                    }
                    Set<Long> tented = new HashSet<>();
                    covered.forEach(
                            (size, n) -> {
                                if (n >= FEWEST_TENTED && !open.contains(size)) {
                                    tented.add(size);
                                }
                            });
                    return tented;
                });
    }

    private static Pad pad(CopperNode n, Pt at, Optional<Netlist.Point> pin) {
        ObjectAttributes says = n.feature().attributes();
        // Gerber specification, aperture functions: a pad of a through-hole component.
        boolean lead =
                says.function().equalsIgnoreCase("ComponentPad")
                        || pin.filter(Netlist.Point::hole).isPresent();
        String part =
                says.component().isEmpty()
                        ? pin.map(Netlist.Point::component).orElse("")
                        : says.component();
        return new Pad(n, at, part, pin.map(Netlist.Point::pin).orElse(says.pin()), lead);
    }

    private static boolean isOn(Netlist.Point p, Side side) {
        return p.access().isEmpty() || p.access().equals(Optional.of(side));
    }

    /**
     * The middle of a flash, or of a small filled contour that recurs: a painted pad. A lone one is
     * an area that happens to be small.
     */
    private static Optional<Pt> middle(Feature f, Map<Object, Integer> painted) {
        if (f instanceof Feature.Flash x) {
            return Optional.of(x.at());
        }
        if (f instanceof Feature.Region r && painted.getOrDefault(shapeOf(r), 0) > 1) {
            return Optional.of(Pt.of(box(r).centre()));
        }
        return Optional.empty();
    }

    private static Map<Object, Integer> paintedShapes(BoardGeometry g, int layer) {
        Map<Object, Integer> counts = new HashMap<>();
        for (CopperNode n : g.nets().nodes()) {
            if (n.layer() == layer && n.feature() instanceof Feature.Region r && isSmall(r)) {
                counts.merge(shapeOf(r), 1, Integer::sum);
            }
        }
        return counts;
    }

    private static boolean isSmall(Feature.Region r) {
        Envelope e = box(r);
        return r.contours().size() == 1
                && Math.max(e.getWidth(), e.getHeight()) <= LARGEST_PAINTED_NM;
    }

    private static Envelope box(Feature.Region r) {
        Envelope e = new Envelope();
        r.contours().forEach(k -> k.forEach(s -> e.expandToInclude(s.envelope())));
        return e;
    }

    /** Equal for what looks alike: aperture and turn, or size and number of sides to 10 µm. */
    private static Object shapeOf(Feature f) {
        if (f instanceof Feature.Flash x) {
            return List.of(x.aperture(), x.orientation());
        }
        if (f instanceof Feature.Region r) {
            Envelope e = box(r);
            return List.of(
                    Math.round(e.getWidth() / 10_000),
                    Math.round(e.getHeight() / 10_000),
                    r.contours().get(0).size());
        }
        return f;
    }

    private static boolean isPad(
            ObjectAttributes says, Optional<Netlist.Point> pin, boolean via, Optional<Hole> hole) {
        String function = says.function().toLowerCase(Locale.ROOT);
        if (!function.isEmpty()) {
            return function.endsWith("pad") && !function.equals("viapad");
        }
        if (pin.isPresent()) {
            return true;
        }
        boolean small = hole.filter(h -> h.plated() && h.diameter() <= LARGEST_VIA_NM).isPresent();
        return !via && !small;
    }
}
