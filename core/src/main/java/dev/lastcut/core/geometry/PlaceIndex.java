package dev.lastcut.core.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Things at places, found again by a place that may be a little off: a step of a coarse file. */
public final class PlaceIndex<T> {
    private record Entry<T>(Pt at, T what) {}

    private final double toleranceNm;
    private final Map<Pt, List<Entry<T>>> cells = new HashMap<>();

    /**
     * @param toleranceNm how far off a place may be and still be the same
     */
    public PlaceIndex(double toleranceNm) {
        if (!(toleranceNm > 0)) {
            throw new IllegalArgumentException("toleranceNm must be positive: " + toleranceNm);
        }
        this.toleranceNm = toleranceNm;
    }

    private Pt cell(Pt p) {
        return new Pt(
                (long) Math.floor(p.x() / toleranceNm), (long) Math.floor(p.y() / toleranceNm));
    }

    public void put(Pt at, T what) {
        cells.computeIfAbsent(cell(at), k -> new ArrayList<>()).add(new Entry<>(at, what));
    }

    /** What lies nearest to a place, within the tolerance; of two as near, the first put. */
    public Optional<T> at(Pt place) {
        Pt c = cell(place);
        Entry<T> best = null;
        double least = toleranceNm;
        for (long x = c.x() - 1; x <= c.x() + 1; x++) {
            for (long y = c.y() - 1; y <= c.y() + 1; y++) {
                for (Entry<T> e : cells.getOrDefault(new Pt(x, y), List.of())) {
                    double d = e.at.distance(place);
                    if (d < least || (d == least && best == null)) {
                        least = d;
                        best = e;
                    }
                }
            }
        }
        return best == null ? Optional.empty() : Optional.of(best.what);
    }

    public boolean hasAt(Pt place) {
        return at(place).isPresent();
    }
}
