package dev.lastcut.core.formats.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;

/** Group codes as the published DXF reference has them (from memory), and read back. */
class DxfWriterTest {
    /** A group: its code and value. */
    private record Group(int code, String value) {}

    private static List<Group> groups(byte[] dxf) {
        String[] lines = new String(dxf, StandardCharsets.US_ASCII).split("\n");
        List<Group> all = new ArrayList<>();
        for (int i = 0; i + 1 < lines.length; i += 2) {
            all.add(new Group(Integer.parseInt(lines[i].strip()), lines[i + 1].strip()));
        }
        assertThat(lines.length % 2).as("codes and values come in pairs").isZero();
        return all;
    }

    private static Group g(int code, String value) {
        return new Group(code, value);
    }

    /** The values of a code from an entity on to the next entity of another kind. */
    private static List<Double> numbers(List<Group> groups, int code) {
        return groups.stream()
                .filter(x -> x.code() == code)
                .map(x -> Double.valueOf(x.value()))
                .toList();
    }

    /** A half circle of radius 2 closed by its chord: the bulge is tan(180° / 4) = 1. */
    @Test
    void groupCodesOfAContourACircleAndTheUnit() {
        byte[] dxf =
                new DxfWriter()
                        .path(
                                "EDGE",
                                List.of(
                                        new Segment.Arc(Pt.mm(2, 0), Pt.mm(-2, 0), 0, 0, false),
                                        new Segment.Line(Pt.mm(-2, 0), Pt.mm(2, 0))))
                        .circle("HOLES", 5e6, -1.25e6, 0.4e6)
                        .write();
        List<Group> all = groups(dxf);
        int unit = all.indexOf(g(9, "$INSUNITS"));
        assertThat(all.get(unit + 1)).as("4 is millimetres").isEqualTo(g(70, "4"));
        assertThat(all.get(all.size() - 1)).isEqualTo(g(0, "EOF"));
        int poly = all.indexOf(g(0, "POLYLINE"));
        int circle = all.indexOf(g(0, "CIRCLE"));
        List<Group> contour = all.subList(poly, circle);
        assertThat(contour).contains(g(8, "EDGE"), g(70, "1"), g(0, "SEQEND"));
        assertThat(contour.stream().filter(x -> x.equals(g(0, "VERTEX")))).hasSize(2);
        assertThat(numbers(contour, 10)).contains(2.0, -2.0);
        assertThat(numbers(contour, 42)).containsExactly(1.0);
        List<Group> hole = all.subList(circle, all.size());
        assertThat(hole).contains(g(8, "HOLES"));
        assertThat(numbers(hole, 10)).containsExactly(5.0);
        assertThat(numbers(hole, 20)).containsExactly(-1.25);
        assertThat(numbers(hole, 40)).containsExactly(0.4);
    }

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
        // Of layers with one for the edge an outline takes that alone.
        assertThat(DxfReader.read("a.dxf", dxf, Optional.empty()).segments()).hasSize(4);
        Drawing d = DxfReader.allLayers("a.dxf", dxf);
        assertThat(d.problems()).isEmpty();
        List<Segment> sides = d.segments();
        assertThat(sides).as("three rings of four sides").hasSize(12);
        Envelope e = new Envelope();
        sides.forEach(s -> e.expandToInclude(s.envelope()));
        assertThat(e.getWidth()).isEqualTo(40e6);
        assertThat(e.getHeight()).isEqualTo(20e6);
    }
}
