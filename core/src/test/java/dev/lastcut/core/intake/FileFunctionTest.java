package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** File functions after the Gerber Layer Format Specification; names in plain words. */
class FileFunctionTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Copper,L1,Top | copper-top",
                "Copper,L1,Top,Signal | copper-top",
                "Copper,L2,Inr | copper-inner-1",
                "Copper,L3,Inr,Plane | copper-inner-2",
                "Copper,L4,Bot | copper-bottom",
                "Soldermask,Top | mask-top",
                "Soldermask,Bot,1 | mask-bottom",
                "Paste,Top | paste-top",
                "Legend,Bot | silk-bottom",
                "Profile,NP | outline",
                "Plated,1,2,PTH | plated-holes",
                "NonPlated,1,2,NPTH,Drill | unplated-holes"
            })
    void everyFunctionHasItsRole(String value, String role) {
        assertThat(FileFunction.role(value.strip()).map(r -> r.id())).contains(role.strip());
    }

    @Test
    void whatHasNoRoleStaysWithout() {
        for (String value :
                new String[] {
                    "", "Other,Notes", "Copper", "Copper,L1,Middle", "Legend", "AssemblyDrawing,Top"
                }) {
            assertThat(FileFunction.role(value)).as(value).isEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "board-copper-top.gbr, COPPER, TOP",
        "My Board (solder mask bottom).txt, MASK, BOTTOM",
        "hiveSilkTop.gbr, SILK, TOP",
        "outline.gbr, OUTLINE, ",
        "paste_bot.gbr, PASTE, BOTTOM",
        "top and bottom copper.gbr, COPPER, "
    })
    void namesInPlainWords(String name, String kind, String side) {
        NameHints hints = NameHints.of(name);
        assertThat(hints.kind().map(Enum::name)).contains(kind);
        assertThat(hints.side().map(Enum::name)).isEqualTo(Optional.ofNullable(side));
    }

    @Test
    void platingInPlainWords() {
        assertThat(NameHints.of("board unplated.drl").plated()).contains(false);
        assertThat(NameHints.of("board-non-plated.drl").plated()).contains(false);
        assertThat(NameHints.of("board_plated.drl").plated()).contains(true);
        assertThat(NameHints.of("holes.drl").plated()).isEmpty();
    }
}
