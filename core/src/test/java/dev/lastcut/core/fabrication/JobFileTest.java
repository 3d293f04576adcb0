package dev.lastcut.core.fabrication;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.TruePack;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class JobFileTest {
    private static byte[] jobFile(Board board, List<FabricationPack.Written> files) {
        return JobFileWriter.write(
                board,
                files,
                StackUp.of(board, TestBoards.house(Map.of()), Order.USUAL),
                new BoardGeometry(board).boardArea().getEnvelopeInternal());
    }

    /** With names that say nothing and no attributes, the job file alone tells what files are. */
    @ParameterizedTest
    @ValueSource(strings = {"p01_extensions_inch", "p04_terse_four", "p07_mill_single"})
    void aPackOfNamelessFilesIsReadByItsJobFile(String name) throws Exception {
        Board board = Intake.open(TruePack.of(name).pack());
        List<FabricationPack.Written> renamed = new ArrayList<>();
        List<Pack.PackFile> files = new ArrayList<>();
        for (FabricationPack.Written f : FabricationPack.files(board)) {
            String leaf = "a" + (files.size() + 10) + (f.name().endsWith("xnc") ? ".xnc" : ".gbr");
            String silent =
                    new String(f.content(), StandardCharsets.UTF_8)
                            .replaceAll("(?m)^(%TF\\.|; #@! TF\\.)FileFunction.*\n", "");
            byte[] content = silent.getBytes(StandardCharsets.UTF_8);
            renamed.add(new FabricationPack.Written(leaf, f.function(), f.positive(), content));
            files.add(new Pack.PackFile(leaf, content));
        }
        files.add(new Pack.PackFile("x.gbrjob", jobFile(board, renamed)));
        Board again = Intake.open(new Pack("again", files));
        List<Role> pictures = again.layers().stream().map(Layer::role).toList();
        assertThat(pictures)
                .containsExactlyInAnyOrderElementsOf(
                        board.layers().stream().map(Layer::role).toList());
        assertThat(again.files())
                .filteredOn(f -> !f.path().equals("x.gbrjob"))
                .allSatisfy(f -> assertThat(f.doubt()).isEmpty());
        assertThat(again.files()).extracting(SourceFile::path).contains("x.gbrjob");
        assertThat(again.problems()).isEmpty();
    }

    /** Keys of the Gerber job format specification, from memory. */
    @Test
    void sizeLayersAndStackAreStated() {
        Board board =
                new TestBoards()
                        .on(Role.Kind.COPPER, Side.TOP)
                        .round(10, 10, 1)
                        .on(Role.Kind.COPPER, Side.BOTTOM)
                        .round(10, 10, 1)
                        .on(Role.Kind.MASK, Side.TOP)
                        .round(10, 10, 1.1)
                        .outline(0, 0, 30, 20)
                        .board();
        JsonObject job =
                JsonParser.parseString(
                                new String(
                                        jobFile(board, FabricationPack.files(board)),
                                        StandardCharsets.UTF_8))
                        .getAsJsonObject();
        JsonObject specs = job.getAsJsonObject("GeneralSpecs");
        assertThat(specs.get("LayerNumber").getAsInt()).isEqualTo(2);
        assertThat(specs.getAsJsonObject("Size").get("X").getAsDouble()).isEqualTo(30);
        assertThat(specs.getAsJsonObject("Size").get("Y").getAsDouble()).isEqualTo(20);
        double sum = 0;
        List<String> types = new ArrayList<>();
        for (var e : job.getAsJsonArray("MaterialStackup")) {
            JsonObject ply = e.getAsJsonObject();
            types.add(ply.get("Type").getAsString());
            sum += ply.has("Thickness") ? ply.get("Thickness").getAsDouble() : 0;
        }
        assertThat(types).containsExactly("SolderMask", "Copper", "Dielectric", "Copper");
        assertThat(sum).isEqualTo(specs.get("BoardThickness").getAsDouble());
    }
}
