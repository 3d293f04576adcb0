package dev.lastcut.core.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.fabrication.FabricationPack;
import dev.lastcut.core.formats.gerber.GerberReader;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.TruePack;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

class PanelTest {
    private static PanelPlan plan(
            int rows, int columns, double gap, double deg, Join join, Rails rails) {
        return new PanelPlan(
                rows,
                columns,
                Optional.of(gap),
                deg,
                join,
                rails,
                6,
                PanelPlan.TabForm.USUAL,
                rails == Rails.NONE ? 0 : 3,
                rails == Rails.NONE ? 0 : 3,
                List.of(),
                List.of());
    }

    private static Panel panel(BoardGeometry g, PanelPlan plan) {
        return Panel.of(plan, new PanelSource("", g, PartsPlan.NONE), Map.of());
    }

    private static BoardGeometry open(String name) throws Exception {
        return new BoardGeometry(Intake.open(TruePack.of(name).pack()));
    }

    private static BoardGeometry box(double w, double h) {
        return new BoardGeometry(
                new TestBoards()
                        .on(Role.Kind.COPPER, Side.TOP)
                        .round(w / 2, h / 2, 1)
                        .outline(0, 0, w, h)
                        .board());
    }

    /** Sizes by plain sums: boards, gaps, rails. */
    @ParameterizedTest
    @CsvSource({
        "2, 3, 2, 0, TABS, ALL, 3*30+2*2+2*(6+2), 2*20+1*2+2*(6+2)",
        "3, 1, 0, 0, SCORE, TOP_BOTTOM, 30, 3*20+2*6",
        "1, 2, 5, 90, NONE, NONE, 2*20+5, 30"
    })
    void aPanelIsAsLargeAsItsBoardsGapsAndRails(
            int rows,
            int columns,
            double gap,
            double deg,
            Join join,
            Rails rails,
            String width,
            String height) {
        Panel p = panel(box(30, 20), plan(rows, columns, gap, deg, join, rails));
        assertThat(p.widthNm() / 1e6).isCloseTo(sum(width), within(1e-6));
        assertThat(p.heightNm() / 1e6).isCloseTo(sum(height), within(1e-6));
        assertThat(p.boards()).hasSize(rows * columns);
        assertThat(p.usedPercent())
                .isCloseTo(100 * rows * columns * 600 / (sum(width) * sum(height)), within(1e-6));
    }

    private static double sum(String s) {
        if (s.contains("*(")) {
            int at = s.indexOf("*(");
            int from = Math.max(s.lastIndexOf('+', at), -1) + 1;
            double times = Double.parseDouble(s.substring(from, at));
            double inner = sum(s.substring(at + 2, s.indexOf(')', at)));
            String rest = s.substring(0, Math.max(0, from - 1));
            return times * inner + (rest.isEmpty() ? 0 : sum(rest));
        }
        double all = 0;
        for (String term : s.split("\\+")) {
            double product = 1;
            for (String f : term.split("\\*")) {
                product *= Double.parseDouble(f);
            }
            all += product;
        }
        return all;
    }

    /**
     * Every picture of a panel, written and read again, shows each board's own picture turned and
     * shifted, and nothing else but the marks.
     */
    @ParameterizedTest
    @CsvSource({
        "p01_extensions_inch, 0, TABS, ALL",
        "p02_extensions_macros, 90, SCORE, LEFT_RIGHT",
        "p04_terse_four, 30, TABS, TOP_BOTTOM",
        "p09_big_stroked, 180, NONE, NONE"
    })
    void picturesOfAPanelAreThoseOfItsBoards(String name, double deg, Join join, Rails rails)
            throws Exception {
        BoardGeometry g = open(name);
        Panel p = panel(g, plan(1, 2, 3, deg, join, rails));
        Board whole = p.whole().board();
        Map<String, byte[]> files = FabricationPack.write(whole);
        for (Layer l : g.board().layers()) {
            if (l.role().equals(Role.OUTLINE)) {
                continue;
            }
            byte[] gerber = files.get(l.role().id() + ".gbr");
            var image = LayerImage.of(GerberReader.read("x.gbr", gerber).features(), g.flattener());
            Geometry shown = image.area();
            for (PlacedBoard b : p.boards()) {
                Envelope cell = Geo.expanded(b.box(), -2_000);
                Geometry window = Geo.intersection(b.filled(), Geo.rectangle(cell));
                Geometry should = Geo.intersection(b.onPanel(g.area(l.role())), window);
                Geometry is = Geo.intersection(shown, window);
                // 2 µm of all edges' length bounds what turning and rounding may move.
                assertThat(Geo.symmetricDifference(is, should).getArea())
                        .as(name + " " + l.role().id() + " " + b.number())
                        .isLessThanOrEqualTo(2_000 * should.getLength() + 1);
            }
        }
    }

    @Test
    void designatorsAndNetsEndInTheNumberOfTheirBoard() throws Exception {
        BoardGeometry g = open("p08_joined_netlist");
        Panel p = panel(g, plan(2, 2, 2, 90, Join.TABS, Rails.ALL));
        Board whole = p.whole().board();
        List<String> names = new ArrayList<>();
        whole.placements().orElseThrow().forEach(x -> names.add(x.designator()));
        assertThat(names).doesNotHaveDuplicates().contains("R1.1", "R1.3");
        assertThat(names).hasSize(4 * g.board().placements().orElseThrow().size());
        int own = g.reference().orElseThrow().anchors().size();
        assertThat(p.whole().reference().orElseThrow().anchors()).hasSize(4 * own);
        assertThat(p.whole().reference().orElseThrow().missing()).isEmpty();
        // Each named net is one piece of copper, as on the single board.
        Map<String, Set<Integer>> pieces = new TreeMap<>();
        p.whole()
                .reference()
                .orElseThrow()
                .anchors()
                .forEach(
                        a ->
                                pieces.computeIfAbsent(a.point().net(), k -> new HashSet<>())
                                        .add(p.whole().nets().nodes().get(a.node()).net()));
        assertThat(pieces).allSatisfy((net, of) -> assertThat(of).hasSize(1));
    }

    @ParameterizedTest
    @ValueSource(strings = {"p01_extensions_inch", "p07_mill_single"})
    void tabsHoldEveryBoardAndTheRestIsRouted(String name) throws Exception {
        BoardGeometry g = open(name);
        Panel p = panel(g, plan(2, 3, 2, 0, Join.TABS, Rails.ALL));
        assertThat(p.material().getNumGeometries()).isEqualTo(1);
        assertThat(p.tabsOfBoards()).allSatisfy((n, tabs) -> assertThat(tabs).isEqualTo(8));
        // Two a side: each of the 7 pairs of neighbours and of the 10 sides at rails.
        assertThat(p.tabs()).hasSize(2 * (7 + 10));
        List<Geometry> solid = new ArrayList<>(p.rails());
        p.boards().forEach(b -> solid.add(b.onPanel(g.boardArea())));
        for (Break.Tab t : p.tabs()) {
            solid.add(t.shape());
            assertThat(t.bites()).hasSize(t.other() > 0 ? 8 : 4);
        }
        Geometry known = Geo.union(solid);
        assertThat(Geo.difference(known, p.material()).getArea()).isLessThan(1e9);
        // What else stays hangs on the rails, out of the router's way round every board.
        Geometry rest = Geo.difference(p.material(), known);
        for (PlacedBoard b : p.boards()) {
            Geometry way = b.filled().buffer(2_000_000 - 2_000);
            assertThat(Geo.intersection(rest, way).getArea()).isLessThan(1e9);
        }
        long bites =
                p.whole().board().holes().stream()
                        .filter(
                                h ->
                                        h.diameter() == 500_000
                                                && !h.plated()
                                                && h.file().equals("panel"))
                        .count();
        assertThat(bites).isEqualTo(p.tabs().stream().mapToInt(t -> t.bites().size()).sum());
        assertThat(p.whole().board().holes().stream().filter(Hole::plated).count())
                .isEqualTo(6 * g.board().holes().stream().filter(Hole::plated).count());
    }

    @Test
    void scoresRunAlongEverySideOnceFromEdgeToEdge() {
        Panel p = panel(box(30, 20), plan(3, 4, 0, 0, Join.SCORE, Rails.ALL));
        assertThat(p.scores().stream().filter(Break.Score::upright)).hasSize(5);
        assertThat(p.scores().stream().filter(s -> !s.upright())).hasSize(4);
        assertThat(p.scores())
                .allSatisfy(
                        s ->
                                assertThat(s.line().getLength())
                                        .isEqualTo(s.upright() ? p.heightNm() : p.widthNm()));
    }

    @Test
    void whatCannotBeIsSaidWithItsKey() {
        assertThatThrownBy(() -> plan(1, 1, -1, 0, Join.TABS, Rails.NONE))
                .hasMessageStartingWith("gap_mm: ");
        assertThatThrownBy(() -> plan(2, 2, 0, 30, Join.SCORE, Rails.NONE))
                .hasMessageStartingWith("rotation_deg: ")
                .hasMessageContaining("tabs");
        BoardGeometry open =
                new BoardGeometry(
                        new TestBoards().on(Role.Kind.COPPER, Side.TOP).round(1, 1, 1).board());
        assertThatThrownBy(() -> panel(open, plan(1, 2, 2, 0, Join.TABS, Rails.NONE)))
                .hasMessageContaining("no closed outline");
        PanelPlan over =
                new PanelPlan(
                        1,
                        1,
                        Optional.empty(),
                        0,
                        Join.TABS,
                        Rails.NONE,
                        5,
                        PanelPlan.TabForm.USUAL,
                        0,
                        0,
                        List.of(),
                        List.of(
                                new PanelPlan.Place(Optional.empty(), 0, 0, 0),
                                new PanelPlan.Place(Optional.empty(), 29, 0, 0)));
        assertThatThrownBy(() -> panel(box(30, 20), over))
                .hasMessageContaining("boards 1 and 2 lie upon each other");
    }
}
