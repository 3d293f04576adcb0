package dev.lastcut.core.intake;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;

/**
 * What can be counted in a picture without knowing its role.
 *
 * @param flashes places of flashes on a 50 µm grid, with the least width of the largest there
 * @param extent of flash centres and stroke ends
 * @param closed true when its strokes form one closed contour about nearly all of the extent
 */
record PictureFacts(
        Map<Pt, Double> flashes,
        int flashCount,
        int strokeCount,
        int regionCount,
        double share,
        Envelope extent,
        boolean closed) {

    static PictureFacts of(List<Feature> features) {
        Map<Pt, Double> flashes = new HashMap<>();
        Map<Aperture, Double> macros = new HashMap<>();
        int flashCount = 0;
        int strokes = 0;
        int regions = 0;
        Envelope extent = new Envelope();
        for (Feature f : features) {
            if (f instanceof Feature.Flash flash) {
                flashCount++;
                flashes.merge(Cells.of(flash.at()), width(flash, macros), Math::max);
                extent.expandToInclude(flash.at().coordinate());
            } else if (f instanceof Feature.Stroke s) {
                strokes++;
                extent.expandToInclude(s.path().from().coordinate());
                extent.expandToInclude(s.path().to().coordinate());
            } else if (f instanceof Feature.Region r) {
                regions++;
                r.contours()
                        .forEach(
                                c -> c.forEach(s -> extent.expandToInclude(s.from().coordinate())));
            }
        }
        double share = features.isEmpty() ? 0 : (double) flashCount / features.size();
        return new PictureFacts(
                flashes, flashCount, strokes, regions, share, extent, closes(features, extent));
    }

    private static boolean closes(List<Feature> features, Envelope extent) {
        long thin =
                features.stream().filter(f -> f instanceof Feature.Stroke s && isThin(s)).count();
        if (features.isEmpty() || features.size() > 2_000 || thin < features.size() * 0.9) {
            return false;
        }
        Outline outline = OutlineBuilder.build(features);
        double gaps = outline.gaps().stream().mapToDouble(Outline.Gap::nm).sum();
        double edge = outline.outer().stream().mapToDouble(g -> g.length()).sum();
        if (outline.outer().isEmpty() || gaps > 0.1 * edge) {
            return false;
        }
        Envelope outer = new Envelope();
        outline.outer().forEach(s -> outer.expandToInclude(s.from().coordinate()));
        outline.outer().forEach(s -> outer.expandToInclude(s.middle().coordinate()));
        long own = outline.outer().size();
        long cut = outline.cutouts().stream().mapToLong(List::size).sum();
        return outer.getArea() >= 0.95 * extent.getArea()
                && outer.getArea() > 0
                && own + cut >= 0.4 * features.size();
    }

    private static boolean isThin(Feature.Stroke s) {
        return s.aperture() instanceof Aperture.Circle c && c.diameter() <= 500_000;
    }

    /** True when something is flashed at a place, give or take 50 µm. */
    boolean hasFlashAt(Pt p) {
        return Cells.anyAround(p, flashes::containsKey);
    }

    /** The smaller of a pad's width and height, nm; macros by their outermost points. */
    private static double width(Feature.Flash f, Map<Aperture, Double> macros) {
        double scale = f.orientation().scale();
        if (f.aperture() instanceof Aperture.Circle c) {
            return c.diameter() * scale;
        }
        if (f.aperture() instanceof Aperture.Rectangle r) {
            return Math.min(r.width(), r.height()) * scale;
        }
        if (f.aperture() instanceof Aperture.Obround o) {
            return Math.min(o.width(), o.height()) * scale;
        }
        if (f.aperture() instanceof Aperture.Polygon p) {
            return p.diameter() * scale;
        }
        return macros.computeIfAbsent(f.aperture(), a -> macroWidth(f)) * scale;
    }

    private static double macroWidth(Feature.Flash f) {
        Feature.Flash plain =
                new Feature.Flash(
                        f.aperture(), Pt.ORIGIN, Orientation.NONE, true, 0, f.attributes());
        Envelope box = new Shaper(Flattener.SCREEN).shape(plain).getEnvelopeInternal();
        return Math.min(box.getWidth(), box.getHeight());
    }

    /** Whether a pad wider than a hole lies on it, leaving a ring of 50 µm or more. */
    boolean hasRing(Hole h) {
        double least = h.diameter() + 100_000;
        return Cells.anyAround(h.middle(), c -> flashes.getOrDefault(c, 0.0) >= least);
    }

    /** The places of the flashes, on the grid's corners. */
    List<Pt> places() {
        return flashes.keySet().stream().map(Cells::middle).toList();
    }

    /** The share of places that have a flash; 0 for no places. */
    double hits(List<Pt> places) {
        long hit = places.stream().filter(this::hasFlashAt).count();
        return places.isEmpty() ? 0 : (double) hit / places.size();
    }
}
