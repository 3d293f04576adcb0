package dev.lastcut.core.check.strip;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.StripBodies;
import dev.lastcut.core.strip.StripLayout;
import java.util.List;

/** {@code strip-bodies}: bodies that collide, with each other or with leads of other parts. */
public final class StripBodiesRule extends StripRule {
    @Override
    public String id() {
        return "strip-bodies";
    }

    @Override
    public String title() {
        return "Body spacing";
    }

    @Override
    void check(StripLayout layout, List<Finding> into) {
        StripBodies bodies = new StripBodies(layout);
        for (StripBodies.Collision c : bodies.collisions()) {
            GridHole at = layout.plan().parts().get(c.a()).pins().values().iterator().next();
            into.add(
                    finding(Severity.STOP, layout, at)
                            .parts(List.of(c.a(), c.b()))
                            .say(
                                    (c.ofLead()
                                                    ? "A lead of %2$s is in the way of %1$s. Move one of them."
                                                    : "The bodies of %s and %s collide. Move one of them.")
                                            .formatted(c.a(), c.b())));
        }
        for (StripBodies.OverLink o : bodies.linksUnderBodies()) {
            into.add(
                    finding(Severity.LOOK, layout, o.link().from())
                            .between(layout.at(o.link().from()), layout.at(o.link().to()))
                            .parts(List.of(o.part()))
                            .about("link")
                            .say(
                                    "The link from %s to %s crosses the body of %s. Solder it first, flat on the board, or move it."
                                            .formatted(
                                                    o.link().from().describe(),
                                                    o.link().to().describe(),
                                                    o.part())));
        }
        bodies.cutsUnderBodies()
                .forEach(
                        (part, cuts) ->
                                into.add(
                                        finding(Severity.NOTE, layout, cuts.get(0))
                                                .alsoAt(cuts.stream().map(layout::at).toList())
                                                .parts(List.of(part))
                                                .about("cuts")
                                                .say(
                                                        "%s hidden under %s: check %s before the part is soldered in."
                                                                .formatted(
                                                                        cuts.size() == 1
                                                                                ? "A cut is"
                                                                                : cuts.size()
                                                                                        + " cuts are",
                                                                        part,
                                                                        cuts.size() == 1
                                                                                ? "it"
                                                                                : "them"))));
    }
}
