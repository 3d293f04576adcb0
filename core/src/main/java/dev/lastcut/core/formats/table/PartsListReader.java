package dev.lastcut.core.formats.table;

import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Reads a parts list: a designator column and whatever else is there. */
public final class PartsListReader {
    private static final String[] DESIGNATOR = {
        "designator",
        "designators",
        "refdes",
        "reference",
        "references",
        "ref",
        "refs",
        "referencedesignator",
        "referencedesignators",
        "part",
        "parts"
    };
    private static final Set<String> YES = Set.of("1", "yes", "y", "true", "x", "dnp", "dnf");
    private static final Set<String> NO = Set.of("0", "no", "n", "false");

    /** More of one kind than boards have (common practice, no source). */
    private static final int MANY = 5_000;

    private PartsListReader() {}

    /** What was read. {@code looksLikeList} is false when no designator column was found. */
    public record Result(List<ListedPart> parts, List<Problem> problems, boolean looksLikeList) {}

    public static Result read(String file, byte[] content) {
        ProblemLog log = new ProblemLog(file);
        Optional<Table.Found> found =
                Table.find(content, r -> r.cells().size() > 1 && Table.column(r, DESIGNATOR) >= 0);
        if (found.isEmpty()) {
            log.add(
                    Code.MISSING_COLUMN,
                    1,
                    "no column named designator, reference or refdes; found "
                            + Table.firstRow(content),
                    "the parts list was not read; name the column and bring it in again");
            return new Result(List.of(), log.problems(), false);
        }
        Columns columns = new Columns(found.get().header());
        List<ListedPart> parts = new ArrayList<>();
        Table.tell(found.get(), log);
        for (Table.Row row : found.get().body()) {
            columns.read(row, parts, log);
        }
        return new Result(parts, log.problems(), true);
    }

    /** Where each thing stands in a row. */
    private static final class Columns {
        final int designator;
        final int value;
        final int footprint;
        final int maker;
        final int number;
        final int description;
        final int quantity;
        final int notFitted;
        final int fitted;

        Columns(Table.Row h) {
            designator = Table.column(h, DESIGNATOR);
            value = valueColumn(h);
            footprint = Table.column(h, "footprint", "package", "case", "pattern");
            maker = Table.column(h, "manufacturer", "maker", "mfr", "mfg", "brand");
            number =
                    Table.column(
                            h,
                            "mpn",
                            "partnumber",
                            "manufacturerpartnumber",
                            "mfrpart",
                            "partno",
                            "ordernumber");
            description = Table.column(h, "description", "desc");
            quantity = Table.column(h, "quantity", "qty", "count");
            notFitted = Table.column(h, "dnp", "dnf", "notfitted", "donotfit", "donotpopulate");
            fitted = Table.column(h, "fitted", "fit", "populate");
        }

        /** Many lists have the value in a column called description, and no other. */
        private static int valueColumn(Table.Row h) {
            int named =
                    Table.column(
                            h, "value", "partvalue", "val", "values", "comment", "componentvalue");
            return named >= 0 ? named : Table.column(h, "description", "desc");
        }

        void read(Table.Row row, List<ListedPart> parts, ProblemLog log) {
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
            if (names.isEmpty()) {
                if (listed.faults().isEmpty() && row.cells().stream().anyMatch(c -> !c.isEmpty())) {
                    log.add(Code.BAD_ROW, row.line(), "a row without a designator", "left out");
                }
                return;
            }
            String quantityCell = row.cell(quantity);
            if (quantityCell.matches("\\d{1,6}")
                    && Integer.parseInt(quantityCell) != names.size()) {
                log.add(
                        Code.BAD_ROW,
                        row.line(),
                        "quantity " + quantityCell + " but " + names.size() + " designators",
                        "the designators count");
            }
            for (String name : names) {
                parts.add(
                        new ListedPart(
                                name,
                                row.cell(value),
                                row.cell(footprint),
                                row.cell(maker),
                                row.cell(number),
                                row.cell(description),
                                isFitted(row),
                                row.line()));
            }
        }

        private boolean isFitted(Table.Row row) {
            String no = row.cell(notFitted).toLowerCase(Locale.ROOT);
            String yes = row.cell(fitted).toLowerCase(Locale.ROOT);
            return !YES.contains(no) && !NO.contains(yes);
        }
    }
}
