package dev.lastcut.core.formats.table;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes a table as comma-separated text after RFC 4180, safe to open in a spreadsheet. */
public final class TableWriter {
    private TableWriter() {}

    public static byte[] csv(List<String> header, List<List<String>> rows) {
        StringBuilder out = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180.builder().setRecordSeparator("\r\n").get();
        try (CSVPrinter printer = new CSVPrinter(out, format)) {
            printer.printRecord(header);
            for (List<String> row : rows) {
                printer.printRecord(row.stream().map(TableWriter::harmless).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** A cell that a spreadsheet would run as a formula gets an apostrophe; numbers stay. */
    static String harmless(String cell) {
        boolean risky = !cell.isEmpty() && "=+-@\t\r".indexOf(cell.charAt(0)) >= 0;
        return risky && !cell.matches("[-+]?\\d+(\\.\\d+)?") ? "'" + cell : cell;
    }
}
