package dev.lastcut.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketConflict;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PopulationTest {
    private static final Board BOARD =
            new TestBoards()
                    .listed(
                            "R1,10k,0603,HX-10K,yes",
                            "R2,10k,0603,HX-10K,yes",
                            "U1,REG,SOT223,HX-REG,yes",
                            "J1,HDR,HDR6,,no")
                    .placed(
                            "R1,10k,0603,1,1,0,top",
                            "R2,10k,0603,2,1,0,top",
                            "U1,REG,SOT223,5,5,0,top",
                            "U1,REG,SOT23,5,5.5,90,top",
                            "J1,HDR,HDR6,9,9,0,top")
                    .board();

    private static Part part(Variants v, String name) {
        return Population.of(BOARD, v).stream()
                .filter(p -> p.designator().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aVariantSaysOnlyWhatIsOther() {
        Variants v =
                Variants.NONE
                        .with(Optional.empty(), "R1", Fitting.number("HX-BASE"))
                        .adding("Lite", Optional.empty())
                        .with(Optional.of("Lite"), "R2", Fitting.fitted(false))
                        .building(Optional.of("Lite"));
        assertThat(part(v, "R1").partNumber()).isEqualTo("HX-BASE");
        assertThat(part(v, "R2").fitted()).isFalse();
        assertThat(part(v.building(Optional.empty()), "R2").fitted()).isTrue();
        assertThat(part(v, "J1").fitted()).isFalse();
        Variants again = v.with(Optional.of("Lite"), "J1", Fitting.fitted(true));
        assertThat(part(again, "J1").fitted()).isTrue();
    }

    @Test
    void theOtherFootprintGoesWhereItIsOnTheBoard() {
        assertThat(part(Variants.NONE, "U1").placed().orElseThrow().rotationDeg()).isZero();
        Fitting small =
                new Fitting(
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of("HX-SMALL"),
                        Optional.of("SOT23"));
        Part u1 = part(Variants.NONE.with(Optional.empty(), "U1", small), "U1");
        assertThat(u1.placed().orElseThrow().at()).isEqualTo(Pt.mm(5, 5.5));
        assertThat(u1.placed().orElseThrow().rotationDeg()).isEqualTo(90);
        assertThat(u1.footprint()).isEqualTo("SOT23");
    }

    @Test
    void anotherValueIsAnotherPart() {
        Fitting value =
                new Fitting(
                        Optional.empty(), Optional.of("22k"), Optional.empty(), Optional.empty());
        Part r1 = part(Variants.NONE.with(Optional.empty(), "R1", value), "R1");
        assertThat(r1.value()).isEqualTo("22k");
        assertThat(r1.partNumber()).isEmpty();
    }

    @Test
    void whatNamesAPartThatIsNotThereIsToldByItsPath() {
        Fitting odd =
                new Fitting(
                        Optional.empty(), Optional.empty(), Optional.empty(), Optional.of("SOT89"));
        Variants v =
                Variants.NONE
                        .adding("v1.2", Optional.empty())
                        .with(Optional.of("v1.2"), Map.of("Q9", Fitting.fitted(false), "U1", odd));
        Ticket t = Ticket.BLANK.with(d -> d.parts = PartsPlan.NONE.with(v));
        assertThat(TicketConflict.parts(t, BOARD))
                .extracting(TicketConflict::sentence)
                .containsExactly(
                        "variants.v1.2.Q9: the pack's tables have no such part",
                        "variants.v1.2.U1.footprint: the board has no footprint SOT89 for it; it"
                                + " has SOT223, SOT23");
        assertThat(v.without(Set.of("Q9", "U1")).named().get("v1.2")).isEmpty();
        assertThatThrownBy(() -> v.building(Optional.of("Nope")))
                .hasMessageContaining("There is no variant Nope; there are v1.2");
        assertThatThrownBy(() -> v.adding(" ", Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
