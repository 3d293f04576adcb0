package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Piece;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.UnionFind;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.hprtree.HPRtree;

/** The pieces of one picture, found by place. */
public final class PieceIndex {
    private final List<Piece> pieces;
    private final HPRtree tree = new HPRtree();
    private final Contact contact;

    PieceIndex(List<Piece> pieces, Contact contact) {
        this.pieces = pieces;
        this.contact = contact;
        for (int i = 0; i < pieces.size(); i++) {
            tree.insert(pieces.get(i).envelope(), i);
        }
        if (!pieces.isEmpty()) {
            tree.build();
        }
    }

    public List<Piece> pieces() {
        return pieces;
    }

    /** The indexes of the pieces whose envelopes meet the given one, in order. */
    public List<Integer> near(Envelope e) {
        List<Integer> found = new ArrayList<>();
        if (!pieces.isEmpty()) {
            // The tree answers with whole leaves, not with single boxes.
            tree.query(
                    e,
                    o -> {
                        if (pieces.get((Integer) o).envelope().intersects(e)) {
                            found.add((Integer) o);
                        }
                    });
        }
        found.sort(null);
        return found;
    }

    /** The pieces that cover a place, in drawing order. */
    public List<Piece> at(Pt p) {
        List<Piece> found = new ArrayList<>();
        for (int i : near(new Envelope(p.coordinate()))) {
            if (contact.covers(pieces.get(i), p)) {
                found.add(pieces.get(i));
            }
        }
        return found;
    }

    /** The pieces within {@code limit} of one of another picture, overlapping ones included. */
    public List<Piece> within(Piece other, double limit) {
        WorkLimit.ask();
        List<Piece> found = new ArrayList<>();
        for (int i : near(Geo.expanded(other.envelope(), limit))) {
            if (contact.gap(pieces.get(i), other, limit) < limit) {
                found.add(pieces.get(i));
            }
        }
        return found;
    }

    /**
     * Groups of pieces that touch, directly or through others, in drawing order; looked for from
     * the pieces that are asked for, which alone are given back.
     */
    public List<List<Piece>> touching(Predicate<Piece> asked) {
        Map<Piece, Integer> number = new HashMap<>();
        for (int i = 0; i < pieces.size(); i++) {
            number.put(pieces.get(i), i);
        }
        UnionFind sets = new UnionFind(pieces.size());
        List<Piece> wanted = pieces.stream().filter(asked).toList();
        for (Piece p : wanted) {
            for (Piece other : within(p, 1)) {
                sets.union(number.get(p), number.get(other));
            }
        }
        Map<Integer, List<Piece>> groups = new LinkedHashMap<>();
        for (Piece p : wanted) {
            groups.computeIfAbsent(sets.find(number.get(p)), k -> new ArrayList<>()).add(p);
        }
        return new ArrayList<>(groups.values());
    }
}
