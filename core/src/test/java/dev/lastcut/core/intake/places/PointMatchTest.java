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

/** Places at random, held against some of them that were moved in a way that is known. */
class PointMatchTest {
    private static List<Pt> places(int count) {
        Random r = new Random(7);
        List<Pt> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(new Pt(10_000_000 + r.nextInt(80_000_000), r.nextInt(60_000_000)));
        }
        return all;
    }

    private static List<Pt> moved(List<Pt> all, Correction c) {
        return all.stream().map(c::apply).toList();
    }

    @Test
    void sharesAreOfTheSmallerSetOrOfTheGiven() {
        List<Pt> all = places(40);
        PointMatch match = new PointMatch(all);
        assertThat(match.size()).isEqualTo(40);
        assertThat(match.share(all.subList(0, 10))).isEqualTo(1);
        assertThat(match.shareOf(all.subList(0, 10))).isEqualTo(1);
        List<Pt> half = new ArrayList<>(all.subList(0, 10));
        half.addAll(moved(all.subList(10, 20), new Correction(false, 0, 1, Pt.mm(200, 0))));
        assertThat(match.share(half)).isEqualTo(0.5);
        assertThat(match.shareOf(half)).isEqualTo(0.5);
        List<Pt> more = new ArrayList<>(all);
        more.addAll(moved(all, new Correction(false, 0, 1, Pt.mm(200, 0))));
        assertThat(match.share(more)).isEqualTo(1);
        assertThat(match.shareOf(more)).isEqualTo(0.5);
        assertThat(match.share(List.of())).isZero();
        assertThat(match.shareOf(List.of())).isZero();
        assertThat(new PointMatch(List.of()).share(all)).isZero();
        // A place that is given twice is one place.
        assertThat(match.share(List.of(all.get(0), all.get(0), Pt.mm(-9, -9))))
                .isCloseTo(1 / 3.0, within(1e-9));
    }

    @Test
    void placesMeetWithinFiftyMicrometres() {
        List<Pt> all = places(20);
        PointMatch match = new PointMatch(all);
        for (double[] d : new double[][] {{0.05, 0}, {0, -0.05}, {-0.05, 0.05}}) {
            List<Pt> near = moved(all, new Correction(false, 0, 1, Pt.mm(d[0], d[1])));
            assertThat(match.shareOf(near)).isEqualTo(1);
        }
        List<Pt> far = moved(all, new Correction(false, 0, 1, Pt.mm(0.16, 0)));
        assertThat(match.shareOf(far)).isLessThan(0.1);
    }

    /** What was done to the places is undone. */
    @ParameterizedTest
    @CsvSource({
        "false, 0, 1, 12.3456, -7",
        "false, 1, 1, 3, 4",
        "false, 2, 1, -30, 0.4",
        "false, 3, 1, 0, 50",
        "true, 0, 1, 100, 0",
        "true, 1, 1, 0, 0",
        "false, 0, 25.4, 0, 0",
        "false, 0, 0.1, 0, 0",
        "false, 0, 2.54, 0, 0",
        "false, 0, 0.01, 0, 0"
    })
    void theSimplestCorrectionIsFound(
            boolean mirrored, int turns, double scale, double dx, double dy) {
        List<Pt> all = places(300);
        List<Pt> drawn =
                moved(all.subList(0, 120), new Correction(mirrored, turns, scale, Pt.mm(dx, dy)));
        PointMatch.Fit fit = new PointMatch(all).fit(drawn, 0.7).orElseThrow();
        assertThat(fit.share()).isGreaterThan(0.95);
        assertThat(fit.correction().mirrored()).isEqualTo(mirrored);
        assertThat(fit.correction().scale()).isCloseTo(1 / scale, within(1e-9));
        for (int i = 0; i < 120; i++) {
            assertThat(fit.correction().apply(drawn.get(i)).distance(all.get(i)))
                    .isLessThan(50_000);
        }
    }

    @Test
    void chanceIsNoFit() {
        List<Pt> all = places(300);
        List<Pt> others = new ArrayList<>();
        Random r = new Random(99);
        for (int i = 0; i < 40; i++) {
            others.add(new Pt(r.nextInt(90_000_000), r.nextInt(60_000_000)));
        }
        assertThat(new PointMatch(all).fit(others, 0.7)).isEmpty();
        // All on one spot: whatever they are moved to, they meet it, and prove nothing.
        List<Pt> spot = others.stream().map(p -> new Pt(p.x() / 1000, p.y() / 1000)).toList();
        assertThat(new PointMatch(all).fit(spot, 0.1)).isEmpty();
        assertThat(new PointMatch(all).fit(List.of(), 0.1)).isEmpty();
        assertThat(new PointMatch(List.of()).fit(all, 0.1)).isEmpty();
    }

    @Test
    void theShiftThatMostAskFor() {
        List<Pt> all = places(200);
        Correction away = new Correction(false, 0, 1, Pt.mm(-3.217, 0.9));
        List<Pt> drawn = new ArrayList<>(moved(all.subList(0, 60), away));
        Random r = new Random(5);
        for (int i = 0; i < 30; i++) {
            drawn.add(new Pt(r.nextInt(90_000_000), r.nextInt(60_000_000)));
        }
        PointMatch match = new PointMatch(all);
        assertThat(match.shift(drawn)).contains(Pt.mm(3.217, -0.9));
        assertThat(match.shift(all)).contains(Pt.ORIGIN);
        // What is left below a micrometre is rounding.
        Correction step = new Correction(false, 0, 1, new Pt(900, -1_000));
        assertThat(match.shift(moved(all, step))).contains(Pt.ORIGIN);
        Correction more = new Correction(false, 0, 1, new Pt(0, 1_200));
        assertThat(match.shift(moved(all, more))).contains(new Pt(0, -1_200));
        assertThat(match.shift(List.of())).isEmpty();
        assertThat(new PointMatch(List.of()).shift(all)).isEmpty();
    }

    /** Very many places are looked at in part, and tell the same. */
    @Test
    void manyPlacesTellTheSame() {
        List<Pt> all = places(20_000);
        List<Pt> drawn = moved(all, new Correction(false, 0, 1, Pt.mm(4, 4)));
        assertThat(new PointMatch(all).shift(drawn)).contains(Pt.mm(-4, -4));
    }
}
