package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.picture.Blobs;
import dev.lastcut.core.intake.picture.Blobs.Blob;
import dev.lastcut.core.intake.picture.Grid;
import dev.lastcut.core.intake.picture.Ink;
import dev.lastcut.core.intake.picture.Loops;
import dev.lastcut.core.intake.picture.Loops.Loop;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/** One picture of a pack, and what can be seen in it without knowing what it is. */
final class Picture {
    /** A piece that fills this share of its hull is a pad or an opening; letters do not. */
    private static final double LEAST_SOLIDITY = 0.86;

    private static final double LEAST_FILL = 0.2;

    /** What fills so much of its box has no need to be held against its hull. */
    private static final double SURELY = 0.76;

    /** Larger than this share of the board it is an area, not a pad. */
    private static final double LARGEST_SHARE = 0.03;

    /** However small the board, a pad may have this area. */
    private static final double SMALL_NM2 = 16e12;

    private static final double THIN_NM = 500_000;
    private static final int MOST_CONTOUR_STROKES = 2_000;
    private static final int MOST_OPENINGS = 300;

    private final String path;
    private final List<Feature> features;
    private final Envelope extent;
    private final boolean negative;
    private final Grid grid;
    private final int strokes;
    private final int thinStrokes;
    private Ink ink;
    private Blobs blobs;
    private List<Blob> compact;
    private List<Blob> sample;
    private Optional<Envelope> contour;
    private List<Loop> loops;

    Picture(String path, List<Feature> features, boolean negative, Grid grid) {
        this.path = path;
        this.features = features;
        this.extent = extent(features);
        this.negative = negative;
        this.grid = grid;
        this.strokes = (int) features.stream().filter(f -> f instanceof Feature.Stroke).count();
        this.thinStrokes =
                (int)
                        features.stream()
                                .filter(f -> f instanceof Feature.Stroke s && isThin(s))
                                .count();
    }

    /** The box about the places and middle lines of features. */
    static Envelope extent(List<Feature> features) {
        Envelope all = new Envelope();
        for (Feature f : features) {
            if (f instanceof Feature.Flash x) {
                all.expandToInclude(x.at().x(), x.at().y());
            } else if (f instanceof Feature.Stroke s) {
                all.expandToInclude(s.path().from().x(), s.path().from().y());
                all.expandToInclude(s.path().to().x(), s.path().to().y());
            } else if (f instanceof Feature.Region r) {
                r.contours()
                        .forEach(
                                c ->
                                        c.forEach(
                                                s ->
                                                        all.expandToInclude(
                                                                s.from().x(), s.from().y())));
            }
        }
        return all;
    }

    private static boolean isThin(Feature.Stroke s) {
        return s.aperture() instanceof Aperture.Circle c && c.diameter() <= THIN_NM;
    }

    String path() {
        return path;
    }

    List<Feature> features() {
        return features;
    }

    Envelope extent() {
        return extent;
    }

    Ink ink() {
        if (ink == null) {
            ink = Ink.of(features, grid, negative);
        }
        return ink;
    }

    Grid grid() {
        return grid;
    }

    boolean isEmpty() {
        return features.isEmpty();
    }

    double thinShare() {
        return features.isEmpty() ? 0 : (double) thinStrokes / features.size();
    }

    String counts() {
        int flashes = (int) features.stream().filter(f -> f instanceof Feature.Flash).count();
        int regions = features.size() - flashes - strokes;
        return flashes + " flashes, " + strokes + " strokes, " + regions + " areas";
    }

    Blobs blobs() {
        if (blobs == null) {
            blobs = new Blobs(ink());
        }
        return blobs;
    }

    /** The pieces that are pads or openings by their shape, painted in whatever way. */
    List<Blob> compact() {
        if (compact == null) {
            Grid g = grid;
            double least = Math.max(150_000, 1.6 * brushNm());
            double few = SMALL_NM2 / (g.pixelNm() * g.pixelNm());
            double most = Math.max(few, LARGEST_SHARE * g.width() * g.height());
            compact =
                    blobs().all().stream()
                            .filter(b -> b.fill() >= LEAST_FILL && b.area() <= most)
                            .filter(b -> Math.min(b.widthNm(), b.heightNm()) >= least)
                            .filter(
                                    b ->
                                            b.fill() >= SURELY
                                                    || blobs().solidity(b) >= LEAST_SOLIDITY)
                            .toList();
        }
        return compact;
    }

    /** The width most thin strokes are drawn with; 0 where little is: one line of it is no pad. */
    private double brushNm() {
        if (thinShare() < 0.5) {
            return 0;
        }
        Map<Double, Integer> counts = new HashMap<>();
        for (Feature f : features) {
            if (f instanceof Feature.Stroke s && isThin(s)) {
                counts.merge(s.roundWidth(), 1, Integer::sum);
            }
        }
        return counts.entrySet().stream()
                .max(
                        Map.Entry.<Double, Integer>comparingByValue()
                                .thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .orElse(0.0);
    }

    /** An even selection of the compact pieces, enough to judge by. */
    List<Blob> sample() {
        if (sample == null) {
            int step = Math.max(1, (compact().size() + MOST_OPENINGS - 1) / MOST_OPENINGS);
            List<Blob> some = new ArrayList<>();
            for (int i = 0; i < compact().size(); i += step) {
                some.add(compact().get(i));
            }
            sample = some;
        }
        return sample;
    }

    /** The share of the ink that lies in compact pieces. */
    double compactShare() {
        long all = ink().count();
        long own = compact().stream().mapToLong(Blob::area).sum();
        return all == 0 ? 0 : (double) own / all;
    }

    /** Whether it is made of pads or openings and little else. */
    boolean isSparse() {
        return !compact().isEmpty() && compactShare() > 0.8;
    }

    /** Whether there is ink at a place or all round a hole of this size there. */
    boolean hasPad(Pt at, double diameterNm) {
        if (ink().at(at)) {
            return true;
        }
        return around(at, diameterNm / 2 + 1.5 * grid.pixelNm()) >= 6;
    }

    /** Whether a ring of ink, wider than a hole, lies round it. */
    boolean hasRing(Pt at, double diameterNm) {
        return around(at, diameterNm / 2 + Math.max(40_000, 0.8 * grid.pixelNm())) >= 6;
    }

    /** Whether a hole has a pad that ends beside it, or is kept free in an area. */
    boolean hasOwnPad(Pt at, double diameterNm) {
        double r = diameterNm / 2;
        boolean ends = Math.min(around(at, r + 350_000), around(at, r + 600_000)) <= 4;
        return hasRing(at, diameterNm) && ends || hasAntipad(at, diameterNm);
    }

    /** Whether a hole is kept free in an area: clear at its edge, dark a little farther out. */
    boolean hasAntipad(Pt at, double diameterNm) {
        double r = diameterNm / 2;
        return !ink().at(at)
                && around(at, r + 50_000) <= 2
                && Math.max(around(at, r + 450_000), around(at, r + 800_000)) >= 5;
    }

    /** In how many of eight directions there is ink at a distance. */
    private int around(Pt at, double distance) {
        int dark = 0;
        for (int k = 0; k < 8; k++) {
            double a = Math.PI / 4 * k + Math.PI / 8;
            Pt p =
                    new Pt(
                            at.x() + Math.round(distance * Math.cos(a)),
                            at.y() + Math.round(distance * Math.sin(a)));
            dark += ink().at(p) ? 1 : 0;
        }
        return dark;
    }

    /** The closed paths that its strokes make. */
    List<Loop> loops() {
        if (loops == null) {
            loops = Loops.of(features);
        }
        return loops;
    }

    /** The box of the closed contour its thin strokes make about nearly all it holds, if any. */
    Optional<Envelope> contour() {
        if (contour == null) {
            contour = findContour();
        }
        return contour;
    }

    private Optional<Envelope> findContour() {
        boolean few = !features.isEmpty() && features.size() <= MOST_CONTOUR_STROKES;
        boolean drawn =
                thinShare() >= 0.9 || features.stream().allMatch(f -> f instanceof Feature.Region);
        if (!few || !drawn) {
            return Optional.empty();
        }
        Outline outline = OutlineBuilder.build(features);
        double gaps = outline.gaps().stream().mapToDouble(Outline.Gap::nm).sum();
        double edge = outline.outer().stream().mapToDouble(g -> g.length()).sum();
        if (outline.outer().isEmpty() || gaps > 0.1 * edge) {
            return Optional.empty();
        }
        Envelope outer = new Envelope();
        outline.outer().forEach(s -> outer.expandToInclude(s.envelope()));
        long own = outline.outer().size();
        long cut = outline.cutouts().stream().mapToLong(List::size).sum();
        boolean all =
                outer.getArea() >= 0.95 * extent.getArea()
                        && outer.getArea() > 0
                        && own + cut >= 0.4 * features.size();
        return all ? Optional.of(outer) : Optional.empty();
    }
}
