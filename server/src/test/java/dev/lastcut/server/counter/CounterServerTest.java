package dev.lastcut.server.counter;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.value.PreferredNumbers;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.report.Json;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** The stand-in, asked as another program would ask it. */
class CounterServerTest {
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    private static CounterServer counter;

    @BeforeAll
    static void start() {
        counter = new CounterServer(0);
    }

    @AfterAll
    static void stop() {
        counter.close();
    }

    private static HttpResponse<String> send(String method, String path) throws Exception {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(counter.address() + path))
                        .method(method, HttpRequest.BodyPublishers.noBody())
                        .build();
        return HTTP.send(request, HttpResponse.BodyHandlers.ofString());
    }

    private static JsonNode json(String path) throws Exception {
        return Json.MAPPER.readTree(send("GET", path).body());
    }

    @Test
    void theShelvesAreFullAndEveryPartIsWhole() {
        Map<String, PartJson> all = Shelves.filled();
        assertThat(all.size()).isBetween(2700, 3300);
        Set<String> kinds = new HashSet<>();
        int stated = 0;
        for (PartJson p : all.values()) {
            CataloguePart part = p.toPart("");
            kinds.add(part.kind());
            assertThat(part.supply().breaks()).as(part.number()).isNotEmpty();
            double before = Double.MAX_VALUE;
            for (var b : part.supply().breaks()) {
                assertThat(b.price()).as(part.number()).isLessThanOrEqualTo(before);
                before = b.price();
            }
            part.values()
                    .forEach(
                            (name, v) ->
                                    assertThat(v.words())
                                            .as(part.number() + " " + name)
                                            .isNotEqualTo("not stated"));
            stated += part.pins().isEmpty() ? 0 : 1;
        }
        assertThat(kinds)
                .contains(
                        "resistor",
                        "capacitor",
                        "inductor",
                        "diode",
                        "LED",
                        "MOSFET",
                        "transistor",
                        "regulator",
                        "crystal",
                        "connector",
                        "switch",
                        "memory");
        // Not every part states its pins, and some are not to be had.
        assertThat(stated).isBetween(all.size() / 2, all.size() - 10);
        assertThat(all.values()).anyMatch(p -> p.supply().stock() == 0);
        assertThat(all.values().stream().map(p -> p.supply().life()).collect(Collectors.toSet()))
                .contains("made", "last-orders", "not-for-new");
        assertThat(all.keySet()).isEqualTo(Shelves.filled().keySet());
    }

    /** Every value of E24 from 10 Ω to 910 kΩ is there in the usual sizes (IEC 60063). */
    @Test
    void resistorsOfEveryPreferredValue() {
        Set<String> there =
                Shelves.filled().values().stream()
                        .filter(p -> p.kind().equals("resistor"))
                        .map(p -> p.packageName() + " " + p.values().get("resistance").typ())
                        .collect(Collectors.toSet());
        for (int power = 1; power <= 5; power++) {
            for (double d : PreferredNumbers.E24.decade()) {
                double ohms = Math.round(d * 10) * Math.pow(10, power - 1);
                for (String p : new String[] {"0402", "0603", "0805", "1206"}) {
                    assertThat(there).contains(p + " " + ohms);
                }
            }
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "number=ch r 10k | 1",
                "resistance=9999..10001&package=0603 | 2",
                "resistance=9999..10001&package=0603&line_stock=true | 1",
                "kind=regulator&output-voltage=3.29..3.31&output-current=0.25.. | 4",
                "text=honey+flash | 1",
                "text=nothing+like+it | 0",
                "kind=resistor&limit=7 | 7"
            })
    void searchedByWordsAndRanges(String query, int found) throws Exception {
        JsonNode answer = json("/parts?" + query.replace(" ", "%20"));
        assertThat(answer.at("/parts").size()).as("%s", answer).isEqualTo(found);
    }

    @Test
    void questionsThatCannotBeReadAreRefused() throws Exception {
        assertThat(send("GET", "/parts?resistance=lots").statusCode()).isEqualTo(400);
        assertThat(send("GET", "/parts?resistance=a..b").body()).contains("ends in a number");
        assertThat(send("GET", "/parts/NOPE").statusCode()).isEqualTo(404);
        assertThat(send("POST", "/mood?is=merry").statusCode()).isEqualTo(400);
        assertThat(send("POST", "/stock?number=CH-R-10K&pieces=many").statusCode()).isEqualTo(400);
    }

    /** A page of another site may neither read it nor tell it how to behave. */
    @Test
    void pagesOfOtherSitesAreRefused() throws Exception {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(counter.address() + "/mood?is=down"))
                        .header("Origin", "http://elsewhere.example")
                        .POST(HttpRequest.BodyPublishers.noBody())
                        .build();
        assertThat(HTTP.send(request, HttpResponse.BodyHandlers.ofString()).statusCode())
                .isEqualTo(400);
        assertThat(json("/mood").at("/mood").asString()).isEqualTo("well");
    }

    @Test
    void itCanBeToldHowToBehave() throws Exception {
        try {
            send("POST", "/mood?is=down");
            assertThat(send("GET", "/parts/CH-R-10K").statusCode()).isEqualTo(503);
            send("POST", "/mood?is=rubbish");
            assertThat(send("GET", "/parts/CH-R-10K").body()).startsWith("<html>");
            send("POST", "/mood?is=well");
            send("POST", "/stock?number=CH-R-10K&pieces=3");
            assertThat(json("/parts/CH-R-10K").at("/supply/stock").asInt()).isEqualTo(3);
        } finally {
            send("POST", "/mood?is=well");
        }
    }
}
