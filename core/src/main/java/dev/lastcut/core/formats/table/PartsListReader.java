package dev.lastcut.core.formats.table;

import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Reads a parts list: a column of designators, and whatever else is there. */
public final class PartsListReader {
    /** More of one kind than boards have (common practice, no source). */
    private static final int MANY = 5_000;

    /** So many marks are named in a sentence. */
    private static final int NAMED = 5;

    private PartsListReader() {}

    /**
     * What was read.
     *
     * @param looksLikeList false when no column lists designators
     * @param columns what each column was taken for
     * @param open what the user must say before the list can be relied on; empty for nothing
     */
    public record Result(
            List<ListedPart> parts,
            List<Problem> problems,
            boolean looksLikeList,
            TableColumns columns,
            String open) {
        public Result(List<ListedPart> parts, List<Problem> problems, boolean looksLikeList) {
            this(parts, problems, looksLikeList, TableColumns.NONE, "");
        }
    }

    public static Result read(String file, byte[] content) {
        return read(file, content, List.of());
    }

    /**
     * @param chosen what the user said each column holds; empty to find it out
     */
    public static Result read(String file, byte[] content, List<ColumnKind> chosen) {
        return read(file, PartTable.find(content, chosen), content);
    }

    static Result read(String file, List<PartTable> tables, byte[] content) {
        ProblemLog log = new ProblemLog(file);
        if (tables.isEmpty()) {
            String found = Table.foreign(content).map(f -> "; found " + f).orElse("");
            log.add(
                    Code.MISSING_COLUMN,
                    1,
                    "no column lists designators (R1, C2 …)" + found,
                    "the table was not read; choose its columns at Bring in");
            return new Result(
                    List.of(),
                    log.problems(),
                    false,
                    PartTable.raw(content).orElse(TableColumns.NONE),
                    "");
        }
        List<ListedPart> parts = new ArrayList<>();
        Set<String> before = new HashSet<>();
        PartTable main = tables.get(0);
        String open = "";
        for (PartTable t : tables) {
            List<ListedPart> own = new ArrayList<>();
            Lines lines = new Lines(t);
            t.tell(log);
            lines.read(own, log);
            if (!t.statesValues()) {
                log.add(
                        Code.MISSING_COLUMN,
                        1,
                        "no column states the values of parts",
                        "choose the column at Bring in");
            }
            // Another sheet that lists the same parts again is a copy or an extract.
            boolean again = own.stream().anyMatch(p -> before.contains(p.designator()));
            if (t == main || !again) {
                parts.addAll(own);
                own.forEach(p -> before.add(p.designator()));
                open = open.isEmpty() ? lines.open() : open;
            }
        }
        return new Result(parts, log.problems(), true, main.view(), open);
    }

    /** The rows of one table. */
    private static final class Lines {
        private final PartTable table;
        private final int designator;
        private final int quantity;
        private final int mark;
        private final boolean marksFitted;
        private final boolean saysLeftOut;
        private final boolean headedNotFitted;
        private final boolean lacksValues;
        private final Set<String> unknownMarks = new TreeSet<>();

        Lines(PartTable table) {
            this.table = table;
            this.designator = table.column(ColumnKind.DESIGNATOR);
            this.quantity = table.column(ColumnKind.QUANTITY);
            int notFitted = table.column(ColumnKind.NOT_FITTED);
            int fitted = table.column(ColumnKind.FITTED);
            this.marksFitted = notFitted < 0 && fitted >= 0;
            this.mark = notFitted >= 0 ? notFitted : fitted;
            this.saysLeftOut =
                    mark >= 0
                            && table.body().stream()
                                    .anyMatch(r -> TableWords.leavesOut(r.cell(mark)));
            this.lacksValues = !table.statesValues() && table.column(ColumnKind.PART_NUMBER) < 0;
            this.headedNotFitted =
                    notFitted >= 0
                            && TableWords.says(table.heading(notFitted), ColumnKind.NOT_FITTED) > 0;
        }

        String open() {
            if (lacksValues) {
                return "no column of it states the values of parts";
            }
            return unknownMarks.isEmpty()
                    ? ""
                    : "its marks "
                            + String.join(", ", unknownMarks.stream().limit(NAMED).toList())
                            + " do not say whether a part is fitted";
        }

        void read(List<ListedPart> parts, ProblemLog log) {
            for (Table.Row row : table.body()) {
                if (table.lists(row)) {
                    row(row, parts, log);
                } else if (table.lacksDesignator(row)) {
                    log.add(Code.BAD_ROW, row.line(), "a row without a designator", "left out");
                } else if (row.cell(designator).matches(".*[\\p{L}].*\\d.*") && row.filled() > 2) {
                    log.add(
                            Code.BAD_ROW,
                            row.line(),
                            "'" + row.cell(designator) + "' is no designator",
                            "left out; if it is a part, put its designator right");
                }
            }
        }

        private void row(Table.Row row, List<ListedPart> parts, ProblemLog log) {
            Designators.Listed listed = Designators.read(row.cell(designator));
            for (Designators.Fault f : listed.faults()) {
                log.add(Code.BAD_ROW, row.line(), f.what(), f.done());
            }
            List<String> names = listed.names();
            if (names.size() > MANY) {
                log.add(
                        Code.BAD_ROW,
                        row.line(),
                        names.size() + " designators in one cell",
                        "all are read; look whether a column slipped");
            }
            String counted = row.cell(quantity);
            Integer count =
                    Numbers.read(counted)
                            .map(Numbers.Number::value)
                            .filter(v -> v == Math.rint(v) && v > 0 && v < 1e6)
                            .map(Double::intValue)
                            .orElse(null);
            if (count != null && !names.isEmpty() && count != names.size()) {
                log.add(
                        Code.BAD_ROW,
                        row.line(),
                        "quantity " + counted + " but " + names.size() + " designators",
                        "the designators count");
            }
            boolean fitted = isFitted(row);
            Map<String, String> others = table.others(row);
            for (String name : names) {
                parts.add(
                        new ListedPart(
                                name,
                                cell(row, ColumnKind.VALUE),
                                cell(row, ColumnKind.FOOTPRINT),
                                cell(row, ColumnKind.MANUFACTURER),
                                cell(row, ColumnKind.PART_NUMBER),
                                cell(row, ColumnKind.DESCRIPTION),
                                fitted,
                                row.line(),
                                others));
            }
        }

        private String cell(Table.Row row, ColumnKind kind) {
            return row.cell(table.column(kind));
        }

        private boolean isFitted(Table.Row row) {
            if (mark < 0 || row.cell(mark).isEmpty()) {
                return true;
            }
            String cell = row.cell(mark);
            if (TableWords.leavesOut(cell)) {
                return false;
            }
            if (marksFitted) {
                if (!TableWords.isYes(cell) && !TableWords.isNo(cell)) {
                    unknownMarks.add("“" + cell + "”");
                }
                return !TableWords.isNo(cell);
            }
            if (saysLeftOut && !headedNotFitted) {
                // A column of remarks: only what says so in words leaves a part out.
                return true;
            }
            if (!TableWords.isYes(cell) && !TableWords.isNo(cell)) {
                unknownMarks.add("“" + cell + "”");
            }
            return !TableWords.isYes(cell);
        }
    }
}
