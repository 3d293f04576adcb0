package dev.lastcut.core.touch.copper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Drawings;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.Step;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.TouchClearances;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.core.touch.Touches;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Geometry;

/** Tracks, rings and teardrops against plane geometry. */
class TracksTest {
    private static final Role TOP = Role.of(Role.Kind.COPPER, Side.TOP);

    private static Touched on(TestBoards b, Touch t) {
        Touched touched =
                Touches.on(
                        new BoardGeometry(b.board()),
                        List.of(new Step(t, true)),
                        TouchClearances.USUAL,
                        Drawings.NONE);
        assertThat(touched.outcomes().get(0).done()).as(touched.outcomes().get(0).why()).isTrue();
        return touched;
    }

    private static TestBoards board() {
        return new TestBoards().outline(0, 0, 40, 30).on(TOP);
    }

    /**
     * A round pad of 2 mm lies 2 mm beside the track, whose clearance is 0.2 mm. A track of width w
     * must keep its middle line 1 + 0.2 + w / 2 from the pad's middle: over that stretch it stays.
     */
    @ParameterizedTest
    @CsvSource({"1.0", "1.2", "1.5"})
    void aTrackIsWidenedWhereThereIsRoomAndNowhereElse(double width) {
        TestBoards b = board().line(0.3, 5, 10, 35, 10).round(20, 11.5, 2);
        b.pin("A", "J1", "1", 5, 10).pin("B", "J2", "1", 20, 11.5);
        Touched t = on(b, new Widen(Optional.of(Net.named("A")), width * 1e6));
        double reach = 1 + 0.2 + width / 2;
        double stays = 2 * Math.sqrt(reach * reach - 1.5 * 1.5);
        double wide =
                t.geometry().board().layer(TOP).orElseThrow().features().stream()
                        .filter(f -> f instanceof Feature.Stroke s && s.roundWidth() == width * 1e6)
                        .mapToDouble(f -> ((Feature.Stroke) f).path().length())
                        .sum();
        assertThat(wide / 1e6).isCloseTo(30 - stays, within(0.002));
        Geometry pad = Geo.point(Pt.mm(20, 11.5)).buffer(1e6, 64);
        Geometry track =
                Geo.union(
                        t.geometry().pieces(TOP).stream()
                                .filter(p -> p.feature() instanceof Feature.Stroke)
                                .map(p -> (Geometry) p.polygon())
                                .toList());
        assertThat(track.distance(pad)).isCloseTo(200_000, within(600.0));
        assertThat(t.outcomes().get(0).places()).isNotEmpty();
    }

    @Test
    void twoTracksThatGrowTowardsEachOtherKeepTheClearance() {
        // 1 mm between the middles: both at 0.9 mm would leave 0.1 mm.
        TestBoards b = board().line(0.2, 5, 10, 35, 10).line(0.2, 5, 11, 35, 11);
        Touched t = on(b, new Widen(Optional.empty(), 900_000));
        List<Geometry> nets =
                t.geometry().nets().nodes().stream().map(n -> (Geometry) n.polygon()).toList();
        double least = Double.MAX_VALUE;
        for (Geometry a : nets) {
            for (Geometry c : nets) {
                double d = a.distance(c);
                least = d > 0 ? Math.min(least, d) : least;
            }
        }
        assertThat(least).isGreaterThanOrEqualTo(200_000 - 600);
        assertThat(t.geometry().nets().netCount()).isEqualTo(2);
    }

    @Test
    void aThinnerTrackIsThinnerAllAlong() {
        TestBoards b = board().line(0.8, 5, 10, 35, 10).arc(0.6, 20, 10, 5, 0, 90);
        b.pin("A", "J1", "1", 6, 10);
        Touched t = on(b, new Thin(Net.named("A"), 400_000));
        assertThat(t.geometry().board().layer(TOP).orElseThrow().features())
                .allMatch(f -> ((Feature.Stroke) f).roundWidth() == 400_000);
        assertThat(t.outcomes().get(0).why()).contains("2 tracks");
    }

    @Test
    void aRingBecomesAsWideAsAskedAndNextToOthersAsWideAsThereIsRoom() {
        TestBoards b = board();
        for (double x : new double[] {10, 20}) {
            b.round(x, 10, 1).hole(x, 10, 0.8, true).lead("N" + x, "J" + x, "1", x, 10);
        }
        b.line(0.3, 5, 11, 15, 11);
        Touched t = on(b, new Ring(300_000));
        Geometry copper = t.geometry().area(TOP);
        Geometry free = Geo.point(Pt.mm(20, 10)).buffer(700_000, 64);
        assertThat(Geo.difference(free, copper).getArea()).isLessThan(free.getArea() * 2e-3);
        // The pad is one pad still, and the one beside the track keeps 0.2 mm from it.
        assertThat(
                        t.geometry().board().layer(TOP).orElseThrow().features().stream()
                                .filter(f -> f instanceof Feature.Flash))
                .hasSize(2);
        Geometry track = Geo.line(Pt.mm(5, 11), Pt.mm(15, 11)).buffer(150_000, 64);
        Geometry ring =
                Geo.union(
                        t.geometry().pieces(TOP).stream()
                                .filter(p -> !(p.feature() instanceof Feature.Stroke))
                                .map(p -> (Geometry) p.polygon())
                                .toList());
        assertThat(ring.distance(track)).isCloseTo(200_000, within(600.0));
    }

    @Test
    void aTeardropGoesFromThePadsWidthToTheTracks() {
        TestBoards b = board().round(10, 10, 2).hole(10, 10, 1, true).line(0.4, 10, 10, 20, 10);
        Touched t = on(b, new Teardrop(1_500_000));
        Geometry drop =
                t.geometry().pieces(TOP).stream()
                        .filter(p -> p.feature() instanceof Feature.Region)
                        .findFirst()
                        .orElseThrow()
                        .polygon();
        // A trapezium from 1.8 mm to 0.4 mm over 1 + 1.5 mm.
        assertThat(drop.getArea() / 1e12).isCloseTo((1.8 + 0.4) / 2 * 2.5, within(1e-6));
        assertThat(t.geometry().nets().netCount()).isEqualTo(1);
    }

    @Test
    void coveredTracksGoAndNothingElseChanges() {
        TestBoards b =
                board().area(5, 5, 25, 5, 25, 25, 5, 25)
                        .line(0.4, 8, 8, 20, 20)
                        .line(0.4, 20, 20, 35, 20)
                        .arc(0.4, 15, 15, 3, 0, 180);
        b.pin("A", "J1", "1", 8, 8);
        BoardGeometry before = new BoardGeometry(b.board());
        Touched t = on(b, new CoveredTracks(Optional.empty()));
        assertThat(t.outcomes().get(0).why()).contains("Takes 2 tracks away");
        assertThat(Geo.symmetricDifference(before.area(TOP), t.geometry().area(TOP)).getArea())
                .isLessThan(1e6);
    }

    @Test
    void aNeckIsBridgedWhereThereIsRoomAndElseCutOff() {
        // Two fields joined by a bar of 0.1 mm; beside the second bar runs another net.
        TestBoards b =
                board().area(
                                5, 5, 10, 5, 10, 7.45, 12, 7.45, 12, 5, 17, 5, 17, 10, 12, 10, 12,
                                7.55, 10, 7.55, 10, 10, 5, 10);
        Touched t = on(b, new Slivers(300_000));
        assertThat(t.outcomes().get(0).why()).contains("Bridges");
        double across =
                t.geometry()
                        .area(TOP)
                        .intersection(Geo.line(Pt.mm(11, 5), Pt.mm(11, 10)))
                        .getLength();
        assertThat(across).isGreaterThanOrEqualTo(300_000 - 1);
    }
}
