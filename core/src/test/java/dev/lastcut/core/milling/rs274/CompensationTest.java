package dev.lastcut.core.milling.rs274;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.milling.rs274.Step.Kind;
import dev.lastcut.core.milling.rs274.Step.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;

/**
 * Radius compensation after NISTIR 6556 (from memory). The way of the centre is held against the
 * geometry library: round a shape it is the edge of the shape grown by the radius.
 */
class CompensationTest {
    private static final double RADIUS = 1.5;

    private static List<Step> run(String... lines) throws ProgramError {
        return from(-40, -35, lines);
    }

    private static List<Step> from(double x, double y, String... lines) throws ProgramError {
        Interpreter i = new Interpreter(tool -> tool == 3 ? 2 * RADIUS : 0);
        i.place(new Point(x, y, 2));
        List<Step> all = new ArrayList<>();
        for (int n = 0; n < lines.length; n++) {
            all.addAll(i.execute(lines[n], n + 1));
        }
        return all;
    }

    private static Geometry way(List<Step> steps, int from) {
        List<Coordinate> c = new ArrayList<>();
        for (Step s : steps.subList(from, steps.size())) {
            c.add(new Coordinate(s.from().x(), s.from().y()));
        }
        Point last = steps.get(steps.size() - 1).to();
        c.add(new Coordinate(last.x(), last.y()));
        return new GeometryFactory().createLineString(c.toArray(Coordinate[]::new));
    }

    /** Clockwise with the tool on the left, or the other way with it on the right: outside. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void roundAnyHullTheCentreIsARadiusOutside(long seed) throws ProgramError {
        Random r = new Random(seed);
        Coordinate[] some = new Coordinate[9];
        for (int i = 0; i < some.length; i++) {
            some[i] = new Coordinate(20 * r.nextDouble(), 20 * r.nextDouble());
        }
        Geometry hull = new ConvexHull(some, new GeometryFactory()).getConvexHull();
        boolean left = seed % 2 == 0;
        // The library gives hulls clockwise.
        Coordinate[] ring = (left ? hull : hull.reverse()).getCoordinates();
        List<String> lines = new ArrayList<>(List.of("F100", left ? "G41 D3" : "G42 D3"));
        // Along the first edge from well before it, and once round.
        Coordinate a = ring[0];
        Coordinate b = ring[1];
        double l = a.distance(b);
        double dx = (b.x - a.x) / l;
        double dy = (b.y - a.y) / l;
        lines.add(go(a.x - 9 * dx, a.y - 9 * dy));
        for (Coordinate c : ring) {
            lines.add(go(c.x, c.y));
        }
        lines.add(go(b.x, b.y));
        List<Step> steps = from(a.x - 30 * dx, a.y - 30 * dy, lines.toArray(String[]::new));
        assertThat(steps).allMatch(s -> s.kind() == Kind.FEED);
        Geometry edge = hull.buffer(RADIUS, 200).getBoundary();
        Geometry way = way(steps, 2);
        for (Coordinate c : way.getCoordinates()) {
            Geometry p = way.getFactory().createPoint(c);
            assertThat(hull.distance(p)).isBetween(RADIUS - 0.001, 2 * RADIUS + 9);
        }
        for (Coordinate c : edge.getCoordinates()) {
            assertThat(way.distance(way.getFactory().createPoint(c))).isLessThan(0.002);
        }
    }

    private static String go(double x, double y) {
        return String.format(Locale.ROOT, "G1 X%.6f Y%.6f", x, y);
    }

    /** A slot's end: the arc of 10 mm becomes one of 11.5 outside and 8.5 inside. */
    @Test
    void arcsKeepTheirCentre() throws ProgramError {
        for (boolean outside : new boolean[] {true, false}) {
            String side = outside ? "G42 D3" : "G41 D3";
            List<Step> steps =
                    from(
                            10,
                            -40,
                            "F100",
                            side,
                            "G1 X10 Y-20",
                            "G1 X10 Y0",
                            "G3 X-10 Y0 I-10 J0",
                            "G1 Y-20");
            double radius = outside ? 10 + RADIUS : 10 - RADIUS;
            List<Step> arc =
                    steps.stream().filter(s -> s.from().y() > 1e-6 && s.to().y() > 1e-6).toList();
            assertThat(arc).hasSizeGreaterThan(10);
            for (Step s : arc) {
                assertThat(Math.hypot(s.to().x(), s.to().y())).isCloseTo(radius, within(1e-6));
            }
            Point end = steps.get(steps.size() - 1).to();
            assertThat(end.x()).isCloseTo(-radius, within(1e-6));
            assertThat(end.y()).isCloseTo(-20, within(1e-6));
        }
    }

    /** The first move touches its end from the side, at a right angle to the way there. */
    @Test
    void theEntryIsTangent() throws ProgramError {
        Step entry = run("F100", "G41 D3", "G1 X0 Y0").get(0);
        double ex = entry.to().x();
        double ey = entry.to().y();
        assertThat(Math.hypot(ex, ey)).isCloseTo(RADIUS, within(1e-9));
        double along = (ex + 40) * ex + (ey + 35) * ey;
        assertThat(along).as("tangent").isCloseTo(0, within(1e-9));
        // The contour's point lies on the right of a tool that goes on its left.
        assertThat((ex + 40) * (0 - ey) - (ey + 35) * (0 - ex)).isNegative();
        assertThat(run("F100", "G41 D3", "G1 X0", "G40", "G1 X9 Y9"))
                .last()
                .satisfies(s -> assertThat(s.to()).isEqualTo(new Point(9, 9, 2)));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "G41 D3|G1 X0 Y0|G1 X10|G1 Y10",
                "G42 D3|G1 X0 Y0|G1 Y10|G1 X10",
                "G41 D3|G1 X-39 Y-35",
                "G41 D3|G41 D3",
                "G41 D3|G20",
                "G41 D3|G18",
                "G18|G41 D3",
                "G41 D3|G92 X0",
                "G41 D3|G55",
                "G41 D3|G28",
                "G41 D3|G53 G0 X1",
                "G41 D3|G81 X1 Y1 Z-1 R1",
                "G41 D3|G38.2 Z-5",
                "G41 D8",
                "G41 D1.5",
                "D3",
                "G41 D3|G1 X0 Y0|G1 X10|G3 X12 Y0 I1 J0"
            })
    void whatTheReportForbidsIsRefused(String program) {
        String[] lines = ("F100|" + program).split("\\|");
        assertThatThrownBy(() -> run(lines)).isInstanceOf(ProgramError.class);
    }
}
