package dev.lastcut.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetReference;
import dev.lastcut.core.fabrication.FabricationPack;
import dev.lastcut.core.formats.drill.DrillReader;
import dev.lastcut.core.formats.gerber.GerberReader;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.intake.Intake;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Geometry;

/** The demo boards are real boards, and what we write of them is the same board. */
class DemoBoardsTest {
    @ParameterizedTest
    @ValueSource(strings = {"hive-scale-node", "joint-box", "honeycomb-tag"})
    void everyNetIsWholeAndApart(String name) throws Exception {
        BoardGeometry geometry = DemoPacks.open(name);
        NetReference reference = geometry.reference().orElseThrow();
        Map<String, Set<Integer>> pieces = new TreeMap<>();
        for (NetReference.Anchor a : reference.anchors()) {
            int net = geometry.nets().nodes().get(a.node()).net();
            pieces.computeIfAbsent(a.point().net(), k -> new TreeSet<>()).add(net);
            assertThat(reference.namesOf(net)).hasSize(1);
        }
        assertThat(reference.missing()).isEmpty();
        assertThat(pieces).hasSizeGreaterThan(10).allSatisfy((net, p) -> assertThat(p).hasSize(1));
    }

    @Test
    void hiveScaleNodeIsABoardSomebodyWouldMake() throws Exception {
        Board board = DemoPacks.open("hive-scale-node").board();
        assertThat(board.files()).hasSize(14).allMatch(f -> f.confidence() > 0.9);
        assertThat(board.problems()).isEmpty();
        assertThat(board.copper()).hasSize(2);
        assertThat(board.partCount()).isBetween(50, 70);
        assertThat(board.holes().stream().filter(h -> h.isSlot() && h.plated())).hasSize(3);
        assertThat(board.holes().stream().filter(h -> h.isSlot() && !h.plated())).hasSize(2);
        long throughHole =
                board.netlist().orElseThrow().points().stream()
                        .filter(p -> p.isPin() && p.hole())
                        .map(Netlist.Point::component)
                        .distinct()
                        .count();
        assertThat(throughHole).isLessThan(board.partCount() / 4);
    }

    /** Its edge is an SVG without a unit: the size asks for millimetres, and then it is exact. */
    @Test
    void theHoneycombTagsEdgeIsPutRightByItsSuggestion() throws Exception {
        SourceFile edge =
                DemoPacks.open("honeycomb-tag").board().files().stream()
                        .filter(f -> f.path().endsWith(".svg"))
                        .findFirst()
                        .orElseThrow();
        assertThat(edge.role()).isEqualTo(Role.OUTLINE);
        assertThat(edge.scaleStated()).isFalse();
        Board board =
                Intake.open(
                        DemoPacks.pack("honeycomb-tag"),
                        new Choices(
                                Map.of(),
                                Map.of(edge.path(), edge.suggested().orElseThrow()),
                                Map.of(),
                                Map.of()));
        // A regular hexagon of 20 mm a side: 3√3/2 · 20².
        double area = new BoardGeometry(board).boardArea().getArea() / 1e12;
        assertThat(area).isCloseTo(1.5 * Math.sqrt(3) * 400, within(0.05));
        assertThat(board.problems()).isEmpty();
        assertThat(misregistered(new BoardGeometry(board))).isZero();
        assertThat(misregistered(DemoPacks.open("honeycomb-tag"))).isEqualTo(1);
    }

    private static long misregistered(BoardGeometry geometry) {
        CapabilitySheet none =
                new CapabilitySheet(
                        "none",
                        "No numbers",
                        CapabilitySheet.Kind.HOUSE,
                        "",
                        Map.of(),
                        2,
                        true,
                        Map.of(),
                        List.of(),
                        new Price("EUR", 0, 0, 0),
                        Optional.empty());
        return CheckRunner.run(new CheckContext(geometry, none, Headroom.NONE)).findings().stream()
                .filter(f -> f.rule().equals("misregistered"))
                .count();
    }

    @Test
    void rolesOfTheJointBoxAreFoundWithoutAttributes() throws Exception {
        Board board = DemoPacks.open("joint-box").board();
        assertThat(board.files()).extracting(SourceFile::confidence).allMatch(c -> c >= 0.7);
        assertThat(board.copper()).hasSize(1);
        assertThat(board.outline().orElseThrow().isClosed()).isTrue();
        assertThat(board.placements().orElseThrow()).hasSize(23);
    }

    /** Area of the symmetric difference ≤ 0.01 mm², no place further off than 2 µm. */
    @ParameterizedTest
    @ValueSource(strings = {"hive-scale-node", "joint-box"})
    void writtenGerberIsTheSamePicture(String name) throws Exception {
        BoardGeometry geometry = DemoPacks.open(name);
        for (Layer layer : geometry.board().layers()) {
            byte[] written = FabricationPack.gerber(geometry.board(), layer);
            var read = GerberReader.read(layer.file(), written);
            assertThat(read.problems()).as(layer.file()).isEmpty();
            Geometry before = geometry.area(layer.role());
            Geometry after = LayerImage.of(read.features(), Flattener.FINE).area();
            Geometry difference = Geo.symmetricDifference(before, after);
            assertThat(difference.getArea() / 1e12).as(layer.file()).isLessThan(0.01);
            assertThat(difference.buffer(-1_000).isEmpty()).as(layer.file()).isTrue();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"hive-scale-node", "joint-box"})
    void writtenDrillHitsAreIdentical(String name) throws Exception {
        Board board = DemoPacks.open(name).board();
        Map<String, byte[]> files = FabricationPack.write(board);
        for (boolean plated : new boolean[] {true, false}) {
            String file = plated ? "plated-holes.xnc" : "unplated-holes.xnc";
            List<String> read =
                    DrillReader.read(file, files.get(file)).holes().stream()
                            .map(DemoBoardsTest::key)
                            .sorted()
                            .toList();
            List<String> wanted =
                    board.holes().stream()
                            .filter(h -> h.plated() == plated)
                            .map(DemoBoardsTest::key)
                            .sorted()
                            .toList();
            assertThat(read).isEqualTo(wanted);
        }
    }

    private static String key(Hole h) {
        return h.from() + " " + h.to() + " " + h.diameter();
    }
}
