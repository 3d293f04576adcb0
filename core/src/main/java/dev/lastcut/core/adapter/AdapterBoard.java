package dev.lastcut.core.adapter;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.formats.netlist.NetlistWriter;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.picture.Lettering;
import java.util.ArrayList;
import java.util.List;

/**
 * An adapter drawn. The part lies in the middle; on each of its sides the tracks run straight out
 * of the pads and then fan to the header row, which lies so far off that neighbours keep their
 * distance: parallel rows joined in order never cross, and a slant of at most {@link #STEEPEST_DEG}
 * keeps two of them the cosine of it times the pitch apart.
 */
final class AdapterBoard {
    static final double GRID = 2.54;
    static final double STEEPEST_DEG = 30;

    private static final double HEADER_PAD = 1.7;
    private static final double HEADER_HOLE = 1.0;
    private static final double MASK_GROWTH = 0.05;
    private static final double EDGE = 1.8;
    private static final double SILK = 0.15;
    private static final double TEXT = 1.0;
    private static final double VIA_HOLE = 0.3;
    private static final double VIA_PAD = 0.7;
    private static final double LEAST_PANE = 0.25;
    private static final double EXPOSED_TRACK = 0.5;

    /** A pin of the part: its pad, and the hole of the header it is brought to. */
    record Lead(int number, double padX, double padY, int side, double headX, double headY) {}

    private final AdapterForm form;
    private final LandPattern land;
    final List<Lead> leads = new ArrayList<>();
    final List<Feature> copperTop = new ArrayList<>();
    final List<Feature> copperBottom = new ArrayList<>();
    final List<Feature> maskTop = new ArrayList<>();
    final List<Feature> maskBottom = new ArrayList<>();
    final List<Feature> paste = new ArrayList<>();
    final List<Feature> silk = new ArrayList<>();
    final List<Feature> edge = new ArrayList<>();
    final List<Hole> holes = new ArrayList<>();
    final List<NetlistWriter.Place> places = new ArrayList<>();

    /** From the middle to the header rows at the left and the right, and above and below. */
    private double rowX;

    private double rowY;

    AdapterBoard(AdapterForm form) {
        this.form = form;
        land = form.land();
        leads();
        leads.forEach(this::draw);
        if (form.exposedPad() > 0) {
            exposed();
        }
        outline();
        lettering();
    }

    /** How many pins there are, the exposed pad included. */
    int pins() {
        return form.pins() + (form.exposedPad() > 0 ? 1 : 0);
    }

    private void leads() {
        int n = form.pinsPerRow();
        double fan = (n - 1) / 2.0 * (GRID - form.pitch());
        double out = land.outerEdge() + Math.max(1.5, fan / Math.tan(Math.toRadians(STEEPEST_DEG)));
        double half = (n - 1) / 2.0 * GRID;
        if (form.rows() == 4) {
            // The rows of neighbouring sides must not meet at the corners.
            out = Math.max(out, half + GRID);
        }
        // Rows on one grid: those of four sides as the pins of the others, those of two in steps.
        double first = form.rows() == 4 ? half % GRID : 0;
        double row =
                form.rows() == 4
                        ? first + Math.ceil((out - first) / GRID - 1e-9) * GRID
                        : Math.ceil(2 * out / GRID - 1e-9) * GRID / 2;
        rowX = row;
        rowY = form.rows() == 4 ? row : half;
        double pad = (land.outerEdge() + land.innerEdge()) / 2;
        for (int i = 0; i < form.pins(); i++) {
            int side = i / n;
            double along = (i % n - (n - 1) / 2.0);
            double p = along * form.pitch();
            double h = along * GRID;
            // Counted counter-clockwise from the upper left, seen from above.
            boolean right = form.rows() == 2 ? side == 1 : side == 2;
            boolean bottom = form.rows() == 4 && side == 1;
            boolean top = form.rows() == 4 && side == 3;
            if (bottom) {
                leads.add(new Lead(i + 1, p, -pad, 1, h, -row));
            } else if (right) {
                leads.add(new Lead(i + 1, pad, p, 2, row, h));
            } else if (top) {
                leads.add(new Lead(i + 1, -p, pad, 3, -h, row));
            } else {
                leads.add(new Lead(i + 1, -pad, -p, 0, -row, -h));
            }
        }
    }

    private void draw(Lead l) {
        boolean upright = l.side() % 2 == 1;
        double w = upright ? land.padWidth() : land.padLength();
        double h = upright ? land.padLength() : land.padWidth();
        Pt at = pt(l.padX(), l.padY());
        String net = "P" + l.number();
        String pin = String.valueOf(l.number());
        ObjectAttributes pad = new ObjectAttributes("SMDPad,CuDef", net, "U1", pin);
        copperTop.add(flash(rectangle(w, h), at, pad));
        maskTop.add(
                flash(
                        rectangle(w + 2 * MASK_GROWTH, h + 2 * MASK_GROWTH),
                        at,
                        ObjectAttributes.NONE));
        paste.add(flash(rectangle(w, h), at, ObjectAttributes.NONE));
        places.add(
                new NetlistWriter.Place(
                        net, "U1", pin, at, 1, 0, false, Length.mm(w), Length.mm(h)));
        header(l.headX(), l.headY(), net, headerOf(l), headerPin(l));
        ObjectAttributes track = new ObjectAttributes("Conductor", net, "", "");
        double out = land.outerEdge();
        Pt end =
                switch (l.side()) {
                    case 0 -> pt(-out, l.padY());
                    case 1 -> pt(l.padX(), -out);
                    case 2 -> pt(out, l.padY());
                    default -> pt(l.padX(), out);
                };
        copperTop.add(stroke(new Segment.Line(at, end), land.trackWidth(), track));
        copperTop.add(
                stroke(new Segment.Line(end, pt(l.headX(), l.headY())), land.trackWidth(), track));
    }

    private String headerOf(Lead l) {
        return "J" + (form.rows() == 2 && l.side() == 2 ? 2 : l.side() + 1);
    }

    private String headerPin(Lead l) {
        return String.valueOf((l.number() - 1) % form.pinsPerRow() + 1);
    }

    private void header(double x, double y, String net, String part, String pin) {
        Pt at = pt(x, y);
        Aperture round = new Aperture.Circle(Length.mm(HEADER_PAD), 0);
        Aperture open = new Aperture.Circle(Length.mm(HEADER_PAD + 2 * MASK_GROWTH), 0);
        ObjectAttributes is = new ObjectAttributes("ComponentPad", net, part, pin);
        copperTop.add(flash(round, at, is));
        copperBottom.add(flash(round, at, is));
        maskTop.add(flash(open, at, ObjectAttributes.NONE));
        maskBottom.add(flash(open, at, ObjectAttributes.NONE));
        holes.add(new Hole(at, at, Length.mm(HEADER_HOLE), true, "", 0));
        places.add(
                new NetlistWriter.Place(
                        net,
                        part,
                        pin,
                        at,
                        0,
                        Length.mm(HEADER_HOLE),
                        true,
                        Length.mm(HEADER_PAD),
                        Length.mm(HEADER_PAD)));
    }

    /** The pad under the body, joined on the bottom to a header pin of its own below the others. */
    private void exposed() {
        double size = form.exposedPad();
        String net = "P" + pins();
        Pt middle = pt(0, 0);
        copperTop.add(
                flash(
                        rectangle(size, size),
                        middle,
                        new ObjectAttributes("SMDPad,CuDef", net, "U1", String.valueOf(pins()))));
        double open = size + 2 * MASK_GROWTH;
        maskTop.add(flash(rectangle(open, open), middle, ObjectAttributes.NONE));
        // Window panes about the hole: about half of the pad, so that the part does not float.
        double from = VIA_HOLE / 2 + 0.1;
        double pane = size * 0.46 - from;
        for (int i = -1; pane >= LEAST_PANE && i <= 1; i += 2) {
            for (int j = -1; j <= 1; j += 2) {
                double off = from + pane / 2;
                paste.add(
                        flash(rectangle(pane, pane), pt(i * off, j * off), ObjectAttributes.NONE));
            }
        }
        places.add(
                new NetlistWriter.Place(
                        net,
                        "U1",
                        String.valueOf(pins()),
                        middle,
                        1,
                        0,
                        false,
                        Length.mm(size),
                        Length.mm(size)));
        copperBottom.add(
                flash(
                        new Aperture.Circle(Length.mm(VIA_PAD), 0),
                        middle,
                        new ObjectAttributes("ViaPad", net, "", "")));
        holes.add(new Hole(middle, middle, Length.mm(VIA_HOLE), true, "", 0));
        double x = lowestX();
        double y = -(rowY + GRID);
        ObjectAttributes track = new ObjectAttributes("Conductor", net, "", "");
        Pt bend = pt(x, x == 0 ? 0 : -x);
        copperBottom.add(stroke(new Segment.Line(middle, bend), EXPOSED_TRACK, track));
        copperBottom.add(stroke(new Segment.Line(bend, pt(x, y)), EXPOSED_TRACK, track));
        header(x, y, net, "J" + (form.rows() + 1), "1");
        lowest = y;
    }

    /** Where the header pin of the exposed pad is; NaN without one. */
    double lowest = Double.NaN;

    /** Where it is along the row. */
    double lowestX() {
        return form.rows() == 4 && form.pinsPerRow() % 2 == 1 ? GRID / 2 : 0;
    }

    private double bottom() {
        return (Double.isNaN(lowest) ? -rowY : lowest) - EDGE;
    }

    private void outline() {
        double x = rowX + EDGE;
        double top = rowY + EDGE + (form.rows() == 2 ? headroom() : 0);
        Pt a = pt(-x, bottom());
        Pt b = pt(x, bottom());
        Pt c = pt(x, top);
        Pt d = pt(-x, top);
        for (Segment s :
                List.of(
                        new Segment.Line(a, b),
                        new Segment.Line(b, c),
                        new Segment.Line(c, d),
                        new Segment.Line(d, a))) {
            edge.add(stroke(s, 0.1, new ObjectAttributes("Profile", "", "", "")));
        }
    }

    /** Above the rows of a part longer than its header rows, which 2.54 mm pitch makes equal. */
    private double headroom() {
        double length = (form.pinsPerRow() - 1) / 2.0 * form.pitch() + land.padWidth();
        return Math.max(0, length + 1 - rowY - EDGE) + TEXT + 0.8;
    }

    private void lettering() {
        for (Lead l : leads) {
            String n = String.valueOf(l.number());
            double width = Lettering.width(n, Length.mm(TEXT)) / 1e6;
            double off = HEADER_PAD / 2 + 0.35;
            double x =
                    switch (l.side()) {
                        case 0 -> l.headX() + off;
                        case 2 -> l.headX() - off - width;
                        default -> l.headX() - width / 2;
                    };
            double y =
                    switch (l.side()) {
                        case 1 -> l.headY() + off;
                        case 3 -> l.headY() - off - TEXT;
                        default -> l.headY() - TEXT / 2;
                    };
            text(n, x, y, TEXT);
        }
        if (form.exposedPad() > 0) {
            text("EP", lowestX() + HEADER_PAD / 2 + 0.35, lowest - TEXT / 2, TEXT);
        }
        pinOne();
        if (!form.name().isEmpty()) {
            double room = 2 * (rowX - 2.6);
            double height = Math.min(1.2, room * 6 / (form.name().length() * Lettering.ADVANCE));
            if (height >= 0.8) {
                double w = Lettering.width(form.name(), Length.mm(height)) / 1e6;
                double y = form.rows() == 2 ? rowY + EDGE + headroom() - height - 0.5 : 0;
                if (form.rows() == 2) {
                    text(form.name(), -w / 2, y, height);
                } else {
                    corner(w, height);
                }
            }
        }
    }

    /** The name of a four-row part in the upper left corner, where no track runs. */
    private void corner(double width, double height) {
        double room = rowX + EDGE - (form.pinsPerRow() - 1) / 2.0 * GRID - HEADER_PAD;
        if (width <= 2 * room) {
            text(form.name(), -rowX - EDGE + 0.6, rowY + EDGE - height - 0.6, height);
        }
    }

    /** A dot beside pad 1, clear of every mask opening. */
    private void pinOne() {
        Lead first = leads.get(0);
        double y = first.padY() + land.padWidth() / 2 + 0.55;
        Pt at = pt(first.padX() - land.padLength() / 4, y);
        silk.add(
                stroke(
                        new Segment.Line(at, pt(at.x() / 1e6 + 0.01, y)),
                        0.5,
                        ObjectAttributes.NONE));
    }

    private void text(String words, double x, double y, double height) {
        for (Segment s : Lettering.strokes(words, pt(x, y), Length.mm(height), 0, false)) {
            silk.add(stroke(s, SILK, ObjectAttributes.NONE));
        }
    }

    private static Pt pt(double x, double y) {
        return new Pt(Length.mm(x), Length.mm(y));
    }

    private static Aperture rectangle(double w, double h) {
        return new Aperture.Rectangle(Length.mm(w), Length.mm(h), 0);
    }

    private static Feature flash(Aperture a, Pt at, ObjectAttributes is) {
        return new Feature.Flash(a, at, Orientation.NONE, true, 0, is);
    }

    private static Feature stroke(Segment s, double width, ObjectAttributes is) {
        return new Feature.Stroke(
                new Aperture.Circle(Length.mm(width), 0), s, Orientation.NONE, true, 0, is);
    }
}
