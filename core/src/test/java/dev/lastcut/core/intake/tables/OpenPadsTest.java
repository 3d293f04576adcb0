package dev.lastcut.core.intake.tables;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.tables.OpenPads.Opening;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Envelope;

/** Parts on openings of which nobody says whose they are; places known to 60 µm. */
class OpenPadsTest {
    private static final Envelope BOARD = new Envelope(10e6, 90e6, 5e6, 45e6);

    private final List<Opening> openings = new ArrayList<>();

    private void open(double x, double y, double width, double height) {
        openings.add(new Opening(Pt.mm(x, y), width * 1e6, height * 1e6));
    }

    private OpenPads pads() {
        return new OpenPads(openings, BOARD, 20_000);
    }

    private static PlacedPart part(String footprint, double x, double y, double turn, Side side) {
        return new PlacedPart("U", "", footprint, Pt.mm(x, y), turn, side, 1);
    }

    /** Two openings of 1 × 1.4 mm, the second so much off or larger than its twin would be. */
    @ParameterizedTest
    @CsvSource({
        "0, 0, 0, true",
        "0.11, 0, 0, true",
        "0.13, 0, 0, false",
        "0, -0.11, 0, true",
        "0, -0.13, 0, false",
        "0, 0, 0.2, true",
        "0, 0, 0.21, false",
        "0, 0, -0.17, true",
        "0, 0, -0.19, false"
    })
    void aPartLiesBetweenTwoOfOneSize(double dx, double dy, double larger, boolean holds) {
        open(19, 20, 1, 1.4);
        open(21 + dx, 20 + dy, 1 + larger, 1.4);
        assertThat(pads().hasPair(Pt.mm(20, 20), o -> true)).isEqualTo(holds);
        openings.clear();
        open(19, 20, 1.4, 1);
        open(21 + dx, 20 + dy, 1.4, 1 + larger);
        assertThat(pads().holds(part("", 0, 0, 0, Side.TOP), Pt.mm(20, 20))).isEqualTo(holds);
    }

    @Test
    void theOpeningOnItsMiddleIsNoPair() {
        open(20.1, 20, 1, 1);
        open(19.9, 20, 1, 1);
        assertThat(pads().hasPair(Pt.mm(20, 20), o -> true)).isFalse();
        open(20.15, 22, 1, 1);
        open(19.85, 18, 1, 1);
        assertThat(pads().hasPair(Pt.mm(20, 20), o -> true)).isTrue();
        assertThat(pads().hasPair(Pt.mm(20, 20), o -> o.at().y() < 21e6)).isFalse();
    }

    /** Sixteen millimetres to either side at most; and of the twelve nearest one. */
    @Test
    void farOnesFaceEachOtherByChance() {
        open(35, 20, 1, 1);
        open(65, 20, 1, 1);
        assertThat(pads().hasPair(Pt.mm(50, 20), o -> true)).isTrue();
        openings.clear();
        open(33, 20, 1, 1);
        open(67, 20, 1, 1);
        assertThat(pads().hasPair(Pt.mm(50, 20), o -> true)).isFalse();
        openings.clear();
        open(47, 20, 1, 1);
        open(53, 20, 1, 1);
        for (int i = 0; i < 12; i++) {
            open(50 + 0.1 * i, 21 + 0.1 * i, 0.3 + 0.2 * i, 0.3);
        }
        assertThat(pads().hasPair(Pt.mm(50, 20), o -> true)).isFalse();
        openings.remove(openings.size() - 1);
        assertThat(pads().hasPair(Pt.mm(50, 20), o -> true)).isTrue();
    }

    @Test
    void originsAreTheCornersAndWhereMostPartsLieBetweenOpenings() {
        List<Pt> raw = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            double x = 20 + 7.3 * i + 0.1 * i * i;
            open(x - 1, 10 + 3.1 * i, 1, 1);
            open(x + 1, 10 + 3.1 * i, 1, 1);
            raw.add(Pt.mm(x - 13, 3.1 * i + 2));
        }
        assertThat(pads().extent().getMaxX()).isEqualTo(20e6 + 58.4e6 + 6.4e6 + 1e6);
        assertThat(pads().origins(List.of(), raw))
                .containsExactly(
                        Pt.ORIGIN,
                        Pt.mm(10, 5),
                        Pt.mm(90, 5),
                        Pt.mm(90, 0),
                        Pt.mm(100, 0),
                        Pt.mm(13, 8));
        OpenPads bare = new OpenPads(List.of(), new Envelope(), 20_000);
        assertThat(bare.origins(List.of(), raw)).containsExactly(Pt.ORIGIN);
    }

    @Test
    void theShapeOfPadsTellsWhichWayAnglesCount() {
        List<PlacedPart> truly =
                List.of(
                        part("TRIO", 20, 20, 0, Side.TOP),
                        part("TRIO", 30, 20, 90, Side.TOP),
                        part("TRIO", 40, 20, 90, Side.BOTTOM),
                        part("TRIO", 50, 20, -90, Side.BOTTOM),
                        part("TRIO", 60, 20, 180, Side.BOTTOM));
        OpenPads pads = PlacementFitTest.openings(truly);
        PlacedPart top = truly.get(0);
        for (PlacedPart p : truly) {
            assertThat(pads.likeness(top, 0, p, p.rotationDeg())).isEqualTo(1);
            assertThat(pads.likeness(top, 0, p, p.rotationDeg() + 180)).isLessThan(0.5);
        }
        PlacedPart nothing = part("TRIO", 70, 20, 90, Side.BOTTOM);
        assertThat(pads.likeness(top, 0, nothing, 90)).isZero();
        assertThat(new OpenPads(List.of(), BOARD, 20_000).likeness(top, 0, top, 0)).isNaN();
    }
}
