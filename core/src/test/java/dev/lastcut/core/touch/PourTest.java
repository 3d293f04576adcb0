package dev.lastcut.core.touch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.formats.gerber.GerberReader;
import dev.lastcut.core.formats.gerber.GerberWriter;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Necks;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.copper.Hatch;
import dev.lastcut.core.touch.copper.Pour;
import dev.lastcut.core.touch.copper.Relief;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** A pour against what it is defined to be, and against what it must not do. */
class PourTest {
    private static final Role TOP = Role.of(Role.Kind.COPPER, Side.TOP);
    private static final int CHORDS = 96;

    private static Pour pour(Optional<Relief> relief, double least, Optional<Hatch> hatch) {
        return new Pour(
                TOP,
                Net.named("GND"),
                Optional.empty(),
                300_000,
                400_000,
                least,
                relief,
                false,
                false,
                hatch,
                Optional.empty());
    }

    private static Touched fill(BoardGeometry g, Pour pour) {
        return TouchPropertyTest.on(g, List.of(pour));
    }

    /** What the touch drew: the regions that were not there before. */
    private static Geometry drawn(Touched t) {
        return Geo.union(
                t.geometry().pieces(TOP).stream()
                        .filter(
                                p ->
                                        t
                                                .read()
                                                .board()
                                                .layer(TOP)
                                                .orElseThrow()
                                                .features()
                                                .stream()
                                                .noneMatch(f -> f == p.feature()))
                        .map(p -> (Geometry) p.polygon())
                        .toList());
    }

    /**
     * The definition with the geometry library alone, object by object: the board less its rim,
     * less all others grown by the clearance, islands left out. Buffers of JTS (its documentation,
     * BufferOp), 96 chords to a quarter.
     */
    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23})
    void isItsDefinitionComputedByTheLibrary(long seed) {
        BoardGeometry g = new BoardGeometry(RandomLayout.of(seed));
        Geometry left = Geo.rectangle(0, 0, 40_000_000, 30_000_000).buffer(-400_000, CHORDS);
        int gnd = ground(g);
        for (CopperNode n : g.nets().nodes()) {
            if (n.layer() == 0 && n.net() != gnd) {
                left = left.difference(n.polygon().buffer(300_000, CHORDS));
            }
        }
        for (int h = 0; h < g.board().holes().size(); h++) {
            Hole hole = g.board().holes().get(h);
            if (g.nets().netOfHole(h) != gnd) {
                double r = hole.diameter() / 2.0 + 300_000;
                left = left.difference(Geo.point(hole.middle()).buffer(r, CHORDS));
            }
        }
        Geometry opened = left.buffer(-100_000, CHORDS).buffer(100_000, CHORDS);
        double area = 0;
        for (Polygon p : Geo.polygons(opened)) {
            boolean tied =
                    g.nets().nodes().stream()
                            .anyMatch(
                                    n ->
                                            n.layer() == 0
                                                    && n.net() == gnd
                                                    && n.polygon().intersects(p));
            area += tied ? p.getArea() : 0;
        }
        double made = drawn(fill(g, pour(Optional.empty(), 200_000, Optional.empty()))).getArea();
        assertThat(made).isCloseTo(area, within(area * 1e-4));
    }

    private static int ground(BoardGeometry g) {
        for (int i = 0; i < g.nets().netCount(); i++) {
            if (g.netNames(i).contains("GND")) {
                return i;
            }
        }
        throw new AssertionError("no GND");
    }

    /** A pad of GND in the middle of an empty board, and one of another net. */
    private static TestBoards two() {
        return new TestBoards()
                .outline(0, 0, 20, 10)
                .on(Role.Kind.COPPER, Side.TOP)
                .round(5, 5, 1.6)
                .round(15, 5, 1.6)
                .lead("GND", "J1", "1", 5, 5)
                .lead("VCC", "J2", "1", 15, 5)
                .hole(5, 5, 0.8, true)
                .hole(15, 5, 0.8, true);
    }

    @Test
    void aPadStandsOnAsManySpokesAsWideAsAsked() {
        BoardGeometry g = new BoardGeometry(two().board());
        for (int spokes : new int[] {2, 3, 4}) {
            Relief relief = new Relief(spokes, 400_000, 300_000);
            Touched t = fill(g, pour(Optional.of(relief), 200_000, Optional.empty()));
            Geometry pour = drawn(t);
            // A circle through the middle of the gap meets copper on the spokes alone.
            double r = 800_000 + 150_000;
            Geometry circle = Flattener.FINEST.disc(5e6, 5e6, r).getBoundary();
            Geometry crossed = circle.intersection(pour);
            assertThat(crossed.getNumGeometries()).isGreaterThanOrEqualTo(spokes);
            double wide = spokes * 2 * r * Math.asin(200_000 / r);
            assertThat(crossed.getLength()).isCloseTo(wide, within(wide * 0.002));
            // And the pad is joined to the pour.
            assertThat(t.geometry().nets().at(0, Pt.mm(5, 5)).get(0).net())
                    .isEqualTo(t.geometry().nets().at(0, Pt.mm(10, 1)).get(0).net());
        }
    }

    @Test
    void necksUnderTheWidthAndIslandsAreLeftOut() {
        // Two tracks leave a strip of 0.15 mm between their clearances, and shut a corner off.
        TestBoards b = two().on(TOP).line(0.2, 12, 0.2, 12, 9.8).line(0.2, 12.95, 0.2, 12.95, 9.8);
        BoardGeometry g = new BoardGeometry(b.board());
        Touched wide = fill(g, pour(Optional.empty(), 200_000, Optional.empty()));
        Touched fine = fill(g, pour(Optional.empty(), 50_000, Optional.empty()));
        assertThat(wide.outcomes().get(0).why()).contains("island");
        for (Polygon p : Geo.polygons(drawn(wide))) {
            assertThat(Necks.of(p, 198_000)).isEmpty();
            assertThat(p.getEnvelopeInternal().getMaxX()).isLessThan(12_000_000);
        }
        assertThat(fine.outcomes().get(0).places().size())
                .as("islands of the finer pour")
                .isGreaterThan(wide.outcomes().get(0).places().size());
    }

    @Test
    void aHatchIsLinesOfItsWidthAndStaysWithinThePour() {
        BoardGeometry g = new BoardGeometry(two().board());
        Geometry full = drawn(fill(g, pour(Optional.empty(), 200_000, Optional.empty())));
        Hatch hatch = new Hatch(300_000, 900_000);
        Geometry hatched = drawn(fill(g, pour(Optional.empty(), 200_000, Optional.of(hatch))));
        assertThat(Geo.difference(hatched, full.buffer(100)).getArea()).isLessThan(1e6);
        // Within the border, of each cell of 1.2 mm a square of 0.9 mm is free (plane geometry).
        Geometry inside = Geo.rectangle(7_000_000, 1_500_000, 12_000_000, 8_500_000);
        double open = 1 - Geo.sharedArea(hatched, inside).getArea() / inside.getArea();
        assertThat(open).isCloseTo(0.9 * 0.9 / (1.2 * 1.2), within(0.02));
    }

    @Test
    void anAreaThatWasThereMakesWayAndIsFilledAnewWhenWhatItDependsOnChanges() {
        TestBoards old =
                new TestBoards()
                        .outline(0, 0, 20, 10)
                        .on(TOP)
                        .area(0.1, 0.1, 19.9, 0.1, 19.9, 9.9, 0.1, 9.9)
                        .clear(15, 5, 1.8)
                        .round(5, 5, 1.6)
                        .round(15, 5, 1.6)
                        .lead("GND", "J1", "1", 5, 5)
                        .lead("VCC", "J2", "1", 15, 5)
                        .hole(5, 5, 0.8, true)
                        .hole(15, 5, 0.8, true);
        Pour solid = pour(Optional.empty(), 200_000, Optional.empty());
        Touched t = fill(new BoardGeometry(old.board()), solid);
        assertThat(t.geometry().area(TOP).getArea())
                .as("as on a board that had none")
                .isCloseTo(
                        fill(new BoardGeometry(two().board()), solid)
                                .geometry()
                                .area(TOP)
                                .getArea(),
                        within(1e8));

        BoardGeometry clean = new BoardGeometry(two().board());
        Touch hole =
                new dev.lastcut.core.touch.holes.AddHole(
                        Pt.mm(10, 5), 1_000_000, false, 0, 500_000);
        Touched both = TouchPropertyTest.on(clean, List.of(solid, hole));
        Geometry pour =
                Geo.union(
                        both.geometry().pieces(TOP).stream()
                                .filter(p -> p.feature() instanceof Feature.Region)
                                .map(p -> (Geometry) p.polygon())
                                .toList());
        assertThat(pour.distance(Geo.point(Pt.mm(10, 5)))).isCloseTo(800_000, within(600.0));
    }

    /** What is written reads back as it was, cut-ins and all. */
    @Test
    void isWrittenAndReadBackToTheSameArea() {
        BoardGeometry g = new BoardGeometry(RandomLayout.of(24));
        Touched t =
                fill(
                        g,
                        pour(
                                Optional.of(new Relief(4, 300_000, 250_000)),
                                200_000,
                                Optional.empty()));
        byte[] gerber =
                GerberWriter.write(
                        Map.of(), t.geometry().board().layer(TOP).orElseThrow().features());
        var read = GerberReader.read("pour.gbr", gerber);
        Geometry back =
                Geo.union(
                        LayerImage.of(read.features(), Flattener.FINE).pieces().stream()
                                .map(p -> (Geometry) p.polygon())
                                .toList());
        Geometry made = t.geometry().area(TOP);
        assertThat(Geo.symmetricDifference(back, made).getArea()).isLessThan(made.getArea() * 1e-6);
    }
}
