package dev.lastcut.core.formats.table;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a placement table: designator, x, y, rotation and side, in mm, mil or inch. What a table
 * leaves open (unit, side, which of several places) is left to be told from the pads.
 */
public final class PlacementReader {
    private static final Pattern UNIT_WORD =
            Pattern.compile(
                    "(?<!\\p{L})[xy]?(millimet(?:er|re)s?|mm|mils?|thou|inch(?:es)?|in)(?!\\p{L})");

    /** A few turns more than one are still a rotation. */
    private static final double MOST_TURNED = 3600;

    private static final double FARTHEST_NM = 1e10;

    private PlacementReader() {}

    /**
     * What was read.
     *
     * @param parts the top is taken for those of an unknown side
     * @param looksLikePlacement false when the columns are not there
     * @param unitStated false when neither cells nor header name a unit, and mm was taken
     * @param sideStated false when no column says the side
     * @param sideWords what the table says of a part's side, by designator, where that is no word
     *     or number whose meaning is known
     * @param rotationStated false when no column states a rotation, and 0° was taken
     * @param clockwise true when a remark says that angles count clockwise
     * @param otherPlaces the parts at other places the table states, each a pair of columns
     */
    public record Result(
            List<PlacedPart> parts,
            List<Problem> problems,
            boolean looksLikePlacement,
            boolean unitStated,
            boolean sideStated,
            Map<String, String> sideWords,
            boolean rotationStated,
            boolean clockwise,
            List<Places> otherPlaces,
            TableColumns columns) {
        public Result(
                List<PlacedPart> parts,
                List<Problem> problems,
                boolean looksLikePlacement,
                boolean unitStated,
                boolean sideStated) {
            this(
                    parts,
                    problems,
                    looksLikePlacement,
                    unitStated,
                    sideStated,
                    Map.of(),
                    true,
                    false,
                    List.of(),
                    TableColumns.NONE);
        }

        /** The same with parts that are on other sides or at other places. */
        public Result with(List<PlacedPart> moved) {
            return new Result(
                    moved,
                    problems,
                    looksLikePlacement,
                    unitStated,
                    sideStated,
                    sideWords,
                    rotationStated,
                    clockwise,
                    otherPlaces,
                    columns);
        }
    }

    /**
     * The places of one more pair of columns.
     *
     * @param headings of the pair, in words
     */
    public record Places(String headings, Map<String, Pt> places) {}

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
        Optional<PartTable> found =
                tables.stream()
                        .filter(t -> t.column(ColumnKind.X) >= 0 && t.column(ColumnKind.Y) >= 0)
                        .findFirst();
        if (found.isEmpty()) {
            String what = Table.foreign(content).map(f -> "; found " + f).orElse("");
            log.add(
                    Code.MISSING_COLUMN,
                    1,
                    "no two columns are the places of parts" + what,
                    "the table was not read; choose its columns at Bring in");
            return new Result(List.of(), log.problems(), false, false, false);
        }
        PartTable table = found.get();
        table.tell(log);
        Rows rows = new Rows(table, log);
        rows.read();
        return new Result(
                rows.parts,
                log.problems(),
                true,
                rows.unitStated(),
                table.column(ColumnKind.SIDE) >= 0,
                rows.sides(),
                table.column(ColumnKind.ROTATION) >= 0,
                table.above().stream()
                        .anyMatch(r -> TableWords.saysClockwise(String.join(" ", r.cells()))),
                rows.others(),
                table.view());
    }

    /** The unit named in the header or in the lines above it, nm. */
    private static Optional<Double> statedUnit(List<Table.Row> top) {
        for (int i = top.size() - 1; i >= 0; i--) {
            String all = String.join(" ", top.get(i).cells()).toLowerCase(Locale.ROOT);
            Matcher m = UNIT_WORD.matcher(all);
            String word = "";
            while (m.find()) {
                // "in" is also a plain word: any other unit in the line wins over it.
                word = word.isEmpty() || word.equals("in") ? m.group(1) : word;
            }
            if (!word.isEmpty()) {
                return Optional.of(Numbers.unitNm(word));
            }
        }
        return Optional.empty();
    }

    /** The rows of one table, each a part. */
    private static final class Rows {
        private final PartTable table;
        private final ProblemLog log;
        private final Optional<Double> unit;
        private final Function<String, Optional<Side>> sideOf;
        private final List<PlacedPart> parts = new ArrayList<>();
        private final Map<String, String> unknownSides = new HashMap<>();
        private final List<Table.Row> read = new ArrayList<>();
        private boolean unitInCells;

        Rows(PartTable table, ProblemLog log) {
            this.table = table;
            this.log = log;
            this.unit = statedUnit(table.above());
            this.sideOf = sideOf();
        }

        boolean unitStated() {
            return unit.isPresent() || unitInCells;
        }

        Map<String, String> sides() {
            return Map.copyOf(unknownSides);
        }

        void read() {
            for (Table.Row row : table.body()) {
                String name = row.cell(table.column(ColumnKind.DESIGNATOR));
                if (table.lists(row)) {
                    for (String one :
                            Designators.isList(name) ? Designators.unfold(name) : List.of(name)) {
                        row(row, one);
                    }
                } else if (table.lacksDesignator(row)) {
                    log.add(Code.BAD_ROW, row.line(), "a row without a designator", "left out");
                }
            }
        }

        private void row(Table.Row row, String name) {
            try {
                Pt at =
                        new Pt(
                                length(row.cell(table.column(ColumnKind.X))),
                                length(row.cell(table.column(ColumnKind.Y))));
                String word = row.cell(table.column(ColumnKind.SIDE));
                Optional<Side> side = sideOf.apply(word);
                if (side.isEmpty() && table.column(ColumnKind.SIDE) >= 0) {
                    unknownSides.put(name, word);
                }
                parts.add(
                        new PlacedPart(
                                name,
                                row.cell(table.column(ColumnKind.VALUE)),
                                row.cell(table.column(ColumnKind.FOOTPRINT)),
                                at,
                                angle(row, name),
                                side.orElse(Side.TOP),
                                row.line()));
                read.add(row);
            } catch (NumberFormatException e) {
                log.add(
                        Code.BAD_ROW,
                        row.line(),
                        name + ": " + e.getMessage(),
                        "this part is left out of the placement");
            }
        }

        private double angle(Table.Row row, String name) {
            String cell = row.cell(table.column(ColumnKind.ROTATION));
            // Some write a letter before the angle, and another for a mirrored part.
            String turn = cell.replaceFirst("^(?i)m?r(?=[-+\\d])", "");
            if (turn.isEmpty()) {
                if (table.column(ColumnKind.ROTATION) >= 0) {
                    log.add(
                            Code.BAD_ROW,
                            row.line(),
                            name + " has no rotation",
                            "taken as 0°; put its rotation right");
                }
                return 0;
            }
            double angle = number(turn).value();
            if (Math.abs(angle) > MOST_TURNED) {
                log.add(
                        Code.BAD_ROW,
                        row.line(),
                        name + " is rotated by " + turn + "°, which is no rotation",
                        "taken as 0°; put its rotation right");
                return 0;
            }
            return angle;
        }

        private long length(String cell) {
            Numbers.Number n = number(cell);
            unitInCells |= n.unitNm().isPresent();
            double nm = n.value() * n.unitNm().orElse(unit.orElse((double) Length.NM_PER_MM));
            if (Math.abs(nm) > FARTHEST_NM) {
                throw new NumberFormatException("'" + cell + "' is out of range");
            }
            return Math.round(nm);
        }

        private static Numbers.Number number(String cell) {
            return Numbers.read(cell)
                    .orElseThrow(
                            () ->
                                    new NumberFormatException(
                                            "expected a number but found '" + cell + "'"));
        }

        /**
         * What the cells of the side column mean: words of some language, 1 and the number of the
         * bottom's layer, yes and no under "mirrored". All others are to be told from the pads.
         */
        private Function<String, Optional<Side>> sideOf() {
            int column = table.column(ColumnKind.SIDE);
            if (column < 0) {
                return c -> Optional.empty();
            }
            TreeSet<Integer> numbers = new TreeSet<>();
            boolean numeric = true;
            for (Table.Row r : table.body()) {
                String c = r.cell(column);
                if (table.lists(r) && !c.isEmpty()) {
                    numeric &= c.matches("\\d{1,2}");
                    if (c.matches("\\d{1,2}")) {
                        numbers.add(Integer.parseInt(c));
                    }
                }
            }
            if (numeric && !numbers.isEmpty()) {
                // Layers count from 1 at the top; a second number is the bottom's, 2 among others.
                boolean usual = numbers.first() == 1 && numbers.size() <= 2;
                boolean two = numbers.size() == 1 && numbers.first() == 2;
                return c ->
                        usual || two
                                ? c.matches("0?1")
                                        ? Optional.of(Side.TOP)
                                        : c.isEmpty() ? Optional.empty() : Optional.of(Side.BOTTOM)
                                : Optional.empty();
            }
            boolean mirrored = TableWords.plain(table.heading(column)).startsWith("mirror");
            return c ->
                    mirrored && (TableWords.isYes(c) || TableWords.isNo(c) || c.isEmpty())
                            ? Optional.of(TableWords.isYes(c) ? Side.BOTTOM : Side.TOP)
                            : TableWords.side(c);
        }

        /** Every part at the places that other pairs of columns state. */
        private List<Places> others() {
            List<Places> all = new ArrayList<>();
            for (int[] pair : table.otherPairs()) {
                Map<String, Pt> places = new HashMap<>();
                try {
                    for (int i = 0; i < read.size(); i++) {
                        Table.Row r = read.get(i);
                        places.put(
                                parts.get(i).designator(),
                                new Pt(length(r.cell(pair[0])), length(r.cell(pair[1]))));
                    }
                } catch (NumberFormatException e) {
                    // A pair with a hole in it states no places.
                    continue;
                }
                String words = table.heading(pair[0]) + " and " + table.heading(pair[1]);
                boolean bare = table.heading(pair[0]).isBlank();
                all.add(
                        new Places(
                                bare ? "columns " + (pair[0] + 1) + " and " + (pair[1] + 1) : words,
                                places));
            }
            return all;
        }
    }
}
