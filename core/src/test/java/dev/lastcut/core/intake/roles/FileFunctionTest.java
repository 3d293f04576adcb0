package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;

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
}
