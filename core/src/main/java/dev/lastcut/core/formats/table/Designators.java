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
            Pattern.compile("([A-Za-z_]+)(\\d{1,6})\\s*(?:-|–|\\.\\.+)\\s*([A-Za-z_]*)(\\d{1,6})");
    private static final Pattern NUMBERED = Pattern.compile("([A-Za-z_]+)(\\d{1,9})(.*)");
    private static final int LONGEST_RANGE = 10_000;

    /** Letters first, then by number: C2 before C10. */
    public static final Comparator<String> ORDER =
            Comparator.comparing(Designators::prefix)
                    .thenComparingLong(Designators::number)
                    .thenComparing(Comparator.naturalOrder());

    private Designators() {}

    public static List<String> unfold(String cell) {
        String joined = cell.replaceAll("\\s*(-|–|\\.\\.+)\\s*(?=[A-Za-z_]*\\d)", "$1");
        List<String> all = new ArrayList<>();
        for (String part : joined.split("[,;\\s]+")) {
            Matcher m = RANGE.matcher(part);
            boolean range = m.matches() && (m.group(3).isEmpty() || m.group(3).equals(m.group(1)));
            int first = range ? Integer.parseInt(m.group(2)) : 0;
            int last = range ? Integer.parseInt(m.group(4)) : -1;
            if (range && first <= last && last - first < LONGEST_RANGE) {
                for (int i = first; i <= last; i++) {
                    all.add(m.group(1) + i);
                }
            } else if (!part.isEmpty()) {
                all.add(part);
            }
        }
        return all;
    }

    /** Runs of three or more become ranges: {@code C10-C17 C20}; groups are parted by spaces. */
    public static String fold(Collection<String> designators) {
        List<String> sorted = designators.stream().distinct().sorted(ORDER).toList();
        List<String> groups = new ArrayList<>();
        int i = 0;
        while (i < sorted.size()) {
            int j = i;
            while (j + 1 < sorted.size() && follows(sorted.get(j), sorted.get(j + 1))) {
                j++;
            }
            if (j - i >= 2) {
                groups.add(sorted.get(i) + "-" + sorted.get(j));
                i = j + 1;
            } else {
                groups.add(sorted.get(i++));
            }
        }
        return String.join(" ", groups);
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
