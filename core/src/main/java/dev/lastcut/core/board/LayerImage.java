package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Clearing;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
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
        STRtree clears = image.clears(features);
        for (int i = 0; i < features.size(); i++) {
            if (features.get(i).dark()) {
                image.add(features.get(i), i, clears.isEmpty() ? null : clears);
            }
        }
        return image;
    }

    /**
     * The pieces of a picture that was drawn otherwise. While the same features erase in the same
     * order, what is drawn as before between the same two of them keeps its pieces.
     */
    public static List<Piece> again(
            List<Feature> before, List<Piece> known, List<Feature> now, Flattener flattener) {
        List<Feature> erased = before.stream().filter(f -> !f.dark()).toList();
        List<Feature> erases = now.stream().filter(f -> !f.dark()).toList();
        if (!same(erased, erases)) {
            return of(now, flattener).pieces();
        }
        Map<Feature, Integer> wasAfter = new IdentityHashMap<>();
        int clears = 0;
        for (Feature f : before) {
            clears += f.dark() ? 0 : 1;
            wasAfter.put(f, clears);
        }
        Map<Feature, List<Piece>> byFeature = new IdentityHashMap<>();
        known.forEach(p -> byFeature.computeIfAbsent(p.feature(), k -> new ArrayList<>()).add(p));
        LayerImage image = new LayerImage(flattener);
        STRtree later = erases.isEmpty() ? null : image.clears(now);
        clears = 0;
        for (int i = 0; i < now.size(); i++) {
            Feature f = now.get(i);
            clears += f.dark() ? 0 : 1;
            if (Integer.valueOf(clears).equals(wasAfter.get(f))) {
                image.pieces.addAll(byFeature.getOrDefault(f, List.of()));
            } else if (f.dark()) {
                image.add(f, i, later);
            }
        }
        return image.pieces;
    }

    private static boolean same(List<Feature> a, List<Feature> b) {
        return a.size() == b.size()
                && IntStream.range(0, a.size()).allMatch(i -> a.get(i) == b.get(i));
    }

    private STRtree clears(List<Feature> features) {
        STRtree clears = new STRtree();
        for (int i = 0; i < features.size(); i++) {
            if (!features.get(i).dark()) {
                Geometry shape = shaper.shape(features.get(i));
                if (!shape.isEmpty()) {
                    clears.insert(shape.getEnvelopeInternal(), new Clear(i, shape));
                }
            }
        }
        return clears;
    }

    private void add(Feature feature, int order, STRtree clears) {
        WorkLimit.step();
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
