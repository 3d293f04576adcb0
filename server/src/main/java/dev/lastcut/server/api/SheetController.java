package dev.lastcut.server.api;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.sheets.SheetSchema;
import dev.lastcut.server.sheets.Sheets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The capability sheets: to choose from, to change, to bring in and to take out. */
@RestController
@RequestMapping("/api/sheets")
class SheetController {
    private final Sheets sheets;

    SheetController(Sheets sheets) {
        this.sheets = sheets;
    }

    /** One tool of a mill's rack. */
    record CutterView(String id, String name, String kind, double cutWidthMm) {}

    record OptionView(String id, String title, String unit, List<String> values) {}

    /**
     * A sheet as listed; {@code own} when the user keeps it, {@code shipped} when it came along.
     */
    record SheetView(
            String id,
            String name,
            String kind,
            String description,
            boolean own,
            boolean shipped,
            int maxCopperLayers,
            String currency,
            double setupPrice,
            double pricePerSquareCm,
            int days,
            List<OptionView> options,
            List<CutterView> rack) {}

    /** A number that a sheet can hold. */
    record NumberView(String id, String title, boolean least, boolean ratio) {}

    /** What a sheet can hold, for the form. */
    record WordsView(List<NumberView> numbers, List<OptionView> options) {}

    @GetMapping
    List<SheetView> sheets() {
        return sheets.all().stream().map(this::view).toList();
    }

    @GetMapping("/words")
    WordsView words() {
        return new WordsView(
                Arrays.stream(LimitKey.values())
                        .map(k -> new NumberView(k.id(), k.title(), k.isLeast(), k.isRatio()))
                        .toList(),
                Arrays.stream(OrderOption.values())
                        .map(o -> new OptionView(o.id(), o.title(), o.unit(), List.of()))
                        .toList());
    }

    /** The JSON Schema of a sheet. */
    @GetMapping(path = "/schema", produces = MediaType.APPLICATION_JSON_VALUE)
    byte[] schema() {
        return Json.write(SheetSchema.schema());
    }

    @GetMapping(path = "/{id}.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> json(@PathVariable String id) {
        byte[] json =
                sheets.json(id)
                        .orElseThrow(
                                () -> new NotFoundException("There is no sheet '" + id + "'."));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + id + ".json\"")
                .body(json);
    }

    /** Keeps a sheet; one of the same id is only replaced when {@code replace} says so. */
    @PostMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    SheetView keep(
            @RequestBody byte[] json, @RequestParam(defaultValue = "false") boolean replace) {
        try {
            CapabilitySheet sheet = SheetJson.parse(json);
            if (!replace && (sheets.isOwn(sheet.id()) || sheets.isShipped(sheet.id()))) {
                throw new RefusedException(
                        "There is a sheet '"
                                + sheet.id()
                                + "' already. Give this one another id, or change that one.");
            }
            String now = Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
            return view(sheets.keep(json, now));
        } catch (SheetJson.BadSheetException e) {
            throw new RefusedException("Nothing was kept: " + e.getMessage() + ".");
        }
    }

    /** Takes a sheet of the user's own away; a shipped one of that id stands again. */
    @DeleteMapping("/{id}")
    List<SheetView> drop(@PathVariable String id) {
        if (!sheets.drop(id)) {
            throw new NotFoundException("There is no sheet '" + id + "' of your own.");
        }
        return sheets();
    }

    private SheetView view(CapabilitySheet s) {
        List<CutterView> rack = new ArrayList<>();
        s.mill()
                .ifPresent(
                        m ->
                                m.rack()
                                        .forEach(
                                                c ->
                                                        rack.add(
                                                                cutter(
                                                                        c,
                                                                        m.cutting()
                                                                                .isolationDepth()))));
        List<OptionView> options = new ArrayList<>();
        for (OrderOption o : OrderOption.values()) {
            if (s.options().containsKey(o)) {
                options.add(new OptionView(o.id(), o.title(), o.unit(), s.options().get(o)));
            }
        }
        return new SheetView(
                s.id(),
                s.name(),
                s.kind().id(),
                s.description(),
                sheets.isOwn(s.id()),
                sheets.isShipped(s.id()),
                s.maxCopperLayers(),
                s.price().currency(),
                s.price().setup(),
                s.price().perSquareCm(),
                s.price().days(),
                options,
                rack);
    }

    private static CutterView cutter(Cutter c, long depth) {
        return new CutterView(
                c.id(),
                c.name(),
                c.kind().name().toLowerCase(Locale.ROOT),
                Length.toMm(c.widthAt(depth)));
    }
}
