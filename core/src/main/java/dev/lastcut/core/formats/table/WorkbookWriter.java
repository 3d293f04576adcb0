package dev.lastcut.core.formats.table;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.List;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** Writes a table as a workbook of one sheet (Office Open XML, ISO/IEC 29500). */
public final class WorkbookWriter {
    /** The first day a zip can tell. */
    private static final LocalDateTime NO_TIME = LocalDateTime.of(1980, 1, 1, 0, 0);

    private static final int LONGEST_CELL = 32_767;

    private WorkbookWriter() {}

    /** Whole numbers become numbers; all else is text, so no cell is ever run as a formula. */
    public static byte[] write(String sheet, List<String> header, List<List<String>> rows) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(bytes, "Last Cut", "1.0")) {
            Worksheet page = book.newWorksheet(sheet);
            for (int c = 0; c < header.size(); c++) {
                page.value(0, c, header.get(c));
                page.style(0, c).bold().set();
            }
            for (int r = 0; r < rows.size(); r++) {
                List<String> row = rows.get(r);
                for (int c = 0; c < row.size(); c++) {
                    cell(page, r + 1, c, row.get(c));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return timeless(bytes.toByteArray());
    }

    private static void cell(Worksheet page, int row, int column, String text) {
        if (text.matches("[1-9]\\d{0,8}|0")) {
            page.value(row, column, Integer.parseInt(text));
        } else if (!text.isEmpty()) {
            String clean = text.replaceAll("[\\x00-\\x08\\x0b\\x0c\\x0e-\\x1f]", "");
            page.value(row, column, clean.substring(0, Math.min(clean.length(), LONGEST_CELL)));
        }
    }

    /** The same table gives the same bytes: no time of writing, entries in order of name. */
    private static byte[] timeless(byte[] zip) {
        TreeMap<String, byte[]> entries = new TreeMap<>();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipFile in = ZipFile.builder().setByteArray(zip).get();
                ZipOutputStream next = new ZipOutputStream(out)) {
            for (ZipArchiveEntry e : Collections.list(in.getEntries())) {
                try (InputStream content = in.getInputStream(e)) {
                    entries.put(e.getName(), content.readAllBytes());
                }
            }
            for (var e : entries.entrySet()) {
                byte[] content = e.getValue();
                if (e.getKey().equals("docProps/core.xml")) {
                    content =
                            new String(content, StandardCharsets.UTF_8)
                                    .replaceAll(
                                            "<dcterms:(created|modified)[^>]*>[^<]*</[^>]*>", "")
                                    .getBytes(StandardCharsets.UTF_8);
                }
                ZipEntry entry = new ZipEntry(e.getKey());
                entry.setTimeLocal(NO_TIME);
                next.putNextEntry(entry);
                next.write(content);
                next.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
