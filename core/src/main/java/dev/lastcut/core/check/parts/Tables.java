package dev.lastcut.core.check.parts;

import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Outcome;
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
}
