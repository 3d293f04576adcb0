package dev.lastcut.server.api;

import dev.lastcut.core.intake.Pack;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.ticket.Tickets;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/**
 * What a maintainer needs to see a problem: the log, the versions, and the ticket; the board's
 * files only when they are asked for. It is a download: nothing is sent anywhere.
 */
@RestController
@WithoutBoard
class ProblemReportController {
    private final JobService jobs;
    private final Path log;

    ProblemReportController(JobService jobs, @Value("${logging.file.name}") Path log) {
        this.jobs = jobs;
        this.log = log;
    }

    @GetMapping(path = "/api/jobs/{id}/problem-report.zip", produces = "application/zip")
    ResponseEntity<StreamingResponseBody> report(
            @PathVariable long id, @RequestParam(defaultValue = "false") boolean files) {
        byte[] ticket = Tickets.write(jobs.ticket(id));
        Pack pack = files ? jobs.pack(id) : null;
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"last-cut-problem-" + id + ".zip\"")
                .contentType(MediaType.parseMediaType("application/zip"))
                .body(
                        to -> {
                            try (ZipOutputStream zip = new ZipOutputStream(to)) {
                                put(zip, "versions.txt", versions());
                                put(zip, "ticket.json", ticket);
                                if (Files.isRegularFile(log)) {
                                    put(zip, "last-cut.log", Files.readAllBytes(log));
                                }
                                if (pack != null) {
                                    for (Pack.PackFile f : pack.files()) {
                                        put(zip, "files/" + f.path(), f.content());
                                    }
                                }
                            }
                        });
    }

    private static byte[] versions() {
        Runtime machine = Runtime.getRuntime();
        String version = ProblemReportController.class.getPackage().getImplementationVersion();
        return String.format(
                        "Last Cut %s%nJava %s%n%s %s, %s%n%d processors, heap %d MB%n",
                        version == null ? "as built here" : version,
                        System.getProperty("java.version"),
                        System.getProperty("os.name"),
                        System.getProperty("os.version"),
                        System.getProperty("os.arch"),
                        machine.availableProcessors(),
                        machine.maxMemory() >> 20)
                .getBytes(StandardCharsets.UTF_8);
    }

    private static void put(ZipOutputStream zip, String path, byte[] content) throws IOException {
        zip.putNextEntry(new ZipEntry(path));
        zip.write(content);
        zip.closeEntry();
    }
}
