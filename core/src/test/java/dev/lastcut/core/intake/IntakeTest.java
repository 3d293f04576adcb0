package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class IntakeTest {
    private static final String HEAD =
            "%FSLAX46Y46*%%MOMM*%%ADD10C,1.5*%%ADD11C,0.3*%%ADD12C,0.1*%";
    private static final String COPPER =
            HEAD
                    + "D10*X2000000Y2000000D03*X8000000Y2000000D03*D11*X2000000Y2000000D02*"
                    + "X8000000D01*X8000000Y4000000D01*X2000000D01*M02*";
    private static final String MASK = HEAD + "D10*X2000000Y2000000D03*X8000000Y2000000D03*M02*";
    private static final String SILK =
            HEAD
                    + "D12*X1000000Y5000000D02*X3000000D01*Y6000000D01*X1000000Y7000000D02*X3000000D01*M02*";
    private static final String OUTLINE =
            HEAD + "D12*X0Y0D02*X10000000D01*Y8000000D01*X0D01*Y0D01*M02*";
    private static final String DRILL = "M48\nMETRIC\nT1C0.8\n%\nT1\nX2.0Y2.0\nX8.0Y2.0\nM30\n";

    private static Board open(Map<String, String> files, Map<String, Role> chosen)
            throws UnusablePackException {
        List<Pack.PackFile> list = new ArrayList<>();
        files.forEach(
                (path, text) ->
                        list.add(new Pack.PackFile(path, text.getBytes(StandardCharsets.UTF_8))));
        return Intake.open(new Pack("test", list), Choices.roles(chosen));
    }

    private static Map<String, String> roles(Board board) {
        return board.files().stream()
                .collect(Collectors.toMap(SourceFile::path, f -> f.role().id()));
    }

    @Test
    void rolesComeFromContentWhenNamesSayNothing() throws Exception {
        Board board =
                open(
                        Map.of(
                                "1.txt", COPPER, "2.txt", MASK, "3.txt", SILK, "4.txt", OUTLINE,
                                "5.txt", DRILL),
                        Map.of());
        assertThat(roles(board))
                .containsEntry("1.txt", "copper-top")
                .containsEntry("2.txt", "mask-top")
                .containsEntry("3.txt", "silk-top")
                .containsEntry("4.txt", "outline")
                .containsEntry("5.txt", "plated-holes");
        Map<String, SourceFile> files =
                board.files().stream()
                        .collect(Collectors.toMap(SourceFile::path, Function.identity()));
        // Nothing tells the side: that must be said, not pretended.
        assertThat(files.get("1.txt").doubt().orElseThrow().kind()).isEqualTo(Doubt.Kind.SIDE);
        assertThat(files.get("1.txt").evidence()).contains("nothing tells the side");
    }

    @Test
    void nameAgainstContentIsDoubted() throws Exception {
        Board board = open(Map.of("mask top.gbr", COPPER, "holes.drl", DRILL), Map.of());
        SourceFile f =
                board.files().stream()
                        .filter(x -> x.path().startsWith("mask"))
                        .findFirst()
                        .orElseThrow();
        assertThat(f.role()).isEqualTo(Role.of(Role.Kind.COPPER, Side.TOP));
        assertThat(f.against()).contains("its name says mask");
        // One of both is wrong, and the user must say which.
        assertThat(f.doubt().orElseThrow().text()).contains("mask top").contains("copper top");
    }

    @Test
    void theUsersWordWins() throws Exception {
        Board board =
                open(
                        Map.of("a.gbr", COPPER, "b.drl", DRILL),
                        Map.of(
                                "a.gbr",
                                Role.of(Role.Kind.COPPER, Side.BOTTOM),
                                "b.drl",
                                Role.UNPLATED_HOLES));
        assertThat(roles(board)).containsEntry("a.gbr", "copper-bottom");
        assertThat(board.holes()).allMatch(h -> !h.plated());
    }

    @Test
    void twoFilesForOneRoleAreSaid() throws Exception {
        String older = COPPER.replace("X8000000Y4000000D01*", "X8000000Y5000000D01*");
        Board board =
                open(
                        Map.of(
                                "copper top.gbr",
                                COPPER,
                                "copper top old.gbr",
                                older,
                                "d.drl",
                                DRILL),
                        Map.of());
        assertThat(board.copper()).hasSize(1);
        assertThat(board.files())
                .filteredOn(f -> f.doubt().isPresent())
                .extracting(f -> f.doubt().get().kind())
                .containsExactly(Doubt.Kind.VERSION, Doubt.Kind.VERSION);
    }

    @Test
    void aCopyOfAFileIsNoPartOfTheBoard() throws Exception {
        Board board =
                open(
                        Map.of(
                                "copper top.gbr",
                                COPPER,
                                "copper top old.gbr",
                                COPPER,
                                "d.drl",
                                DRILL),
                        Map.of());
        assertThat(roles(board).values())
                .containsExactlyInAnyOrder("copper-top", "not-part", "plated-holes");
        assertThat(board.problems())
                .extracting(Problem::code)
                .contains(Problem.Code.DUPLICATE_FILE);
    }

    @Test
    void aDrillFormatThatIsNotStatedIsTakenFromThePads() throws Exception {
        String inch = "T1C0.0315\nX000787Y000787\nX003150Y000787\nM30\n";
        Board board = open(Map.of("c.gbr", COPPER, "d.drl", inch), Map.of());
        assertThat(board.holes().get(0).from().distance(Pt.mm(2, 2))).isLessThan(2_000);
        assertThat(board.problems())
                .extracting(Problem::code)
                .contains(Problem.Code.FORMAT_GUESSED);
    }

    @Test
    void aTextCalledGerberIsKeptListedAndNotUsed() throws Exception {
        Board board =
                open(Map.of("c.gbr", COPPER, "letter.gbr", "Dear shop,\nten please.\n"), Map.of());
        assertThat(roles(board)).containsEntry("letter.gbr", "unknown");
        assertThat(board.problems()).anyMatch(p -> p.file().equals("letter.gbr"));
        assertThat(board.files())
                .filteredOn(f -> f.path().equals("letter.gbr"))
                .allMatch(f -> f.doubt().isPresent());
    }

    @Test
    void aPackWithoutAnyBoardIsRefused() {
        assertThatThrownBy(
                        () ->
                                open(
                                        Map.of(
                                                "readme.txt",
                                                "hello",
                                                "parts.csv",
                                                "Ref,Value\nR1,1k\n"),
                                        Map.of()))
                .isInstanceOf(UnusablePackException.class)
                .hasMessageContaining("no Gerber or drill file");
    }
}
