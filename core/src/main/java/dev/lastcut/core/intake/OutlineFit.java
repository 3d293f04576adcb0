package dev.lastcut.core.intake;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/**
 * Whether the outline lies around the copper. A drawing has an origin and often a unit of its own,
 * so one that does not fit is laid middle on middle, at the likeliest scale: an estimate, as
 * nothing but the sizes can be compared.
 */
final class OutlineFit {
    /**
     * The likeliest first: as it is, then inch for mm and the other way, pixels and points for mm,
     * digits.
     */
    private static final double[] SCALES = {
        1, 25.4, 1 / 25.4, 96 / 25.4, 72 / 25.4, 25.4 / 96, 25.4 / 72, 10, 0.1
    };

    /** The copper may stand over the edge by this much (castellations, edge plating). */
    private static final double OVER_NM = 1_000_000;

    /** With this share of the copper inside, the outline is where it should be. */
    private static final double MOSTLY = 0.9;

    /** No board has so many times the area of what is drawn on it: it is in another unit. */
    private static final double VAST = 80;

    /** What a correction must not leave: so many times the copper's area. */
    private static final double LARGE = 6;

    record Found(String path, Correction correction, Problem problem) {}

    private OutlineFit() {}

    static Optional<Found> find(List<SourceFile> files, Map<String, Reading> readings) {
        Envelope copper = new Envelope();
        List<Feature> drawn = new ArrayList<>();
        SourceFile outline = null;
        Envelope edge = new Envelope();
        for (SourceFile f : files) {
            Reading r = readings.get(f.path());
            if (f.role().isCopper() && r instanceof Reading.Gerber g) {
                copper.expandToInclude(extent(g.file().features()));
                drawn.addAll(g.file().features());
            } else if (f.role().equals(Role.OUTLINE) && r instanceof Reading.Gerber g) {
                outline = f;
                edge = extent(g.file().features());
            } else if (f.role().equals(Role.OUTLINE) && r instanceof Reading.Drawn d) {
                outline = f;
                edge = d.drawing().extent();
            }
        }
        if (outline == null || copper.isNull() || edge.isNull()) {
            return Optional.empty();
        }
        boolean inside =
                holds(edge, copper, Correction.NONE)
                        // A title or a target beside the board is no sign that it is wrong.
                        || share(drawn, edge) >= MOSTLY;
        boolean vast = edge.getArea() > VAST * copper.getArea();
        if (inside && !vast) {
            return Optional.empty();
        }
        // A drawing that shares the origin needs its unit put right and nothing else.
        Optional<Correction> found = likeliest(edge, copper, false);
        if (found.isEmpty() && !inside) {
            found = likeliest(edge, copper, true);
        }
        SourceFile drawing = outline;
        return found.map(c -> new Found(drawing.path(), c, problem(drawing, c)));
    }

    /**
     * The first of the scales at which it lies around the copper, and not far.
     *
     * @param moved whether it is laid middle on middle, too
     */
    private static Optional<Correction> likeliest(Envelope edge, Envelope copper, boolean moved) {
        for (double scale : SCALES) {
            Pt shift = moved ? middleOnMiddle(edge, copper, scale) : Pt.ORIGIN;
            Correction c = new Correction(false, 0, scale, shift);
            boolean large = edge.getArea() * scale * scale > LARGE * copper.getArea();
            if (!large && !c.isNone() && holds(edge, copper, c)) {
                return Optional.of(c);
            }
        }
        return Optional.empty();
    }

    private static Pt middleOnMiddle(Envelope edge, Envelope copper, double scale) {
        return new Pt(
                Math.round(copper.centre().x - edge.centre().x * scale),
                Math.round(copper.centre().y - edge.centre().y * scale));
    }

    /** The share of features that lie within the outline's box. */
    private static double share(List<Feature> features, Envelope edge) {
        Envelope box = new Envelope(edge);
        box.expandBy(OVER_NM);
        long inside = features.stream().filter(f -> box.contains(extent(List.of(f)))).count();
        return features.isEmpty() ? 1 : (double) inside / features.size();
    }

    private static Problem problem(SourceFile outline, Correction c) {
        return new Problem(
                Problem.Code.MISREGISTERED,
                outline.path(),
                0,
                "the outline does not lie around the copper; it would when "
                        + c.words()
                        + " (estimated from the sizes alone)",
                "used as it is; the correction can be applied at Bring in");
    }

    private static boolean holds(Envelope edge, Envelope copper, Correction c) {
        Envelope e =
                new Envelope(
                        edge.getMinX() * c.scale() + c.shift().x(),
                        edge.getMaxX() * c.scale() + c.shift().x(),
                        edge.getMinY() * c.scale() + c.shift().y(),
                        edge.getMaxY() * c.scale() + c.shift().y());
        e.expandBy(OVER_NM);
        return e.contains(copper);
    }

    /** The box about the middle lines and places of features. */
    static Envelope extent(List<Feature> features) {
        Envelope all = new Envelope();
        for (Feature f : features) {
            if (f instanceof Feature.Flash x) {
                all.expandToInclude(x.at().coordinate());
            } else if (f instanceof Feature.Stroke s) {
                all.expandToInclude(s.path().envelope());
            } else if (f instanceof Feature.Region r) {
                r.contours().forEach(c -> c.forEach(s -> all.expandToInclude(s.envelope())));
            }
        }
        return all;
    }
}
