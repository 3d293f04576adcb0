package dev.lastcut.core.mechanical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.formats.drawing.DxfWriter;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.NotDone;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;

/** Areas of an enclosure's drawing, where they are drawn or moved to the board. */
class ZoneDrawingTest {
    private static final Envelope BOARD = new Envelope(0, 60e6, 0, 40e6);

    /**
     * A lid of 50 × 30 mm with its lower left corner at a place, and a dome of 10 × 10 mm in it.
     */
    private static byte[] lid(long x, long y) {
        return new DxfWriter()
                .layer("OUTLINE", Geo.rectangle(x, y, x + 50_000_000, y + 30_000_000))
                .layer(
                        "DOME",
                        Geo.rectangle(x + 5_000_000, y + 5_000_000, x + 15_000_000, y + 15_000_000))
                .write();
    }

    @Test
    void theLargestAreaComesFirstWhereItIsDrawn() throws Exception {
        ZoneDrawing d = ZoneDrawing.of("lid.dxf", lid(2_000_000, 1_000_000), BOARD);
        assertThat(d.moved()).isFalse();
        assertThat(d.contours()).hasSize(2);
        assertThat(d.contours().get(0))
                .containsExactlyInAnyOrder(Pt.mm(2, 1), Pt.mm(52, 1), Pt.mm(52, 31), Pt.mm(2, 31));
        assertThat(d.contours().get(1))
                .containsExactlyInAnyOrder(Pt.mm(7, 6), Pt.mm(17, 6), Pt.mm(17, 16), Pt.mm(7, 16));
    }

    @Test
    void aDrawingFromElsewhereIsPutOnTheBoard() throws Exception {
        ZoneDrawing d = ZoneDrawing.of("lid.dxf", lid(500_000_000, -700_000_000), BOARD);
        assertThat(d.moved()).isTrue();
        assertThat(d.contours().get(0)).contains(Pt.mm(0, 0), Pt.mm(50, 30));
        assertThat(d.contours().get(1)).contains(Pt.mm(5, 5), Pt.mm(15, 15));
    }

    @Test
    void whatIsNoDrawingIsSaid() {
        byte[] text = "dear shop".getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> ZoneDrawing.of("lid.dxf", text, BOARD))
                .isInstanceOf(NotDone.class)
                .hasMessageContaining("lid.dxf");
    }
}
