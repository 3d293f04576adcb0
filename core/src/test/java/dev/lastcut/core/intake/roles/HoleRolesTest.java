package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whether holes are plated, on a board with five holes that have rings. */
class HoleRolesTest {
    private final SmallBoard board = new SmallBoard();
    private final List<SourceFile> copper = new ArrayList<>();

    private void copper(String path, Side side) {
        copper.add(new SourceFile(path, Role.of(Role.Kind.COPPER, side), "", 1, false));
    }

    private void bothSides() {
        copper("copper 1", Side.TOP);
        copper("copper 2", Side.BOTTOM);
    }

    /** So many of the board's holes, and so many where there is no copper. */
    private static String drill(int ringed, int bare) {
        StringBuilder s = new StringBuilder("M48\nMETRIC,TZ,000.000\nT1C0.8\n%\nT1\n");
        for (int i = 0; i < ringed; i++) {
            double[] at = SmallBoard.HOLES;
            s.append("X").append(at[2 * i]).append("Y").append(at[2 * i + 1]).append("\n");
        }
        for (int i = 0; i < bare; i++) {
            s.append("X").append(2.5 + i).append("Y18.5\n");
        }
        return s + "M30\n";
    }

    private SourceFile propose(String path, String drill) {
        board.files.remove("drill");
        board.files.put(path, drill);
        PackFacts facts = board.facts();
        Reading.Drill d = (Reading.Drill) facts.readings().get(path);
        return new HoleRoles(facts, copper).propose(path, d.file());
    }

    /** Silent files: each hole by its copper. */
    @ParameterizedTest
    @CsvSource({
        "5, 0, plated-holes, '5 holes, 5 of them with copper round them'",
        "1, 0, plated-holes, '1 hole, 1 of them with copper round them'",
        "0, 3, unplated-holes, '3 holes, 0 of them with copper round them'",
        "3, 4, mixed-holes, '7 holes, 3 of them with copper round them; nothing states the plating,"
                + " so the 4 without copper are unplated'"
    })
    void theCopperTells(int ringed, int bare, String role, String evidence) {
        bothSides();
        SourceFile f = propose("x", drill(ringed, bare));
        assertThat(f.role().id()).isEqualTo(role);
        assertThat(f.evidence()).isEqualTo(evidence);
        assertThat(f.confidence()).isEqualTo(0.9);
        assertThat(f.doubt()).isEmpty();
        assertThat(f.scale()).isNotEmpty();
    }

    @Test
    void withoutCopperThereIsNothingToHoldThemAgainst() {
        SourceFile f = propose("x", drill(5, 0));
        assertThat(f.role()).isEqualTo(Role.PLATED_HOLES);
        assertThat(f.evidence()).isEqualTo("5 holes; there is no copper to hold them against");
        assertThat(f.confidence()).isEqualTo(0.6);
        assertThat(propose("npth.drl", drill(5, 0)).role()).isEqualTo(Role.UNPLATED_HOLES);
        assertThat(propose("npth.drl", drill(5, 0)).doubt()).isEmpty();
    }

    /** A name is held against the copper: hardly any ring, or nearly all with one. */
    @ParameterizedTest
    @CsvSource({
        "pth.drl, 1, 4, 'its name says plated, but hardly any hole has copper round it'",
        "pth.drl, 2, 3, ''",
        "npth.drl, 4, 1, 'its name says unplated, but its holes have copper round them'",
        "npth.drl, 3, 2, ''"
    })
    void aNameIsHeldAgainstTheCopper(String name, int ringed, int bare, String asked) {
        bothSides();
        SourceFile f = propose(name, drill(ringed, bare));
        boolean plated = name.startsWith("pth");
        assertThat(f.role()).isEqualTo(plated ? Role.PLATED_HOLES : Role.UNPLATED_HOLES);
        assertThat(f.evidence())
                .isEqualTo(
                        "5 holes, %d of them with copper round them; its name says %s",
                        ringed, plated ? "plated" : "unplated");
        assertThat(f.doubt().map(Doubt::text).orElse("")).isEqualTo(asked);
        assertThat(f.confidence()).isEqualTo(asked.isEmpty() ? 0.9 : 0.45);
    }

    /** On a board with one layer, holes of parts have rings and no plating. */
    @Test
    void ringsOnOneLayerAloneAreNoContradiction() {
        copper("copper 1", Side.TOP);
        assertThat(propose("npth.drl", drill(5, 0)).doubt()).isEmpty();
        assertThat(propose("pth.drl", drill(0, 5)).doubt()).isPresent();
    }

    @Test
    void whatTheFileSaysCounts() {
        bothSides();
        String says = "M48\n; #@! TF.FileFunction,NonPlated,1,2,NPTH\n";
        SourceFile f = propose("pth.drl", drill(5, 0).replace("M48\n", says));
        assertThat(f.role()).isEqualTo(Role.UNPLATED_HOLES);
        assertThat(f.evidence()).isEqualTo("5 holes; the file says unplated");
        assertThat(f.confidence()).isEqualTo(0.97);
        String plated = says.replace("NonPlated", "Plated").replace("NPTH", "PTH");
        assertThat(propose("x", drill(0, 2).replace("M48\n", plated)).evidence())
                .isEqualTo("2 holes; the file says plated");
    }

    @Test
    void judgedHolesAreEachByThemselves() {
        bothSides();
        propose("x", drill(2, 2));
        PackFacts facts = board.facts();
        List<Hole> holes = ((Reading.Drill) facts.readings().get("x")).file().holes();
        assertThat(HoleRoles.judged(facts, copper, holes))
                .extracting(Hole::plated)
                .containsExactly(true, true, false, false);
    }
}
