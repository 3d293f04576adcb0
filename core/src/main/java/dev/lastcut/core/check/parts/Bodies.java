package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Outcome;
import java.util.List;
import java.util.Optional;

/** The bodies that the checks of bodies go by: fitted, of known size, on known pads. */
final class Bodies {
    private Bodies() {}

    static List<Body> known(CheckContext c) {
        return PartBodies.of(c.geometry(), c.partsPlan()).stream()
                .filter(b -> b.isKnown() && b.fitted())
                .toList();
    }

    /** Why the checks cannot run; empty when they can. */
    static Optional<Outcome> missing(CheckContext c, List<Body> known) {
        if (c.board().placements().isEmpty()) {
            return Optional.of(Outcome.notRun("the pack has no placement file"));
        }
        if (c.geometry().reference().isEmpty()) {
            return Optional.of(
                    Outcome.notRun("no netlist tells which pads are whose, so no body is laid"));
        }
        return known.isEmpty()
                ? Optional.of(Outcome.notRun("no part's body is known; ask the parts counter"))
                : Optional.empty();
    }
}
