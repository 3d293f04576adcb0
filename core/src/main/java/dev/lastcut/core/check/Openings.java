package dev.lastcut.core.check;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Necks;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.algorithm.MinimumDiameter;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** The openings of a mask or of a paste picture: pieces that touch are one opening. */
public final class Openings {
    /** One opening and its figures; lengths in nm. */
    public record Opening(List<Piece> pieces) {
        public Envelope box() {
            Envelope e = new Envelope();
            pieces.forEach(p -> e.expandToInclude(p.envelope()));
            return e;
        }

        public Geometry shape() {
            return Geo.union(pieces.stream().map(Piece::polygon).toList());
        }

        public Pt middle() {
            return pieces.size() == 1 && pieces.get(0).feature() instanceof Feature.Flash f
                    ? f.at()
                    : Pt.of(shape().getInteriorPoint().getCoordinate());
        }

        /** Its shape as one flash, whatever the place; null when it is put together otherwise. */
        public Object likeness() {
            Piece p = pieces.get(0);
            record Likeness(Object aperture, Object orientation) {}
            return pieces.size() == 1 && p.isWhole() && p.feature() instanceof Feature.Flash f
                    ? new Likeness(f.aperture(), f.orientation())
                    : null;
        }
    }

    /**
     * What a stencil's wall sees of an opening.
     *
     * @param width the narrowest way across
     */
    public record Figures(double area, double perimeter, Measure width) {}

    private final PieceIndex index;
    private final List<Opening> openings = new ArrayList<>();
    private final Map<Piece, Integer> openingOf = new HashMap<>();
    private final Map<Object, Figures> figures = new HashMap<>();

    private Openings(PieceIndex index) {
        this.index = index;
        for (List<Piece> group : index.touching(p -> true)) {
            group.forEach(p -> openingOf.put(p, openings.size()));
            openings.add(new Opening(List.copyOf(group)));
        }
    }

    public static Openings of(CheckContext c, Role role) {
        record Key(Role role) {}
        return c.geometry().once(new Key(role), () -> new Openings(c.geometry().index(role)));
    }

    /** Openings that are drawn otherwise than the board has them. */
    public static Openings of(CheckContext c, List<Feature> features) {
        return new Openings(c.geometry().index(features));
    }

    public PieceIndex index() {
        return index;
    }

    public List<Opening> all() {
        return openings;
    }

    /** The number of the opening a piece belongs to. */
    public int numberOf(Piece p) {
        return openingOf.get(p);
    }

    /** The figures of an opening, worked out once for all of the same shape. */
    public synchronized Figures figures(Opening o) {
        Object likeness = o.likeness();
        Figures known = likeness == null ? null : figures.get(likeness);
        if (known == null) {
            known = figuresOf(o);
            if (likeness != null) {
                figures.put(likeness, known);
            }
        }
        return known;
    }

    private static Figures figuresOf(Opening o) {
        return figuresOf(o.shape());
    }

    /** The figures of any area. */
    public static Figures figuresOf(Geometry shape) {
        Coordinate[] across = new MinimumDiameter(shape).getDiameter().getCoordinates();
        Measure width =
                new Measure(Pt.of(across[0]), Pt.of(across[1]), across[0].distance(across[1]));
        for (var polygon : Geo.polygons(shape)) {
            for (Measure m : Necks.of(polygon, width.nm())) {
                width = m.nm() < width.nm() - 1 ? m : width;
            }
        }
        return new Figures(shape.getArea(), shape.getLength(), width);
    }
}
