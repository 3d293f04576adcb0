package dev.lastcut.server.receiving;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.receiving.Checklist;
import dev.lastcut.core.receiving.Checklist.Answer;
import dev.lastcut.core.receiving.Checklist.Item;
import dev.lastcut.core.receiving.Received;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.store.InspectionStore;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.ticket.Tickets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;

/** The checklist of a cut, made of what was frozen in it, and what was found. */
@Service
public class ReceivingService {
    private static final int LONGEST_NOTE = 500;

    private final OutputService outputs;
    private final InspectionStore found;

    ReceivingService(OutputService outputs, InspectionStore found) {
        this.outputs = outputs;
        this.found = found;
    }

    /** The items of a cut and what was found of each. */
    public record Inspection(
            List<Item> items, Map<String, Answer> answers, Checklist.Verdict verdict) {}

    /**
     * @throws NotFoundException when there is no such cut, or it is from before there were reports
     */
    public Inspection of(long job, int cut) {
        return of(job, cut, Checklist.of(received(job, cut)));
    }

    private Inspection of(long job, int cut, List<Item> items) {
        Map<String, Answer> answers = found.of(job, cut);
        return new Inspection(items, answers, Checklist.verdict(items, answers));
    }

    /** Notes what was found of an item. */
    public Inspection answer(long job, int cut, String item, Answer answer) {
        List<Item> items = Checklist.of(received(job, cut));
        boolean there = items.stream().anyMatch(i -> i.id().equals(item));
        if (!there) {
            throw new RefusedException("Nothing was noted: the checklist has no such item.");
        }
        if (answer.measured().filter(m -> !Double.isFinite(m) || Math.abs(m) > 1e6).isPresent()) {
            throw new RefusedException("Nothing was noted: that is no measure.");
        }
        if (answer.note().length() > LONGEST_NOTE) {
            throw new RefusedException(
                    "Nothing was noted: a note has at most " + LONGEST_NOTE + " letters.");
        }
        found.put(job, cut, item, answer, Instant.now().truncatedTo(ChronoUnit.SECONDS).toString());
        return of(job, cut, items);
    }

    private Received received(long job, int cut) {
        JsonNode report = Json.MAPPER.readTree(outputs.cutFile(job, cut, "report.json"));
        Ticket ticket;
        CapabilitySheet sheet;
        try {
            ticket = Tickets.parse(outputs.cutFile(job, cut, "ticket.json"));
            sheet = SheetJson.parse(outputs.cutFile(job, cut, "sheet.json"));
        } catch (BadTicketException | SheetJson.BadSheetException e) {
            throw new NotFoundException(
                    "Cut " + cut + " is of an older form, and has no checklist: " + e.getMessage());
        }
        Map<String, String> options = new LinkedHashMap<>();
        boolean inner = report.at("/board/copper_layers").asInt() > 2;
        for (OrderOption o : OrderOption.values()) {
            boolean measured = o == OrderOption.THICKNESS || o == OrderOption.FOIL;
            if (!measured && (inner || o != OrderOption.COPPER_INNER)) {
                sheet.value(o, ticket.order())
                        .ifPresent(v -> options.put(o.title(), (v + " " + o.unit()).strip()));
            }
        }
        List<Received.Gauge> gauges = new ArrayList<>();
        report.at("/board/holes")
                .valueStream()
                .forEach(
                        h ->
                                gauges.add(
                                        new Received.Gauge(
                                                h.at("/diameter_mm").asDouble(),
                                                h.at("/plated").asBoolean() && sheet.plates(),
                                                h.at("/count").asInt())));
        List<Received.Accepted> accepted = new ArrayList<>();
        report.at("/findings")
                .valueStream()
                .filter(f -> f.at("/signed_off").isString())
                .forEach(
                        f ->
                                accepted.add(
                                        new Received.Accepted(
                                                f.at("/rule").asString(),
                                                f.at("/x_mm").asDouble(),
                                                f.at("/y_mm").asDouble(),
                                                f.at("/message").asString(),
                                                f.at("/signed_off").asString())));
        return new Received(
                ticket.order().quantity(),
                report.at("/board/width_mm").asDouble(),
                report.at("/board/height_mm").asDouble(),
                sheet.value(OrderOption.THICKNESS, ticket.order()).map(Double::valueOf).orElse(0.0),
                gauges,
                report.at("/board/slots").asLong(),
                options,
                sheet.assembly().isPresent() ? report.at("/placement/lines").asInt() : 0,
                accepted);
    }
}
