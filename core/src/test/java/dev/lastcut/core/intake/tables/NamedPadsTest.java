package dev.lastcut.core.intake.tables;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Envelope;

/** Parts on pads that are known by name. */
class NamedPadsTest {
    private final List<NamedPads.Pad> pads = new ArrayList<>();

    private void pad(String part, String pin, double x, double y) {
        pads.add(new NamedPads.Pad(part, pin, Pt.mm(x, y)));
    }

    private static PlacedPart part(String name, double turn, Side side) {
        return new PlacedPart(name, "", "F", Pt.ORIGIN, turn, side, 1);
    }

    @Test
    void aPartLiesOnTheMiddleOfItsPads() {
        pad("U1", "1", 10, 10);
        pad("U1", "2", 14, 10);
        pad("U1", "3", 14, 16);
        pad("TP1", "1", 30, 10);
        NamedPads ground = new NamedPads(pads);
        PlacedPart u1 = part("U1", 0, Side.TOP);
        assertThat(ground.knows(u1)).isTrue();
        assertThat(ground.knows(part("TP1", 0, Side.TOP))).as("one pad has no middle").isFalse();
        assertThat(ground.holds(u1, Pt.mm(12, 13))).isTrue();
        assertThat(ground.holds(u1, Pt.mm(12, 18))).isFalse();
        assertThat((Object) ground.extent()).isEqualTo(new Envelope(12e6, 12e6, 13e6, 13e6));
    }

    @Test
    void theOriginIsTheMiddleDifference() {
        List<PlacedPart> parts = new ArrayList<>();
        List<Pt> raw = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            pad("R" + i, "1", 9 + 3 * i, 5 + i);
            pad("R" + i, "2", 11 + 3 * i, 5 + i);
            parts.add(part("R" + i, 0, Side.TOP));
            // One part lies far off and does not count.
            raw.add(i == 1 ? Pt.ORIGIN : Pt.mm(10 + 3 * i - 40, 5 + i + 20));
        }
        NamedPads ground = new NamedPads(pads);
        assertThat(ground.origins(parts, raw)).containsExactly(Pt.ORIGIN, Pt.mm(40, -20));
        List<Pt> there = raw.stream().map(p -> p.plus(Pt.mm(40.01, -20))).toList();
        assertThat(ground.origins(parts, there)).containsExactly(Pt.ORIGIN);
    }

    /**
     * The first pin of the top part lies to the left at 0°. Mirrored and then turned, that of a
     * bottom part lies to the right at 0° and above at 90°.
     */
    @ParameterizedTest
    @CsvSource({
        "90, 0, 1, 1",
        "90, 0, -1, 0",
        "270, 0, -1, 1",
        "45, 0.7, 0.7, 1",
        "45, 0.9, 0.44, 0",
        "0, 1, 0, 1",
        "180, -1, 0, 1",
        "180, 1, 0, 0"
    })
    void pinsOfOneNameLieInOnePlace(double turn, double dx, double dy, double like) {
        pad("U1", "2", 21, 10);
        pad("U1", "1", 19, 10);
        pad("U2", "1", 40 + dx, 10 + dy);
        pad("U2", "2", 40 - dx, 10 - dy);
        NamedPads ground = new NamedPads(pads);
        PlacedPart top = part("U1", 0, Side.TOP);
        assertThat(ground.likeness(top, 0, part("U2", turn, Side.BOTTOM), turn)).isEqualTo(like);
        assertThat(ground.likeness(top, 0, part("U9", turn, Side.BOTTOM), turn)).isNaN();
        // The same top part, turned by a quarter: its first pin lies below.
        pads.set(1, new NamedPads.Pad("U1", "1", Pt.mm(20, 9)));
        pads.set(0, new NamedPads.Pad("U1", "2", Pt.mm(20, 11)));
        NamedPads other = new NamedPads(pads);
        assertThat(other.likeness(top, 90, part("U2", turn, Side.BOTTOM), turn)).isEqualTo(like);
    }
}
