package dev.lastcut.core.milling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Geometry;

class CutterTest {
    private static final Cutter V = TestMills.V;

    /** 0.1 mm tip, 10° included, 0.1 mm deep: 0.1175 mm (plane geometry). */
    @Test
    void widthOfAVTool() {
        assertThat(V.widthAt(100_000) / 1e6).isCloseTo(0.1175, within(0.0001));
        assertThat(V.widthAt(0)).isEqualTo(100_000);
    }

    private static Isolation isolate(Map<Integer, Geometry> nets, Geometry board) {
        return Isolation.plan(
                new SideCopper(nets, board), TestMills.mill(V), MillSetup.USUAL, List.of(V), -1);
    }

    private static Isolation isolate(double gapMm) {
        Geometry a = Flattener.FINE.disc(0, 0, 1_000_000);
        Geometry b = Flattener.FINE.disc(2_000_000 + gapMm * 1e6, 0, 1_000_000);
        return isolate(
                Map.of(1, a, 2, b), Geo.rectangle(-3_000_000, -3_000_000, 6_000_000, 3_000_000));
    }

    @Test
    void aGapTheCutterFitsIsCutAndNothingWantedIsTouched() {
        Isolation isolation = isolate(0.125);
        assertThat(isolation.joined()).isEmpty();
        Geometry copper =
                Geo.union(
                        Flattener.FINE.disc(0, 0, 1_000_000),
                        Flattener.FINE.disc(2_125_000, 0, 1_000_000));
        Geometry lost = Geo.intersection(removed(isolation), Geo.offset(copper, -2_000, 200));
        assertThat(lost.getArea()).isZero();
    }

    /** What the cutter takes away, swept along the lines that are handed out. */
    private static Geometry removed(Isolation isolation) {
        List<Geometry> cuts = new ArrayList<>();
        for (Isolation.Work work : isolation.works()) {
            work.lines().forEach(l -> cuts.add(Geo.offset(l, work.width() / 2, 500)));
        }
        return Geo.union(cuts);
    }

    /** Two nets of two pads each, too near at both pairs: two places, each told once. */
    @Test
    void netsThatMeetOnTwoIslandsAreToldOnceForEachPlace() {
        Geometry a =
                Geo.union(
                        Flattener.FINE.disc(0, 0, 1_000_000),
                        Flattener.FINE.disc(0, 9_000_000, 1_000_000));
        Geometry b =
                Geo.union(
                        Flattener.FINE.disc(2_100_000, 0, 1_000_000),
                        Flattener.FINE.disc(2_050_000, 9_000_000, 1_000_000));
        Isolation isolation =
                isolate(
                        Map.of(1, a, 2, b),
                        Geo.rectangle(-3_000_000, -3_000_000, 6_000_000, 12_000_000));
        assertThat(isolation.joined()).hasSize(2);
        assertThat(
                        isolation.joined().stream()
                                .mapToLong(x -> Math.round(x.gap().nm() / 1e4))
                                .sorted())
                .containsExactly(5L, 10L);
    }

    @Test
    void aGapTooNarrowIsReportedWhereItIs() {
        Isolation isolation = isolate(0.1);
        assertThat(isolation.joined()).singleElement();
        Joined bridge = isolation.joined().get(0);
        assertThat(bridge.gap().nm() / 1e6).isCloseTo(0.1, within(0.002));
        assertThat(bridge.gap().middle().distance(Pt.mm(1.05, 0))).isLessThan(2_000);
    }

    /** The contour is cut in passes of equal depth that together reach the whole. */
    @Test
    void depthPasses() {
        assertThat(ContourCut.passes(1_800_000, 600_000))
                .containsExactly(600_000.0, 1_200_000.0, 1_800_000.0);
        assertThat(ContourCut.passes(1_800_000, 1_000_000)).containsExactly(900_000.0, 1_800_000.0);
    }
}
