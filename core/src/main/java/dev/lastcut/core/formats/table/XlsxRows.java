package dev.lastcut.core.formats.table;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;

/** The rows of the sheets of a spreadsheet file (Office Open XML). */
public final class XlsxRows {
    private static final long MOST_BYTES = 64L << 20;
    private static final int MOST_SHEETS = 20;

    /** A document type is declared before anything else. */
    private static final int HEAD = 4_096;

    private XlsxRows() {}

    /** True for a zip that holds a workbook. */
    public static boolean isWorkbook(byte[] content) {
        if (content.length < 4 || content[0] != 'P' || content[1] != 'K') {
            return false;
        }
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(content))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                if (e.getName().startsWith("xl/") || e.getName().equals("[Content_Types].xml")) {
                    return true;
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            return false;
        }
        return false;
    }

    /**
     * The rows of each sheet as text, empty sheets left out; none when the file is damaged or
     * unpacks beyond 64 MB.
     */
    static List<List<Table.Row>> read(byte[] content, int most) {
        List<List<Table.Row>> sheets = new ArrayList<>();
        if (unpacked(content) > MOST_BYTES) {
            return sheets;
        }
        try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(content))) {
            for (Sheet sheet : book.getSheets().limit(MOST_SHEETS).toList()) {
                List<Table.Row> rows = new ArrayList<>();
                sheets.add(rows);
                try (Stream<Row> all = sheet.openStream()) {
                    all.limit(most).forEach(r -> rows.add(new Table.Row(r.getRowNum(), cells(r))));
                }
            }
        } catch (IOException | RuntimeException e) {
            // Damaged: what was read stands; the caller finds no table in it and says so.
            sheets.removeIf(List::isEmpty);
        }
        sheets.forEach(s -> s.removeIf(r -> r.cells().stream().allMatch(String::isEmpty)));
        sheets.removeIf(List::isEmpty);
        return sheets;
    }

    /**
     * Whether a part of a workbook declares a document type. No spreadsheet program writes that; it
     * can make a reader fetch other files, or unfold without end.
     */
    public static boolean hasDocumentType(byte[] content) {
        try (ZipFile zip = ZipFile.builder().setByteArray(content).get()) {
            for (ZipArchiveEntry e : Collections.list(zip.getEntries())) {
                try (InputStream in = zip.getInputStream(e)) {
                    String head = new String(in.readNBytes(HEAD), StandardCharsets.ISO_8859_1);
                    // Without the zeros of UTF-16 it reads as plain text does.
                    if (head.replace("\0", "").contains("<!DOCTYPE")) {
                        return true;
                    }
                }
            }
        } catch (IOException | RuntimeException e) {
            return false;
        }
        return false;
    }

    /** Counted by unpacking, as the sizes a zip states need not be true. */
    private static long unpacked(byte[] content) {
        long total = 0;
        byte[] buffer = new byte[1 << 16];
        try (ZipFile zip = ZipFile.builder().setByteArray(content).get()) {
            for (ZipArchiveEntry e : Collections.list(zip.getEntries())) {
                try (InputStream in = zip.getInputStream(e)) {
                    for (int n = in.read(buffer);
                            n >= 0 && total <= MOST_BYTES;
                            n = in.read(buffer)) {
                        total += n;
                    }
                }
            }
        } catch (IOException | RuntimeException e) {
            return MOST_BYTES + 1;
        }
        return total;
    }

    private static List<String> cells(Row row) {
        List<String> cells = new ArrayList<>();
        for (int i = 0; i < Math.min(row.getCellCount(), 200); i++) {
            Cell cell = row.getCell(i);
            cells.add(cell == null ? "" : text(cell));
        }
        return cells;
    }

    private static String text(Cell cell) {
        if (cell.getType() == CellType.NUMBER) {
            BigDecimal number = cell.asNumber().stripTrailingZeros();
            return number.toPlainString();
        }
        String text = cell.getText();
        return text == null ? "" : text.strip();
    }
}
