package dev.lastcut.core.check.parts;

import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.List;
import java.util.Optional;

/** Pins without which a part does not work, that nothing is connected to. */
public final class PinUnconnectedRule implements Rule {
    @Override
    public String id() {
        return "pin-unconnected";
    }

    @Override
    public String title() {
        return "Unconnected pins";
    }

    @Override
    public Outcome run(CheckContext c) {
        PinsOnNets pins = PinsOnNets.of(c);
        Optional<Outcome> missing = pins.missing(c);
        if (missing.isPresent()) {
            return missing.get();
        }
        List<Finding> findings =
                pins.all().stream()
                        .filter(on -> on.pin().role().mustConnect() && on.isOpen())
                        .map(on -> finding(c, on))
                        .toList();
        return Outcome.of(findings);
    }

    private Finding finding(CheckContext c, PinsOnNets.On on) {
        boolean power = on.pin().role() == PinRole.SUPPLY || on.pin().role() == PinRole.GROUND;
        FindingBuilder b = new FindingBuilder(id());
        on.point()
                .map(p -> p.at())
                .or(() -> Tables.place(c, on.part().designator()))
                .ifPresent(b::at);
        return b.severity(power ? Severity.STOP : Severity.LOOK)
                .about(on.pin().pin())
                .count(0, 1, "connections")
                .nets(on.net().isEmpty() ? List.of() : List.of(on.net()))
                .parts(List.of(on.part().designator()))
                .say(
                        on.name()
                                + " is "
                                + article(on.pin().role())
                                + " pin and goes nowhere: "
                                + (power
                                        ? "the part gets no power by it."
                                        : "left open, it does what it likes.")
                                + " Connect it in the layout, or see whether "
                                + on.part().partNumber()
                                + " is the part that is meant.");
    }

    static String article(PinRole role) {
        String w = role.words();
        return ("aeiou".indexOf(w.charAt(0)) >= 0 ? "an " : "a ") + w;
    }
}
