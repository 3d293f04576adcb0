package dev.lastcut.core.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.catalogue.Shelf;
import dev.lastcut.core.stencil.StencilPlan;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;

/** What is chosen about parts: said in words, and carried to the next revision. */
class PartsOfATicketTest {
    private static final Ticket BLANK = Ticket.BLANK;

    private static Ticket with(Ticket t, UnaryOperator<PartsPlan> change) {
        return t.with(d -> d.parts = change.apply(t.parts()));
    }

    private static Ticket variants(Ticket t, UnaryOperator<Variants> change) {
        return with(t, p -> p.with(change.apply(p.variants())));
    }

    private static String words(Ticket before, Ticket after) {
        return TicketWords.changed(before, after, s -> s);
    }

    private static Map<String, Fitting> off(String... designators) {
        Map<String, Fitting> all = new TreeMap<>();
        for (String d : designators) {
            all.put(d, Fitting.fitted(false));
        }
        return all;
    }

    @Test
    void everyChoiceHasItsWords() {
        Ticket lite = variants(BLANK, v -> v.adding("Lite", Optional.empty()));
        assertThat(words(BLANK, lite)).isEqualTo("variant Lite added");
        assertThat(words(lite, BLANK)).isEqualTo("variant Lite taken away");
        Ticket some = variants(lite, v -> v.with(Optional.of("Lite"), off("R5", "R6", "R7", "C1")));
        assertThat(words(lite, some)).isEqualTo("C1 R5-R7 left off in Lite");
        assertThat(words(some, lite)).isEqualTo("C1 R5-R7 fitted as listed in Lite");
        Ticket built = variants(some, v -> v.building(Optional.of("Lite")));
        assertThat(words(some, built)).isEqualTo("builds variant Lite");
        assertThat(words(built, some)).isEqualTo("builds the base");
        Ticket number =
                variants(BLANK, v -> v.with(Optional.empty(), "U3", Fitting.number("HX-1")));
        assertThat(words(BLANK, number)).isEqualTo("U3 is part HX-1");
        Ticket need = with(BLANK, p -> p.needing("U3", List.of("supplies at least 1 A")));
        assertThat(words(BLANK, need)).isEqualTo("U3 needs supplies at least 1 A");
        assertThat(words(need, BLANK)).isEqualTo("U3 needs nothing");
        Ticket known = with(BLANK, p -> p.knowing(Map.of("A", Shelf.part("A", "0603").get())));
        assertThat(words(BLANK, known)).isEqualTo("1 part asked of the counter anew");
        assertThat(words(BLANK, BLANK.with(d -> d.order = d.order.of(20)))).isEqualTo("20 boards");
        assertThat(
                        words(
                                BLANK,
                                BLANK.with(
                                        d ->
                                                d.stencil =
                                                        StencilPlan.AS_DRAWN.leavingOutUnfitted(
                                                                true))))
                .isEqualTo("no paste for parts left off");
    }

    @Test
    void whatIsGoneFromTheTablesIsLeftOutAndSaid() {
        Board next = new TestBoards().listed("R1,1k,0603", "R2,1k,0603").board();
        Ticket t =
                variants(
                        BLANK,
                        v ->
                                v.adding("Lite", Optional.empty())
                                        .with(Optional.of("Lite"), off("R1", "R8", "R9"))
                                        .with(Optional.empty(), off("R9")));
        Ticket needing = with(t, p -> p.needing("U7", List.of("carries at least 1 A")));
        RevisionCarryOver carried = new RevisionCarryOver(needing, List.of()).onto(next);
        assertThat(carried.left())
                .containsExactly(
                        "What was chosen of R8 R9 U7 is left out: it no longer fits the tables of"
                                + " this revision.");
        assertThat(carried.ticket().parts().variants().named().get("Lite")).containsOnlyKeys("R1");
        assertThat(carried.ticket().parts().variants().base()).isEmpty();
        assertThat(carried.ticket().parts().needs()).isEmpty();
        assertThat(TicketConflict.parts(carried.ticket(), next)).isEmpty();
        assertThat(new RevisionCarryOver(BLANK, List.of()).onto(next).left()).isEmpty();
    }
}
