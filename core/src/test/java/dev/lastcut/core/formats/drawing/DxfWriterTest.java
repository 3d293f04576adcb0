package dev.lastcut.core.formats.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Segment;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;

/** Written and read back: the unit, the size and every ring. */
class DxfWriterTest {
    @Test
    void whatIsWrittenIsReadBack() {
        byte[] dxf =
                new DxfWriter()
                        .layer("EDGE", Geo.rectangle(0, 0, 40_000_000, 20_000_000))
                        .layer("NOTHING", Geo.empty())
                        .layer(
                                "OPENINGS",
                                Geo.difference(
                                        Geo.rectangle(1_000_000, 1_000_000, 5_000_000, 4_000_000),
                                        Geo.rectangle(2_000_000, 2_000_000, 3_000_000, 3_000_000)))
                        .write();
        Drawing d = DxfReader.read("a.dxf", dxf, Optional.empty());
        assertThat(d.problems()).isEmpty();
        List<Segment> sides = d.segments();
        Envelope e = new Envelope();
        sides.forEach(s -> e.expandToInclude(s.envelope()));
        assertThat(e.getWidth()).isEqualTo(40e6);
        assertThat(e.getHeight()).isEqualTo(20e6);
    }
}
