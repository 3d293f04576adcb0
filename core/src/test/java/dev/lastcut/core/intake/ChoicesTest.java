package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.geometry.Pt;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What the user decided, by file. */
class ChoicesTest {
    private static final Correction MOVED = new Correction(false, 0, 1, Pt.mm(1, 2));

    private static Choices some() {
        return new Choices(
                Map.of("a", Role.OUTLINE),
                Map.of("b", MOVED),
                Map.of("c", DrillFormat.ALL.get(0)),
                Map.of("d", 25.4e6));
    }

    @Test
    void everyFileThatSomethingWasDecidedAbout() {
        assertThat(some().paths()).containsExactly("a", "b", "c", "d");
        assertThat(Choices.NONE.paths()).isEmpty();
    }

    @Test
    void aChoiceIsTakenAndTakenBack() {
        Choices c =
                some().withRole("x", Optional.of(Role.NETLIST))
                        .withCorrection("a", Optional.of(MOVED));
        assertThat(c.roles()).containsEntry("x", Role.NETLIST).containsEntry("a", Role.OUTLINE);
        assertThat(c.corrections()).containsEntry("a", MOVED).containsEntry("b", MOVED);
        assertThat(c.formats()).isEqualTo(some().formats());
        assertThat(c.unitsNm()).isEqualTo(some().unitsNm());
        Choices back = c.withRole("x", Optional.empty()).withCorrection("a", Optional.empty());
        assertThat(back).isEqualTo(some());
    }

    @Test
    void whatWasDecidedGoesWithTheFileToItsNewName() {
        Choices c = some().renamed(Map.of("a", "1", "b", "2", "d", "4"));
        assertThat(c.paths()).containsExactly("1", "2", "4");
        assertThat(c.roles()).containsEntry("1", Role.OUTLINE);
        assertThat(c.corrections()).containsEntry("2", MOVED);
        assertThat(c.unitsNm()).containsEntry("4", 25.4e6);
    }
}
