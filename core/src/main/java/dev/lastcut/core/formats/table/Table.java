package dev.lastcut.core.formats.table;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
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

    private Table(List<Row> rows, List<String> lines) {
        this.rows = rows;
        this.lines = lines;
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
        List<Row> rows = layouts(content).get(0).rows;
        return rows.isEmpty() ? "nothing" : rows.get(0).cells().toString();
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
        marks.forEach(c -> all.add(new Table(delimited(text, c))));
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

    private static long delimiterCount(String text, char c) {
        return text.chars().limit(20_000).filter(x -> x == c).count();
    }

    private static List<Row> delimited(String text, char delimiter) {
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
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            for (CSVRecord record : parser) {
                if (rows.size() >= MOST_ROWS) {
                    break;
                }
                int last = (int) parser.getCurrentLineNumber();
                rows.add(new Row(Math.max(1, last), record.toList()));
            }
        } catch (IOException | UncheckedIOException e) {
            // A quote that never closes: what was split so far stands, the caller sees fewer rows.
            return rows;
        }
        return rows;
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
