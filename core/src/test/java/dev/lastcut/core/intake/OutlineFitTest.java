package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.reading.Reading;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** An outline about copper from 2 to 58 by 2 to 38 mm, as its drawing may have it. */
class OutlineFitTest {
    private static final Pt FAR = Pt.mm(60, 40);

    private static Reading gerber(double... xy) {
        StringBuilder s = new StringBuilder("%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.1*%\nD10*\n");
        for (int i = 0; i < xy.length; i += 2) {
            s.append(
                    String.format(
                            Locale.ROOT,
                            "X%dY%dD0%d*\n",
                            Math.round(xy[i] * 1e6),
                            Math.round(xy[i + 1] * 1e6),
                            i == 0 ? 2 : 1));
        }
        return Reading.of("x", (s + "M02*\n").getBytes(StandardCharsets.UTF_8));
    }

    private static Reading box(double x0, double y0, double x1, double y1) {
        return gerber(x0, y0, x1, y0, x1, y1, x0, y1, x0, y0);
    }

    private static Optional<OutlineFit.Found> find(Reading copper, Reading outline) {
        Map<String, Reading> readings = new LinkedHashMap<>();
        readings.put("copper", copper);
        readings.put("edge", outline);
        Role top = Role.of(Role.Kind.COPPER, Side.TOP);
        return OutlineFit.find(
                List.of(
                        new SourceFile("copper", top, "", 1, false),
                        new SourceFile("edge", Role.OUTLINE, "", 1, false)),
                readings);
    }

    private static Reading copper() {
        return gerber(2, 2, 58, 2, 58, 38, 2, 38);
    }

    @Test
    void oneThatLiesAroundTheCopperStays() {
        assertThat(find(copper(), box(0, 0, 60, 40))).isEmpty();
        assertThat(find(copper(), box(2.9, 2.9, 57.1, 37.1))).as("castellated").isEmpty();
        assertThat(find(copper(), box(3.1, 3.1, 61, 41))).as("beside").isPresent();
        assertThat(find(gerber(), box(0, 0, 60, 40))).as("no copper").isEmpty();
        assertThat(find(copper(), gerber())).as("no outline").isEmpty();
    }

    /** Nine of ten features inside: what lies beside is a title. */
    @Test
    void aTitleBesideTheBoardIsNoSign() {
        double[] zigzag = new double[22];
        for (int i = 0; i < 11; i++) {
            zigzag[2 * i] = i < 10 ? 5 + 5 * i : 64;
            zigzag[2 * i + 1] = i % 2 == 0 ? 5 : 35;
        }
        assertThat(find(gerber(zigzag), box(0, 0, 60, 40))).isEmpty();
        zigzag[18] = 63;
        assertThat(find(gerber(zigzag), box(0, 0, 60, 40))).isPresent();
    }

    /** A drawing in another unit about the same origin. */
    @ParameterizedTest
    @CsvSource({"25.4", "0.03937007874015748", "0.2645833333", "10", "0.1"})
    void anotherUnitIsPutRight(double drawn) {
        OutlineFit.Found found = find(copper(), box(0, 0, 60 * drawn, 40 * drawn)).orElseThrow();
        Correction c = found.correction();
        assertThat(found.path()).isEqualTo("edge");
        assertThat(c.shift()).isEqualTo(Pt.ORIGIN);
        Pt corner = new Pt(Math.round(60e6 * drawn), Math.round(40e6 * drawn));
        assertThat(c.apply(corner).distance(FAR)).isLessThan(20_000);
        assertThat(found.problem().text()).contains("estimated from the sizes alone");
    }

    /** A drawing with an origin of its own is laid middle on middle. */
    @ParameterizedTest
    @CsvSource({"1, -100, 30", "25.4, 500, 10", "0.1, 40, 40"})
    void anotherOriginIsPutRight(double drawn, double x, double y) {
        Reading edge = box(x, y, x + 60 * drawn, y + 40 * drawn);
        Correction c = find(copper(), edge).orElseThrow().correction();
        assertThat(c.scale()).isCloseTo(1 / drawn, within(1e-9));
        Pt corner = new Pt(Math.round((x + 60 * drawn) * 1e6), Math.round((y + 40 * drawn) * 1e6));
        assertThat(c.apply(corner).distance(FAR)).isLessThan(20_000);
    }

    /** Little copper would lie in it in several units: then it is moved, and not scaled. */
    @Test
    void itsOwnUnitComesFirst() {
        Reading little = gerber(20, 15, 41, 15, 41, 28, 20, 28);
        Correction c = find(little, box(100, 100, 130, 120)).orElseThrow().correction();
        assertThat(c).isEqualTo(new Correction(false, 0, 1, Pt.mm(30.5 - 115, 21.5 - 110)));
    }

    @Test
    void whatFitsInNoUnitIsNotGuessed() {
        assertThat(find(copper(), box(0, 0, 12, 40))).isEmpty();
        assertThat(find(copper(), box(3.1, 3.1, 57, 37))).isEmpty();
    }

    /** A small circuit on a large board is none in another unit, unless it fits that just so. */
    @Test
    void aLargeBoardIsTakenAtItsWord() {
        assertThat(find(gerber(2, 2, 40, 2, 40, 10), box(0, 0, 160, 140))).isEmpty();
        assertThat(find(gerber(300, 300, 310, 300, 310, 310), box(0, 0, 600, 400))).isEmpty();
    }
}
