package dev.lastcut.server.api;

import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.ParcelService;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** A whole job as one file, out and in; and a copy of everything. */
@RestController
@RequestMapping("/api")
class ParcelController {
    private final ParcelService parcels;
    private final JobService jobs;

    ParcelController(ParcelService parcels, JobService jobs) {
        this.parcels = parcels;
        this.jobs = jobs;
    }

    @GetMapping("/jobs/{id}/whole")
    ResponseEntity<byte[]> out(@PathVariable long id) {
        String name = jobs.job(id).name().replaceAll("[^A-Za-z0-9._-]", "-");
        return download(name + ".lastcut", parcels.pack(id));
    }

    /** The new job's id. */
    @PostMapping(path = "/whole", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    long in(@RequestBody byte[] parcel) {
        return parcels.unpack(parcel);
    }

    @GetMapping("/database")
    ResponseEntity<byte[]> database() {
        return download("last-cut.db", parcels.database());
    }

    private static ResponseEntity<byte[]> download(String name, byte[] content) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(content);
    }
}
