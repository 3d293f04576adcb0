package dev.lastcut.core.touch.picture;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.touch.Change;
import dev.lastcut.core.touch.NotDone;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.core.touch.Work;
import dev.lastcut.core.touch.copper.Sizes;

/**
 * Draws thin strokes of the silk as wide as this; where one would then come too near to a pad it
 * ends sooner. Lengths in nm.
 */
public record SilkThicken(double least) implements Touch {
    public SilkThicken {
        Sizes.above("least_mm", least);
    }

    @Override
    public String kind() {
        return "silk-thicken";
    }

    @Override
    public String words() {
        return "Thicken silk to " + Length.shortMm(Length.toMm(least)) + " mm";
    }

    @Override
    public Phase phase() {
        return Phase.AFTER_SILK;
    }

    @Override
    public Change on(Work work) throws NotDone {
        SilkTrim trim =
                SilkTrim.of(
                        work,
                        work.room().silk(),
                        f ->
                                f instanceof Feature.Stroke s
                                                && s.roundWidth() > 0
                                                && s.roundWidth() < least - 500
                                        ? least
                                        : -1);
        if (trim.places().isEmpty()) {
            throw new NotDone("No stroke of the silk is thinner than " + Length.text(least));
        }
        return new Change(
                trim.board(),
                "Thickens " + Change.count(trim.places().size(), "stroke"),
                trim.places());
    }
}
