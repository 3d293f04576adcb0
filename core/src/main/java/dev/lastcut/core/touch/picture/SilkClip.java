package dev.lastcut.core.touch.picture;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;

/**
 * Takes silk off pads, holes and the rim of the board. Strokes are cut along their way, so that
 * what is left of them is as wide as ever. Lengths in nm.
 */
public record SilkClip(double clear) implements Touch {
    public SilkClip {
        Sizes.notBelow0("clear_mm", clear);
    }

    @Override
    public String kind() {
        return "silk-clip";
    }

    @Override
    public String words() {
        return "Clip the silk " + Length.shortMm(Length.toMm(clear)) + " mm off pads and holes";
    }

    @Override
    public Phase phase() {
        return Phase.AFTER_SILK;
    }

    @Override
    public Change on(Work work) throws NotDone {
        SilkTrim trim = SilkTrim.of(work, clear, f -> 0);
        if (trim.places().isEmpty()) {
            throw new NotDone("No silk is nearer than that to a pad, a hole or the edge");
        }
        return new Change(
                trim.board(),
                "Clips " + Change.count(trim.places().size(), "stroke"),
                trim.places());
    }
}
