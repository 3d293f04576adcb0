package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Drawn;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.KeepOff;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;

/**
 * Draws the tracks of a net wider, wherever there is room; where there is none they stay as they
 * are. Lengths in nm.
 *
 * @param net empty: the tracks of all nets
 */
public record Widen(Optional<Net> net, double to) implements Touch {
    /** A stretch shorter than this is not worth a width of its own. */
    private static final double SHORT_NM = 50_000;

    /** Widths differ by no more than this when they are the same. */
    private static final double SAME_NM = 500;

    public Widen {
        Sizes.above("to_mm", to);
    }

    @Override
    public String kind() {
        return "widen";
    }

    @Override
    public String words() {
        return "Widen tracks of "
                + net.map(Net::words).orElse("all nets")
                + " to "
                + Length.shortMm(Length.toMm(to))
                + " mm where there is room";
    }

    @Override
    public Phase phase() {
        return Phase.COPPER;
    }

    /** What became of the tracks of one layer. */
    private static final class Tally {
        private final List<Pt> places = new ArrayList<>();
        private double wider;
        private double stays;
        private int thin;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Set<Integer> nets = net.isPresent() ? work.nets(net.get()) : Set.of();
        Tally tally = new Tally();
        Map<Feature, List<Feature>> drawn = new IdentityHashMap<>();
        Drawn made = new Drawn();
        for (int index = 0; index < work.nets().layerCount(); index++) {
            Map<Integer, KeepOff> offs = new HashMap<>();
            for (CopperNode n : work.nets().nodes()) {
                boolean ours = net.isEmpty() || nets.contains(n.net());
                if (n.layer() == index && ours && isThin(n)) {
                    Set<Integer> own = net.isEmpty() ? Set.of(n.net()) : nets;
                    int layer = index;
                    KeepOff off =
                            offs.computeIfAbsent(
                                    own.iterator().next(),
                                    k ->
                                            new KeepOff(
                                                    work.geometry(),
                                                    layer,
                                                    own,
                                                    KeepOff.Distances.of(work.room()),
                                                    made));
                    List<Feature> instead = wider((Feature.Stroke) n.feature(), off, tally);
                    drawn.put(n.feature(), instead);
                    for (Feature f : instead) {
                        if (f != n.feature()) {
                            Segment way = ((Feature.Stroke) f).path();
                            made.add(index, n.net(), off.grown(to, way));
                        }
                    }
                }
            }
        }
        if (tally.thin == 0) {
            throw new NotDone(
                    "No track of "
                            + net.map(Net::words).orElse("this board")
                            + " is narrower than "
                            + Length.text(to));
        }
        if (tally.wider == 0) {
            throw new NotDone(
                    "There is no room to widen any of its "
                            + Change.count(tally.thin, "track")
                            + " to "
                            + Length.text(to),
                    tally.places);
        }
        String says = "Widens " + Length.text(tally.wider) + " of track";
        if (tally.stays > SHORT_NM) {
            says +=
                    String.format(
                            Locale.ROOT,
                            "; %s stay as they are, at %s without room",
                            Length.text(tally.stays),
                            Change.count(tally.places.size(), "place"));
        }
        return new Change(Redrawn.with(work.board(), drawn), says, tally.places);
    }

    private boolean isThin(CopperNode n) {
        return n.feature() instanceof Feature.Stroke s
                && n.piece().isWhole()
                && s.roundWidth() > 0
                && s.roundWidth() < to - SAME_NM;
    }

    private List<Feature> wider(Feature.Stroke s, KeepOff off, Tally tally) {
        tally.thin++;
        double length = s.path().length();
        Segment path = s.path();
        if (!(path instanceof Segment.Line line) || path.from().equals(path.to())) {
            if (off.isFree(off.grown(to, path))) {
                tally.wider += length;
                return List.of(Features.stroke(path, to, s.attributes()));
            }
            tally.stays += length;
            tally.places.add(path.middle());
            return List.of(s);
        }
        List<Segment> free = free(line, off);
        double wide = free.stream().mapToDouble(Segment::length).sum();
        if (wide >= length - 1) {
            tally.wider += length;
            return List.of(Features.stroke(path, to, s.attributes()));
        }
        tally.wider += wide;
        tally.stays += length - wide;
        rest(line, free).forEach(r -> tally.places.add(r.middle()));
        // The thin one stays underneath: it holds the wide stretches together.
        List<Feature> all = new ArrayList<>();
        all.add(s);
        free.forEach(f -> all.add(Features.stroke(f, to, s.attributes())));
        return all;
    }

    private List<Segment> free(Segment.Line line, KeepOff off) {
        Geometry way = Geo.line(line.from(), line.to());
        Envelope window = way.getEnvelopeInternal();
        Geometry left = way;
        for (Geometry zone : off.parts(window, to / 2)) {
            left = left.difference(zone);
        }
        Geometry board = off.board(to / 2, Geo.expanded(window, 1));
        left = left.intersection(board);
        List<Segment> all = new ArrayList<>();
        for (int i = 0; i < left.getNumGeometries(); i++) {
            if (left.getGeometryN(i) instanceof LineString l && l.getLength() >= SHORT_NM) {
                Coordinate[] c = l.getCoordinates();
                all.add(new Segment.Line(Pt.of(c[0]), Pt.of(c[c.length - 1])));
            } else if (left.equals(way)) {
                all.add(line);
            }
        }
        return all;
    }

    private static List<Segment> rest(Segment.Line line, List<Segment> free) {
        Geometry left = Geo.line(line.from(), line.to());
        for (Segment f : free) {
            left = left.difference(Geo.offset(Geo.line(f.from(), f.to()), 2, 1));
        }
        List<Segment> all = new ArrayList<>();
        for (int i = 0; i < left.getNumGeometries(); i++) {
            Coordinate[] c = left.getGeometryN(i).getCoordinates();
            if (c.length > 1 && c[0].distance(c[c.length - 1]) > 10) {
                all.add(new Segment.Line(Pt.of(c[0]), Pt.of(c[c.length - 1])));
            }
        }
        return all;
    }
}
