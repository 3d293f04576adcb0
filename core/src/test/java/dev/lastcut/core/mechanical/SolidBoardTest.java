package dev.lastcut.core.mechanical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.drawing.Drawing;
import dev.lastcut.core.formats.drawing.DxfReader;
import dev.lastcut.core.formats.solid.Mesh;
import dev.lastcut.core.formats.solid.StlWriter;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.TruePack;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.locationtech.jts.algorithm.Area;
import org.locationtech.jts.geom.Geometry;

class SolidBoardTest {
    private static final double THICK_MM = 1.6;

    static List<String> packs() {
        return TruePack.NAMES;
    }

    private static BoardGeometry open(String name) throws Exception {
        return new BoardGeometry(Intake.open(TruePack.of(name).pack()));
    }

    private record Corner(float x, float y, float z) {}

    private record Edge(Corner from, Corner to) {}

    /** The bytes as a reader of the format takes them: nothing here knows the writer. */
    private static List<Corner[]> read(byte[] stl) {
        ByteBuffer in = ByteBuffer.wrap(stl).order(ByteOrder.LITTLE_ENDIAN);
        int count = in.getInt(80);
        assertThat(stl).hasSize(84 + 50 * count);
        List<Corner[]> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int at = 84 + 50 * i + 12;
            Corner[] t = new Corner[3];
            for (int k = 0; k < 3; k++) {
                t[k] =
                        new Corner(
                                in.getFloat(at + 12 * k),
                                in.getFloat(at + 12 * k + 4),
                                in.getFloat(at + 12 * k + 8));
            }
            all.add(t);
        }
        return all;
    }

    /** Every edge lies in two triangles, once in each direction. */
    private static void assertClosed(List<Corner[]> triangles) {
        Map<Edge, Integer> edges = new HashMap<>();
        for (Corner[] t : triangles) {
            for (int k = 0; k < 3; k++) {
                edges.merge(new Edge(t[k], t[(k + 1) % 3]), 1, Integer::sum);
            }
        }
        long open =
                edges.entrySet().stream()
                        .filter(
                                e ->
                                        !e.getValue()
                                                .equals(
                                                        edges.get(
                                                                new Edge(
                                                                        e.getKey().to,
                                                                        e.getKey().from))))
                        .count();
        assertThat(open).isZero();
    }

    private static double volume(List<Corner[]> triangles) {
        double sum = 0;
        for (Corner[] t : triangles) {
            sum +=
                    (double) t[0].x * (t[1].y * t[2].z - t[1].z * t[2].y)
                            - (double) t[0].y * (t[1].x * t[2].z - t[1].z * t[2].x)
                            + (double) t[0].z * (t[1].x * t[2].y - t[1].y * t[2].x);
        }
        return sum / 6;
    }

    @ParameterizedTest
    @MethodSource("packs")
    void aBoardIsClosedAndOfItsAreaTimesItsThickness(String name) throws Exception {
        BoardGeometry geometry = open(name);
        List<Corner[]> triangles =
                read(StlWriter.write(name, SolidBoard.board(geometry, THICK_MM * 1e6)));
        assertClosed(triangles);
        List<Geometry> holes = new ArrayList<>();
        geometry.board().holes().forEach(h -> holes.add(h.shape(Flattener.FINE)));
        double area = Geo.difference(geometry.boardArea(), Geo.union(holes)).getArea() / 1e12;
        assertThat(volume(triangles)).isCloseTo(area * THICK_MM, within(area * THICK_MM * 1e-3));
    }

    @ParameterizedTest
    @MethodSource("packs")
    void partsAreClosedBodiesOfTheirOwn(String name) throws Exception {
        BoardGeometry geometry = open(name);
        List<PartBodies.Body> bodies = PartBodies.of(geometry, PartsPlan.NONE);
        Mesh mesh =
                SolidBoard.withParts(
                        SolidBoard.board(geometry, THICK_MM * 1e6), THICK_MM * 1e6, bodies);
        assertClosed(read(StlWriter.write(name, mesh)));
        double boxes = 0;
        for (PartBodies.Body b : bodies) {
            boxes += b.fitted() ? b.length() * b.width() * b.heightNm() : 0;
        }
        double board = SolidBoard.board(geometry, THICK_MM * 1e6).volume();
        assertThat(mesh.volume()).isCloseTo(board + boxes, within(board * 1e-6));
    }

    /** Read back by the reader of drawings, the outline and the holes have their areas. */
    @ParameterizedTest
    @MethodSource("packs")
    void theDrawingHasTheOutlineTheHolesAndTheParts(String name) throws Exception {
        BoardGeometry geometry = open(name);
        Board board = geometry.board();
        List<PartBodies.Body> bodies = PartBodies.of(geometry, PartsPlan.NONE);
        byte[] dxf = OutlineDrawing.dxf(geometry, bodies);
        Geometry edge = area(dxf, OutlineDrawing.EDGE);
        assertThat(edge.symDifference(geometry.boardArea()).getArea())
                .isLessThan(geometry.boardArea().getArea() * 1e-6);
        double plated = 0;
        double unplated = 0;
        for (Hole h : board.holes()) {
            if (h.span().isThrough()) {
                double a = h.shape(Flattener.FINE).getArea();
                plated += h.plated() ? a : 0;
                unplated += h.plated() ? 0 : a;
            }
        }
        assertThat(sum(dxf, OutlineDrawing.PLATED)).isCloseTo(plated, within(1 + plated * 1e-3));
        assertThat(sum(dxf, OutlineDrawing.UNPLATED))
                .isCloseTo(unplated, within(1 + unplated * 1e-3));
        long onTop = bodies.stream().filter(b -> b.fitted() && b.side() == Side.TOP).count();
        assertThat(drawing(dxf, OutlineDrawing.parts(Side.TOP)).segments())
                .hasSize(4 * (int) onTop);
    }

    /** The drawing of one layer alone: the others' entities taken out of the text. */
    private static Drawing drawing(byte[] dxf, String layer) {
        String text = new String(dxf, StandardCharsets.US_ASCII);
        StringBuilder out = new StringBuilder();
        for (String entity : text.split("(?m)^(?=  0\n(?:POLYLINE|CIRCLE|ENDSEC))")) {
            boolean shape = entity.startsWith("  0\nPOLYLINE") || entity.startsWith("  0\nCIRCLE");
            if (!shape || entity.contains("  8\n" + layer + "\n")) {
                out.append(entity);
            }
        }
        return DxfReader.read(
                "x.dxf", out.toString().getBytes(StandardCharsets.US_ASCII), Optional.empty());
    }

    private static Geometry area(byte[] dxf, String layer) {
        return OutlineBuilder.build(drawing(dxf, layer).features()).area(Flattener.FINE);
    }

    /** Circles and contours that do not nest, each by its own area. */
    private static double sum(byte[] dxf, String layer) {
        double sum = 0;
        var outline = OutlineBuilder.build(drawing(dxf, layer).features());
        List<List<Segment>> all = new ArrayList<>();
        all.add(outline.outer());
        all.addAll(outline.cutouts());
        all.addAll(outline.others());
        for (var path : all) {
            if (!path.isEmpty()) {
                sum += Math.abs(ring(path));
            }
        }
        return sum;
    }

    private static double ring(List<Segment> path) {
        return Area.ofRing(Flattener.FINE.polyline(path));
    }
}
