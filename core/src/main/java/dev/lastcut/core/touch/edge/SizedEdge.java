package dev.lastcut.core.touch.edge;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.NotDone;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;

/**
 * Gives an outline another size. Straight edges become longer or shorter and corners stay as they
 * are, the lower left one in its place; an outline of one round piece is scaled.
 */
final class SizedEdge {
    private static final double SAME_RATIO = 0.002;

    private SizedEdge() {}

    /**
     * @throws NotDone when an arc runs across the middle, so that only scaling would do
     */
    static List<Segment> of(List<Segment> outer, List<Double> to) throws NotDone {
        Envelope e = ReplacedEdge.box(outer);
        double width = to.get(0);
        double factor = width / e.getWidth();
        double height = to.size() == 2 ? to.get(1) : e.getHeight() * factor;
        double dx = Math.rint(width - e.getWidth());
        double dy = Math.rint(height - e.getHeight());
        double cx = e.centre().x;
        double cy = e.centre().y;
        List<Segment> all = new ArrayList<>();
        for (Segment s : outer) {
            Pt from = moved(s.from(), cx, cy, dx, dy);
            Pt by = from.minus(s.from());
            Pt to2 = moved(s.to(), cx, cy, dx, dy);
            if (s instanceof Segment.Line) {
                all.add(new Segment.Line(from, to2));
            } else if (to2.minus(s.to()).equals(by) && onOneSide(s, cx, cy)) {
                all.add(s.translated(by));
            } else {
                return scaled(outer, e, factor, height);
            }
        }
        return all;
    }

    private static boolean onOneSide(Segment s, double cx, double cy) {
        Envelope e = s.envelope();
        return (e.getMaxX() <= cx || e.getMinX() >= cx) && (e.getMaxY() <= cy || e.getMinY() >= cy);
    }

    private static List<Segment> scaled(
            List<Segment> outer, Envelope e, double factor, double height) throws NotDone {
        if (Math.abs(height / e.getHeight() / factor - 1) > SAME_RATIO) {
            throw new NotDone(
                    "An arc of the outline runs across its middle, so it can be scaled as a whole"
                            + " only: "
                            + Length.text(e.getWidth() * factor)
                            + " by "
                            + Length.text(e.getHeight() * factor));
        }
        Orientation size = new Orientation(false, 0, factor);
        Pt by =
                new Pt(
                        Math.round(e.getMinX() - e.getMinX() * factor),
                        Math.round(e.getMinY() - e.getMinY() * factor));
        return outer.stream().map(s -> size.apply(s).translated(by)).toList();
    }

    private static Pt moved(Pt p, double cx, double cy, double dx, double dy) {
        return new Pt(
                p.x() + (p.x() > cx ? Math.round(dx) : 0),
                p.y() + (p.y() > cy ? Math.round(dy) : 0));
    }
}
