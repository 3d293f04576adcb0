package dev.lastcut.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.AffineTransformation;

class DistancesTest {
    private static Geometry box(double x0, double y0, double x1, double y1) {
        return Geo.rectangle(Length.mm(x0), Length.mm(y0), Length.mm(x1), Length.mm(y1));
    }

    @Test
    void aParallelRunIsOnePlaceWithItsLength() {
        List<Distances.Run> runs =
                Distances.closerThan(box(0, 0, 20, 1), box(0, 1.1, 20, 2), 150_000);
        assertThat(runs).singleElement();
        assertThat(runs.get(0).narrowest().nm()).isEqualTo(100_000);
        assertThat(runs.get(0).lengthNm() / 1e6).isCloseTo(20, within(0.2));
    }

    @Test
    void aCombGivesOnePlaceForEachTooth() {
        Geometry comb = box(0, 2, 20, 3);
        for (int i = 0; i < 5; i++) {
            comb = Geo.union(comb, box(1 + i * 4, 0.1, 2 + i * 4, 2.5));
        }
        assertThat(Distances.closerThan(box(0, -1, 20, 0), comb, 150_000)).hasSize(5);
        assertThat(Distances.closerThan(box(0, -1, 20, 0), comb, 99_000)).isEmpty();
    }

    /** Moving and turning both shapes, or swapping them, changes no measure. */
    @ParameterizedTest
    @ValueSource(longs = {3, 4, 5, 6, 7, 8})
    void measuresDoNotDependOnWhereTheShapesLie(long seed) {
        Random r = new Random(seed);
        Geometry a = Geo.union(box(0, 0, 2, 1), Flattener.FINE.disc(2_000_000, 500_000, 500_000));
        Geometry b =
                Flattener.FINE.disc(
                        2_600_000 + r.nextInt(40_000), 400_000 + r.nextInt(200_000), 30_000);
        double before = Distances.closerThan(a, b, 200_000).get(0).narrowest().nm();
        AffineTransformation move =
                AffineTransformation.rotationInstance(r.nextDouble() * 6)
                        .translate(r.nextInt(100_000_000), r.nextInt(100_000_000));
        Geometry a2 = move.transform(a);
        Geometry b2 = move.transform(b);
        assertThat(Distances.closerThan(a2, b2, 200_000).get(0).narrowest().nm())
                .isCloseTo(before, within(5.0));
        assertThat(Distances.closerThan(b, a, 200_000).get(0).narrowest().nm())
                .isCloseTo(before, within(2.0));
    }

    /** Area of the union is the sum less the intersection, whatever the shapes. */
    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23})
    void overlayKeepsAreas(long seed) {
        Random r = new Random(seed);
        for (int i = 0; i < 40; i++) {
            Geometry a =
                    Flattener.FINE.disc(
                            r.nextInt(3_000_000),
                            r.nextInt(3_000_000),
                            200_000 + r.nextInt(900_000));
            Geometry b =
                    Flattener.FINE.stroke(
                            new Segment.Line(
                                    new Pt(r.nextInt(3_000_000), r.nextInt(3_000_000)),
                                    new Pt(r.nextInt(3_000_000), r.nextInt(3_000_000))),
                            100_000 + r.nextInt(500_000));
            double union = Geo.union(a, b).getArea();
            double intersection = Geo.intersection(a, b).getArea();
            assertThat(union).isCloseTo(a.getArea() + b.getArea() - intersection, within(1e7));
            assertThat(Geo.symmetricDifference(a, b).getArea())
                    .isCloseTo(union - intersection, within(1e7));
            assertThat(Geo.difference(a, b).getArea())
                    .isCloseTo(a.getArea() - intersection, within(1e7));
        }
    }
}
