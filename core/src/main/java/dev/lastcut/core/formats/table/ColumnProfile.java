package dev.lastcut.core.formats.table;

import dev.lastcut.core.value.Dimension;
import dev.lastcut.core.value.PartValue;
import dev.lastcut.core.value.PreferredNumbers;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** What can be seen in the cells of one column, whatever its heading says. */
final class ColumnProfile {
    /** Names of packages: chips by their size, the families of JEDEC (from memory). */
    private static final Pattern PACKAGE =
            Pattern.compile(
                    "(?i).*(?<!\\d)(01005|0201|0402|0603|0805|1206|1210|1812|2010|2512|1608|2012|3216)(?!\\d).*"
                            + "|.*(?<![a-z])[a-z]{0,3}(ssop|msop|soic|sop|qfp|qfn|dfn|bga|dip|dil|sip|sot|sod|sma|smb|smc|melf"
                            + "|plcc|hdr|to-?\\d|so-?\\d|hc-?49|pinhdr|header)[-_ ]?\\d*.*");

    private static final double FULL_TURN = 360;

    final int rows;
    final int filled;
    final int numeric;
    final int fractional;
    final int withUnit;
    final int designators;
    final int packages;
    final int amounts;
    final int bareAmounts;
    final int measured;
    final int sides;
    final int yesOrNo;
    final int leaveOut;
    final int angles;
    final int longest;
    final boolean counts;
    final boolean index;
    final Set<String> distinct = new HashSet<>();
    final Set<Double> numbers = new HashSet<>();
    final Map<String, Integer> times = new HashMap<>();

    /** The letters of the designators that each cell stands beside. */
    private final Map<String, Set<String>> letters = new HashMap<>();

    /**
     * @param named the designators of each row; a row of none says nothing of what a value is
     */
    ColumnProfile(List<String> cells, List<List<String>> named) {
        int full = 0;
        int numbered = 0;
        int parts = 0;
        int united = 0;
        int lists = 0;
        int packed = 0;
        int values = 0;
        int bare = 0;
        int expecting = 0;
        int sided = 0;
        int yes = 0;
        int out = 0;
        int turned = 0;
        int most = 0;
        int equal = 0;
        boolean follows = true;
        double before = Double.NaN;
        List<Double> all = new ArrayList<>();
        for (int i = 0; i < cells.size(); i++) {
            String c = cells.get(i);
            if (c.isEmpty()) {
                continue;
            }
            full++;
            distinct.add(c);
            times.merge(c, 1, Integer::sum);
            if (!named.isEmpty() && !named.get(i).isEmpty()) {
                letters.computeIfAbsent(c, k -> new HashSet<>())
                        .add(named.get(i).get(0).replaceAll("\\d.*", ""));
            }
            most = Math.max(most, c.length());
            Optional<Numbers.Number> n = Numbers.read(c);
            if (n.isPresent()) {
                double v = n.get().value();
                numbered++;
                numbers.add(v);
                parts += v != Math.rint(v) ? 1 : 0;
                united += n.get().unitNm().isPresent() ? 1 : 0;
                boolean steps = Math.abs(v) <= FULL_TURN && Math.abs(v % 5) < 1e-6;
                turned += steps && n.get().unitNm().isEmpty() ? 1 : 0;
                equal += !named.isEmpty() && v == named.get(i).size() ? 1 : 0;
                follows &= Double.isNaN(before) || v == before + 1;
                before = v;
                all.add(v);
            }
            lists += Designators.isList(c) ? 1 : 0;
            packed += PACKAGE.matcher(c).matches() ? 1 : 0;
            values += !named.isEmpty() && isAmount(c, named.get(i)) ? 1 : 0;
            if (!named.isEmpty() && expected(named.get(i)) != Dimension.NONE) {
                expecting++;
                bare += n.filter(ColumnProfile::isPreferred).isPresent() ? 1 : 0;
            }
            sided += TableWords.side(c).isPresent() ? 1 : 0;
            yes += TableWords.isYes(c) || TableWords.isNo(c) ? 1 : 0;
            out += TableWords.leavesOut(c) ? 1 : 0;
        }
        this.rows = cells.size();
        this.filled = full;
        this.numeric = numbered;
        this.fractional = parts;
        this.withUnit = united;
        this.designators = lists;
        this.packages = packed;
        this.amounts = values;
        this.bareAmounts = bare;
        this.measured = expecting;
        this.sides = sided;
        this.yesOrNo = yes;
        this.leaveOut = out;
        this.angles = turned;
        this.longest = most;
        this.counts = numbered > 0 && equal >= 0.8 * numbered && numbered >= 0.8 * rows;
        this.index = numbered == rows && rows > 1 && follows && all.get(0) <= 1;
    }

    /** A resistance of a resistor, a capacitance of a capacitor and so on, with its prefix. */
    private static boolean isAmount(String cell, List<String> named) {
        Dimension expected = expected(named);
        if (cell.length() > 60 || expected == Dimension.NONE) {
            return false;
        }
        boolean lettered = cell.chars().anyMatch(Character::isLetter);
        return lettered
                && PartValue.read(cell, named.get(0))
                        .amount()
                        .filter(a -> a.of() == expected)
                        .isPresent();
    }

    private static Dimension expected(List<String> named) {
        return named.isEmpty() ? Dimension.NONE : Dimension.of(named.get(0));
    }

    /** A number without a unit of length that is one of the preferred numbers of IEC 60063. */
    private static boolean isPreferred(Numbers.Number n) {
        return n.unitNm().isEmpty()
                && (PreferredNumbers.E24.contains(n.value())
                        || PreferredNumbers.E96.contains(n.value()));
    }

    /** Whether its resistors, capacitors and coils have values written as bare numbers: 4700. */
    boolean hasBareAmounts() {
        return measured > 0 && bareAmounts >= 0.8 * measured && !counts && !index && isFull();
    }

    /**
     * Short words that recur, most of them beside one kind of part: names of packages, if of a
     * habit nobody knows. Makers' names stand beside parts of many kinds.
     */
    boolean couldBePackages() {
        long own = letters.values().stream().filter(l -> l.size() == 1).count();
        boolean recur = distinct.size() >= 2 && distinct.size() < 0.8 * filled;
        boolean kinds = letters.values().stream().flatMap(Set::stream).distinct().count() >= 3;
        return isFull()
                && numeric == 0
                && recur
                && kinds
                && own >= 0.8 * distinct.size()
                && distinct.stream().allMatch(c -> c.matches("\\S{2,24}"));
    }

    double share(int of) {
        return filled == 0 ? 0 : (double) of / filled;
    }

    boolean isFull() {
        return filled >= 0.9 * rows;
    }

    boolean isNumeric() {
        return filled > 0 && share(numeric) >= 0.9;
    }

    /** Numbers of which many differ, as places do. */
    boolean isWide() {
        return isNumeric()
                && isFull()
                && !index
                && (withUnit > 0.5 * filled || numbers.size() >= Math.max(2, 0.25 * rows));
    }

    /** Whether all its numbers could be angles in steps of 5°. */
    boolean couldTurn() {
        return isNumeric() && isFull() && withUnit == 0 && angles >= 0.95 * numeric;
    }

    /** Words of one or two kinds, or small whole numbers, in every row. */
    boolean couldBeSides() {
        if (!isFull() || longest > 24 || distinct.size() > 2) {
            return false;
        }
        boolean small = numbers.stream().allMatch(v -> v >= 0 && v <= 64 && v == Math.rint(v));
        return numeric == 0 || numeric == filled && small;
    }
}
