package dev.lastcut.core.check.parts;

import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Pins that must stay free and do not, and pins of one kind that must be one net and are not. */
public final class PinExpectedRule implements Rule {
    private static final List<PinRole> JOINED = List.of(PinRole.GROUND, PinRole.SHIELD);

    @Override
    public String id() {
        return "pin-expected";
    }

    @Override
    public String title() {
        return "Pins to leave open or join";
    }

    @Override
    public Outcome run(CheckContext c) {
        PinsOnNets pins = PinsOnNets.of(c);
        Optional<Outcome> missing = pins.missing(c);
        if (missing.isPresent()) {
            return missing.get();
        }
        List<Finding> findings = new ArrayList<>();
        for (PinsOnNets.On on : pins.all()) {
            if (on.pin().role() == PinRole.STAY_FREE && !on.isOpen()) {
                findings.add(tied(c, on));
            }
        }
        pins.byPart().values().forEach(own -> apart(c, own, findings));
        return Outcome.of(findings);
    }

    private Finding tied(CheckContext c, PinsOnNets.On on) {
        FindingBuilder b = new FindingBuilder(id());
        on.point().map(p -> p.at()).ifPresent(b::at);
        return b.severity(Severity.LOOK)
                .about(on.pin().pin())
                .count(on.others(), 0, "connections")
                .nets(List.of(on.net()))
                .parts(List.of(on.part().designator()))
                .say(
                        on.name()
                                + " is to stay free and is on net "
                                + on.net()
                                + ": what is inside the part may drive it. Leave it open in the"
                                + " layout.");
    }

    private void apart(CheckContext c, List<PinsOnNets.On> own, List<Finding> findings) {
        for (PinRole role : JOINED) {
            Map<String, List<PinsOnNets.On>> nets =
                    own.stream()
                            .filter(on -> on.pin().role() == role && !on.isOpen())
                            .filter(on -> role == PinRole.SHIELD || !isOtherGround(on))
                            .collect(Collectors.groupingBy(PinsOnNets.On::net));
            if (nets.size() < 2) {
                continue;
            }
            PinsOnNets.On first = nets.values().iterator().next().get(0);
            FindingBuilder b = new FindingBuilder(id());
            first.point().map(p -> p.at()).ifPresent(b::at);
            findings.add(
                    b.severity(Severity.LOOK)
                            .about(role.words())
                            .count(nets.size(), 1, "nets")
                            .nets(List.copyOf(nets.keySet()))
                            .parts(List.of(first.part().designator()))
                            .say(
                                    "The "
                                            + role.words()
                                            + " pins of "
                                            + first.part().designator()
                                            + " are on "
                                            + nets.size()
                                            + " nets ("
                                            + nets.keySet().stream()
                                                    .sorted()
                                                    .collect(Collectors.joining(", "))
                                            + "): the part wants them joined. Join them, or say"
                                            + " why not."));
        }
    }

    /** Analogue and digital grounds are kept apart on purpose, and joined in one place. */
    private static boolean isOtherGround(PinsOnNets.On on) {
        return on.pin().name().matches("(?i)(A|P|S)_?GND\\d*");
    }
}
