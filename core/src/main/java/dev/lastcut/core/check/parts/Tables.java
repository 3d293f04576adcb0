package dev.lastcut.core.check.parts;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Optional;

/** What the checks that hold parts list and placement against each other need. */
public final class Tables {
    private Tables() {}

    /** The outcome when one of the two tables is not there; empty when both are. */
    static Optional<Outcome> missing(CheckContext c) {
        if (c.board().parts().isEmpty()) {
            return Optional.of(Outcome.notRun("the pack has no parts list"));
        }
        return c.board().placements().isEmpty()
                ? Optional.of(Outcome.notRun("the pack has no placement file"))
                : Optional.empty();
    }

    /** Where a part is: by the placement, else by the netlist. */
    static Optional<Pt> place(CheckContext c, String designator) {
        return c.board().placements().orElse(List.of()).stream()
                .filter(p -> p.designator().equals(designator))
                .map(PlacedPart::at)
                .findFirst()
                .or(
                        () ->
                                c.board().netlist().map(Netlist::points).orElse(List.of()).stream()
                                        .filter(q -> q.component().equals(designator))
                                        .map(Netlist.Point::at)
                                        .findFirst());
    }
}
