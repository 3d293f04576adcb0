package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.connectivity.PartPins;
import java.util.List;
import java.util.Optional;

/** What the rules of the placement have in common. */
final class Placed {
    private Placed() {}

    static List<Part> fitted(CheckContext c) {
        return PlacementTable.fitted(c.parts());
    }

    /** Why a part cannot be held against its pads; empty when it can. */
    static Optional<Outcome> missing(CheckContext c) {
        if (c.board().placements().isEmpty()) {
            return Optional.of(Outcome.notRun("the pack has no placement file"));
        }
        return PartPins.of(c.geometry()).isEmpty()
                ? Optional.of(Outcome.notRun("no netlist tells which pads are whose"))
                : Optional.empty();
    }
}
