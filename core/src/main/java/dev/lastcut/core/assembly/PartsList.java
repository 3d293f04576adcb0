package dev.lastcut.core.assembly;

import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.formats.table.TableWriter;
import dev.lastcut.core.formats.table.WorkbookWriter;
import dev.lastcut.core.value.Dimension;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;

/** The parts list with identical parts folded into lines, as the shop wants it. */
public final class PartsList {
    private PartsList() {}

    /** What makes two parts one kind. */
    public record Kind(String value, String footprint, String maker, String partNumber) {
        public static Kind of(Part p) {
            return new Kind(p.meaning().canonical(), p.footprint(), p.maker(), p.partNumber());
        }
    }

    /**
     * One line.
     *
     * @param part the first of its kind
     * @param others further columns of the pack's list; what differs among its parts is parted by a
     *     slash
     * @param value as it means the same on every designator of the line
     */
    public record Line(
            Part part, String value, List<String> designators, Map<String, String> others) {
        public Line(Part part, String value, List<String> designators) {
            this(part, value, designators, Map.of());
        }

        /** What a further column of the pack's list says of it, its heading in any case. */
        String listed(String heading) {
            return others.entrySet().stream()
                    .filter(e -> e.getKey().equalsIgnoreCase(heading))
                    .map(Map.Entry::getValue)
                    .findFirst()
                    .orElse("");
        }

        public int quantity() {
            return designators.size();
        }
    }

    /** The fitted parts by kind, in the order of the first designator of each. */
    public static List<Line> kinds(List<Part> parts) {
        return kinds(parts, true);
    }

    /** The parts that are fitted, or those that are left off, by kind. */
    public static List<Line> kinds(List<Part> parts, boolean fitted) {
        Map<Kind, List<Part>> kinds = new LinkedHashMap<>();
        for (Part p : parts) {
            if (p.fitted() == fitted) {
                kinds.computeIfAbsent(Kind.of(p), k -> new ArrayList<>()).add(p);
            }
        }
        List<Line> lines = new ArrayList<>();
        for (List<Part> same : kinds.values()) {
            List<String> names =
                    same.stream()
                            .map(Part::designator)
                            .distinct()
                            .sorted(Designators.ORDER)
                            .toList();
            lines.add(new Line(same.get(0), value(same), names, others(same)));
        }
        lines.sort(Comparator.comparing(l -> l.designators().get(0), Designators.ORDER));
        return lines;
    }

    private static Map<String, String> others(List<Part> same) {
        Map<String, Set<String>> all = new LinkedHashMap<>();
        for (Part p : same) {
            p.others()
                    .forEach(
                            (heading, cell) ->
                                    all.computeIfAbsent(heading, k -> new LinkedHashSet<>())
                                            .add(cell));
        }
        Map<String, String> joined = new LinkedHashMap<>();
        all.forEach((heading, cells) -> joined.put(heading, String.join(" / ", cells)));
        return joined;
    }

    /** The usual columns, and behind them those of the pack's list that have no meaning here. */
    public static Assembly.ListForm withOthers(List<Line> lines, Assembly.ListForm form) {
        List<Assembly.Column> columns = new ArrayList<>(form.columns());
        lines.stream()
                .flatMap(l -> l.others().keySet().stream())
                .distinct()
                .filter(h -> columns.stream().noneMatch(c -> c.title().equalsIgnoreCase(h)))
                .toList()
                .forEach(h -> columns.add(new Assembly.Column(Assembly.Holds.LISTED, h)));
        return new Assembly.ListForm(columns, form.ranges(), form.separator());
    }

    /** A bare 10k is ohms on R1 and unread on L1: with its unit it is the same on both. */
    private static String value(List<Part> same) {
        Part first = same.get(0);
        boolean oneKind =
                same.stream().map(p -> Dimension.of(p.designator())).distinct().count() == 1;
        return oneKind ? first.value() : first.meaning().words();
    }

    /** The lines with those split that list more designators than the shop takes on one. */
    public static List<Line> split(List<Line> lines, OptionalInt most) {
        if (most.isEmpty()) {
            return lines;
        }
        int n = most.getAsInt();
        List<Line> all = new ArrayList<>();
        for (Line l : lines) {
            for (int i = 0; i < l.designators().size(); i += n) {
                int to = Math.min(i + n, l.designators().size());
                all.add(new Line(l.part(), l.value(), l.designators().subList(i, to), l.others()));
            }
        }
        return all;
    }

    public static byte[] csv(List<Line> lines, Assembly.ListForm form) {
        return TableWriter.csv(header(form), rows(lines, form));
    }

    /** The same table as a workbook (Office Open XML); the same bytes for the same lines. */
    public static byte[] xlsx(List<Line> lines, Assembly.ListForm form) {
        return WorkbookWriter.write("Parts", header(form), rows(lines, form));
    }

    private static List<String> header(Assembly.ListForm form) {
        return form.columns().stream().map(Assembly.Column::title).toList();
    }

    private static List<List<String>> rows(List<Line> lines, Assembly.ListForm form) {
        List<List<String>> rows = new ArrayList<>();
        for (Line l : lines) {
            int number = rows.size() + 1;
            rows.add(
                    form.columns().stream()
                            .map(c -> cell(l, number, c.holds(), c.title(), form))
                            .toList());
        }
        return rows;
    }

    private static String cell(
            Line l, int number, Assembly.Holds holds, String title, Assembly.ListForm form) {
        Part p = l.part();
        return switch (holds) {
            case LINE -> String.valueOf(number);
            case DESIGNATORS -> Designators.fold(l.designators(), form.ranges(), form.separator());
            case QUANTITY -> String.valueOf(l.quantity());
            case VALUE -> l.value();
            case FOOTPRINT -> p.footprint();
            case PACKAGE -> p.packageName();
            case MAKER -> p.maker();
            case PART_NUMBER -> p.partNumber();
            case DESCRIPTION -> p.description();
            case LISTED -> l.listed(title);
        };
    }
}
