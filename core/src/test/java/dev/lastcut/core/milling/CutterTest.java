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
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

class CutterTest {
    private static final Cutter V =
            new Cutter("v", "V", Cutter.Kind.V, 100_000, 10, 3_175_000, 200, 60, 12_000, 200_000);

    /** 0.1 mm tip, 10° included, 0.1 mm deep: 0.1175 mm (plane geometry). */
    @Test
    void widthOfAVTool() {
        assertThat(V.widthAt(100_000) / 1e6).isCloseTo(0.1175, within(0.0001));
        assertThat(V.widthAt(0)).isEqualTo(100_000);
    }

    private static Isolation isolate(double gapMm) {
        Geometry a = Flattener.FINE.disc(0, 0, 1_000_000);
        Geometry b = Flattener.FINE.disc(2_000_000 + gapMm * 1e6, 0, 1_000_000);
        return Isolation.plan(
                Map.of(1, a, 2, b),
                Geo.rectangle(-3_000_000, -3_000_000, 6_000_000, 3_000_000),
                V,
                100_000,
                2,
                0.4);
    }

    @Test
    void aGapTheCutterFitsIsCutAndNothingWantedIsTouched() {
        Isolation isolation = isolate(0.125);
        assertThat(isolation.bridges()).isEmpty();
        Geometry copper =
                Geo.union(
                        Flattener.FINE.disc(0, 0, 1_000_000),
                        Flattener.FINE.disc(2_125_000, 0, 1_000_000));
        assertThat(Geo.intersection(removed(isolation), copper).getArea()).isZero();
    }

    /** What the cutter takes away, swept along the paths that are handed out. */
    private static Geometry removed(Isolation isolation) {
        List<Geometry> cuts = new ArrayList<>();
        for (ToolPath path : isolation.toolPaths()) {
            Coordinate[] line =
                    path.vertices().stream()
                            .map(v -> new Coordinate(v.x(), v.y()))
                            .toArray(Coordinate[]::new);
            cuts.add(Geo.offset(Geo.FACTORY.createLineString(line), isolation.width() / 2, 500));
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
                Isolation.plan(
                        Map.of(1, a, 2, b),
                        Geo.rectangle(-3_000_000, -3_000_000, 6_000_000, 12_000_000),
                        V,
                        100_000,
                        1,
                        0);
        assertThat(isolation.bridges()).hasSize(2);
        assertThat(
                        isolation.bridges().stream()
                                .mapToLong(x -> Math.round(x.place().narrowest().nm() / 1e4))
                                .sorted())
                .containsExactly(5L, 10L);
    }

    @Test
    void aGapTooNarrowIsReportedWhereItIs() {
        Isolation isolation = isolate(0.1);
        assertThat(isolation.bridges()).singleElement();
        Isolation.Bridge bridge = isolation.bridges().get(0);
        assertThat(bridge.place().narrowest().nm() / 1e6).isCloseTo(0.1, within(0.002));
        assertThat(bridge.place().narrowest().middle().distance(Pt.mm(1.05, 0))).isLessThan(2_000);
    }

    /** The contour is cut in passes of equal depth that together reach the whole. */
    @Test
    void depthPasses() {
        assertThat(ContourCut.passes(1_800_000, 600_000))
                .containsExactly(600_000.0, 1_200_000.0, 1_800_000.0);
        assertThat(ContourCut.passes(1_800_000, 1_000_000)).containsExactly(900_000.0, 1_800_000.0);
    }
}
