package dev.lastcut.core.intake;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.formats.drill.DrillFile;
import dev.lastcut.core.formats.drill.DrillRoute;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;

/**
 * Paths that a drill file routes all round. One that goes about all pads and holes is the board's
 * edge, and the others within it are its cut-outs; where none does, all are slots.
 */
final class DrillEdges {
    /** An edge leaves at most this share of holes and pads outside. */
    private static final double OUTSIDE = 0.02;

    /** The thinnest line: the middle of the tool is what counts. */
    private static final long LINE_NM = 100_000;

    private static final double OVER_NM = 300_000;

    private DrillEdges() {}

    /** Makes slots of all routed paths of files in which none is an edge. */
    static void settle(Map<String, Reading> readings) {
        List<Envelope> pictures = new ArrayList<>();
        readings.values()
                .forEach(
                        r -> {
                            if (r instanceof Reading.Gerber g && !g.file().features().isEmpty()) {
                                pictures.add(OutlineFit.extent(g.file().features()));
                            }
                        });
        readings.replaceAll(
                (path, r) ->
                        r instanceof Reading.Drill d
                                        && !d.file().routes().isEmpty()
                                        && !isEdge(d.file(), pictures)
                                ? new Reading.Drill(d.file().withRoutesAsSlots())
                                : r);
    }

    private static boolean isEdge(DrillFile file, List<Envelope> pictures) {
        Envelope outer = new Envelope();
        for (DrillRoute r : file.routes()) {
            Envelope box = box(r);
            outer = box.getArea() > outer.getArea() ? box : outer;
        }
        Envelope reach = new Envelope(outer);
        reach.expandBy(OVER_NM);
        List<Hole> holes = file.places();
        long out = holes.stream().filter(h -> !reach.contains(h.middle().coordinate())).count();
        // Most pictures lie within it and fill a fair part of it.
        long within = pictures.stream().filter(reach::contains).count();
        double area = outer.getArea();
        long filling = pictures.stream().filter(p -> p.getArea() > 0.25 * area).count();
        return area > 0
                && out <= OUTSIDE * holes.size()
                && 2 * within >= pictures.size()
                && (pictures.isEmpty() || filling > 0);
    }

    private static Envelope box(DrillRoute r) {
        Envelope box = new Envelope();
        r.path().forEach(s -> box.expandToInclude(s.envelope()));
        return box;
    }

    /** The routed edge and cut-outs of a file, as lines. */
    static List<Feature> lines(DrillFile file) {
        List<Feature> all = new ArrayList<>();
        for (DrillRoute r : file.routes()) {
            int line = r.slots().isEmpty() ? 0 : r.slots().get(0).line();
            for (Segment s : r.path()) {
                all.add(
                        new Feature.Stroke(
                                new Aperture.Circle(LINE_NM, 0),
                                s,
                                Orientation.NONE,
                                true,
                                line,
                                ObjectAttributes.NONE));
            }
        }
        return all;
    }
}
