package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.PlaceIndex;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * What makes parts hard to solder with an iron; only for parts that are soldered by hand. All
 * numbers are common practice, no source.
 */
public final class HandSolderingRule implements Rule {
    private static final double SMALL_NM = 350_000;
    private static final double SHORT_NM = 900_000;
    private static final double TIP_NM = 500_000;
    private static final double TALL_NM = 1_500_000;
    private static final double BESIDE_PAD_NM = 200_000;

    /** A hole no farther from a pad's middle than this is the pad's own. */
    private static final double BESIDE_NM = 60_000;

    private static final int AROUND = 24;
    private static final double SOLID_SHARE = 0.75;

    /** What is in the way, and what to do about it. */
    private enum Trouble {
        SOLID(
                "is joined to the copper about it all round, which draws the heat away. Fill the area"
                        + " again with spokes (thermal relief), or preheat the board"),
        VIA(
                "has a via in it, through which the solder runs away. Cover the via, or use more"
                        + " solder"),
        SMALL("is too small for an iron. Use a stencil and hot air"),
        UNDER("lies under the part's body, where no iron reaches. Use a stencil and hot air"),
        NO_ROOM(
                "has a tall part beside it that leaves no room for the tip. Solder it before the tall"
                        + " one");

        private final String says;

        Trouble(String says) {
            this.says = says;
        }
    }

    @Override
    public String id() {
        return "hand-soldering";
    }

    @Override
    public String title() {
        return "Hand soldering";
    }

    @Override
    public Outcome run(CheckContext c) {
        Set<String> hand =
                c.assignments().hand().stream()
                        .filter(p -> p.placed().isPresent())
                        .map(Part::designator)
                        .collect(Collectors.toSet());
        if (hand.isEmpty()) {
            return Outcome.notRun("no part with a place is soldered by hand");
        }
        Map<Trouble, List<Pads.Pad>> found = new EnumMap<>(Trouble.class);
        Around around = new Around(c);
        boolean named = false;
        for (Side side : Side.values()) {
            for (Pads.Pad p : Pads.on(c, side)) {
                if (hand.contains(p.part())) {
                    named = true;
                    for (Trouble t : around.troubles(p, side)) {
                        found.computeIfAbsent(t, k -> new ArrayList<>()).add(p);
                    }
                }
            }
        }
        List<Finding> findings = new ArrayList<>();
        found.forEach((t, pads) -> findings.add(finding(t, pads)));
        return named
                ? Outcome.of(findings, hand.size() + " parts are soldered by hand")
                : Outcome.notRun("nothing names the pads of the parts that are soldered by hand");
    }

    /** What lies about the pads. */
    private static final class Around {
        private final CheckContext context;
        private final Map<String, Body> bodies = new HashMap<>();
        private final STRtree tall = new STRtree();
        private final PlaceIndex<Hole> holes = new PlaceIndex<>(BESIDE_NM);
        private final STRtree vias = new STRtree();

        Around(CheckContext c) {
            context = c;
            for (Body b : PartBodies.of(c.geometry(), c.partsPlan())) {
                if (b.isKnown() && b.fitted()) {
                    bodies.put(b.designator(), b);
                    if (b.heightNm() > TALL_NM) {
                        tall.insert(b.outline().getEnvelopeInternal(), b);
                    }
                }
            }
            c.board().holes().forEach(h -> holes.put(h.middle(), h));
            for (int i : Pads.vias(c)) {
                Pt at = c.board().holes().get(i).middle();
                vias.insert(new Envelope(at.coordinate()), at);
            }
        }

        List<Trouble> troubles(Pads.Pad p, Side side) {
            List<Trouble> all = new ArrayList<>();
            Envelope box = p.node().envelope();
            if (p.throughHole() || holes.hasAt(p.at())) {
                if (isSolid(p, side)) {
                    all.add(Trouble.SOLID);
                }
                return all;
            }
            if (!vias.query(box).isEmpty()) {
                all.add(Trouble.VIA);
            }
            double small = Math.min(box.getWidth(), box.getHeight());
            double large = Math.max(box.getWidth(), box.getHeight());
            if (small < SMALL_NM && large < SHORT_NM) {
                all.add(Trouble.SMALL);
            }
            Body own = bodies.get(p.part());
            if (own != null && own.side() == side && isUnder(own, box)) {
                all.add(Trouble.UNDER);
            }
            if (hasTallBeside(p, side, box)) {
                all.add(Trouble.NO_ROOM);
            }
            return all;
        }

        /** Whether copper lies about a pad nearly all round. */
        private boolean isSolid(Pads.Pad p, Side side) {
            Envelope box = p.node().envelope();
            double r = Math.max(box.getWidth(), box.getHeight()) / 2 + BESIDE_PAD_NM;
            int covered = 0;
            for (int i = 0; i < AROUND; i++) {
                double a = 2 * Math.PI * i / AROUND;
                Pt at =
                        new Pt(
                                p.at().x() + Math.round(r * Math.cos(a)),
                                p.at().y() + Math.round(r * Math.sin(a)));
                Role copper = Role.of(Role.Kind.COPPER, side);
                covered += context.geometry().index(copper).at(at).isEmpty() ? 0 : 1;
            }
            return covered >= SOLID_SHARE * AROUND;
        }

        private static boolean isUnder(Body own, Envelope box) {
            Geometry pad = Geo.rectangle(box);
            return own.outline().contains(pad);
        }

        private boolean hasTallBeside(Pads.Pad p, Side side, Envelope box) {
            Envelope reach = new Envelope(box);
            reach.expandBy(TIP_NM);
            Geometry pad = Geo.rectangle(box);
            for (Object o : tall.query(reach)) {
                Body b = (Body) o;
                if (b.side() == side
                        && !b.designator().equals(p.part())
                        && b.outline().distance(pad) < TIP_NM) {
                    return true;
                }
            }
            return false;
        }
    }

    private Finding finding(Trouble t, List<Pads.Pad> pads) {
        Set<String> parts =
                pads.stream().map(Pads.Pad::part).collect(Collectors.toCollection(TreeSet::new));
        return new FindingBuilder(id())
                .severity(Severity.NOTE)
                .about(t.name())
                .at(pads.get(0).at())
                .alsoAt(pads.stream().map(Pads.Pad::at).toList())
                .count(pads.size(), 0, "pads")
                .parts(List.copyOf(parts))
                .say(
                        pads.get(0).words()
                                + (pads.size() == 1 ? "" : " and " + (pads.size() - 1) + " more")
                                + ": "
                                + t.says
                                + ".");
    }
}
