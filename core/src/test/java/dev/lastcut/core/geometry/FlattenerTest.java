package dev.lastcut.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;

class FlattenerTest {
    @ParameterizedTest
    @ValueSource(doubles = {50_000, 400_000, 1_600_000, 30_000_000})
    void chordsStayWithinHalfTheErrorOnEitherSide(double radius) {
        Coordinate[] ring = Flattener.FINE.circle(0, 0, radius);
        for (int i = 1; i < ring.length; i++) {
            double vertex = Math.hypot(ring[i].x, ring[i].y);
            double middle =
                    Math.hypot((ring[i].x + ring[i - 1].x) / 2, (ring[i].y + ring[i - 1].y) / 2);
            // One nanometre for rounding to the grid.
            assertThat(vertex - radius).isBetween(0.0 - 1, 251.0);
            assertThat(radius - middle).isBetween(0.0 - 1, 251.0);
        }
    }

    @Test
    void straightSidesOfAStrokeAreExact() {
        var e = Flattener.FINE.stroke(new Segment.Line(Pt.mm(0, 0), Pt.mm(5, 0)), 300_000);
        assertThat(e.contains(Geo.line(new Pt(0, 150_000), new Pt(5_000_000, 150_000)))).isFalse();
        assertThat(e.getArea() / 1e12).isCloseTo(1.5 + Math.PI * 0.0225, within(1e-4));
        assertThat(e.distance(Geo.point(new Pt(2_500_000, 250_000)))).isEqualTo(100_000);
    }

    @Test
    void cutInsCancelAndWindingFills() {
        Coordinate[] ring =
                List.of(
                                c(0, 0), c(10, 0), c(10, 10), c(0, 10), c(0, 5), c(3, 5), c(3, 7),
                                c(7, 7), c(7, 3), c(3, 3), c(3, 5), c(0, 5), c(0, 0))
                        .toArray(Coordinate[]::new);
        assertThat(Rings.fill(ring).getArea()).isEqualTo(84);
        // A pentagram's middle is wound about twice: it is filled.
        Coordinate[] star = new Coordinate[6];
        for (int i = 0; i < 6; i++) {
            double a = Math.PI / 2 + i * 4 * Math.PI / 5;
            star[i] = new Coordinate(Math.rint(1000 * Math.cos(a)), Math.rint(1000 * Math.sin(a)));
        }
        assertThat(Rings.fill(star).contains(Geo.point(Pt.ORIGIN))).isTrue();
    }

    private static Coordinate c(double x, double y) {
        return new Coordinate(x, y);
    }
}
