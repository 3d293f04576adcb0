package dev.lastcut.core.formats.table;

import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.value.PartValue;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A table of parts, found in a file by what its cells are: the column of designators, the rows that
 * list parts, the row that names the columns, and what each column holds. Rows above and below
 * (titles, totals, sections, rules, units) are told apart by their shape.
 */
final class PartTable {
    /** Rows that are looked at to tell what a column is. */
    private static final int SAMPLE = 2_000;

    /** A way of parting cells in which one more column has a meaning is so much likelier. */
    private static final double KNOWN_COLUMN = 0.1;

    /** With fewer parts a heading must say that they are. */
    private static final int FEWEST = 3;

    /** A table of headings alone has at most so many further lines. */
    private static final int MOST_STRAY = 1;

    /** Of so many resistors and capacitors some have a value that can be read. */
    private static final int MANY_PASSIVE = 6;

    /** Designators stand once; names of packages recur. */
    private static final double UNIQUE = 0.75;

    /** How far above the first part its headings may stand. */
    private static final int HEADINGS_WITHIN = 8;

    /** A row has this share of the cells that most rows have. */
    private static final double MOST_CELLS = 0.6;

    /** What is longer is a sentence. */
    private static final int LONGEST_HEADING = 60;

    private final Table table;
    private final int width;
    private final int head;
    private final List<Table.Row> body;
    private final List<ColumnKind> kinds;
    private final List<int[]> pairs;
    private final int usual;
    private final Map<Integer, Boolean> running = new HashMap<>();

    private PartTable(
            Table table,
            int width,
            int head,
            List<Table.Row> body,
            List<ColumnKind> kinds,
            List<int[]> pairs,
            int usual) {
        this.table = table;
        this.width = width;
        this.head = head;
        this.body = body;
        this.kinds = kinds;
        this.pairs = pairs;
        this.usual = usual;
    }

    /**
     * Every table of parts in a file, the best way of parting it into cells; several for a workbook
     * of several sheets. Empty when no column lists designators.
     *
     * @param chosen what the user said of each column; empty to find it out
     */
    static List<PartTable> find(byte[] content, List<ColumnKind> chosen) {
        boolean sheets = XlsxRows.isWorkbook(content);
        List<PartTable> all = new ArrayList<>();
        double most = 0;
        for (Table t : Table.layouts(content)) {
            Candidate c = chosen.isEmpty() ? designators(t) : said(t, chosen);
            if (c == null) {
                continue;
            }
            PartTable found = of(t, c, chosen);
            if (sheets) {
                all.add(found);
                continue;
            }
            double sense = c.score * found.regularity() * (1 + KNOWN_COLUMN * found.known());
            if (sense > most * 1.001) {
                most = sense;
                all.clear();
                all.add(found);
            }
        }
        return all.isEmpty() && chosen.isEmpty() ? empty(content) : all;
    }

    /** Whether the file may hold more rows than are read. */
    boolean isCutOff() {
        return table.rows().size() >= Table.MOST_ROWS;
    }

    /** A table of headings and no part. */
    private static List<PartTable> empty(byte[] content) {
        for (Table t : Table.layouts(content)) {
            List<Table.Row> rows = t.rows();
            for (int i = 0; i < Math.min(rows.size(), HEADINGS_WITHIN); i++) {
                Table.Row r = rows.get(i);
                for (int c = 0; c < r.cells().size(); c++) {
                    boolean head = TableWords.says(r.cell(c), ColumnKind.DESIGNATOR) == 1;
                    long known = r.cells().stream().filter(TableWords::isKnown).count();
                    boolean bare = rows.size() - i <= 1 + MOST_STRAY;
                    if (head && bare && known >= 2 && 2 * known >= r.filled()) {
                        ColumnGuess guess = new ColumnGuess(r.cells(), List.of(), c);
                        List<Table.Row> body = rows.subList(i + 1, rows.size());
                        int width = r.cells().size();
                        return List.of(
                                new PartTable(
                                        t, width, i, body, guess.kinds(), List.of(), r.filled()));
                    }
                }
            }
        }
        return List.of();
    }

    /** The share of rows of parts that have as many cells as most of them. */
    private double regularity() {
        Map<Integer, Integer> counts = new HashMap<>();
        int rows = 0;
        for (Table.Row r : body.subList(0, Math.min(body.size(), SAMPLE))) {
            if (lists(r)) {
                counts.merge(r.cells().size(), 1, Integer::sum);
                rows++;
            }
        }
        int most = counts.values().stream().mapToInt(n -> n).max().orElse(0);
        return rows == 0 ? 0 : (double) most / rows;
    }

    private long known() {
        return kinds.stream().filter(k -> k != ColumnKind.OTHER).count();
    }

    /** A column that may list designators, and how well it does. */
    private record Candidate(int column, int first, double score) {}

    private static Candidate said(Table t, List<ColumnKind> chosen) {
        int column = chosen.indexOf(ColumnKind.DESIGNATOR);
        int wide = t.rows().stream().mapToInt(r -> r.cells().size()).max().orElse(0);
        if (column < 0 || column >= wide) {
            return null;
        }
        Candidate found = rate(t, column);
        long right = t.rows().stream().filter(r -> r.cells().size() == chosen.size()).count();
        return new Candidate(column, found == null ? 1 : found.first, right + 1.0);
    }

    private static Candidate designators(Table t) {
        int wide = Math.min(60, t.rows().stream().mapToInt(r -> r.cells().size()).max().orElse(0));
        Candidate best = null;
        for (int c = 0; c < wide && wide > 1; c++) {
            Candidate found = rate(t, c);
            if (found != null && (best == null || found.score > best.score)) {
                best = found;
            }
        }
        return best;
    }

    /**
     * How much a column is one of designators: how many it lists, each once, with numbers that run
     * without great gaps; names of packages recur and have gaps.
     */
    private static Candidate rate(Table t, int column) {
        Set<String> distinct = new HashSet<>();
        Map<String, int[]> runs = new HashMap<>();
        int first = -1;
        int rows = 0;
        int named = 0;
        int all = 0;
        int filled = 0;
        for (int i = 0; i < t.rows().size() && rows < SAMPLE; i++) {
            Table.Row row = t.rows().get(i);
            String cell = row.cell(column);
            if (cell.isEmpty()) {
                continue;
            }
            filled++;
            if (!Designators.isList(cell) || row.filled() < 2) {
                continue;
            }
            first = first < 0 ? i : first;
            rows++;
            List<String> names = Designators.unfold(cell);
            named += names.size();
            for (String n : names.subList(0, Math.min(names.size(), 100))) {
                all++;
                if (distinct.add(n)) {
                    run(n, runs);
                }
            }
        }
        if (rows == 0 || rows < 0.4 * filled || rows < 0.4 * below(t, first)) {
            return null;
        }
        int reach = runs.values().stream().mapToInt(r -> r[1] - r[0] + 1).sum();
        int counted = runs.values().stream().mapToInt(r -> r[2]).sum();
        double dense = reach == 0 ? 0 : (double) counted / reach;
        double zeros =
                runs.values().stream().mapToInt(r -> r[3]).sum() / (double) Math.max(1, counted);
        double unique = (double) distinct.size() / all;
        double says = heading(t, column, first);
        if (says <= 1 && (rows < FEWEST || unique < UNIQUE)) {
            return null;
        }
        double score = rows * unique * unique * (0.3 + 0.7 * Math.sqrt(dense)) * (1 - 0.9 * zeros);
        return new Candidate(column, first, (score + 1e-3 * named) * says);
    }

    /** The rows of a table below its first part that have more than one cell. */
    private static long below(Table t, int first) {
        return t.rows().stream().skip(first).limit(SAMPLE).filter(r -> r.filled() > 1).count();
    }

    private static void run(String name, Map<String, int[]> runs) {
        String letters = name.replaceAll("[^A-Za-z]", "");
        String digits = name.replaceAll("^[A-Za-z_$]*(\\d{1,6})?.*$", "$1");
        if (!digits.isEmpty()) {
            int n = Integer.parseInt(digits);
            int[] r = runs.computeIfAbsent(letters, k -> new int[] {n, n, 0, 0});
            r[0] = Math.min(r[0], n);
            r[1] = Math.max(r[1], n);
            r[2]++;
            r[3] += digits.startsWith("0") && digits.length() > 2 ? 1 : 0;
        }
    }

    private static double heading(Table t, int column, int first) {
        for (int i = first - 1; i >= Math.max(0, first - HEADINGS_WITHIN); i--) {
            Table.Row r = t.rows().get(i);
            double own = TableWords.says(r.cell(column), ColumnKind.DESIGNATOR);
            if (own > 0) {
                return 1 + own;
            }
            boolean other =
                    TableWords.says(r.cell(column), ColumnKind.FOOTPRINT) == 1
                            || TableWords.says(r.cell(column), ColumnKind.VALUE) == 1;
            if (other) {
                return 0.3;
            }
        }
        return 1;
    }

    private static PartTable of(Table t, Candidate c, List<ColumnKind> chosen) {
        List<Table.Row> rows = t.rows();
        int usual = usualCells(rows, c);
        int head = head(rows, c, usual);
        List<Table.Row> body = new ArrayList<>();
        for (int i = Math.max(head + 1, head < 0 ? c.first : 0); i < rows.size(); i++) {
            Table.Row r = rows.get(i);
            if (!r.isRule() && !(body.isEmpty() && isUnits(r, c.column))) {
                body.add(r);
            }
        }
        int width = 0;
        for (Table.Row r : body.subList(0, Math.min(body.size(), SAMPLE))) {
            width = Math.max(width, Math.min(60, r.cells().size()));
        }
        width = Math.max(width, head >= 0 ? Math.min(60, rows.get(head).cells().size()) : 0);
        List<String> headings = new ArrayList<>();
        for (int k = 0; k < width; k++) {
            headings.add(head < 0 ? "" : rows.get(head).cell(k));
        }
        List<Table.Row> sample = new ArrayList<>();
        for (Table.Row r : body) {
            boolean listed = Designators.isList(r.cell(c.column)) && r.filled() >= 2;
            if (sample.size() < SAMPLE && listed) {
                sample.add(r);
            }
        }
        ColumnGuess guess = new ColumnGuess(headings, sample, c.column);
        if (!chosen.isEmpty()) {
            return new PartTable(t, width, head, body, padded(chosen, width), List.of(), usual);
        }
        return new PartTable(t, width, head, body, guess.kinds(), guess.otherPairs(), usual);
    }

    private static List<ColumnKind> padded(List<ColumnKind> chosen, int width) {
        List<ColumnKind> all = new ArrayList<>(chosen);
        while (all.size() < width) {
            all.add(ColumnKind.OTHER);
        }
        return all;
    }

    /** How many cells most rows of parts fill. */
    private static int usualCells(List<Table.Row> rows, Candidate c) {
        Map<Integer, Integer> counts = new HashMap<>();
        for (Table.Row r : rows.subList(c.first, Math.min(rows.size(), c.first + SAMPLE))) {
            if (Designators.isList(r.cell(c.column))) {
                counts.merge(r.filled(), 1, Integer::sum);
            }
        }
        return counts.entrySet().stream()
                .max(
                        Map.Entry.<Integer, Integer>comparingByValue()
                                .thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .orElse(2);
    }

    /** The row of headings: above the first part, with about as many cells; −1 for none. */
    private static int head(List<Table.Row> rows, Candidate c, int usual) {
        int best = -1;
        for (int i = c.first - 1; i >= Math.max(0, c.first - HEADINGS_WITHIN); i--) {
            Table.Row r = rows.get(i);
            boolean wide = r.filled() >= Math.max(2, Math.min(usual, 8) * MOST_CELLS);
            long numbers = r.cells().stream().filter(x -> Numbers.read(x).isPresent()).count();
            boolean named =
                    !r.cell(c.column).isEmpty() || !r.cells().stream().allMatch(String::isEmpty);
            if (r.isRule() || !wide || numbers > 0.4 * r.filled() || !named) {
                continue;
            }
            long known = r.cells().stream().filter(TableWords::isKnown).count();
            if (known >= 2) {
                return i;
            }
            best = best < 0 && !isUnits(r, c.column) ? i : best;
        }
        return best;
    }

    /** A row of units under the headings: (mm), (deg). */
    private static boolean isUnits(Table.Row r, int designator) {
        return r.cell(designator).isEmpty()
                && r.filled() > 0
                && r.cells().stream()
                        .allMatch(
                                x ->
                                        x.isEmpty()
                                                || x.matches(
                                                        "(?i)[\\[(]?(mm|mils?|thou|inch|in|deg|degrees|°)[\\])]?"));
    }

    List<ColumnKind> kinds() {
        return kinds;
    }

    /**
     * The filled cells of columns that hold nothing known, by heading; those without one are left.
     */
    Map<String, String> others(Table.Row row) {
        Map<String, String> all = new LinkedHashMap<>();
        for (int k = 0; k < Math.min(kinds.size(), row.cells().size()); k++) {
            String heading = heading(k).strip();
            if (kinds.get(k) == ColumnKind.OTHER
                    && !isRunningNumber(k)
                    && !heading.isEmpty()
                    && heading.length() <= LONGEST_HEADING
                    && !row.cell(k).isBlank()) {
                all.putIfAbsent(heading, row.cell(k).strip());
            }
        }
        return all;
    }

    /** Whether a column numbers its lines, which says nothing of the parts. */
    private boolean isRunningNumber(int column) {
        return running.computeIfAbsent(
                column,
                k -> {
                    long before = Long.MIN_VALUE;
                    for (Table.Row r : body.subList(0, Math.min(body.size(), SAMPLE))) {
                        String cell = r.cell(k).strip();
                        if (!lists(r)) {
                            continue;
                        }
                        if (!cell.matches("\\d{1,6}\\.?")) {
                            return false;
                        }
                        long n = Long.parseLong(cell.replace(".", ""));
                        if (before != Long.MIN_VALUE && n != before + 1) {
                            return false;
                        }
                        before = n;
                    }
                    return true;
                });
    }

    /** The heading of a column; empty where there is none. */
    String heading(int column) {
        return head < 0 ? "" : table.rows().get(head).cell(column);
    }

    /** The rows that list parts, and those that may. */
    List<Table.Row> body() {
        return body;
    }

    /** Rows above the parts, headings included: titles, remarks, units. */
    List<Table.Row> above() {
        int until = body.isEmpty() ? table.rows().size() : table.rows().indexOf(body.get(0));
        return table.rows().subList(0, Math.min(until, 60));
    }

    /** Pairs of columns, other than the chosen ones, that may be places. */
    List<int[]> otherPairs() {
        return pairs;
    }

    /** The column that holds something; −1 for none. */
    int column(ColumnKind kind) {
        return kinds.indexOf(kind);
    }

    /**
     * Whether a row lists parts: it names designators, or something in their place beside as many
     * other cells as parts have. Titles and totals do not.
     */
    boolean lists(Table.Row r) {
        String name = r.cell(column(ColumnKind.DESIGNATOR));
        if (Designators.isList(name)) {
            return r.filled() >= 2 || usual < 2;
        }
        return !name.isEmpty()
                && name.length() <= 24
                && !name.matches(".*\\s.*")
                && r.filled() >= Math.max(2, MOST_CELLS * usual);
    }

    /** Whether a row has the cells of a part but nothing in the place of its designator. */
    boolean lacksDesignator(Table.Row r) {
        return r.cell(column(ColumnKind.DESIGNATOR)).isEmpty()
                && r.filled() >= Math.max(1, (int) (MOST_CELLS * (usual - 1)));
    }

    /**
     * Whether some column states what parts are: a value or a part number. A column of words is
     * none where there are resistors and capacitors, and not one of them has a value in it.
     */
    boolean statesValues() {
        int value = column(ColumnKind.VALUE);
        int passive = 0;
        int read = 0;
        int digits = 0;
        for (Table.Row r : body.subList(0, Math.min(body.size(), SAMPLE))) {
            String name = r.cell(column(ColumnKind.DESIGNATOR));
            if (name.matches("[RCL]\\d.*") && lists(r)) {
                String cell = r.cell(value);
                passive += Designators.read(name).names().size();
                digits += cell.matches(".*\\d.*") ? 1 : 0;
                read +=
                        PartValue.read(cell, name.replaceAll("[,;\\s-].*", "")).amount().isPresent()
                                ? 1
                                : 0;
            }
        }
        boolean headed = value >= 0 && TableWords.says(heading(value), ColumnKind.VALUE) == 1;
        boolean any = read > 0 || headed && digits > 0;
        return body.isEmpty() || value >= 0 && (passive < MANY_PASSIVE || any);
    }

    void tell(ProblemLog log) {
        table.tell(log);
    }

    /** What a heading and a few cells of every column are, to be shown. */
    TableColumns view() {
        List<TableColumns.Column> all = new ArrayList<>();
        for (int k = 0; k < width; k++) {
            List<String> cells = new ArrayList<>();
            for (Table.Row r : body) {
                if (cells.size() < TableColumns.SHOWN && lists(r)) {
                    cells.add(shortened(r.cell(k)));
                }
            }
            all.add(new TableColumns.Column(shortened(heading(k)), kinds.get(k), cells));
        }
        return new TableColumns(all);
    }

    private static String shortened(String s) {
        return s.length() > 40 ? s.substring(0, 39) + "…" : s;
    }

    /** The first rows of a file in which no table of parts was found, to be shown. */
    static Optional<TableColumns> raw(byte[] content) {
        Table best = null;
        long most = 0;
        for (Table t : Table.layouts(content)) {
            Map<Integer, Integer> widths = new HashMap<>();
            t.rows().stream()
                    .limit(SAMPLE)
                    .forEach(r -> widths.merge(r.cells().size(), 1, Integer::sum));
            long regular =
                    widths.entrySet().stream()
                            .filter(e -> e.getKey() > 1)
                            .mapToLong(Map.Entry::getValue)
                            .max()
                            .orElse(0);
            if (regular > most && regular >= 0.6 * Math.min(SAMPLE, t.rows().size())) {
                most = regular;
                best = t;
            }
        }
        if (best == null || most < 2) {
            return Optional.empty();
        }
        int wide =
                best.rows().stream().limit(SAMPLE).mapToInt(r -> r.cells().size()).max().orElse(0);
        List<TableColumns.Column> all = new ArrayList<>();
        for (int k = 0; k < Math.min(60, wide); k++) {
            List<String> cells = new ArrayList<>();
            for (Table.Row r :
                    best.rows().subList(1, Math.min(best.rows().size(), 1 + TableColumns.SHOWN))) {
                cells.add(shortened(r.cell(k)));
            }
            all.add(
                    new TableColumns.Column(
                            shortened(best.rows().get(0).cell(k)), ColumnKind.OTHER, cells));
        }
        return Optional.of(new TableColumns(all));
    }
}
