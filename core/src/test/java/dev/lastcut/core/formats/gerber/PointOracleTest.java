package dev.lastcut.core.formats.gerber;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.geometry.Flattener;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.BiPredicate;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;

/**
 * Random apertures, macros, transforms, polarities and nested blocks, as Gerber text on the one
 * side and, on the other, as plain formulas that say of a point whether it is dark. The formulas
 * know nothing of polygons; what a later object says of a point wins, as the specification has it.
 */
class PointOracleTest {
    /** 1 where dark, 0 where cleared, −1 where the object says nothing. */
    private interface Ink {
        int at(double x, double y);
    }

    /** A piece of Gerber text and what it means, before any transform. */
    private record Shape(BiPredicate<Double, Double> covers) {}

    /** The aperture that draws strokes, beside those that are flashed. */
    private static final int ROUND = 90;

    private static final double ROUND_MM = 0.4;

    private final StringBuilder text =
            new StringBuilder(f("%%FSLAX46Y46*%%\n%%MOMM*%%\n%%ADD%dC,%s*%%\n", ROUND, ROUND_MM));
    private final List<Shape> apertures = new ArrayList<>();
    private Random r = new Random(0);

    private static PointOracleTest seeded(long seed) {
        PointOracleTest t = new PointOracleTest();
        t.r = new Random(seed);
        return t;
    }

    private double size(double from, double to) {
        return Math.round((from + r.nextDouble() * (to - from)) * 1000) / 1000.0;
    }

    private static String f(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }

    private void define(String template, BiPredicate<Double, Double> covers) {
        text.append(f("%%ADD%d%s*%%\n", 10 + apertures.size(), template));
        apertures.add(new Shape(covers));
    }

    private static boolean disc(double x, double y, double diameter) {
        return Math.hypot(x, y) <= diameter / 2;
    }

    private static boolean box(double x, double y, double w, double h) {
        return Math.abs(x) <= w / 2 && Math.abs(y) <= h / 2;
    }

    private static boolean polygon(double x, double y, double diameter, int n, double turnDeg) {
        for (int i = 0; i < n; i++) {
            // Half planes through neighbouring corners.
            double middle = Math.toRadians(turnDeg) + 2 * Math.PI * (i + 0.5) / n;
            double reach = diameter / 2 * Math.cos(Math.PI / n);
            if (x * Math.cos(middle) + y * Math.sin(middle) > reach) {
                return false;
            }
        }
        return true;
    }

    private void standardApertures() {
        double d = size(0.4, 2);
        double hole = size(0.1, 0.3);
        define(f("C,%sX%s", d, hole), (x, y) -> disc(x, y, d) && !disc(x, y, hole));
        double w = size(0.4, 2);
        double h = size(0.4, 2);
        define(f("R,%sX%sX%s", w, h, hole), (x, y) -> box(x, y, w, h) && !disc(x, y, hole));
        define(f("O,%sX%s", w, h), (x, y) -> obround(x, y, w, h));
        int n = 3 + r.nextInt(10);
        double turn = r.nextInt(360);
        define(
                f("P,%sX%dX%sX%s", d, n, turn, hole),
                (x, y) -> polygon(x, y, d, n, turn) && !disc(x, y, hole));
    }

    private static boolean obround(double x, double y, double w, double h) {
        double s = Math.min(w, h);
        double dx = Math.max(0, Math.abs(x) - (w - s) / 2);
        double dy = Math.max(0, Math.abs(y) - (h - s) / 2);
        return Math.hypot(dx, dy) <= s / 2;
    }

    /** A macro of every primitive, with arithmetic, parameters, exposure and rotation. */
    private void macros() {
        text.append(
                "%AMALL*0 a comment*$3=$1x2*21,1,$3,$2,0,0,$4*1,0,$2/2,0,0*"
                        + "20,1,0.2,-$1,-$1,$1,$1,$4*5,1,5,0,$1,$2,0-$4*%\n");
        double a = size(0.3, 0.9);
        double b = size(0.3, 0.9);
        double turn = r.nextInt(360);
        define(
                f("ALL,%sX%sX0X%s", a, b, turn),
                (x, y) -> {
                    double[] p = turned(x, y, -turn);
                    boolean dark = box(p[0], p[1], 2 * a, b) && !disc(x, y, b / 2);
                    dark |= along(p[0], p[1], -a, -a, a, a, 0.2);
                    double[] q = turned(x, y, turn);
                    return dark || polygon(q[0], q[1] - a, b, 5, 0);
                });
        text.append("%AMRING*7,0,0,$1,$2,$3,$4*%\n");
        double outer = size(1, 2);
        double inner = size(0.3, 0.8);
        double gap = size(0.1, 0.25);
        define(
                f("RING,%sX%sX%sX%s", outer, inner, gap, turn),
                (x, y) -> {
                    double[] p = turned(x, y, -turn);
                    return disc(x, y, outer)
                            && !disc(x, y, inner)
                            && Math.abs(p[0]) > gap / 2
                            && Math.abs(p[1]) > gap / 2;
                });
        text.append("%AMTRI*4,1,3,0,0,$1,0,0,$2,0,0,$3*%\n");
        define(
                f("TRI,%sX%sX%s", a, b, turn),
                (x, y) -> {
                    double[] p = turned(x, y, -turn);
                    return p[0] >= 0 && p[1] >= 0 && p[0] / a + p[1] / b <= 1;
                });
    }

    private static double[] turned(double x, double y, double deg) {
        double a = Math.toRadians(deg);
        return new double[] {x * Math.cos(a) - y * Math.sin(a), x * Math.sin(a) + y * Math.cos(a)};
    }

    /** A line of square ends. */
    private static boolean along(
            double x, double y, double x0, double y0, double x1, double y1, double width) {
        double length = Math.hypot(x1 - x0, y1 - y0);
        double t = ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / length;
        double off = ((x - x0) * (y1 - y0) - (y - y0) * (x1 - x0)) / length;
        return t >= 0 && t <= length && Math.abs(off) <= width / 2;
    }

    /** Flashes, round strokes and regions under changing polarity and aperture transforms. */
    private void objects(int count, List<Ink> inks) {
        for (int i = 0; i < count; i++) {
            boolean dark = r.nextInt(4) > 0;
            String mirror = List.of("N", "X", "Y", "XY").get(r.nextInt(4));
            double turn = r.nextInt(8) * 45;
            double scale = List.of(1.0, 0.8, 1.3).get(r.nextInt(3));
            text.append(dark ? "%LPD*%\n" : "%LPC*%\n");
            text.append(f("%%LM%s*%%\n%%LR%s*%%\n%%LS%s*%%\n", mirror, turn, scale));
            double x = size(-6, 6);
            double y = size(-6, 6);
            Ink covers =
                    switch (r.nextInt(4)) {
                        case 0 -> stroke(x, y, scale);
                        case 1 -> region(x, y);
                        default -> flash(x, y, mirror, turn, scale);
                    };
            inks.add((px, py) -> covers.at(px, py) == 1 ? (dark ? 1 : 0) : -1);
        }
        text.append("%LPD*%\n%LMN*%\n%LR0*%\n%LS1*%\n");
    }

    private Ink flash(double x, double y, String mirror, double turn, double scale) {
        int tool = r.nextInt(apertures.size());
        text.append(f("D%d*\n", 10 + tool));
        place(x, y, "D03");
        Shape shape = apertures.get(tool);
        return (px, py) -> {
            double[] p = turned((px - x) / scale, (py - y) / scale, -turn);
            double mx = mirror.contains("X") ? -p[0] : p[0];
            double my = mirror.contains("Y") ? -p[1] : p[1];
            return shape.covers.test(mx, my) ? 1 : -1;
        };
    }

    /** A line or an arc with round ends; of the transforms only the scale says something of it. */
    private Ink stroke(double x, double y, double scale) {
        text.append(f("D%d*\n", ROUND));
        place(x, y, "D02");
        double reach = ROUND_MM / 2 * scale;
        if (r.nextBoolean()) {
            double x1 = size(-6, 6);
            double y1 = size(-6, 6);
            text.append("G01*\n");
            place(x1, y1, "D01");
            return (px, py) -> fromLine(px, py, x, y, x1, y1) <= reach ? 1 : -1;
        }
        double radius = size(1, 3);
        double from = r.nextInt(360);
        double sweep = 20 + r.nextInt(300);
        boolean counter = r.nextBoolean();
        double cx = x - radius * Math.cos(Math.toRadians(from));
        double cy = y - radius * Math.sin(Math.toRadians(from));
        double end = Math.toRadians(from + (counter ? sweep : -sweep));
        double x1 = cx + radius * Math.cos(end);
        double y1 = cy + radius * Math.sin(end);
        text.append(f("G75*\nG0%d*\n", counter ? 3 : 2));
        text.append(
                f(
                        "X%dY%dI%dJ%dD01*\nG01*\n",
                        Math.round(x1 * 1e6),
                        Math.round(y1 * 1e6),
                        Math.round((cx - x) * 1e6),
                        Math.round((cy - y) * 1e6)));
        return (px, py) -> {
            double angle = Math.toDegrees(Math.atan2(py - cy, px - cx)) - from;
            double along = ((counter ? angle : -angle) % 360 + 360) % 360;
            double off =
                    along <= sweep
                            ? Math.abs(Math.hypot(px - cx, py - cy) - radius)
                            : Math.min(Math.hypot(px - x, py - y), Math.hypot(px - x1, py - y1));
            return off <= reach ? 1 : -1;
        };
    }

    private static double fromLine(
            double px, double py, double x0, double y0, double x1, double y1) {
        double length = Math.hypot(x1 - x0, y1 - y0);
        if (length == 0) {
            return Math.hypot(px - x0, py - y0);
        }
        double t = ((px - x0) * (x1 - x0) + (py - y0) * (y1 - y0)) / (length * length);
        double at = Math.max(0, Math.min(1, t));
        return Math.hypot(px - x0 - at * (x1 - x0), py - y0 - at * (y1 - y0));
    }

    /** A filled half disc above or below a chord: a contour of a line and an arc. */
    private Ink region(double x, double y) {
        double radius = size(0.5, 2);
        boolean counter = r.nextBoolean();
        text.append("G36*\n");
        place(x + radius, y, "D02");
        text.append(f("G75*\nG0%d*\n", counter ? 3 : 2));
        text.append(
                f(
                        "X%dY%dI%dJ0D01*\nG01*\n",
                        Math.round((x - radius) * 1e6),
                        Math.round(y * 1e6),
                        -Math.round(radius * 1e6)));
        place(x + radius, y, "D01");
        text.append("G37*\n");
        return (px, py) ->
                Math.hypot(px - x, py - y) <= radius && (counter ? py >= y : py <= y) ? 1 : -1;
    }

    private void place(double x, double y, String operation) {
        text.append(f("X%dY%d%s*\n", Math.round(x * 1e6), Math.round(y * 1e6), operation));
    }

    private static int inkOf(List<Ink> inks, double x, double y) {
        for (int i = inks.size() - 1; i >= 0; i--) {
            int ink = inks.get(i).at(x, y);
            if (ink >= 0) {
                return ink;
            }
        }
        return -1;
    }

    /** Holds the reader's picture against the formulas at random points clear of any edge. */
    private void compare(List<Ink> inks, String what) {
        GerberFile file =
                GerberReader.read("t.gbr", (text + "M02*\n").getBytes(StandardCharsets.UTF_8));
        assertThat(file.problems()).as(what).isEmpty();
        Geometry ours = LayerImage.of(file.features(), Flattener.FINE).area();
        IndexedPointInAreaLocator locator = new IndexedPointInAreaLocator(ours);
        IndexedFacetDistance edge = new IndexedFacetDistance(ours.getBoundary());
        int checked = 0;
        int darkPoints = 0;
        for (int i = 0; i < 4_000; i++) {
            double x = size(-9, 9);
            double y = size(-9, 9);
            Coordinate at = new Coordinate(x * 1e6, y * 1e6);
            boolean near = edge.isWithinDistance(ours.getFactory().createPoint(at), 2_000);
            if (near) {
                continue;
            }
            boolean dark = inkOf(inks, x, y) == 1;
            assertThat(locator.locate(at) == Location.INTERIOR)
                    .as("%s at %s, %s", what, x, y)
                    .isEqualTo(dark);
            checked++;
            darkPoints += dark ? 1 : 0;
        }
        assertThat(checked).isGreaterThan(3_000);
        assertThat(darkPoints).isGreaterThan(20);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void aperturesTransformsAndPolarity(long seed) {
        PointOracleTest oracle = seeded(seed);
        oracle.standardApertures();
        oracle.macros();
        List<Ink> inks = new ArrayList<>();
        oracle.objects(40, inks);
        oracle.compare(inks, "seed " + seed);
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25, 26})
    void blocksWithinBlocksAndRepeats(long seed) {
        PointOracleTest oracle = seeded(seed);
        oracle.standardApertures();
        List<Ink> inner = new ArrayList<>();
        oracle.text.append("%ABD50*%\n");
        oracle.objects(5, inner);
        oracle.text.append("%AB*%\n%ABD51*%\nD50*\n");
        oracle.place(1, 0, "D03");
        oracle.place(-1, 0.5, "D03");
        oracle.text.append("%AB*%\n");
        Ink block = (x, y) -> inkOf(inner, x, y);
        List<Ink> outer = List.of((x, y) -> block.at(x - 1, y), (x, y) -> block.at(x + 1, y - 0.5));
        double turn = 90 * oracle.r.nextInt(4);
        oracle.text.append(f("%%LR%s*%%\n%%SRX2Y2I3.5J2.5*%%\nD51*\n", turn));
        oracle.place(-2, -2, "D03");
        oracle.text.append("%SR*%\n%LR0*%\n");
        List<Ink> inks = new ArrayList<>();
        for (int ix = 0; ix < 2; ix++) {
            for (int iy = 0; iy < 2; iy++) {
                double dx = -2 + 3.5 * ix;
                double dy = -2 + 2.5 * iy;
                inks.add(
                        (x, y) -> {
                            double[] p = turned(x - dx, y - dy, -turn);
                            return inkOf(outer, p[0], p[1]);
                        });
            }
        }
        oracle.compare(inks, "seed " + seed);
    }
}
