package dev.lastcut.core.strip;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.index.strtree.STRtree;

/** Which bodies of a layout are in each other's way, and what lies under them. */
public final class StripBodies {
    /** Bodies that overlap by twice this touch: nominal sizes are not finer. */
    private static final double TOUCHING_MM = 0.05;

    /** Half the thickness of a lead, mm. */
    private static final double LEAD_MM = 0.3;

    private static final GeometryFactory FACTORY = new GeometryFactory();

    /** Two bodies, or a body and a lead of another part. */
    public record Collision(String a, String b, boolean ofLead) {}

    /** A link that crosses a body. */
    public record OverLink(StripPlan.Link link, String part) {}

    private final StripLayout layout;
    private final Map<String, Geometry> bodies = new TreeMap<>();
    private final STRtree index = new STRtree();

    public StripBodies(StripLayout layout) {
        this.layout = layout;
        for (String name : layout.plan().parts().keySet()) {
            StripBoard.body(layout, name)
                    .ifPresent(
                            b -> {
                                bodies.put(name, b);
                                index.insert(b.getEnvelopeInternal(), name);
                            });
        }
        index.build();
    }

    @SuppressWarnings("unchecked")
    private List<String> near(Geometry g) {
        List<String> names = new ArrayList<String>(index.query(g.getEnvelopeInternal()));
        names.sort(null);
        return names;
    }

    public List<Collision> collisions() {
        List<Collision> all = new ArrayList<>();
        bodies.forEach(
                (name, body) -> {
                    for (String other : near(body)) {
                        if (other.compareTo(name) > 0
                                && body.buffer(-TOUCHING_MM)
                                        .intersects(bodies.get(other).buffer(-TOUCHING_MM))) {
                            all.add(new Collision(name, other, false));
                        }
                    }
                });
        wires(all);
        layout.plan()
                .leads()
                .forEach(
                        (hole, pins) -> {
                            Geometry lead = point(hole).buffer(LEAD_MM);
                            for (String under : near(lead)) {
                                for (StripCircuit.Pin p : pins) {
                                    boolean other = !p.part().equals(under);
                                    Collision c = new Collision(under, p.part(), true);
                                    if (other
                                            && bodies.get(under).intersects(lead)
                                            && !all.contains(c)) {
                                        all.add(c);
                                    }
                                }
                            }
                        });
        return all;
    }

    /** Leads that are bent to their holes and run over other bodies or leads on their way. */
    private void wires(List<Collision> into) {
        Map<GridHole, List<StripCircuit.Pin>> leads = layout.plan().leads();
        layout.plan()
                .parts()
                .forEach(
                        (name, placed) -> {
                            List<GridHole> ends = List.copyOf(placed.pins().values());
                            boolean bent =
                                    layout.part(name)
                                            .flatMap(StripPart::form)
                                            .filter(LeadForm::isBendable)
                                            .isPresent();
                            if (!bent || ends.size() != 2) {
                                return;
                            }
                            Geometry wire = wire(ends.get(0), ends.get(1));
                            for (String other : near(wire)) {
                                if (!other.equals(name)
                                        && bodies.get(other)
                                                .buffer(-TOUCHING_MM)
                                                .intersects(wire)) {
                                    add(into, new Collision(name, other, false));
                                }
                            }
                            leads.forEach(
                                    (hole, pins) -> {
                                        if (wire.distance(point(hole)) < LEAD_MM) {
                                            pins.stream()
                                                    .filter(p -> !p.part().equals(name))
                                                    .forEach(
                                                            p ->
                                                                    add(
                                                                            into,
                                                                            new Collision(
                                                                                    name, p.part(),
                                                                                    true)));
                                        }
                                    });
                        });
    }

    private static void add(List<Collision> into, Collision c) {
        boolean told =
                into.stream()
                        .anyMatch(
                                o ->
                                        (o.a().equals(c.a()) && o.b().equals(c.b()))
                                                || (o.a().equals(c.b()) && o.b().equals(c.a())));
        if (!told) {
            into.add(c);
        }
    }

    public List<OverLink> linksUnderBodies() {
        List<OverLink> all = new ArrayList<>();
        for (StripPlan.Link l : layout.plan().links()) {
            Geometry wire = wire(l.from(), l.to());
            for (String name : near(wire)) {
                if (bodies.get(name).intersects(wire)) {
                    all.add(new OverLink(l, name));
                }
            }
        }
        return all;
    }

    /** Cuts that no longer can be seen from the part side, by the part over them. */
    public Map<String, List<GridHole>> cutsUnderBodies() {
        Map<String, List<GridHole>> all = new TreeMap<>();
        for (GridHole cut : layout.plan().cuts()) {
            for (String name : near(point(cut))) {
                if (bodies.get(name).intersects(point(cut))) {
                    all.computeIfAbsent(name, k -> new ArrayList<>()).add(cut);
                }
            }
        }
        return all;
    }

    /** A lead or a link from hole to hole. */
    private Geometry wire(GridHole from, GridHole to) {
        Coordinate[] ends = {point(from).getCoordinate(), point(to).getCoordinate()};
        return FACTORY.createLineString(ends).buffer(LEAD_MM);
    }

    private Geometry point(GridHole h) {
        return FACTORY.createPoint(
                new Coordinate(h.hole() * layout.pitchMm(), h.strip() * layout.pitchMm()));
    }
}
