package dev.lastcut.server.ticket;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.ticket.CutStamp;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.report.Json;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectReader;
import tools.jackson.databind.node.ObjectNode;

/** Reads and writes tickets; see docs/ticket.md. */
public final class Tickets {
    /** In these parts each file or designator has a choice of its own. */
    private static final Set<String> BY_NAME =
            Set.of(
                    "roles",
                    "formats",
                    "units_nm",
                    "columns",
                    "tool_sizes",
                    "corrections",
                    "parts",
                    "needs",
                    "reviewed");

    /** What of an order stays when only options are given; null takes it away. */
    private static final List<String> BESIDE_OPTIONS =
            List.of(TicketJson.QUANTITY, TicketJson.MARK, TicketJson.CARRIAGE);

    private static final int MOST_BYTES = 8 << 20;

    private static final ObjectReader TREE =
            Json.MAPPER
                    .readerFor(JsonNode.class)
                    .with(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .with(DeserializationFeature.FAIL_ON_TRAILING_TOKENS);

    private static final Schema SCHEMA =
            SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(Json.MAPPER.<JsonNode>valueToTree(TicketSchema.schema()));

    private Tickets() {}

    /** The ticket as it is written: the same bytes for the same ticket. */
    public static byte[] write(Ticket ticket) {
        return Json.write(TicketJson.of(ticket));
    }

    /**
     * @throws BadTicketException when it is no ticket; each fault is named by the path of its key
     */
    public static Ticket parse(byte[] json) throws BadTicketException {
        return of(tree(json));
    }

    /**
     * A ticket for a job to go on with: what a cut added to it is left out.
     *
     * @throws BadTicketException when it is no ticket
     */
    public static Ticket takenIn(byte[] json) throws BadTicketException {
        return parse(json).with(d -> d.made = CutStamp.NOTHING_SAID);
    }

    /**
     * A ticket with some parts of it chosen anew. Parts that are given are replaced whole, with
     * null their usual value again; in those that have a choice for each file or designator, each
     * one given is replaced. How many boards are ordered, and where the order mark goes, stay when
     * only options are given.
     *
     * @throws BadTicketException when what comes of it is no ticket
     */
    public static Ticket changed(Ticket before, byte[] parts) throws BadTicketException {
        JsonNode given = tree(parts);
        ObjectNode next = Json.MAPPER.valueToTree(TicketJson.of(before));
        for (Map.Entry<String, JsonNode> part : given.properties()) {
            JsonNode value = part.getValue();
            if (BY_NAME.contains(part.getKey()) && value.isObject()) {
                ObjectNode files = next.withObject("/" + part.getKey());
                value.properties().forEach(f -> set(files, f.getKey(), f.getValue()));
            } else {
                JsonNode order = next.path("order");
                set(next, part.getKey(), value);
                if (part.getKey().equals("order") && value.isObject()) {
                    BESIDE_OPTIONS.stream()
                            .filter(k -> !value.has(k) && order.has(k))
                            .forEach(k -> next.withObject("/order").set(k, order.get(k)));
                    BESIDE_OPTIONS.stream()
                            .filter(k -> value.path(k).isNull())
                            .forEach(k -> next.withObject("/order").remove(k));
                }
            }
        }
        Ticket after = of(next);
        return settled(before, after, given);
    }

    /** A tool of a drill file as {@code tool_sizes} calls it; negative for no tool. */
    public static String toolName(int number) {
        return TicketJson.toolName(number);
    }

    /** What a choice entails: each mill has its own set-up, and its own way to be turned over. */
    private static Ticket settled(Ticket before, Ticket after, JsonNode given) {
        Ticket start =
                after.with(
                        d -> {
                            d.shop = before.shop();
                            d.mill = before.mill();
                        });
        Ticket moved = after.shop().map(start::withShop).orElse(start);
        return given.has("mill") ? moved.withMill(after.mill()) : moved;
    }

    private static void set(ObjectNode to, String key, JsonNode value) {
        if (value.isNull()) {
            to.remove(key);
        } else {
            to.set(key, value);
        }
    }

    private static JsonNode tree(byte[] json) throws BadTicketException {
        if (json.length > MOST_BYTES) {
            throw new BadTicketException(List.of("it is larger than 8 MB"));
        }
        try {
            JsonNode tree = TREE.readValue(json);
            if (tree == null || !tree.isObject()) {
                throw new BadTicketException(List.of("it is not a JSON object"));
            }
            return tree;
        } catch (JacksonException e) {
            var at = e.getLocation();
            String where =
                    at == null ? "" : ", line " + at.getLineNr() + ", column " + at.getColumnNr();
            throw new BadTicketException(
                    List.of("it is not JSON: " + e.getOriginalMessage() + where));
        }
    }

    private static Ticket of(JsonNode tree) throws BadTicketException {
        List<String> faults = new ArrayList<>();
        for (Error e : SCHEMA.validate(tree)) {
            faults.add(TicketFaults.sentence(e));
        }
        if (!faults.isEmpty()) {
            throw new BadTicketException(faults.stream().distinct().sorted().toList());
        }
        try {
            return Json.MAPPER.treeToValue(filled((ObjectNode) tree), TicketJson.class).toTicket();
        } catch (IllegalArgumentException | JacksonException e) {
            throw new BadTicketException(List.of(String.valueOf(e.getMessage())));
        }
    }

    /** Set-ups of mills may leave out what is as usual. */
    private static ObjectNode filled(ObjectNode tree) {
        ObjectNode next = tree.deepCopy();
        if (next.has("mill")) {
            next.set("mill", filledSetup(next.get("mill")));
        }
        if (next.has("mills_aside")) {
            ObjectNode others = (ObjectNode) next.get("mills_aside");
            others.properties().forEach(e -> e.setValue(filledSetup(e.getValue())));
        }
        return next;
    }

    private static JsonNode filledSetup(JsonNode given) {
        ObjectNode usual = Json.MAPPER.valueToTree(MillSetupJson.of(MillSetup.USUAL));
        given.properties().forEach(e -> usual.set(e.getKey(), e.getValue()));
        return usual;
    }
}
