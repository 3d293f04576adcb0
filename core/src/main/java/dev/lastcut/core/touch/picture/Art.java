package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.formats.drawing.Drawing;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.List;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * A drawing as silk, copper or a window of the mask. Closed paths are filled, a path within another
 * is a hole in it; open ones are drawn as strokes. Lengths in nm.
 *
 * @param at its lower left corner, as it is looked at
 * @param width how wide it is to be; 0: its own true size
 * @param source the drawing
 * @param mirrored to be looked at from below
 * @param least what would be thinner is drawn this thick
 */
public record Art(Role layer, Pt at, double width, Source source, boolean mirrored, double least)
        implements Touch {
    public Art {
        Sizes.notBelow0("width_mm", width);
        Sizes.above("least_mm", least);
    }

    @Override
    public String kind() {
        return "art";
    }

    @Override
    public String words() {
        return "Art " + source.words() + " on the " + layer.words();
    }

    @Override
    public Phase phase() {
        return layer.isCopper() ? Phase.COPPER : Phase.SILK;
    }

    @Override
    public List<String> files() {
        return source.files();
    }

    @Override
    public Change on(Work work) throws NotDone {
        Layer before = work.layer(layer);
        Drawing drawing = source.read(work);
        if (width == 0 && !drawing.unitStated()) {
            throw new NotDone(
                    "The drawing "
                            + source.words()
                            + " says no size in a unit; say how wide it is");
        }
        Geometry shape = ArtShape.of(drawing, width, least);
        if (shape.isEmpty()) {
            throw new NotDone("The drawing " + source.words() + " draws nothing that has an area");
        }
        Envelope e = shape.getEnvelopeInternal();
        AffineTransformation to =
                AffineTransformation.translationInstance(
                        Math.rint(-e.getMinX()), Math.rint(-e.getMinY()));
        if (mirrored) {
            to.scale(-1, 1);
        }
        to.translate(at.x(), at.y());
        Geometry placed = to.transform(shape);
        List<Feature> regions =
                Features.regions(
                        placed,
                        new ObjectAttributes(layer.isCopper() ? "NonConductor" : "", "", "", ""));
        Spot.free(work, layer, regions);
        return new Change(
                work.board().with(before.plus(regions)),
                "Adds "
                        + Change.area(placed.getArea())
                        + ", "
                        + Length.text(e.getWidth())
                        + " by "
                        + Length.text(e.getHeight())
                        + Spot.overlap(work, layer, regions),
                List.of(at));
    }
}
