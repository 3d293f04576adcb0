package dev.lastcut.server.jobs;

import dev.lastcut.core.cut.Manifest;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.sheets.Sheets;
import dev.lastcut.server.store.BlobStore;
import dev.lastcut.server.store.ParcelStore;
import dev.lastcut.server.store.ScratchFiles;
import dev.lastcut.server.store.StorageFault;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.InvalidDataAccessApiUsageException;
import org.springframework.jdbc.BadSqlGrammarException;
import org.springframework.jdbc.UncategorizedSQLException;
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
    private static final int MOST_ROWS = 64 << 20;
    private static final int MOST_FILE = 256 << 20;
    private static final String NO_JOB =
            "It is no job of Last Cut as one file. Nothing was changed.";
    private static final String DAMAGED =
            "The job file is damaged or cut off. Nothing was changed; fetch it again.";

    private final ParcelStore parcels;
    private final BlobStore blobs;
    private final JobService jobs;
    private final Sheets sheets;
    private final ScratchFiles scratch;
    private final TransactionTemplate whole;

    ParcelService(
            ParcelStore parcels,
            BlobStore blobs,
            JobService jobs,
            Sheets sheets,
            ScratchFiles scratch,
            PlatformTransactionManager transactions) {
        this.scratch = scratch;
        this.parcels = parcels;
        this.blobs = blobs;
        this.jobs = jobs;
        this.sheets = sheets;
        this.whole = new TransactionTemplate(transactions);
    }

    /** The first file of a parcel. */
    record Rows(
            int version, Map<String, List<Map<String, Object>>> rows, Map<String, String> sheets) {}

    /** Writes a job as one file, one of its files after the other. */
    public void pack(long id, OutputStream to) throws IOException {
        String shop = jobs.ticket(id).shop().orElse("");
        Map<String, String> own = new LinkedHashMap<>();
        if (sheets.isOwn(shop)) {
            sheets.json(shop).ifPresent(j -> own.put(shop, new String(j, StandardCharsets.UTF_8)));
        }
        Map<String, List<Map<String, Object>>> rows = parcels.rows(id);
        try (ZipOutputStream zip = new ZipOutputStream(to)) {
            put(zip, ROWS, Json.write(new Rows(VERSION, rows, own)));
            for (String hash : named(rows)) {
                put(zip, BLOBS + hash, blobs.get(hash));
            }
        }
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
    public long unpack(Path parcel) {
        try (ZipFile zip = new ZipFile(parcel.toFile())) {
            Rows rows = rows(content(zip, ROWS, MOST_ROWS));
            return whole.execute(
                    status -> {
                        for (String hash : named(rows.rows)) {
                            keep(zip, hash, rows);
                        }
                        rows.sheets.forEach(this::sheet);
                        return parcels.add(rows.rows);
                    });
        } catch (DataIntegrityViolationException
                | InvalidDataAccessApiUsageException
                | UncategorizedSQLException
                | BadSqlGrammarException
                | IllegalArgumentException e) {
            if (StorageFault.sentence(e).isPresent()) {
                throw e;
            }
            throw new RefusedException(
                    "The job file is damaged: what it says does not fit together. Nothing was"
                            + " changed.");
        } catch (ZipException e) {
            throw new RefusedException(startsAsZip(parcel) ? DAMAGED : NO_JOB);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static boolean startsAsZip(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            return in.read() == 'P' && in.read() == 'K';
        } catch (IOException e) {
            return false;
        }
    }

    /** One file after the other, so that only one of them is in the memory. */
    private void keep(ZipFile zip, String hash, Rows rows) {
        byte[] content = content(zip, BLOBS + hash, MOST_FILE);
        if (content == null || !Manifest.sha256(content).equals(hash)) {
            throw new RefusedException(
                    "The job file is "
                            + (content == null ? "cut off or lacks a file" : "altered")
                            + ": "
                            + what(rows.rows, hash)
                            + ". Nothing was changed; fetch it again.");
        }
        blobs.put(content);
    }

    /**
     * A file of the zip; null where there is none.
     *
     * @throws RefusedException when it is damaged or unpacks to more than {@code most} bytes
     */
    private static byte[] content(ZipFile zip, String path, int most) {
        ZipEntry entry = zip.getEntry(path);
        if (entry == null) {
            return null;
        }
        try (InputStream in = zip.getInputStream(entry)) {
            byte[] content = in.readNBytes(most + 1);
            if (content.length > most) {
                throw new RefusedException(
                        "The job file is refused: "
                                + path
                                + " unpacks to more than "
                                + (most >> 20)
                                + " MB. Nothing was changed.");
            }
            return content;
        } catch (IOException e) {
            throw new RefusedException(DAMAGED);
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
        if (json == null) {
            throw new RefusedException(NO_JOB);
        }
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

    /** Writes a copy of everything, consistent though the application goes on. */
    public void database(OutputStream to) throws IOException {
        scratch.with(
                file -> {
                    parcels.copyTo(file.toString());
                    return Files.copy(file, to);
                });
    }
}
