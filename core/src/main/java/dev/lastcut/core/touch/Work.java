package dev.lastcut.core.touch;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNets;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** The board a touch is done to, and what it may ask of it. */
public record Work(BoardGeometry geometry, TouchClearances room, Drawings drawings) {
    public Board board() {
        return geometry.board();
    }

    /** The same work on the board changed. */
    public Work on(Board changed) {
        return new Work(geometry.changed(changed), room, drawings);
    }

    public CopperNets nets() {
        return geometry.nets();
    }

    /**
     * @throws NotDone when the board has no such layer
     */
    public Layer layer(Role role) throws NotDone {
        Optional<Layer> layer = board().layer(role);
        if (layer.isEmpty()) {
            throw new NotDone("The board has no layer " + role.words());
        }
        return layer.get();
    }

    /**
     * The index of a copper layer from the top.
     *
     * @throws NotDone when the board has no such layer
     */
    public int copper(Role role) throws NotDone {
        Layer layer = layer(role);
        int index = board().copper().indexOf(layer);
        if (index < 0) {
            throw new NotDone(role.words() + " is not a copper layer");
        }
        return index;
    }

    /**
     * The nets that a choice means: more than one where copper of one name is in pieces.
     *
     * @throws NotDone when the board has no such net
     */
    public Set<Integer> nets(Net net) throws NotDone {
        Set<Integer> found = new TreeSet<>();
        if (!net.name().isBlank()) {
            for (int i = 0; i < nets().netCount(); i++) {
                if (geometry.netNames(i).contains(net.name()) || named(i, net.name())) {
                    found.add(i);
                }
            }
            if (found.isEmpty()) {
                throw new NotDone("The board has no net " + net.name());
            }
            return found;
        }
        Pt at = net.at().orElseThrow();
        for (int layer = 0; layer < nets().layerCount(); layer++) {
            List<CopperNode> here = nets().at(layer, at);
            if (!here.isEmpty()) {
                String name = geometry.netName(here.get(0).net());
                return geometry.netNames(here.get(0).net()).isEmpty()
                        ? Set.of(here.get(0).net())
                        : nets(Net.named(name.split(" \\+ ")[0]));
            }
        }
        throw new NotDone("There is no copper at " + place(at), at);
    }

    /** Nets that nothing names go by their number: "net 12". */
    private boolean named(int net, String name) {
        return geometry.netNames(net).isEmpty() && geometry.netName(net).equals(name);
    }

    /** The net of a hole, or none. */
    public Set<Integer> netsOfHole(int hole) {
        int net = nets().netOfHole(hole);
        return net < 0 ? Set.of() : Set.of(net);
    }

    /** The nets of all copper at a place. */
    public Set<Integer> netsAt(Pt at) {
        Set<Integer> found = new TreeSet<>();
        for (int layer = 0; layer < nets().layerCount(); layer++) {
            nets().at(layer, at).forEach(n -> found.add(n.net()));
        }
        return found;
    }

    /** What copper that is drawn says of itself. */
    public ObjectAttributes says(Set<Integer> nets, String function) {
        List<String> names =
                nets.stream().flatMap(n -> geometry.netNames(n).stream()).distinct().toList();
        return new ObjectAttributes(function, names.size() == 1 ? names.get(0) : "", "", "");
    }

    /** "(12.300, 4.500)". */
    public static String place(Pt p) {
        return String.format(Locale.ROOT, "(%.3f, %.3f)", Length.toMm(p.x()), Length.toMm(p.y()));
    }
}
