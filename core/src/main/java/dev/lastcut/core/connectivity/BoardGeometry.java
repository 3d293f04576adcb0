package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.work.WorkLimit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.locationtech.jts.geom.Geometry;

/**
 * What checks, outputs and the light table all need of a board, computed once at the fine chord
 * error. Safe to share between threads.
 */
public final class BoardGeometry {
    private final Board board;
    private final Flattener flattener = Flattener.FINE;
    private final Map<Role, List<Piece>> images = new HashMap<>();
    private final Map<Role, Geometry> areas = new HashMap<>();
    private final Map<Object, Once> derived = new ConcurrentHashMap<>();
    private final Geometry boardArea;

    /** About ten times what a board of 200,000 objects takes. */
    private static final long MOST_STEPS = 2_000_000;

    /**
     * With its copper joined into nets.
     *
     * @throws dev.lastcut.core.work.WorkLimitException when that takes too long
     */
    public BoardGeometry(Board board) {
        this(board, board.outline().map(o -> o.area(Flattener.FINE)).orElse(Geo.empty()));
        WorkLimit.of("Joining the copper of this board into nets", MOST_STEPS, this::reference);
    }

    /**
     * Several boards: their copper is joined into nets when somebody asks for these.
     *
     * @param boardArea which one outer contour cannot tell
     */
    public BoardGeometry(Board board, Geometry boardArea) {
        this.board = board;
        this.boardArea = boardArea;
    }

    /** The same board changed: what is as it was is not computed again. */
    public BoardGeometry changed(Board next) {
        boolean sameOutline = next.outline().equals(board.outline());
        BoardGeometry made =
                new BoardGeometry(
                        next,
                        sameOutline
                                ? boardArea
                                : next.outline().map(o -> o.area(flattener)).orElse(Geo.empty()));
        boolean sameCopper = next.holes().equals(board.holes());
        synchronized (this) {
            for (Layer layer : next.layers()) {
                Optional<Layer> was = board.layer(layer.role());
                boolean same = was.filter(l -> l == layer).isPresent();
                sameCopper &= same || !layer.role().isCopper();
                List<Piece> known = images.get(layer.role());
                if (was.isPresent() && known != null) {
                    made.images.put(
                            layer.role(),
                            same
                                    ? known
                                    : LayerImage.again(
                                            was.get().features(),
                                            known,
                                            layer.features(),
                                            flattener));
                }
                if (same && areas.containsKey(layer.role())) {
                    made.areas.put(layer.role(), areas.get(layer.role()));
                }
            }
        }
        if (sameCopper && next.netlist().equals(board.netlist())) {
            for (Object key : List.of(CopperNets.class, NetReference.class)) {
                Once known = derived.get(key);
                if (known != null) {
                    made.derived.put(key, known);
                }
            }
        }
        made.reference();
        return made;
    }

    public Board board() {
        return board;
    }

    public Flattener flattener() {
        return flattener;
    }

    public CopperNets nets() {
        return once(CopperNets.class, () -> CopperNets.of(board, l -> pieces(l.role())));
    }

    public Optional<NetReference> reference() {
        return once(NetReference.class, () -> NetReference.of(board, nets()));
    }

    /** The board with its cut-outs taken away; empty without a closed outline. */
    public Geometry boardArea() {
        return boardArea;
    }

    /** The pieces of a picture, after clear polarity; empty when the pack lacks that layer. */
    public final synchronized List<Piece> pieces(Role role) {
        return images.computeIfAbsent(
                role,
                r ->
                        board.layer(r)
                                .map(l -> LayerImage.of(l.features(), flattener).pieces())
                                .orElse(List.of()));
    }

    /** A picture that the board does not have, over its copper. */
    public PieceIndex index(List<Feature> features) {
        return new PieceIndex(LayerImage.of(features, flattener).pieces(), nets().contact());
    }

    /** The pieces of a picture, found by place. */
    public PieceIndex index(Role role) {
        return once(role, () -> new PieceIndex(pieces(role), nets().contact()));
    }

    public HoleIndex holes() {
        return once(HoleIndex.class, () -> new HoleIndex(board.holes()));
    }

    /** The whole dark area of a picture. */
    public synchronized Geometry area(Role role) {
        return areas.computeIfAbsent(
                role, r -> Geo.union(pieces(r).stream().map(Piece::polygon).toList()));
    }

    /** Index of the copper layer on a side, or −1. */
    public int copperIndex(Side side) {
        List<Layer> copper = board.copper();
        for (int i = 0; i < copper.size(); i++) {
            if (copper.get(i).role().side().equals(Optional.of(side))) {
                return i;
            }
        }
        return -1;
    }

    /** A value made when first asked for; others who ask meanwhile wait for that one. */
    private static final class Once {
        private Object value;

        synchronized Object get(Supplier<?> make) {
            if (value == null) {
                value = make.get();
            }
            return value;
        }
    }

    /**
     * Computes something that depends on this board and the key alone, once. What is made may ask
     * for other such things, but not for itself.
     */
    @SuppressWarnings("unchecked")
    public <T> T once(Object key, Supplier<T> make) {
        return (T) derived.computeIfAbsent(key, k -> new Once()).get(make);
    }

    /** A net's name for people: the netlist's names, or "net 12" where nothing names it. */
    public String netName(int net) {
        List<String> names = netNames(net);
        return names.isEmpty() ? "net " + (net + 1) : String.join(" + ", names);
    }

    public List<String> netNames(int net) {
        return reference().map(r -> List.copyOf(r.namesOf(net))).orElse(List.of());
    }
}
