package dev.lastcut.core.intake.picture;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;

/**
 * The closed paths that strokes of one width make, each stroke ending where the next begins and
 * nothing else. Lines that meet by threes belong to none.
 */
public final class Loops {
    /** Ends that are so near are one. */
    private static final double SNAP_NM = 20_000;

    private Loops() {}

    /**
     * A closed path.
     *
     * @param widthNm of its line
     */
    public record Loop(List<Feature.Stroke> strokes, Envelope box, double widthNm) {
        public Loop {
            strokes = List.copyOf(strokes);
        }

        @Override
        public Envelope box() {
            return new Envelope(box);
        }
    }

    private record End(long x, long y, long width) {}

    /** All loops in a picture, in the order in which they begin. */
    public static List<Loop> of(List<Feature> features) {
        Map<End, List<Integer>> at = new HashMap<>();
        List<Feature.Stroke> strokes = new ArrayList<>();
        for (Feature f : features) {
            if (f instanceof Feature.Stroke s && s.dark() && s.roundWidth() > 0) {
                if (s.path().from().equals(s.path().to()) && s.path() instanceof Segment.Line) {
                    continue;
                }
                int i = strokes.size();
                strokes.add(s);
                at.computeIfAbsent(end(s, s.path().from()), k -> new ArrayList<>()).add(i);
                at.computeIfAbsent(end(s, s.path().to()), k -> new ArrayList<>()).add(i);
            }
        }
        boolean[] used = new boolean[strokes.size()];
        List<Loop> loops = new ArrayList<>();
        for (int i = 0; i < strokes.size(); i++) {
            if (!used[i]) {
                walk(i, strokes, at, used, loops);
            }
        }
        return loops;
    }

    private static End end(Feature.Stroke s, Pt p) {
        return new End(
                Math.round(p.x() / SNAP_NM),
                Math.round(p.y() / SNAP_NM),
                Math.round(s.roundWidth() / 1_000));
    }

    private static void walk(
            int first,
            List<Feature.Stroke> strokes,
            Map<End, List<Integer>> at,
            boolean[] used,
            List<Loop> loops) {
        List<Feature.Stroke> own = new ArrayList<>();
        Envelope box = new Envelope();
        Feature.Stroke s = strokes.get(first);
        End start = end(s, s.path().from());
        End here = end(s, s.path().to());
        int current = first;
        while (true) {
            used[current] = true;
            own.add(strokes.get(current));
            box.expandToInclude(strokes.get(current).path().envelope());
            if (here.equals(start)) {
                boolean round =
                        own.size() > 2
                                || own.stream().anyMatch(x -> x.path() instanceof Segment.Arc);
                if (round && at.get(start).size() == 2) {
                    loops.add(new Loop(own, box, s.roundWidth()));
                }
                return;
            }
            List<Integer> meeting = at.get(here);
            if (meeting.size() != 2) {
                return;
            }
            int next = meeting.get(0) == current ? meeting.get(1) : meeting.get(0);
            if (used[next]) {
                return;
            }
            Feature.Stroke n = strokes.get(next);
            End from = end(n, n.path().from());
            here = from.equals(here) ? end(n, n.path().to()) : from;
            current = next;
        }
    }
}
