package dev.lastcut.core.touch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.copper.BusBar;
import dev.lastcut.core.touch.copper.KeepAway;
import dev.lastcut.core.touch.copper.Stitch;
import dev.lastcut.core.touch.copper.Strap;
import dev.lastcut.core.touch.edge.CutOut;
import dev.lastcut.core.touch.edge.Edge;
import dev.lastcut.core.touch.holes.AddHole;
import dev.lastcut.core.touch.holes.MountingHoles;
import dev.lastcut.core.touch.holes.MoveHole;
import dev.lastcut.core.touch.holes.SnapHoles;
import dev.lastcut.core.touch.picture.Art;
import dev.lastcut.core.touch.picture.Labels;
import dev.lastcut.core.touch.picture.Mask;
import dev.lastcut.core.touch.picture.SilkClip;
import dev.lastcut.core.touch.picture.Source;
import dev.lastcut.core.touch.picture.Text;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Geometry;

/** What each kind of touch makes, against plane geometry. */
class BoardTouchTest {
    private static final Role TOP = Role.of(Role.Kind.COPPER, Side.TOP);
    private static final Role BOTTOM = Role.of(Role.Kind.COPPER, Side.BOTTOM);

    private static BoardGeometry touched(TestBoards b, Touch... touches) {
        return touched(b, Drawings.NONE, touches);
    }

    private static BoardGeometry touched(TestBoards b, Drawings files, Touch... touches) {
        Touched t =
                Touches.on(
                        new BoardGeometry(b.board()),
                        java.util.Arrays.stream(touches).map(x -> new Step(x, true)).toList(),
                        TouchClearances.USUAL,
                        files);
        t.outcomes().forEach(o -> assertThat(o.done()).as(o.why()).isTrue());
        return t.geometry();
    }

    private static Edge edge(List<Double> size, Optional<Pt> move, double corner, CutOut cut) {
        return new Edge(Optional.empty(), size, move, corner, Optional.ofNullable(cut));
    }

    private static TestBoards plain() {
        return new TestBoards().outline(0, 0, 40, 30).on(TOP).round(20, 15, 1);
    }

    @Test
    void roundedCornersTakeTheirAreaOffAndCutOutsTheirs() {
        // A square corner less its quarter circle is r² (1 − π/4).
        double round = 4 * 9 * (1 - Math.PI / 4);
        double hole = Math.PI * 4;
        Geometry area =
                touched(
                                plain(),
                                edge(List.of(), Optional.empty(), 3e6, null),
                                edge(
                                        List.of(),
                                        Optional.empty(),
                                        0,
                                        new CutOut(List.of(Pt.mm(8, 8)), 4e6)))
                        .boardArea();
        assertThat(area.getArea() / 1e12).isCloseTo(1200 - round - hole, within(1e-3));
        // A cut-out over the edge becomes a notch of it.
        BoardGeometry notched =
                touched(
                        plain(),
                        edge(
                                List.of(),
                                Optional.empty(),
                                0,
                                new CutOut(
                                        List.of(
                                                Pt.mm(-1, 4),
                                                Pt.mm(5, 4),
                                                Pt.mm(5, 9),
                                                Pt.mm(-1, 9)),
                                        0)));
        assertThat(notched.boardArea().getArea() / 1e12).isCloseTo(1200 - 25, within(1e-6));
        assertThat(notched.board().outline().orElseThrow().cutouts()).isEmpty();
    }

    @Test
    void anotherSizeKeepsTheFormOfCornersAndMovingTheEdgeMovesNothingElse() {
        BoardGeometry sized =
                touched(
                        plain(),
                        edge(List.of(), Optional.empty(), 3e6, null),
                        edge(List.of(50e6, 36e6), Optional.of(Pt.mm(-2, 1)), 0, null));
        var box = sized.boardArea().getEnvelopeInternal();
        assertThat(box.getMinX()).isCloseTo(-2e6, within(1e3));
        assertThat(box.getMinY()).isCloseTo(1e6, within(1e3));
        assertThat(sized.boardArea().getArea() / 1e12)
                .isCloseTo(50 * 36 - 36 * (1 - Math.PI / 4), within(2e-3));
        assertThat(sized.board().copper()).isEqualTo(plain().board().copper());
    }

    @Test
    void aConnectorThatHangsOverGoesOnToHangOver() {
        TestBoards b = plain().box(40, 10, 3, 2, 0).box(0, 10, 3, 2, 0);
        BoardGeometry g = touched(b, edge(List.of(), Optional.of(Pt.mm(0.5, 0)), 0, null));
        assertThat(g.area(TOP).getEnvelopeInternal().getMaxX()).isEqualTo(41.5e6);
        assertThat(g.boardArea().getEnvelopeInternal().getMaxX()).isEqualTo(40.5e6);
    }

    @Test
    void anOutlineFromADrawingHasItsTrueSize() {
        Drawings files =
                path ->
                        Optional.of(
                                ("<svg xmlns='http://www.w3.org/2000/svg' width='60mm'"
                                                + " height='40mm' viewBox='0 0 600 400'>"
                                                + "<rect x='0' y='0' width='600' height='400'/>"
                                                + "<circle cx='100' cy='100' r='20'/></svg>")
                                        .getBytes(StandardCharsets.UTF_8));
        BoardGeometry g =
                touched(
                        plain(),
                        files,
                        new Edge(
                                Optional.of(Source.file("case.svg")),
                                List.of(),
                                Optional.empty(),
                                0,
                                Optional.empty()));
        assertThat(g.boardArea().getArea() / 1e12).isCloseTo(60 * 40 - Math.PI * 4, within(2e-3));
        assertThat(g.board().layer(Role.OUTLINE).orElseThrow().features()).hasSizeGreaterThan(4);
    }

    @Test
    void mountingHolesLieInTheCornersAndAreasKeepOffThem() {
        TestBoards b = plain().area(0.5, 0.5, 39.5, 0.5, 39.5, 29.5, 0.5, 29.5);
        BoardGeometry g = touched(b, new MountingHoles(3.2e6, 4e6, 1.5e6));
        assertThat(g.board().holes())
                .extracting(Hole::middle)
                .containsExactlyInAnyOrder(Pt.mm(4, 4), Pt.mm(36, 4), Pt.mm(36, 26), Pt.mm(4, 26));
        for (Hole h : g.board().holes()) {
            double gap = g.area(TOP).distance(Geo.point(h.middle())) - h.diameter() / 2.0;
            assertThat(gap).isCloseTo(1.5e6, within(600.0));
        }
    }

    @Test
    void whatAHoleGoesThroughAndWhatLetteringLiesOverIsSaid() {
        Role silk = Role.of(Role.Kind.SILK, Side.TOP);
        TestBoards b =
                plain().on(silk)
                        .line(0.2, 8, 20, 12, 20)
                        .on(TOP)
                        .box(27, 10, 1, 1, 0)
                        .box(33, 10, 1, 1, 0)
                        .pin("A", "U1", "1", 27, 10)
                        .pin("B", "U1", "2", 33, 10)
                        .placed("U1,chip,SOT,30,10,0,top");
        Touched t =
                Touches.on(
                        new BoardGeometry(b.board()),
                        List.of(
                                new Step(new AddHole(Pt.mm(30, 10), 1e6, false, 0, 0), true),
                                new Step(new AddHole(Pt.mm(10, 20), 1e6, false, 0, 0), true),
                                new Step(
                                        new Text(silk, Pt.mm(8, 19.5), 1e6, "AB", 0, false, 0),
                                        true)),
                        TouchClearances.USUAL,
                        Drawings.NONE);
        assertThat(t.outcomes().get(0).why()).contains("it goes through U1");
        assertThat(t.outcomes().get(1).why()).contains("it goes through silk top");
        assertThat(t.outcomes().get(2).why()).contains("A pad, a hole or the edge is in the way");
        Touched over =
                Touches.on(
                        new BoardGeometry(b.board()),
                        List.of(
                                new Step(
                                        new Text(silk, Pt.mm(8, 19.5), 1e6, "AB", 0, false, 0),
                                        true)),
                        TouchClearances.USUAL,
                        Drawings.NONE);
        assertThat(over.outcomes().get(0).why()).contains("it lies over other silk at");
    }

    @Test
    void aMovedHoleTakesItsPadsAlongAndStaysOfItsNet() {
        TestBoards b = new TestBoards().outline(0, 0, 40, 30);
        for (Side side : Side.values()) {
            b.on(Role.Kind.COPPER, side).round(10, 10, 1.4);
            b.on(Role.Kind.MASK, side).round(10, 10, 1.5);
        }
        b.on(TOP).line(0.5, 10, 10, 20, 10).hole(10, 10, 0.8, true);
        BoardGeometry g = touched(b, new MoveHole(Pt.mm(10, 10), Pt.mm(12, 10)));
        assertThat(g.board().holes().get(0).middle()).isEqualTo(Pt.mm(12, 10));
        for (Role r : List.of(BOTTOM, Role.of(Role.Kind.MASK, Side.TOP))) {
            assertThat(g.area(r).getCentroid().getX()).isCloseTo(12e6, within(1e3));
        }
        assertThat(g.nets().netCount()).isEqualTo(1);
        Touched away =
                Touches.on(
                        new BoardGeometry(b.board()),
                        List.of(new Step(new MoveHole(Pt.mm(10, 10), Pt.mm(10, 20)), true)),
                        TouchClearances.USUAL,
                        Drawings.NONE);
        assertThat(away.outcomes().get(0).why()).contains("It would part the net");
    }

    @Test
    void holesSnapToTheNearestDrillWhereItIsNear() {
        TestBoards b = plain();
        for (double d : new double[] {0.31, 0.55, 0.62, 2.4}) {
            b.hole(5 + 4 * d, 5, d, false);
        }
        BoardGeometry g =
                touched(b, new SnapHoles(List.of(300_000L, 600_000L, 1_000_000L), 100_000));
        assertThat(g.board().holes())
                .extracting(Hole::diameter)
                .containsExactly(300_000L, 600_000L, 600_000L, 2_400_000L);
    }

    @Test
    void aHoleIsNotSnappedWiderThanItsRingAllows() {
        // A ring of 0.2 mm about 0.95 mm: drilled at 1.0 mm it is 0.175, at 1.1 mm it would be
        // 0.125.
        TestBoards b = plain().round(10, 10, 1.35).hole(10, 10, 0.95, true);
        BoardGeometry wide = touched(b, new SnapHoles(List.of(1_000_000L, 800_000L), 200_000));
        assertThat(wide.board().holes().get(0).diameter()).isEqualTo(1_000_000);
        BoardGeometry kept = touched(b, new SnapHoles(List.of(1_100_000L, 800_000L), 200_000));
        assertThat(kept.board().holes().get(0).diameter()).isEqualTo(800_000);
    }

    /** Two halves of a plane on the top, one whole on the bottom of another net or of none. */
    private static TestBoards halves() {
        return new TestBoards()
                .outline(0, 0, 40, 30)
                .on(TOP)
                .area(1, 1, 18, 1, 18, 29, 1, 29)
                .area(22, 1, 39, 1, 39, 29, 22, 29)
                .line(0.5, 20, 2, 20, 28)
                .on(BOTTOM)
                .line(0.3, 2, 2, 4, 2)
                .pin("GND", "J1", "1", 5, 15)
                .pin("GND", "J2", "1", 35, 15)
                .pin("CLK", "J3", "1", 20, 15);
    }

    @Test
    void aStrapBridgesACutWithoutTouchingWhatCutsIt() {
        BoardGeometry g =
                touched(
                        halves(),
                        new Strap(Net.named("GND"), Pt.mm(16, 15), Pt.mm(24, 15), 5e5, 3e5, 6e5));
        int left = g.nets().at(0, Pt.mm(5, 15)).get(0).net();
        assertThat(g.nets().at(0, Pt.mm(35, 15)).get(0).net()).isEqualTo(left);
        assertThat(g.nets().at(0, Pt.mm(20, 15)).get(0).net()).isNotEqualTo(left);
        assertThat(g.board().holes()).hasSize(2);
    }

    @Test
    void stitchingTiesPoursOfOneNetAndABusBarDoublesItsWay() {
        TestBoards b = halves().on(BOTTOM).area(5, 5, 39, 5, 39, 28, 5, 28);
        b.pin("GND", "J4", "1", 30, 20, Side.BOTTOM);
        BoardGeometry g = touched(b, new Stitch(Net.named("GND"), 4e6, 3e5, 7e5, List.of()));
        assertThat(g.nets().at(1, Pt.mm(30, 20)).get(0).net())
                .isEqualTo(g.nets().at(0, Pt.mm(35, 15)).get(0).net())
                .isEqualTo(g.nets().at(0, Pt.mm(5, 15)).get(0).net());
        // A grid of 4 mm over the part the planes share: 13 × 23 and 17 × 23 mm.
        assertThat(g.board().holes().size()).isBetween(30, 50);
        BoardGeometry bar =
                touched(
                        halves(),
                        new BusBar(
                                Net.named("GND"),
                                List.of(Pt.mm(5, 8), Pt.mm(5, 25)),
                                2e6,
                                3e6,
                                3e5,
                                7e5));
        assertThat(
                        Geo.sharedArea(
                                                bar.area(BOTTOM),
                                                Geo.rectangle(
                                                        4_000_000,
                                                        8_000_000,
                                                        6_000_000,
                                                        25_000_000))
                                        .getArea()
                                / 1e12)
                .isCloseTo(34, within(1e-3));
    }

    @Test
    void aPourIsKeptAwayByJustWhatWasAsked() {
        TestBoards b =
                new TestBoards()
                        .outline(0, 0, 40, 30)
                        .on(TOP)
                        .area(0.1, 0.1, 39.9, 0.1, 39.9, 29.9, 0.1, 29.9)
                        .clear(20, 15, 1.6)
                        .round(20, 15, 1.4)
                        .hole(10, 10, 2, false);
        BoardGeometry g = touched(b, new KeepAway(2e5, 4e5, 3e5, 0, 1e5));
        Geometry pour =
                Geo.union(
                        g.pieces(TOP).stream()
                                .filter(p -> p.feature() instanceof Feature.Region)
                                .map(p -> (Geometry) p.polygon())
                                .toList());
        assertThat(pour.distance(Geo.point(Pt.mm(20, 15)))).isCloseTo(9e5, within(600.0));
        assertThat(pour.distance(Geo.point(Pt.mm(10, 10)))).isCloseTo(1.3e6, within(600.0));
        assertThat(pour.getEnvelopeInternal().getMinX()).isCloseTo(4e5, within(600.0));
        // The board less its rim, less both circles.
        double left = 39.2 * 29.2 - Math.PI * (0.9 * 0.9 + 1.3 * 1.3);
        assertThat(pour.getArea() / 1e12).isCloseTo(left, within(0.01));
    }

    @Test
    void clippedStrokesEndWhereTheirInkIsClearAndKeepTheirWidth() {
        TestBoards b =
                plain().on(Role.Kind.MASK, Side.TOP)
                        .round(10, 10, 2)
                        .on(Role.Kind.SILK, Side.TOP)
                        .line(0.2, 5, 10, 15, 10)
                        .arc(0.2, 10, 15, 4.5, 0, 359)
                        .line(0.2, 30, 25, 50, 25);
        BoardGeometry g = touched(b, new SilkClip(150_000));
        List<Feature> left =
                g.board().layer(Role.of(Role.Kind.SILK, Side.TOP)).orElseThrow().features();
        assertThat(left).allMatch(f -> ((Feature.Stroke) f).roundWidth() == 200_000);
        Geometry silk = g.area(Role.of(Role.Kind.SILK, Side.TOP));
        assertThat(silk.distance(g.area(Role.of(Role.Kind.MASK, Side.TOP))))
                .isCloseTo(150_000, within(600.0));
        assertThat(silk.getEnvelopeInternal().getMaxX()).isLessThanOrEqualTo(40e6 - 149_400);
        // The line was cut in two, at 1 + 0.15 + 0.1 mm from the middle of the opening.
        assertThat(silk.distance(Geo.point(Pt.mm(8.85, 10)))).isCloseTo(0, within(600.0));
    }

    @Test
    void openingsGrowByWhatIsAskedAndThinWebsAreLeftOut() {
        Role mask = Role.of(Role.Kind.MASK, Side.TOP);
        TestBoards b =
                new TestBoards()
                        .outline(0, 0, 40, 30)
                        .on(TOP)
                        .box(10, 10, 1, 2, 0)
                        .box(11.2, 10, 1, 2, 0)
                        .on(mask)
                        .box(10, 10, 1.1, 2.1, 0)
                        .box(11.2, 10, 1.1, 2.1, 0);
        assertThat(touched(b, new Mask(20_000, 0, Optional.empty())).area(mask).getArea() / 1e12)
                .isCloseTo(2 * 1.14 * 2.14, within(1e-4));
        Geometry merged = touched(b, new Mask(0, 150_000, Optional.empty())).area(mask);
        assertThat(Geo.polygons(merged)).hasSize(1);
        assertThat(merged.getArea() / 1e12).isCloseTo(2.3 * 2.1, within(5e-3));
    }

    @Test
    void artHasItsTrueSizeHolesAndALeastStroke() {
        Drawings files =
                path ->
                        Optional.of(
                                ("<svg xmlns='http://www.w3.org/2000/svg' width='10mm'"
                                                + " height='8mm' viewBox='0 0 10 8'><path"
                                                + " d='M0 0 H6 V6 H0 Z M2 2 H4 V4 H2 Z M0 8 H10'/></svg>")
                                        .getBytes(StandardCharsets.UTF_8));
        Role silk = Role.of(Role.Kind.SILK, Side.TOP);
        BoardGeometry g =
                touched(
                        plain().on(silk),
                        files,
                        new Art(silk, Pt.mm(5, 3), 0, Source.file("bee.svg"), false, 200_000));
        // A frame of 6 mm with a hole of 2 mm, and a line of 10 mm drawn as thick as a stroke.
        assertThat(g.area(silk).getArea() / 1e12)
                .isCloseTo(36 - 4 + 10 * 0.2 + Math.PI * 0.01, within(5e-3));
        assertThat(g.area(silk).getEnvelopeInternal().getWidth()).isCloseTo(10.2e6, within(2e3));
    }

    @Test
    void labelsAreWrittenWhereThereIsRoomAndHiddenBesideParts() {
        TestBoards b =
                plain().on(Role.Kind.MASK, Side.TOP)
                        .box(9, 10, 1, 1, 0)
                        .box(11, 10, 1, 1, 0)
                        .on(Role.Kind.SILK, Side.TOP)
                        .line(0.15, 0, 0, 0.01, 0)
                        .on(TOP)
                        .box(9, 10, 1, 1, 0)
                        .box(11, 10, 1, 1, 0)
                        .pin("A", "R1", "1", 9, 10)
                        .pin("B", "R1", "2", 11, 10)
                        .listed("R1,4k7,R0805,,")
                        .placed("R1,10k,R0805,10,10,0,top");
        Role silk = Role.of(Role.Kind.SILK, Side.TOP);
        BoardGeometry shown = touched(b, new Labels(false, Labels.Show.VALUES, 1e6));
        // The value of the parts list, four signs of it, beside the pads.
        int strokes = shown.board().layer(silk).orElseThrow().features().size();
        assertThat(strokes).isGreaterThan(8);
        assertThat(shown.area(silk).distance(shown.area(Role.of(Role.Kind.MASK, Side.TOP))))
                .isGreaterThan(1e5);
        BoardGeometry both =
                touched(
                        b,
                        new Labels(false, Labels.Show.VALUES, 1e6),
                        new Labels(true, Labels.Show.NOTHING, 1e6));
        assertThat(both.board().layer(silk).orElseThrow().features()).hasSize(1);
    }
}
