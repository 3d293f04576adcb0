package dev.lastcut.core.receiving;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.receiving.Perspective.Pair;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.util.AffineTransformationFactory;

/** Photographs taken by a pinhole camera of known place, and maps of the geometry library. */
class PerspectiveTest {
    /** A camera above a board, tilted both ways: board mm to pixels. */
    private record Camera(double tiltX, double tiltY, double turn, double far) {
        double[] sees(double x, double y) {
            double a = x * Math.cos(turn) - y * Math.sin(turn);
            double b = x * Math.sin(turn) + y * Math.cos(turn);
            double u = a * Math.cos(tiltX);
            double z = far + a * Math.sin(tiltX) + b * Math.sin(tiltY);
            double v = b * Math.cos(tiltY);
            return new double[] {2000 + 3000 * u / z, 1500 - 3000 * v / z};
        }
    }

    private static Pair pair(Camera c, double x, double y, Random noise, double pixels) {
        double[] p = c.sees(x, y);
        return new Pair(
                p[0] + pixels * noise.nextGaussian(), p[1] + pixels * noise.nextGaussian(), x, y);
    }

    @Test
    void fourPlacesUndoAnyCamera() {
        Random r = new Random(3);
        for (int i = 0; i < 200; i++) {
            Camera c =
                    new Camera(
                            r.nextDouble() - 0.5,
                            r.nextDouble() - 0.5,
                            r.nextDouble() * 6.28,
                            200 + r.nextInt(300));
            List<Pair> pairs = new ArrayList<>();
            for (double[] at : new double[][] {{0, 0}, {80, 2}, {78, 56}, {3, 55}}) {
                pairs.add(pair(c, at[0], at[1], r, 0));
            }
            Perspective p = Perspective.of(pairs);
            assertThat(p.worstMm()).isLessThan(1e-6);
            for (int k = 0; k < 10; k++) {
                double x = r.nextDouble() * 80;
                double y = r.nextDouble() * 56;
                double[] photo = c.sees(x, y);
                assertThat(p.onBoard(photo[0], photo[1]))
                        .containsExactly(new double[] {x, y}, within(1e-5));
            }
        }
    }

    @Test
    void manyInexactClicksAreBetterThanFour() {
        Random r = new Random(8);
        Camera c = new Camera(0.2, -0.3, 1, 300);
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            pairs.add(pair(c, r.nextDouble() * 80, r.nextDouble() * 56, r, 3));
        }
        Perspective p = Perspective.of(pairs);
        double[] middle = c.sees(40, 28);
        double[] at = p.onBoard(middle[0], middle[1]);
        // Three pixels are a third of a millimetre here; thirty clicks come within a fraction.
        assertThat(Math.hypot(at[0] - 40, at[1] - 28)).isLessThan(0.15);
        assertThat(p.worstMm()).isBetween(0.1, 2.0);
    }

    @Test
    void threePlacesAreTheLibrarysAffineMap() {
        Pair a = new Pair(100, 900, 0, 0);
        Pair b = new Pair(1700, 1000, 80, 0);
        Pair c = new Pair(150, 100, 2, 50);
        Perspective p = Perspective.of(List.of(a, b, c));
        var affine =
                AffineTransformationFactory.createFromControlVectors(
                        new Coordinate[] {
                            new Coordinate(100, 900),
                            new Coordinate(1700, 1000),
                            new Coordinate(150, 100)
                        },
                        new Coordinate[] {
                            new Coordinate(0, 0), new Coordinate(80, 0), new Coordinate(2, 50)
                        });
        Coordinate at = affine.transform(new Coordinate(777, 333), new Coordinate());
        assertThat(p.onBoard(777, 333)).containsExactly(new double[] {at.x, at.y}, within(1e-9));
    }

    @Test
    void placesThatSayTooLittleAreRefused() {
        List<Pair> line = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            line.add(new Pair(100 * i, 50 * i, 10 * i, 5 * i));
        }
        assertThatThrownBy(() -> Perspective.of(line)).hasMessageContaining("in one line");
        assertThatThrownBy(() -> Perspective.of(line.subList(0, 2)))
                .hasMessageContaining("three places at least");
        List<Pair> odd = List.of(line.get(0), new Pair(Double.NaN, 0, 1, 1), line.get(2));
        assertThatThrownBy(() -> Perspective.of(odd)).hasMessageContaining("no number");
        // Three of four on each other.
        List<Pair> same = List.of(line.get(0), line.get(0), line.get(0), new Pair(5, 900, 0, 40));
        assertThatThrownBy(() -> Perspective.of(same)).isInstanceOf(IllegalArgumentException.class);
    }
}
