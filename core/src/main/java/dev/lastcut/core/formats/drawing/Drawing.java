package dev.lastcut.core.formats.drawing;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Envelope;

/**
 * What a drawing holds, in nm with y up.
 *
 * @param segments in the order drawn; consecutive ones of a path share their ends
 * @param nmPerUnit the scale taken
 * @param unit the unit taken, in words
 * @param unitStated false when the file names no unit, so that the scale must be confirmed
 */
public record Drawing(
        List<Segment> segments,
        double nmPerUnit,
        String unit,
        boolean unitStated,
        List<Problem> problems,
        boolean looksLikeDrawing) {
    /** The width that the strokes are given: a drawing has none of its own. */
    private static final double STROKE_NM = 100_000;

    public Drawing {
        segments = List.copyOf(segments);
        problems = List.copyOf(problems);
    }

    /** The drawing as strokes of a picture. */
    public List<Feature> features() {
        List<Feature> features = new ArrayList<>();
        Aperture pen = new Aperture.Circle(STROKE_NM, 0);
        for (Segment s : segments) {
            features.add(
                    new Feature.Stroke(pen, s, Orientation.NONE, true, 0, ObjectAttributes.NONE));
        }
        return features;
    }

    public Envelope extent() {
        Envelope all = new Envelope();
        segments.forEach(s -> all.expandToInclude(s.envelope()));
        return all;
    }

    /** "80.000 × 50.000 mm". */
    public String size() {
        Envelope e = extent();
        return String.format(
                Locale.ROOT, "%.3f × %.3f mm", e.getWidth() / 1e6, e.getHeight() / 1e6);
    }
}
