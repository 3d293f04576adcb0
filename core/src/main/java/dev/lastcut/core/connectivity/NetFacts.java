package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Feature;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;

/**
 * What can be counted of a net.
 *
 * @param net its index
 * @param lengthNm the sum of all drawn tracks; 0 for nets of pads and areas alone
 * @param narrowestNm the narrowest drawn track; 0 where there is none
 * @param pads flashes
 * @param layers copper layers it lies on
 * @param extent the box around it
 */
public record NetFacts(
        int net,
        double lengthNm,
        double narrowestNm,
        int pads,
        int holes,
        int layers,
        Envelope extent) {

    /** The facts of every net, by index. */
    public static List<NetFacts> of(BoardGeometry geometry) {
        return geometry.once(NetFacts.class, () -> count(geometry));
    }

    private static List<NetFacts> count(BoardGeometry geometry) {
        CopperNets nets = geometry.nets();
        int[] holes = new int[nets.netCount()];
        for (int h = 0; h < geometry.board().holes().size(); h++) {
            if (nets.netOfHole(h) >= 0) {
                holes[nets.netOfHole(h)]++;
            }
        }
        List<NetFacts> all = new ArrayList<>();
        for (int net = 0; net < nets.netCount(); net++) {
            all.add(one(nets, net, holes[net]));
        }
        return all;
    }

    private static NetFacts one(CopperNets nets, int net, int holes) {
        double length = 0;
        double narrowest = 0;
        Set<Feature> flashes = new HashSet<>();
        Set<Integer> layers = new HashSet<>();
        // What clear polarity left of one track are several pieces of the same feature.
        Set<Feature> seen = java.util.Collections.newSetFromMap(new java.util.IdentityHashMap<>());
        Envelope extent = new Envelope();
        for (int id : nets.nodesOf(net)) {
            CopperNode n = nets.nodes().get(id);
            layers.add(n.layer());
            extent.expandToInclude(n.envelope());
            if (!seen.add(n.feature())) {
                continue;
            }
            if (n.feature() instanceof Feature.Flash) {
                flashes.add(n.feature());
            } else if (n.feature() instanceof Feature.Stroke s) {
                length += s.path().length();
                double w = s.roundWidth();
                narrowest = w > 0 && (narrowest == 0 || w < narrowest) ? w : narrowest;
            }
        }
        return new NetFacts(net, length, narrowest, flashes.size(), holes, layers.size(), extent);
    }
}
