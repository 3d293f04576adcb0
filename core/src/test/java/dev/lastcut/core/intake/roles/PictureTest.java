package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.picture.Grid;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Envelope;

/** What is seen in a picture, on shapes whose sizes are known; 20 by 20 mm, 20 µm a pixel. */
class PictureTest {
    private static final Grid GRID = new Grid(0, 0, 20_000, 1000, 1000);
    private static final Pt MIDDLE = Pt.mm(10, 10);
    private static final double HOLE_NM = 800_000;

    private static Picture picture(TestBoards t) {
        return new Picture(
                "x",
                t.board().layer(Role.Kind.COPPER, Side.TOP).orElseThrow().features(),
                false,
                GRID);
    }

    /** A piece of cake about the middle, in eighths of the circle, from three o'clock on. */
    private static TestBoards cake(TestBoards t, int eighths, double radius) {
        double[] xy = new double[2 * eighths + 4];
        xy[0] = 10;
        xy[1] = 10;
        for (int k = 0; k <= eighths; k++) {
            xy[2 * k + 2] = 10 + radius * Math.cos(Math.PI / 4 * k);
            xy[2 * k + 3] = 10 + radius * Math.sin(Math.PI / 4 * k);
        }
        return t.area(xy);
    }

    /** A pad of a diameter about a hole of 0.8 mm. */
    @ParameterizedTest
    @CsvSource({"1.60, true, true", "0.90, true, true", "0.86, true, false", "0.70, true, false"})
    void aRingIsWiderThanItsHole(double pad, boolean hasPad, boolean hasRing) {
        Picture p = picture(new TestBoards().round(10, 10, pad));
        assertThat(p.hasPad(MIDDLE, HOLE_NM)).isEqualTo(hasPad);
        assertThat(p.hasRing(MIDDLE, HOLE_NM)).isEqualTo(hasRing);
        assertThat(p.hasRing(Pt.mm(15, 15), HOLE_NM)).isFalse();
        assertThat(p.hasPad(Pt.mm(15, 15), HOLE_NM)).isFalse();
    }

    /** A ring from which up to a quarter is cut is one still, as at a board's edge. */
    @ParameterizedTest
    @CsvSource({"8, true", "6, true", "5, false", "3, false"})
    void aRingMayBeCutInto(int eighths, boolean ring) {
        Picture p = picture(cake(new TestBoards(), eighths, 0.9).clear(10, 10, 0.8));
        assertThat(p.hasRing(MIDDLE, HOLE_NM)).isEqualTo(ring);
        assertThat(p.hasPad(MIDDLE, HOLE_NM)).isEqualTo(ring);
        assertThat(p.ink().at(MIDDLE)).isFalse();
    }

    private static TestBoards plane() {
        return new TestBoards().area(2, 2, 18, 2, 18, 18, 2, 18);
    }

    /** An area kept free of copper round a hole of 0.8 mm, by so wide a circle. */
    @ParameterizedTest
    @CsvSource({"0.8, false", "0.96, true", "1.4, true", "2.3, true", "2.5, false", "4, false"})
    void anAreaIsKeptFreeNotFarRoundAHole(double clear, boolean free) {
        Picture p = picture(plane().clear(10, 10, clear));
        assertThat(p.hasAntipad(MIDDLE, HOLE_NM)).isEqualTo(free);
    }

    /** Copper that reaches in, as the spokes of a thermal relief do not: they lead to a pad. */
    @Test
    void aPadWithSpokesIsNoPlaceKeptFree() {
        assertThat(picture(plane()).hasAntipad(MIDDLE, HOLE_NM)).isFalse();
        TestBoards relief = plane().clear(10, 10, 2).round(10, 10, 1.2);
        assertThat(picture(relief).hasAntipad(MIDDLE, HOLE_NM)).isFalse();
        assertThat(picture(new TestBoards().round(3, 3, 1)).hasAntipad(MIDDLE, HOLE_NM)).isFalse();
        for (int eighths = 1; eighths <= 4; eighths++) {
            // The piece of cake ends clear of the hole's middle but not of its edge.
            TestBoards t = cake(plane().clear(10, 10, 2), eighths, 1.2).clear(10, 10, 0.84);
            assertThat(picture(t).hasAntipad(MIDDLE, HOLE_NM)).isEqualTo(eighths <= 2);
        }
    }

    /** Half of the area round it may be missing, but for one eighth more. */
    @Test
    void anAreaLiesMostlyRoundAPlaceKeptFree() {
        for (int eighths = 1; eighths <= 8; eighths++) {
            TestBoards t = cake(new TestBoards(), eighths, 4).clear(10, 10, 1.4);
            assertThat(picture(t).hasAntipad(MIDDLE, HOLE_NM)).isEqualTo(eighths >= 5);
        }
    }

    @Test
    void padsAreCompactAndLettersAndAreasAreNot() {
        TestBoards t =
                new TestBoards()
                        .round(3, 3, 1)
                        .box(6, 3, 2, 0.4, 0)
                        .box(9, 3, 2, 0.6, 30)
                        .box(12, 3, 0.16, 0.16, 0)
                        .box(14, 3, 0.12, 0.8, 0);
        // A letter L, a hatched cross, and an area.
        t.line(0.2, 3, 6, 3, 8).line(0.2, 3, 6, 4.5, 6);
        t.line(0.2, 7, 6, 9, 8).line(0.2, 7, 8, 9, 6);
        t.area(2, 10, 10, 10, 10, 18, 2, 18);
        Picture p = picture(t);
        assertThat(p.blobs().all()).hasSize(8);
        assertThat(p.compact())
                .extracting(b -> Math.round(b.middle().x() / 1e6))
                .containsExactlyInAnyOrder(3L, 6L, 9L, 12L);
        double pads = Math.PI / 4 + 0.8 + 1.2 + 0.0256;
        double all = p.ink().count() * 4e-4;
        assertThat(p.compactShare()).isCloseTo(pads / all, within(0.01));
        assertThat(p.isSparse()).isFalse();
        assertThat(picture(new TestBoards().on(Role.Kind.COPPER, Side.TOP)).compactShare())
                .isZero();
    }

    /** On the smallest board a pad may have 16 mm², on larger ones 3 % of it. */
    @ParameterizedTest
    @CsvSource({"20, 3.9, 1", "20, 4.1, 0", "60, 10, 1", "60, 11.2, 0"})
    void aPadIsNoArea(double boardMm, double sideMm, int pads) {
        int pixels = (int) (boardMm * 10);
        Grid grid = new Grid(0, 0, 100_000, pixels, pixels);
        TestBoards t = new TestBoards().box(10, 10, sideMm, sideMm, 0);
        Picture p = new Picture("x", t.board().layers().get(0).features(), false, grid);
        assertThat(p.compact()).hasSize(pads);
    }

    /** One line of the brush that a picture is drawn with is no pad, however short it is. */
    @Test
    void whatIsAsThinAsTheBrushIsALine() {
        TestBoards t = new TestBoards();
        for (int i = 0; i < 6; i++) {
            t.line(0.3, 2, 2 + i, 2.25, 2 + i);
        }
        t.line(0.2, 8, 8, 8.15, 8).line(0.45, 10, 10, 10.3, 10).line(0.5, 12, 12, 12.3, 12);
        Picture drawn = picture(t);
        assertThat(drawn.thinShare()).isEqualTo(1);
        assertThat(drawn.compact()).hasSize(1);
        // The same lines in the company of pads are pads of their own.
        for (int i = 0; i < 10; i++) {
            t.box(2 + i, 16, 0.5, 0.5, 0);
        }
        Picture mixed = picture(t);
        assertThat(mixed.thinShare()).isEqualTo(9 / 19.0);
        assertThat(mixed.compact()).hasSize(19);
        assertThat(mixed.isSparse()).isTrue();
        assertThat(mixed.counts()).isEqualTo("10 flashes, 9 strokes, 0 areas");
    }

    @Test
    void linesAreThinUpToHalfAMillimetre() {
        TestBoards t = new TestBoards().line(0.5, 1, 1, 5, 1).line(0.51, 1, 3, 5, 3);
        t.area(6, 6, 8, 6, 8, 8).round(2, 9, 1);
        Picture p = picture(t);
        assertThat(p.thinShare()).isEqualTo(0.25);
        assertThat(p.counts()).isEqualTo("1 flashes, 2 strokes, 1 areas");
        assertThat((Object) p.extent()).isEqualTo(new Envelope(1e6, 8e6, 1e6, 9e6));
    }

    @Test
    void anEvenSelectionOfManyOpenings() {
        Picture p = picture(openings(700));
        assertThat(p.compact()).hasSize(700);
        assertThat(p.sample()).hasSize(234);
        assertThat(p.sample().get(1)).isEqualTo(p.compact().get(3));
        assertThat(picture(openings(300)).sample()).hasSize(300);
    }

    private static TestBoards openings(int count) {
        TestBoards t = new TestBoards();
        for (int i = 0; i < count; i++) {
            int row = i / 35;
            t.box(1 + i % 35 * 0.5, 1 + row * 0.5, 0.3, 0.3, 0);
        }
        return t;
    }

    private static TestBoards box(TestBoards t, double width, double x1) {
        return t.line(width, 2, 2, x1, 2)
                .line(width, 18, 2, 18, 18)
                .line(width, 18, 18, 2, 18)
                .line(width, 2, 18, 2, 2);
    }

    @Test
    void thinStrokesThatCloseAreAContour() {
        Envelope box = new Envelope(2e6, 18e6, 2e6, 18e6);
        assertThat(picture(box(new TestBoards(), 0.2, 18)).contour()).contains(box);
        assertThat(picture(box(new TestBoards(), 0.6, 18)).contour()).as("thick").isEmpty();
        assertThat(picture(box(new TestBoards(), 0.2, 8)).contour()).as("open").isEmpty();
        TestBoards beside = box(new TestBoards(), 0.2, 18).line(0.2, 18.4, 1, 19, 1);
        assertThat(picture(beside).contour()).as("more than it").isEmpty();
        TestBoards cut = box(new TestBoards(), 0.2, 18);
        cut.line(0.2, 5, 5, 7, 5).line(0.2, 7, 5, 7, 7).line(0.2, 7, 7, 5, 5);
        assertThat(picture(cut).contour()).as("a cut-out within").contains(box);
        TestBoards full = box(new TestBoards(), 0.2, 18);
        for (int i = 0; i < 7; i++) {
            full.line(0.2, 4, 4 + i, 6, 4 + i);
        }
        assertThat(picture(full).contour()).as("lines within").isEmpty();
        TestBoards area = new TestBoards().area(2, 2, 18, 2, 18, 18, 2, 18);
        assertThat(picture(area).contour()).as("as an area").contains(box);
        assertThat(picture(area.round(5, 5, 1)).contour()).as("and a pad").isEmpty();
        assertThat(picture(new TestBoards().on(Role.Kind.COPPER, Side.TOP)).contour()).isEmpty();
    }
}
