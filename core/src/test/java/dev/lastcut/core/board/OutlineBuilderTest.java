package dev.lastcut.core.board;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OutlineBuilderTest {
    private static Feature stroke(Segment s) {
        return new Feature.Stroke(
                new Aperture.Circle(100_000, 0),
                s,
                Orientation.NONE,
                true,
                0,
                ObjectAttributes.NONE);
    }

    private static Segment line(double x0, double y0, double x1, double y1) {
        return new Segment.Line(Pt.mm(x0, y0), Pt.mm(x1, y1));
    }

    /** 60 × 40 with corners of radius 5: area 2400 − (4 − π)·25. */
    private static List<Segment> rounded() {
        List<Segment> s = new ArrayList<>();
        s.add(line(5, 0, 55, 0));
        s.add(new Segment.Arc(Pt.mm(55, 0), Pt.mm(60, 5), 55e6, 5e6, false));
        s.add(line(60, 5, 60, 35));
        s.add(new Segment.Arc(Pt.mm(60, 35), Pt.mm(55, 40), 55e6, 35e6, false));
        s.add(line(55, 40, 5, 40));
        s.add(new Segment.Arc(Pt.mm(5, 40), Pt.mm(0, 35), 5e6, 35e6, false));
        s.add(line(0, 35, 0, 5));
        s.add(new Segment.Arc(Pt.mm(0, 5), Pt.mm(5, 0), 5e6, 5e6, false));
        return s;
    }

    private static double mm2(Outline o) {
        return o.area(Flattener.FINE).getArea() / 1e12;
    }

    private static Outline build(List<Segment> segments) {
        return OutlineBuilder.build(segments.stream().map(OutlineBuilderTest::stroke).toList());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void strokesInAnyOrderAndDirectionMakeTheSameBoard(long seed) {
        Random r = new Random(seed);
        List<Segment> segments = rounded();
        Collections.shuffle(segments, r);
        segments.replaceAll(s -> r.nextBoolean() ? s.reversed() : s);
        Outline o = build(segments);
        assertThat(o.isClosed()).isTrue();
        assertThat(o.outer()).hasSize(8);
        assertThat(mm2(o)).isCloseTo(2400 - (4 - Math.PI) * 25, within(0.01));
    }

    @Test
    void endsAFewMicrometresApartAreJoinedSilently() {
        List<Segment> s = rounded();
        s.set(0, line(5.003, 0.001, 54.998, 0));
        assertThat(build(s).isClosed()).isTrue();
    }

    @Test
    void everyGapIsKeptWithItsTwoEnds() {
        List<Segment> s = rounded();
        s.set(0, line(5, 0, 54, 0));
        s.set(4, line(55, 40, 5.5, 40));
        Outline o = build(s);
        assertThat(o.isClosed()).isFalse();
        assertThat(o.gaps())
                .extracting(g -> Math.round(g.nm() / 1e3))
                .containsExactlyInAnyOrder(1000L, 500L);
        assertThat(mm2(o)).isCloseTo(2400 - (4 - Math.PI) * 25, within(1.0));
    }

    @Test
    void contoursInsideAreCutOuts() {
        List<Segment> s = rounded();
        s.add(new Segment.Arc(Pt.mm(22, 20), Pt.mm(22, 20), 20e6, 20e6, false));
        s.addAll(
                List.of(
                        line(30, 10, 40, 10),
                        line(40, 10, 40, 14),
                        line(40, 14, 30, 14),
                        line(30, 14, 30, 10)));
        // Something beside the board is no cut-out.
        s.addAll(
                List.of(
                        line(80, 0, 90, 0),
                        line(90, 0, 90, 9),
                        line(90, 9, 80, 9),
                        line(80, 9, 80, 0)));
        Outline o = build(s);
        assertThat(o.cutouts()).hasSize(2);
        assertThat(mm2(o)).isCloseTo(2400 - (4 - Math.PI) * 25 - Math.PI * 4 - 40, within(0.01));
    }

    @Test
    void nothingClosedIsNoOutline() {
        assertThat(build(List.of(line(0, 0, 10, 0))).outer()).isEmpty();
        assertThat(build(List.of()).isClosed()).isFalse();
    }
}
