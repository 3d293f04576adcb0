package dev.lastcut.core.check.outline;

import dev.lastcut.core.board.Outline;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import java.util.List;
import java.util.Optional;

/** No closed contour to cut the board out along. */
public final class OutlineMissingRule implements Rule {
    @Override
    public String id() {
        return "outline-missing";
    }

    @Override
    public String title() {
        return "Missing board outline";
    }

    @Override
    public Outcome run(CheckContext c) {
        Optional<Outline> outline = c.board().outline();
        if (outline.isPresent() && !outline.get().outer().isEmpty()) {
            int cutouts = outline.get().cutouts().size();
            return Outcome.of(List.of(), cutouts + " cut-outs inside the outline");
        }
        String what =
                outline.isEmpty()
                        ? "No file of the pack is the outline."
                        : "The outline file holds no closed contour.";
        return Outcome.of(
                List.of(
                        new FindingBuilder(id())
                                .count(0, 1, "contours")
                                .layers("outline")
                                .say(
                                        what
                                                + " The shop cannot know where the board ends."
                                                + " Export the outline as one closed line.")));
    }
}
