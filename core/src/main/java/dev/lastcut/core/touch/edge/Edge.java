package dev.lastcut.core.touch.edge;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import dev.lastcut.core.touch.picture.Source;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/**
 * Another edge of the board. What is asked is done in this order: the outline replaced, sized,
 * moved, its corners rounded, a cut-out made. Lengths in nm.
 *
 * @param replace a drawing that is the outline from now on
 * @param scaleTo how wide, and where two are given how high, it is to be
 * @param move how far the edge goes, while all that is on the board stays
 * @param corner radius that the corners of the outer contour get; 0: none
 * @param cutOut what is cut out
 */
public record Edge(
        Optional<Source> replace,
        List<Double> scaleTo,
        Optional<Pt> move,
        double corner,
        Optional<CutOut> cutOut)
        implements Touch {
    public Edge {
        scaleTo = List.copyOf(scaleTo);
        scaleTo.forEach(s -> Sizes.above("scale_to_mm", s));
        Sizes.notBelow0("corner_mm", corner);
        if (replace.isEmpty()
                && scaleTo.isEmpty()
                && move.isEmpty()
                && corner == 0
                && cutOut.isEmpty()) {
            throw new IllegalArgumentException(
                    "edge: one of replace, scale_to_mm, move_mm, corner_mm and cut_out");
        }
        if (scaleTo.size() > 2) {
            throw new IllegalArgumentException("scale_to_mm: a width, or width and height");
        }
    }

    @Override
    public String kind() {
        return "edge";
    }

    @Override
    public String words() {
        List<String> all = new ArrayList<>();
        replace.ifPresent(r -> all.add("outline " + r.words()));
        if (!scaleTo.isEmpty()) {
            all.add(
                    String.join(
                                    " × ",
                                    scaleTo.stream()
                                            .map(s -> Length.shortMm(Length.toMm(s)))
                                            .toList())
                            + " mm");
        }
        move.ifPresent(
                m ->
                        all.add(
                                "moved by "
                                        + Length.shortMm(Length.toMm(m.x()))
                                        + ", "
                                        + Length.shortMm(Length.toMm(m.y()))
                                        + " mm"));
        if (corner > 0) {
            all.add("corners of " + Length.shortMm(Length.toMm(corner)) + " mm");
        }
        cutOut.ifPresent(c -> all.add(c.words()));
        return "Edge: " + String.join(", ", all);
    }

    @Override
    public Phase phase() {
        return Phase.EDGE;
    }

    @Override
    public List<String> files() {
        return replace.map(Source::files).orElse(List.of());
    }

    @Override
    public Change on(Work work) throws NotDone {
        List<Segment> outer;
        List<List<Segment>> cutouts;
        List<String> says = new ArrayList<>();
        List<Pt> places = new ArrayList<>();
        if (replace.isPresent()) {
            Outline read = ReplacedEdge.of(work, replace.get(), scaleTo);
            outer = read.outer();
            cutouts = read.cutouts();
        } else {
            Optional<Outline> now = work.board().outline().filter(Outline::isClosed);
            if (now.isEmpty()) {
                throw new NotDone("The board has no closed outline to work on; replace it");
            }
            outer = now.get().outer();
            cutouts = now.get().cutouts();
            if (!scaleTo.isEmpty()) {
                outer = SizedEdge.of(outer, scaleTo);
            }
        }
        if (move.isPresent()) {
            Pt by = move.get();
            outer = outer.stream().map(s -> s.translated(by)).toList();
        }
        if (corner > 0) {
            RoundedEdge rounded = RoundedEdge.of(outer, corner);
            if (rounded.rounded() == 0) {
                throw new NotDone(
                        "No corner of the outline has room for a radius of " + Length.text(corner),
                        rounded.left());
            }
            outer = rounded.path();
            says.add("rounds " + Change.count(rounded.rounded(), "corner"));
            if (!rounded.left().isEmpty()) {
                says.add("no room at " + Change.count(rounded.left().size(), "corner"));
                places.addAll(rounded.left());
            }
        }
        Outline made = new Outline(outer, cutouts, List.of(), List.of(), List.of());
        if (cutOut.isPresent()) {
            made = cutOut.get().in(made);
            places.add(cutOut.get().middle());
            says.add("cuts out " + Change.area(cutOut.get().area()));
        }
        says.add(0, "the board is " + size(made) + " now");
        return NewEdge.on(work, made, Change.sentence(says), places);
    }

    private static String size(Outline o) {
        Envelope e = new Envelope();
        for (var c : Flattener.FINE.polyline(o.outer())) {
            e.expandToInclude(c);
        }
        return Length.text(e.getWidth()) + " by " + Length.text(e.getHeight());
    }
}
