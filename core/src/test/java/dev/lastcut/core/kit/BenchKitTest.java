package dev.lastcut.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.GuidePlan;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.DataValue;
import dev.lastcut.core.catalogue.Parameter;
import dev.lastcut.core.catalogue.Shelf;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.kit.KitStep.Stage;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** A small board of everything, soldered by hand. */
class BenchKitTest {
    private static final CapabilitySheet NOBODY = TestBoards.house(Map.of());

    private static CapabilitySheet house() {
        return NOBODY.with(
                new Assembly(
                        List.of(Side.TOP),
                        new Assembly.Counts(
                                OptionalInt.empty(),
                                OptionalInt.empty(),
                                OptionalInt.empty(),
                                OptionalInt.empty()),
                        new Assembly.Fees(0, 0, 0, 0),
                        Assembly.ListForm.USUAL,
                        Optional.empty(),
                        Optional.empty()));
    }

    private static TestBoards board() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        for (double[] at : new double[][] {{5, 20}, {7, 20}, {20, 20}, {22, 20}}) {
            t.box(at[0], at[1], 1, 1.2, 0);
        }
        t.pin("A", "C1", "1", 5, 20).pin("GND", "C1", "2", 7, 20);
        t.pin("GND", "D1", "1", 20, 20).pin("A", "D1", "2", 22, 20);
        t.lead("A", "R1", "1", 5, 10).lead("GND", "R1", "2", 15.16, 10);
        t.lead("B", "R2", "1", 5, 6).lead("GND", "R2", "2", 15.16, 6);
        t.lead("A", "J1", "1", 30, 10).lead("GND", "J1", "2", 32.54, 10);
        t.lead("B", "LED1", "1", 30, 20).lead("GND", "LED1", "2", 32.54, 20);
        t.lead("A", "CE1", "1", 40, 20).lead("GND", "CE1", "2", 45, 20);
        t.pin("B", "TP1", "1", 38, 5);
        t.listed(
                "C1,100n,0805,,",
                "D1,fast,SMA,,",
                "R1 R2,4k7 5%,AX10,,",
                "J1,IN,HDR2,,",
                "LED1,red,LED5,,",
                "CE1,100u,ELEC D8,,",
                "X9,screw,,,");
        t.placed(
                "C1,100n,0805,6,20,0,top",
                "D1,fast,SMA,21,20,0,top",
                "R1,4k7 5%,AX10,10.08,10,0,top",
                "R2,4k7 5%,AX10,10.08,6,0,top",
                "J1,IN,HDR2,31.27,10,0,top",
                "LED1,red,LED5,31.27,20,0,top",
                "CE1,100u,ELEC D8,42.5,20,0,top");
        return t.outline(0, 0, 50, 30);
    }

    private static BenchKit kit(CapabilitySheet sheet, PartsPlan plan) {
        return kit(new BoardGeometry(board().board()), sheet, plan);
    }

    private static BenchKit kit(BoardGeometry g, CapabilitySheet sheet, PartsPlan plan) {
        return BenchKit.of(g, Assignments.of(g, sheet, TestBoards.FITTED, plan), plan);
    }

    @Test
    void theOrderIsFlatThenLeadedThenPolarThenHeatThenPlugs() {
        BenchKit kit = kit(NOBODY, PartsPlan.NONE);
        assertThat(kit.steps().stream().map(KitStep::stage))
                .containsExactly(
                        Stage.FLAT,
                        Stage.FLAT_POLAR,
                        Stage.LEADED,
                        Stage.HEAT,
                        Stage.HEAT,
                        Stage.PLUG);
        assertThat(kit.steps().get(2).designators()).containsExactly("R1", "R2");
        assertThat(kit.unplaced()).singleElement().matches(p -> p.designator().equals("X9"));
    }

    @Test
    void aStepSaysColoursSpacingPolarityAndThePadToStartOn() {
        BenchKit kit = kit(NOBODY, PartsPlan.NONE);
        KitStep resistors = kit.steps().get(2);
        assertThat(KitTable.colours(resistors)).isEqualTo("yellow violet red gold");
        assertThat(resistors.spacingMm().getAsDouble()).isEqualTo(10.16);
        assertThat(resistors.places().get(0).polarity()).isEmpty();
        // Ground has most pins, so it is not where one starts.
        assertThat(resistors.places().get(0).startPin()).isEqualTo("1");
        KitStep diode = kit.steps().get(1);
        // Nothing tells which pin is the cathode: it is no fact.
        assertThat(diode.places().get(0).polarity())
                .isEqualTo(
                        "band (cathode) at the left if pin 1 is the cathode, which nothing says:"
                                + " look at silk and data sheet first");
        assertThat(diode.places().get(0).startPin()).isEqualTo("2");
    }

    @Test
    void whatTheHouseFitsIsNotInTheKit() {
        PartsPlan plan = PartsPlan.NONE.with(ByHand.NONE.ofPackage("HDR2", true));
        BenchKit kit = kit(house(), plan);
        assertThat(kit.steps())
                .singleElement()
                .satisfies(s -> assertThat(s.designators()).containsExactly("J1"));
        PartsPlan back = plan.with(plan.byHand().ofPart("J1", Optional.of(false)));
        assertThat(kit(house(), back).steps()).isEmpty();
        PartsPlan all = PartsPlan.NONE.with(ByHand.NONE.ofSide(Side.TOP, true));
        assertThat(kit(house(), all).steps()).hasSize(6);
    }

    /** Headers first, a bridge closed in between; what is not named keeps its place. */
    @Test
    void theOrderCanBeChangedAndHasStepsOfOnesOwn() {
        GuidePlan plan =
                new GuidePlan(
                        List.of(
                                GuidePlan.Entry.solder("J1"),
                                GuidePlan.Entry.own("close the bridge SJ1"),
                                GuidePlan.Entry.solder("GONE"),
                                GuidePlan.Entry.solder("R2"),
                                GuidePlan.Entry.solder("C1")));
        BenchKit kit = kit(NOBODY, PartsPlan.NONE.guided(plan));
        assertThat(kit.lines())
                .extracting(
                        l -> l.step().map(s -> String.join(" ", s.designators())).orElse(l.own()))
                .containsExactly("J1", "close the bridge SJ1", "R1 R2", "CE1", "LED1", "C1", "D1");
        assertThat(kit.steps()).hasSize(6);
        assertThat(kit(NOBODY, PartsPlan.NONE).lines()).hasSize(6);
    }

    @Test
    void theTableIsToShopBy() {
        String csv =
                new String(KitTable.csv(kit(NOBODY, PartsPlan.NONE), 7), StandardCharsets.UTF_8);
        assertThat(csv.lines().toList().get(3)).startsWith("3,R1 R2,2,14,4k7 5%,AX10,");
        assertThat(csv).contains("10.16", "without a place on the board");
    }

    /** Read back by the PDF library: every step with its words, and the points by net. */
    @Test
    void theGuideHasEveryStep() throws Exception {
        BoardGeometry g = new BoardGeometry(board().board());
        PartsPlan plan = PartsPlan.NONE.noting("D1", "the one from the blue box");
        BenchKit kit = kit(g, NOBODY, plan);
        byte[] pdf = KitGuide.pdf(g, kit, plan.notes(), 3, List.of());
        assertThat(pdf).isEqualTo(KitGuide.pdf(g, kit, plan.notes(), 3, List.of()));
        try (PDDocument d = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(d);
            for (KitStep s : kit.steps()) {
                assertThat(text).contains(s.value());
            }
            assertThat(text)
                    .contains("yellow violet red gold", "Bend the leads to 10.16 mm")
                    .contains("D1: the one from the blue box")
                    .contains("TP1", "J1.2", "Why now: last");
        }
    }

    /** Pictures that were added to a step are printed with it; a broken one is said to be so. */
    @Test
    void picturesArePrinted() throws Exception {
        BoardGeometry g = new BoardGeometry(board().board());
        BenchKit kit = kit(g, NOBODY, PartsPlan.NONE);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(8, 6, BufferedImage.TYPE_INT_RGB), "png", png);
        byte[] pdf =
                KitGuide.pdf(
                        g,
                        kit,
                        Map.of(),
                        1,
                        List.of(),
                        Map.of("D1", png.toByteArray(), "J1", new byte[] {1, 2, 3}));
        try (PDDocument d = Loader.loadPDF(pdf)) {
            int images = 0;
            for (PDPage page : d.getPages()) {
                for (COSName name : page.getResources().getXObjectNames()) {
                    images += page.getResources().isImageXObject(name) ? 1 : 0;
                }
            }
            assertThat(images).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(d))
                    .contains("The picture added to J1 cannot be read");
        }
    }

    /**
     * What the counter states goes before what is usual: a tolerance, the end that is the cathode.
     */
    @Test
    void whatIsKnownOfAPartIsBelieved() {
        Shelf resistor =
                Shelf.part("CH-R-4K7", "AX10").with(Parameter.TOLERANCE, DataValue.max(1, "%", ""));
        Shelf diode =
                Shelf.part("YD-D1", "SMA")
                        .pin("1", "A", CataloguePart.PinRole.ANODE)
                        .pin("2", "K", CataloguePart.PinRole.CATHODE);
        TestBoards t = new TestBoards();
        t.lead("A", "R1", "1", 5, 10).lead("GND", "R1", "2", 15.16, 10);
        t.pin("A", "D1", "1", 20, 20).pin("GND", "D1", "2", 22, 20);
        t.listed("R1,4k7,AX10,CH-R-4K7,", "D1,fast,SMA,YD-D1,");
        t.placed("R1,4k7,AX10,10.08,10,0,top", "D1,fast,SMA,21,20,0,top");
        BoardGeometry g = new BoardGeometry(t.outline(0, 0, 50, 30).board());
        PartsPlan plan =
                PartsPlan.NONE.knowing(Map.of("CH-R-4K7", resistor.get(), "YD-D1", diode.get()));
        List<KitStep> steps = kit(g, NOBODY, plan).steps();
        assertThat(steps.get(0).places().get(0).polarity())
                .isEqualTo("band (cathode) at the right");
        assertThat(KitTable.colours(steps.get(1))).isEqualTo("yellow violet black brown brown");
    }
}
