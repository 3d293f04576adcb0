package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Rings;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;

/**
 * Joins the strokes of an outline file into closed contours.
 *
 * <p>Ends within {@link #JOIN_NM} are one point. What is still open after that is closed to its
 * nearest loose end, so that the board can be worked on, and each such gap is kept for the checks.
 */
public final class OutlineBuilder {
    /** Ends this close are joined silently: 5 µm, the rounding of a coarse file format. */
    static final double JOIN_NM = 5_000;

    private final Map<Pt, List<Segment>> byEnd = new HashMap<>();
    private final List<Outline.Gap> gaps = new ArrayList<>();
    private final List<List<Segment>> closed = new ArrayList<>();
    private final List<Segment> repeated = new ArrayList<>();
    private final Set<Segment> drawn = new HashSet<>();
    private final EndIndex ends = new EndIndex(JOIN_NM);

    private OutlineBuilder() {}

    public static Outline build(List<Feature> features) {
        OutlineBuilder builder = new OutlineBuilder();
        Deque<Segment> open = new ArrayDeque<>();
        for (Feature f : features) {
            if (f instanceof Feature.Stroke s && f.dark()) {
                builder.addSegment(s.path(), open);
            } else if (f instanceof Feature.Region r && f.dark()) {
                builder.closed.addAll(r.contours());
            }
        }
        builder.chain(open);
        return builder.assemble();
    }

    private void addSegment(Segment s, Deque<Segment> open) {
        if (drawn.contains(s) || drawn.contains(s.reversed())) {
            repeated.add(s);
            return;
        }
        drawn.add(s);
        if (s.from().equals(s.to())) {
            if (s instanceof Segment.Arc) {
                closed.add(List.of(s));
            }
            return;
        }
        Segment snapped = s;
        Pt from = ends.snap(s.from());
        Pt to = ends.snap(s.to());
        if (from.equals(to)) {
            return;
        }
        if (s instanceof Segment.Line) {
            snapped = new Segment.Line(from, to);
        } else if (s instanceof Segment.Arc a) {
            snapped = new Segment.Arc(from, to, a.centerX(), a.centerY(), a.clockwise());
        }
        byEnd.computeIfAbsent(from, k -> new ArrayList<>()).add(snapped);
        byEnd.computeIfAbsent(to, k -> new ArrayList<>()).add(snapped);
        open.add(snapped);
    }

    private void chain(Deque<Segment> open) {
        Set<Segment> used = java.util.Collections.newSetFromMap(new java.util.IdentityHashMap<>());
        List<List<Segment>> chains = new ArrayList<>();
        for (Segment start : open) {
            if (used.contains(start)) {
                continue;
            }
            used.add(start);
            ArrayDeque<Segment> chain = new ArrayDeque<>(List.of(start));
            while (extend(chain, used)) {
                // Grows at its tail until nothing is left to join.
            }
            while (extendHead(chain, used)) {
                // And then at its head.
            }
            chains.add(new ArrayList<>(chain));
        }
        closeChains(chains);
    }

    private boolean extend(ArrayDeque<Segment> chain, Set<Segment> used) {
        Pt end = chain.peekLast().to();
        if (end.equals(chain.peekFirst().from())) {
            return false;
        }
        for (Segment next : byEnd.getOrDefault(end, List.of())) {
            if (used.add(next)) {
                chain.addLast(next.from().equals(end) ? next : next.reversed());
                return true;
            }
        }
        return false;
    }

    private boolean extendHead(ArrayDeque<Segment> chain, Set<Segment> used) {
        Pt start = chain.peekFirst().from();
        if (start.equals(chain.peekLast().to())) {
            return false;
        }
        for (Segment next : byEnd.getOrDefault(start, List.of())) {
            if (used.add(next)) {
                chain.addFirst(next.to().equals(start) ? next : next.reversed());
                return true;
            }
        }
        return false;
    }

    /** Closed chains are contours; open ones are joined, nearest ends first, and each gap kept. */
    private void closeChains(List<List<Segment>> chains) {
        List<List<Segment>> loose = new ArrayList<>();
        for (List<Segment> chain : chains) {
            (isClosed(chain) ? closed : loose).add(chain);
        }
        // A dimension drawing can hold thousands of loose strokes; joining them all is senseless.
        if (loose.size() > 200) {
            loose.sort(Comparator.comparingDouble(OutlineBuilder::length).reversed());
            loose = new ArrayList<>(loose.subList(0, 200));
        }
        while (!loose.isEmpty()) {
            joinNearest(loose);
        }
    }

    private void joinNearest(List<List<Segment>> loose) {
        List<Segment> chain = loose.remove(loose.size() - 1);
        Pt end = last(chain).to();
        double best = end.distance(chain.get(0).from());
        int partner = -1;
        boolean flip = false;
        for (int i = 0; i < loose.size(); i++) {
            List<Segment> other = loose.get(i);
            double head = end.distance(other.get(0).from());
            double tail = end.distance(last(other).to());
            if (Math.min(head, tail) < best) {
                best = Math.min(head, tail);
                partner = i;
                flip = tail < head;
            }
        }
        List<Segment> joined = new ArrayList<>(chain);
        if (partner < 0) {
            close(joined);
            return;
        }
        List<Segment> other = loose.remove(partner);
        if (flip) {
            other = reversed(other);
        }
        bridge(joined, end, other.get(0).from());
        joined.addAll(other);
        loose.add(joined);
    }

    private void close(List<Segment> chain) {
        double area = Math.abs(area(chain));
        bridge(chain, last(chain).to(), chain.get(0).from());
        // A lone stroke closed on itself encloses nothing: it is a mark, not an edge.
        if (chain.size() > 2 && area > 0) {
            closed.add(chain);
        }
    }

    private void bridge(List<Segment> chain, Pt from, Pt to) {
        if (!from.equals(to)) {
            gaps.add(new Outline.Gap(from, to));
            chain.add(new Segment.Line(from, to));
        }
    }

    private Outline assemble() {
        closed.sort(Comparator.comparingDouble(c -> -Math.abs(area(c))));
        if (closed.isEmpty()) {
            return new Outline(List.of(), List.of(), gaps, List.of(), repeated);
        }
        Geometry board = Rings.fill(Flattener.SCREEN.polyline(closed.get(0)));
        List<List<Segment>> cutouts = new ArrayList<>();
        List<List<Segment>> others = new ArrayList<>();
        for (List<Segment> contour : closed.subList(1, closed.size())) {
            boolean inside = board.contains(Geo.point(contour.get(0).middle()));
            (inside ? cutouts : others).add(contour);
        }
        return new Outline(closed.get(0), cutouts, gaps, others, repeated);
    }

    private static boolean isClosed(List<Segment> chain) {
        return chain.get(0).from().equals(last(chain).to());
    }

    private static Segment last(List<Segment> chain) {
        return chain.get(chain.size() - 1);
    }

    private static List<Segment> reversed(List<Segment> chain) {
        List<Segment> result = new ArrayList<>();
        for (int i = chain.size() - 1; i >= 0; i--) {
            result.add(chain.get(i).reversed());
        }
        return result;
    }

    private static double length(List<Segment> chain) {
        return chain.stream().mapToDouble(Segment::length).sum();
    }

    private static double area(List<Segment> contour) {
        return org.locationtech.jts.algorithm.Area.ofRingSigned(
                closedRing(Flattener.SCREEN.polyline(contour)));
    }

    private static org.locationtech.jts.geom.Coordinate[] closedRing(
            org.locationtech.jts.geom.Coordinate[] line) {
        var ring = java.util.Arrays.copyOf(line, line.length + 1);
        ring[line.length] = line[0];
        return ring;
    }
}
