package dev.lastcut.core.touch.copper;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Redrawn;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;

/**
 * Takes away tracks that lie wholly within an area of their net: they do nothing.
 *
 * @param net empty: of every net
 */
public record CoveredTracks(Optional<Net> net) implements Touch {
    @Override
    public String kind() {
        return "covered-tracks";
    }

    @Override
    public String words() {
        return "Take away covered tracks of " + net.map(Net::words).orElse("all nets");
    }

    @Override
    public Phase phase() {
        return Phase.AFTER_POUR;
    }

    @Override
    public Change on(Work work) throws NotDone {
        Set<Integer> nets = net.isPresent() ? work.nets(net.get()) : Set.of();
        Map<Feature, List<Feature>> gone = new IdentityHashMap<>();
        Map<Integer, PreparedGeometry> prepared = new HashMap<>();
        List<Pt> places = new ArrayList<>();
        double length = 0;
        for (CopperNode n : work.nets().nodes()) {
            if ((net.isEmpty() || nets.contains(n.net()))
                    && n.feature() instanceof Feature.Stroke s
                    && n.piece().isWhole()
                    && isCovered(work, n, prepared)
                    && gone.put(s, List.of()) == null) {
                length += s.path().length();
                places.add(s.path().middle());
            }
        }
        if (gone.isEmpty()) {
            throw new NotDone(
                    "No track of "
                            + net.map(Net::words).orElse("this board")
                            + " lies wholly in an area of its net");
        }
        return new Change(
                Redrawn.with(work.board(), gone),
                "Takes "
                        + Change.count(gone.size(), "track")
                        + " away, "
                        + Length.text(length)
                        + " in all",
                places);
    }

    private static boolean isCovered(
            Work work, CopperNode track, Map<Integer, PreparedGeometry> prepared) {
        for (CopperNode n : work.nets().near(track.layer(), track.envelope())) {
            if (n.net() == track.net()
                    && n.isArea()
                    && n.envelope().contains(Geo.expanded(track.envelope(), -1_000))
                    && prepared.computeIfAbsent(
                                    n.id(), k -> PreparedGeometryFactory.prepare(n.polygon()))
                            .covers(track.polygon())) {
                return true;
            }
        }
        return false;
    }
}
