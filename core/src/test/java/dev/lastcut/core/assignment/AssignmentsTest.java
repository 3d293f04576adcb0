package dev.lastcut.core.assignment;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.catalogue.Shelf;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Who fits what, by order, shop, variant, stock and the maker's word, in this order of force. */
class AssignmentsTest {
    private static CapabilitySheet shop(Set<Mounting> fits, double leastPitchMm) {
        OptionalInt any = OptionalInt.empty();
        return TestBoards.house(Map.of())
                .with(
                        new Assembly(
                                List.of(Side.TOP),
                                new Assembly.Counts(any, any, any, any),
                                new Assembly.Fees(0, 0, 0, 0),
                                Assembly.ListForm.USUAL,
                                Optional.empty(),
                                Optional.of(
                                        new Limit(leastPitchMm, "mm", "invented", "2026-01-01")),
                                Assembly.PlacementForm.USUAL,
                                new Assembly.Line(Optional.empty(), 0, fits, Optional.empty())));
    }

    private static final CapabilitySheet ALL = shop(Set.of(Mounting.values()), 0.3);

    /** A chip, a plug with leads, a fine part, and a chip below. */
    private static BoardGeometry board() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.box(10, 10, 1, 1.2, 0).box(12, 10, 1, 1.2, 0);
        t.pin("A", "R1", "1", 10, 10).pin("B", "R1", "2", 12, 10);
        for (int i = 0; i < 2; i++) {
            double x = 20 + 2.54 * i;
            t.round(x, 10, 1.8).hole(x, 10, 1, true).lead("A", "J1", "" + (i + 1), x, 10);
        }
        for (int i = 0; i < 4; i++) {
            t.box(30 + 0.4 * i, 10, 0.2, 1.2, 0).pin("N" + i, "U1", "" + (i + 1), 30 + 0.4 * i, 10);
        }
        t.on(Role.Kind.COPPER, Side.BOTTOM).box(10, 20, 1, 1, 0).box(12, 20, 1, 1, 0);
        t.pin("A", "R2", "1", 10, 20, Side.BOTTOM).pin("B", "R2", "2", 12, 20, Side.BOTTOM);
        t.listed(
                "R1,1k,0805,P1",
                "J1,in,HDR1X2,P2",
                "U1,adc,FINE,P3",
                "R2,1k,0805,P1",
                "X9,screw,,");
        t.placed(
                "R1,1k,0805,11,10,0,top",
                "J1,in,HDR1X2,21.27,10,0,top",
                "U1,adc,FINE,30.6,10,0,top",
                "R2,1k,0805,11,20,0,bottom");
        return new BoardGeometry(t.outline(0, 0, 50, 30).board());
    }

    private static String by(CapabilitySheet sheet, Order order, PartsPlan plan, String part) {
        Assignment a = Assignments.of(board(), sheet, order, plan).of(part).orElseThrow();
        return a.by().id() + ": " + a.why();
    }

    private static Order order(String fitted) {
        return Order.USUAL.with(OrderOption.ASSEMBLY, fitted);
    }

    @Test
    void aBareOrderMakesAllOfItTheMakersWorkAndListsEverything() {
        Assignments bare = Assignments.of(board(), ALL, order("none"), PartsPlan.NONE);
        assertThat(bare.all()).allMatch(a -> a.by() == Assignment.By.HAND);
        assertThat(bare.listed()).hasSize(5);
        assertThat(bare.isOrdered()).isFalse();
        assertThat(by(TestBoards.house(Map.of()), order("both"), PartsPlan.NONE, "R1"))
                .isEqualTo("hand: Test house fits no parts");
    }

    @Test
    void theOrderAndTheShopSayWhichSides() {
        assertThat(by(ALL, order("top"), PartsPlan.NONE, "R1")).startsWith("house: fitted by");
        assertThat(by(ALL, order("bottom"), PartsPlan.NONE, "R1"))
                .isEqualTo("hand: Test house does not fit the bottom");
        assertThat(by(ALL, order("both"), PartsPlan.NONE, "R2")).contains("fits the top only");
        assertThat(by(ALL, order("both"), PartsPlan.NONE, "X9"))
                .isEqualTo("hand: the placement does not say where it goes");
    }

    @Test
    void leadsAndPitchAreFoundOnTheBoardAndHeldAgainstTheShop() {
        CapabilitySheet flat = shop(Set.of(Mounting.SURFACE), 0.5);
        assertThat(by(flat, order("both"), PartsPlan.NONE, "J1"))
                .contains("hand: has leads")
                .contains("fits surface parts only");
        assertThat(by(flat, order("both"), PartsPlan.NONE, "U1"))
                .contains("its pitch is 0.400 mm")
                .contains("fits 0.500 mm or more");
        assertThat(by(ALL, order("both"), PartsPlan.NONE, "U1")).startsWith("house");
        assertThat(by(ALL, order("both"), PartsPlan.NONE, "J1")).startsWith("house");
    }

    @Test
    void variantStockAndTheMakersWord() {
        PartsPlan off =
                PartsPlan.NONE.with(
                        PartsPlan.NONE
                                .variants()
                                .with(Optional.empty(), "R1", Fitting.fitted(false)));
        assertThat(by(ALL, order("both"), off, "R1")).startsWith("nobody: left off");
        PartsPlan none =
                PartsPlan.NONE.knowing(Map.of("P1", Shelf.part("P1", "0805").stock(0).get()));
        assertThat(by(ALL, order("both"), none, "R1")).isEqualTo("nobody: part P1 is not in stock");
        PartsPlan hand = none.with(ByHand.NONE.ofPart("R1", Optional.of(true)));
        assertThat(by(ALL, order("both"), hand, "R1"))
                .isEqualTo("hand: chosen to be soldered by hand");
        // Left to a shop that cannot: nobody fits it, and that is a gap.
        PartsPlan left = PartsPlan.NONE.with(ByHand.NONE.ofPart("R2", Optional.of(false)));
        Assignments who = Assignments.of(board(), ALL, order("both"), left);
        assertThat(who.gaps()).extracting(a -> a.part().designator()).containsExactly("R2");
        assertThat(Assignments.gapWords(who.gaps()))
                .startsWith("1 part is fitted by nobody: R2 (left to the shop, but");
        assertThat(who.listed()).extracting(p -> p.designator()).containsExactly("J1", "R1", "U1");
    }

    /** Without a netlist the pads and holes under a body tell how it is mounted. */
    @Test
    void withoutNamesThePadsUnderABodyTell() {
        TestBoards t = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        t.box(10, 10, 1, 1.2, 0).box(12, 10, 1, 1.2, 0);
        t.round(20, 10, 1.8)
                .hole(20, 10, 0.8, true)
                .round(30.16, 10, 1.8)
                .hole(30.16, 10, 0.8, true);
        t.listed("R1,1k,0805,", "R2,1k,AX10,", "R3,1k,0805,");
        t.placed("R1,1k,0805,11,10,0,top", "R2,1k,AX10,25.08,10,0,top", "R3,1k,0805,40,25,0,top");
        Assignments who =
                Assignments.of(
                        new BoardGeometry(t.outline(0, 0, 50, 30).board()),
                        ALL,
                        order("both"),
                        PartsPlan.NONE);
        assertThat(who.of("R1").orElseThrow().mounting()).contains(Mounting.SURFACE);
        assertThat(who.of("R2").orElseThrow().mounting()).contains(Mounting.LEADED);
        assertThat(who.of("R3").orElseThrow().mounting()).isEmpty();
    }
}
