package dev.lastcut.core.formats.table;

import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** A text table split into rows of cells; the first row that holds enough names is the header. */
final class Table {
    private static final int MOST_ROWS = 200_000;

    /** One row: its line in the file, counted from 1, and its cells, stripped. */
    record Row(int line, List<String> cells) {
        String cell(int column) {
            return column >= 0 && column < cells.size() ? cells.get(column) : "";
        }
    }

    private final List<Row> rows;

    /** The lines of a table whose columns are parted by spaces; empty for others. */
    private final List<String> lines;

    private Table(List<Row> rows) {
        this(rows, List.of());
    }

    private final List<Fault> faults;

    private Table(List<Row> rows, List<String> lines) {
        this(rows, lines, List.of());
    }

    private Table(List<Row> rows, List<String> lines, List<Fault> faults) {
        this.rows = rows;
        this.lines = lines;
        this.faults = faults;
    }

    /** A table and the row of it that names the columns. */
    record Found(Table table, int head) {
        Row header() {
            return table.rows.get(head);
        }

        /** The rows below the header. */
        List<Row> body() {
            return table.rows.subList(head + 1, table.rows.size());
        }
    }

    /**
     * The table in which a header is found, however its cells are parted: by commas, semicolons,
     * tabs, or by spaces into columns of fixed width. Of several the one with the most full rows.
     */
    static Optional<Found> find(byte[] content, Predicate<Row> isHeader) {
        Found best = null;
        long most = -1;
        for (Table t : layouts(content)) {
            int head = t.header(isHeader);
            if (head >= 0) {
                int width = t.rows.get(head).cells().size();
                long full =
                        t.rows.stream()
                                .skip(head + 1L)
                                .filter(r -> r.cells().size() >= width)
                                .count();
                if (full > most) {
                    most = full;
                    best = new Found(t.aligned(head), head);
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /** What stands in the first row, for a message about a header that was not found. */
    static String firstRow(byte[] content) {
        Optional<String> foreign = foreign(content);
        if (foreign.isPresent()) {
            return foreign.get();
        }
        List<Row> rows = layouts(content).get(0).rows;
        return rows.isEmpty() ? "nothing" : rows.get(0).cells().toString();
    }

    /** What a file is that looks like a table of another kind; words to be read after "found". */
    private static Optional<String> foreign(byte[] content) {
        if (content.length > 8 && (content[0] & 0xff) == 0xd0 && (content[1] & 0xff) == 0xcf) {
            return Optional.of("a spreadsheet of the old kind (.xls); save it as .xlsx or CSV");
        }
        boolean zip = content.length > 4 && content[0] == 'P' && content[1] == 'K';
        return zip && !XlsxRows.isWorkbook(content)
                ? Optional.of("a spreadsheet that is not .xlsx; save it as .xlsx or CSV")
                : Optional.empty();
    }

    /** The likeliest way of parting first. */
    private static List<Table> layouts(byte[] content) {
        if (XlsxRows.isWorkbook(content)) {
            return List.of(new Table(XlsxRows.read(content, MOST_ROWS)));
        }
        String text = Texts.decode(content);
        List<Table> all = new ArrayList<>();
        List<Character> marks = new ArrayList<>(List.of(',', ';', '\t'));
        marks.removeIf(c -> delimiterCount(text, c) == 0);
        marks.sort(Comparator.comparingLong(c -> -delimiterCount(text, c)));
        marks.forEach(c -> all.add(delimited(text, c)));
        all.add(spaced(text));
        return all;
    }

    List<Row> rows() {
        return rows;
    }

    /** The row that names the columns: the first in which {@code columns} finds what it needs. */
    private int header(Predicate<Row> isHeader) {
        for (int i = 0; i < Math.min(rows.size(), 40); i++) {
            if (isHeader.test(rows.get(i))) {
                return i;
            }
        }
        return -1;
    }

    /** The first column of the header whose plain name is one of the given; −1 if none. */
    static int column(Row header, String... names) {
        for (String name : names) {
            for (int i = 0; i < header.cells().size(); i++) {
                if (plain(header.cells().get(i)).equals(name)) {
                    return i;
                }
            }
        }
        return -1;
    }

    /** Lower case letters and digits only; units in brackets go. */
    static String plain(String name) {
        return name.toLowerCase(Locale.ROOT)
                .replaceAll("[\\[(].*?[\\])]", "")
                .replaceAll("[^a-z0-9]", "");
    }

    /** Says of each row that could not be read as it stands what was done. */
    static void tell(Found found, ProblemLog log) {
        for (Fault f : found.table().faults) {
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
    private record Fault(int line, String text) {}

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
        return new Table(rows, List.of(), faults);
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

    private static Table spaced(String text) {
        List<Row> rows = new ArrayList<>();
        List<String> lines = new ArrayList<>();
        int line = 0;
        for (String s : text.split("\r\n|\n|\r", -1)) {
            line++;
            // A mark of a comment may stand before the names of the columns, in their first place.
            String body = s.replaceFirst("^(\\s*)#+", "$1 ");
            if (!body.isBlank() && rows.size() < MOST_ROWS) {
                rows.add(new Row(line, words(body)));
                lines.add(body);
            }
        }
        return new Table(rows, lines);
    }

    /**
     * Columns of fixed width: a row with another number of words than there are names (a value of
     * two words, an empty cell) is split where the names begin.
     */
    private Table aligned(int head) {
        if (lines.isEmpty()) {
            return this;
        }
        List<Integer> starts = wordStarts(lines.get(head));
        List<Row> all = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            Row r = rows.get(i);
            boolean regular = i <= head || r.cells().size() == starts.size();
            all.add(regular ? r : new Row(r.line(), slices(lines.get(i), starts)));
        }
        return new Table(all, lines);
    }

    private static List<String> words(String s) {
        return List.of(s.strip().split("\\s+"));
    }

    private static List<Integer> wordStarts(String s) {
        List<Integer> starts = new ArrayList<>();
        for (int i = 0; i < s.length(); i++) {
            boolean before = i == 0 || Character.isWhitespace(s.charAt(i - 1));
            if (before && !Character.isWhitespace(s.charAt(i))) {
                starts.add(i);
            }
        }
        return starts;
    }

    /** Each word belongs to the last column that begins at or before its end. */
    private static List<String> slices(String s, List<Integer> starts) {
        List<StringBuilder> cells = new ArrayList<>();
        starts.forEach(x -> cells.add(new StringBuilder()));
        for (int from : wordStarts(s)) {
            int to = from;
            while (to < s.length() && !Character.isWhitespace(s.charAt(to))) {
                to++;
            }
            int column = 0;
            while (column + 1 < starts.size() && starts.get(column + 1) < to) {
                column++;
            }
            StringBuilder cell = cells.get(column);
            cell.append(cell.isEmpty() ? "" : " ").append(s, from, to);
        }
        return cells.stream().map(StringBuilder::toString).toList();
    }
}
