package dev.lastcut.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.server.LastCut;
import dev.lastcut.server.LongRun;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/**
 * A cut made by the server, and the same made again from its ticket by another start of the
 * program: every byte of every file the same.
 */
@SpringBootTest(classes = LastCut.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class SameBytesTest {
    @TempDir static Path data;
    @TempDir Path folder;
    @LocalServerPort int port;

    @DynamicPropertySource
    static void storage(DynamicPropertyRegistry registry) {
        registry.add("lastcut.data", data::toString);
    }

    private ApiCalls api() {
        return new ApiCalls(port);
    }

    private byte[] cut(String pack, String shop) throws Exception {
        String job = api().bringIn(pack);
        api().chooseShop(job, shop);
        api().choose(
                        job,
                        "{\"headroom\":{\"percent\":5,\"mm\":{\"clearance\":0.03,\"track-width\":0.02}}}");
        if (pack.equals("hive-scale-node")) {
            // What the counter said of a part, and a variant, go with the ticket.
            api().finish(api().json("POST", job + "/parts/ask", null));
            api().status("POST", job + "/parts/variants", "{\"name\":\"Mains\"}");
            String off =
                    "{\"variants\":[\"Mains\"],\"fittings\":{\"J3\":{\"fitted\":false},"
                            + "\"U3\":{\"partNumber\":\"TF-3V3REGULATOR\"}}}";
            assertThat(api().status("POST", job + "/parts/fittings", off)).isEqualTo(200);
            api().choose(job, "{\"variant\":\"Mains\",\"order\":{\"quantity\":12}}");
            api().choose(
                            job,
                            "{\"touches\":[{\"kind\":\"pour\",\"layer\":\"copper-bottom\","
                                    + "\"net\":\"GND\",\"clearance_mm\":0.3},"
                                    + "{\"kind\":\"silk-clip\",\"clear_mm\":0.15}]}");
        }
        if (api().status("GET", job + "/mill", null) == 200) {
            api().choose(job, "{\"mill\":{\"nick_mm\":0.02,\"in_stock_x_mm\":12.5}}");
        }
        api().work(job, "check");
        api().signOffAll(job);
        api().work(job, "cut");
        return api().bytes(job + "/cuts/1.zip");
    }

    /** Runs the program as its users do: a new process with a memory of its own. */
    private void make(String pack, String shop, Path ticket, Path out) throws Exception {
        Path zip = folder.resolve(pack + ".zip");
        try (InputStream in = getClass().getResourceAsStream("/demo-packs/" + pack + ".zip")) {
            Files.write(zip, in.readAllBytes());
        }
        Process process =
                new ProcessBuilder(
                                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                                "-cp",
                                System.getProperty("java.class.path"),
                                LastCut.class.getName(),
                                "make",
                                zip.toString(),
                                "--for",
                                shop,
                                "--with",
                                ticket.toString(),
                                "--out",
                                out.toString())
                        .redirectErrorStream(true)
                        .start();
        String said = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor(2, TimeUnit.MINUTES)).isTrue();
        assertThat(process.exitValue()).as(said).isZero();
    }

    /** A mill, and houses with and without parts fitted; in a long run more of each. */
    static Stream<Arguments> jobs() {
        Stream<Arguments> usual =
                Stream.of(
                        Arguments.of("joint-box", "wren-bench"),
                        Arguments.of("honeycomb-tag", "waggle-quick"),
                        Arguments.of("hive-scale-node", "longcomb-fine"));
        Stream<Arguments> others =
                Stream.of(
                        Arguments.of("joint-box", "skep-pooled"),
                        Arguments.of("honeycomb-tag", "anvil-mini"));
        return LongRun.is() ? Stream.concat(usual, others) : usual;
    }

    @ParameterizedTest
    @MethodSource("jobs")
    void theCutAndWhatIsMadeFromItsTicketAreTheSame(String pack, String shop) throws Exception {
        Map<String, byte[]> cut = Packs.unzipped(cut(pack, shop));
        Path ticket = folder.resolve("ticket.json");
        Files.write(ticket, cut.get("ticket.json"));
        Path out = folder.resolve("out");
        make(pack, shop, ticket, out);
        Map<String, byte[]> made = new TreeMap<>();
        try (Stream<Path> all = Files.walk(out)) {
            for (Path p : all.filter(Files::isRegularFile).toList()) {
                made.put(out.relativize(p).toString(), Files.readAllBytes(p));
            }
        }
        assertThat(made.keySet())
                .isEqualTo(cut.keySet())
                .contains("report.junit.xml", "report.pdf");
        cut.forEach((path, bytes) -> assertThat(made.get(path)).as(path).isEqualTo(bytes));
    }
}
