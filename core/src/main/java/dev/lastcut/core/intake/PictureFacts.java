package dev.lastcut.core.intake;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.geometry.Pt;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.locationtech.jts.geom.Envelope;

/**
 * What can be counted in a picture without knowing its role.
 *
 * @param flashes places of flashes, on a 50 µm grid
 * @param extent of flash centres and stroke ends
 * @param closed true when its strokes form one closed contour about nearly all of the extent
 */
record PictureFacts(
        Set<Pt> flashes,
        int flashCount,
        int strokeCount,
        int regionCount,
        double share,
        Envelope extent,
        boolean closed) {
    private static final double CELL_NM = 50_000;

    static PictureFacts of(List<Feature> features) {
        Set<Pt> flashes = new HashSet<>();
        int flashCount = 0;
        int strokes = 0;
        int regions = 0;
        Envelope extent = new Envelope();
        for (Feature f : features) {
            if (f instanceof Feature.Flash flash) {
                flashCount++;
                flashes.add(cell(flash.at()));
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

    private static Pt cell(Pt p) {
        return new Pt(Math.round(p.x() / CELL_NM), Math.round(p.y() / CELL_NM));
    }

    /** True when something is flashed at a place, give or take 50 µm. */
    boolean hasFlashAt(Pt p) {
        Pt c = cell(p);
        for (long x = c.x() - 1; x <= c.x() + 1; x++) {
            for (long y = c.y() - 1; y <= c.y() + 1; y++) {
                if (flashes.contains(new Pt(x, y))) {
                    return true;
                }
            }
        }
        return false;
    }

    /** The share of places that have a flash; 0 for no places. */
    double hits(List<Pt> places) {
        long hit = places.stream().filter(this::hasFlashAt).count();
        return places.isEmpty() ? 0 : (double) hit / places.size();
    }
}
