package dev.lastcut.server.api;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Distances;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Point;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What the light table shows and answers. */
@RestController
@RequestMapping("/api/jobs/{id}")
class TableController {
    private final JobService jobs;

    TableController(JobService jobs) {
        this.jobs = jobs;
    }

    /** What lies under a place. {@code net} is −1 for what is no copper. */
    record Under(
            String role,
            String words,
            String shape,
            int net,
            String netName,
            String part,
            String pin,
            String file,
            int line) {}

    /** Where a measuring point catches: kind is centre, hole, edge or none. */
    record Snap(long x, long y, String kind) {}

    /**
     * A layer as 32-bit little-endian integers: the number of pieces; for each its net (−1 for
     * none) and number of rings; for each ring its number of points and their x, y in nm. With −1
     * for the number of rings it is a round tool's way: x, y of both ends and the radius.
     */
    @GetMapping(path = "/layers/{index}", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> layer(@PathVariable long id, @PathVariable int index) {
        BoardGeometry geometry = jobs.board(id);
        List<Layer> layers = geometry.board().layers();
        if (index < 0 || index >= layers.size()) {
            throw new NotFoundException("There is no layer " + index + ".");
        }
        return ResponseEntity.ok(LayerBytes.of(geometry, layers.get(index)));
    }

    @GetMapping("/under")
    List<Under> under(
            @PathVariable long id,
            @RequestParam long x,
            @RequestParam long y,
            @RequestParam List<String> roles) {
        BoardGeometry geometry = jobs.board(id);
        Pt at = new Pt(x, y);
        List<Under> found = new ArrayList<>();
        for (Hole h : geometry.board().holes()) {
            if (Geo.line(h.from(), h.to()).distance(Geo.point(at)) <= h.diameter() / 2.0) {
                String role = h.plated() ? "plated-holes" : "unplated-holes";
                int net = geometry.nets().netOfHole(geometry.board().holes().indexOf(h));
                found.add(
                        new Under(
                                role,
                                h.plated() ? "plated hole" : "unplated hole",
                                Shapes.of(h),
                                net,
                                net < 0 ? "" : geometry.netName(net),
                                "",
                                "",
                                h.file(),
                                h.line()));
                break;
            }
        }
        int copper = 0;
        for (Layer layer : geometry.board().layers()) {
            boolean asked = roles.contains(layer.role().id());
            if (layer.role().isCopper()) {
                if (asked) {
                    copper(geometry, layer, copper, at, found);
                }
                copper++;
            } else if (asked) {
                picture(geometry, layer, at, found);
            }
        }
        return found;
    }

    private static void copper(
            BoardGeometry geometry, Layer layer, int index, Pt at, List<Under> found) {
        List<CopperNode> here = geometry.nets().at(index, at);
        if (here.isEmpty()) {
            return;
        }
        CopperNode n = here.get(0);
        var pin = pin(geometry.board(), n.feature());
        found.add(
                new Under(
                        layer.role().id(),
                        layer.role().words(),
                        Shapes.of(n.feature()),
                        n.net(),
                        geometry.netName(n.net()),
                        pin[0],
                        pin[1],
                        layer.file(),
                        n.feature().line()));
    }

    /** The part and pin of a pad: as its file says, else as the netlist does at that place. */
    private static String[] pin(Board board, Feature f) {
        if (!f.attributes().component().isEmpty()) {
            return new String[] {f.attributes().component(), f.attributes().pin()};
        }
        if (f instanceof Feature.Flash flash && board.netlist().isPresent()) {
            for (var p : board.netlist().get().points()) {
                if (p.isPin() && p.at().distance(flash.at()) < 20_000) {
                    return new String[] {p.component(), p.pin()};
                }
            }
        }
        return new String[] {"", ""};
    }

    private static void picture(BoardGeometry geometry, Layer layer, Pt at, List<Under> found) {
        Point point = Geo.point(at);
        for (Piece p : geometry.pieces(layer.role())) {
            boolean near = p.envelope().contains(point.getCoordinate());
            if (near && p.polygon().intersects(point)) {
                found.add(
                        new Under(
                                layer.role().id(),
                                layer.role().words(),
                                Shapes.of(p.feature()),
                                -1,
                                "",
                                p.feature().attributes().component(),
                                p.feature().attributes().pin(),
                                layer.file(),
                                p.feature().line()));
                return;
            }
        }
    }

    /** The nearest edges of two pieces of copper; {@code nm} is −1 where there are no two apart. */
    record Gap(double nm, long x0, long y0, long x1, long y1) {}

    /** The gap between the copper at two places, on the first of the given layers that has both. */
    @GetMapping("/gap")
    Gap gap(
            @PathVariable long id,
            @RequestParam long x0,
            @RequestParam long y0,
            @RequestParam long x1,
            @RequestParam long y1,
            @RequestParam List<String> roles) {
        BoardGeometry geometry = jobs.board(id);
        List<Layer> copper = geometry.board().copper();
        for (int layer = 0; layer < copper.size(); layer++) {
            if (roles.contains(copper.get(layer).role().id())) {
                List<CopperNode> a = geometry.nets().at(layer, new Pt(x0, y0));
                List<CopperNode> b = geometry.nets().at(layer, new Pt(x1, y1));
                if (!a.isEmpty() && !b.isEmpty() && a.get(0).id() != b.get(0).id()) {
                    Measure m = Distances.between(a.get(0).polygon(), b.get(0).polygon());
                    if (m.nm() > 0) {
                        return new Gap(m.nm(), m.from().x(), m.from().y(), m.to().x(), m.to().y());
                    }
                }
            }
        }
        return new Gap(-1, 0, 0, 0, 0);
    }

    /** The nearest hole or pad centre, else the nearest edge, within {@code reach} nm. */
    @GetMapping("/snap")
    Snap snap(
            @PathVariable long id,
            @RequestParam long x,
            @RequestParam long y,
            @RequestParam long reach,
            @RequestParam List<String> roles) {
        BoardGeometry geometry = jobs.board(id);
        Pt at = new Pt(x, y);
        Snap best = new Snap(x, y, "none");
        double nearest = reach;
        for (Hole h : geometry.board().holes()) {
            for (Pt p : List.of(h.from(), h.to())) {
                if (p.distance(at) <= nearest) {
                    nearest = p.distance(at);
                    best = new Snap(p.x(), p.y(), "hole");
                }
            }
        }
        Envelope window = Geo.expanded(new Envelope(at.coordinate()), reach);
        for (Layer layer : geometry.board().layers()) {
            if (!roles.contains(layer.role().id())) {
                continue;
            }
            for (Feature f : layer.features()) {
                if (f instanceof Feature.Flash flash && flash.at().distance(at) < nearest) {
                    nearest = flash.at().distance(at);
                    best = new Snap(flash.at().x(), flash.at().y(), "centre");
                }
            }
        }
        return best.kind().equals("none") ? edge(geometry, roles, at, window, reach) : best;
    }

    private static Snap edge(
            BoardGeometry geometry, List<String> roles, Pt at, Envelope window, double reach) {
        Point point = Geo.point(at);
        double nearest = reach;
        Snap best = new Snap(at.x(), at.y(), "none");
        for (Layer layer : geometry.board().layers()) {
            if (!roles.contains(layer.role().id())) {
                continue;
            }
            for (Piece p : geometry.pieces(layer.role())) {
                if (!p.envelope().intersects(window)) {
                    continue;
                }
                Coordinate[] c =
                        new org.locationtech.jts.operation.distance.DistanceOp(
                                        p.polygon().getBoundary(), point)
                                .nearestPoints();
                if (c[0].distance(c[1]) <= nearest) {
                    nearest = c[0].distance(c[1]);
                    best = new Snap(Math.round(c[0].x), Math.round(c[0].y), "edge");
                }
            }
        }
        return best;
    }
}
