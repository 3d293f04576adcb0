package dev.lastcut.core.touch.edge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.NotDone;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Geometry;

/** Rounded and resized outlines. */
class RoundedEdgeTest {
    private static List<Segment> path(Pt... corners) {
        List<Segment> all = new ArrayList<>();
        for (int i = 0; i < corners.length; i++) {
            all.add(new Segment.Line(corners[i], corners[(i + 1) % corners.length]));
        }
        return all;
    }

    private static Geometry area(List<Segment> path) {
        var line = new ArrayList<>(List.of(Flattener.FINEST.polyline(path)));
        return Geo.FACTORY.createPolygon(line.toArray(new org.locationtech.jts.geom.Coordinate[0]));
    }

    /**
     * A convex outline rounded by r is its opening by r: shrunk and grown again by the geometry
     * library (Steiner's formula holds for both).
     */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void aConvexOutlineRoundedIsItsOpening(long seed) {
        Random r = new Random(seed);
        List<Pt> corners = new ArrayList<>();
        int n = 4 + r.nextInt(4);
        for (int i = 0; i < n; i++) {
            double a = 2 * Math.PI * (i + 0.3 * r.nextDouble()) / n;
            corners.add(Pt.mm(30 * Math.cos(a), 22 * Math.sin(a)));
        }
        List<Segment> sharp = path(corners.toArray(Pt[]::new));
        RoundedEdge round = RoundedEdge.of(sharp, 2_000_000);
        assertThat(round.rounded()).isEqualTo(n);
        assertThat(round.left()).isEmpty();
        Geometry opened = area(sharp).buffer(-2e6, 256).buffer(2e6, 256);
        assertThat(Geo.symmetricDifference(area(round.path()), opened).getArea())
                .isLessThan(opened.getArea() * 2e-6);
        // Each arc goes on where the edge before it ends, and touches both edges.
        for (int i = 0; i < round.path().size(); i++) {
            Segment s = round.path().get(i);
            Segment next = round.path().get((i + 1) % round.path().size());
            assertThat(s.to()).isEqualTo(next.from());
            if (s instanceof Segment.Arc arc) {
                assertThat(arc.startRadius()).isCloseTo(2e6, within(2.0));
                assertThat(arc.endRadius()).isCloseTo(2e6, within(2.0));
            }
        }
    }

    @Test
    void innerCornersAreRoundedTooAndShortEdgesSayThereIsNoRoom() {
        List<Segment> notched =
                path(
                        Pt.mm(0, 0),
                        Pt.mm(40, 0),
                        Pt.mm(40, 30),
                        Pt.mm(25, 30),
                        Pt.mm(25, 20),
                        Pt.mm(15, 20),
                        Pt.mm(15, 30),
                        Pt.mm(0, 30));
        RoundedEdge r = RoundedEdge.of(notched, 2_000_000);
        assertThat(r.rounded()).isEqualTo(8);
        // Six corners lose, and two inner ones gain, r² (1 − π / 4).
        double corner = 4 * (1 - Math.PI / 4);
        assertThat(area(r.path()).getArea() / 1e12)
                .isCloseTo(40 * 30 - 10 * 10 - 4 * corner, within(1e-3));
        RoundedEdge wide = RoundedEdge.of(notched, 6_000_000);
        assertThat(wide.left()).hasSizeGreaterThanOrEqualTo(4);
        assertThat(wide.rounded()).isGreaterThanOrEqualTo(2);
    }

    @Test
    void aRoundBoardIsScaledAndOnlyAsAWhole() throws NotDone {
        List<Segment> circle =
                List.of(
                        new Segment.Arc(Pt.mm(10, 0), Pt.mm(-10, 0), 0, 0, false),
                        new Segment.Arc(Pt.mm(-10, 0), Pt.mm(10, 0), 0, 0, false));
        List<Segment> larger = SizedEdge.of(circle, List.of(30e6));
        assertThat(area(larger).getArea() / 1e12).isCloseTo(Math.PI * 225, within(0.01));
        assertThat(area(larger).getEnvelopeInternal().getMinX()).isCloseTo(-10e6, within(2e3));
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> SizedEdge.of(circle, List.of(30e6, 20e6)))
                .isInstanceOf(NotDone.class)
                .hasMessageContaining("scaled as a whole only");
    }
}
