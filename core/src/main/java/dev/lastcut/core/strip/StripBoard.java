package dev.lastcut.core.strip;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/**
 * A layout as a board with pictures: the strips as copper on the bottom, links as wires on top with
 * plated holes at their ends, bodies as silk. What looks at boards, from the light table to the
 * nets under the pointer, then needs to know nothing of strip board.
 */
public final class StripBoard {
    /** Copper is missing between two strips, and at a knife's cut. */
    private static final double GAP_MM = 0.5;

    private static final double WIRE_MM = 0.6;
    private static final double LINE_MM = 0.15;
    private static final String SOURCE = "strip/plan.json";

    private final StripLayout layout;
    private final StripCopper copper;
    private final long pitch;

    private StripBoard(StripLayout layout) {
        this.layout = layout;
        copper = layout.copper();
        pitch = layout.terms().pitchNm();
    }

    /**
     * @param read the board of the pack, for its tables
     */
    public static BoardGeometry of(Board read, StripLayout layout) {
        return layout.attachTo(new BoardGeometry(new StripBoard(layout).board(read)));
    }

    private Board board(Board read) {
        List<Feature> edge = edge();
        List<Layer> layers = new ArrayList<>();
        List<List<StripPlan.Link>> heights = heights();
        layers.add(new Layer(Role.of(Role.Kind.COPPER, Side.TOP), SOURCE, wires(heights.get(0))));
        for (int i = 1; i < heights.size(); i++) {
            layers.add(new Layer(Role.innerCopper(i), SOURCE, wires(heights.get(i))));
        }
        layers.add(new Layer(Role.of(Role.Kind.COPPER, Side.BOTTOM), SOURCE, strips()));
        layers.add(new Layer(Role.of(Role.Kind.SILK, Side.TOP), SOURCE, bodies()));
        layers.add(new Layer(Role.OUTLINE, SOURCE, edge));
        return new Board(
                read.files(),
                layers,
                Optional.of(OutlineBuilder.build(edge)),
                holes(),
                Optional.of(netlist()),
                Optional.of(read.parts().orElseGet(this::listed)),
                Optional.of(placed()),
                read.connections(),
                read.problems());
    }

    private List<Feature> edge() {
        StripPlan plan = layout.plan();
        long half = pitch / 2;
        return rectangle(
                -half,
                -half,
                (plan.holes() - 1) * pitch + half,
                (plan.strips() - 1) * pitch + half);
    }

    private static List<Feature> rectangle(long minX, long minY, long maxX, long maxY) {
        List<Feature> lines = new ArrayList<>();
        for (Segment s : ring(minX, minY, maxX, maxY)) {
            lines.add(stroke(s, LINE_MM));
        }
        return lines;
    }

    private static List<Segment> ring(long minX, long minY, long maxX, long maxY) {
        Pt a = new Pt(minX, minY);
        Pt b = new Pt(maxX, minY);
        Pt c = new Pt(maxX, maxY);
        Pt d = new Pt(minX, maxY);
        return List.of(
                new Segment.Line(a, b),
                new Segment.Line(b, c),
                new Segment.Line(c, d),
                new Segment.Line(d, a));
    }

    private static Feature stroke(Segment path, double widthMm) {
        return new Feature.Stroke(
                new Aperture.Circle(Length.mm(widthMm), 0),
                path,
                Orientation.NONE,
                true,
                0,
                ObjectAttributes.NONE);
    }

    private List<Feature> strips() {
        List<Feature> all = new ArrayList<>();
        long half = pitch / 2;
        long gap = Length.mm(GAP_MM / 2);
        for (StripCopper.StripPiece p : copper.pieces()) {
            Pt first = layout.at(new GridHole(p.strip(), p.first()));
            Pt last = layout.at(new GridHole(p.strip(), p.last()));
            List<Segment> ring =
                    ring(
                            first.x() - half + gap,
                            first.y() - half + gap,
                            last.x() + half - gap,
                            last.y() + half - gap);
            all.add(new Feature.Region(List.of(ring), true, 0, ObjectAttributes.NONE));
        }
        return all;
    }

    /**
     * The wires, parted so that none crosses another: insulated ones that cross are drawn on layers
     * of their own, for on one they would be joined.
     */
    private List<List<StripPlan.Link>> heights() {
        List<List<StripPlan.Link>> all = new ArrayList<>();
        all.add(new ArrayList<>());
        List<StripPlan.Link> bareFirst = new ArrayList<>(layout.plan().links());
        bareFirst.sort(Comparator.comparing(l -> !l.isStraight()));
        for (StripPlan.Link l : bareFirst) {
            int at = 0;
            // Bare wires that touch are joined, and are shown so.
            while (!l.isStraight()
                    && at < all.size()
                    && all.get(at).stream().anyMatch(o -> Wires.meet(l, o))) {
                at++;
            }
            if (at == all.size()) {
                all.add(new ArrayList<>());
            }
            all.get(at).add(l);
        }
        return all;
    }

    private List<Feature> wires(List<StripPlan.Link> links) {
        List<Feature> all = new ArrayList<>();
        for (StripPlan.Link l : links) {
            all.add(stroke(new Segment.Line(layout.at(l.from()), layout.at(l.to())), WIRE_MM));
        }
        return all;
    }

    private List<Hole> holes() {
        StripPlan plan = layout.plan();
        Set<GridHole> ends = plan.linkEnds();
        List<Hole> all = new ArrayList<>();
        for (int s = 0; s < plan.strips(); s++) {
            for (int h = 0; h < plan.holes(); h++) {
                GridHole hole = new GridHole(s, h);
                Pt at = layout.at(hole);
                boolean soldered = ends.contains(hole);
                all.add(new Hole(at, at, layout.terms().holeNm(), soldered, SOURCE, 0));
            }
        }
        return all;
    }

    /** Outlines of the bodies, in the board's coordinates. */
    public static Optional<Geometry> body(StripLayout layout, String designator) {
        StripPlan.Placed placed = layout.plan().parts().get(designator);
        if (placed == null) {
            return Optional.empty();
        }
        return layout.part(designator).flatMap(p -> BodyBox.of(p, placed, layout.pitchMm()));
    }

    private List<Feature> bodies() {
        List<Feature> all = new ArrayList<>();
        for (String name : layout.plan().parts().keySet()) {
            body(layout, name)
                    .ifPresent(
                            b -> {
                                Coordinate[] ring = b.getCoordinates();
                                for (int i = 0; i + 1 < ring.length; i++) {
                                    all.add(
                                            stroke(
                                                    new Segment.Line(
                                                            place(ring[i]), place(ring[i + 1])),
                                                    LINE_MM));
                                }
                            });
        }
        return all;
    }

    /** From mm of {@link BodyBox} to the board's coordinates. */
    private Pt place(Coordinate c) {
        return new Pt(Length.mm(c.x), (layout.plan().strips() - 1L) * pitch - Length.mm(c.y));
    }

    private Netlist netlist() {
        List<Netlist.Point> points = new ArrayList<>();
        layout.circuit()
                .nets()
                .forEach(
                        (net, pins) -> {
                            for (StripCircuit.Pin p : pins) {
                                StripPlan.Placed placed = layout.plan().parts().get(p.part());
                                GridHole h = placed == null ? null : placed.pins().get(p.pin());
                                if (h != null) {
                                    points.add(
                                            new Netlist.Point(
                                                    net,
                                                    p.part(),
                                                    p.pin(),
                                                    layout.at(h),
                                                    Optional.of(Side.BOTTOM),
                                                    true));
                                }
                            }
                        });
        return new Netlist(SOURCE, points);
    }

    /** A bill of what the connections name, where the pack has no parts list. */
    private List<ListedPart> listed() {
        List<ListedPart> all = new ArrayList<>();
        for (StripPart p : layout.circuit().parts().values()) {
            String form = p.form().map(LeadForm::name).orElse("");
            all.add(
                    new ListedPart(
                            p.designator(), p.value(), form, "", "", "", true, all.size() + 1));
        }
        return all;
    }

    private List<PlacedPart> placed() {
        List<PlacedPart> all = new ArrayList<>();
        for (String name : layout.plan().parts().keySet()) {
            Optional<StripPart> part = layout.part(name);
            Optional<Geometry> body = body(layout, name);
            if (part.isPresent() && body.isPresent()) {
                Pt at = place(body.get().getEnvelopeInternal().centre());
                all.add(
                        new PlacedPart(
                                name,
                                part.get().value(),
                                part.get().footprint(),
                                at,
                                0,
                                Side.TOP,
                                all.size() + 1));
            }
        }
        return all;
    }
}
