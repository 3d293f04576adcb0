package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.Features;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;
import java.util.ArrayList;
import java.util.List;

/**
 * Lettering in silk, copper or as a window of the mask. Lengths in nm.
 *
 * @param at the left end of the base line, as it is read
 * @param height of capitals
 * @param mirrored to be read from below
 * @param stroke width of the strokes; 0: an eighth of the height
 */
public record Text(
        Role layer,
        Pt at,
        double height,
        String text,
        double rotationDeg,
        boolean mirrored,
        double stroke)
        implements Touch {
    private static final int LONGEST = 200;

    public Text {
        Sizes.above("height_mm", height);
        Sizes.notBelow0("stroke_mm", stroke);
        if (text.isBlank() || text.length() > LONGEST) {
            throw new IllegalArgumentException("text: from 1 to 200 signs");
        }
    }

    @Override
    public String kind() {
        return "text";
    }

    @Override
    public String words() {
        return "\"" + text + "\" on the " + layer.words();
    }

    @Override
    public Phase phase() {
        return layer.isCopper() ? Phase.COPPER : Phase.SILK;
    }

    @Override
    public Change on(Work work) throws NotDone {
        String lacks = Lettering.lacks(text);
        if (!lacks.isEmpty()) {
            throw new NotDone("The lettering has no sign for " + lacks.replaceAll("", " ").strip());
        }
        Layer before = work.layer(layer);
        double width = stroke > 0 ? stroke : height / 8;
        List<Feature> strokes = new ArrayList<>();
        var says = new ObjectAttributes(layer.isCopper() ? "NonConductor" : "", "", "", "");
        for (Segment s : Lettering.strokes(text, at, height, rotationDeg, mirrored)) {
            strokes.add(Features.stroke(s, width, says));
        }
        Spot.free(work, layer, strokes);
        return new Change(
                work.board().with(before.plus(strokes)),
                "Adds "
                        + Change.count(strokes.size(), "stroke")
                        + Spot.overlap(work, layer, strokes),
                List.of(at));
    }
}
