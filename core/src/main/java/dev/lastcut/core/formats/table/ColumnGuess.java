package dev.lastcut.core.formats.table;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What each column of a table of parts holds: told by its cells, with its heading as further
 * evidence. A heading that its cells speak against does not count.
 */
final class ColumnGuess {
    private final List<String> headings;
    private final int rows;
    private final boolean single;
    private final ColumnProfile[] profiles;
    private final ColumnKind[] kinds;
    private final List<int[]> others = new ArrayList<>();

    /**
     * @param rows of parts, enough to judge by
     * @param designator the column that lists designators
     */
    ColumnGuess(List<String> headings, List<Table.Row> rows, int designator) {
        this.headings = headings;
        this.rows = rows.size();
        List<List<String>> named = new ArrayList<>();
        int alone = 0;
        for (Table.Row r : rows) {
            List<String> names = Designators.unfold(r.cell(designator));
            named.add(names);
            alone += names.size() == 1 ? 1 : 0;
        }
        this.single = alone >= 0.95 * rows.size();
        this.profiles = new ColumnProfile[headings.size()];
        for (int c = 0; c < profiles.length; c++) {
            int column = c;
            profiles[c] = new ColumnProfile(rows.stream().map(r -> r.cell(column)).toList(), named);
        }
        this.kinds = new ColumnKind[headings.size()];
        if (kinds.length > designator) {
            kinds[designator] = ColumnKind.DESIGNATOR;
            guess();
        }
    }

    List<ColumnKind> kinds() {
        return Arrays.stream(kinds).map(k -> k == null ? ColumnKind.OTHER : k).toList();
    }

    /** Other pairs of columns that may be places. */
    List<int[]> otherPairs() {
        return others;
    }

    private void guess() {
        named(ColumnKind.QUANTITY, p -> p.isNumeric() && p.fractional == 0 && p.withUnit == 0);
        first(ColumnKind.QUANTITY, p -> p.counts && !single);
        if (single) {
            places();
        }
        named(ColumnKind.FOOTPRINT, p -> p.share(p.numeric) < 0.9 || p.packages > 0.5 * p.filled);
        best(ColumnKind.FOOTPRINT, c -> profiles[c].share(profiles[c].packages), 0.3);
        marks();
        value();
        for (ColumnKind k :
                List.of(ColumnKind.PART_NUMBER, ColumnKind.MANUFACTURER, ColumnKind.DESCRIPTION)) {
            named(k, p -> p.filled > 0);
        }
        if (!has(ColumnKind.FOOTPRINT)) {
            best(
                    ColumnKind.FOOTPRINT,
                    c ->
                            !TableWords.isKnown(headings.get(c)) && profiles[c].couldBePackages()
                                    ? 1 - 0.01 * c
                                    : 0,
                    0);
        }
    }

    private interface Test {
        boolean holds(ColumnProfile p);
    }

    private interface Score {
        double of(int column);
    }

    private boolean isOpen(int column) {
        return kinds[column] == null;
    }

    private boolean has(ColumnKind kind) {
        return Arrays.asList(kinds).contains(kind);
    }

    private double says(int column, ColumnKind kind) {
        return TableWords.says(headings.get(column), kind);
    }

    /** The open column whose heading says a kind, if its cells do not speak against it. */
    private boolean named(ColumnKind kind, Test test) {
        int best = -1;
        double most = 0;
        for (int c = 0; c < kinds.length; c++) {
            double says = says(c, kind);
            if (isOpen(c)
                    && says > most
                    && (rows == 0 || profiles[c].filled > 0 && test.holds(profiles[c]))) {
                most = says;
                best = c;
            }
        }
        if (best >= 0) {
            kinds[best] = kind;
        }
        return best >= 0;
    }

    private void first(ColumnKind kind, Test test) {
        for (int c = 0; c < kinds.length && !has(kind); c++) {
            if (isOpen(c) && test.holds(profiles[c])) {
                kinds[c] = kind;
            }
        }
    }

    /** The open column that scores best and at least so much, unless a heading said one already. */
    private void best(ColumnKind kind, Score score, double least) {
        int best = -1;
        double most = least;
        for (int c = 0; c < kinds.length && !has(kind); c++) {
            double s = isOpen(c) ? score.of(c) : 0;
            if (s > most) {
                most = s;
                best = c;
            }
        }
        if (best >= 0) {
            kinds[best] = kind;
        }
    }

    private void places() {
        List<int[]> pairs = namedPairs();
        boolean axes = !pairs.isEmpty();
        named(ColumnKind.ROTATION, p -> 2 * p.numeric >= p.filled && p.withUnit == 0);
        side();
        if (!axes) {
            pairs = widePairs();
        }
        if (pairs.isEmpty()) {
            undo(ColumnKind.ROTATION);
            undo(ColumnKind.SIDE);
            return;
        }
        int[] own = pairs.get(0);
        kinds[own[0]] = ColumnKind.X;
        kinds[own[1]] = ColumnKind.Y;
        others.addAll(pairs.subList(1, pairs.size()));
        if (!has(ColumnKind.ROTATION)) {
            best(ColumnKind.ROTATION, this::turns, 0);
        }
    }

    private void undo(ColumnKind kind) {
        for (int c = 0; c < kinds.length; c++) {
            kinds[c] = kinds[c] == kind ? null : kinds[c];
        }
    }

    /** Pairs whose headings name an x and a y axis; those of one name belong together. */
    private List<int[]> namedPairs() {
        List<int[]> pairs = new ArrayList<>();
        boolean[] used = new boolean[kinds.length];
        for (boolean alike : new boolean[] {true, false}) {
            for (int x = 0; x < kinds.length; x++) {
                if (used[x] || !isAxis(x, ColumnKind.X)) {
                    continue;
                }
                for (int y = 0; y < kinds.length; y++) {
                    boolean same = name(x).equals(name(y));
                    if (!used[x] && !used[y] && isAxis(y, ColumnKind.Y) && (same || !alike)) {
                        used[x] = true;
                        used[y] = true;
                        pairs.add(new int[] {x, y});
                    }
                }
            }
        }
        // The middle of a part is what most tables mean by its place; then in their order.
        pairs.sort(
                (a, b) -> {
                    int rank = Boolean.compare(isMiddle(b[0]), isMiddle(a[0]));
                    return rank != 0 ? rank : Integer.compare(a[0], b[0]);
                });
        return pairs;
    }

    private String name(int column) {
        return TableWords.pairName(headings.get(column));
    }

    private boolean isMiddle(int column) {
        return name(column).matches(".*(mid|cent).*");
    }

    private boolean isAxis(int column, ColumnKind axis) {
        ColumnProfile p = profiles[column];
        return isOpen(column)
                && says(column, axis) > 0
                && (p.numeric > 0 || rows == 0)
                && 2 * p.numeric >= p.filled;
    }

    /** Pairs of columns of many numbers, where no heading names an axis; neighbours first. */
    private List<int[]> widePairs() {
        List<Integer> wide = new ArrayList<>();
        for (int c = 0; c < kinds.length; c++) {
            boolean known = TableWords.isKnown(headings.get(c));
            if (isOpen(c) && !known && profiles[c].isWide() && rows > 2 && wide.size() < 6) {
                wide.add(c);
            }
        }
        boolean turned = has(ColumnKind.ROTATION) || has(ColumnKind.SIDE);
        for (int c = 0; c < kinds.length; c++) {
            turned |= isOpen(c) && !wide.contains(c) && turns(c) > 0;
        }
        List<int[]> pairs = new ArrayList<>();
        for (int apart = 1; apart < wide.size() && turned; apart++) {
            for (int i = 0; i + apart < wide.size(); i++) {
                pairs.add(new int[] {wide.get(i), wide.get(i + apart)});
                pairs.add(new int[] {wide.get(i + apart), wide.get(i)});
            }
        }
        return pairs;
    }

    /** How well a column would do as rotations: steps of 5°, with quarter turns among them. */
    private double turns(int column) {
        ColumnProfile p = profiles[column];
        boolean known =
                TableWords.isKnown(headings.get(column)) && says(column, ColumnKind.ROTATION) == 0;
        if (known || !p.couldTurn() || p.index) {
            return 0;
        }
        boolean quarters = p.numbers.stream().anyMatch(v -> v != 0 && v % 45 == 0);
        return quarters
                ? 2 - 0.001 * p.numbers.size()
                : p.numbers.equals(java.util.Set.of(0.0)) ? 0.5 : 0;
    }

    private void side() {
        if (named(ColumnKind.SIDE, p -> p.distinct.size() <= 4 && p.longest <= 40)) {
            return;
        }
        best(
                ColumnKind.SIDE,
                c -> {
                    ColumnProfile p = profiles[c];
                    boolean known = TableWords.isKnown(headings.get(c));
                    if (known || !p.isFull()) {
                        return 0;
                    }
                    boolean mounting = p.distinct.stream().allMatch(TableWords::isMounting);
                    boolean yes = p.yesOrNo == p.filled && p.numeric == 0;
                    double words = p.share(p.sides);
                    boolean two = p.couldBeSides() && !mounting && !yes && p.distinct.size() == 2;
                    boolean turns =
                            p.numeric == p.filled && p.numbers.stream().anyMatch(v -> v >= 45);
                    // One value alone in all rows is a side only where its word is known.
                    return words > 0.9
                            ? 2
                            : two && !turns && p.packages == 0 && p.amounts == 0 ? 1 : 0;
                },
                0.5);
    }

    /** A column of marks that say what is not fitted, or what is. */
    private void marks() {
        if (named(ColumnKind.NOT_FITTED, p -> p.share(p.designators) < 0.5 && p.longest <= 40)
                || named(ColumnKind.FITTED, p -> p.distinct.size() <= 4 && p.longest <= 24)) {
            return;
        }
        best(
                ColumnKind.NOT_FITTED,
                c -> profiles[c].leaveOut > 0 ? 1.0 + profiles[c].leaveOut : 0,
                0.5);
        if (has(ColumnKind.NOT_FITTED)) {
            return;
        }
        for (int c = 0; c < kinds.length; c++) {
            ColumnProfile p = profiles[c];
            boolean known = TableWords.isKnown(headings.get(c));
            if (!isOpen(c)
                    || known
                    || p.filled == 0
                    || p.filled > 0 && p.yesOrNo < p.filled
                    || rows < 4) {
                continue;
            }
            if (p.filled <= 0.4 * rows) {
                kinds[c] = ColumnKind.NOT_FITTED;
                return;
            }
            Optional<ColumnKind> kind =
                    p.isFull() && p.distinct.size() == 2 ? rarer(p) : Optional.empty();
            if (kind.isPresent()) {
                kinds[c] = kind.get();
                return;
            }
        }
    }

    /** Of yes and no in every row, the rarer is that of the parts that are not fitted. */
    private static Optional<ColumnKind> rarer(ColumnProfile p) {
        int yes = 0;
        for (var e : p.times.entrySet()) {
            yes += TableWords.isYes(e.getKey()) ? e.getValue() : 0;
        }
        if (yes == 0 || yes == p.filled) {
            return Optional.empty();
        }
        return Optional.of(2 * yes < p.filled ? ColumnKind.NOT_FITTED : ColumnKind.FITTED);
    }

    /** Whether a heading names something else than a value or a description. */
    private boolean isHeadedOtherwise(int column) {
        return TableWords.isKnown(headings.get(column))
                && says(column, ColumnKind.DESCRIPTION) == 0;
    }

    private void value() {
        if (named(ColumnKind.VALUE, p -> !p.counts || p.amounts > 0 || single)) {
            return;
        }
        best(
                ColumnKind.VALUE,
                c -> {
                    ColumnProfile p = profiles[c];
                    return isHeadedOtherwise(c) || !p.isFull() && p.amounts == 0
                            ? 0
                            : p.share(p.amounts);
                },
                0.05);
        best(
                ColumnKind.VALUE,
                c -> !isHeadedOtherwise(c) && profiles[c].hasBareAmounts() ? 1 : 0,
                0);
        // Many lists have the value in a column called description, and no other.
        best(
                ColumnKind.VALUE,
                c ->
                        profiles[c].isFull() && !profiles[c].index
                                ? says(c, ColumnKind.DESCRIPTION)
                                : 0,
                0);
        // A board without resistors has values that are names: the column of words that is left.
        best(
                ColumnKind.VALUE,
                c -> {
                    ColumnProfile p = profiles[c];
                    boolean words = p.share(p.numeric) < 0.6 && p.isFull() && !p.index;
                    return !isHeadedOtherwise(c) && words ? 1 - 0.01 * c : 0;
                },
                0);
    }
}
