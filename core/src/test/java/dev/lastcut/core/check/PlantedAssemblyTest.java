package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.HeightZone;
import dev.lastcut.core.assembly.Heights;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.catalogue.Shelf;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Parts that cannot be soldered where they are to stand, each wrong in one way. */
class PlantedAssemblyTest {
    private static final CapabilitySheet NOBODY_FITS = TestBoards.house(Map.of());

    private static List<Finding> of(String rule, TestBoards t, PartsPlan plan) {
        CheckTarget against =
                new CheckTarget(NOBODY_FITS, Headroom.NONE, Order.USUAL, List.of()).with(plan);
        BoardGeometry g = new BoardGeometry(t.outline(0, 0, 40, 30).board());
        return Planted.of(rule, CheckRunner.run(new CheckContext(g, against)));
    }

    /** Eight pads of a SOIC: pins 1 to 4 down the left, 5 to 8 up the right. */
    private static TestBoards eight(double pitch, double rows, boolean mirrored) {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        for (int i = 0; i < 8; i++) {
            boolean left = i < 4 != mirrored;
            double x = 20 + (left ? -rows / 2 : rows / 2);
            double y = 15 + (1.5 - (i < 4 ? i : 7 - i)) * pitch;
            t.box(x, y, 1.5, 0.6, 0).pin("N" + i, "U1", String.valueOf(i + 1), x, y);
        }
        return t.listed("U1,adc,SOIC8,ADC").placed("U1,adc,SOIC8,20,15,0,top");
    }

    @Test
    void aPartOnItsPadsAndOnOthers() {
        assertThat(of("part-does-not-fit", eight(1.27, 5.4, false), PartsPlan.NONE)).isEmpty();
        assertThat(of("part-does-not-fit", eight(1.27, 5.4, true), PartsPlan.NONE))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.severity()).isEqualTo(Severity.STOP);
                            assertThat(f.message())
                                    .startsWith("U1 is a SOIC8")
                                    .contains("mirrored");
                            assertThat(f.also()).hasSize(8);
                        });
        // A substitute in another package is held against the same pads.
        PartsPlan other = PartsPlan.NONE.knowing(Map.of("ADC", Shelf.part("ADC", "TSSOP8").get()));
        assertThat(of("part-does-not-fit", eight(1.27, 5.4, false), other))
                .singleElement()
                .satisfies(f -> assertThat(f.message()).contains("pitch of 0.65 mm"));
    }

    @Test
    void aViaInThePadOfAPartSolderedByHand() {
        TestBoards t =
                new TestBoards()
                        .on(Role.Kind.COPPER, Side.TOP)
                        .box(10, 10, 1, 1.2, 0)
                        .box(12, 10, 1, 1.2, 0)
                        .pin("A", "C1", "1", 10, 10)
                        .pin("B", "C1", "2", 12, 10)
                        .hole(12.2, 10.2, 0.3, true)
                        .listed("C1,100n,0805,")
                        .placed("C1,100n,0805,11,10,0,top");
        assertThat(of("hand-soldering", t, PartsPlan.NONE))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.message()).startsWith("Pad C1.2: has a via in it");
                            assertThat(f.severity()).isEqualTo(Severity.NOTE);
                        });
    }

    @Test
    void aLeadThatIsSolidInAnArea() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.area(2, 2, 30, 2, 30, 28, 2, 28);
        for (double x : new double[] {10, 12.54}) {
            t.round(x, 10, 1.8).hole(x, 10, 1, true);
        }
        t.lead("GND", "J1", "1", 10, 10).lead("GND", "J1", "2", 12.54, 10);
        t.listed("J1,in,HDR1X2,").placed("J1,in,HDR1X2,11.27,10,0,top");
        assertThat(of("hand-soldering", t, PartsPlan.NONE))
                .extracting(Finding::message)
                .anyMatch(m -> m.contains("joined to the copper about it all round"));
    }

    /** A supply pin with its capacitor 2 mm away, and with it 12 mm away. */
    @Test
    void aSupplyPinWithoutACapacitor() {
        PartsPlan known =
                PartsPlan.NONE.knowing(
                        Map.of(
                                "ADC",
                                Shelf.part("ADC", "SOIC8").pin("1", "VDD", PinRole.SUPPLY).get()));
        for (double away : new double[] {2, 12}) {
            TestBoards t = eight(1.27, 5.4, false);
            double x = 20 - 2.7 - away;
            double y = 15 + 1.5 * 1.27;
            t.pin("N0", "C1", "1", x, y).pin("GND", "C1", "2", x - 2, y);
            t.listed("U1,adc,SOIC8,ADC", "C1,100n,0805,");
            t.placed("U1,adc,SOIC8,20,15,0,top", "C1,100n,0805," + (x - 1) + "," + y + ",0,top");
            List<Finding> found = of("decoupling", t, known);
            if (away < 6) {
                assertThat(found).isEmpty();
            } else {
                assertThat(found)
                        .singleElement()
                        .satisfies(
                                f -> {
                                    assertThat(f.measured()).isCloseTo(12, within(0.01));
                                    assertThat(f.message()).contains("pin 1 (VDD) of U1 on N0");
                                });
            }
        }
    }

    /** The sheet of one's own says how far the capacitor may be. */
    @Test
    void howFarACapacitorMayBeIsASheetsNumber() {
        TestBoards t = eight(1.27, 5.4, false);
        t.pin("N0", "C1", "1", 20 - 2.7 - 4, 15 + 1.5 * 1.27).pin("GND", "C1", "2", 10, 20);
        t.listed("U1,adc,SOIC8,ADC", "C1,100n,0805,");
        t.placed("U1,adc,SOIC8,20,15,0,top", "C1,100n,0805,12,17,0,top");
        PartsPlan known =
                PartsPlan.NONE.knowing(
                        Map.of(
                                "ADC",
                                Shelf.part("ADC", "SOIC8").pin("1", "VDD", PinRole.SUPPLY).get()));
        BoardGeometry g = new BoardGeometry(t.outline(0, 0, 40, 30).board());
        for (double most : new double[] {3, 5}) {
            CapabilitySheet own = TestBoards.house(Map.of(LimitKey.DECOUPLING, most));
            CheckTarget against =
                    new CheckTarget(own, Headroom.NONE, Order.USUAL, List.of()).with(known);
            assertThat(Planted.of("decoupling", CheckRunner.run(new CheckContext(g, against))))
                    .hasSize(most < 4 ? 1 : 0);
        }
    }

    private static TestBoards tall() {
        TestBoards t = eight(1.27, 5.4, false);
        t.box(30, 15, 1, 1.2, 0).box(32, 15, 1, 1.2, 0);
        t.pin("A", "SW1", "1", 30, 15).pin("B", "SW1", "2", 32, 15);
        t.listed("U1,adc,SOIC8,ADC", "SW1,reset,0805,");
        return t.placed("U1,adc,SOIC8,20,15,0,top", "SW1,reset,0805,31,15,0,top");
    }

    private static PartsPlan under(double heightMm, HeightZone... zones) {
        return PartsPlan.NONE
                .knowing(Map.of("ADC", Shelf.part("ADC", "SOIC8").body(4.9, 3.9, heightMm).get()))
                .with(new Heights(List.of(zones), new TreeMap<>()));
    }

    /** A body of 1.75 mm under a lid that leaves 1.7 and 1.8 mm, in its area and beside it. */
    @Test
    void aPartThatIsHigherThanTheRoomAboveIt() {
        List<Pt> over = List.of(Pt.mm(15, 10), Pt.mm(25, 10), Pt.mm(25, 20), Pt.mm(15, 20));
        List<Pt> beside = List.of(Pt.mm(1, 1), Pt.mm(5, 1), Pt.mm(5, 5), Pt.mm(1, 5));
        HeightZone low = new HeightZone("the lid", Side.TOP, 1.7, over);
        assertThat(of("height-zone", tall(), under(1.75, low)))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.severity()).isEqualTo(Severity.STOP);
                            assertThat(f.parts()).containsExactly("U1");
                            assertThat(f.measured()).isCloseTo(1.75, within(1e-6));
                            assertThat(f.limit()).isCloseTo(1.7, within(1e-6));
                            assertThat(f.message()).contains("under the lid");
                        });
        for (HeightZone fits :
                List.of(
                        new HeightZone("the lid", Side.TOP, 1.8, over),
                        new HeightZone("the lid", Side.TOP, 0.1, beside),
                        new HeightZone("the floor", Side.BOTTOM, 0.1, over))) {
            assertThat(of("height-zone", tall(), under(1.75, fits))).isEmpty();
        }
        // A board stacked above lies over all of it.
        assertThat(
                        of(
                                "height-zone",
                                tall(),
                                under(1.75, new HeightZone("a board", Side.TOP, 0.2, List.of()))))
                .extracting(f -> f.parts().get(0))
                .containsExactlyInAnyOrder("U1", "SW1");
    }

    /**
     * A button 0.6 mm high beside a body that lies along its rows: at 45° that may be as much
     * higher as it is away.
     */
    @Test
    void aTallPartBesideAButton() {
        double edge = 31 - 2.0 / 2 - 20 - 3.9 / 2;
        assertThat(of("height-zone", tall(), under(edge + 0.6 - 0.05))).isEmpty();
        assertThat(of("height-zone", tall(), under(edge + 0.6 + 0.05)))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.severity()).isEqualTo(Severity.NOTE);
                            assertThat(f.parts()).containsExactly("SW1", "U1");
                            assertThat(f.limit()).isCloseTo(edge + 0.6, within(1e-4));
                        });
        PartsPlan told =
                under(edge + 0.6 - 0.05)
                        .with(new Heights(List.of(), new TreeMap<>(Map.of("SW1", 30.0))));
        assertThat(of("height-zone", tall(), told))
                .singleElement()
                .satisfies(f -> assertThat(f.severity()).isEqualTo(Severity.LOOK));
    }
}
