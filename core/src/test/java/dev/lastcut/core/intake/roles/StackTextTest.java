package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.TruePack;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The order of copper layers whose names say nothing, from a text that lists them. */
class StackTextTest {
    private static final Map<String, String> NAMES =
            Map.of(
                    "copper-top", "heron",
                    "copper-inner-1", "egret",
                    "copper-inner-2", "bittern",
                    "copper-bottom", "crane");

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Stack-up\n1. heron, signals, 35 um\ncore 0.2 mm\n2. egret: ground\ncore 1.0 mm\n"
                        + "3. bittern: supply\n4. crane, signals\n",
                "top to bottom\r\nHERON.gbr\r\nEGRET.gbr\r\nBITTERN.gbr\r\nCRANE.gbr\r\n"
            })
    void ordersTheInnerLayers(String text) throws Exception {
        assertThat(inner(text)).containsExactly("egret.gbr", "bittern.gbr");
        String other =
                text.replaceAll("(?i)egret", "x-y")
                        .replaceAll("(?i)bittern", "egret")
                        .replace("x-y", "bittern");
        assertThat(inner(other)).containsExactly("bittern.gbr", "egret.gbr");
    }

    /** Without the text, or with one that names a file twice, the order is asked. */
    @ParameterizedTest
    @ValueSource(strings = {"nothing of the kind", "heron\negret\nbittern\negret\ncrane\n"})
    void isAskedOtherwise(String text) throws Exception {
        assertThat(inner(text)).contains("asked");
    }

    private static List<String> inner(String text) throws Exception {
        Pack pack = TruePack.of("p05_letters_four").pack();
        Map<String, String> roles = new TreeMap<>();
        Intake.open(pack).files().forEach(f -> roles.put(f.path(), f.role().id()));
        List<Pack.PackFile> files = new ArrayList<>();
        for (Pack.PackFile f : pack.files()) {
            String name = NAMES.get(roles.get(f.path()));
            if (roles.get(f.path()).equals("netlist")) {
                continue;
            }
            // A comment in each file says what it is.
            String silent =
                    new String(f.content(), StandardCharsets.ISO_8859_1)
                            .replaceAll("(?m)^G04.*", "G04*");
            byte[] content = silent.getBytes(StandardCharsets.ISO_8859_1);
            files.add(name == null ? f : new Pack.PackFile(name + ".gbr", content));
        }
        files.add(new Pack.PackFile("layers.txt", text.getBytes(StandardCharsets.UTF_8)));
        Board board = Intake.open(new Pack("birds", files));
        List<String> all = new ArrayList<>();
        for (String id : List.of("copper-inner-1", "copper-inner-2")) {
            board.files().stream()
                    .filter(f -> f.role().id().equals(id) && f.doubt().isEmpty())
                    .map(SourceFile::path)
                    .forEach(all::add);
        }
        if (board.files().stream().anyMatch(f -> f.doubt().isPresent())) {
            all.add("asked");
        }
        return all;
    }
}
