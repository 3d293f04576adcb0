package dev.lastcut.server.jobs;

import dev.lastcut.core.cut.Manifest;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.sheets.Sheets;
import dev.lastcut.server.store.BlobStore;
import dev.lastcut.server.store.ParcelStore;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;

/**
 * A whole job as one file, to be kept or taken to another bench: its rows as JSON, and beside them
 * every file they name, by its hash.
 */
@Service
public class ParcelService {
    static final int VERSION = 1;

    private static final String ROWS = "job.json";
    private static final String BLOBS = "files/";
    private static final List<String> NAMES_A_FILE = List.of("sha256", "zip");
    private static final long MOST_BYTES = 2L << 30;

    private final ParcelStore parcels;
    private final BlobStore blobs;
    private final JobService jobs;
    private final Sheets sheets;
    private final TransactionTemplate whole;

    ParcelService(
            ParcelStore parcels,
            BlobStore blobs,
            JobService jobs,
            Sheets sheets,
            PlatformTransactionManager transactions) {
        this.parcels = parcels;
        this.blobs = blobs;
        this.jobs = jobs;
        this.sheets = sheets;
        this.whole = new TransactionTemplate(transactions);
    }

    /** The first file of a parcel. */
    record Rows(
            int version, Map<String, List<Map<String, Object>>> rows, Map<String, String> sheets) {}

    public byte[] pack(long id) {
        String shop = jobs.ticket(id).shop().orElse("");
        Map<String, String> own = new LinkedHashMap<>();
        if (sheets.isOwn(shop)) {
            sheets.json(shop).ifPresent(j -> own.put(shop, new String(j, StandardCharsets.UTF_8)));
        }
        Map<String, List<Map<String, Object>>> rows = parcels.rows(id);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            put(zip, ROWS, Json.write(new Rows(VERSION, rows, own)));
            for (String hash : named(rows)) {
                put(zip, BLOBS + hash, blobs.get(hash));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static void put(ZipOutputStream zip, String path, byte[] content) throws IOException {
        zip.putNextEntry(new ZipEntry(path));
        zip.write(content);
        zip.closeEntry();
    }

    /** The hashes of the files that rows name. */
    private static TreeSet<String> named(Map<String, List<Map<String, Object>>> rows) {
        TreeSet<String> all = new TreeSet<>();
        rows.values()
                .forEach(
                        table ->
                                table.forEach(
                                        row ->
                                                NAMES_A_FILE.forEach(
                                                        c -> {
                                                            if (row.get(c) instanceof String h) {
                                                                all.add(h);
                                                            }
                                                        })));
        return all;
    }

    /**
     * Puts a job in from its file; the job's id. Nothing is kept when anything is wrong with it.
     *
     * @throws RefusedException with what is wrong
     */
    public long unpack(byte[] parcel) {
        Map<String, byte[]> files = files(parcel);
        byte[] json = files.get(ROWS);
        if (json == null) {
            throw new RefusedException(
                    "It is no job of Last Cut as one file. Nothing was changed.");
        }
        Rows rows = rows(json);
        Map<String, byte[]> contents = new HashMap<>();
        for (String hash : named(rows.rows)) {
            byte[] content = files.get(BLOBS + hash);
            if (content == null || !Manifest.sha256(content).equals(hash)) {
                throw new RefusedException(
                        "The job file is "
                                + (content == null ? "cut off or lacks a file" : "altered")
                                + ": "
                                + what(rows.rows, hash)
                                + ". Nothing was changed; fetch it again.");
            }
            contents.put(hash, content);
        }
        try {
            return whole.execute(
                    status -> {
                        contents.values().forEach(blobs::put);
                        rows.sheets.forEach(this::sheet);
                        return parcels.add(rows.rows);
                    });
        } catch (DataAccessException | IllegalArgumentException e) {
            throw new RefusedException(
                    "The job file is damaged: what it says does not fit together. Nothing was"
                            + " changed.");
        }
    }

    private void sheet(String id, String json) {
        if (sheets.find(id).isEmpty()) {
            try {
                sheets.keep(json.getBytes(StandardCharsets.UTF_8), JobService.time());
            } catch (SheetJson.BadSheetException e) {
                throw new IllegalArgumentException(e.getMessage(), e);
            }
        }
    }

    private static Rows rows(byte[] json) {
        try {
            int version = Json.MAPPER.readTree(json).path("version").asInt(0);
            if (version > VERSION) {
                throw new RefusedException(
                        "The job file was written by a newer Last Cut (its version is "
                                + version
                                + ", this one reads up to "
                                + VERSION
                                + "). Open it there. Nothing was changed.");
            }
            Rows rows = Json.MAPPER.readValue(json, new TypeReference<Rows>() {});
            if (rows.rows == null
                    || rows.rows.getOrDefault("job", List.of()).size() != 1
                    || rows.rows.getOrDefault("revision", List.of()).isEmpty()) {
                throw new RefusedException("The job file has no job in it. Nothing was changed.");
            }
            return new Rows(version, rows.rows, rows.sheets == null ? Map.of() : rows.sheets);
        } catch (JacksonException e) {
            throw new RefusedException("The job file is damaged. Nothing was changed.");
        }
    }

    /** The path of a file by its hash, for people. */
    private static String what(Map<String, List<Map<String, Object>>> rows, String hash) {
        for (Map<String, Object> r : rows.getOrDefault("revision_file", List.of())) {
            if (hash.equals(r.get("sha256"))) {
                return String.valueOf(r.get("path"));
            }
        }
        for (Map<String, Object> r : rows.getOrDefault("cut", List.of())) {
            if (hash.equals(r.get("zip"))) {
                return "cut " + r.get("number");
            }
        }
        return "a picture";
    }

    private static Map<String, byte[]> files(byte[] parcel) {
        Map<String, byte[]> files = new HashMap<>();
        long bytes = 0;
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(parcel))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                byte[] content = in.readNBytes((int) Math.min(1 << 29, MOST_BYTES - bytes));
                bytes += content.length;
                files.put(e.getName(), content);
                if (bytes >= MOST_BYTES) {
                    throw new RefusedException("The job file unpacks to more than 2 GB.");
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new RefusedException(
                    "The job file is damaged or cut off. Nothing was changed; fetch it again.");
        }
        return files;
    }

    /** A copy of everything, consistent though the application goes on. */
    public byte[] database() {
        try {
            Path folder = Files.createTempDirectory("last-cut-copy");
            Path file = folder.resolve("last-cut.db");
            try {
                parcels.copyTo(file.toString());
                return Files.readAllBytes(file);
            } finally {
                Files.deleteIfExists(file);
                Files.deleteIfExists(folder);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
