package dev.lastcut.server.api;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** The capability sheets to choose from. */
@RestController
class SheetController {
    private final JobService jobs;

    SheetController(JobService jobs) {
        this.jobs = jobs;
    }

    /** One number of a sheet: as stated, and in nm. */
    record LimitView(
            String id,
            String title,
            boolean least,
            long nm,
            double value,
            String unit,
            String source,
            String date) {}

    /** One tool of a mill's rack. */
    record CutterView(String id, String name, String kind, double cutWidthMm) {}

    /** A sheet as shown. */
    record SheetView(
            String id,
            String name,
            String kind,
            String description,
            int maxCopperLayers,
            String currency,
            double setupPrice,
            double pricePerSquareCm,
            int days,
            List<LimitView> limits,
            List<CutterView> rack) {}

    @GetMapping("/api/sheets")
    List<SheetView> sheets() {
        return jobs.sheets().all().stream().map(SheetController::view).toList();
    }

    @GetMapping(path = "/api/sheets/{id}.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> json(@PathVariable String id) {
        byte[] json =
                jobs.sheets()
                        .json(id)
                        .orElseThrow(
                                () -> new NotFoundException("There is no sheet '" + id + "'."));
        return ResponseEntity.ok(json);
    }

    private static SheetView view(CapabilitySheet s) {
        List<LimitView> limits = new ArrayList<>();
        for (LimitKey key : LimitKey.values()) {
            s.limit(key)
                    .ifPresent(
                            l ->
                                    limits.add(
                                            new LimitView(
                                                    key.id(),
                                                    key.title(),
                                                    key.isLeast(),
                                                    l.nm(),
                                                    l.value(),
                                                    l.unit(),
                                                    l.source(),
                                                    l.date())));
        }
        List<CutterView> rack = new ArrayList<>();
        s.mill().ifPresent(m -> m.rack().forEach(c -> rack.add(cutter(c, m.isolationDepth()))));
        return new SheetView(
                s.id(),
                s.name(),
                s.isMill() ? "mill" : "house",
                s.description(),
                s.maxCopperLayers(),
                s.price().currency(),
                s.price().setup(),
                s.price().perSquareCm(),
                s.price().days(),
                limits,
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
