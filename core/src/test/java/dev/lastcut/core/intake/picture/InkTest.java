package dev.lastcut.core.intake.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** Pixels held against the areas of a general geometry library. */
class InkTest {
    private static final Grid GRID = new Grid(0, 0, 50_000, 400, 300);
    private static final double PIXEL = 50_000.0 * 50_000.0;

    private static Feature flash(Aperture a, double x, double y, double turn, boolean dark) {
        Orientation o = turn == 0 ? Orientation.NONE : new Orientation(false, turn, 1);
        return new Feature.Flash(a, Pt.mm(x, y), o, dark, 0, ObjectAttributes.NONE);
    }

    private static Feature line(double width, double x0, double y0, double x1, double y1) {
        return new Feature.Stroke(
                new Aperture.Circle(width * 1e6, 0),
                new Segment.Line(Pt.mm(x0, y0), Pt.mm(x1, y1)),
                Orientation.NONE,
                true,
                0,
                ObjectAttributes.NONE);
    }

    private static Feature area(double... xy) {
        List<Segment> sides = new ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            int n = (i + 2) % xy.length;
            sides.add(new Segment.Line(Pt.mm(xy[i], xy[i + 1]), Pt.mm(xy[n], xy[n + 1])));
        }
        return new Feature.Region(List.of(sides), true, 0, ObjectAttributes.NONE);
    }

    private static List<Feature> random(long seed) {
        Random r = new Random(seed);
        List<Feature> all = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            double x = 2 + 16 * r.nextDouble();
            double y = 2 + 11 * r.nextDouble();
            boolean dark = r.nextInt(5) > 0;
            double w = 300_000 + r.nextInt(1_200_000);
            all.add(
                    switch (r.nextInt(5)) {
                        case 0 -> flash(new Aperture.Circle(w, 0), x, y, 0, dark);
                        case 1 -> flash(new Aperture.Circle(w, w / 2), x, y, 0, dark);
                        case 2 -> flash(new Aperture.Rectangle(w, w * 1.4, 0), x, y, 33, dark);
                        case 3 -> line(0.3, x, y, x + 1.5, y - 1);
                        default -> area(x, y, x + 1.6, y + 0.2, x + 0.7, y + 1.1);
                    });
        }
        return all;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void theInkHasTheAreaOfThePicture(long seed) {
        List<Feature> features = random(seed);
        Geometry exact = LayerImage.of(features, Flattener.FINE).area();
        double ink = Ink.of(features, GRID, false).count() * PIXEL;
        // Every pixel along the edge is in or out by its middle: off by a small share of the edge.
        assertThat(ink).isCloseTo(exact.getArea(), within(0.08 * exact.getLength() * 50_000));
    }

    @ParameterizedTest
    @ValueSource(longs = {5, 6, 7})
    void aPixelIsDarkWhereThePictureIs(long seed) {
        List<Feature> features = random(seed);
        Geometry exact = LayerImage.of(features, Flattener.FINE).area();
        Ink ink = Ink.of(features, GRID, false);
        Ink negative = Ink.of(features, GRID, true);
        Random r = new Random(seed);
        for (int i = 0; i < 2_000; i++) {
            Pt at = GRID.middle(r.nextInt(400), r.nextInt(300));
            double edge = exact.getBoundary().distance(dev.lastcut.core.geometry.Geo.point(at));
            if (edge > 13_000) {
                boolean dark = exact.covers(dev.lastcut.core.geometry.Geo.point(at));
                assertThat(ink.at(at)).as("%s seed %d", at, seed).isEqualTo(dark);
                assertThat(negative.at(at)).isNotEqualTo(dark);
            }
        }
    }

    @Test
    void linesThinnerThanAPixelAreSeen() {
        Ink ink = Ink.of(List.of(line(0.01, 2, 2.012, 18, 2.012)), GRID, false);
        assertThat(ink.count()).isGreaterThan(300);
    }

    @Test
    void whatLiesBesideTheGridIsLeftOut() {
        Ink ink =
                Ink.of(
                        List.of(line(1, -50, -50, 90, 90), area(-9, -9, -8, -9, -8, -8)),
                        GRID,
                        false);
        assertThat(ink.count()).isPositive();
        assertThat(ink.at(Pt.mm(-1, -1))).isFalse();
        assertThat(ink.at(Pt.mm(21, 1))).isFalse();
    }

    @Test
    void sharedIsTheIntersection() {
        Ink a = Ink.of(List.of(area(1, 1, 11, 1, 11, 11, 1, 11)), GRID, false);
        Ink b = Ink.of(List.of(area(6, 6, 16, 6, 16, 12, 6, 12)), GRID, false);
        assertThat(a.shared(b)).isEqualTo(b.shared(a)).isEqualTo(100L * 100);
    }

    @Test
    void theGridIsWhereMostPicturesAre() {
        Envelope board = new Envelope(0, 60e6, 0, 40e6);
        Envelope sheet = new Envelope(-100e6, 300e6, -80e6, 200e6);
        Grid g = Grid.about(List.of(board, sheet, board, new Envelope(1e6, 59e6, 1e6, 39e6)));
        assertThat(g.pixelNm() * g.width()).isLessThan(80e6);
        assertThat(g.holds(Pt.mm(60, 40))).isTrue();
        assertThat(g.holds(Pt.mm(150, 40))).isFalse();
        assertThat(Grid.about(List.of()).width()).isPositive();
    }
}
