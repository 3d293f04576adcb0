package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.catalogue.Shelf;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

/** Faults planted in the tables, and tables that must stay without a finding. */
class PlantedPartsTest {
    private static CapabilitySheet house(int lines, int placements) {
        return TestBoards.house(Map.of())
                .with(
                        new Assembly(
                                List.of(Side.TOP),
                                new Assembly.Counts(
                                        OptionalInt.empty(),
                                        OptionalInt.of(lines),
                                        OptionalInt.of(placements),
                                        OptionalInt.empty()),
                                new Assembly.Fees(0, 0, 0, 0),
                                Assembly.ListForm.USUAL,
                                Optional.empty(),
                                Optional.empty()));
    }

    private static List<Finding> of(String rule, TestBoards t) {
        return of(rule, t, Variants.NONE, house(100, 100));
    }

    private static List<Finding> of(
            String rule, TestBoards t, Variants variants, CapabilitySheet sheet) {
        CheckTarget against =
                new CheckTarget(sheet, Headroom.NONE, TestBoards.FITTED, List.of())
                        .with(PartsPlan.NONE.with(variants));
        return Planted.of(
                rule, CheckRunner.run(new CheckContext(new BoardGeometry(t.board()), against)));
    }

    @Test
    void aDesignatorPlacedTwiceIsFoundAtItsSecondPlace() {
        TestBoards t =
                new TestBoards()
                        .placed(
                                "R1,1k,0603,1,1,0,top",
                                "R2,1k,0603,5,5,0,top",
                                "R1,1k,0603,30,9,0,top");
        assertThat(of("refdes-duplicate", t))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.at()).isEqualTo(Pt.mm(30, 9));
                            assertThat(f.parts()).containsExactly("R1");
                            assertThat(f.severity()).isEqualTo(Severity.STOP);
                            assertThat(f.message()).contains("lines 2 and 4");
                        });
    }

    @Test
    void twoFootprintsOverEachOtherAreAChoice() {
        TestBoards t = new TestBoards().placed("U1,REG,SOT223,5,5,0,top", "U1,REG,SOT23,5,6,0,top");
        assertThat(of("refdes-duplicate", t)).isEmpty();
    }

    @Test
    void oneDesignatorWithTwoValues() {
        TestBoards t =
                new TestBoards()
                        .listed("C1,100n,0603", "C1,33n,0603", "C2,0.1uF,0603", "R1,NTC,0603")
                        .placed(
                                "C1,100n,0603,1,1,0,top",
                                "C2,100nF 50V,0603,2,2,0,top",
                                "R1,10k,0603,3,3,0,top");
        assertThat(of("value-conflict", t))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.parts()).containsExactly("C1");
                            assertThat(f.at()).isEqualTo(Pt.mm(1, 1));
                            assertThat(f.message()).contains("100 nF").contains("33 nF");
                        });
        assertThat(of("refdes-duplicate", t)).singleElement();
    }

    @Test
    void listAndPlacementThatDisagree() {
        TestBoards t = new TestBoards().listed("R1,4k7,0603").placed("R1,47k,0603,1,1,0,top");
        assertThat(of("value-conflict", t)).singleElement();
        assertThat(of("value-conflict", new TestBoards().listed("R1,4k7,0603"))).isEmpty();
    }

    @Test
    void whatAVariantLeavesOffNeedNeitherBeListedNorPlaced() {
        TestBoards t =
                new TestBoards()
                        .listed("R1,1k,0603", "R2,1k,0603")
                        .placed("R1,1k,0603,1,1,0,top", "R3,1k,0603,2,2,0,top");
        assertThat(of("part-not-placed", t)).singleElement();
        assertThat(of("part-not-listed", t)).singleElement();
        Variants lite =
                Variants.NONE
                        .adding("Lite", Optional.empty())
                        .with(
                                Optional.of("Lite"),
                                Map.of("R2", Fitting.fitted(false), "R3", Fitting.fitted(false)))
                        .building(Optional.of("Lite"));
        assertThat(of("part-not-placed", t, lite, house(9, 9))).isEmpty();
        assertThat(of("part-not-listed", t, lite, house(9, 9))).isEmpty();
    }

    @Test
    void moreThanTheShopTakes() {
        TestBoards t =
                new TestBoards()
                        .listed("R1,1k,0603", "R2,2k,0603", "R3,3k,0603")
                        .placed(
                                "R1,1k,0603,1,1,0,top",
                                "R2,2k,0603,2,2,0,top",
                                "R3,3k,0603,3,3,0,top");
        assertThat(of("list-limits", t, Variants.NONE, house(2, 2)))
                .extracting(f -> f.measured() + " " + f.limit() + " " + f.unit())
                .containsExactlyInAnyOrder("3.0 2.0 lines", "3.0 2.0 placements");
        // At the limit is near it: noted, and no stop.
        assertThat(of("list-limits", t, Variants.NONE, house(3, 3)))
                .extracting(f -> f.severity() + " " + f.message())
                .containsExactlyInAnyOrder(
                        "NOTE Near the limit: 3 of 3 lines.",
                        "NOTE Near the limit: 3 of 3 placements.");
        assertThat(of("list-limits", t, Variants.NONE, house(4, 4))).isEmpty();
        Variants one = Variants.NONE.with(Optional.empty(), "R3", Fitting.fitted(false));
        assertThat(of("list-limits", t, one, house(3, 3))).isEmpty();
    }

    /** A regulator as the counter knows it, on a board that may have its pins otherwise. */
    private static PartsPlan regulator() {
        CataloguePart p =
                Shelf.part("REG", "SOT23-5")
                        .pin("1", "IN", PinRole.SUPPLY)
                        .pin("2", "GND", PinRole.GROUND)
                        .pin("3", "EN", PinRole.INPUT)
                        .pin("4", "NC", PinRole.STAY_FREE)
                        .pin("5", "OUT", PinRole.OUTPUT)
                        .get();
        return PartsPlan.NONE.knowing(Map.of("REG", p));
    }

    private static TestBoards pins(String in, String gnd, String en, String nc, String out) {
        String[] nets = {in, gnd, en, nc, out};
        TestBoards t =
                new TestBoards().listed("U1,3V3,SOT23-5,REG").placed("U1,3V3,SOT23-5,5,5,0,top");
        for (int i = 0; i < 5; i++) {
            t.pin(nets[i], "U1", String.valueOf(i + 1), 4 + i % 3, 4 + 2.0 * (i / 3));
        }
        // Another part on every net, so that they are nets.
        String[] all = {"VBAT", "GND", "VCC", "SIG"};
        for (int i = 0; i < all.length; i++) {
            t.pin(all[i], "J1", String.valueOf(i + 1), 20, 2.54 * i);
        }
        return t;
    }

    private static List<Finding> of(String rule, TestBoards t, PartsPlan plan) {
        CheckTarget against =
                new CheckTarget(house(9, 9), Headroom.NONE, TestBoards.FITTED, List.of())
                        .with(plan);
        return Planted.of(
                rule, CheckRunner.run(new CheckContext(new BoardGeometry(t.board()), against)));
    }

    @Test
    void pinsAsThePartWantsThem() {
        TestBoards right = pins("VBAT", "GND", "VBAT", "", "VCC");
        for (String rule : List.of("pin-unconnected", "pin-expected", "pin-role-suspect")) {
            assertThat(of(rule, right, regulator())).as(rule).isEmpty();
        }
    }

    @Test
    void aSupplyPinThatGoesNowhere() {
        assertThat(of("pin-unconnected", pins("", "GND", "VBAT", "", "VCC"), regulator()))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.severity()).isEqualTo(Severity.STOP);
                            assertThat(f.at()).isEqualTo(Pt.mm(4, 4));
                            assertThat(f.message()).startsWith("pin 1 (IN) of U1 is a supply pin");
                        });
        // A net of its own is no connection either.
        assertThat(of("pin-unconnected", pins("VBAT", "GND", "LONE", "", "VCC"), regulator()))
                .extracting(Finding::severity)
                .containsExactly(Severity.LOOK);
    }

    @Test
    void aPinThatIsToStayFree() {
        assertThat(of("pin-expected", pins("VBAT", "GND", "VBAT", "SIG", "VCC"), regulator()))
                .singleElement()
                .satisfies(f -> assertThat(f.nets()).containsExactly("SIG"));
    }

    /**
     * A plug whose shell is on two nets; a part with two grounds that are kept apart on purpose.
     */
    @Test
    void pinsOfOneKindAreOneNet() {
        CataloguePart plug =
                Shelf.part("PLUG", "USB")
                        .pin("1", "SHELL", PinRole.SHIELD)
                        .pin("2", "SHELL", PinRole.SHIELD)
                        .pin("3", "GND", PinRole.GROUND)
                        .pin("4", "AGND", PinRole.GROUND)
                        .get();
        for (boolean apart : new boolean[] {true, false}) {
            TestBoards t =
                    new TestBoards().listed("J1,USB,USB,PLUG").placed("J1,USB,USB,5,5,0,top");
            String[] nets = {"EARTH", apart ? "CASE" : "EARTH", "GND", "GNDA"};
            for (int i = 0; i < 4; i++) {
                t.pin(nets[i], "J1", String.valueOf(i + 1), 4 + i, 4);
                t.pin(nets[i], "R" + i, "1", 14 + i, 4);
            }
            List<Finding> all = of("pin-expected", t, PartsPlan.NONE.knowing(Map.of("PLUG", plug)));
            if (apart) {
                assertThat(all)
                        .singleElement()
                        .satisfies(f -> assertThat(f.nets()).containsExactly("CASE", "EARTH"));
            } else {
                assertThat(all).isEmpty();
            }
        }
    }

    @Test
    void swappedPinsAreSaidToBe() {
        List<Finding> all =
                of("pin-role-suspect", pins("GND", "VBAT", "VBAT", "", "VCC"), regulator());
        assertThat(all).hasSize(2).allMatch(f -> f.severity() == Severity.STOP);
        assertThat(all.get(0).message()).contains("swapped with pin");
    }

    @Test
    void withoutKnowledgeNothingIsClaimed() {
        CheckTarget against =
                new CheckTarget(house(9, 9), Headroom.NONE, TestBoards.FITTED, List.of());
        TestBoards t = pins("GND", "VBAT", "VBAT", "", "VCC");
        CheckRun run = CheckRunner.run(new CheckContext(new BoardGeometry(t.board()), against));
        assertThat(run.results())
                .filteredOn(r -> r.rule().startsWith("pin-"))
                .hasSize(3)
                .allMatch(r -> r.outcome().status() == Outcome.Status.NOT_RUN);
    }

    /** Two 0603 resistors: 1.6 by 0.8 mm each, so 0.7 mm between middles is too near. */
    private static TestBoards chips(double apart, double turned) {
        TestBoards t =
                new TestBoards()
                        .listed("R1,1k,R0603", "R2,1k,R0603")
                        .placed(
                                "R1,1k,R0603,5,5," + turned + ",top",
                                "R2,1k,R0603,5," + (5 + apart) + "," + turned + ",top");
        double c = 0.75 * Math.cos(Math.toRadians(turned));
        double s = 0.75 * Math.sin(Math.toRadians(turned));
        t.on(Role.Kind.COPPER, Side.TOP);
        for (int i = 0; i < 2; i++) {
            double y = 5 + i * apart;
            t.box(5 - c, y - s, 0.8, 0.8, 0).box(5 + c, y + s, 0.8, 0.8, 0);
            t.pin("A" + i, "R" + (i + 1), "1", 5 - c, y - s);
            t.pin("B" + i, "R" + (i + 1), "2", 5 + c, y + s);
        }
        return t.outline(0, 0, 20, 20);
    }

    @Test
    void bodiesThatStandInEachOther() {
        assertThat(of("bodies-collide", chips(0.7, 0)))
                .singleElement()
                .satisfies(
                        f -> {
                            assertThat(f.parts()).containsExactly("R1", "R2");
                            assertThat(f.at()).isEqualTo(Pt.mm(5, 5.35));
                            assertThat(f.measured()).isEqualTo(-0.1);
                        });
        assertThat(of("bodies-collide", chips(0.9, 0))).isEmpty();
        // Turned by a quarter they lie end to end: 1.6 mm long.
        assertThat(of("bodies-collide", chips(1.5, 90))).hasSize(1);
        assertThat(of("bodies-collide", chips(1.7, 90))).isEmpty();
        Variants one = Variants.NONE.with(Optional.empty(), "R2", Fitting.fitted(false));
        assertThat(of("bodies-collide", chips(0.7, 0), one, house(9, 9))).isEmpty();
    }

    @Test
    void aBodyOverTheEdgeAndOneOverAScrewHole() {
        assertThat(of("body-over-edge", chips(5, 0))).isEmpty();
        TestBoards narrow = new TestBoards();
        narrow.listed("R1,1k,R0603").placed("R1,1k,R0603,5,5,0,top");
        narrow.on(Role.Kind.COPPER, Side.TOP).box(4.25, 5, 0.8, 0.8, 0).box(5.75, 5, 0.8, 0.8, 0);
        narrow.pin("A", "R1", "1", 4.25, 5).pin("B", "R1", "2", 5.75, 5);
        narrow.outline(4.5, 0, 20, 20);
        assertThat(of("body-over-edge", narrow))
                .singleElement()
                .satisfies(f -> assertThat(f.measured()).isEqualTo(0.3));
        // An outline that lies elsewhere is another check's matter.
        assertThat(of("body-over-edge", chips(5, 0).outline(100, 100, 120, 120))).isEmpty();
        assertThat(of("body-over-hole", narrow.hole(5, 5, 3.2, false)))
                .singleElement()
                .satisfies(f -> assertThat(f.parts()).containsExactly("R1"));
        assertThat(of("body-over-hole", chips(5, 0))).isEmpty();
    }

    /** A part of eight pins in two rows, first pin at the upper left at 0°, drawn as it lies. */
    private static void eight(TestBoards t, String name, double x, double y, int quarters) {
        for (int i = 0; i < 8; i++) {
            double u = i < 4 ? -2.7 : 2.7;
            double v = i < 4 ? 1.905 - 1.27 * i : -1.905 + 1.27 * (i - 4);
            double c = Math.cos(Math.PI / 2 * quarters);
            double s = Math.sin(Math.PI / 2 * quarters);
            t.pin("N" + i, name, String.valueOf(i + 1), x + u * c - v * s, y + u * s + v * c);
        }
    }

    /** Drawn at 0, 90 and 180°, told as given; a fault is planted by telling another rotation. */
    private static List<Finding> turned(int first, int second, int third) {
        TestBoards t = new TestBoards();
        eight(t, "U1", 10, 10, 0);
        eight(t, "U2", 30, 10, 1);
        eight(t, "U3", 50, 10, 2);
        t.placed(
                "U1,A,SOIC8,10,10," + first + ",top",
                "U2,A,SOIC8,30,10," + second + ",top",
                "U3,A,SOIC8,50,10," + third + ",top");
        return of("rotation-suspect", t);
    }

    @Test
    void theOneThatIsToldTurnedOtherwiseThanItLies() {
        assertThat(turned(0, 90, 180)).isEmpty();
        // Another habit of the library, for all alike, is no fault.
        assertThat(turned(90, 180, 270)).isEmpty();
        for (int wrong : new int[] {90, 180, 270}) {
            assertThat(turned(0, 90 + wrong, 180))
                    .singleElement()
                    .satisfies(
                            f -> {
                                assertThat(f.parts()).containsExactly("U2");
                                assertThat(f.limit()).isEqualTo(90);
                                assertThat(f.at()).isEqualTo(Pt.mm(30, 10));
                            });
        }
    }

    @Test
    void aPackageAloneIsHeldAgainstTheOthers() {
        for (int wrong : new int[] {0, 180}) {
            TestBoards t = new TestBoards();
            eight(t, "U1", 10, 10, 0);
            eight(t, "U2", 30, 10, 1);
            eight(t, "U3", 50, 10, 2);
            t.placed(
                    "U1,A,SOIC8,10,10,0,top",
                    "U2,A,TSSOP8,30,10,90,top",
                    "U3,A,MSOP8,50,10," + (180 + wrong) % 360 + ",top");
            assertThat(of("rotation-suspect", t)).hasSize(wrong == 0 ? 0 : 1);
        }
    }

    /** Half a turn of a resistor is none; a quarter is told, a diode's half too. */
    @Test
    void twoPinsAreJudgedByWhatTheyAre() {
        for (String letter : new String[] {"R", "D"}) {
            TestBoards t = new TestBoards();
            String[] lines = new String[4];
            int[] told = {0, 0, 180, 90};
            for (int i = 0; i < 4; i++) {
                String name = letter + (i + 1);
                t.pin("A", name, "1", 5 * i - 0.8, 3).pin("B", name, "2", 5 * i + 0.8, 3);
                lines[i] = name + ",x,P0603," + 5 * i + ",3," + told[i] + ",top";
            }
            List<Finding> all = of("rotation-suspect", t.placed(lines));
            assertThat(all)
                    .flatExtracting(Finding::parts)
                    .containsExactlyElementsOf(letter.equals("R") ? List.of("R4") : List.of());
        }
        TestBoards diodes = new TestBoards();
        for (int i = 0; i < 3; i++) {
            diodes.pin("A", "D" + i, "1", 5 * i - 0.8, 3).pin("B", "D" + i, "2", 5 * i + 0.8, 3);
        }
        diodes.placed("D0,x,SMA,0,3,0,top", "D1,x,SMA,5,3,180,top", "D2,x,SMA,10,3,0,top");
        assertThat(of("rotation-suspect", diodes))
                .singleElement()
                .satisfies(f -> assertThat(f.parts()).containsExactly("D1"));
    }
}
