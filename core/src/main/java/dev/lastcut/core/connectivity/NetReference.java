package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;

/**
 * The named points of the netlist, each tied to the copper at its place. Where the pack has no
 * netlist, the net attributes of its Gerber pads serve instead.
 */
public final class NetReference {
    /** A named point and the copper node it stands on. */
    public record Anchor(Netlist.Point point, int node) {}

    private final String source;
    private final List<Anchor> anchors;
    private final List<Netlist.Point> missing;
    private final Map<Integer, SortedSet<String>> namesOfNet = new HashMap<>();

    private NetReference(String source, List<Anchor> anchors, List<Netlist.Point> missing) {
        this.source = source;
        this.anchors = List.copyOf(anchors);
        this.missing = List.copyOf(missing);
    }

    /** Empty when neither a netlist nor net attributes name any net. */
    public static Optional<NetReference> of(Board board, CopperNets nets) {
        String source;
        List<Anchor> anchors = new ArrayList<>();
        List<Netlist.Point> missing = new ArrayList<>();
        if (board.netlist().isPresent()) {
            source = board.netlist().get().source();
            for (Netlist.Point p : board.netlist().get().points()) {
                int node = nodeAt(p, board, nets);
                if (p.net().isEmpty()) {
                    continue;
                }
                if (node >= 0) {
                    anchors.add(new Anchor(p, node));
                } else {
                    missing.add(p);
                }
            }
        } else {
            source = "net attributes of the copper files";
            fromAttributes(board, nets, anchors);
        }
        if (anchors.isEmpty() && missing.isEmpty()) {
            return Optional.empty();
        }
        NetReference reference = new NetReference(source, anchors, missing);
        for (Anchor a : anchors) {
            reference
                    .namesOfNet
                    .computeIfAbsent(nets.nodes().get(a.node()).net(), k -> new TreeSet<>())
                    .add(a.point().net());
        }
        return Optional.of(reference);
    }

    private static int nodeAt(Netlist.Point p, Board board, CopperNets nets) {
        int layers = board.copper().size();
        for (int layer = 0; layer < layers; layer++) {
            Optional<Side> side = board.copper().get(layer).role().side();
            boolean reachable = p.access().isEmpty() || p.access().equals(side);
            if (reachable) {
                List<CopperNode> here = nets.at(layer, p.at());
                if (!here.isEmpty()) {
                    return here.get(0).id();
                }
            }
        }
        return p.hole() ? ringAround(p.at(), board, nets) : -1;
    }

    /** A pad drawn as a ring has no copper at its middle: take what the hole's plating touches. */
    private static int ringAround(Pt at, Board board, CopperNets nets) {
        for (int h : nets.platedHolesAt(at)) {
            Hole hole = board.holes().get(h);
            if (nets.netOfHole(h) >= 0 && hole.middle().distance(at) < hole.diameter() / 2.0) {
                return nets.nodesOf(nets.netOfHole(h)).get(0);
            }
        }
        return -1;
    }

    private static void fromAttributes(Board board, CopperNets nets, List<Anchor> anchors) {
        for (CopperNode n : nets.nodes()) {
            String net = n.feature().attributes().net();
            if (n.feature() instanceof Feature.Flash flash
                    && !net.isEmpty()
                    && !net.equals("N/C")) {
                var a = flash.attributes();
                Optional<Side> side = board.copper().get(n.layer()).role().side();
                var point = new Netlist.Point(net, a.component(), a.pin(), flash.at(), side, false);
                anchors.add(new Anchor(point, n.id()));
            }
        }
    }

    /** Where the names come from, for people: a file's path or a phrase. */
    public String source() {
        return source;
    }

    public List<Anchor> anchors() {
        return anchors;
    }

    /** Points with a name but no copper under them. */
    public List<Netlist.Point> missing() {
        return missing;
    }

    /** The names that the anchors give to a net, in order; more than one when it is shorted. */
    public SortedSet<String> namesOf(int net) {
        return namesOfNet.getOrDefault(net, new TreeSet<>());
    }
}
