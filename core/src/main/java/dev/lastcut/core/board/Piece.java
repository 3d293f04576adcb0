package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.geometry.Tiles;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/**
 * One connected polygon left of a feature after clear polarity. The polygon is made when it is
 * first asked for: most of a large board is tracks and pads of which only the place and size are
 * needed.
 */
public final class Piece {
    private final Feature feature;
    private final Shaper shaper;
    private final Envelope envelope;
    private final boolean whole;
    private volatile Polygon polygon;
    private volatile Tiles tiles;

    Piece(Feature feature, Shaper shaper, Envelope envelope) {
        this.feature = feature;
        this.shaper = shaper;
        this.envelope = envelope;
        this.whole = true;
    }

    Piece(Feature feature, Polygon polygon, boolean whole) {
        this.feature = feature;
        this.shaper = null;
        this.envelope = polygon.getEnvelopeInternal();
        this.polygon = polygon;
        this.whole = whole;
    }

    public Feature feature() {
        return feature;
    }

    /** A box that holds the polygon, at most half a micrometre larger on any side. */
    public Envelope envelope() {
        return envelope;
    }

    /** True when nothing of the feature was erased and it is one polygon. */
    public boolean isWhole() {
        return whole;
    }

    public Polygon polygon() {
        Polygon known = polygon;
        if (known == null) {
            known = (Polygon) shaper.shape(feature);
            polygon = known;
        }
        return known;
    }

    /** The polygon in handy tiles, cut once. */
    public Tiles tiles() {
        Tiles known = tiles;
        if (known == null) {
            known = Tiles.of(polygon());
            tiles = known;
        }
        return known;
    }

    /** The shape at another chord error where that is cheap, else the polygon as it is. */
    public Geometry shape(Shaper coarse) {
        return whole ? coarse.shape(feature) : polygon();
    }

    /** The half width when the piece is a round tool's way along a straight line; 0 otherwise. */
    public double roundRadius() {
        if (!whole) {
            return 0;
        }
        if (feature instanceof Feature.Flash f
                && f.aperture() instanceof Aperture.Circle c
                && c.hole() == 0) {
            return c.diameter() * f.orientation().scale() / 2;
        }
        if (feature instanceof Feature.Stroke s && s.path() instanceof Segment.Line) {
            return s.roundWidth() / 2;
        }
        return 0;
    }

    /**
     * Where the middle line of a round piece begins; asked only where {@link #roundRadius} is not
     * 0.
     */
    public Pt roundFrom() {
        return feature instanceof Feature.Stroke s
                ? s.path().from()
                : ((Feature.Flash) feature).at();
    }

    /** Where the middle line of a round piece ends: at its beginning for a flash. */
    public Pt roundTo() {
        return feature instanceof Feature.Stroke s ? s.path().to() : ((Feature.Flash) feature).at();
    }
}
