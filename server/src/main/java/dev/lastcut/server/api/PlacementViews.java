package dev.lastcut.server.api;

import dev.lastcut.core.assembly.PackageName;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assignment.Assignment;
import dev.lastcut.core.assignment.Assignment.By;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.Assembly.ZeroOrientation;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.placement.Fiducials;
import dev.lastcut.core.placement.PartPolarity;
import dev.lastcut.core.placement.Polarities;
import dev.lastcut.core.placement.TurnJudge;
import dev.lastcut.core.placement.UnrotatedPins;
import dev.lastcut.core.placement.Verdict;
import dev.lastcut.core.placement.ZeroTurn;
import dev.lastcut.core.ticket.Ticket;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** Puts the placement of a job together for the station. */
final class PlacementViews {
    /** About a part as far as its pads reach, and this share more. */
    private static final double MARGIN = 1.6;

    private static final double LEAST_REACH_NM = 1_200_000;

    private static final double AMONG_NM = 50_000;

    /** More of a footprint are not laid side by side: nobody looks at them. */
    private static final int MOST = 600;

    private final BoardGeometry geometry;
    private final PartsPlan plan;
    private final Optional<CapabilitySheet> sheet;
    private final Order order;
    private final Optional<Assignments> who;
    private final List<Part> parts;
    private final PartPins pins;
    private final Polarities polarities;
    private final List<Verdict> verdicts;

    PlacementViews(BoardGeometry geometry, Ticket ticket, Optional<CapabilitySheet> sheet) {
        this.geometry = geometry;
        this.plan = ticket.parts();
        this.sheet = sheet;
        this.order = ticket.order();
        this.who = sheet.map(s -> Assignments.of(geometry, s, ticket.order(), ticket.parts()));
        this.parts = Population.of(geometry.board(), plan.variants());
        this.pins = PartPins.of(geometry);
        this.polarities = Polarities.of(geometry, plan);
        this.verdicts = TurnJudge.of(geometry, parts, plan.turns());
    }

    private record Group(String footprint, Side side) {}

    PlacementView view() {
        Map<Group, List<Verdict>> groups = new LinkedHashMap<>();
        for (Verdict v : verdicts) {
            PlacedPart at = v.part().placed().orElseThrow();
            groups.computeIfAbsent(
                            new Group(v.part().standsOn(), at.side()), k -> new ArrayList<>())
                    .add(v);
        }
        Optional<Assembly> assembly = sheet.flatMap(CapabilitySheet::assembly);
        OptionalInt most =
                assembly.map(a -> a.counts().placementLines()).orElse(OptionalInt.empty());
        return new PlacementView(
                geometry.board().placements().isPresent(),
                sheet.map(CapabilitySheet::name).orElse(""),
                who.filter(Assignments::isOrdered).isPresent(),
                sheet.map(s -> Assignments.whyBare(s, order)).orElse(""),
                assembly.flatMap(Assembly::zeroOrientation).map(ZeroOrientation::corner).orElse(""),
                who.map(w -> PlacementTable.fitted(w.listed()).size()).orElse(0),
                most.isPresent() ? most.getAsInt() : null,
                List.of(side(Side.TOP), side(Side.BOTTOM)),
                groups.entrySet().stream().map(e -> group(e.getKey(), e.getValue())).toList());
    }

    private boolean house(Part p) {
        return who.flatMap(w -> w.of(p.designator())).filter(a -> a.by() == By.HOUSE).isPresent();
    }

    private PlacementView.PlacedSideView side(Side side) {
        List<Part> there =
                PlacementTable.fitted(parts).stream()
                        .filter(p -> p.placed().orElseThrow().side() == side)
                        .toList();
        int house = (int) there.stream().filter(this::house).count();
        boolean fits = sheet.map(s -> s.fittedSides(order).contains(side)).orElse(false);
        return new PlacementView.PlacedSideView(
                side.word(),
                fits,
                plan.byHand().sides().contains(side),
                house,
                there.size() - house,
                Fiducials.on(geometry, side).size());
    }

    private PlacementView.PlacedKindView group(Group g, List<Verdict> members) {
        Optional<UnrotatedPins> first =
                members.stream()
                        .filter(v -> v.state() != Verdict.State.TURNED)
                        .flatMap(v -> back(v.part()).stream())
                        .findFirst();
        String name = PackageName.of(g.footprint);
        double turn = plan.turns().ofPackage(members.get(0).part());
        OptionalDouble proposed =
                sheet.flatMap(CapabilitySheet::assembly)
                        .flatMap(Assembly::zeroOrientation)
                        .map(
                                z ->
                                        first.map(t -> ZeroTurn.added(z, t))
                                                .orElse(OptionalDouble.empty()))
                        .orElse(OptionalDouble.empty());
        return new PlacementView.PlacedKindView(
                g.footprint,
                name,
                g.side.word(),
                first.flatMap(ZeroTurn::pinOne).orElse(""),
                turn,
                proposed.isPresent() ? proposed.getAsDouble() : null,
                looked(g, members),
                plan.byHand().packages().contains(g.footprint)
                        || plan.byHand().packages().contains(name),
                polarity(members),
                members.stream().map(this::line).toList());
    }

    /** Null for parts that may stand either way, and for plugs, whose pin 1 is named. */
    private PlacementView.PolarityView polarity(List<Verdict> members) {
        Part first = null;
        PartPolarity taken = null;
        List<String> assumed = new ArrayList<>();
        for (Verdict v : members) {
            Optional<PartPolarity> p =
                    polarities
                            .of(v.part())
                            .filter(x -> x.terminal() != PartPolarity.Terminal.PIN_ONE);
            if (p.isPresent() && taken == null) {
                first = v.part();
                taken = p.get();
            }
            if (p.filter(PartPolarity::isAssumed).isPresent()) {
                assumed.add(v.part().designator());
            }
        }
        if (taken == null) {
            return null;
        }
        List<String> names =
                pins.of(first.designator()).stream().map(Netlist.Point::pin).distinct().toList();
        return new PlacementView.PolarityView(
                taken.terminal().word(),
                taken.pin(),
                taken.source().words(),
                Designators.fold(assumed),
                plan.polarity().get(first.standsOn()),
                names.isEmpty() ? List.of("1", "2") : names);
    }

    private Optional<UnrotatedPins> back(Part p) {
        return UnrotatedPins.of(p, rotation(p), pins.of(p.designator()));
    }

    private double rotation(Part p) {
        return p.placed().orElseThrow().rotationDeg() + plan.turns().ofPart(p.designator());
    }

    private PlacementView.PlacedLineView line(Verdict v) {
        Part p = v.part();
        return new PlacementView.PlacedLineView(
                p.designator(),
                p.value(),
                p.placed().orElseThrow().rotationDeg(),
                plan.turns().rotationDeg(p),
                plan.turns().ofPart(p.designator()),
                state(v),
                v.turnDeg(),
                v.harmless(),
                v.because(),
                p.fitted(),
                house(p),
                who.flatMap(w -> w.of(p.designator())).map(Assignment::why).orElse(""));
    }

    private static String state(Verdict v) {
        return v.state().name().toLowerCase(Locale.ROOT);
    }

    static String lookedKey(String footprint, Side side) {
        return footprint + ", " + side.word();
    }

    private String looked(Group g, List<Verdict> members) {
        String then = plan.looked().get(lookedKey(g.footprint, g.side));
        if (then == null) {
            return "never";
        }
        return then.equals(lies(members)) ? "now" : "before";
    }

    /** How the parts of a footprint lie, so that a sign-off lapses when they lie otherwise. */
    String asTheyLie(String footprint, Side side) {
        return lies(
                verdicts.stream()
                        .filter(v -> v.part().standsOn().equals(footprint))
                        .filter(v -> v.part().placed().orElseThrow().side() == side)
                        .toList());
    }

    private String lies(List<Verdict> members) {
        return members.stream()
                .map(v -> v.part().designator() + " " + plan.turns().rotationDeg(v.part()))
                .collect(Collectors.joining("; "));
    }

    PlacementView.KindSheetView sheet(String footprint, Side side) {
        List<Verdict> members =
                verdicts.stream()
                        .filter(v -> v.part().standsOn().equals(footprint))
                        .filter(v -> v.part().placed().orElseThrow().side() == side)
                        .limit(MOST)
                        .toList();
        Map<String, PartBodies.Body> bodies = new HashMap<>();
        PartBodies.of(geometry, plan).forEach(b -> bodies.put(b.designator(), b));
        double reach = LEAST_REACH_NM;
        for (Verdict v : members) {
            Envelope e = pins.box(v.part().designator());
            PartBodies.Body b = bodies.get(v.part().designator());
            if (b != null) {
                e.expandToInclude(b.outline().getEnvelopeInternal());
            }
            Coordinate at = v.part().placed().orElseThrow().at().coordinate();
            for (double x : new double[] {e.getMinX(), e.getMaxX()}) {
                for (double y : new double[] {e.getMinY(), e.getMaxY()}) {
                    reach = e.isNull() ? reach : Math.max(reach, at.distance(new Coordinate(x, y)));
                }
            }
        }
        double about = Math.min(reach * MARGIN, 40e6);
        return new PlacementView.KindSheetView(
                footprint,
                Math.round(about),
                members.stream().map(v -> turned(v, side, about, bodies)).toList());
    }

    private PlacementView.TurnedView turned(
            Verdict v, Side side, double reach, Map<String, PartBodies.Body> bodies) {
        Part p = v.part();
        PlacedPart at = p.placed().orElseThrow();
        double deg = rotation(p);
        Envelope window = new Envelope(at.at().coordinate());
        window.expandBy(reach * 1.5);
        Role mask = Role.of(Role.Kind.MASK, side);
        Role pads =
                geometry.board().layer(mask).isPresent() ? mask : Role.of(Role.Kind.COPPER, side);
        List<double[]> rings = new ArrayList<>();
        List<Integer> own = new ArrayList<>();
        List<Netlist.Point> points = pins.of(p.designator());
        Envelope among = pins.box(p.designator());
        among.expandBy(AMONG_NM);
        for (Piece o : near(pads, window)) {
            // Pads of pins that go nowhere have no name; they lie among the others.
            boolean mine = among.contains(o.envelope().centre());
            for (double[] ring : Rings.of(o.polygon())) {
                if (mine) {
                    own.add(rings.size());
                }
                rings.add(back(ring, at, deg));
            }
        }
        List<double[]> silk = new ArrayList<>();
        for (Piece o : near(Role.of(Role.Kind.SILK, side), window)) {
            Rings.of(o.polygon()).forEach(r -> silk.add(back(r, at, deg)));
        }
        List<double[]> body = new ArrayList<>();
        Optional.ofNullable(bodies.get(p.designator()))
                .map(PartBodies.Body::outline)
                .map(g -> Rings.of((Geometry) g))
                .ifPresent(r -> r.forEach(ring -> body.add(back(ring, at, deg))));
        Optional<Coordinate> one =
                points.stream()
                        .filter(q -> q.pin().equals("1"))
                        .map(q -> UnrotatedPins.back(q.at(), at, deg))
                        .findFirst();
        return new PlacementView.TurnedView(
                p.designator(),
                state(v),
                v.turnDeg(),
                deg,
                rings,
                own,
                silk,
                body,
                one.map(c -> Math.rint(c.x)).orElse(null),
                one.map(c -> Math.rint(c.y)).orElse(null));
    }

    private List<Piece> near(Role role, Envelope window) {
        List<Piece> all = new ArrayList<>();
        for (int i : geometry.index(role).near(window)) {
            all.add(geometry.index(role).pieces().get(i));
        }
        return all;
    }

    private static double[] back(double[] ring, PlacedPart at, double deg) {
        double[] turned = new double[ring.length];
        for (int i = 0; i + 1 < ring.length; i += 2) {
            Coordinate c =
                    UnrotatedPins.back(
                            new Pt(Math.round(ring[i]), Math.round(ring[i + 1])), at, deg);
            turned[i] = Math.rint(c.x);
            turned[i + 1] = Math.rint(c.y);
        }
        return turned;
    }
}
