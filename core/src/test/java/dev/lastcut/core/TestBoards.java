package dev.lastcut.core;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.formats.table.PartsListReader;
import dev.lastcut.core.formats.table.PlacementReader;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Puts small boards together for tests; lengths in mm. */
public final class TestBoards {
    /** Parts are fitted on both sides, as far as the shop does. */
    public static final Order FITTED = Order.USUAL.with(OrderOption.ASSEMBLY, "both");

    private Optional<List<ListedPart>> listed = Optional.empty();
    private Optional<List<PlacedPart>> placed = Optional.empty();
    private final Map<Role, List<Feature>> layers = new LinkedHashMap<>();
    private final List<Hole> holes = new ArrayList<>();
    private final List<Netlist.Point> points = new ArrayList<>();
    private Role role = Role.of(Role.Kind.COPPER, Side.TOP);

    public TestBoards on(Role.Kind kind, Side side) {
        return on(Role.of(kind, side));
    }

    public TestBoards on(Role newRole) {
        role = newRole;
        layers.computeIfAbsent(role, k -> new ArrayList<>());
        return this;
    }

    public TestBoards add(Feature f) {
        layers.computeIfAbsent(role, k -> new ArrayList<>()).add(f);
        return this;
    }

    public TestBoards round(double x, double y, double diameter) {
        return flash(new Aperture.Circle(Length.mm(diameter), 0), x, y, 0);
    }

    public TestBoards box(double x, double y, double w, double h, double turnDeg) {
        return flash(new Aperture.Rectangle(Length.mm(w), Length.mm(h), 0), x, y, turnDeg);
    }

    private TestBoards flash(Aperture a, double x, double y, double turnDeg) {
        Orientation turn = turnDeg == 0 ? Orientation.NONE : new Orientation(false, turnDeg, 1);
        return add(new Feature.Flash(a, Pt.mm(x, y), turn, true, 0, ObjectAttributes.NONE));
    }

    public TestBoards line(double width, double x0, double y0, double x1, double y1) {
        return stroke(width, new Segment.Line(Pt.mm(x0, y0), Pt.mm(x1, y1)));
    }

    /** Counter-clockwise about the centre, from and to the given angles. */
    public TestBoards arc(
            double width, double cx, double cy, double r, double fromDeg, double toDeg) {
        double a = Math.toRadians(fromDeg);
        double b = Math.toRadians(toDeg);
        Pt from = Pt.mm(cx + r * Math.cos(a), cy + r * Math.sin(a));
        Pt to = Pt.mm(cx + r * Math.cos(b), cy + r * Math.sin(b));
        return stroke(width, new Segment.Arc(from, to, Length.mm(cx), Length.mm(cy), false));
    }

    private TestBoards stroke(double width, Segment path) {
        return add(
                new Feature.Stroke(
                        new Aperture.Circle(Length.mm(width), 0),
                        path,
                        Orientation.NONE,
                        true,
                        0,
                        ObjectAttributes.NONE));
    }

    public TestBoards hole(double x, double y, double diameter, boolean plated) {
        holes.add(new Hole(Pt.mm(x, y), Pt.mm(x, y), Length.mm(diameter), plated, "holes", 1));
        return this;
    }

    public TestBoards slot(
            double x0, double y0, double x1, double y1, double width, boolean plated) {
        holes.add(new Hole(Pt.mm(x0, y0), Pt.mm(x1, y1), Length.mm(width), plated, "holes", 1));
        return this;
    }

    /** A filled area with straight sides; x and y in turn. */
    public TestBoards area(double... xy) {
        List<Segment> sides = new ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            int next = (i + 2) % xy.length;
            sides.add(new Segment.Line(Pt.mm(xy[i], xy[i + 1]), Pt.mm(xy[next], xy[next + 1])));
        }
        return add(new Feature.Region(List.of(sides), true, 0, ObjectAttributes.NONE));
    }

    /** A round place erased from what was drawn before. */
    public TestBoards clear(double x, double y, double diameter) {
        Aperture a = new Aperture.Circle(Length.mm(diameter), 0);
        return add(
                new Feature.Flash(
                        a, Pt.mm(x, y), Orientation.NONE, false, 0, ObjectAttributes.NONE));
    }

    /** A pin whose lead goes through the board. */
    public TestBoards lead(String net, String part, String pin, double x, double y) {
        points.add(new Netlist.Point(net, part, pin, Pt.mm(x, y), Optional.empty(), true));
        return this;
    }

    public TestBoards pin(String net, String part, String pin, double x, double y) {
        return pin(net, part, pin, x, y, Side.TOP);
    }

    public TestBoards pin(String net, String part, String pin, double x, double y, Side access) {
        points.add(new Netlist.Point(net, part, pin, Pt.mm(x, y), Optional.of(access), false));
        return this;
    }

    /** A parts list in its usual columns. */
    public TestBoards listed(String... lines) {
        listed =
                Optional.of(
                        PartsListReader.read(
                                        "parts.csv", csv("Ref,Value,Package,MPN,Fitted", lines))
                                .parts());
        return this;
    }

    /** A placement in mm. */
    public TestBoards placed(String... lines) {
        placed =
                Optional.of(
                        PlacementReader.read(
                                        "placement.csv",
                                        csv("Ref,Value,Package,X,Y,Rotation,Side", lines))
                                .parts());
        return this;
    }

    private static byte[] csv(String header, String[] lines) {
        return (header + "\n" + String.join("\n", lines)).getBytes(StandardCharsets.UTF_8);
    }

    public TestBoards outline(double x0, double y0, double x1, double y1) {
        on(Role.OUTLINE);
        line(0.1, x0, y0, x1, y0).line(0.1, x1, y0, x1, y1);
        return line(0.1, x1, y1, x0, y1).line(0.1, x0, y1, x0, y0);
    }

    public Board board() {
        List<Layer> list = new ArrayList<>();
        layers.forEach((r, features) -> list.add(new Layer(r, r.id() + ".gbr", features)));
        list.sort((a, b) -> Boolean.compare(b.role().isCopper(), a.role().isCopper()));
        return new Board(
                List.of(),
                list,
                Optional.ofNullable(layers.get(Role.OUTLINE)).map(OutlineBuilder::build),
                holes,
                points.isEmpty() ? Optional.empty() : Optional.of(new Netlist("netlist", points)),
                listed,
                placed,
                List.of());
    }

    /** A house with the given numbers, in mm. */
    public static CapabilitySheet house(Map<LimitKey, Double> limits) {
        Map<LimitKey, Limit> all = new EnumMap<>(LimitKey.class);
        limits.forEach(
                (k, v) ->
                        all.put(
                                k,
                                new Limit(
                                        v,
                                        k.isRatio() ? Limit.RATIO : "mm",
                                        "test",
                                        "2026-01-01")));
        return new CapabilitySheet(
                "test",
                "Test house",
                CapabilitySheet.Kind.HOUSE,
                "",
                all,
                4,
                true,
                Map.of(
                        OrderOption.THICKNESS, List.of("1.6", "0.8"),
                        OrderOption.FOIL, List.of("0.127", "0.1"),
                        OrderOption.VIA_COVER, List.of("as in the files", "tented", "open")),
                List.of(),
                new Price("EUR", 0, 0, 0),
                Optional.empty());
    }
}
