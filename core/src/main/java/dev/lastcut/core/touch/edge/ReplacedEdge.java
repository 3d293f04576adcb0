package dev.lastcut.core.touch.edge;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.OutlineBuilder;
import dev.lastcut.core.formats.drawing.Drawing;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.picture.Source;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;

/** Reads an outline from a drawing, at its true size or the one that is asked. */
final class ReplacedEdge {
    private static final double SAME_RATIO = 0.002;

    private ReplacedEdge() {}

    /**
     * Where it does not lie about the board as it is drawn, its lower left corner comes to lie on
     * that of the outline there was.
     *
     * @throws NotDone when it says no size, or does not close
     */
    static Outline of(Work work, Source source, List<Double> scaleTo) throws NotDone {
        Drawing drawing = source.read(work);
        if (!drawing.unitStated() && scaleTo.isEmpty()) {
            throw new NotDone(
                    "The drawing "
                            + source.words()
                            + " says no size in a unit; say how wide it is (scale_to_mm)");
        }
        Outline read = OutlineBuilder.build(drawing.features());
        if (!read.isClosed()) {
            if (read.gaps().isEmpty()) {
                throw new NotDone("The outline in " + source.words() + " does not close");
            }
            Outline.Gap gap = read.gaps().get(0);
            throw new NotDone(
                    "The outline in "
                            + source.words()
                            + " does not close: there is a gap of "
                            + Length.text(gap.nm())
                            + " at "
                            + Work.place(gap.from()),
                    gap.from());
        }
        Envelope box = box(read.outer());
        double factor = factor(box, scaleTo, source);
        Pt by = Pt.ORIGIN;
        Envelope old = work.geometry().boardArea().getEnvelopeInternal();
        if (!old.isNull() && (factor != 1 || !isAbout(box, old))) {
            by =
                    new Pt(
                            Math.round(old.getMinX() - box.getMinX() * factor),
                            Math.round(old.getMinY() - box.getMinY() * factor));
        }
        Pt shift = by;
        List<List<Segment>> cutouts = new ArrayList<>();
        read.cutouts().forEach(c -> cutouts.add(moved(c, factor, shift)));
        return new Outline(
                moved(read.outer(), factor, shift), cutouts, List.of(), List.of(), List.of());
    }

    private static boolean isAbout(Envelope box, Envelope old) {
        Envelope shared = box.intersection(old);
        return shared.getArea() > 0.5 * Math.min(box.getArea(), old.getArea());
    }

    private static double factor(Envelope box, List<Double> scaleTo, Source source) throws NotDone {
        if (scaleTo.isEmpty()) {
            return 1;
        }
        double factor = scaleTo.get(0) / box.getWidth();
        if (scaleTo.size() == 2
                && Math.abs(scaleTo.get(1) / box.getHeight() / factor - 1) > SAME_RATIO) {
            throw new NotDone(
                    "The outline in "
                            + source.words()
                            + " is of another proportion than the size asked; say its width alone");
        }
        return factor;
    }

    private static List<Segment> moved(List<Segment> path, double factor, Pt by) {
        if (factor == 1) {
            return path.stream().map(s -> s.translated(by)).toList();
        }
        Orientation size = new Orientation(false, 0, factor);
        return path.stream().map(s -> size.apply(s).translated(by)).toList();
    }

    static Envelope box(List<Segment> path) {
        Envelope e = new Envelope();
        path.forEach(s -> e.expandToInclude(s.envelope()));
        return Geo.expanded(e, 0);
    }
}
