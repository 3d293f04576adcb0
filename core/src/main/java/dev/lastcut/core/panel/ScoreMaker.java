package dev.lastcut.core.panel;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.locationtech.jts.geom.Envelope;

/** Draws a score along each side of each board, straight through the panel. */
final class ScoreMaker {
    /** Lines nearer than this to each other, or to the panel's edge, are one. */
    private static final double SAME_NM = 1_000;

    private ScoreMaker() {}

    static List<Break.Score> of(Layout layout) {
        TreeSet<Double> xs = new TreeSet<>();
        TreeSet<Double> ys = new TreeSet<>();
        for (PlacedBoard b : layout.boards()) {
            Envelope e = b.box();
            add(xs, e.getMinX(), layout.widthNm());
            add(xs, e.getMaxX(), layout.widthNm());
            add(ys, e.getMinY(), layout.heightNm());
            add(ys, e.getMaxY(), layout.heightNm());
        }
        long w = Math.round(layout.widthNm());
        long h = Math.round(layout.heightNm());
        List<Break.Score> scores = new ArrayList<>();
        for (double x : xs) {
            long at = Math.round(x);
            scores.add(new Break.Score(Geo.line(new Pt(at, 0), new Pt(at, h)), true));
        }
        for (double y : ys) {
            long at = Math.round(y);
            scores.add(new Break.Score(Geo.line(new Pt(0, at), new Pt(w, at)), false));
        }
        return scores;
    }

    private static void add(TreeSet<Double> lines, double at, double end) {
        Double below = lines.floor(at + SAME_NM);
        boolean known = below != null && below >= at - SAME_NM;
        if (!known && at > SAME_NM && at < end - SAME_NM) {
            lines.add(at);
        }
    }
}
