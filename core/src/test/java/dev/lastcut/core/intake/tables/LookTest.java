package dev.lastcut.core.intake.tables;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A place of a part, turned counter-clockwise, on the bottom mirrored first: by hand. */
class LookTest {
    @ParameterizedTest
    @CsvSource({
        "TOP, 0, 11, 7", "TOP, 90, 8, 6", "TOP, 180, 9, 3", "TOP, 270, 12, 4",
        "BOTTOM, 0, 9, 7", "BOTTOM, 90, 8, 4", "BOTTOM, 180, 11, 3", "BOTTOM, 270, 12, 6"
    })
    void whereAPlaceComesToLie(Side side, double angle, double x, double y) {
        PlacedPart part = new PlacedPart("U1", "", "", Pt.mm(10, 5), 0, side, 1);
        Pt local = Pt.mm(1, 2);
        Pt there = Look.placed(local, part, angle);
        assertThat(there.distance(Pt.mm(x, y))).isLessThan(2);
        Pt vector = new Pt(there.x() - part.at().x(), there.y() - part.at().y());
        assertThat(Look.back(vector, part, angle).distance(local)).isLessThan(2);
    }
}
