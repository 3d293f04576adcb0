package dev.lastcut.core.milling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.milling.paper.SetupSheet;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** What goes to the bench beside isolation: tabs, stencil, joints by hand, the set-up sheet. */
class BenchWorkTest {
    private static final Mill MILL =
            TestMills.mill(
                    TestMills.V, TestMills.flat(0.4), TestMills.flat(2), TestMills.drill(0.8));

    /** Two layers, a via, a lead that joins both sides, one that does not; J1 at the right edge. */
    private static BoardGeometry board() {
        TestBoards b = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        b.round(5, 5, 1.6).round(10, 5, 1.6).round(15, 5, 1.6).round(38, 15, 1.6);
        b.on(Role.Kind.COPPER, Side.BOTTOM).round(5, 5, 1.6).round(10, 5, 1.6).round(38, 15, 1.6);
        b.hole(5, 5, 0.8, true)
                .hole(10, 5, 0.8, true)
                .hole(15, 5, 0.8, true)
                .hole(38, 15, 0.8, true);
        b.lead("A", "R1", "1", 10, 5).lead("B", "R1", "2", 15, 5).lead("C", "J1", "1", 38, 15);
        return new BoardGeometry(b.outline(0, 0, 40, 30).board());
    }

    @Test
    void whatAPlatedHoleWouldHaveJoinedIsJoinedByHand() {
        List<HandJoint> joints = HandJoint.of(board());
        assertThat(joints).hasSize(3);
        assertThat(joints.get(0).pin()).as("wires come first").isEmpty();
        assertThat(HandJoint.csv(joints))
                .contains("5.0000,5.0000,0.800,")
                .contains("wire or rivet through the hole")
                .contains("solder the lead of R1.1 on both sides")
                .contains("solder the lead of J1.1 on both sides")
                .doesNotContain("R1.2");
    }

    /** Three tabs of 2 mm, all whole, none within 6 mm of a connector and none round a corner. */
    @Test
    void tabsStandAwayFromConnectorsAndCorners() {
        MillingPlan plan = MillingPlan.of(board(), MILL, MillSetup.USUAL);
        Operation contour = plan.operations().get(plan.operations().size() - 1);
        assertThat(contour.kind()).isEqualTo(Operation.Kind.CONTOUR);
        double top = -(MILL.stock().thickness() - (double) MILL.tabs().height());
        double deepest = -contour.depth();
        List<List<Coordinate>> tabs = new ArrayList<>();
        List<Coordinate> tab = null;
        boolean last = false;
        for (ToolPath.Vertex v : contour.paths().get(0).vertices()) {
            last |= v.z() == deepest;
            boolean up = last && v.z() == top;
            if (up) {
                tab = tab == null ? new ArrayList<>() : tab;
                tab.add(new Coordinate(v.x(), v.y()));
            } else if (tab != null) {
                tabs.add(tab);
                tab = null;
            }
        }
        assertThat(tabs).hasSize(3);
        for (List<Coordinate> t : tabs) {
            Coordinate a = t.get(0);
            Coordinate b = t.get(t.size() - 1);
            assertThat(a.distance(b)).as("a tab and the cutter").isCloseTo(4e6, within(1e4));
            assertThat(Math.min(Math.abs(a.x - b.x), Math.abs(a.y - b.y)))
                    .as("on one straight side")
                    .isLessThan(50_000);
            Coordinate middle = new Coordinate((a.x + b.x) / 2, (a.y + b.y) / 2);
            assertThat(middle.distance(new Coordinate(38e6, 15e6))).isGreaterThan(6e6);
        }
    }

    @Test
    void openingsOfAStencilComeOutInTheirSize() {
        Geometry pads =
                Geo.union(
                        List.of(
                                Geo.rectangle(0, 0, 1_500_000, 2_500_000),
                                Geo.rectangle(4_000_000, 0, 5_000_000, 1_000_000),
                                Geo.rectangle(8_000_000, 0, 8_300_000, 1_500_000)));
        StencilCut cut = StencilCut.of(pads, Side.TOP, new Envelope(0, 9e6, 0, 3e6), MILL);
        assertThat(cut.tooNarrow()).as("0.3 mm under 0.4 mm").hasSize(1);
        Operation o = cut.program().orElseThrow().operations().get(0);
        Cutter tool = o.cutter();
        assertThat(tool.diameter()).isEqualTo(400_000);
        for (ToolPath p : o.paths()) {
            Coordinate[] c =
                    p.vertices().stream()
                            .map(v -> new Coordinate(v.x(), v.y()))
                            .toArray(Coordinate[]::new);
            Geometry swept =
                    Geo.offset(Geo.FACTORY.createLineString(c), tool.diameter() / 2.0, 250);
            Envelope e = swept.getEnvelopeInternal();
            boolean large = e.getMinX() < 1e6;
            assertThat(e.getWidth()).isCloseTo(large ? 1.5e6 : 1e6, within(1_000.0));
            assertThat(e.getHeight()).isCloseTo(large ? 2.5e6 : 1e6, within(1_000.0));
            assertThat(Geo.difference(swept, pads).getArea()).isLessThan(1e9);
            assertThat(p.last().z()).as("through the foil").isLessThan(-StencilCut.FOIL_NM);
        }
    }

    @Test
    void theSetUpSheetSaysWhatToDoInWhichOrder() throws IOException {
        BoardGeometry g = board();
        MillingPlan plan = MillingPlan.of(g, MILL, MillSetup.USUAL);
        byte[] pdf = SetupSheet.pdf("Fräse № 1, 铣床", plan, HandJoint.of(g), g.boardArea());
        String text;
        try (PDDocument d = Loader.loadPDF(pdf)) {
            text = new PDFTextStripper().getText(d);
        }
        assertThat(text).contains("Fräse");
        assertThat(text).contains("solder the lead of R1.1 on both sides");
        int before = 0;
        for (Operation o : plan.operations()) {
            int here = text.indexOf(o.file());
            assertThat(here).as(o.file()).isGreaterThan(before);
            assertThat(text.substring(before, here))
                    .contains("Tool " + o.tool() + ", " + o.cutter().name());
            before = here;
        }
        assertThat(SetupSheet.pdf("Fräse № 1, 铣床", plan, HandJoint.of(g), g.boardArea()))
                .isEqualTo(pdf);
    }
}
