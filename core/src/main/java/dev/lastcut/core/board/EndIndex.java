package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Maps points that lie within a tolerance of an earlier one to that earlier one. */
final class EndIndex {
    private final double toleranceNm;
    private final Map<Pt, List<Pt>> cells = new HashMap<>();

    EndIndex(double toleranceNm) {
        this.toleranceNm = toleranceNm;
    }

    Pt snap(Pt p) {
        long cx = Math.floorDiv(p.x(), (long) toleranceNm);
        long cy = Math.floorDiv(p.y(), (long) toleranceNm);
        for (long x = cx - 1; x <= cx + 1; x++) {
            for (long y = cy - 1; y <= cy + 1; y++) {
                for (Pt known : cells.getOrDefault(new Pt(x, y), List.of())) {
                    if (known.distance(p) <= toleranceNm) {
                        return known;
                    }
                }
            }
        }
        cells.computeIfAbsent(new Pt(cx, cy), k -> new ArrayList<>()).add(p);
        return p;
    }
}
