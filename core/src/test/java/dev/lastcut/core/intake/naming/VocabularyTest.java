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
        "f_cu.gbr, COPPER, TOP",
        "b_paste.gbr, PASTE, BOTTOM",
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
    }

    @ParameterizedTest
    @CsvSource({
        "inner1.gbr, 1, ",
        "In2_Cu.gbr, 2, ",
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
}
