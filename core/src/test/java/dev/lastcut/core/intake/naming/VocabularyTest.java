package dev.lastcut.core.intake.naming;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Role;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The trade's habits of naming (common practice, no source). */
class VocabularyTest {
    private static Hints read(String name) {
        return Vocabulary.read(Words.of(name));
    }

    @ParameterizedTest
    @CsvSource({
        "board-copper-top.gbr, COPPER, TOP",
        "My Board (solder mask bottom).txt, MASK, BOTTOM",
        "hiveSilkTop.gbr, SILK, TOP",
        "outline.gbr, OUTLINE, ",
        "paste_bot.gbr, PASTE, BOTTOM",
        "top and bottom copper.gbr, COPPER, ",
        // joined words, in both cases
        "TopResist.gbr, MASK, TOP",
        "boardoutline.ger, OUTLINE, ",
        "bottomlegend.gbr, SILK, BOTTOM",
        "tmask.gbr, MASK, TOP",
        "bsilk.gbr, SILK, BOTTOM",
        "SolderPasteBottom.art, PASTE, BOTTOM",
        // single letters beside a kind
        "f_tracks.gbr, COPPER, TOP",
        "cream_b.gbr, PASTE, BOTTOM",
        // component and solder side
        "component side.pho, , TOP",
        "solder side copper.pho, COPPER, BOTTOM",
        "board.cmp, COPPER, TOP",
        "board.sol, COPPER, BOTTOM",
        // three letters
        "x.GTL, COPPER, TOP",
        "x.gbl, COPPER, BOTTOM",
        "x.gts, MASK, TOP",
        "x.gbs, MASK, BOTTOM",
        "x.gtp, PASTE, TOP",
        "x.gbp, PASTE, BOTTOM",
        "x.gto, SILK, TOP",
        "x.gbo, SILK, BOTTOM",
        "x.gko, OUTLINE, ",
        "x.gm1, OUTLINE, ",
        "x.stc, MASK, TOP",
        "x.pls, SILK, BOTTOM",
        // short forms
        "SMT.ger, MASK, TOP",
        "SMB.ger, MASK, BOTTOM",
        "SPT.ger, PASTE, TOP",
        "SPB.ger, PASTE, BOTTOM",
        "SST.ger, SILK, TOP",
        "SSB.ger, SILK, BOTTOM",
        "edge.gbr, OUTLINE, ",
        "keep-out.gbr, , ",
        "keepout.gbr, OUTLINE, ",
        "silkscreen_upper.gdo, SILK, TOP",
        "primary overlay.gdo, SILK, TOP",
        "something.gbr, , "
    })
    void kindAndSide(String name, String kind, String side) {
        Hints hints = read(name);
        assertThat(hints.kind().map(Enum::name)).isEqualTo(Optional.ofNullable(kind));
        assertThat(hints.side().map(Enum::name)).isEqualTo(Optional.ofNullable(side));
        // What was understood is shown; what was not, is not.
        assertThat(hints.isNone()).isEqualTo(kind == null && side == null);
        assertThat(hints.words().isBlank()).isEqualTo(hints.isNone());
    }

    @ParameterizedTest
    @CsvSource({
        "x.gtl, gtl",
        "SMT.ger, smt",
        "x.stc, stc",
        "x.cmp, cmp",
        "x.gm1, gm1",
        "in2_tracks, in2 tracks",
        "x.g3l, g3l",
        "inner 2, inner 2",
        "solder side, solder",
        "non plated, non plated",
        "fabrication drawing, fabrication drawing",
        "boardoutline, outline",
        "PTH, pth"
    })
    void theWordsThatToldAreShown(String name, String told) {
        assertThat(read(name).words()).isEqualTo(told);
    }

    @ParameterizedTest
    @CsvSource({
        "topcu, COPPER, TOP, ",
        "copperlayer3, COPPER, , 3",
        "bottomcopperlayer4, COPPER, BOTTOM, 4",
        "fsilkscreen, SILK, TOP, ",
        "topsoldermaskbottom, MASK, , ",
        "toutline, , , ",
        "tplate, , , ",
        "3copper, , , ",
        "maskx, , , "
    })
    void joinedWordsAreSplitOnlyWhereAllOfThemAreKnown(
            String name, String kind, String side, Integer layer) {
        Hints hints = read(name);
        assertThat(hints.kind().map(Enum::name)).isEqualTo(Optional.ofNullable(kind));
        assertThat(hints.side().map(Enum::name)).isEqualTo(Optional.ofNullable(side));
        assertThat(hints.layer()).isEqualTo(Optional.ofNullable(layer));
    }

    @ParameterizedTest
    @CsvSource({
        "inner1.gbr, 1, ",
        "In2_Tracks.gbr, 2, ",
        "inner layer 3.gbr, , 3",
        "x.g1, 1, ",
        "x.gp2, 2, ",
        "x.g3l, , 3",
        "L1_TOP.ger, , 1",
        "L4.ger, , 4",
        "layer 2.art, , 2",
        "mid 1.art, 1, ",
        "gnd plane.gbr, 0, ",
        "power.gbr, 0, "
    })
    void layersOfTheStack(String name, Integer inner, Integer layer) {
        Hints hints = read(name);
        assertThat(hints.kind()).contains(Role.Kind.COPPER);
        assertThat(hints.layer()).isEqualTo(Optional.ofNullable(layer));
        if (inner != null) {
            assertThat(hints.inner()).contains(inner);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "board unplated.drl, false",
        "board-non-plated.drl, false",
        "Drills-NonPlated.xln, false",
        "x-NPTH.DRL, false",
        "board_plated.drl, true",
        "PTH.tap, true",
        "holes.drl, "
    })
    void plating(String name, Boolean plated) {
        Hints hints = read(name);
        assertThat(hints.holes()).isTrue();
        assertThat(hints.plated()).isEqualTo(Optional.ofNullable(plated));
        assertThat(hints.kind()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"fabrication drawing.gbr", "top assembly.gbr", "courtyard_f.gbr", "notes.gbr"})
    void drawingsAreNoPictures(String name) {
        assertThat(read(name).drawing()).isPresent();
    }

    @Test
    void tables() {
        assertThat(read("my bom.csv").table()).contains(Role.Kind.PARTS_LIST);
        assertThat(read("pick_and_place.txt").table()).contains(Role.Kind.PLACEMENT);
        assertThat(read("board.ipc").table()).contains(Role.Kind.NETLIST);
    }

    @Test
    void theBoardsNameTellsNothing() {
        Map<String, List<String>> names = new HashMap<>();
        for (String n : List.of("bottom_hive.gtl", "bottom_hive.gbl", "bottom_hive.gts")) {
            names.put(n, Words.of(n));
        }
        Map<String, List<String>> left = Words.withoutCommonStart(names);
        assertThat(left.get("bottom_hive.gtl")).containsExactly("gtl");
        assertThat(Vocabulary.read(left.get("bottom_hive.gtl")).side()).isPresent();
    }

    @Test
    void aSideThatMostFilesShareIsNoName() {
        Map<String, List<String>> names = new HashMap<>();
        for (String n : List.of("top copper", "top mask", "top silk", "outline")) {
            names.put(n, Words.of(n));
        }
        assertThat(Words.withoutCommonStart(names).get("top mask")).containsExactly("top", "mask");
    }

    @Test
    void whatAllCommentsSayTellsNothing() {
        Map<String, List<String>> said = new HashMap<>();
        for (String n : List.of("a", "b", "c", "d")) {
            said.put(n, List.of("top", "hat", n.equals("a") ? "bottom" : "mask" + n));
        }
        assertThat(Words.withoutWhatAllSay(said).get("a")).containsExactly("bottom");
    }

    private static Map<String, List<String>> named(String... names) {
        Map<String, List<String>> all = new HashMap<>();
        for (String n : names) {
            all.put(n, Words.of(n));
        }
        return all;
    }

    @Test
    void aNameIsWhatSixtyPerCentBeginWith() {
        assertThat(Words.withoutCommonStart(named("hive a1", "hive a2", "hive a3", "x1", "x2")))
                .containsEntry("hive a1", List.of("a1"))
                .containsEntry("x1", List.of("x1"));
        assertThat(
                        Words.withoutCommonStart(
                                named("hive a1", "hive a2", "hive a3", "x1", "x2", "x3")))
                .containsEntry("hive a1", List.of("hive", "a1"));
        assertThat(Words.withoutCommonStart(named("hive a1", "hive a2")))
                .containsEntry("hive a1", List.of("hive", "a1"));
        // Nothing is left with no word at all.
        assertThat(Words.withoutCommonStart(named("hive", "hive a2", "hive a3", "hive a4")))
                .containsEntry("hive", List.of("hive"))
                .containsEntry("hive a2", List.of("a2"));
    }

    @Test
    void aNameThatTellsSomethingMustLeaveMoreThatTells() {
        assertThat(Words.withoutCommonStart(named("top gtl", "top gbl", "top gts", "top drl")))
                .containsEntry("top gtl", List.of("gtl"));
        assertThat(Words.withoutCommonStart(named("top copper", "top mask", "top silk")))
                .containsEntry("top mask", List.of("top", "mask"));
        assertThat(
                        Words.withoutCommonStart(
                                named(
                                        "hive panel gtl",
                                        "hive panel gbl",
                                        "hive panel gts",
                                        "logo")))
                .containsEntry("hive panel gtl", List.of("gtl"));
    }

    @Test
    void whatEightyPerCentOfFourOrMoreSayTellsNothing() {
        assertThat(Words.withoutWhatAllSay(named("top a", "top b", "top c", "top d", "e")))
                .containsEntry("top a", List.of("a"));
        assertThat(Words.withoutWhatAllSay(named("top a", "top b", "top c", "d")))
                .containsEntry("top a", List.of("top", "a"));
        assertThat(Words.withoutWhatAllSay(named("top a", "top b", "top c")))
                .containsEntry("top a", List.of("top", "a"));
    }
}
