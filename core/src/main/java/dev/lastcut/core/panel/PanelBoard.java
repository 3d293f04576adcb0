package dev.lastcut.core.panel;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/**
 * A panel as a board of its own: the pictures of its boards where they lie, with designators and
 * nets that end in the board's number, and what the panel adds: marks, holes, and the edge that is
 * routed.
 */
final class PanelBoard {
    /** Sizes of a mark and of the bare board about it (common practice, no source). */
    private static final double MARK_NM = 1_000_000;

    private static final double MARK_BARE_NM = 2_000_000;

    private static final double PEN_NM = 100_000;

    private static final String FROM = "panel";

    private final Panel panel;

    /** Each board's pictures, without what lies beside it, by role. */
    private final Map<PanelSource, Map<Role, List<Feature>>> pictures = new HashMap<>();

    private PanelBoard(Panel panel) {
        this.panel = panel;
    }

    static Board of(Panel panel) {
        return new PanelBoard(panel).make();
    }

    private Board make() {
        Set<SourceFile> files = new LinkedHashSet<>();
        Set<Role> roles = new LinkedHashSet<>();
        for (PlacedBoard b : panel.boards()) {
            files.addAll(b.source().geometry().board().files());
            b.source().geometry().board().layers().forEach(l -> roles.add(l.role()));
        }
        roles.add(Role.OUTLINE);
        Outline edge = edge();
        List<Layer> layers = new ArrayList<>();
        for (Role role : roles) {
            layers.add(
                    new Layer(role, FROM, role.equals(Role.OUTLINE) ? drawn(edge) : picture(role)));
        }
        return new Board(
                List.copyOf(files),
                layers,
                Optional.of(edge),
                holes(),
                netlist(),
                listed(),
                placed(),
                List.of());
    }

    private List<Feature> picture(Role role) {
        List<Feature> all = new ArrayList<>();
        for (PlacedBoard b : panel.boards()) {
            Orientation how = b.orientation();
            for (Feature f : own(b.source(), role)) {
                all.add(named(f.placed(how, b.shift(), true), b));
            }
        }
        double mark =
                switch (role.kind()) {
                    case COPPER -> role.inner() > 0 ? 0 : MARK_NM;
                    case MASK -> MARK_BARE_NM;
                    default -> 0;
                };
        if (mark > 0) {
            ObjectAttributes says =
                    role.isCopper()
                            ? new ObjectAttributes("FiducialPad,Global", "", "", "")
                            : ObjectAttributes.NONE;
            Aperture round = new Aperture.Circle(mark, 0);
            panel.fiducials()
                    .forEach(
                            at ->
                                    all.add(
                                            new Feature.Flash(
                                                    round, at, Orientation.NONE, true, 0, says)));
        }
        return all;
    }

    private List<Feature> own(PanelSource source, Role role) {
        return pictures.computeIfAbsent(source, k -> new HashMap<>())
                .computeIfAbsent(
                        role,
                        r ->
                                source.geometry()
                                        .board()
                                        .layer(r)
                                        .map(l -> source.near(l.features()))
                                        .orElse(List.of()));
    }

    static List<Segment> path(Coordinate[] ring) {
        List<Segment> path = new ArrayList<>();
        for (int i = 0; i + 1 < ring.length; i++) {
            path.add(new Segment.Line(Pt.of(ring[i]), Pt.of(ring[i + 1])));
        }
        return path;
    }

    private static Feature named(Feature f, PlacedBoard b) {
        ObjectAttributes a = f.attributes();
        if (a.net().isEmpty() && a.component().isEmpty()) {
            return f;
        }
        boolean none = a.net().equals("N/C");
        ObjectAttributes own =
                new ObjectAttributes(
                        a.function(),
                        none ? a.net() : b.named(a.net()),
                        b.named(a.component()),
                        a.pin());
        if (f instanceof Feature.Flash x) {
            return new Feature.Flash(
                    x.aperture(), x.at(), x.orientation(), x.dark(), x.line(), own);
        }
        if (f instanceof Feature.Stroke s) {
            return new Feature.Stroke(
                    s.aperture(), s.path(), s.orientation(), s.dark(), s.line(), own);
        }
        Feature.Region r = (Feature.Region) f;
        return new Feature.Region(r.contours(), r.dark(), r.line(), own);
    }

    private List<Hole> holes() {
        List<Hole> all = new ArrayList<>();
        for (PlacedBoard b : panel.boards()) {
            for (Hole h : b.source().geometry().board().holes()) {
                all.add(h.at(b.onPanel(h.from()), b.onPanel(h.to()), h.diameter()));
            }
        }
        long tooling = Length.mm(panel.plan().toolingMm());
        panel.tooling().forEach(at -> all.add(new Hole(at, at, tooling, false, FROM, 0)));
        long bite = Length.mm(panel.plan().tab().biteMm());
        for (Break.Tab t : panel.tabs()) {
            t.bites().forEach(at -> all.add(new Hole(at, at, bite, false, FROM, 0)));
        }
        return all;
    }

    private Optional<Netlist> netlist() {
        List<Netlist.Point> points = new ArrayList<>();
        String source = FROM;
        boolean any = false;
        for (PlacedBoard b : panel.boards()) {
            Optional<Netlist> own = b.source().geometry().board().netlist();
            any |= own.isPresent();
            for (Netlist.Point p : own.map(Netlist::points).orElse(List.of())) {
                points.add(
                        new Netlist.Point(
                                b.named(p.net()),
                                b.named(p.component()),
                                p.pin(),
                                b.onPanel(p.at()),
                                p.access(),
                                p.hole()));
            }
        }
        return any ? Optional.of(new Netlist(source, points)) : Optional.empty();
    }

    private Optional<List<ListedPart>> listed() {
        List<ListedPart> all = new ArrayList<>();
        boolean any = false;
        for (PlacedBoard b : panel.boards()) {
            Optional<List<ListedPart>> own = b.source().geometry().board().parts();
            any |= own.isPresent();
            for (ListedPart p : own.orElse(List.of())) {
                all.add(
                        new ListedPart(
                                b.named(p.designator()),
                                p.value(),
                                p.footprint(),
                                p.maker(),
                                p.partNumber(),
                                p.description(),
                                p.fitted(),
                                p.line(),
                                p.others()));
            }
        }
        return any ? Optional.of(all) : Optional.empty();
    }

    private Optional<List<PlacedPart>> placed() {
        List<PlacedPart> all = new ArrayList<>();
        boolean any = false;
        for (PlacedBoard b : panel.boards()) {
            Optional<List<PlacedPart>> own = b.source().geometry().board().placements();
            any |= own.isPresent();
            for (PlacedPart p : own.orElse(List.of())) {
                all.add(
                        new PlacedPart(
                                b.named(p.designator()),
                                p.value(),
                                p.footprint(),
                                b.onPanel(p.at()),
                                turned(p.rotationDeg() + b.rotationDeg()),
                                p.side(),
                                p.line()));
            }
        }
        return any ? Optional.of(all) : Optional.empty();
    }

    private static double turned(double deg) {
        return (deg % 360 + 360) % 360;
    }

    /** The largest contour is the outer one; the others are cut-outs, or boards cut out whole. */
    private Outline edge() {
        List<List<Segment>> outer = new ArrayList<>();
        List<List<Segment>> cutOuts = new ArrayList<>();
        for (Polygon p : Geo.polygons(panel.material())) {
            outer.add(path(p.getExteriorRing().getCoordinates()));
            for (int i = 0; i < p.getNumInteriorRing(); i++) {
                LineString ring = p.getInteriorRingN(i);
                cutOuts.add(path(ring.getCoordinates()));
            }
        }
        return new Outline(
                outer.get(0),
                cutOuts,
                List.of(),
                List.copyOf(outer.subList(1, outer.size())),
                List.of());
    }

    private static List<Feature> drawn(Outline edge) {
        List<List<Segment>> paths = new ArrayList<>();
        paths.add(edge.outer());
        paths.addAll(edge.cutouts());
        paths.addAll(edge.others());
        Aperture pen = new Aperture.Circle(PEN_NM, 0);
        List<Feature> all = new ArrayList<>();
        for (List<Segment> path : paths) {
            for (Segment s : path) {
                all.add(
                        new Feature.Stroke(
                                pen, s, Orientation.NONE, true, 0, ObjectAttributes.NONE));
            }
        }
        return all;
    }
}
