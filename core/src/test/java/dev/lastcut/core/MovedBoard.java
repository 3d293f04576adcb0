package dev.lastcut.core;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.Span;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.List;
import java.util.Optional;

/**
 * The same board drawn elsewhere, turned, or turned over: its top is the bottom then, and it has no
 * placements, whose angles are said otherwise on the other side.
 */
public record MovedBoard(Board was, Orientation how, Pt shift) {
    public Pt place(Pt p) {
        return how.apply(p).plus(shift);
    }

    /** The role a picture has after the move. */
    public Role role(Role r) {
        if (!how.mirrored()) {
            return r;
        }
        int inner = (int) was.copper().stream().filter(l -> l.role().inner() > 0).count();
        return r.inner() > 0 ? Role.innerCopper(inner + 1 - r.inner()) : r.across();
    }

    private Side side(Side s) {
        return how.mirrored() ? (s == Side.TOP ? Side.BOTTOM : Side.TOP) : s;
    }

    public Board board() {
        return new Board(
                was.files(),
                was.layers().stream().map(this::layer).sorted(MovedBoard::fromTheTop).toList(),
                was.outline().map(this::outline),
                was.holes().stream().map(this::hole).toList(),
                was.netlist().map(this::netlist),
                was.parts(),
                was.placements()
                        .filter(p -> !how.mirrored())
                        .map(all -> all.stream().map(this::part).toList()),
                was.connections(),
                was.problems());
    }

    private static int fromTheTop(Layer a, Layer b) {
        return Integer.compare(depth(a.role()), depth(b.role()));
    }

    /** Copper from the top down, then the others as they came. */
    private static int depth(Role r) {
        if (!r.isCopper()) {
            return 1000;
        }
        return r.inner() > 0 ? r.inner() : r.side().equals(Optional.of(Side.TOP)) ? 0 : 999;
    }

    private Layer layer(Layer l) {
        List<Feature> all = l.features().stream().map(f -> f.placed(how, shift, true)).toList();
        return new Layer(role(l.role()), l.file(), all);
    }

    private List<Segment> path(List<Segment> path) {
        return path.stream().map(s -> how.apply(s).translated(shift)).toList();
    }

    private Outline outline(Outline o) {
        return new Outline(
                path(o.outer()),
                o.cutouts().stream().map(this::path).toList(),
                o.gaps().stream()
                        .map(g -> new Outline.Gap(place(g.from()), place(g.to())))
                        .toList(),
                o.others().stream().map(this::path).toList(),
                path(o.repeated()));
    }

    private Hole hole(Hole h) {
        Hole moved = h.at(place(h.from()), place(h.to()), h.diameter());
        int layers = was.copper().size();
        return how.mirrored() && !h.span().isThrough()
                ? moved.through(
                        new Span(layers + 1 - h.span().last(), layers + 1 - h.span().first()))
                : moved;
    }

    private Netlist netlist(Netlist n) {
        return new Netlist(
                n.source(),
                n.points().stream()
                        .map(
                                p ->
                                        new Netlist.Point(
                                                p.net(),
                                                p.component(),
                                                p.pin(),
                                                place(p.at()),
                                                p.access().map(this::side),
                                                p.hole()))
                        .toList());
    }

    private PlacedPart part(PlacedPart p) {
        return p.movedTo(place(p.at())).turned((p.rotationDeg() + how.rotationDeg()) % 360);
    }
}
