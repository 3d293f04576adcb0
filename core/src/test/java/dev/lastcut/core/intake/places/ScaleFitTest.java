package dev.lastcut.core.intake.places;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A scale and a shift that are known, from places at random. */
class ScaleFitTest {
    private static List<Pt> places(long seed, int count) {
        Random r = new Random(seed);
        List<Pt> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(new Pt(10_000_000 + r.nextInt(90_000_000), 5_000_000 + r.nextInt(60_000_000)));
        }
        return all;
    }

    /** The places as a picture has them that was scaled about the origin, then moved. */
    private static List<Pt> drawn(List<Pt> places, double scale, double dxMm, double dyMm) {
        return places.stream()
                .map(
                        p ->
                                new Pt(
                                        Math.round(p.x() * scale + dxMm * 1e6),
                                        Math.round(p.y() * scale + dyMm * 1e6)))
                .toList();
    }

    @ParameterizedTest
    @CsvSource({
        "1.02, 0, 0",
        "0.98, 0, 0",
        "1.0005, 0, 0",
        "0.81, 0, 0",
        "1.24, 0, 0",
        "1.02, -3.5, 12",
        "0.975, 40, -25",
        "1.05, -1, -2"
    })
    void theScaleAndTheShiftAreFound(double scale, double dx, double dy) {
        List<Pt> places = places(3, 300);
        List<Pt> drawn = drawn(places, scale, dx, dy);
        Correction c = new ScaleFit(places).fit(drawn, 0.9).orElseThrow();
        assertThat(c.scale()).isCloseTo(1 / scale, within(1e-6));
        for (int i = 0; i < places.size(); i++) {
            assertThat(c.apply(drawn.get(i)).distance(places.get(i))).isLessThan(5_000);
        }
        assertThat(c.shift().equals(Pt.ORIGIN)).isEqualTo(dx == 0 && dy == 0);
    }

    /** A third of the picture's places belong to nothing: fewer than asked for, it says nothing. */
    @Test
    void whatOnlySomeOfThemAskForNeedsALowerShare() {
        List<Pt> places = places(5, 200);
        List<Pt> drawn = new ArrayList<>(drawn(places, 1.01, 0, 0));
        drawn.addAll(places(99, 100));
        ScaleFit fit = new ScaleFit(places);
        assertThat(fit.fit(drawn, 0.9)).isEmpty();
        assertThat(fit.fit(drawn, 0.6).orElseThrow().scale()).isCloseTo(1 / 1.01, within(1e-6));
    }

    @Test
    void whatIsNotScaledOrTooFewOrUnlikeIsLeft() {
        List<Pt> places = places(7, 200);
        assertThat(new ScaleFit(places).fit(places, 0.9)).isEmpty();
        assertThat(new ScaleFit(places).fit(drawn(places, 1.0001, 0, 0), 0.9)).isEmpty();
        assertThat(new ScaleFit(places).fit(drawn(places, 2, 0, 0), 0.9)).isEmpty();
        assertThat(new ScaleFit(places).fit(places(8, 200), 0.5)).isEmpty();
        assertThat(new ScaleFit(places).fit(drawn(places.subList(0, 3), 1.02, 0, 0), 0.5))
                .isEmpty();
        assertThat(new ScaleFit(places.subList(0, 3)).fit(drawn(places, 1.02, 0, 0), 0.01))
                .isEmpty();
    }

    /** Of very many an even selection is looked at; the answer holds for all of them. */
    @Test
    void manyPlacesAreScaledAsOne() {
        List<Pt> places = places(11, 5_000);
        List<Pt> drawn = drawn(places, 1.013, 0, 0);
        Correction c = new ScaleFit(places).fit(drawn, 0.9).orElseThrow();
        for (int i = 0; i < places.size(); i++) {
            assertThat(c.apply(drawn.get(i)).distance(places.get(i))).isLessThan(20_000);
        }
    }

    /** Scaled beyond five per cent and moved: the sizes of both tell. */
    @ParameterizedTest
    @CsvSource({"1.2, 30, -12", "0.83, -40, 3", "1.11, 7, 7"})
    void theSizesTell(double scale, double dx, double dy) {
        List<Pt> places = places(13, 250);
        List<Pt> drawn = drawn(places, scale, dx, dy);
        Correction c = new ScaleFit(places).fit(drawn, 0.9).orElseThrow();
        assertThat(c.scale()).isCloseTo(1 / scale, within(1e-6));
        assertThat(c.apply(drawn.get(9)).distance(places.get(9))).isLessThan(5_000);
        // Beyond a quarter it is no picture of this board.
        assertThat(new ScaleFit(places).fit(drawn(places, 1.3, dx, dy), 0.9)).isEmpty();
        assertThat(new ScaleFit(places).fit(drawn(places, 0.75, dx, dy), 0.9)).isEmpty();
    }

    /** Some of the places, and others far away: only the pairs that ask for the same shift tell. */
    @ParameterizedTest
    @CsvSource({"1.03, 30, -12", "0.96, -40, 3", "0.9525, 7, 7"})
    void thePairsTell(double scale, double dx, double dy) {
        List<Pt> places = places(17, 250);
        List<Pt> drawn = new ArrayList<>(drawn(places.subList(0, 90), scale, dx, dy));
        drawn.add(Pt.mm(400, 3));
        drawn.add(Pt.mm(-30, 900));
        Correction c = new ScaleFit(places).fit(drawn, 0.9).orElseThrow();
        assertThat(c.scale()).isCloseTo(1 / scale, within(1e-6));
        assertThat(c.apply(drawn.get(9)).distance(places.get(9))).isLessThan(5_000);
    }

    @Test
    void whatIsStretchedIsNotScaled() {
        List<Pt> places = places(19, 250);
        List<Pt> drawn =
                places.stream()
                        .map(p -> new Pt(Math.round(p.x() * 1.03) + 5_000_000, p.y() - 9_000_000))
                        .toList();
        assertThat(new ScaleFit(places).fit(drawn, 0.9)).isEmpty();
    }
}
