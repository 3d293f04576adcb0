package dev.lastcut.core.formats.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Segment;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Areas by hand; path data after W3C SVG 1.1, group codes of DXF from memory. */
class DrawingTest {
    private static Drawing svg(String head, String body) {
        String text = "<svg xmlns=\"http://www.w3.org/2000/svg\" " + head + ">" + body + "</svg>";
        return SvgReader.read("t.svg", text.getBytes(StandardCharsets.UTF_8), Optional.empty());
    }

    private static Drawing dxf(String header, String entities) {
        String text =
                header
                        + "0\nSECTION\n2\nENTITIES\n"
                        + entities.strip().replace(' ', '\n')
                        + "\n0\nENDSEC\n0\nEOF\n";
        return DxfReader.read("t.dxf", text.getBytes(StandardCharsets.UTF_8), Optional.empty());
    }

    private static String unit(int code) {
        return "0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n" + code + "\n0\nENDSEC\n";
    }

    /** mm² of the contour with its cut-outs taken away. */
    private static double area(Drawing d) {
        Outline o = OutlineBuilder.build(d.features());
        assertThat(o.gaps()).isEmpty();
        return o.area(new Flattener(10)).getArea() / 1e12;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "<rect x='1' y='1' width='4' height='3'/>                               | 12",
                "<rect width='4' height='4' rx='1'/>                                    | 15.14159265",
                "<circle cx='5' cy='5' r='2'/>                                          | 12.56637061",
                "<ellipse cx='5' cy='5' rx='3' ry='1'/>                                 | 9.42477796",
                "<polygon points='0,0 4,0 4,2'/>                                        | 4",
                "<path d='M0 0h4v3H0z'/>                                                | 12",
                "<path d='m1,1 4,0 0,3 -4,0z'/>                                         | 12",
                "<path d='M0 0L4 0A2 2 0 0 1 4 4L0 4z'/>                                | 22.28318531",
                "<path d='M0 0H4A2 2 0 01 4 4H0z'/>                                     | 22.28318531",
                "<path d='M0 0 Q2 3 4 0z'/>                                             | 4",
                "<path d='M0 0 C0 4 4 4 4 0z'/>                                         | 9.6",
                "<g transform='translate(3 1) rotate(30) scale(2)'><rect width='2' height='1'/></g> | 8",
                "<g transform='matrix(1 0 0.5 1 0 0)'><rect width='2' height='3'/></g>   | 6",
                "<path d='M0 0h10v10h-10zM3 3h2v2h-2z'/>                                | 96"
            })
    void svgShapesHaveTheirAreas(String body, double mm2) {
        Drawing d = svg("width='40mm' height='30mm' viewBox='0 0 40 30'", body);
        assertThat(d.problems()).isEmpty();
        assertThat(d.unitStated()).isTrue();
        assertThat(area(d)).isCloseTo(mm2, within(2e-3));
    }

    @Test
    void svgScaleComesFromItsSizeAndYTurnsUp() {
        Drawing inch =
                svg("width='2in' height='1in' viewBox='0 0 200 100'", "<path d='M0 0H10V10z'/>");
        assertThat(inch.nmPerUnit()).isEqualTo(254_000);
        // The upper left corner of the page lies at the top.
        assertThat(inch.extent().getMaxY()).isCloseTo(25_400_000, within(1.0));
        assertThat(inch.extent().getWidth()).isCloseTo(2_540_000, within(1.0));
        Drawing pixels = svg("width='96' height='96'", "<path d='M0 0H96'/>");
        assertThat(pixels.unitStated()).isFalse();
        assertThat(pixels.extent().getWidth()).isCloseTo(25_400_000, within(1.0));
    }

    @Test
    void arcsStayArcsAndOnlyVisibleShapesCount() {
        Drawing d =
                svg(
                        "width='10mm' height='10mm' viewBox='0 0 10 10'",
                        "<defs><rect width='9' height='9'/></defs><circle r='1' style='display: none'/>"
                                + "<circle cx='5' cy='5' r='2'/>");
        assertThat(d.segments()).hasSize(1).first().isInstanceOf(Segment.Arc.class);
    }

    @Test
    void entitiesThatReachOutsideAreRefused() {
        String evil =
                "<?xml version='1.0'?><!DOCTYPE svg [<!ENTITY x SYSTEM 'file:///etc/passwd'>]>"
                        + "<svg><text>&x;</text><rect width='1' height='1'/></svg>";
        Drawing d =
                SvgReader.read("t.svg", evil.getBytes(StandardCharsets.UTF_8), Optional.empty());
        assertThat(d.looksLikeDrawing()).isFalse();
        assertThat(d.problems()).singleElement().extracting("text").asString().contains("entities");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0 CIRCLE 10 1 20 2 40 3                                                | 28.27433388",
                "0 LINE 10 0 20 0 11 4 21 0 0 LINE 10 4 20 0 11 0 21 3 0 LINE 10 0 20 3 11 0 21 0 | 6",
                "0 LWPOLYLINE 90 4 70 1 10 0 20 0 10 4 20 0 10 4 20 3 10 0 20 3           | 12",
                // A bulge of 1 is half a turn: a square with a half disc on one side.
                "0 LWPOLYLINE 90 4 70 1 10 0 20 0 10 4 20 0 42 1 10 4 20 4 10 0 20 4      | 22.28318531",
                "0 LWPOLYLINE 90 2 70 1 10 0 20 0 42 1 10 2 20 0 42 1                    | 3.14159265",
                "0 POLYLINE 66 1 70 1 0 VERTEX 10 0 20 0 0 VERTEX 10 4 20 0 0 VERTEX 10 4 20 3 0 SEQEND | 6",
                "0 ARC 10 0 20 0 40 2 50 0 51 180 0 LINE 10 -2 20 0 11 2 21 0            | 6.28318531",
                "0 ARC 10 0 20 0 40 2 50 270 51 90 0 LINE 10 0 20 2 11 0 21 -2           | 6.28318531",
                "0 ELLIPSE 10 0 20 0 11 3 21 0 40 0.33333333333 41 0 42 6.283185307179586 | 9.42477796",
                // A quadratic parabola of height 1.5 over 4, closed by its chord: 2/3 of 4 × 1.5.
                "0 SPLINE 71 2 40 0 40 0 40 0 40 1 40 1 40 1 10 0 20 0 10 2 20 3 10 4 20 0 0 LINE 10 4 20 0 11 0 21 0 | 4"
            })
    void dxfEntitiesHaveTheirAreas(String entities, double mm2) {
        Drawing d = dxf(unit(4), entities);
        assertThat(d.problems()).isEmpty();
        assertThat(area(d)).isCloseTo(mm2, within(2e-3));
    }

    @Test
    void dxfBlocksUnitsAndEdgeLayers() {
        String block =
                unit(1)
                        + "0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nB\n"
                        + "0\nCIRCLE\n10\n0\n20\n0\n40\n0.1\n0\nENDBLK\n0\nENDSEC\n";
        Drawing d =
                dxf(
                        block,
                        "0 INSERT 8 board-edge 2 B 10 1 20 0 41 2 42 2 0 LINE 8 notes 10 0 20 0 11 9 21 9");
        // 0.2 inch about (1, 0) inch; the line on another layer is not the edge.
        assertThat(d.extent().getWidth()).isCloseTo(0.4 * 25_400_000, within(2.0));
        assertThat(d.extent().centre().x).isCloseTo(25_400_000, within(2.0));
        Drawing unstated = dxf("", "0 LINE 10 0 20 0 11 5 21 0");
        assertThat(unstated.unitStated()).isFalse();
        assertThat(unstated.unit()).isEqualTo("mm");
    }

    @Test
    void blocksThatHoldThemselvesEnd() {
        String block =
                "0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nB\n"
                        + "0\nINSERT\n2\nB\n10\n1\n20\n0\n".repeat(10)
                        + "0\nENDBLK\n0\nENDSEC\n";
        Drawing d = dxf(block, "0 INSERT 2 B 10 0 20 0 0 LINE 10 0 20 0 11 5 21 0");
        assertThat(d.problems()).isNotEmpty();
    }
}
