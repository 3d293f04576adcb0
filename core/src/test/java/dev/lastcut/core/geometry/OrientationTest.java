package dev.lastcut.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class OrientationTest {
    private static Orientation random(Random r) {
        return new Orientation(r.nextBoolean(), r.nextInt(360), 0.5 + r.nextInt(4) * 0.5);
    }

    /**
     * A shape turned inside a block that is turned itself lies where one after the other puts it.
     */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void turningInsideATurnedBlock(long seed) {
        Random r = new Random(seed);
        for (int i = 0; i < 50; i++) {
            Orientation outer = random(r);
            Orientation inner = random(r);
            Pt p = new Pt(r.nextInt(10_000_000), r.nextInt(10_000_000));
            Pt twice = outer.apply(inner.apply(p));
            assertThat(outer.around(inner).apply(p).distance(twice)).isLessThan(5);
        }
    }

    @ParameterizedTest
    @CsvSource({"0, 3, 1", "90, -1, 3", "180, -3, -1", "270, 1, -3", "-90, 1, -3"})
    void quarterTurnsAreExactAndCounterClockwise(double turn, double x, double y) {
        assertThat(new Orientation(false, turn, 1).apply(Pt.mm(3, 1))).isEqualTo(Pt.mm(x, y));
    }

    @Test
    void mirroringComesBeforeTurning() {
        assertThat(new Orientation(true, 90, 1).apply(Pt.mm(3, 1))).isEqualTo(Pt.mm(-1, -3));
    }

    @Test
    void arcsKnowTheirWay() {
        Segment.Arc quarter = new Segment.Arc(Pt.mm(5, 0), Pt.mm(0, 5), 0, 0, false);
        assertThat(quarter.sweep()).isCloseTo(Math.PI / 2, within(1e-9));
        assertThat(quarter.reversed().sweep()).isCloseTo(-Math.PI / 2, within(1e-9));
        Segment.Arc rest = new Segment.Arc(Pt.mm(5, 0), Pt.mm(0, 5), 0, 0, true);
        assertThat(rest.sweep()).isCloseTo(-3 * Math.PI / 2, within(1e-9));
        Segment.Arc full = new Segment.Arc(Pt.mm(5, 0), Pt.mm(5, 0), 0, 0, true);
        assertThat(full.length() / 1e6).isCloseTo(2 * Math.PI * 5, within(1e-6));
        assertThat(full.middle()).isEqualTo(Pt.mm(-5, 0));
        // A mirrored arc runs the other way about.
        Segment.Arc mirrored = (Segment.Arc) new Orientation(true, 0, 1).apply(quarter);
        assertThat(mirrored.clockwise()).isTrue();
        assertThat(mirrored.middle().distance(new Orientation(true, 0, 1).apply(quarter.middle())))
                .isLessThan(2);
    }
}
