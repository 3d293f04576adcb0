package dev.lastcut.core.mechanical;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.formats.drawing.Drawing;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.picture.Source;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;

/**
 * Areas of an enclosure's drawing, to be height zones. A drawing that does not lie about the board
 * is moved until its lower left corner is the board's.
 *
 * @param contours corners of each closed contour, the largest first
 * @param moved whether it was moved
 */
public record ZoneDrawing(List<List<Pt>> contours, boolean moved) {
    /** Corners to the twentieth of a millimetre: an enclosure is no finer. */
    private static final Flattener COARSE = new Flattener(50_000);

    /**
     * @param board the box of the board
     * @throws NotDone when it cannot be read, states no unit, or has no closed contour
     */
    public static ZoneDrawing of(String name, byte[] content, Envelope board) throws NotDone {
        Drawing drawing = Source.allLayers(name, content);
        if (!drawing.unitStated()) {
            throw new NotDone(
                    "The drawing " + name + " says no unit. Save it in mm with its unit stated");
        }
        Outline read = OutlineBuilder.build(drawing.features());
        List<List<Segment>> closed = new ArrayList<>();
        if (!read.outer().isEmpty()) {
            closed.add(read.outer());
        }
        closed.addAll(read.cutouts());
        closed.addAll(read.others());
        if (closed.isEmpty()) {
            throw new NotDone("No contour in the drawing " + name + " closes");
        }
        Envelope box = new Envelope();
        closed.forEach(path -> path.forEach(s -> box.expandToInclude(s.envelope())));
        boolean elsewhere = !box.intersects(board);
        Pt by =
                elsewhere
                        ? new Pt(
                                Math.round(board.getMinX() - box.getMinX()),
                                Math.round(board.getMinY() - box.getMinY()))
                        : Pt.ORIGIN;
        return new ZoneDrawing(
                closed.stream()
                        .map(path -> corners(path, by))
                        .sorted((a, b) -> Double.compare(size(b), size(a)))
                        .toList(),
                elsewhere);
    }

    private static List<Pt> corners(List<Segment> path, Pt by) {
        Coordinate[] ring = COARSE.polyline(path);
        return Arrays.stream(ring, 0, ring.length - 1).map(c -> Pt.of(c).plus(by)).toList();
    }

    private static double size(List<Pt> corners) {
        Envelope e = new Envelope();
        corners.forEach(p -> e.expandToInclude(p.coordinate()));
        return e.getArea();
    }
}
