package dev.lastcut.core.intake;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Connections;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.board.Span;
import dev.lastcut.core.formats.gerber.GerberFile;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.intake.reading.Reading;
import dev.lastcut.core.intake.roles.HoleRoles;
import dev.lastcut.core.intake.roles.PackFacts;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/** Puts the board together from files whose roles are settled. */
final class BoardAssembler {
    /** How far beyond its objects a negative picture is filled where there is no outline. */
    private static final long MARGIN_NM = 1_000_000;

    private final List<SourceFile> files;
    private final Map<String, Reading> readings;
    private final PackFacts facts;
    private final Placements placements;
    private final List<Problem> problems;
    private Optional<OutlineElsewhere.Found> elsewhere;

    BoardAssembler(
            List<SourceFile> files,
            Map<String, Reading> readings,
            PackFacts facts,
            Placements placements,
            List<Problem> problems) {
        this.files = files;
        this.readings = readings;
        this.facts = facts;
        this.placements = placements;
        this.problems = problems;
    }

    Board board() {
        Optional<Outline> outline = outline();
        List<Layer> layers = new ArrayList<>();
        List<Hole> holes = new ArrayList<>();
        Optional<Netlist> netlist = Optional.empty();
        Optional<List<ListedPart>> parts = Optional.empty();
        Optional<List<PlacedPart>> placed = Optional.empty();
        Optional<Connections> connections = Optional.empty();
        for (SourceFile f : files) {
            Reading reading = readings.get(f.path());
            if (reading instanceof Reading.Drawn d && f.role().equals(Role.OUTLINE)) {
                layers.add(new Layer(f.role(), f.path(), d.drawing().features()));
            } else if (reading instanceof Reading.Gerber g && f.role().isPicture()) {
                layers.add(new Layer(f.role(), f.path(), picture(f.role(), g.file(), outline)));
            } else if (reading instanceof Reading.Drill d && f.role().equals(Role.OUTLINE)) {
                layers.add(new Layer(f.role(), f.path(), DrillEdges.lines(d.file())));
            } else if (reading instanceof Reading.Drill d && f.role().isHoles()) {
                holes.addAll(plated(d, f.role()));
            } else if (reading instanceof Reading.Gerber g && f.role().isHoles()) {
                holes.addAll(drawn(f, g.file()));
            } else if (reading instanceof Reading.Nets n && f.role().equals(Role.NETLIST)) {
                netlist = Optional.of(n.result().netlist());
            } else if (reading instanceof Reading.Connected c
                    && f.role().equals(Role.CONNECTIONS)) {
                connections = Optional.of(c.result().connections());
            } else if (reading instanceof Reading.Parts p && f.role().equals(Role.PARTS_LIST)) {
                parts = Optional.of(p.result().parts());
            } else if (reading instanceof Reading.Placements && f.role().equals(Role.PLACEMENT)) {
                placed = Optional.of(both(placed, placements.of(f.path())));
            } else if (reading instanceof Reading.Gerber g && f.role().equals(Role.PLACEMENT)) {
                placed = Optional.of(both(placed, g.file().components()));
            } else if (!f.role().equals(Role.UNKNOWN) && !f.role().equals(Role.NOT_PART)) {
                problems.add(
                        new Problem(
                                Problem.Code.NOT_READABLE,
                                f.path(),
                                0,
                                "its content cannot serve as " + f.role().words(),
                                "not used; choose another role"));
            }
        }
        routed().ifPresent(
                        f -> {
                            List<Feature> lines = DrillEdges.lines(drill(f.path()).file());
                            layers.add(new Layer(Role.OUTLINE, f.path(), lines));
                            problems.add(
                                    new Problem(
                                            Problem.Code.FORMAT_GUESSED,
                                            f.path(),
                                            0,
                                            "the board outline stands in it only, as a routed path",
                                            "the middle of the path is taken as the board's edge;"
                                                    + " compare the board's size"));
                        });
        elsewhere().ifPresent(e -> layers.add(new Layer(Role.OUTLINE, e.path(), e.lines())));
        layers.sort(Comparator.comparingInt(l -> rank(l.role())));
        return new Board(
                files, layers, outline, holes, netlist, parts, placed, connections, problems);
    }

    /** Placements come in one table, or in one for each side. */
    private static List<PlacedPart> both(Optional<List<PlacedPart>> first, List<PlacedPart> more) {
        List<PlacedPart> all = new ArrayList<>(first.orElse(List.of()));
        all.addAll(more);
        return all;
    }

    private Optional<Outline> outline() {
        for (SourceFile f : files) {
            if (f.role().equals(Role.OUTLINE)) {
                Reading reading = readings.get(f.path());
                if (reading instanceof Reading.Gerber g) {
                    return Optional.of(OutlineBuilder.build(g.file().features()));
                }
                if (reading instanceof Reading.Drawn d) {
                    return Optional.of(OutlineBuilder.build(d.drawing().features()));
                }
                if (reading instanceof Reading.Drill d) {
                    return Optional.of(OutlineBuilder.build(DrillEdges.lines(d.file())));
                }
            }
        }
        return routed().map(f -> OutlineBuilder.build(DrillEdges.lines(drill(f.path()).file())))
                .or(() -> elsewhere().map(e -> OutlineBuilder.build(e.lines())));
    }

    /** The drill file that routes the board's edge, where no other file draws it. */
    private Optional<SourceFile> routed() {
        boolean drawn = files.stream().anyMatch(f -> f.role().equals(Role.OUTLINE));
        return drawn
                ? Optional.empty()
                : files.stream()
                        .filter(f -> f.role().isHoles() && drill(f.path()) != null)
                        .filter(f -> !drill(f.path()).file().routes().isEmpty())
                        .findFirst();
    }

    /** A closed line about everything in another picture, where no file is an outline. */
    private Optional<OutlineElsewhere.Found> elsewhere() {
        if (elsewhere == null) {
            boolean drawn = files.stream().anyMatch(f -> f.role().equals(Role.OUTLINE));
            boolean asked =
                    files.stream()
                            .anyMatch(f -> f.doubt().isPresent() && f.role().equals(Role.UNKNOWN));
            elsewhere =
                    drawn || asked || routed().isPresent()
                            ? Optional.empty()
                            : OutlineElsewhere.find(readings);
            elsewhere.ifPresent(this::tellEdge);
            // Of several closed lines it is not known which is the edge: then there is none.
            elsewhere = elsewhere.filter(e -> e.others() == 0);
        }
        return elsewhere;
    }

    private void tellEdge(OutlineElsewhere.Found e) {
        boolean one = e.others() == 0;
        problems.add(
                new Problem(
                        Problem.Code.FORMAT_GUESSED,
                        e.path(),
                        0,
                        one
                                ? "no file is an outline; a closed line in it goes about all pads"
                                : "no file is an outline; several closed lines go about all pads",
                        one
                                ? "it is taken as the board's edge; compare the board's size"
                                : "none is taken; bring in an outline"));
    }

    private Reading.Drill drill(String path) {
        return readings.get(path) instanceof Reading.Drill d ? d : null;
    }

    /**
     * A copper picture that is declared negative: the board's surface less what is drawn. Mask
     * files are negative by nature and hold their openings.
     */
    private List<Feature> picture(Role role, GerberFile file, Optional<Outline> outline) {
        boolean stated =
                "Negative".equalsIgnoreCase(file.attributes().getOrDefault("FilePolarity", ""));
        if (!(file.negative() || stated) || !role.isCopper()) {
            return file.features();
        }
        List<Feature> all = new ArrayList<>();
        List<Segment> edge =
                outline.map(Outline::outer).filter(o -> !o.isEmpty()).orElse(box(file.features()));
        all.add(new Feature.Region(List.of(edge), true, 0, ObjectAttributes.NONE));
        for (Feature f : file.features()) {
            // Placing with keepPolarity false turns dark into clear.
            all.add(f.placed(Orientation.NONE, Pt.ORIGIN, false));
        }
        return all;
    }

    private static List<Segment> box(List<Feature> features) {
        Envelope e = OutlineFit.extent(features);
        long x0 = Math.round(e.getMinX()) - MARGIN_NM;
        long y0 = Math.round(e.getMinY()) - MARGIN_NM;
        long x1 = Math.round(e.getMaxX()) + MARGIN_NM;
        long y1 = Math.round(e.getMaxY()) + MARGIN_NM;
        Pt[] corners = {new Pt(x0, y0), new Pt(x1, y0), new Pt(x1, y1), new Pt(x0, y1)};
        List<Segment> edge = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            edge.add(new Segment.Line(corners[i], corners[(i + 1) % 4]));
        }
        return edge;
    }

    private List<Hole> plated(Reading.Drill d, Role role) {
        if (role.equals(Role.MIXED_HOLES)) {
            return d.file().mixed()
                    ? d.file().holes()
                    : HoleRoles.judged(facts, files, d.file().holes());
        }
        boolean plated = role.equals(Role.PLATED_HOLES);
        return d.file().holes().stream().map(h -> h.withPlating(plated)).toList();
    }

    /** A drill file written as Gerber: round flashes are holes, round strokes are slots. */
    private static List<Hole> drawn(SourceFile f, GerberFile file) {
        Span span = Span.of(file.fileFunction().orElse(""));
        boolean plated = !f.role().equals(Role.UNPLATED_HOLES);
        List<Hole> holes = new ArrayList<>();
        for (Feature feature : file.features()) {
            if (feature instanceof Feature.Flash x && x.aperture() instanceof Aperture.Circle c) {
                long d = Math.round(c.diameter() * x.orientation().scale());
                holes.add(new Hole(x.at(), x.at(), d, plated, f.path(), x.line(), span));
            } else if (feature instanceof Feature.Stroke s && s.roundWidth() > 0) {
                long d = Math.round(s.roundWidth());
                Pt from = s.path().from();
                holes.add(new Hole(from, s.path().to(), d, plated, f.path(), s.line(), span));
            }
        }
        return holes;
    }

    /** Copper first, from top to bottom; then mask, paste, silk; then the outline. */
    private static int rank(Role role) {
        int kind = role.kind().ordinal() * 100;
        if (role.inner() > 0) {
            return kind + role.inner();
        }
        return kind + (role.side().equals(Optional.of(Side.BOTTOM)) ? 99 : 0);
    }
}
