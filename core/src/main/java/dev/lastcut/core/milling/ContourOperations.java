package dev.lastcut.core.milling;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Rings;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.operation.distance.DistanceOp;

/** Cut-outs first, then the contour of the board on its tabs. */
public final class ContourOperations {
    /** Designators that stand for connectors (IEEE 315: J and P; X is common practice). */
    private static final String CONNECTOR = "(?:J|P|X|CN|CON)\\d.*";

    /** An inside corner that stays this little short of square is none. */
    private static final double LEAST_CORNER_NM = 20_000;

    private static final double CHORD_NM = 1_000;

    private final BoardGeometry geometry;
    private final Mill mill;

    ContourOperations(BoardGeometry geometry, Mill mill) {
        this.geometry = geometry;
        this.mill = mill;
    }

    void add(Side side, MillingPlan.Sink sink, List<String> problems) {
        Optional<Outline> outline = geometry.board().outline();
        Optional<Cutter> cutter = mill.contourCutter();
        if (outline.isEmpty() || outline.get().outer().isEmpty()) {
            problems.add("There is no closed outline, so no contour is cut.");
            return;
        }
        if (cutter.isEmpty()) {
            problems.add("The rack has no flat end mill that goes through, so no contour is cut.");
            return;
        }
        for (List<Segment> cutout : outline.get().cutouts()) {
            cutout(side, area(cutout), cutter.get(), sink, problems);
        }
        contour(side, area(outline.get().outer()), cutter.get(), sink);
        if (geometry.boardArea().getNumGeometries() > 1) {
            // Boards that nothing joins are cut out one by one.
            outline.get().others().forEach(o -> contour(side, area(o), cutter.get(), sink));
        }
    }

    private Geometry area(List<Segment> contour) {
        return Rings.fill(geometry.flattener().polyline(contour));
    }

    private void cutout(
            Side side, Geometry area, Cutter wide, MillingPlan.Sink sink, List<String> problems) {
        Cutter cutter = wide;
        List<LineString> rings = ContourCut.rings(area, cutter.diameter() / 2.0, false);
        if (rings.isEmpty()) {
            Envelope e = area.getEnvelopeInternal();
            Optional<Cutter> finer = mill.widestFlat(Math.min(e.getWidth(), e.getHeight()) - 1_000);
            if (finer.isEmpty()) {
                problems.add("A cut-out is narrower than every end mill; it is left out.");
                return;
            }
            cutter = finer.get();
            rings = ContourCut.rings(area, cutter.diameter() / 2.0, false);
        }
        List<Double> depths = ContourCut.passes(mill.throughDepth(), cutter.depthPerPass());
        List<ToolPath> paths = new ArrayList<>();
        rings.forEach(r -> paths.add(ContourCut.plain(r, depths)));
        sink.add("cutout", Operation.Kind.CUTOUT, side, cutter, mill.throughDepth(), paths);
    }

    private void contour(Side side, Geometry area, Cutter cutter, MillingPlan.Sink sink) {
        List<Double> depths = ContourCut.passes(mill.throughDepth(), cutter.depthPerPass());
        double span = mill.tabs().width() + (double) cutter.diameter();
        double top = mill.stock().thickness() - (double) mill.tabs().height();
        List<ToolPath> paths = new ArrayList<>();
        for (LineString ring : ContourCut.rings(area, cutter.diameter() / 2.0, true)) {
            List<Double> tabs = TabPlaces.along(ring, mill.tabs().count(), span, connectors());
            paths.add(ContourCut.withTabs(ring, depths, tabs, span, top));
        }
        sink.add("contour", Operation.Kind.CONTOUR, side, cutter, mill.throughDepth(), paths);
    }

    private List<Coordinate> connectors() {
        List<Coordinate> places = new ArrayList<>();
        for (PlacedPart p : geometry.board().placements().orElse(List.of())) {
            if (p.designator().matches(CONNECTOR)) {
                places.add(p.at().coordinate());
            }
        }
        for (Netlist.Point p : geometry.board().netlist().map(Netlist::points).orElse(List.of())) {
            if (p.isPin() && p.component().matches(CONNECTOR)) {
                places.add(p.at().coordinate());
            }
        }
        return places;
    }

    /**
     * Inside corners of the outline that a round cutter leaves rounded: from the corner as drawn to
     * the material that stays nearest the cutter.
     *
     * @param diameter of the contour cutter, nm
     */
    public static List<Measure> roundedCorners(BoardGeometry geometry, double diameter) {
        List<Measure> corners = new ArrayList<>();
        Geometry board = geometry.boardArea();
        if (board.isEmpty()) {
            return corners;
        }
        double r = diameter / 2;
        Geometry closed = Geo.offset(Geo.offset(board, r, CHORD_NM), -r - CHORD_NM, CHORD_NM);
        Geo.eachPolygon(
                Geo.difference(closed, board),
                p -> {
                    if (p.getArea() / p.getLength() > LEAST_CORNER_NM / 20) {
                        Measure m = depthOf(p, board);
                        if (m.nm() > LEAST_CORNER_NM) {
                            corners.add(m);
                        }
                    }
                });
        return corners;
    }

    /** From the deepest corner of what stays to its open side, which is not on the board's edge. */
    private static Measure depthOf(Geometry stays, Geometry board) {
        Geometry edge = board.getBoundary();
        List<Coordinate> open = new ArrayList<>();
        for (Coordinate c : stays.getCoordinates()) {
            if (edge.distance(Geo.FACTORY.createPoint(c)) > 3 * CHORD_NM) {
                open.add(c);
            }
        }
        if (open.isEmpty()) {
            return new Measure(Pt.ORIGIN, Pt.ORIGIN, 0);
        }
        Geometry arc = Geo.FACTORY.createMultiPointFromCoords(open.toArray(Coordinate[]::new));
        Coordinate deepest = null;
        double most = -1;
        for (Coordinate c : stays.getCoordinates()) {
            double d = arc.distance(Geo.FACTORY.createPoint(c));
            if (d > most) {
                most = d;
                deepest = c;
            }
        }
        Coordinate[] near = DistanceOp.nearestPoints(Geo.FACTORY.createPoint(deepest), arc);
        return new Measure(Pt.of(near[0]), Pt.of(near[1]), near[0].distance(near[1]));
    }
}
