package dev.lastcut.core.stencil.openings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.stencil.HomePlate;
import dev.lastcut.core.stencil.Panes;
import dev.lastcut.core.stencil.Shaping;
import dev.lastcut.core.stencil.StencilPlan;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.util.GeometricShapeFactory;

/** Openings held against areas worked out by hand or by the geometry library. */
class StencilTest {
    private static final Role PASTE = Role.of(Role.Kind.PASTE, Side.TOP);

    private static Shaping reduced(double mm) {
        return new Shaping(
                Optional.of(mm),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static Shaping percent(double percent) {
        return new Shaping(
                Optional.empty(),
                Optional.of(percent),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static Shaping corners(double mm) {
        return new Shaping(
                Optional.empty(),
                Optional.empty(),
                Optional.of(mm),
                Optional.empty(),
                Optional.empty());
    }

    private static Shaping panes(double over, double web, double cover) {
        return new Shaping(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(new Panes(over, web, cover)),
                Optional.empty());
    }

    private static StencilPlan plan(Shaping all) {
        return new StencilPlan(
                Optional.empty(), all, new TreeMap<>(), false, StencilPlan.Mounting.FOIL);
    }

    private static Stencil of(BoardGeometry g, StencilPlan plan, Variants variants) {
        return Stencil.of(g, plan, Population.of(g.board(), variants)).get(Side.TOP);
    }

    private static Stencil of(TestBoards t, StencilPlan plan) {
        return of(new BoardGeometry(t.board()), plan, Variants.NONE);
    }

    private static TestBoards paste() {
        return new TestBoards().on(Role.Kind.PASTE, Side.TOP);
    }

    private static double mm2(Geometry g) {
        return g.getArea() / 1e12;
    }

    /** What Gerber readers make of the layer is the area that is said to be cut. */
    private static void holdsPicture(BoardGeometry g, Stencil s) {
        Layer layer = s.layer(g.board().layer(PASTE));
        double drawn = LayerImage.of(layer.features(), Flattener.FINE).area().getArea();
        assertThat(drawn).isCloseTo(s.area().getArea(), within(1e-4 * s.area().getArea()));
    }

    @Test
    void areasAreThoseOfPlaneGeometry() {
        Random r = new Random(4);
        for (int i = 0; i < 40; i++) {
            double w = 0.4 + r.nextInt(300) / 100.0;
            double h = 0.4 + r.nextInt(300) / 100.0;
            double by = r.nextInt(15) / 100.0 + 0.01;
            double deg = r.nextInt(4) * 90;
            TestBoards t = paste().box(10, 10, w, h, deg);
            assertThat(mm2(of(t, plan(reduced(by))).area()))
                    .isCloseTo((w - 2 * by) * (h - 2 * by), within(1e-4 * w * h));
            assertThat(mm2(of(t, plan(percent(12.5))).area()))
                    .isCloseTo(w * h * 0.875, within(1e-4 * w * h));
            double c = Math.min(w, h) / 4;
            assertThat(mm2(of(t, plan(corners(c))).area()))
                    .isCloseTo(w * h - (4 - Math.PI) * c * c, within(1e-4 * w * h));
        }
    }

    /** A turned box against the library's own rotation and buffer. */
    @Test
    void turnedOpeningsAreAsTheLibraryHasThem() {
        GeometricShapeFactory f = new GeometricShapeFactory(new GeometryFactory());
        f.setCentre(new Coordinate(10e6, 10e6));
        f.setWidth(2e6);
        f.setHeight(1e6);
        f.setRotation(Math.toRadians(30));
        Geometry box = f.createRectangle();
        TestBoards t = paste().box(10, 10, 2, 1, 30);
        assertThat(of(t, plan(reduced(0.1))).area().getArea())
                .isCloseTo(box.buffer(-1e5).getArea(), within(1e-4 * box.getArea()));
        Geometry panes = of(t, plan(panes(1, 0.2, 60))).area();
        assertThat(panes.getArea()).isCloseTo(0.6 * 2e12, within(1e-4 * 2e12));
        assertThat(panes.getNumGeometries()).isGreaterThan(1);
        assertThat(box.buffer(2).covers(panes)).isTrue();
    }

    @Test
    void panesKeepTheirShareAndTheirWebs() {
        for (double cover : new double[] {50, 60, 75}) {
            TestBoards t = paste().box(10, 10, 5, 3, 0).box(30, 10, 1, 1, 0);
            BoardGeometry g = new BoardGeometry(t.board());
            Stencil s = of(g, plan(panes(6, 0.25, cover)), Variants.NONE);
            assertThat(mm2(s.area())).isCloseTo(15 * cover / 100 + 1, within(2e-3));
            Geometry large = s.openings().get(0).after();
            for (int i = 0; i < large.getNumGeometries(); i++) {
                for (int k = 0; k < i; k++) {
                    assertThat(large.getGeometryN(i).distance(large.getGeometryN(k)))
                            .isGreaterThanOrEqualTo(0.25e6 - 2);
                }
            }
            assertThat(s.openings().get(1).isChanged()).isFalse();
            holdsPicture(g, s);
        }
    }

    @Test
    void whatWouldCloseAnOpeningIsNotDoneAndSaid() {
        TestBoards t = paste().box(10, 10, 0.3, 2, 0).box(20, 10, 3, 3, 0);
        Stencil s = of(t, plan(reduced(0.2)));
        assertThat(mm2(s.openings().get(0).after())).isCloseTo(0.6, within(1e-9));
        assertThat(mm2(s.openings().get(1).after())).isCloseTo(2.6 * 2.6, within(1e-6));
        assertThat(s.remarks())
                .singleElement()
                .asString()
                .contains("0.2 mm off each side closes it", "1 opening stays");
        Stencil webs = of(t, plan(panes(1, 4, 50)));
        assertThat(mm2(webs.area())).isCloseTo(9.6, within(1e-6));
        assertThat(webs.remarks()).singleElement().asString().contains("leave nothing of it");
    }

    /** Two parts of two pads; the second one's first pad has its opening in two panes. */
    private static TestBoards chips() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        for (double x : new double[] {1, 3, 6, 9}) {
            t.box(x, 1, 1.6, 1.2, 0);
        }
        t.on(Role.Kind.PASTE, Side.TOP);
        t.box(1, 1, 1.4, 1, 0).box(3, 1, 1.4, 1, 0).box(9, 1, 1.4, 1, 0);
        t.box(5.6, 1, 0.6, 1, 0).box(6.4, 1, 0.6, 1, 0);
        t.pin("A", "R1", "1", 1, 1).pin("B", "R1", "2", 3, 1);
        t.pin("B", "R2", "1", 6, 1).pin("C", "R2", "2", 9, 1);
        t.placed("R1,1k,R0603,2,1,0,top", "R2,1k,R0805,7.5,1,0,top");
        return t.outline(0, 0, 12, 3);
    }

    @Test
    void thePanesOfAPartThatIsLeftOffGoWithIt() {
        BoardGeometry g = new BoardGeometry(chips().board());
        StencilPlan leave =
                new StencilPlan(
                        Optional.empty(),
                        Shaping.AS_DRAWN,
                        new TreeMap<>(),
                        true,
                        StencilPlan.Mounting.FOIL);
        Variants without =
                Variants.NONE.with(Optional.empty(), Map.of("R2", Fitting.fitted(false)));
        Stencil s = of(g, leave, without);
        assertThat(s.without()).containsExactly("R2");
        assertThat(s.layer(g.board().layer(PASTE)).features()).hasSize(2);
        assertThat(mm2(s.area())).isCloseTo(2 * 1.4, within(1e-9));
        assertThat(of(g, leave, Variants.NONE).isAsDrawn()).isTrue();
    }

    @Test
    void packagesGoByTheirOwnAndPlatesPointUnderThePart() {
        BoardGeometry g = new BoardGeometry(chips().board());
        Shaping plate =
                new Shaping(
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of(new HomePlate(new TreeSet<>(), 0.5)));
        StencilPlan p =
                new StencilPlan(
                        Optional.empty(),
                        reduced(0.1),
                        new TreeMap<>(Map.of("0603", plate)),
                        false,
                        StencilPlan.Mounting.FOIL);
        Stencil s = of(g, p, Variants.NONE);
        for (StencilOpening o : s.openings()) {
            if (o.part().equals("R1")) {
                // The reduction for all holds for the package too: 1.2 x 0.8, a quarter off.
                assertThat(mm2(o.after())).isCloseTo(1.2 * 0.8 * 0.75, within(1e-6));
                double inner = o.at().x() < 2_000_000 ? 1.6e6 : 2.4e6;
                assertThat(o.after().getCoordinates())
                        .anyMatch(c -> Math.abs(c.x - inner) < 2 && Math.abs(c.y - 1e6) < 2);
            } else {
                assertThat(mm2(o.after())).isLessThan(mm2(o.before()));
            }
        }
        holdsPicture(g, s);
    }

    @Test
    void withoutAPastePictureThePadsServe() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.box(1, 1, 1.6, 1.2, 0).box(3, 1, 1.6, 1.2, 0).round(8, 1, 1);
        t.pin("A", "R1", "1", 1, 1).pin("B", "R1", "2", 3, 1).pin("A", "TP1", "1", 8, 1);
        BoardGeometry g = new BoardGeometry(t.outline(0, 0, 12, 3).board());
        Stencil s = of(g, StencilPlan.AS_DRAWN, Variants.NONE);
        assertThat(s.fromPads()).isTrue();
        assertThat(s.openings()).hasSize(2).allMatch(o -> o.part().equals("R1"));
        assertThat(mm2(s.area())).isCloseTo(2 * 1.6 * 1.2, within(1e-9));
        holdsPicture(g, s);
    }

    /** The worked values of IPC-7525's formulas: facts of the trade, from memory. */
    @Test
    void ratiosAreThoseOfTheFormulas() {
        Release release = new Release(0.127);
        Stencil s = of(paste().box(5, 5, 0.3, 1, 0).round(9, 5, 0.3), StencilPlan.AS_DRAWN);
        Release.Pane box = release.of(s.openings().get(0)).get(0);
        assertThat(box.areaRatio()).isCloseTo(0.909, within(5e-4));
        assertThat(box.aspect()).isCloseTo(2.36, within(5e-3));
        Release.Pane round = release.of(s.openings().get(1)).get(0);
        assertThat(round.areaRatio()).isCloseTo(0.3 / (4 * 0.127), within(1e-4));
        assertThat(round.mostFoilMm()).isCloseTo(0.3 / 4 / 0.66, within(2e-5));
        assertThat(new Release(round.mostFoilMm()).of(s.openings().get(1)).get(0).areaRatio())
                .isCloseTo(Release.AREA_RATIO, within(1e-6));
    }

    @Test
    void partsAreNotNeeded() {
        List<Part> none = List.of();
        BoardGeometry g = new BoardGeometry(paste().box(5, 5, 1, 1, 0).board());
        assertThat(Stencil.of(g, plan(reduced(0.05)), none).get(Side.TOP).cut()).hasSize(1);
    }
}
