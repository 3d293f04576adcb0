package dev.lastcut.core.panel;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** A board that panels are made of. */
public final class PanelSource {
    /** What is drawn farther off a board than this is no part of it: frames, notes, titles. */
    private static final double BESIDE_NM = 2_000_000;

    private final String name;
    private final BoardGeometry geometry;
    private final PartsPlan parts;
    private final Geometry filled;
    private final List<PartBodies.Body> bodies;
    private final Map<Double, Envelope> boxes = new HashMap<>();

    /**
     * @param name of its pack; empty for the job's own
     * @param parts how it is populated
     * @throws IllegalArgumentException when it has no closed outline
     */
    public PanelSource(String name, BoardGeometry geometry, PartsPlan parts) {
        if (geometry.boardArea().isEmpty()) {
            throw new IllegalArgumentException(
                    (name.isEmpty() ? "the board" : name)
                            + " has no closed outline, so it cannot lie on a panel. Mend the"
                            + " outline first");
        }
        this.name = name;
        this.geometry = geometry;
        this.parts = parts;
        List<Polygon> whole = new ArrayList<>();
        Geo.eachPolygon(
                geometry.boardArea(),
                p -> whole.add(Geo.FACTORY.createPolygon(p.getExteriorRing().getCoordinates())));
        this.filled = Geo.collected(whole);
        this.bodies = PartBodies.of(geometry, parts);
    }

    public String name() {
        return name;
    }

    public BoardGeometry geometry() {
        return geometry;
    }

    public PartsPlan parts() {
        return parts;
    }

    /** The bodies of its parts, in its pack's coordinates. */
    public List<PartBodies.Body> bodies() {
        return bodies;
    }

    /** What its outer contour encloses, in its pack's coordinates. */
    Geometry filled() {
        return filled;
    }

    /** The box about it when it lies so. */
    synchronized Envelope box(double rotationDeg, Pt shift) {
        Envelope turned =
                boxes.computeIfAbsent(
                        rotationDeg,
                        deg -> {
                            Orientation how = new Orientation(false, deg, 1);
                            Envelope e = new Envelope();
                            for (var c : how.affine().transform(filled).getCoordinates()) {
                                e.expandToInclude(Math.rint(c.x), Math.rint(c.y));
                            }
                            return e;
                        });
        Envelope e = new Envelope(turned);
        e.translate(shift.x(), shift.y());
        return e;
    }

    /**
     * A picture without what is drawn beside its board. What erases beyond the board would erase a
     * neighbour's picture too, so it ends at the board's edge.
     */
    public List<Feature> near(List<Feature> picture) {
        Shaper shaper = new Shaper(geometry.flattener());
        Envelope board = geometry.boardArea().getEnvelopeInternal();
        Envelope near = Geo.expanded(board, BESIDE_NM);
        List<Feature> kept = new ArrayList<>();
        for (Feature f : picture) {
            Geometry shape = shaper.shape(f);
            Envelope e = shape.getEnvelopeInternal();
            if (!f.dark() && !board.contains(e)) {
                Geo.eachPolygon(Geo.intersection(shape, filled), p -> erase(p, f, kept));
            } else if (near.intersects(e)) {
                kept.add(f);
            }
        }
        return kept;
    }

    private static void erase(Polygon p, Feature like, List<Feature> out) {
        Geometry simple = p.getNumInteriorRing() == 0 ? p : PolygonTriangulator.triangulate(p);
        for (int i = 0; i < simple.getNumGeometries(); i++) {
            Polygon part = (Polygon) simple.getGeometryN(i);
            out.add(
                    new Feature.Region(
                            List.of(PanelBoard.path(part.getExteriorRing().getCoordinates())),
                            false,
                            like.line(),
                            like.attributes()));
        }
    }
}
