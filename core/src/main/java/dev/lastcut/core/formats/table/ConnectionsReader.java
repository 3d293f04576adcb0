package dev.lastcut.core.formats.table;

import dev.lastcut.core.board.Connections;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.work.WorkLimitException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a table of connections: a net on each row, and its pins as {@code R1.1 C2.2 U1.4}, in one
 * cell or in several. It is known by its headings, or where it has none by rows of two cells of
 * which the second lists pins.
 */
public final class ConnectionsReader {
    private static final Pattern PIN =
            Pattern.compile(
                    "([A-Za-z_]{1,8}\\d{1,5}[A-Za-z]?)\\s?[.:/\\-]\\s?([A-Za-z0-9+~_\\-]{1,12})");

    private static final String SEPARATORS = "[,;|\\s]+";
    private static final Set<String> NET =
            Set.of(
                    "net",
                    "nets",
                    "net name",
                    "signal",
                    "netz",
                    "red",
                    "rete",
                    "nät",
                    "sieć",
                    "uzel");
    private static final Set<String> PINS =
            Set.of(
                    "pins",
                    "pin",
                    "nodes",
                    "connections",
                    "anschlüsse",
                    "pines",
                    "broches",
                    "pini",
                    "stift");

    /** Of the rows without headings, so many must list pins. */
    private static final double MOST_ROWS = 0.9;

    private ConnectionsReader() {}

    /** What was read; {@code problems} names each cell that could not be. */
    public record Result(Connections connections, List<Problem> problems) {}

    /**
     * @return empty when the file is no table of connections
     */
    public static Optional<Result> read(String file, byte[] content) {
        for (Table table : Table.layouts(content)) {
            List<Table.Row> rows = table.rows();
            if (rows.size() >= Table.MOST_ROWS) {
                throw new WorkLimitException(
                        "It has %,d rows or more; fewer are read of one table.", Table.MOST_ROWS);
            }
            int heading = heading(rows);
            if (heading >= 0) {
                return Optional.of(
                        result(file, rows.subList(heading + 1, rows.size()), rows.get(heading)));
            }
            if (isBare(rows)) {
                return Optional.of(result(file, rows, null));
            }
        }
        return Optional.empty();
    }

    /** The row of headings, within the first few; −1 for none. */
    private static int heading(List<Table.Row> rows) {
        for (int i = 0; i < Math.min(5, rows.size()); i++) {
            if (column(rows.get(i), NET) >= 0 && column(rows.get(i), PINS) >= 0) {
                return i;
            }
        }
        return -1;
    }

    private static int column(Table.Row row, Set<String> words) {
        for (int c = 0; c < row.cells().size(); c++) {
            if (words.contains(row.cell(c).toLowerCase(Locale.ROOT).strip())) {
                return c;
            }
        }
        return -1;
    }

    private static boolean isBare(List<Table.Row> rows) {
        int listing = 0;
        int several = 0;
        for (Table.Row r : rows) {
            List<String> words = words(r, 1);
            boolean pins =
                    !words.isEmpty() && words.stream().allMatch(w -> PIN.matcher(w).matches());
            boolean named = !r.cell(0).isEmpty() && !PIN.matcher(r.cell(0)).matches();
            if (pins && named) {
                listing++;
                several += words.size() > 1 ? 1 : 0;
            }
        }
        return several > 1 && listing >= MOST_ROWS * rows.size();
    }

    private static List<String> words(Table.Row row, int from) {
        List<String> all = new ArrayList<>();
        for (int c = from; c < row.cells().size(); c++) {
            for (String w : row.cell(c).split(SEPARATORS)) {
                if (!w.isEmpty()) {
                    all.add(w);
                }
            }
        }
        return all;
    }

    /**
     * @param heading null for a table without one
     */
    private static Result result(String file, List<Table.Row> rows, Table.Row heading) {
        ProblemLog log = new ProblemLog(file);
        List<String> faults = new ArrayList<>();
        int net = heading == null ? 0 : column(heading, NET);
        int pins = heading == null ? 1 : column(heading, PINS);
        List<Connections.Row> all = new ArrayList<>();
        for (Table.Row r : rows) {
            // A wide table has its pins in all cells from their heading on.
            List<String> words = net < pins ? words(r, pins) : words(only(r, pins), 0);
            if (words.isEmpty() && r.cell(net).isEmpty()) {
                continue;
            }
            if (r.cell(net).isEmpty()) {
                fault(log, faults, r, "its net has no name", "Name it.");
                continue;
            }
            List<Connections.PartPin> its = new ArrayList<>();
            for (String w : words) {
                Matcher m = PIN.matcher(w);
                if (m.matches()) {
                    its.add(new Connections.PartPin(m.group(1), m.group(2)));
                } else {
                    fault(
                            log,
                            faults,
                            r,
                            "“" + w + "” in net " + r.cell(net) + " names no pin",
                            "Write the part and its pin, as R1.1.");
                }
            }
            if (words.isEmpty()) {
                fault(
                        log,
                        faults,
                        r,
                        "net " + r.cell(net) + " has no pins",
                        "List them, or remove the row.");
            }
            all.add(new Connections.Row(r.cell(net), its, r.line()));
        }
        if (all.isEmpty()) {
            faults.add(
                    "The table of connections "
                            + file
                            + " is empty. Write a net and its pins on each row.");
        }
        return new Result(new Connections(file, all, faults), log.problems());
    }

    private static Table.Row only(Table.Row r, int column) {
        return new Table.Row(r.line(), List.of(r.cell(column)));
    }

    private static void fault(
            ProblemLog log, List<String> faults, Table.Row row, String what, String todo) {
        log.add(
                Code.BAD_ROW,
                row.line(),
                what,
                "left out; "
                        + Character.toLowerCase(todo.charAt(0))
                        + todo.substring(1).replaceAll("\\.$", ""));
        faults.add("%s, line %d: %s. %s".formatted(log.file(), row.line(), what, todo));
    }
}
