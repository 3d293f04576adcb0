package dev.lastcut.server.api;

import dev.lastcut.core.adapter.AdapterForm;
import dev.lastcut.core.adapter.AdapterPack;
import dev.lastcut.server.jobs.RefusedException;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Adapter boards for fine-pitch parts. */
@RestController
class AdapterController {
    /** The pack of an adapter board as a zip; lengths in mm. */
    @GetMapping(path = "/api/adapter.zip", produces = "application/zip")
    ResponseEntity<byte[]> pack(
            @RequestParam int pins,
            @RequestParam int rows,
            @RequestParam double pitch,
            @RequestParam double bodyWidth,
            @RequestParam double leadSpan,
            @RequestParam(defaultValue = "0") double exposedPad,
            @RequestParam(defaultValue = "") String name) {
        AdapterForm form;
        try {
            form = new AdapterForm(pins, rows, pitch, bodyWidth, leadSpan, exposedPad, name);
        } catch (IllegalArgumentException e) {
            throw new RefusedException(e.getMessage());
        }
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"adapter.zip\"")
                .body(zip(AdapterPack.of(form)));
    }

    private static byte[] zip(Map<String, byte[]> files) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> f : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(f.getKey()));
                zip.write(f.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
