package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.PlaceIndex;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Where terminals can be soldered, whatever names them: pads on either side, and holes of leads.
 */
public final class SolderPlaces {
    /** Narrower holes carry no lead: they are vias (common practice, no source). */
    private static final long LEAST_LEAD_HOLE_NM = 450_000;

    /** A hole no farther from a place than this is there. */
    private static final double SAME_NM = 60_000;

    private final BoardGeometry geometry;
    private final PlaceIndex<Hole> leads = new PlaceIndex<>(SAME_NM);
    private final STRtree holes = new STRtree();
    private final Map<Side, STRtree> flat = new EnumMap<>(Side.class);

    private SolderPlaces(BoardGeometry geometry) {
        this.geometry = geometry;
        for (Hole h : geometry.board().holes()) {
            if (h.plated() && h.diameter() >= LEAST_LEAD_HOLE_NM) {
                leads.put(h.middle(), h);
                holes.insert(new Envelope(h.middle().coordinate()), h.middle());
            }
        }
        holes.build();
    }

    public static SolderPlaces of(BoardGeometry geometry) {
        return geometry.once(SolderPlaces.class, () -> new SolderPlaces(geometry));
    }

    /** Whether a plated hole that a lead goes through is at a place. */
    public boolean isLead(Pt at) {
        return leads.hasAt(at);
    }

    /** The middles of plated holes for leads within a box. */
    public List<Pt> leads(Envelope box) {
        return at(holes, box);
    }

    /** The middles of pads on a side within a box, those with holes too. */
    public synchronized List<Pt> pads(Side side, Envelope box) {
        return at(flat.computeIfAbsent(side, this::surface), box);
    }

    /** The openings of the mask, whatever draws the pads; without a mask what is flashed. */
    private STRtree surface(Side side) {
        Role mask = Role.of(Role.Kind.MASK, side);
        boolean masked = geometry.board().layer(mask).isPresent();
        PieceIndex pieces = geometry.index(masked ? mask : Role.of(Role.Kind.COPPER, side));
        STRtree tree = new STRtree();
        for (Piece p : pieces.pieces()) {
            if (masked || p.feature() instanceof Feature.Flash) {
                Coordinate middle = p.envelope().centre();
                tree.insert(new Envelope(middle), Pt.of(middle));
            }
        }
        tree.build();
        return tree;
    }

    private static List<Pt> at(STRtree tree, Envelope box) {
        List<Pt> all = new ArrayList<>();
        for (Object o : tree.query(box)) {
            all.add((Pt) o);
        }
        return all;
    }
}
