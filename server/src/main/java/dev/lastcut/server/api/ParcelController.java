package dev.lastcut.server.api;

import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.ParcelService;
import dev.lastcut.server.store.ScratchFiles;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** A whole job as one file, out and in; and a copy of everything. */
@RestController
@WithoutBoard
@RequestMapping("/api")
class ParcelController {
    private final ParcelService parcels;
    private final JobService jobs;
    private final ScratchFiles scratch;

    ParcelController(ParcelService parcels, JobService jobs, ScratchFiles scratch) {
        this.scratch = scratch;
        this.parcels = parcels;
        this.jobs = jobs;
    }

    @GetMapping("/jobs/{id}/whole")
    ResponseEntity<StreamingResponseBody> out(@PathVariable long id) {
        String name = jobs.job(id).name().replaceAll("[^A-Za-z0-9._-]", "-");
        return download(name + ".lastcut", to -> parcels.pack(id, to));
    }

    /** The new job's id. */
    @PostMapping(path = "/whole", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    long in(HttpServletRequest request) throws IOException {
        return scratch.with(request.getInputStream(), parcels::unpack);
    }

    @GetMapping("/database")
    ResponseEntity<StreamingResponseBody> database() {
        return download("last-cut.db", parcels::database);
    }

    private static ResponseEntity<StreamingResponseBody> download(
            String name, StreamingResponseBody content) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(content);
    }
}
