package dev.lastcut.server.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.report.Json;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Strip boards and adapters without a browser. */
class StripCommandTest {
    @TempDir Path folder;
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();
    private Path pack;

    @BeforeEach
    void circuit() throws IOException {
        pack = Files.createDirectories(folder.resolve("divider"));
        Files.writeString(
                pack.resolve("parts.csv"),
                "Designator,Value,Footprint\nR1,10k,AXIAL\nR2,4k7,AXIAL\nJ1,,HEADER_1X3\n");
        connections("Net,Pins\nTOP,R1.1 J1.1\nMID,R1.2 R2.1 J1.2\nLOW,R2.2 J1.3\n");
    }

    private void connections(String text) throws IOException {
        Files.writeString(pack.resolve("connections.csv"), text);
    }

    private PrintStream errors() {
        return new PrintStream(err, true, StandardCharsets.UTF_8);
    }

    private int make(String sheet, String out, String... more) {
        err.reset();
        List<String> args =
                new ArrayList<>(
                        List.of(
                                pack.toString(),
                                "--for",
                                sheet,
                                "--out",
                                folder.resolve(out).toString()));
        args.addAll(List.of(more));
        return new MakeCommand(new PrintStream(new ByteArrayOutputStream()), errors()).run(args);
    }

    private JsonNode json(String path) throws IOException {
        return Json.MAPPER.readTree(Files.readAllBytes(folder.resolve(path)));
    }

    private String said() {
        return err.toString(StandardCharsets.UTF_8);
    }

    /** The computer's plan, taken into a ticket, makes the same again. */
    @Test
    void aCircuitIsMadeAndMadeAgainFromItsPlan() throws Exception {
        assertThat(make("burr-strip", "a")).isZero();
        JsonNode report = json("a/report.json");
        assertThat(report.at("/strip/proposed").asBoolean()).isTrue();
        assertThat(report.at("/strip/parts").asInt()).isEqualTo(3);
        assertThat(report.at("/files").valueStream().map(f -> f.at("/role").asString()))
                .containsExactlyInAnyOrder("connections", "parts-list");
        assertThat(report.at("/parts").valueStream())
                .allMatch(p -> p.at("/by").asString().equals("hand"));
        assertThat(folder.resolve("a/strip/plan.pdf")).isNotEmptyFile();
        assertThat(folder.resolve("a/assembly/parts.csv")).content().contains("R1").contains("4k7");
        assertThat(folder.resolve("a/fabrication")).doesNotExist();

        JsonNode plan = json("a/strip/plan.json");
        Path ticket = folder.resolve("ticket.json");
        Files.writeString(ticket, "{\"strip\": " + plan + "}");
        assertThat(make("burr-strip", "b", "--with", ticket.toString())).isZero();
        assertThat(json("b/report.json").at("/strip/proposed").asBoolean()).isFalse();
        // The pages carry the time of their making.
        for (String file : List.of("plan.json", "cuts.csv", "links.csv")) {
            assertThat(folder.resolve("b/strip/" + file))
                    .hasSameBinaryContentAs(folder.resolve("a/strip/" + file));
        }
    }

    @Test
    void aPlanThatIsWrongIsNotReleased() throws Exception {
        make("burr-strip", "a");
        String plan = Files.readString(folder.resolve("a/strip/plan.json"));
        // A wire from the first pin of each resistor joins two nets.
        JsonNode parts = Json.MAPPER.readTree(plan).at("/parts");
        String from = pin(parts, "R1", "1");
        String to = pin(parts, "R2", "2");
        Path ticket = folder.resolve("ticket.json");
        String shorted =
                plan.replaceFirst("\"links\": \\[", "\"links\": [[" + from + ", " + to + "],");
        Files.writeString(
                ticket,
                "{\"strip\": " + shorted.replace(",]", "]").replaceAll(",\\s*\\]", "]") + "}");
        assertThat(make("burr-strip", "b", "--with", ticket.toString())).isEqualTo(1);
        assertThat(json("b/report.json").at("/findings").valueStream())
                .anyMatch(
                        f ->
                                f.at("/rule").asString().equals("strip-short")
                                        && f.at("/nets").toString().contains("LOW"));
    }

    private static String pin(JsonNode parts, String part, String pin) {
        return parts.valueStream()
                .filter(p -> p.at("/designator").asString().equals(part))
                .findFirst()
                .orElseThrow()
                .at("/pins/" + pin)
                .toString();
    }

    @Test
    void whatDoesNotFitIsRefusedOrToldInASentence() throws Exception {
        assertThat(make("waggle-quick", "h")).isEqualTo(2);
        assertThat(said())
                .contains("makes boards from Gerber and drill files, and this pack has none");
        Path ticket = folder.resolve("ticket.json");
        Files.writeString(ticket, "{\"strip\": {\"stock\": \"no such board\"}}");
        assertThat(make("burr-strip", "s", "--with", ticket.toString())).isEqualTo(2);
        assertThat(said()).contains("strip.stock").contains("no such board");
        Files.writeString(ticket, "{\"strip\": {\"strips\": 0}}");
        assertThat(make("burr-strip", "s", "--with", ticket.toString())).isEqualTo(2);
        assertThat(said()).contains("strip.strips");
        connections("Net,Pins\nTOP,R1.1 J1.1\nMID,R1.2 R9.1\nLOW,R2 J1.3\n");
        assertThat(make("burr-strip", "e")).isEqualTo(1);
        assertThat(
                        json("e/report.json")
                                .at("/findings")
                                .valueStream()
                                .map(f -> f.at("/message").asString()))
                .anyMatch(m -> m.contains("R9 is connected but not in the parts list"))
                .anyMatch(m -> m.contains("line 4") && m.contains("“R2” in net LOW names no pin"));
    }

    private int adapter(UnaryOperator<String> change) {
        err.reset();
        String args =
                change.apply(
                        "--pins 8 --rows 2 --pitch 1.27 --body-width 3.9 --lead-span 6 --out ");
        List<String> all = new ArrayList<>(List.of(args.strip().split(" ")));
        all.add(folder.resolve("adapter").toString());
        return new AdapterCommand(new PrintStream(new ByteArrayOutputStream()), errors()).run(all);
    }

    @Test
    void anAdapterIsMadeAtAHouseAndOnTheMills() throws Exception {
        assertThat(adapter(a -> a)).isZero();
        pack = folder.resolve("adapter");
        for (String sheet : List.of("longcomb-fine", "wren-bench", "anvil-mini")) {
            assertThat(make(sheet, sheet)).as(sheet).isZero();
        }
        // Leads as near as this no cutter of the mill goes between: it says so.
        assertThat(adapter(a -> a.replace("1.27", "0.5"))).isZero();
        assertThat(make("anvil-mini", "fine")).isEqualTo(1);
        assertThat(
                        json("fine/report.json")
                                .at("/findings")
                                .valueStream()
                                .map(f -> f.at("/rule").asString()))
                .contains("gap-not-millable");
        // The fine mill reaches between leads of 0.65 mm.
        assertThat(adapter(a -> a.replace("1.27", "0.65"))).isZero();
        assertThat(make("tern-fine", "tern")).isZero();
        assertThat(adapter(a -> a.replace("--rows 2", "--rows 3"))).isEqualTo(2);
        assertThat(said()).contains("2 or 4 rows");
        assertThat(adapter(a -> a.replace("--pitch 1.27", "--pitch wide"))).isEqualTo(2);
        assertThat(said()).contains("--pitch is a length in mm");
    }
}
