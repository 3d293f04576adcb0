package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Clearing;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * What remains of each dark feature of a layer after the clear ones drawn later.
 *
 * <p>A place is dark in the final picture exactly when some dark feature covers it and no clear
 * feature drawn after that one does. So each dark feature loses only the later clear ones that
 * touch it, which takes n log n time however often the polarity changes.
 */
public final class LayerImage {
    private record Clear(int order, Geometry shape) {}

    private final List<Piece> pieces = new ArrayList<>();
    private final Shaper shaper;

    private LayerImage(Flattener flattener) {
        this.shaper = new Shaper(flattener);
    }

    public static LayerImage of(List<Feature> features, Flattener flattener) {
        LayerImage image = new LayerImage(flattener);
        STRtree clears = new STRtree();
        int clearCount = 0;
        for (int i = 0; i < features.size(); i++) {
            if (!features.get(i).dark()) {
                Geometry shape = image.shaper.shape(features.get(i));
                if (!shape.isEmpty()) {
                    clears.insert(shape.getEnvelopeInternal(), new Clear(i, shape));
                    clearCount++;
                }
            }
        }
        for (int i = 0; i < features.size(); i++) {
            if (features.get(i).dark()) {
                image.add(features.get(i), i, clearCount == 0 ? null : clears);
            }
        }
        return image;
    }

    private void add(Feature feature, int order, STRtree clears) {
        Envelope simple = simpleEnvelope(feature);
        if (simple != null && later(simple, order, clears).isEmpty()) {
            pieces.add(new Piece(feature, shaper, simple));
            return;
        }
        Geometry shape = shaper.shape(feature);
        List<Geometry> later = later(shape.getEnvelopeInternal(), order, clears);
        Geometry left = later.isEmpty() ? shape : Clearing.of(shape, later);
        boolean whole = left == shape && shape.getNumGeometries() == 1;
        Geo.eachPolygon(left, p -> pieces.add(new Piece(feature, p, whole)));
    }

    private static List<Geometry> later(Envelope box, int order, STRtree clears) {
        List<Geometry> later = new ArrayList<>();
        if (clears != null) {
            for (Object o : clears.query(box)) {
                Clear clear = (Clear) o;
                if (clear.order > order) {
                    later.add(clear.shape);
                }
            }
        }
        return later;
    }

    /**
     * The box of a feature that is one polygon for certain, so that its shape need not be made yet;
     * null for the others.
     */
    private Envelope simpleEnvelope(Feature feature) {
        if (feature instanceof Feature.Flash flash) {
            Geometry base = shaper.turned(flash.aperture(), flash.orientation());
            if (!(base instanceof Polygon) || base.isEmpty()) {
                return null;
            }
            Envelope e = new Envelope(base.getEnvelopeInternal());
            e.translate(flash.at().x(), flash.at().y());
            return e;
        }
        if (feature instanceof Feature.Stroke stroke
                && stroke.path() instanceof Segment.Line
                && stroke.roundWidth() > 0) {
            // The vertices lie up to a quarter of a micrometre outside the true edge.
            return Geo.expanded(stroke.path().envelope(), stroke.roundWidth() / 2 + 250);
        }
        return null;
    }

    /** The pieces in drawing order. They may overlap each other. */
    public List<Piece> pieces() {
        return pieces;
    }

    /** The whole picture as one geometry. */
    public Geometry area() {
        return Geo.union(pieces.stream().map(Piece::polygon).toList());
    }
}
