package dev.lastcut.core.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.HeightZone;
import dev.lastcut.core.assembly.Heights;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.stencil.HomePlate;
import dev.lastcut.core.stencil.Panes;
import dev.lastcut.core.stencil.Shaping;
import dev.lastcut.core.stencil.StencilPlan;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** What is chosen of placement and stencil: in words, held against the board, carried over. */
class PlacingWordsTest {
    private static Ticket with(PartsPlan plan) {
        return Ticket.BLANK.with(d -> d.parts = plan);
    }

    private static Ticket with(StencilPlan plan) {
        return Ticket.BLANK.with(d -> d.stencil = plan);
    }

    private static String words(Ticket before, Ticket after) {
        return TicketWords.changed(before, after, id -> id);
    }

    @Test
    void turnsAndHandsInWords() {
        Ticket turned =
                with(PartsPlan.NONE.with(Turns.NONE.ofPackage("SO8", 90).ofPart("U1", 180)));
        assertThat(words(Ticket.BLANK, turned)).isEqualTo("SO8 turned by 90°; U1 turned by 180°");
        assertThat(words(turned, Ticket.BLANK)).isEqualTo("SO8 not turned; U1 not turned");
        ByHand hand =
                ByHand.NONE
                        .ofPackage("JACK", true)
                        .ofSide(Side.BOTTOM, true)
                        .ofPart("J1", Optional.of(true))
                        .ofPart("J2", Optional.of(true));
        assertThat(words(Ticket.BLANK, with(PartsPlan.NONE.with(hand))))
                .isEqualTo("JACK by hand; the bottom by hand; J1 J2 by hand");
        HeightZone lid = new HeightZone("the lid", Side.TOP, 4.5, List.of());
        Ticket under = with(PartsPlan.NONE.with(new Heights(List.of(lid), new TreeMap<>())));
        assertThat(words(Ticket.BLANK, under)).contains("top at most 4.500 mm high under the lid");
        assertThat(words(under, Ticket.BLANK)).contains("no height zone the lid");
        Ticket looked = with(PartsPlan.NONE.lookedAt("SO8, top", "U1 0.0").noting("U1", "mind"));
        assertThat(words(Ticket.BLANK, looked))
                .contains("looked at every SO8, top")
                .contains("note to U1");
    }

    @Test
    void theStencilInWords() {
        Shaping all =
                new Shaping(
                        Optional.of(0.05),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of(new Panes(6, 0.3, 70)),
                        Optional.empty());
        Shaping plate =
                new Shaping(
                        Optional.empty(),
                        Optional.of(12.5),
                        Optional.of(0.1),
                        Optional.empty(),
                        Optional.of(new HomePlate(new TreeSet<>(), 0.3)));
        StencilPlan plan =
                new StencilPlan(
                        Optional.of(0.1),
                        all,
                        new TreeMap<>(Map.of("0603", plate)),
                        false,
                        StencilPlan.Mounting.FOIL);
        assertThat(words(Ticket.BLANK, with(plan)))
                .contains("foil 0.1 mm", "openings 0.05 mm smaller all round", "in panes")
                .contains("and 3 more");
        StencilPlan held =
                new StencilPlan(
                        Optional.empty(),
                        Shaping.AS_DRAWN,
                        new TreeMap<>(),
                        false,
                        new StencilPlan.Mounting(true, 3));
        assertThat(words(Ticket.BLANK, with(held)))
                .isEqualTo("stencil in a frame; alignment holes 3 mm");
        assertThat(words(with(held), Ticket.BLANK))
                .isEqualTo("stencil as a foil; no alignment holes");
    }

    @Test
    void namesThatTheBoardDoesNotHaveAreToldByTheirPath() {
        Board board = new TestBoards().placed("U1,A,SO8,1,1,0,top").board();
        PartsPlan plan =
                PartsPlan.NONE
                        .with(
                                Turns.NONE
                                        .ofPackage("SO16", 90)
                                        .ofPackage("SOIC8", 90)
                                        .ofPart("U9", 1))
                        .with(ByHand.NONE.ofPackage("QFN", true).ofPart("U1", Optional.of(true)))
                        .noting("U7", "x");
        Ticket t =
                with(plan)
                        .with(
                                d ->
                                        d.stencil =
                                                new StencilPlan(
                                                        Optional.empty(),
                                                        Shaping.AS_DRAWN,
                                                        new TreeMap<>(
                                                                Map.of("BGA", Shaping.AS_DRAWN)),
                                                        false,
                                                        StencilPlan.Mounting.FOIL));
        assertThat(TicketConflict.parts(t, board))
                .extracting(TicketConflict::part)
                .containsExactlyInAnyOrder(
                        "turns.packages.SO16",
                        "turns.parts.U9",
                        "by_hand.packages.QFN",
                        "stencil.packages.BGA",
                        "notes.U7");
        // The next revision keeps what fits.
        Ticket carried =
                RevisionCarryOver.over(t, new Pack("next", List.of())).onto(board).ticket();
        assertThat(carried.parts().turns().parts()).isEmpty();
        assertThat(carried.parts().notes()).isEmpty();
        assertThat(carried.parts().byHand().parts()).containsOnlyKeys("U1");
    }
}
