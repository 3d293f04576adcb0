package dev.lastcut.core.check.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.EdgeIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Location;

/** Tracks that lie wholly in a pour of the same net: they do nothing. One note a net and layer. */
public final class PourCoversTrackRule implements Rule {
    /** Areas below this are pads drawn as areas, not pours: 10 mm². */
    private static final double POUR_NM2 = 1e13;

    private record Place(int layer, int net) {}

    @Override
    public String id() {
        return "pour-covers-track";
    }

    @Override
    public String title() {
        return "Tracks within pours";
    }

    @Override
    public Outcome run(CheckContext c) {
        CopperNets nets = c.geometry().nets();
        Map<Place, Set<CopperNode>> all = new LinkedHashMap<>();
        int pours = 0;
        for (CopperNode n : nets.nodes()) {
            if (isPour(n)) {
                pours++;
                all.computeIfAbsent(new Place(n.layer(), n.net()), k -> new LinkedHashSet<>())
                        .addAll(covered(nets, n));
            }
        }
        List<Finding> findings = new ArrayList<>();
        all.forEach(
                (place, covered) -> {
                    if (!covered.isEmpty()) {
                        findings.add(finding(c, place, covered));
                    }
                });
        return pours == 0
                ? Outcome.notRun("the board has no pours")
                : Outcome.of(findings, pours + " pours");
    }

    /** A filled area of a size that no pad has. */
    static boolean isPour(CopperNode n) {
        return n.isArea() && n.envelope().getArea() > POUR_NM2 && n.polygon().getArea() > POUR_NM2;
    }

    private static List<CopperNode> covered(CopperNets nets, CopperNode pour) {
        List<CopperNode> covered = new ArrayList<>();
        EdgeIndex edges = new EdgeIndex(pour.polygon());
        for (CopperNode t : nets.near(pour.layer(), pour.envelope())) {
            if (t.net() == pour.net()
                    && t.feature() instanceof Feature.Stroke
                    && t.piece().roundRadius() > 0
                    && isWithin(t.piece(), edges)) {
                covered.add(t);
            }
        }
        return covered;
    }

    private static boolean isWithin(Piece track, EdgeIndex pour) {
        Coordinate from = track.roundFrom().coordinate();
        Coordinate to = track.roundTo().coordinate();
        double r = track.roundRadius();
        Envelope reach = Geo.expanded(new Envelope(from, to), r);
        return pour.locate(from) == Location.INTERIOR && !pour.nearerThan(reach, from, to, r);
    }

    private Finding finding(CheckContext c, Place place, Set<CopperNode> covered) {
        double length = 0;
        List<Measure> places = new ArrayList<>();
        for (CopperNode t : covered) {
            Feature.Stroke s = (Feature.Stroke) t.feature();
            length += s.path().length();
            places.add(new Measure(s.path().from(), s.path().to(), s.path().length()));
        }
        String net = c.netName(place.net());
        return new FindingBuilder(id())
                .layers(c.copperId(place.layer()))
                .at(places.get(0).middle())
                .also(places)
                .count(covered.size(), 0, "tracks")
                .severity(Severity.NOTE)
                .nets(List.of(net))
                .say(
                        (covered.size() == 1 ? "A track of " : covered.size() + " tracks of ")
                                + net
                                + ", "
                                + Length.text(length)
                                + " in all, within a pour of the same net: no harm and no good, but"
                                + " should the pour be redrawn, they show again.");
    }
}
