package dev.lastcut.core.stencil.openings;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetReference;
import dev.lastcut.core.connectivity.PadBox;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.stencil.HomePlate;
import dev.lastcut.core.stencil.Shaping;
import dev.lastcut.core.stencil.StencilPlan;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * The stencil of one side as it will be cut.
 *
 * @param fromPads whether its openings are made of pads, the pack having no paste picture
 * @param without the parts whose openings are left out
 * @param remarks sentences on what could not be done
 */
public record Stencil(
        Side side,
        List<StencilOpening> openings,
        boolean fromPads,
        Set<String> without,
        List<String> remarks) {
    private static final Shaper FINEST = new Shaper(Flattener.FINEST);

    private static final double AMONG_NM = 50_000;

    /** A pad of which only the place is known is taken as wide as this. */
    private static final double NARROW_NM = 100_000;

    /** The stencils of the sides that have openings, the top first. */
    public static Map<Side, Stencil> of(
            BoardGeometry geometry, StencilPlan plan, List<Part> parts) {
        boolean drawn =
                geometry.board().layers().stream()
                        .anyMatch(
                                l -> l.role().kind() == Role.Kind.PASTE && !l.features().isEmpty());
        Map<Side, Stencil> all = new LinkedHashMap<>();
        for (Side side : Side.values()) {
            Stencil s = new Maker(geometry, plan, parts, side).make(!drawn);
            if (!s.openings.isEmpty()) {
                all.put(side, s);
            }
        }
        return all;
    }

    public Role role() {
        return Role.of(Role.Kind.PASTE, side);
    }

    /** What is cut out, nm. */
    public Geometry area() {
        return Geo.union(openings.stream().map(StencilOpening::after).toList());
    }

    public List<StencilOpening> cut() {
        return openings.stream().filter(o -> !o.isLeftOut()).toList();
    }

    /** Whether it is the paste picture as it was drawn. */
    public boolean isAsDrawn() {
        return !fromPads && openings.stream().noneMatch(StencilOpening::isChanged);
    }

    /**
     * The picture of it: what is not changed is drawn as it was, the rest by its outline.
     *
     * @param drawn the paste picture of the board, if it has one
     */
    public Layer layer(Optional<Layer> drawn) {
        if (isAsDrawn()) {
            return drawn.orElseThrow();
        }
        // What is cleared belongs to what stays as much as to what goes.
        boolean clears =
                drawn.isPresent() && drawn.get().features().stream().anyMatch(f -> !f.dark());
        boolean shaped = openings.stream().anyMatch(o -> o.isChanged() && !o.isLeftOut());
        List<Feature> features = new ArrayList<>();
        if (!clears || !shaped) {
            Set<Feature> kept = Collections.newSetFromMap(new IdentityHashMap<>());
            openings.stream().filter(o -> !o.isChanged()).forEach(o -> kept.addAll(o.drawn()));
            drawn.ifPresent(
                    l ->
                            l.features().stream()
                                    .filter(f -> !f.dark() || kept.contains(f))
                                    .forEach(features::add));
        }
        for (StencilOpening o : openings) {
            if (o.isChanged() || (clears && shaped) || fromPads) {
                features.addAll(drawn(o.after()));
            }
        }
        return new Layer(role(), drawn.map(Layer::file).orElse("stencil of the pads"), features);
    }

    /** Areas as filled contours, their holes cleared after them. */
    public static List<Feature> drawn(Geometry areas) {
        List<Feature> all = new ArrayList<>();
        Geo.eachPolygon(
                areas,
                p -> {
                    all.add(region(p.getExteriorRing(), true));
                    for (int i = 0; i < p.getNumInteriorRing(); i++) {
                        all.add(region(p.getInteriorRingN(i), false));
                    }
                });
        return all;
    }

    private static Feature region(LineString ring, boolean dark) {
        List<Segment> sides = new ArrayList<>();
        Coordinate[] c = ring.getCoordinates();
        for (int i = 1; i < c.length; i++) {
            Pt from = Pt.of(c[i - 1]);
            Pt to = Pt.of(c[i]);
            if (!from.equals(to)) {
                sides.add(new Segment.Line(from, to));
            }
        }
        return new Feature.Region(List.of(sides), dark, 0, ObjectAttributes.NONE);
    }

    /** Makes the stencil of a side. */
    private static final class Maker {
        private final BoardGeometry geometry;
        private final StencilPlan plan;
        private final Side side;
        private final Map<String, Part> parts = new HashMap<>();
        private final PartPins pins;
        private final STRtree pads = new STRtree();
        private final STRtree reaches = new STRtree();
        private final TreeSet<String> without = new TreeSet<>(Designators.ORDER);
        private final Map<String, List<String>> refused = new TreeMap<>();

        Maker(BoardGeometry geometry, StencilPlan plan, List<Part> all, Side side) {
            this.geometry = geometry;
            this.plan = plan;
            this.side = side;
            this.pins = PartPins.of(geometry);
            all.forEach(p -> parts.put(p.designator(), p));
            for (NetReference.Anchor a :
                    geometry.reference().map(NetReference::anchors).orElse(List.of())) {
                Optional<Side> access = a.point().access();
                if (a.point().isPin() && (access.isEmpty() || access.get() == side)) {
                    pads.insert(box(a), a.point());
                }
            }
            for (String d : pins.designators()) {
                Envelope reach = pins.box(d);
                reach.expandBy(AMONG_NM);
                if (pins.side(d).filter(s -> s == side).isPresent()) {
                    reaches.insert(reach, d);
                }
            }
        }

        /** Among whose pins a place lies: of several parts the smallest. */
        private Optional<String> among(Coordinate middle) {
            String found = null;
            double least = Double.MAX_VALUE;
            for (Object o : reaches.query(new Envelope(middle))) {
                double area = pins.box((String) o).getArea();
                if (area < least) {
                    least = area;
                    found = (String) o;
                }
            }
            return Optional.ofNullable(found);
        }

        private Envelope box(NetReference.Anchor a) {
            return PadBox.of(geometry, a)
                    .orElseGet(
                            () -> {
                                Envelope place = new Envelope(a.point().at().coordinate());
                                place.expandBy(NARROW_NM / 2);
                                return place;
                            });
        }

        Stencil make(boolean fromPads) {
            List<StencilOpening> all = new ArrayList<>();
            if (fromPads) {
                for (BarePad pad : BarePad.of(geometry, side)) {
                    Geometry g = pad.area();
                    all.add(
                            opening(
                                    List.of(),
                                    g,
                                    Optional.of(pad.part()).filter(p -> !p.isEmpty())));
                }
            } else {
                Role role = Role.of(Role.Kind.PASTE, side);
                for (List<Piece> group : geometry.index(role).touching(p -> true)) {
                    List<Feature> drawn = group.stream().map(Piece::feature).distinct().toList();
                    Geometry g =
                            group.size() == 1
                                    ? group.get(0).shape(FINEST)
                                    : Geo.union(group.stream().map(Piece::polygon).toList());
                    all.add(opening(drawn, g, partAt(g.getEnvelopeInternal().centre())));
                }
            }
            List<String> remarks = new ArrayList<>();
            refused.forEach(
                    (why, where) ->
                            remarks.add(
                                    why
                                            + ": "
                                            + where.size()
                                            + (where.size() == 1
                                                    ? " opening stays as it was, "
                                                    : " openings stay as they were, the first ")
                                            + where.get(0)
                                            + "."));
            if (fromPads && !all.isEmpty()) {
                remarks.add(
                        "The pack has no paste picture, so the openings of the "
                                + side.word()
                                + " are its surface pads.");
            }
            if (plan.leaveOutUnfitted()
                    && geometry.reference().isEmpty()
                    && parts.values().stream().anyMatch(p -> !p.fitted())) {
                remarks.add(
                        "No netlist tells which pads are whose, so the stencil has openings for"
                                + " parts that are left off too.");
            }
            return new Stencil(side, List.copyOf(all), fromPads, without, List.copyOf(remarks));
        }

        private Optional<String> partAt(Coordinate middle) {
            for (Object o : pads.query(new Envelope(middle))) {
                return Optional.of(((Netlist.Point) o).component());
            }
            // Pads of pins that go nowhere have no name; they lie among the others.
            return among(middle);
        }

        private StencilOpening opening(
                List<Feature> drawn, Geometry before, Optional<String> designator) {
            Optional<Part> part = designator.map(parts::get);
            String name = designator.orElse("");
            String footprint =
                    part.map(p -> p.placed().map(at -> at.footprint()).orElse(p.footprint()))
                            .orElse("");
            if (plan.leaveOutUnfitted() && part.isPresent() && !part.get().fitted()) {
                without.add(name);
                return new StencilOpening(drawn, before, Geo.empty(), name, footprint, "");
            }
            Shaping how = plan.of(footprint);
            OpeningShaper shaper = new OpeningShaper(how);
            Geometry after = shaper.shape(before, inward(how, before, part, footprint));
            if (!shaper.refused().isEmpty()) {
                refused.computeIfAbsent(shaper.refused(), k -> new ArrayList<>())
                        .add(
                                name.isEmpty()
                                        ? "at " + Pt.of(before.getEnvelopeInternal().centre())
                                        : "of " + name);
            }
            return new StencilOpening(drawn, before, after, name, footprint, shaper.refused());
        }

        /** The way from a pad to the middle of its part, for parts of two pads. */
        private Optional<Coordinate> inward(
                Shaping how, Geometry opening, Optional<Part> part, String footprint) {
            Optional<HomePlate> plate = how.homePlate();
            if (plate.isEmpty() || part.isEmpty() || pins.count(part.get().designator()) != 2) {
                return Optional.empty();
            }
            Set<String> only = plate.get().packages();
            boolean meant =
                    only.isEmpty()
                            || only.contains(footprint)
                            || only.contains(part.get().packageName());
            Coordinate from = opening.getEnvelopeInternal().centre();
            Coordinate to = pins.box(part.get().designator()).centre();
            double far = from.distance(to);
            return meant && far > 0
                    ? Optional.of(new Coordinate((to.x - from.x) / far, (to.y - from.y) / far))
                    : Optional.empty();
        }
    }
}
