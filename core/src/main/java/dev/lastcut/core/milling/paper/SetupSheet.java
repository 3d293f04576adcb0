package dev.lastcut.core.milling.paper;

import static dev.lastcut.core.print.PaperPages.LEADING;
import static dev.lastcut.core.print.PaperPages.LEFT;
import static dev.lastcut.core.print.PaperPages.RIGHT;
import static dev.lastcut.core.print.PaperPages.TEXT;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.milling.HandJoint;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.core.milling.Program;
import dev.lastcut.core.milling.ProgramToBoardTransform;
import dev.lastcut.core.print.PaperPages;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** The set-up sheet on A4, as PDF. Lengths of the layout in points, from the lower left. */
public final class SetupSheet {
    private static final float PICTURE_HEIGHT = 210;
    private static final int MOST_JOINTS = 40;

    private final String millName;
    private final MillingPlan plan;
    private final List<HandJoint> joints;
    private final Geometry board;
    private final PaperPages pages;

    private SetupSheet(
            String millName,
            MillingPlan plan,
            List<HandJoint> joints,
            Geometry board,
            PaperPages pages) {
        this.millName = millName;
        this.plan = plan;
        this.joints = joints;
        this.board = board;
        this.pages = pages;
    }

    /**
     * @param board the board's area, nm; may be empty
     */
    public static byte[] pdf(
            String millName, MillingPlan plan, List<HandJoint> joints, Geometry board) {
        try (PaperPages pages = new PaperPages("Set-up sheet for " + millName)) {
            new SetupSheet(millName, plan, joints, board, pages).make();
            return pages.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void make() throws IOException {
        Mill mill = plan.mill();
        pages.line(pages.bold(), 16, LEFT, "Set-up sheet for " + millName);
        pages.skip(4);
        pages.paragraph(
                pages.plain(),
                LEFT,
                String.format(
                        Locale.ROOT,
                        "Stock %s × %s mm, %s mm thick, foil %s µm. Board %.2f × %.2f mm.",
                        mm(mill.stock().width()),
                        mm(mill.stock().height()),
                        mm(mill.stock().thickness()),
                        String.valueOf(mill.stock().copper() / 1000),
                        plan.extent().getWidth() / 1e6,
                        plan.extent().getHeight() / 1e6));
        pages.skip(8);
        picture();
        notPlanned();
        steps();
        handWork();
    }

    private void notPlanned() throws IOException {
        if (plan.problems().isEmpty()) {
            return;
        }
        heading("Not planned");
        for (String p : plan.problems()) {
            pages.paragraph(pages.plain(), LEFT, p);
        }
        pages.skip(6);
    }

    private static String mm(double nm) {
        String s = String.format(Locale.ROOT, "%.3f", nm / 1e6);
        return s.contains(".") ? s.replaceAll("0+$", "").replaceAll("\\.$", "") : s;
    }

    private void heading(String words) throws IOException {
        pages.room(3 * LEADING);
        pages.skip(5);
        pages.line(pages.bold(), 12, LEFT, words);
        pages.skip(2);
    }

    /** Stock, board and pins as seen from the side that is milled first. */
    private void picture() throws IOException {
        Mill.Stock stock = plan.mill().stock();
        MillSetup setup = plan.setup();
        Envelope e = plan.extent();
        double scale =
                Math.min(
                        (RIGHT - LEFT - 20) / (double) stock.width(),
                        (PICTURE_HEIGHT - 30) / (double) stock.height());
        float bottom = pages.y() - PICTURE_HEIGHT + 18;
        float w = (float) (stock.width() * scale);
        float h = (float) (stock.height() * scale);
        pages.pen().setLineWidth(0.8f);
        pages.pen().setNonStrokingColor(0.93f, 0.88f, 0.78f);
        pages.pen().addRect(LEFT, bottom, w, h);
        pages.pen().fill();
        pages.pen().setStrokingColor(0.45f, 0.38f, 0.28f);
        pages.pen().addRect(LEFT, bottom, w, h);
        pages.pen().stroke();
        Side side = plan.operations().isEmpty() ? Side.TOP : plan.operations().get(0).side();
        var to = ProgramToBoardTransform.seenFrom(side, setup.turnedOver(), e);
        pages.pen().setNonStrokingColor(0.72f, 0.80f, 0.70f);
        pages.pen().setStrokingColor(0.15f, 0.30f, 0.20f);
        for (Polygon p : Geo.polygons(board.isEmpty() ? Geo.rectangle(e) : board)) {
            Coordinate[] ring = p.getExteriorRing().getCoordinates();
            for (int i = 0; i < ring.length; i++) {
                float px = (float) (LEFT + (setup.inStockX() + to.programX(ring[i].x)) * scale);
                float py = (float) (bottom + (setup.inStockY() + to.programY(ring[i].y)) * scale);
                if (i == 0) {
                    pages.pen().moveTo(px, py);
                } else {
                    pages.pen().lineTo(px, py);
                }
            }
            pages.pen().closePath();
            pages.pen().fillAndStroke();
        }
        pins(to, bottom, scale);
        float zx = (float) (LEFT + setup.inStockX() * scale);
        float zy = (float) (bottom + setup.inStockY() * scale);
        pages.pen().setStrokingColor(0.70f, 0.20f, 0.10f);
        pages.pen().moveTo(zx - 8, zy);
        pages.pen().lineTo(zx + 8, zy);
        pages.pen().moveTo(zx, zy - 8);
        pages.pen().lineTo(zx, zy + 8);
        pages.pen().stroke();
        pages.pen().setNonStrokingColor(0f, 0f, 0f);
        pages.pen().setStrokingColor(0f, 0f, 0f);
        pages.moveTo(bottom - 4 - TEXT);
        pages.paragraph(
                pages.plain(),
                LEFT,
                String.format(
                        Locale.ROOT,
                        "Seen from the %s. Cross: x and y zero, the lower left corner of the board,"
                                + " %s mm from the left and %s mm from the lower edge of the stock.",
                        side.word(),
                        mm(setup.inStockX()),
                        mm(setup.inStockY())));
        pages.skip(6);
    }

    private void pins(ProgramToBoardTransform to, float bottom, double scale) throws IOException {
        boolean drilled = plan.operations().stream().anyMatch(o -> o.kind() == Operation.Kind.PINS);
        if (!drilled) {
            return;
        }
        MillSetup setup = plan.setup();
        pages.pen().setNonStrokingColor(0.1f, 0.1f, 0.1f);
        for (double[] at : plan.pinPlaces()) {
            float px = (float) (LEFT + (setup.inStockX() + to.programX(at[0])) * scale);
            float py = (float) (bottom + (setup.inStockY() + to.programY(at[1])) * scale);
            pages.pen().addRect(px - 2, py - 2, 4, 4);
            pages.pen().fill();
        }
    }

    private void steps() throws IOException {
        heading("What to do, in this order");
        int step = 1;
        Side lying = null;
        for (Program p : plan.programs()) {
            if (lying != p.side()) {
                pages.paragraph(pages.bold(), LEFT, step++ + ". " + lay(lying, p.side()));
                lying = p.side();
            }
            Operation first = p.operations().get(0);
            if (p.operations().size() == 1) {
                pages.paragraph(
                        pages.bold(),
                        LEFT,
                        step++
                                + ". Tool "
                                + first.tool()
                                + ", "
                                + first.cutter().name()
                                + zero(first));
                pages.paragraph(pages.plain(), LEFT + 14, run(p) + " " + what(first));
            } else {
                pages.paragraph(
                        pages.bold(),
                        LEFT,
                        step++
                                + ". Start with tool "
                                + first.tool()
                                + ", "
                                + first.cutter().name()
                                + zero(first));
                pages.paragraph(
                        pages.plain(),
                        LEFT + 14,
                        run(p) + " It pauses for each tool; set z zero anew then.");
                for (Operation o : p.operations()) {
                    pages.paragraph(
                            pages.plain(),
                            LEFT + 14,
                            "Tool " + o.tool() + ", " + o.cutter().name() + ": " + what(o));
                }
            }
            if (first.kind() == Operation.Kind.PINS) {
                pages.paragraph(
                        pages.plain(),
                        LEFT + 14,
                        "Put the index pins in: both sides register on them.");
            }
        }
        pages.paragraph(
                pages.bold(), LEFT, step + ". Break the board out of its tabs and dress the edge.");
        pages.skip(6);
    }

    private String lay(Side before, Side now) {
        if (before == null) {
            return "Fix the stock, its " + now.word() + " side up. Probe it for levelling.";
        }
        String about =
                plan.setup().turnedOver() == MillSetup.FlipAxis.UPRIGHT
                        ? "left and right change places"
                        : "near and far change places";
        return "Turn the stock over, "
                + about
                + ", onto the pins: its "
                + now.word()
                + " side up. Probe it for levelling.";
    }

    private static String zero(Operation o) {
        return o.zero() == 0 ? ". Z zero: top of the stock." : ". Z zero: bed, under the stock.";
    }

    private static String run(Program p) {
        return String.format(
                Locale.ROOT, "Run %s (about %.0f min).", p.file(), Math.ceil(p.minutes()));
    }

    private String what(Operation o) {
        Cutter c = o.cutter();
        String speed =
                plan.mill().controller().spindleSpeed()
                        ? ""
                        : String.format(
                                Locale.ROOT, " Set the spindle to %d /min.", c.spindleRpm());
        return String.format(
                Locale.ROOT,
                "%s%s, %s mm deep, %.0f mm/min.%s",
                o.kind().words().substring(0, 1).toUpperCase(Locale.ROOT),
                o.kind().words().substring(1),
                mm(o.depth()),
                c.feed(),
                speed);
    }

    private void handWork() throws IOException {
        if (joints.isEmpty()) {
            return;
        }
        heading("Joints by hand: " + joints.size());
        pages.paragraph(
                pages.plain(),
                LEFT,
                "The mill plates no holes. At these places both sides are joined by hand.");
        List<String> lines = new ArrayList<>();
        for (HandJoint j : joints.subList(0, Math.min(MOST_JOINTS, joints.size()))) {
            lines.add(
                    String.format(
                            Locale.ROOT,
                            "x %.2f, y %.2f mm, hole %s mm, %s: %s",
                            (j.at().x() - plan.extent().getMinX()) / 1e6,
                            (j.at().y() - plan.extent().getMinY()) / 1e6,
                            mm(j.diameter()),
                            j.net(),
                            j.work()));
        }
        for (String l : lines) {
            pages.paragraph(pages.plain(), LEFT, l);
        }
        if (joints.size() > MOST_JOINTS) {
            pages.paragraph(
                    pages.plain(), LEFT, "All " + joints.size() + " are in joints-by-hand.csv.");
        }
    }
}
