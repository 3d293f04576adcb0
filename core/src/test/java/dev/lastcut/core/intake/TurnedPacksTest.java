package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.placement.TurnJudge;
import dev.lastcut.core.placement.Verdict;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every part of a pack drawn elsewhere, told turned in each way it can be. */
class TurnedPacksTest {
    @ParameterizedTest
    @ValueSource(strings = {"p02_extensions_macros", "p08_joined_netlist"})
    void whatIsJudgedIsNamedWhenItIsTurnedAndNothingElse(String name) throws Exception {
        Board board = Intake.open(TruePack.of(name).pack());
        BoardGeometry geometry = new BoardGeometry(board);
        List<Part> clean = Population.of(board, Variants.NONE);
        List<Verdict> before = TurnJudge.of(geometry, clean, Turns.NONE);
        assertThat(before).noneMatch(v -> v.state() == Verdict.State.TURNED);
        List<String> judged = new ArrayList<>();
        for (Verdict v : before) {
            if (v.state() == Verdict.State.RIGHT) {
                judged.add(v.part().designator());
            }
        }
        assertThat(judged.size()).isGreaterThanOrEqualTo(before.size() * 85 / 100);
        List<String> wrong = new ArrayList<>();
        for (String d : judged) {
            for (int told : new int[] {90, 180, 270}) {
                List<Part> parts =
                        clean.stream()
                                .map(p -> p.designator().equals(d) ? turned(p, told) : p)
                                .toList();
                String named = "";
                for (Verdict v : TurnJudge.of(geometry, parts, Turns.NONE)) {
                    if (v.state() == Verdict.State.TURNED) {
                        named += v.part().designator() + " " + v.turnDeg() + ";";
                    }
                }
                if (!named.equals(d + " " + (360.0 - told) + ";")) {
                    wrong.add(d + " told " + told + ": " + named);
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    private static Part turned(Part p, int told) {
        PlacedPart at = p.placed().orElseThrow();
        return new Part(
                p.designator(),
                p.value(),
                p.footprint(),
                p.maker(),
                p.partNumber(),
                p.description(),
                p.listed(),
                p.fitted(),
                Optional.of(
                        new PlacedPart(
                                at.designator(),
                                at.value(),
                                at.footprint(),
                                at.at(),
                                at.rotationDeg() + told,
                                at.side(),
                                at.line())));
    }

    /** A table without its column of sides: the netlist's pads say them, and it is said. */
    @Test
    void sidesThatNobodySaysAreThoseOfThePads() throws Exception {
        TruePack t = TruePack.of("p08_joined_netlist");
        String path = t.pathOf("placement");
        String sided =
                new String(
                        t.pack().files().stream()
                                .filter(f -> f.path().equals(path))
                                .findFirst()
                                .orElseThrow()
                                .content(),
                        StandardCharsets.UTF_8);
        String without = sided.replaceAll("(?m),(Layer|top|bottom)$", "");
        assertThat(without).isNotEqualTo(sided);
        Board was = Intake.open(t.pack());
        Board is = Intake.open(t.with(path, without));
        assertThat(is.placements()).isEqualTo(was.placements());
        assertThat(is.problems())
                .anySatisfy(
                        p -> assertThat(p.text()).contains("says no side", "6 parts", "bottom"));
    }

    /** Without pins' names: a quarter turn is named or left unknown, and nobody else is named. */
    @ParameterizedTest
    @ValueSource(strings = {"p01_extensions_inch", "p05_letters_four"})
    void withoutNamesTheLookTells(String name) throws Exception {
        Board board = Intake.open(TruePack.of(name).pack());
        BoardGeometry geometry = new BoardGeometry(board);
        List<Part> clean = Population.of(board, Variants.NONE);
        int named = 0;
        int asked = 0;
        for (Verdict v : TurnJudge.of(geometry, clean, Turns.NONE)) {
            String d = v.part().designator();
            for (int told : new int[] {90, 270}) {
                List<Part> parts =
                        clean.stream()
                                .map(p -> p.designator().equals(d) ? turned(p, told) : p)
                                .toList();
                for (Verdict now : TurnJudge.of(geometry, parts, Turns.NONE)) {
                    boolean turned = now.state() == Verdict.State.TURNED;
                    assertThat(turned && !now.part().designator().equals(d))
                            .as(now.part().designator() + " while " + d + " is turned")
                            .isFalse();
                    named += turned ? 1 : 0;
                }
                asked += v.state() == Verdict.State.RIGHT ? 1 : 0;
            }
        }
        assertThat(named).isGreaterThan(asked * 3 / 4);
    }
}
