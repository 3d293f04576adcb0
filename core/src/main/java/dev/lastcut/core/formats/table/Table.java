package dev.lastcut.core.formats.table;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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

    private Table(List<Row> rows) {
        this.rows = rows;
    }

    static Table parse(byte[] content) {
        if (XlsxRows.isWorkbook(content)) {
            return new Table(XlsxRows.read(content, MOST_ROWS));
        }
        String text = Texts.decode(content);
        return new Table(isSpaced(text) ? spaced(text) : delimited(text, delimiter(text)));
    }

    List<Row> rows() {
        return rows;
    }

    /** The row that names the columns: the first in which {@code columns} finds what it needs. */
    int header(java.util.function.Predicate<Row> isHeader) {
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

    private static boolean isSpaced(String text) {
        return delimiterCount(text, ',') + delimiterCount(text, ';') + delimiterCount(text, '\t')
                == 0;
    }

    private static long delimiterCount(String text, char c) {
        return text.chars().limit(20_000).filter(x -> x == c).count();
    }

    private static char delimiter(String text) {
        char best = ',';
        for (char c : new char[] {';', '\t'}) {
            if (delimiterCount(text, c) > delimiterCount(text, best)) {
                best = c;
            }
        }
        return best;
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

    private static List<Row> spaced(String text) {
        List<Row> rows = new ArrayList<>();
        int line = 0;
        for (String s : text.split("\r\n|\n|\r", -1)) {
            line++;
            String body = s.strip().replaceFirst("^#+\\s*", "");
            if (!body.isEmpty() && rows.size() < MOST_ROWS) {
                rows.add(new Row(line, List.of(body.split("\\s+"))));
            }
        }
        return rows;
    }
}
