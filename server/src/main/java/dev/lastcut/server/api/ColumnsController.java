package dev.lastcut.server.api;

import dev.lastcut.core.formats.table.ColumnKind;
import dev.lastcut.core.formats.table.PartTables;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import java.util.Arrays;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The columns of a table of the pack, with what each was taken for. */
@RestController
@WithoutBoard
@RequestMapping("/api/jobs/{id}/columns")
class ColumnsController {
    private final JobService jobs;

    ColumnsController(JobService jobs) {
        this.jobs = jobs;
    }

    /** A column: its heading, what it was taken for, and its first cells. */
    record ColumnView(String heading, String kind, List<String> cells) {}

    /** {@code kinds} are all that a column can be. */
    record ColumnsView(List<ColumnView> columns, List<String> kinds, boolean chosen) {}

    @GetMapping
    ColumnsView columns(@PathVariable long id, @RequestParam String path) {
        List<ColumnKind> chosen = jobs.ticket(id).files().columns().getOrDefault(path, List.of());
        PartTables.Found found = PartTables.read(path, jobs.content(id, path).content(), chosen);
        List<ColumnView> columns =
                found.columns().columns().stream()
                        .map(c -> new ColumnView(c.heading(), c.kind().id(), c.cells()))
                        .toList();
        if (columns.isEmpty()) {
            throw new NotFoundException(path + " has no columns.");
        }
        List<String> kinds = Arrays.stream(ColumnKind.values()).map(ColumnKind::id).toList();
        return new ColumnsView(columns, kinds, !chosen.isEmpty());
    }
}
