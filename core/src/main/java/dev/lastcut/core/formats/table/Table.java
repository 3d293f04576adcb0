package dev.lastcut.core.formats.table;

import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.formats.Texts;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** A text table split into rows of cells in one way; which way is right its cells must show. */
final class Table {
    /** Rows that are read; a table of parts with more is refused. */
    static final int MOST_ROWS = 20_000;

    /** One row: its line in the file, counted from 1, and its cells, stripped. */
    record Row(int line, List<String> cells) {
        String cell(int column) {
            return column >= 0 && column < cells.size() ? cells.get(column) : "";
        }

        /** How many cells hold anything. */
        int filled() {
            return (int) cells.stream().filter(c -> !c.isEmpty()).count();
        }

        /** Whether it only draws a line under what stands above. */
        boolean isRule() {
            return cells.stream().allMatch(c -> c.matches("[-=_+|*~.\\s]*"));
        }
    }

    private final List<Row> rows;
    private final List<Fault> faults;

    Table(List<Row> rows, List<Fault> faults) {
        this.rows = rows;
        this.faults = faults;
    }

    /** What a file is that looks like a table of another kind; words to be read after "found". */
    static Optional<String> foreign(byte[] content) {
        if (content.length > 8 && (content[0] & 0xff) == 0xd0 && (content[1] & 0xff) == 0xcf) {
            return Optional.of("a spreadsheet of the old kind (.xls); save it as .xlsx or CSV");
        }
        boolean zip = content.length > 4 && content[0] == 'P' && content[1] == 'K';
        return zip && !XlsxRows.isWorkbook(content)
                ? Optional.of("a spreadsheet that is not .xlsx; save it as .xlsx or CSV")
                : Optional.empty();
    }

    /**
     * All ways in which a file may be parted into cells, the likeliest first; for a workbook its
     * sheets.
     */
    static List<Table> layouts(byte[] content) {
        if (XlsxRows.isWorkbook(content)) {
            return XlsxRows.read(content, MOST_ROWS).stream()
                    .map(rows -> new Table(rows, List.of()))
                    .toList();
        }
        String text = Texts.decode(content);
        List<Table> all = new ArrayList<>();
        List<Character> marks = new ArrayList<>(List.of(',', ';', '\t', '|'));
        marks.removeIf(c -> delimiterCount(text, c) == 0);
        marks.sort(Comparator.comparingLong(c -> -delimiterCount(text, c)));
        marks.forEach(c -> all.add(delimited(text, c)));
        all.addAll(SpacedColumns.layouts(text, MOST_ROWS));
        return all;
    }

    List<Row> rows() {
        return rows;
    }

    /** Says of each row that could not be read as it stands what was done. */
    void tell(ProblemLog log) {
        for (Fault f : faults) {
            log.add(
                    Code.BAD_ROW,
                    f.line(),
                    f.text(),
                    "read without the quote; what follows is read line by line");
        }
    }

    private static long delimiterCount(String text, char c) {
        return text.chars().limit(20_000).filter(x -> x == c).count();
    }

    /** Cells may go on over a few lines; a quote that is still open then never closes. */
    private static final int MOST_LINES_OF_A_CELL = 10;

    /** What a row of a table could not be read as, by its line. */
    record Fault(int line, String text) {}

    private static Table delimited(String text, char delimiter) {
        CSVFormat format =
                CSVFormat.DEFAULT
                        .builder()
                        .setDelimiter(delimiter)
                        .setTrim(true)
                        .setIgnoreEmptyLines(true)
                        .setLenientEof(true)
                        .setTrailingData(true)
                        .get();
        List<Row> rows = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        String[] lines = text.split("\r\n|\n|\r", -1);
        List<String> all = Arrays.asList(lines);
        int i = 0;
        while (i < lines.length && rows.size() < MOST_ROWS) {
            int end = closing(lines, i);
            String record = String.join("\n", all.subList(i, end + 1));
            if (isOpen(record)) {
                faults.add(new Fault(i + 1, "a quote is opened and never closed"));
                record = record.replace("\"", "");
            }
            if (!record.isBlank()) {
                rows.add(new Row(end + 1, cells(record, format)));
            }
            i = end + 1;
        }
        return new Table(rows, faults);
    }

    /** The line in which the quotes of a record close; its own when they never do. */
    private static int closing(String[] lines, int from) {
        boolean open = isOpen(lines[from]);
        int to = from;
        while (open && to + 1 < lines.length && to - from < MOST_LINES_OF_A_CELL) {
            to++;
            open ^= isOpen(lines[to]);
        }
        return open ? from : to;
    }

    /** Quotes within quotes are doubled (RFC 4180), so an odd number leaves one open. */
    private static boolean isOpen(String s) {
        return s.indexOf('"') >= 0 && s.chars().filter(c -> c == '"').count() % 2 == 1;
    }

    private static List<String> cells(String record, CSVFormat format) {
        try (CSVParser parser = CSVParser.parse(new StringReader(record), format)) {
            for (CSVRecord r : parser) {
                return r.toList();
            }
        } catch (IOException | UncheckedIOException e) {
            // Quotes in the middle of words: split as it stands.
            return List.of(
                    record.split(java.util.regex.Pattern.quote(format.getDelimiterString())));
        }
        return List.of();
    }
}
