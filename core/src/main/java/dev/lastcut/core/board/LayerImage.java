package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.List;
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
    /** One connected polygon left of a feature. */
    public record Piece(Feature feature, Polygon polygon) {}

    private record Clear(int order, Geometry shape) {}

    private final List<Piece> pieces = new ArrayList<>();

    private LayerImage() {}

    public static LayerImage of(List<Feature> features, Flattener flattener) {
        LayerImage image = new LayerImage();
        Shaper shaper = new Shaper(flattener);
        STRtree clears = new STRtree();
        int clearCount = 0;
        for (int i = 0; i < features.size(); i++) {
            if (!features.get(i).dark()) {
                Geometry shape = shaper.shape(features.get(i));
                if (!shape.isEmpty()) {
                    clears.insert(shape.getEnvelopeInternal(), new Clear(i, shape));
                    clearCount++;
                }
            }
        }
        for (int i = 0; i < features.size(); i++) {
            Feature feature = features.get(i);
            if (feature.dark()) {
                Geometry shape = shaper.shape(feature);
                Geometry left = clearCount == 0 ? shape : cleared(shape, i, clears);
                Geo.eachPolygon(left, p -> image.pieces.add(new Piece(feature, p)));
            }
        }
        return image;
    }

    private static Geometry cleared(Geometry shape, int order, STRtree clears) {
        List<Geometry> later = new ArrayList<>();
        for (Object o : clears.query(shape.getEnvelopeInternal())) {
            Clear clear = (Clear) o;
            if (clear.order > order) {
                later.add(clear.shape);
            }
        }
        return later.isEmpty() ? shape : Geo.difference(shape, Geo.union(later));
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
