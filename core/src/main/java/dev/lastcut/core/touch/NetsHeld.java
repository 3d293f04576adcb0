package dev.lastcut.core.touch;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Pt;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Holds the nets of a touched board against those before. Copper that is still there must be of one
 * net where it was of one, and of two where it was of two; copper of one name that was in pieces
 * may come together.
 */
final class NetsHeld {
    private final BoardGeometry before;
    private final BoardGeometry after;
    private final Map<Feature, Integer> netOfFeature = new IdentityHashMap<>();

    private NetsHeld(BoardGeometry before, BoardGeometry after) {
        this.before = before;
        this.after = after;
        Map<Feature, Integer> pieces = new IdentityHashMap<>();
        for (CopperNode n : after.nets().nodes()) {
            pieces.merge(n.feature(), 1, Integer::sum);
            netOfFeature.put(n.feature(), n.net());
        }
        netOfFeature.keySet().removeIf(f -> pieces.get(f) > 1);
    }

    /** What is joined or parted, with its place; empty when the nets are as before. */
    static Optional<NotDone> broken(BoardGeometry before, BoardGeometry after) {
        return new NetsHeld(before, after).compare();
    }

    private Optional<NotDone> compare() {
        Map<Integer, Integer> nowOf = new HashMap<>();
        Map<Integer, Integer> wasOf = new HashMap<>();
        CopperNets nets = before.nets();
        for (CopperNode n : nets.nodes()) {
            Optional<Integer> now = now(n);
            if (now.isEmpty()) {
                continue;
            }
            Integer other = nowOf.putIfAbsent(n.net(), now.get());
            if (other != null && !other.equals(now.get())) {
                Pt at = place(n);
                return Optional.of(
                        new NotDone(
                                "It would part the net "
                                        + before.netName(n.net())
                                        + " at "
                                        + Work.place(at),
                                at));
            }
            Integer was = wasOf.putIfAbsent(now.get(), n.net());
            if (was != null && was != n.net() && !ofOneName(was, n.net())) {
                Pt at = place(n);
                return Optional.of(
                        new NotDone(
                                "It would join "
                                        + before.netName(was)
                                        + " and "
                                        + before.netName(n.net())
                                        + " at "
                                        + Work.place(at),
                                at));
            }
        }
        return Optional.empty();
    }

    private boolean ofOneName(int a, int b) {
        List<String> names = before.netNames(a);
        return !names.isEmpty() && names.equals(before.netNames(b));
    }

    /** The net that a piece of copper is of afterwards; empty where it is gone. */
    private Optional<Integer> now(CopperNode n) {
        Integer same = netOfFeature.get(n.feature());
        if (same != null && n.piece().isWhole()) {
            return Optional.of(same);
        }
        return after.nets().at(n.layer(), place(n)).stream().findFirst().map(CopperNode::net);
    }

    private static Pt place(CopperNode n) {
        return n.piece().roundRadius() > 0
                ? n.piece().roundFrom()
                : Pt.of(n.polygon().getInteriorPoint().getCoordinate());
    }
}
