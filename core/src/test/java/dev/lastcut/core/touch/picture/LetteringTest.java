package dev.lastcut.core.touch.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;

/** The stroke font. */
class LetteringTest {
    private static Envelope box(List<Segment> strokes) {
        Envelope e = new Envelope();
        strokes.forEach(s -> e.expandToInclude(s.envelope()));
        return e;
    }

    /** The printable signs of ASCII (ISO/IEC 646), and those of the trade beside them. */
    @Test
    void everyPrintableSignHasAGlyphOfItsOwnWithinItsBox() {
        Set<List<Segment>> seen = new HashSet<>();
        for (char c = '!'; c <= '~'; c++) {
            if (c == '`') {
                continue;
            }
            String sign = String.valueOf(c);
            assertThat(Lettering.lacks(sign)).as(sign).isEmpty();
            List<Segment> strokes = Lettering.strokes(sign, Pt.ORIGIN, 6_000_000, 0, false);
            assertThat(strokes).as(sign).isNotEmpty();
            Envelope e = box(strokes);
            assertThat(e.getMinX()).as(sign).isGreaterThanOrEqualTo(0);
            assertThat(e.getMaxX()).as(sign).isLessThanOrEqualTo(4_000_000);
            assertThat(e.getMinY()).as(sign).isGreaterThanOrEqualTo(-2_000_000);
            assertThat(e.getMaxY()).as(sign).isLessThanOrEqualTo(6_000_000);
            assertThat(seen.add(strokes)).as("%s looks like another", sign).isTrue();
        }
        assertThat(Lettering.lacks("äöüß µΩ°±×")).isEmpty();
        assertThat(Lettering.lacks("ok 猫 é")).isEqualTo("é猫");
    }

    @Test
    void capitalsAndDigitsAreAsHighAsAskedAndTextsAsWideAsSaid() {
        for (char c = 'A'; c <= 'Z'; c++) {
            Envelope e = box(Lettering.strokes(String.valueOf(c), Pt.ORIGIN, 1_200_000, 0, false));
            assertThat(e.getHeight()).as("%s", c).isCloseTo(1_200_000, within(1.0));
        }
        String text = "HE8";
        Envelope e = box(Lettering.strokes(text, Pt.mm(3, 4), 1_500_000, 0, false));
        assertThat(e.getWidth()).isCloseTo(Lettering.width(text, 1_500_000), within(2.0));
        assertThat(e.getMinX()).isEqualTo(3e6);
        assertThat(e.getMinY()).isEqualTo(4e6);
    }

    @Test
    void turnedAndMirroredTextStaysAtItsPlaceAndKeepsItsSize() {
        Pt at = Pt.mm(10, 10);
        Envelope plain = box(Lettering.strokes("Ab3", at, 1_000_000, 0, false));
        Envelope turned = box(Lettering.strokes("Ab3", at, 1_000_000, 90, false));
        assertThat(turned.getHeight()).isCloseTo(plain.getWidth(), within(2.0));
        assertThat(turned.getMaxX()).isCloseTo(10e6, within(2.0));
        Envelope mirrored = box(Lettering.strokes("Ab3", at, 1_000_000, 0, true));
        assertThat(mirrored.getMaxX()).isCloseTo(10e6, within(2.0));
        assertThat(mirrored.getWidth()).isCloseTo(plain.getWidth(), within(2.0));
        double whole = 0;
        for (Segment s : Lettering.strokes("Ab3", at, 1_000_000, 0, false)) {
            whole += s.length();
        }
        double again = 0;
        for (Segment s : Lettering.strokes("Ab3", at, 1_000_000, 37, true)) {
            again += s.length();
        }
        assertThat(again).isCloseTo(whole, within(100.0));
    }
}
