package dev.lastcut.server.sheets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.server.cli.SheetsCommand;
import dev.lastcut.server.report.Json;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SheetJsonTest {
    private final SheetLibrary library = new SheetLibrary();

    @Test
    void everyShippedSheetIsTheSameAfterWritingAndReading() throws Exception {
        for (CapabilitySheet s : library.all()) {
            CapabilitySheet again = SheetJson.parse(Json.write(SheetJson.of(s)));
            assertThat(again).isEqualTo(s);
        }
    }

    /** The schema in docs is the one the application gives out. */
    @Test
    void theSchemaInTheDocumentsIsTheOneGivenOut() throws Exception {
        Path inDocs = Path.of("../docs/sheet.schema.json");
        byte[] made = Json.write(SheetSchema.schema());
        if (Boolean.getBoolean("lastcut.api.write")) {
            Files.write(inDocs, made);
        }
        assertThat(Files.readAllBytes(inDocs)).isEqualTo(made);
    }

    @Test
    void threeHousesThreeMillsAndTwoStripBoardsWithDifferentLimits() {
        assertThat(library.all().stream().filter(CapabilitySheet::isMill)).hasSize(3);
        assertThat(
                        library.all().stream()
                                .filter(s -> s.kind() == CapabilitySheet.Kind.HOUSE)
                                .map(s -> s.limit(LimitKey.CLEARANCE).orElseThrow().nm()))
                // 1 mil = 25 400 nm exactly: 5 mil is 0.127 mm.
                .containsExactly(150_000L, 127_000L, 90_000L);
        assertThat(library.all().stream().flatMap(s -> s.strip().stream())).hasSize(2);
        for (CapabilitySheet s : library.all()) {
            assertThat(s.limits().values())
                    .allSatisfy(l -> assertThat(l.source() + l.date()).hasSizeGreaterThan(10));
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "not json",
                "{}",
                "{\"id\":\"a\",\"name\":\"A\",\"kind\":\"boat\",\"limits\":{}}",
                "{\"id\":\"a\",\"name\":\"A\",\"kind\":\"house\",\"limits\":{\"speed\":{\"value\":1,\"unit\":\"mm\"}}}",
                "{\"id\":\"a\",\"name\":\"A\",\"kind\":\"house\",\"limits\":{\"clearance\":{\"value\":1,\"unit\":\"furlong\"}}}",
                "{\"id\":\"a\",\"name\":\"A\",\"kind\":\"mill\",\"limits\":{}}"
            })
    void badSheetsAreRefusedWithAReason(String json) {
        assertThatThrownBy(() -> SheetJson.parse(json.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(SheetJson.BadSheetException.class)
                .hasMessageContaining("the sheet");
    }

    @Test
    void theCommandListsAndPrints() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        SheetsCommand command = new SheetsCommand(new PrintStream(out), new PrintStream(out));
        assertThat(command.run(List.of())).isZero();
        assertThat(out.toString(StandardCharsets.UTF_8).split("\n"))
                .hasSize(8)
                .contains("wren-bench\tmill\tWren bench mill");
        assertThat(command.run(List.of("nobody"))).isEqualTo(2);
    }
}
