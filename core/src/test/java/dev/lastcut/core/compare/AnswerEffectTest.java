package dev.lastcut.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.TruePack;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The effect of an answer is what the board with it has and the one without it has not. */
class AnswerEffectTest {
    private final TruePack pack;
    private final Board board;

    AnswerEffectTest() throws Exception {
        pack = TruePack.of("p17_borrfil");
        board = Intake.open(pack.pack());
    }

    private String of(Role role) {
        return board.files().stream()
                .filter(f -> f.role().equals(role))
                .map(SourceFile::path)
                .findFirst()
                .orElseThrow();
    }

    private List<String> effect(Map<String, Role> answer) throws Exception {
        Board after = Intake.open(pack.pack(), Choices.roles(answer));
        return AnswerEffect.of(board, after, answer.keySet());
    }

    @Test
    void whatIsLostIsCounted() throws Exception {
        String drill = of(Role.MIXED_HOLES);
        assertThat(effect(Map.of(drill, Role.NOT_PART)))
                .contains("0 holes instead of " + board.holes().size() + ".");
        assertThat(effect(Map.of(of(Role.PLACEMENT), Role.NOT_PART)))
                .anyMatch(s -> s.startsWith("0 placed parts instead of "));
        assertThat(effect(Map.of(of(Role.parse("mask-top").orElseThrow()), Role.NOT_PART)))
                .contains("The board has no mask top.");
    }

    /** Files that trade places, and parts that go with the pads of their side. */
    @Test
    void sidesTurnedRound() throws Exception {
        Map<String, Role> answer = new HashMap<>();
        for (SourceFile f : board.files()) {
            String id = f.role().id();
            String other =
                    id.endsWith("-top")
                            ? id.replace("-top", "-bottom")
                            : id.replace("-bottom", "-top");
            if (!other.equals(id)) {
                answer.put(f.path(), Role.parse(other).orElseThrow());
            }
        }
        List<String> says = effect(answer);
        String top = of(Role.parse("copper-top").orElseThrow());
        assertThat(says)
                .contains("Copper bottom comes from " + top + ", not ledare undersida.pho.");
    }

    /** The layer beneath the top carries its return currents: it is named, and how full it is. */
    @Test
    void innerLayersThatTradePlaces() throws Exception {
        TruePack four = TruePack.of("p14_lagen");
        Board as = Intake.open(four.pack());
        String plane = as.layer(Role.innerCopper(1)).orElseThrow().file();
        String power = as.layer(Role.innerCopper(4)).orElseThrow().file();
        Map<String, Role> swapped = Map.of(plane, Role.innerCopper(4), power, Role.innerCopper(1));
        Board then = Intake.open(four.pack(), Choices.roles(swapped));
        List<String> says = AnswerEffect.of(as, then, swapped.keySet());
        assertThat(says)
                .anyMatch(s -> s.matches("Next to the top copper lies voedingsvlak .* % copper\\."))
                .anyMatch(
                        s -> s.matches("Next to the bottom copper lies massavlak .* % copper\\."));
        assertThat(says).noneMatch(s -> s.contains("nstead of"));
    }

    @Test
    void anAnswerThatConfirmsChangesNothing() throws Exception {
        String mask = of(Role.parse("mask-top").orElseThrow());
        assertThat(AnswerEffect.of(board, Intake.open(pack.pack()), Set.of(mask)))
                .containsExactly("The board stays as it is shown.", "No file is in doubt then.");
    }
}
