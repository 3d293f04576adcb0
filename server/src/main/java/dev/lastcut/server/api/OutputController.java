package dev.lastcut.server.api;

import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.store.CutStore;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is made of a board, its previews, and the cuts. */
@RestController
@RequestMapping("/api/jobs/{id}")
class OutputController {
    private final JobService jobs;
    private final OutputService outputs;

    OutputController(JobService jobs, OutputService outputs) {
        this.jobs = jobs;
        this.outputs = outputs;
    }

    record FileLine(String path, long bytes, String purpose) {}

    record OperationView(
            int index,
            String file,
            String kind,
            String side,
            String tool,
            double widthMm,
            double depthMm,
            double minutes) {}

    record OutputsView(
            boolean made,
            List<FileLine> files,
            List<OperationView> operations,
            List<String> remarks) {}

    /** Tool paths in nm: flat lists x, y, z, x, y, z …, one for each visit of the tool. */
    record PathsView(String file, long widthNm, List<long[]> paths) {}

    @GetMapping("/outputs")
    OutputsView outputs(@PathVariable long id) {
        return outputs.lastOutputs(id)
                .map(OutputController::view)
                .orElse(new OutputsView(false, List.of(), List.of(), List.of()));
    }

    private static OutputsView view(OutputSet set) {
        List<OperationView> operations = new ArrayList<>();
        set.milling()
                .ifPresent(
                        plan ->
                                plan.operations()
                                        .forEach(o -> operations.add(view(o, operations.size()))));
        return new OutputsView(
                true,
                set.files().stream()
                        .map(f -> new FileLine(f.path(), f.content().length, f.purpose()))
                        .toList(),
                operations,
                set.remarks());
    }

    private static OperationView view(Operation o, int index) {
        return new OperationView(
                index,
                o.file(),
                o.kind().id(),
                o.side().word(),
                o.cutter().name(),
                Length.toMm(o.cutter().widthAt(o.depth())),
                Length.toMm(o.depth()),
                o.minutes());
    }

    private OutputSet made(long id) {
        return outputs.lastOutputs(id)
                .orElseThrow(() -> new NotFoundException("The outputs are not made yet."));
    }

    @GetMapping("/outputs/file")
    ResponseEntity<byte[]> file(@PathVariable long id, @RequestParam String path) {
        OutputFile file =
                made(id).files().stream()
                        .filter(f -> f.path().equals(path))
                        .findFirst()
                        .orElseThrow(
                                () -> new NotFoundException("There is no output " + path + "."));
        return download(path.substring(path.lastIndexOf('/') + 1), file.content());
    }

    @GetMapping("/outputs/paths/{index}")
    PathsView paths(@PathVariable long id, @PathVariable int index) {
        List<Operation> all = made(id).milling().map(p -> p.operations()).orElse(List.of());
        if (index < 0 || index >= all.size()) {
            throw new NotFoundException("There is no operation " + index + ".");
        }
        Operation o = all.get(index);
        List<long[]> paths = new ArrayList<>();
        for (var path : o.paths()) {
            long[] flat = new long[path.vertices().size() * 3];
            int i = 0;
            for (var v : path.vertices()) {
                flat[i++] = Math.round(v.x());
                flat[i++] = Math.round(v.y());
                flat[i++] = Math.round(v.z());
            }
            paths.add(flat);
        }
        return new PathsView(o.file(), Math.round(o.cutter().widthAt(o.depth())), paths);
    }

    @WithoutBoard
    @GetMapping("/cuts")
    List<CutStore.Cut> cuts(@PathVariable long id) {
        return outputs.cuts(id);
    }

    @WithoutBoard
    @GetMapping("/cuts/{number}.zip")
    ResponseEntity<byte[]> cut(@PathVariable long id, @PathVariable int number) {
        String name = jobs.job(id).name().replaceAll("[^A-Za-z0-9._-]", "-");
        return download(name + "-cut-" + number + ".zip", outputs.cutZip(id, number));
    }

    /** A parcel of a cut: a file or zip that the shop takes for itself. */
    record ParcelView(String file, long bytes, String purpose) {}

    /** The parcels of a cut, in the order of the shop's sheet. */
    @WithoutBoard
    @GetMapping("/cuts/{number}/parcels")
    List<ParcelView> parcels(@PathVariable long id, @PathVariable int number) {
        return outputs.parcels(id, number).stream()
                .map(
                        e ->
                                new ParcelView(
                                        e.path().substring(e.path().lastIndexOf('/') + 1),
                                        e.bytes(),
                                        e.purpose().replaceFirst("^parcel: ", "")))
                .toList();
    }

    @WithoutBoard
    @GetMapping("/cuts/{number}/parcels/{file}")
    ResponseEntity<byte[]> parcel(
            @PathVariable long id, @PathVariable int number, @PathVariable String file) {
        return download(file, outputs.cutFile(id, number, "parcels/" + file));
    }

    /** The capability sheet as it was when the cut was made. */
    @WithoutBoard
    @GetMapping(path = "/cuts/{number}/sheet.json", produces = MediaType.APPLICATION_JSON_VALUE)
    byte[] sheet(@PathVariable long id, @PathVariable int number) {
        return outputs.cutFile(id, number, "sheet.json");
    }

    /** The ticket the cut was made of. */
    @WithoutBoard
    @GetMapping(path = "/cuts/{number}/ticket.json", produces = MediaType.APPLICATION_JSON_VALUE)
    byte[] ticket(@PathVariable long id, @PathVariable int number) {
        return outputs.cutFile(id, number, "ticket.json");
    }

    /** The report of the check the cut was made of. */
    @WithoutBoard
    @GetMapping(path = "/cuts/{number}/report.html", produces = MediaType.TEXT_HTML_VALUE)
    byte[] report(@PathVariable long id, @PathVariable int number) {
        return outputs.cutFile(id, number, "report.html");
    }

    private static ResponseEntity<byte[]> download(String name, byte[] content) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(content);
    }
}
