package dev.lastcut.core.stencil;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetReference;
import dev.lastcut.core.connectivity.PadBox;
import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * The openings of one side's stencil.
 *
 * @param layer the paste picture with what stays
 * @param area the same as an area, nm
 * @param without the parts whose openings are left out
 */
public record Openings(Layer layer, Geometry area, Set<String> without) {
    /** A pad of which only the place is known is taken as wide as this. */
    private static final double NARROW_NM = 100_000;

    /** All openings as they are drawn. */
    public static Openings asDrawn(BoardGeometry geometry, Layer paste) {
        return new Openings(paste, geometry.area(paste.role()), Set.of());
    }

    /**
     * Those that lie on no pad of some parts. Which pads are whose only a netlist tells; without
     * one nothing is left out.
     */
    public static Openings without(BoardGeometry geometry, Layer paste, Set<String> parts) {
        STRtree pads = new STRtree();
        for (NetReference.Anchor a :
                geometry.reference().map(NetReference::anchors).orElse(List.of())) {
            boolean side =
                    a.point().access().isEmpty() || a.point().access().equals(paste.role().side());
            if (side && parts.contains(a.point().component())) {
                pads.insert(pad(geometry, a), a.point().component());
            }
        }
        Set<Feature> kept = Collections.newSetFromMap(new IdentityHashMap<>());
        List<Geometry> left = new ArrayList<>();
        Set<String> without = new HashSet<>();
        for (Piece p : geometry.pieces(paste.role())) {
            List<?> on = pads.query(new Envelope(p.envelope().centre()));
            if (on.isEmpty()) {
                kept.add(p.feature());
                left.add(p.polygon());
            } else {
                on.forEach(o -> without.add((String) o));
            }
        }
        if (without.isEmpty()) {
            return asDrawn(geometry, paste);
        }
        // What is cleared belongs to what stays as much as to what goes.
        List<Feature> features =
                paste.features().stream().filter(f -> !f.dark() || kept.contains(f)).toList();
        return new Openings(
                new Layer(paste.role(), paste.file(), features), Geo.union(left), without);
    }

    private static Envelope pad(BoardGeometry geometry, NetReference.Anchor a) {
        return PadBox.of(geometry, a)
                .orElseGet(
                        () -> {
                            Envelope place = new Envelope(a.point().at().coordinate());
                            place.expandBy(NARROW_NM / 2);
                            return place;
                        });
    }
}
