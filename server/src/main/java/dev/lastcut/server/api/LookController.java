package dev.lastcut.server.api;

import dev.lastcut.core.assembly.HeightZone;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Shade;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.check.design.DesignClass;
import dev.lastcut.core.compare.BoardChanges;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetFacts;
import dev.lastcut.core.geometry.Clearing;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.print.TrueScalePrint;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.RefusedException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is asked at Look over: facts, nets, changes since the last revision, true-scale prints. */
@RestController
@RequestMapping("/api/jobs/{id}")
class LookController {
    /** 1.6 mm (common practice, no source). */
    private static final double USUAL_THICKNESS_NM = 1_600_000;

    private static final int MOST_CUT_HOLES = 600;

    private final JobService jobs;

    LookController(JobService jobs) {
        this.jobs = jobs;
    }

    /** A copper layer's area, mm², and its share of the board, 0 without an outline. */
    record CopperArea(String role, String words, double areaMm2, double share) {}

    /** One of the numbers that make the design's class; places in nm. */
    record SmallestView(String what, double nm, String layer, long x0, long y0, long x1, long y1) {}

    record FactsView(double areaMm2, List<CopperArea> copper, List<SmallestView> smallest) {}

    /** Lengths in nm; the box around the net in nm. */
    record NetLine(
            int net,
            String name,
            double lengthNm,
            double narrowestNm,
            int pads,
            int holes,
            int layers,
            double minX,
            double minY,
            double maxX,
            double maxY) {}

    /** Areas in mm²; {@code index} asks for the picture at {@code changes/{index}/{which}}. */
    record LayerChangeView(
            int index, String role, String words, double addedMm2, double removedMm2) {}

    record PlaceChange(String what, long x, long y) {}

    record PartChangeView(String designator, String what, Long x, Long y) {}

    /** {@code since} is the revision compared with; 0 when there is none. */
    record ChangesView(
            int since,
            List<LayerChangeView> layers,
            List<PlaceChange> holes,
            List<PartChangeView> parts) {}

    @GetMapping("/facts")
    FactsView facts(@PathVariable long id) {
        BoardGeometry geometry = jobs.board(id);
        double board = geometry.boardArea().getArea();
        List<CopperArea> copper = new ArrayList<>();
        for (Layer l : geometry.board().copper()) {
            double area = geometry.area(l.role()).getArea();
            copper.add(
                    new CopperArea(
                            l.role().id(),
                            l.role().words(),
                            area / 1e12,
                            board > 0 ? area / board : 0));
        }
        DesignClass own = DesignClass.of(geometry);
        List<SmallestView> smallest = new ArrayList<>();
        add(smallest, "track", own.track());
        add(smallest, "gap", own.gap());
        add(smallest, "ring", own.ring());
        add(smallest, "hole", own.hole());
        return new FactsView(board / 1e12, copper, smallest);
    }

    private static void add(
            List<SmallestView> to, String what, Optional<DesignClass.Smallest> found) {
        found.ifPresent(
                s ->
                        to.add(
                                new SmallestView(
                                        what,
                                        s.measure().nm(),
                                        Role.parse(s.layer()).map(Role::words).orElse(s.layer()),
                                        s.measure().from().x(),
                                        s.measure().from().y(),
                                        s.measure().to().x(),
                                        s.measure().to().y())));
    }

    @GetMapping("/nets")
    List<NetLine> nets(@PathVariable long id) {
        BoardGeometry geometry = jobs.board(id);
        return NetFacts.of(geometry).stream()
                .map(
                        f ->
                                new NetLine(
                                        f.net(),
                                        geometry.netName(f.net()),
                                        f.lengthNm(),
                                        f.narrowestNm(),
                                        f.pads(),
                                        f.holes(),
                                        f.layers(),
                                        f.extent().getMinX(),
                                        f.extent().getMinY(),
                                        f.extent().getMaxX(),
                                        f.extent().getMaxY()))
                .toList();
    }

    @GetMapping("/changes")
    ChangesView changes(@PathVariable long id) {
        Optional<BoardChanges> found = jobs.changes(id);
        if (found.isEmpty()) {
            return new ChangesView(0, List.of(), List.of(), List.of());
        }
        return changes(jobs.revision(id) - 1, found.get());
    }

    /** Changes in words; places in nm. */
    static ChangesView changes(int since, BoardChanges c) {
        List<LayerChangeView> layers = new ArrayList<>();
        for (int i = 0; i < c.layers().size(); i++) {
            var l = c.layers().get(i);
            layers.add(
                    new LayerChangeView(
                            i,
                            l.role().id(),
                            l.role().words(),
                            l.added().getArea() / 1e12,
                            l.removed().getArea() / 1e12));
        }
        return new ChangesView(
                since,
                layers,
                c.holes().stream()
                        .map(h -> new PlaceChange(words(h), h.at().x(), h.at().y()))
                        .toList(),
                c.parts().stream()
                        .map(
                                p ->
                                        new PartChangeView(
                                                p.designator(),
                                                p.what(),
                                                p.at().map(a -> a.x()).orElse(null),
                                                p.at().map(a -> a.y()).orElse(null)))
                        .toList());
    }

    private static String words(BoardChanges.HoleChange h) {
        if (h.before().isEmpty()) {
            return "added: " + hole(h.after().orElseThrow());
        }
        return h.after()
                .map(a -> hole(h.before().orElseThrow()) + " → " + hole(a))
                .orElseGet(() -> "removed: " + hole(h.before().orElseThrow()));
    }

    private static String hole(Hole h) {
        return (h.plated() ? "plated " : "unplated ") + Shapes.of(h);
    }

    /** The copper added or removed on a changed layer, packed as a layer is. */
    @GetMapping(
            path = "/changes/{index}/{which}",
            produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> changedArea(
            @PathVariable long id, @PathVariable int index, @PathVariable String which) {
        List<BoardChanges.LayerChange> layers =
                jobs.changes(id).map(BoardChanges::layers).orElse(List.of());
        if (index < 0 || index >= layers.size() || !which.matches("added|removed")) {
            throw new NotFoundException("There is no change " + index + " " + which + ".");
        }
        Geometry area =
                which.equals("added") ? layers.get(index).added() : layers.get(index).removed();
        return ResponseEntity.ok(LayerBytes.of(area));
    }

    /**
     * A part as a box, turned about its middle; lengths in nm.
     *
     * @param known false when its size is only that of its pads, or less
     */
    record BodyView(
            String designator,
            String side,
            double x,
            double y,
            double length,
            double width,
            double angleDeg,
            double height,
            boolean throughHole,
            boolean known,
            boolean guessed,
            boolean fitted,
            boolean tooHigh) {
        static BodyView of(PartBodies.Body b, boolean tooHigh) {
            return new BodyView(
                    b.designator(),
                    b.side().word(),
                    b.centre().x,
                    b.centre().y,
                    b.length(),
                    b.width(),
                    b.angleDeg(),
                    b.heightNm(),
                    b.throughHole(),
                    b.isKnown(),
                    b.source() == PartBodies.Source.GUESSED,
                    b.fitted(),
                    tooHigh);
        }
    }

    /** A designator that the netlist or the copper files name, and the middle of its pads, nm. */
    record NamedPlace(String designator, double x, double y) {}

    @GetMapping("/named")
    List<NamedPlace> named(@PathVariable long id) {
        Map<String, Envelope> boxes = new TreeMap<>();
        jobs.board(id)
                .reference()
                .ifPresent(
                        r ->
                                r.anchors().stream()
                                        .filter(a -> a.point().isPin())
                                        .forEach(
                                                a ->
                                                        boxes.computeIfAbsent(
                                                                        a.point().component(),
                                                                        k -> new Envelope())
                                                                .expandToInclude(
                                                                        a.point()
                                                                                .at()
                                                                                .coordinate())));
        return boxes.entrySet().stream()
                .map(
                        e ->
                                new NamedPlace(
                                        e.getKey(),
                                        e.getValue().centre().x,
                                        e.getValue().centre().y))
                .toList();
    }

    /** What the solid view needs besides the layers; the thickness is a usual one. */
    record SolidView(double thicknessNm, List<BodyView> bodies, List<SlabView> zones) {}

    /** The underside of a height zone: rings as flat lists of x, y in nm. */
    record SlabView(String name, String side, double atMostNm, List<double[]> rings) {
        static SlabView of(HeightZone z, Geometry board) {
            return new SlabView(
                    z.name(),
                    z.side().word(),
                    Length.mm(z.atMostMm()),
                    Rings.of(z.isWholeBoard() ? board : z.shape()));
        }
    }

    @GetMapping("/solid")
    SolidView solid(@PathVariable long id) {
        PartsPlan plan = jobs.ticket(id).parts();
        List<HeightZone> zones = plan.heights().zones();
        Geometry board = jobs.board(id).boardArea();
        List<PartBodies.Body> bodies = PartBodies.of(jobs.board(id), plan);
        Set<PartBodies.Body> high = new HashSet<>();
        for (PartBodies.Body b : bodies) {
            if (zones.stream().anyMatch(z -> z.isTooLowFor(b))) {
                high.add(b);
            }
            Optional.ofNullable(plan.heights().unshaded().get(b.designator()))
                    .flatMap(deg -> Shade.of(b, deg, bodies, PartBodies.Body::fitted))
                    .ifPresent(s -> high.add(s.by()));
        }
        return new SolidView(
                USUAL_THICKNESS_NM,
                bodies.stream().map(b -> BodyView.of(b, high.contains(b))).toList(),
                zones.stream().map(z -> SlabView.of(z, board)).toList());
    }

    /**
     * The board's surface with its cut-outs and holes taken away, packed as a layer is. Of very
     * many holes the widest are cut; the rest show in the picture alone.
     */
    @GetMapping(path = "/solid/board", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> surface(@PathVariable long id) {
        BoardGeometry geometry = jobs.board(id);
        Geometry board =
                geometry.board().outline().map(o -> o.area(Flattener.SCREEN)).orElse(Geo.empty());
        List<Geometry> holes =
                geometry.board().holes().stream()
                        .sorted(Comparator.comparingLong(Hole::diameter).reversed())
                        .limit(MOST_CUT_HOLES)
                        .map(h -> h.shape(Flattener.SCREEN))
                        .toList();
        return ResponseEntity.ok(LayerBytes.of(Clearing.of(board, holes)));
    }

    /** The board on A4 at 1:1; {@code inks} are the colours of composed layers as rrggbb. */
    @GetMapping(path = "/print", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> print(
            @PathVariable long id,
            @RequestParam List<String> roles,
            @RequestParam(defaultValue = "") List<String> inks,
            @RequestParam(defaultValue = "false") boolean composed,
            @RequestParam(defaultValue = "false") boolean mirrored) {
        BoardGeometry geometry = jobs.board(id);
        List<Role> wanted =
                geometry.board().layers().stream()
                        .map(Layer::role)
                        .filter(r -> roles.contains(r.id()))
                        .toList();
        if (wanted.isEmpty()) {
            throw new RefusedException("Choose at least one layer to print.");
        }
        TrueScalePrint.Order order =
                new TrueScalePrint.Order(
                        jobs.job(id).name(), wanted, composed, mirrored, r -> ink(r, roles, inks));
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "inline; filename=\"true-scale-" + id + ".pdf\"")
                .body(TrueScalePrint.pdf(geometry, order));
    }

    private static int[] ink(Role role, List<String> roles, List<String> inks) {
        int at = roles.indexOf(role.id());
        boolean given = at >= 0 && at < inks.size() && inks.get(at).matches("[0-9a-fA-F]{6}");
        int rgb = given ? Integer.parseInt(inks.get(at), 16) : 0x444444;
        return new int[] {rgb >> 16, (rgb >> 8) & 255, rgb & 255};
    }
}
