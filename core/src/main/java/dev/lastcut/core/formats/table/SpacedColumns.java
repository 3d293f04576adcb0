package dev.lastcut.core.formats.table;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/** Columns that are parted by spaces: of fixed width, or word by word. */
final class SpacedColumns {
    /** Longer lines are no table of fixed columns. */
    private static final int LONGEST = 2_000;

    private SpacedColumns() {}

    /** By the places that no line writes on, by the rule under the headings, and word by word. */
    static List<Table> layouts(String text, int most) {
        List<String> lines = new ArrayList<>();
        List<Integer> numbers = new ArrayList<>();
        int line = 0;
        for (String s : text.split("\r\n|\n|\r", -1)) {
            line++;
            // A mark of a comment may stand before the names of the columns, in their first place.
            String body = s.replaceFirst("^(\\s*)#+", "$1 ").replace("\t", "    ");
            if (!body.isBlank() && lines.size() < most) {
                lines.add(body);
                numbers.add(line);
            }
        }
        List<Table> all = new ArrayList<>();
        fixed(lines, numbers, all);
        List<Table.Row> words = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            words.add(new Table.Row(numbers.get(i), List.of(lines.get(i).strip().split("\\s+"))));
        }
        all.add(new Table(words, List.of()));
        return all;
    }

    private static void fixed(List<String> lines, List<Integer> numbers, List<Table> into) {
        if (lines.size() < 2 || lines.stream().anyMatch(s -> s.length() > LONGEST)) {
            return;
        }
        List<List<Integer>> ways = new ArrayList<>();
        ways.add(gutters(lines));
        for (String s : lines) {
            if (s.matches("\\s*[-=_]{2,}(\\s+[-=_]+)+\\s*")) {
                ways.add(wordStarts(s));
                break;
            }
        }
        for (List<Integer> starts : ways) {
            if (starts.size() > 1) {
                List<Table.Row> rows = new ArrayList<>();
                for (int i = 0; i < lines.size(); i++) {
                    rows.add(new Table.Row(numbers.get(i), slices(lines.get(i), starts)));
                }
                into.add(new Table(rows, List.of()));
            }
        }
    }

    /**
     * Where columns begin: behind places that are free in all lines with a designator in their
     * first word. Two columns that are set apart by one space only are told by their first words.
     */
    private static List<Integer> gutters(List<String> lines) {
        BitSet written = new BitSet();
        for (String s : lines) {
            if (Designators.isList(s.strip().split("\\s+")[0])) {
                for (int i = 0; i < s.length(); i++) {
                    if (!Character.isWhitespace(s.charAt(i))) {
                        written.set(i);
                    }
                }
            }
        }
        List<Integer> starts = new ArrayList<>();
        for (int i = written.nextSetBit(0);
                i >= 0;
                i = written.nextSetBit(written.nextClearBit(i))) {
            starts.add(i);
        }
        return starts;
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
