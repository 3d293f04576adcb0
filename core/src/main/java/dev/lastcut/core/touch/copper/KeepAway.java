package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/**
 * Pulls the filled areas of the pack back from what is too near to them: copper of other nets, the
 * edge, unplated holes, openings of the mask over others. Tracks and pads stay. Lengths in nm; 0
 * leaves that as it is.
 *
 * @param least necks narrower than this that it would leave go as well
 */
public record KeepAway(double clear, double edge, double hole, double mask, double least)
        implements Touch {
    private static final double NOTHING_NM2 = 1e8;

    public KeepAway {
        Sizes.notBelow0("clear_mm", clear);
        Sizes.notBelow0("edge_mm", edge);
        Sizes.notBelow0("hole_mm", hole);
        Sizes.notBelow0("mask_mm", mask);
        Sizes.notBelow0("least_mm", least);
        if (clear + edge + hole + mask == 0) {
            throw new IllegalArgumentException(
                    "keep-away: at least one of clear_mm, edge_mm, hole_mm and mask_mm");
        }
    }

    @Override
    public String kind() {
        return "keep-away";
    }

    @Override
    public String words() {
        List<String> from = new ArrayList<>();
        say(from, clear, "other copper");
        say(from, edge, "the edge");
        say(from, hole, "unplated holes");
        say(from, mask, "openings over others");
        return "Keep the pour " + String.join(", ", from);
    }

    private static void say(List<String> all, double nm, String from) {
        if (nm > 0) {
            all.add(Length.shortMm(Length.toMm(nm)) + " mm from " + from);
        }
    }

    @Override
    public Phase phase() {
        return Phase.AFTER_POUR;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Set<Feature> changed = Collections.newSetFromMap(new IdentityHashMap<>());
        Map<Integer, Geometry> left = new HashMap<>();
        double taken = 0;
        List<Pt> places = new ArrayList<>();
        for (int index = 0; index < work.nets().layerCount(); index++) {
            for (CopperNode n : areas(work, index)) {
                List<Geometry> zones = zones(work, index, n);
                if (!zones.isEmpty()) {
                    List<Pt> here = new ArrayList<>();
                    Geometry kept = kept(n, Geo.union(zones), here);
                    if (!here.isEmpty()) {
                        places.addAll(here);
                        changed.add(n.feature());
                        taken += n.polygon().getArea() - kept.getArea();
                        left.put(n.id(), kept);
                    }
                }
            }
        }
        if (taken == 0) {
            throw new NotDone("No filled area is nearer than that");
        }
        return new Change(
                Redrawn.areas(work, changed, n -> left.getOrDefault(n.id(), n.polygon())),
                String.format(
                        Locale.ROOT,
                        "Takes %s off, at %s",
                        Change.area(taken),
                        Change.count(places.size(), "place")),
                places);
    }

    private static double asked(double nm) {
        return nm > 0 ? nm : -1;
    }

    private static List<CopperNode> areas(Work work, int layer) {
        Set<Feature> pads = OldAreas.pads(work.geometry(), layer);
        return work.nets().nodes().stream()
                .filter(n -> n.layer() == layer && n.isArea())
                .filter(n -> !pads.contains(n.feature()))
                .toList();
    }

    /** The zones of others that an area reaches into. */
    private List<Geometry> zones(Work work, int layer, CopperNode n) {
        KeepOff off =
                new KeepOff(
                        work.geometry(),
                        layer,
                        Set.of(n.net()),
                        new KeepOff.Distances(clear, edge, asked(hole), asked(mask)));
        List<Geometry> zones = off.parts(n.envelope(), 0);
        if (edge > 0 && !work.geometry().boardArea().isEmpty()) {
            Geometry rim =
                    Geo.difference(
                            Geo.rectangle(Geo.expanded(n.envelope(), 1)),
                            off.board(0, n.envelope()));
            Geo.eachPolygon(rim, zones::add);
        }
        PreparedGeometry area = PreparedGeometryFactory.prepare(n.polygon());
        zones.removeIf(z -> z.isEmpty() || !area.intersects(z));
        return zones;
    }

    /** What is left of an area; {@code places} takes where something went. */
    private Geometry kept(CopperNode n, Geometry zone, List<Pt> places) {
        List<Geometry> gone = new ArrayList<>();
        for (Polygon z : Geo.polygons(zone)) {
            for (Polygon tile : n.piece().tiles().near(z.getEnvelopeInternal())) {
                Geo.eachPolygon(Geo.sharedArea(tile, z), gone::add);
            }
        }
        for (Polygon g : Geo.polygons(Geo.union(gone))) {
            if (g.getArea() > NOTHING_NM2) {
                places.add(Pt.of(g.getInteriorPoint().getCoordinate()));
            }
        }
        if (places.isEmpty()) {
            return n.polygon();
        }
        Geometry cut = Geo.difference(n.polygon(), zone);
        return NeckRemoval.without(cut, gone, least);
    }
}
