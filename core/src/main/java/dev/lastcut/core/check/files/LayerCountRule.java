package dev.lastcut.core.check.files;

import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import java.util.List;

/** Copper layers against what the shop makes. */
public final class LayerCountRule implements Rule {
    @Override
    public String id() {
        return "layer-count";
    }

    @Override
    public String title() {
        return "Copper layers";
    }

    @Override
    public Outcome run(CheckContext c) {
        int count = c.board().copper().size();
        int most = c.maxCopperLayers();
        String has = count + " copper layers";
        if (count > 0 && count <= most) {
            return Outcome.of(List.of(), has);
        }
        String message =
                count == 0
                        ? "The pack has no copper layer: there is nothing to make. Bring in the"
                                + " copper files or set their roles."
                        : "The board has "
                                + has
                                + "; "
                                + c.shopName()
                                + " makes at most "
                                + most
                                + ". Choose another shop.";
        return Outcome.of(
                List.of(new FindingBuilder(id()).count(count, most, "layers").say(message)), has);
    }
}
