package dev.lastcut.core.connectivity;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.work.Parallel;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The pairs of copper pieces of different nets that lie near each other on a layer, kept so that
 * asking again with another limit costs nothing.
 */
public final class GapIndex {
    /** Looked for at once, whatever is asked: 0.2 mm. */
    private static final double AT_LEAST_NM = 200_000;

    /** Two nodes by id, {@code a}'s net before {@code b}'s, and how far they are apart. */
    public record Gap(int a, int b, double nm) {}

    private final CopperNets nets;
    private double reach;
    private List<Gap> gaps = List.of();

    private GapIndex(CopperNets nets) {
        this.nets = nets;
    }

    public static GapIndex of(BoardGeometry geometry) {
        return geometry.once(GapIndex.class, () -> new GapIndex(geometry.nets()));
    }

    /** All gaps under {@code limitNm}, the narrowest first. */
    public synchronized List<Gap> within(double limitNm) {
        if (limitNm > reach) {
            reach = Math.max(AT_LEAST_NM, limitNm * 1.25);
            gaps =
                    Parallel.map(nets.nodes(), this::gapsOf).stream()
                            .flatMap(List::stream)
                            .sorted(
                                    Comparator.comparingDouble(Gap::nm)
                                            .thenComparingInt(Gap::a)
                                            .thenComparingInt(Gap::b))
                            .toList();
        }
        int end = 0;
        while (end < gaps.size() && gaps.get(end).nm() < limitNm) {
            end++;
        }
        return gaps.subList(0, end);
    }

    private List<Gap> gapsOf(CopperNode n) {
        List<Gap> found = new ArrayList<>();
        for (CopperNode other : nets.near(n.layer(), Geo.expanded(n.envelope(), reach))) {
            WorkLimit.step();
            if (other.net() > n.net()) {
                double gap = nets.contact().gap(n.piece(), other.piece(), reach);
                if (gap < reach) {
                    found.add(new Gap(n.id(), other.id(), gap));
                }
            }
        }
        return found;
    }

    /** The narrowest gap of the board, looked for up to {@code farthestNm}; null when none. */
    public synchronized Gap narrowest(double farthestNm) {
        for (double limit = AT_LEAST_NM; ; limit = Math.min(farthestNm, limit * 2)) {
            List<Gap> near = within(limit);
            if (!near.isEmpty()) {
                return near.get(0);
            }
            if (limit >= farthestNm) {
                return null;
            }
        }
    }
}
