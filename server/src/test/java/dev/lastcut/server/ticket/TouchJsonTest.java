package dev.lastcut.server.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.report.Json;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Touches as tickets write them. */
class TouchJsonTest {
    /** One of each kind, with every key it may have, as the documents name them. */
    private static final String ALL =
            """
            {"kind":"pour","layer":"copper-top","net":"GND","area":[[0,0],[9,0],[9,9]],
             "clearance_mm":0.25,"edge_mm":0.4,"least_width_mm":0.15,
             "relief":{"spokes":2,"spoke_mm":0.4,"gap_mm":0.3},"islands":"keep","keep_old":true,
             "hatch":{"line_mm":0.3,"gap_mm":1},"mask_mm":0.05}
            {"kind":"pour","layer":"copper-inner-2","at":[1,2],"area":"board","relief":"solid"}
            {"kind":"stitch","net":"GND","pitch_mm":4,"hole_mm":0.3,"pad_mm":0.6,"along":[[0,0],[5,5]]}
            {"kind":"bus-bar","net":"VCC","along":[[0,0],[5,5]],"width_mm":2,"pitch_mm":3,"hole_mm":0.3,"pad_mm":0.6}
            {"kind":"strap","net":"GND","from":[1,1],"to":[4,1],"width_mm":0.5,"hole_mm":0.3,"pad_mm":0.6}
            {"kind":"widen","net":"VCC","to_mm":0.6}
            {"kind":"thin","at":[3,4],"to_mm":0.2}
            {"kind":"ring","least_mm":0.2}
            {"kind":"teardrop","length_mm":0.5}
            {"kind":"slivers","least_mm":0.12}
            {"kind":"covered-tracks"}
            {"kind":"outline-off"}
            {"kind":"keep-away","clear_mm":0.2,"edge_mm":0.3,"hole_mm":0.25,"mask_mm":0.05,"least_mm":0.15}
            {"kind":"hole","at":[3,3],"diameter_mm":3.2,"plated":true,"pad_mm":6,"keep_out_mm":1}
            {"kind":"hole-move","at":[3,3],"to":[4,4]}
            {"kind":"hole-size","at":[3,3],"diameter_mm":1}
            {"kind":"hole-plating","at":[3,3],"plated":false}
            {"kind":"hole-snap","drills_mm":[0.8,1],"most_mm":0.2}
            {"kind":"mounting-holes","diameter_mm":3.2,"inset_mm":4,"keep_out_mm":1.5}
            {"kind":"edge","replace":"case.dxf","scale_to_mm":[60,40],"move_mm":[1,-2],"corner_mm":3,"cut_out":[[1,1],[5,1],[5,5]]}
            {"kind":"edge","drawing":"<svg/>","scale_to_mm":60,"cut_out":{"at":[9,9],"diameter_mm":4}}
            {"kind":"silk-clip","clear_mm":0.15}
            {"kind":"silk-thicken","least_mm":0.15}
            {"kind":"labels","hide":true,"show":"values","height_mm":0.8}
            {"kind":"text","layer":"silk-bottom","at":[3,3],"height_mm":1.2,"text":"Rev B","rotation_deg":90,"mirrored":false,"stroke_mm":0.15}
            {"kind":"art","layer":"mask-top","at":[3,3],"width_mm":12,"svg":"bee.svg","mirrored":true,"least_mm":0.2}
            {"kind":"mask","grow_mm":-0.02,"least_dam_mm":0.1,"side":"bottom"}
            {"kind":"open-pads","grow_mm":0.06}
            {"kind":"cover-vias","cover":"open"}
            {"kind":"paste","grow_mm":-0.05,"off_holes":true}
            """;

    private static Ticket parse(String touches) throws BadTicketException {
        return Tickets.parse(("{\"touches\":[" + touches + "]}").getBytes(StandardCharsets.UTF_8));
    }

    private static List<String> each() {
        return List.of(ALL.strip().replace("\n ", "").split("\n"));
    }

    @Test
    void everyKindIsReadAndWrittenWithAllItsKeys() throws Exception {
        Map<String, TouchKinds.Kind<?>> left = new java.util.TreeMap<>(TouchKinds.ALL);
        for (String json : each()) {
            Ticket ticket = parse(json);
            byte[] written = Tickets.write(ticket);
            assertThat(Tickets.parse(written)).as(json).isEqualTo(ticket);
            Map<String, Object> again = TouchJson.of(ticket.touches().get(0).touch());
            // Each key that was given is written again.
            assertThat(again.keySet())
                    .as(json)
                    .containsAll(Json.MAPPER.readTree(json).propertyNames());
            assertThat(ticket.touches().get(0).touch().words()).isNotBlank();
            left.remove(ticket.touches().get(0).touch().kind());
        }
        assertThat(left.keySet()).as("kinds without an example here").isEmpty();
        Ticket off = parse("{\"kind\":\"ring\",\"least_mm\":0.2,\"off\":true}");
        assertThat(off.touches().get(0).on()).isFalse();
        assertThat(Tickets.parse(Tickets.write(off))).isEqualTo(off);
    }

    @Test
    void theDocumentNamesEveryKindAndKeyAndItsExampleIsATicket() throws Exception {
        String text = Files.readString(Path.of("../docs/touches.md"));
        TouchKinds.ALL.forEach(
                (id, kind) -> {
                    assertThat(text).contains("`" + id + "`");
                    kind.keys()
                            .forEach(
                                    k -> assertThat(text).contains("`" + k.replace("!", "") + "`"));
                });
        java.util.regex.Matcher m =
                java.util.regex.Pattern.compile(
                                "```json\\n(.*?)```", java.util.regex.Pattern.DOTALL)
                        .matcher(text);
        assertThat(m.find()).isTrue();
        assertThat(Tickets.parse(m.group(1).getBytes(StandardCharsets.UTF_8)).touches()).hasSize(3);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "{\"kind\":\"paint\"}; touches[0].kind",
                "{\"least_mm\":1}; touches[0].kind",
                "{\"kind\":\"ring\",\"least_mm\":0.2},{\"kind\":\"ring\"}; touches[1].least_mm: it is missing",
                "{\"kind\":\"ring\",\"least_mm\":0.2,\"pad_mm\":1}; touches[0].pad_mm: the touch ring has no such key",
                "{\"kind\":\"ring\",\"least_mm\":\"wide\"}; touches[0].least_mm",
                "{\"kind\":\"ring\",\"least_mm\":0}; touches[0].least_mm: above 0",
                "{\"kind\":\"hole\",\"at\":[1],\"diameter_mm\":1}; touches[0].at",
                "{\"kind\":\"pour\",\"layer\":\"copper-top\"}; touches[0].net",
                "{\"kind\":\"pour\",\"layer\":\"middle\",\"net\":\"A\"}; touches[0].layer",
                "{\"kind\":\"pour\",\"layer\":\"copper-top\",\"net\":\"A\",\"area\":\"all\"}; touches[0].area: board",
                "{\"kind\":\"pour\",\"layer\":\"copper-top\",\"net\":\"A\",\"relief\":{\"spokes\":0}}; touches[0].relief.spokes",
                "{\"kind\":\"strap\",\"net\":\"A\",\"from\":[0,0],\"to\":[1,1],\"width_mm\":1,\"hole_mm\":1,\"pad_mm\":1}; touches[0].pad_mm must be above hole_mm",
                "{\"kind\":\"edge\"}; touches[0].edge: one of",
                "{\"kind\":\"art\",\"layer\":\"silk-top\",\"at\":[0,0]}; touches[0].a drawing is either",
                "{\"kind\":\"text\",\"layer\":\"silk-top\",\"at\":[0,0],\"height_mm\":1,\"text\":\" \"}; touches[0].text: from 1 to 200",
                "{\"kind\":\"cover-vias\",\"cover\":\"half\"}; touches[0].cover: tented or open"
            })
    void whatIsWrongIsNamedByItsPath(String touches, String says) {
        assertThatThrownBy(() -> parse(touches))
                .isInstanceOf(BadTicketException.class)
                .hasMessageContaining(says);
    }

    @Test
    void viasAreCoveredOrOpenHoweverItIsSaid() throws Exception {
        assertThat(parse("{\"kind\":\"cover-vias\",\"tented\":true}"))
                .isEqualTo(parse("{\"kind\":\"cover-vias\",\"cover\":\"tented\"}"));
        assertThat(parse("{\"kind\":\"cover-vias\",\"open\":true}"))
                .isEqualTo(parse("{\"kind\":\"cover-vias\",\"cover\":\"open\"}"));
    }
}
