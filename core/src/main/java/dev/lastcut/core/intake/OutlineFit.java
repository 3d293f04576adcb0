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
    /** As it is, then inch for mm and the other way, pixels and points for mm, digits. */
    private static final double[] SCALES = {
        1, 25.4, 1 / 25.4, 96 / 25.4, 72 / 25.4, 25.4 / 96, 25.4 / 72, 10, 0.1
    };

    /** The copper may stand over the edge by this much (castellations, edge plating). */
    private static final double OVER_NM = 1_000_000;

    /** With this share of the copper inside, the outline is where it should be. */
    private static final double MOSTLY = 0.9;

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
        if (outline == null
                || copper.isNull()
                || edge.isNull()
                || holds(edge, copper, Pt.ORIGIN, 1)) {
            return Optional.empty();
        }
        if (share(drawn, edge) >= MOSTLY) {
            // A title or a target beside the board is no sign that the outline is wrong.
            return Optional.empty();
        }
        // A drawing that shares the origin needs its unit put right and nothing else.
        for (double scale : SCALES) {
            boolean large = edge.getArea() * scale * scale > 6 * copper.getArea();
            if (!large && scale != 1 && holds(edge, copper, Pt.ORIGIN, scale)) {
                Correction c = new Correction(false, 0, scale, Pt.ORIGIN);
                return Optional.of(new Found(outline.path(), c, problem(outline, c)));
            }
        }
        for (double scale : SCALES) {
            Pt shift =
                    new Pt(
                            Math.round(copper.centre().x - edge.centre().x * scale),
                            Math.round(copper.centre().y - edge.centre().y * scale));
            boolean large = edge.getArea() * scale * scale > 6 * copper.getArea();
            if (!large && holds(edge, copper, shift, scale)) {
                Correction c = new Correction(false, 0, scale, shift);
                return Optional.of(new Found(outline.path(), c, problem(outline, c)));
            }
        }
        return Optional.empty();
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

    private static boolean holds(Envelope edge, Envelope copper, Pt shift, double scale) {
        Envelope e =
                new Envelope(
                        edge.getMinX() * scale + shift.x(),
                        edge.getMaxX() * scale + shift.x(),
                        edge.getMinY() * scale + shift.y(),
                        edge.getMaxY() * scale + shift.y());
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
