package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Outcome;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/** The bodies that the checks of bodies go by: fitted, of known size, on known pads. */
final class Bodies {
    private final CheckContext context;
    private final List<Body> known;
    private final STRtree tree = new STRtree();

    private Bodies(CheckContext context, List<Body> known) {
        this.context = context;
        this.known = known;
        for (int i = 0; i < known.size(); i++) {
            tree.insert(known.get(i).outline().getEnvelopeInternal(), i);
        }
    }

    static Bodies of(CheckContext c) {
        return new Bodies(
                c,
                PartBodies.of(c.geometry(), c.partsPlan()).stream()
                        .filter(b -> b.isKnown() && b.fitted())
                        .toList());
    }

    List<Body> known() {
        return known;
    }

    /** Those whose boxes meet another, by their place in the list. */
    List<Integer> near(Envelope box) {
        List<Integer> all = new ArrayList<>();
        for (Object o : tree.query(box)) {
            all.add((Integer) o);
        }
        return all;
    }

    /** Why the checks cannot run; empty when they can. */
    Optional<Outcome> missing() {
        if (context.board().placements().isEmpty()) {
            return Optional.of(Outcome.notRun("the pack has no placement file"));
        }
        if (context.geometry().reference().isEmpty()) {
            return Optional.of(
                    Outcome.notRun("no netlist tells which pads are whose, so no body is laid"));
        }
        return known.isEmpty()
                ? Optional.of(Outcome.notRun("no part's body is known; ask the parts counter"))
                : Optional.empty();
    }
}
