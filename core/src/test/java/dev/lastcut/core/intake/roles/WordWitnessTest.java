package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.intake.reading.Reading;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What names, folders and comments are worth, role by role. */
class WordWitnessTest {
    private static final String PICTURE =
            "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,1*%\nD10*\nX0Y0D03*\nX5000000Y5000000D03*\nM02*\n";

    private static Testimony heard(WordWitness.Source source, List<String> paths, String remark) {
        Map<String, Reading> readings = new LinkedHashMap<>();
        String text = remark.isEmpty() ? PICTURE : "G04 " + remark + "*\n" + PICTURE;
        paths.forEach(p -> readings.put(p, Reading.of(p, text.getBytes(StandardCharsets.UTF_8))));
        Testimony t = new Testimony();
        new WordWitness(source).testify(new PackFacts(readings), t);
        return t;
    }

    private static Testimony named(String... paths) {
        return heard(WordWitness.Source.NAME, List.of(paths), "");
    }

    private static double weight(Testimony t, String path, String role) {
        return t.weight(path, Role.parse(role).orElseThrow());
    }

    /** By name: 4 bits for what it says; half as many against another kind, thrice another side. */
    @ParameterizedTest
    @CsvSource({
        "copper, copper-top, 4",
        "copper, copper-inner-1, 4",
        "copper, mask-bottom, -2",
        "copper, outline, -2",
        "copper, not-part, -2",
        "copper, plated-holes, -4",
        "copper, netlist, 0",
        "top, silk-top, 4",
        "top, silk-bottom, -12",
        "top, copper-inner-3, -4",
        "top, outline, 0",
        "top, not-part, 0",
        "bottom mask, mask-bottom, 8",
        "bottom mask, mask-top, -8",
        "bottom mask, paste-bottom, 2",
        "drawing, not-part, 4",
        "drawing, silk-top, -2",
        "drawing, plated-holes, -4",
        "mask drawing, not-part, 4",
        "mask drawing, mask-top, 2",
        "mask drawing, silk-top, -4",
        "inner2, copper-inner-2, 10",
        "inner2, copper-inner-1, 2",
        "inner2, copper-top, 0",
        "inner2, mask-top, -2",
        "inner, copper-inner-7, 8",
        "inner, copper-bottom, 0",
        "layer1, copper-top, 8",
        "layer1, copper-inner-1, 0",
        "layer1, copper-bottom, 0",
        "drill, plated-holes, 4",
        "drill, unplated-holes, 4",
        "drill, copper-top, -2",
        "drill, not-part, 0",
        "pth, plated-holes, 4",
        "pth, unplated-holes, -4",
        "npth, plated-holes, -4",
        "npth, unplated-holes, 4",
        "drill map, plated-holes, -4",
        "drill map, not-part, 4",
        "drill map, outline, -4"
    })
    void aNameIsWorth(String name, String role, double bits) {
        String path = name + ".gbr";
        Testimony t = named(path);
        assertThat(weight(t, path, role)).isEqualTo(bits);
    }

    /** The highest number is the bottom, unless sides are written out beside the numbers. */
    @Test
    void numbersOfLayersAreCountedFromTheTop() {
        Testimony t = named("1/layer1.g", "2/layer2.g", "3/layer3.g", "4/layer4.g");
        assertThat(weight(t, "1/layer1.g", "copper-top")).isEqualTo(8);
        assertThat(weight(t, "2/layer2.g", "copper-inner-1")).isEqualTo(8);
        assertThat(weight(t, "2/layer2.g", "copper-inner-2")).isEqualTo(2);
        assertThat(weight(t, "2/layer2.g", "copper-top")).isZero();
        assertThat(weight(t, "2/layer2.g", "copper-bottom")).isZero();
        assertThat(weight(t, "4/layer4.g", "copper-bottom")).isEqualTo(8);
        assertThat(weight(t, "4/layer4.g", "copper-inner-3")).isEqualTo(8);
        assertThat(weight(t, "4/layer4.g", "copper-top")).isZero();

        Testimony s = named("1/layer1 top.g", "2/layer4 bottom.g", "3/layer5.g");
        assertThat(weight(s, "2/layer4 bottom.g", "copper-bottom")).isEqualTo(12);
        // Said of the layer and of the side: 4 for copper, nothing for the number, −12 for the
        // side.
        assertThat(weight(s, "2/layer4 bottom.g", "copper-top")).isEqualTo(-8);
        assertThat(weight(s, "3/layer5.g", "copper-bottom")).isZero();
    }

    @Test
    void foldersAndCommentsSayTheSameWithOtherWeights() {
        List<String> two = List.of("mask/x.g", "silk top/y.g");
        Testimony folder = heard(WordWitness.Source.FOLDER, two, "");
        assertThat(weight(folder, "mask/x.g", "mask-top")).isEqualTo(1.5);
        assertThat(weight(folder, "silk top/y.g", "silk-bottom")).isEqualTo(-3);
        Testimony alone = heard(WordWitness.Source.FOLDER, List.of("mask/x.g"), "");
        assertThat(weight(alone, "mask/x.g", "mask-top")).as("all in one").isZero();
        Testimony remark = heard(WordWitness.Source.REMARK, List.of("x.g"), "Inner layer 2");
        assertThat(weight(remark, "x.g", "copper-top")).isNotPositive();
        assertThat(weight(remark, "x.g", "copper-inner-1")).isGreaterThan(5);
    }

    @ParameterizedTest
    @CsvSource({
        "inner2, copper-inner-2, its name says inner 2",
        "inner, copper-inner-2, its name says inner",
        "layer1, copper-top, its name says layer 1",
        "drill, plated-holes, its name says holes",
        "drawing, not-part, its name says “drawing”",
        "paste, paste-top, its name says paste"
    })
    void whatItSaysIsSaidInWords(String name, String role, String words) {
        String path = name + ".gbr";
        Testimony t = named(path);
        assertThat(t.speaksFor(path, Role.parse(role).orElseThrow())).containsExactly(words);
    }
}
