package dev.lastcut.server.api;

import dev.lastcut.core.compare.BoardChanges;
import dev.lastcut.server.jobs.CutService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.store.CutStore;
import dev.lastcut.server.store.ScratchFiles;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Cuts afterwards: to whom they went, two held against each other, any zip against its list. */
@RestController
@RequestMapping("/api")
class CutController {
    private final CutService cuts;
    private final ScratchFiles scratch;

    CutController(CutService cuts, ScratchFiles scratch) {
        this.cuts = cuts;
        this.scratch = scratch;
    }

    /** To whom a cut goes. */
    record HandView(String to, String note) {}

    @WithoutBoard
    @GetMapping("/jobs/{id}/handed")
    List<CutStore.Handed> handed(@PathVariable long id) {
        return cuts.handed(id);
    }

    @PostMapping("/jobs/{id}/cuts/{number}/handed")
    List<CutStore.Handed> hand(
            @PathVariable long id, @PathVariable int number, @RequestBody HandView said) {
        return cuts.hand(
                id,
                number,
                said.to() == null ? "" : said.to(),
                said.note() == null ? "" : said.note());
    }

    /** What is wrong with a file, or with the zip where the path is empty. */
    record ZipFaultView(String kind, String path, String says) {}

    /** A zip held against its manifest; the job is empty where it cannot be told. */
    record VerifiedView(
            boolean whole,
            int files,
            String job,
            int number,
            String created,
            String here,
            List<ZipFaultView> faults) {}

    @PostMapping(path = "/verify", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    VerifiedView verify(HttpServletRequest request) throws IOException {
        CutService.Verified v = scratch.with(request.getInputStream(), cuts::verify);
        return new VerifiedView(
                v.found().isWhole(),
                v.found().files(),
                v.found().cut().map(c -> c.job()).orElse(""),
                v.found().cut().map(c -> c.number()).orElse(0),
                v.found().cut().map(c -> c.created()).orElse(""),
                v.here(),
                v.found().faults().stream()
                        .map(
                                f ->
                                        new ZipFaultView(
                                                f.kind().name().toLowerCase(Locale.ROOT),
                                                f.path(),
                                                f.says()))
                        .toList());
    }

    /** Two cuts against each other. */
    record CutDifferenceView(
            List<CutService.FileDifference> files,
            LookController.ChangesView board,
            String choices,
            List<CutService.FindingDifference> findings) {}

    @GetMapping("/jobs/{id}/cuts/{before}/to/{after}")
    CutDifferenceView between(
            @PathVariable long id, @PathVariable int before, @PathVariable int after) {
        CutService.Difference d = cuts.between(id, before, after);
        return new CutDifferenceView(
                d.files(), LookController.changes(before, d.board()), d.choices(), d.findings());
    }

    /** What is added or removed on a layer that differs, packed as a layer is. */
    @GetMapping(
            path = "/jobs/{id}/cuts/{before}/to/{after}/changes/{index}/{which}",
            produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> area(
            @PathVariable long id,
            @PathVariable int before,
            @PathVariable int after,
            @PathVariable int index,
            @PathVariable String which) {
        List<BoardChanges.LayerChange> layers = cuts.between(id, before, after).board().layers();
        if (index < 0 || index >= layers.size() || !which.matches("added|removed")) {
            throw new NotFoundException("There is no change " + index + " " + which + ".");
        }
        BoardChanges.LayerChange l = layers.get(index);
        return ResponseEntity.ok(LayerBytes.of(which.equals("added") ? l.added() : l.removed()));
    }
}
