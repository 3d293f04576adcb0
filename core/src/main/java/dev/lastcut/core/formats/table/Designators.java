package dev.lastcut.core.formats.table;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lists of designators: {@code R1, R2, R5-R8} unfolded, and folded back. */
public final class Designators {
    private static final Pattern RANGE =
            Pattern.compile("([A-Za-z_]+)(\\d{1,6})(-)([A-Za-z_]*)(\\d{1,6})");

    /** All that stands between the two ends of a range. */
    private static final Pattern TO =
            Pattern.compile(
                    "(?<=\\d)\\s*(?:-|–|—|~|…|\\.\\.+|\\s(?:to|thru|through)\\s)\\s*(?=[A-Za-z_]*\\d)");

    /** What stands between designators in a cell, full-width forms too. */
    private static final String SEPARATORS = "[,;/|&+、，；\\s]+";

    /** How many groups of a cell are looked at to tell what it lists. */
    private static final int MOST_LOOKED_AT = 60;

    private static final Pattern NUMBERED = Pattern.compile("([A-Za-z_]+)(\\d{1,9})(.*)");
    private static final Pattern LISTED =
            Pattern.compile(
                    "[A-Za-z][A-Za-z_]{0,9}[$]?\\d{1,5}[A-Za-z]?(?:[._-][A-Za-z]?\\d{0,2})?|[A-Za-z_]{1,6}\\d{1,6}-[A-Za-z_]*\\d{1,6}");

    private static final Pattern USUAL = Pattern.compile("[A-Za-z]{1,6}\\d{1,6}[A-Za-z]?");
    private static final String LEFT_OUT = "left out";
    private static final int LONGEST_RANGE = 10_000;

    /** Letters first, then by number: C2 before C10. */
    public static final Comparator<String> ORDER =
            Comparator.comparing(Designators::prefix)
                    .thenComparingLong(Designators::number)
                    .thenComparing(Comparator.naturalOrder());

    private Designators() {}

    /**
     * What a cell lists.
     *
     * @param faults groups that are no proper range
     */
    public record Listed(List<String> names, List<Fault> faults) {}

    /** What is odd about a group, and what was done. */
    public record Fault(String what, String done) {}

    public static List<String> unfold(String cell) {
        return read(cell).names();
    }

    /** Unfolds a cell, and says which of its groups are no proper range. */
    public static Listed read(String cell) {
        List<String> all = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        for (String group : TO.matcher(cell).replaceAll("-").split(SEPARATORS)) {
            Matcher m = RANGE.matcher(group);
            if (m.matches()) {
                range(m, all, faults);
            } else if (!group.isEmpty()) {
                all.add(group);
            }
        }
        return new Listed(all, faults);
    }

    private static void range(Matcher m, List<String> all, List<Fault> faults) {
        String letters = m.group(1);
        int first = Integer.parseInt(m.group(2));
        int last = Integer.parseInt(m.group(5));
        if (!m.group(4).isEmpty() && !m.group(4).equals(letters)) {
            faults.add(new Fault(m.group() + " runs from one letter to another", LEFT_OUT));
            return;
        }
        if (Math.abs(last - first) >= LONGEST_RANGE) {
            String many = " is a range of " + (Math.abs(last - first) + 1);
            faults.add(new Fault(m.group() + many + ", more than any board has", LEFT_OUT));
            return;
        }
        if (last < first) {
            faults.add(new Fault(m.group() + " runs backwards", "read from its lower end"));
        }
        for (int i = Math.min(first, last); i <= Math.max(first, last); i++) {
            all.add(letters + i);
        }
    }

    /**
     * Whether a cell lists designators and nothing else: letters with a number behind, or ranges of
     * them.
     */
    static boolean isList(String cell) {
        if (cell.isEmpty() || !Character.isLetter(cell.charAt(0))) {
            return false;
        }
        String[] groups = TO.matcher(cell).replaceAll("-").split(SEPARATORS, MOST_LOOKED_AT + 1);
        int n = Math.min(groups.length, MOST_LOOKED_AT);
        for (int i = 0; i < n; i++) {
            String g = groups[i];
            boolean last = i == n - 1 && g.isEmpty();
            if (!last && !LISTED.matcher(g).matches()) {
                return false;
            }
        }
        return true;
    }

    /** Designators as the trade writes them: letters, then a number, at most a letter behind. */
    public static boolean isUsual(String name) {
        return USUAL.matcher(name).matches();
    }

    /** {@code C10-C17 C20}. */
    public static String fold(Collection<String> designators) {
        return fold(designators, true, " ");
    }

    /**
     * @param ranges whether runs of three or more become ranges
     * @param separator what stands between the groups
     */
    public static String fold(Collection<String> designators, boolean ranges, String separator) {
        List<String> sorted = designators.stream().distinct().sorted(ORDER).toList();
        List<String> groups = new ArrayList<>();
        int i = 0;
        while (i < sorted.size()) {
            int j = i;
            while (j + 1 < sorted.size() && follows(sorted.get(j), sorted.get(j + 1))) {
                j++;
            }
            if (ranges && j - i >= 2) {
                groups.add(sorted.get(i) + "-" + sorted.get(j));
                i = j + 1;
            } else {
                groups.add(sorted.get(i++));
            }
        }
        return String.join(separator, groups);
    }

    private static boolean follows(String a, String b) {
        Matcher ma = NUMBERED.matcher(a);
        Matcher mb = NUMBERED.matcher(b);
        return ma.matches()
                && mb.matches()
                && ma.group(3).isEmpty()
                && mb.group(3).isEmpty()
                && !mb.group(2).startsWith("0")
                && ma.group(1).equals(mb.group(1))
                && number(a) + 1 == number(b);
    }

    private static String prefix(String d) {
        Matcher m = NUMBERED.matcher(d);
        return m.matches() ? m.group(1) : d;
    }

    private static long number(String d) {
        Matcher m = NUMBERED.matcher(d);
        return m.matches() ? Long.parseLong(m.group(2)) : -1;
    }
}
