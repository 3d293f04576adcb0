package dev.lastcut.core.intake.reading;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Problem;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.StatedThickness;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class JobFileTest {
    private static final String WHOLE =
            "{\"GeneralSpecs\":{\"Size\":{\"X\":50.5,\"Y\":40},\"LayerNumber\":4,"
                    + "\"BoardThickness\":0.8},\"FilesAttributes\":["
                    + "{\"Path\":\"out\\\\top.gbr\",\"FileFunction\":\"Copper,L1,Top\"},"
                    + "{\"Path\":\"only a path\"},{\"FileFunction\":\"Profile\"}]}";

    private static JobFile read(String text) {
        return JobFile.read("j", text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void sizeLayersThicknessAndFunctions() {
        JobFile j = read(WHOLE);
        assertThat(j.widthMm()).contains(50.5);
        assertThat(j.heightMm()).contains(40.0);
        assertThat(j.layers()).contains(4);
        assertThat(j.thicknessMm()).isEqualTo(OptionalDouble.of(0.8));
        assertThat(j.functions()).containsOnlyKeys("out/top.gbr");
        assertThat(j.problems()).isEmpty();
    }

    @Test
    void aFileIsFoundByItsPathOrItsName() {
        JobFile j = read(WHOLE);
        for (String path : List.of("out/top.gbr", "top.gbr", "elsewhere/top.gbr")) {
            assertThat(JobFile.functionOf(j, path)).as(path).contains("Copper,L1,Top");
        }
        assertThat(JobFile.functionOf(j, "stop.gbr")).isEmpty();
    }

    @Test
    void whatItDoesNotSayIsLeftOpen() {
        JobFile j = read("{\"GeneralSpecs\":7}");
        assertThat(j.widthMm()).isEmpty();
        assertThat(j.heightMm()).isEmpty();
        assertThat(j.layers()).isEmpty();
        assertThat(j.thicknessMm()).isEmpty();
        assertThat(j.functions()).isEmpty();
        assertThat(j.problems()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"FilesAttributes\":[",
                "[1]",
                "{\"FilesAttributes\":7}",
                "{\"FilesAttributes\":[7]}",
                "{\"FilesAttributes\":[{\"Path\":{},\"FileFunction\":\"x\"}]}",
                "{\"GeneralSpecs\":{\"LayerNumber\":\"many\"}}"
            })
    void aDamagedOneSaysSo(String text) {
        assertThat(read(text).problems())
                .singleElement()
                .satisfies(
                        p -> {
                            assertThat(p.code()).isEqualTo(Problem.Code.NOT_READABLE);
                            assertThat(p.text()).startsWith("a Gerber job file that is damaged");
                        });
        assertThat(read(text).functions()).isEmpty();
    }

    @Test
    void theThicknessIsThatOfThePacksJobFile() {
        Pack.PackFile other = new Pack.PackFile("a", "no job".getBytes(StandardCharsets.UTF_8));
        Pack.PackFile job = new Pack.PackFile("b", WHOLE.getBytes(StandardCharsets.UTF_8));
        assertThat(StatedThickness.of(new Pack("p", List.of(other, job))))
                .isEqualTo(OptionalDouble.of(0.8));
        assertThat(StatedThickness.of(new Pack("p", List.of(other)))).isEmpty();
    }

    @Test
    void itIsKnownByItsBeginning() {
        assertThat(JobFile.looksLikeJob(" " + WHOLE)).isTrue();
        assertThat(JobFile.looksLikeJob("x" + WHOLE)).isFalse();
        assertThat(JobFile.looksLikeJob("{\"FilesAttributes\":[]}")).isFalse();
        assertThat(JobFile.looksLikeJob("{\"FileFunction\":[]}")).isFalse();
    }
}
