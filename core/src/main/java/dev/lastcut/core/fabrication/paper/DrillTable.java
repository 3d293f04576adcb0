package dev.lastcut.core.fabrication.paper;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Span;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The holes of a board by what they have in common, the smallest first, plated before unplated. */
final class DrillTable {
    /** What holes of one row share. */
    record Kind(long diameter, boolean plated, boolean slot, Span span)
            implements Comparable<Kind> {
        private static final Comparator<Kind> ORDER =
                Comparator.comparing((Kind k) -> !k.plated)
                        .thenComparing(k -> k.slot)
                        .thenComparingLong(k -> k.diameter)
                        .thenComparingInt(k -> k.span.first())
                        .thenComparingInt(k -> k.span.last());

        @Override
        public int compareTo(Kind other) {
            return ORDER.compare(this, other);
        }
    }

    /** One row. */
    record Row(Kind kind, List<Hole> holes) {}

    private DrillTable() {}

    static List<Row> of(List<Hole> holes) {
        Map<Kind, List<Hole>> rows = new TreeMap<>();
        for (Hole h : holes) {
            Kind kind = new Kind(h.diameter(), h.plated(), h.isSlot(), h.span());
            rows.computeIfAbsent(kind, k -> new ArrayList<>()).add(h);
        }
        return rows.entrySet().stream().map(e -> new Row(e.getKey(), e.getValue())).toList();
    }
}
