package dev.lastcut.core.check.parts;

import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.check.parts.PinsOnNets.NetKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Pins on nets of another kind than theirs, as when two of them are swapped. */
public final class PinRoleSuspectRule implements Rule {
    @Override
    public String id() {
        return "pin-role-suspect";
    }

    @Override
    public String title() {
        return "Pin roles and nets";
    }

    @Override
    public Outcome run(CheckContext c) {
        PinsOnNets pins = PinsOnNets.of(c);
        Optional<Outcome> missing = pins.missing(c);
        if (missing.isPresent()) {
            return missing.get();
        }
        List<Finding> findings = new ArrayList<>();
        for (List<PinsOnNets.On> own : pins.byPart().values()) {
            for (PinsOnNets.On on : own) {
                if (!on.isOpen()) {
                    wrong(on.pin().role(), pins.kind(on.net()))
                            .ifPresent(s -> findings.add(finding(on, own, pins, s)));
                }
            }
        }
        return Outcome.of(findings);
    }

    /** How bad a pin of a role is on a net of a kind; empty where it may be. */
    private static Optional<Severity> wrong(PinRole role, NetKind kind) {
        if (role == PinRole.GROUND && kind == NetKind.SUPPLY
                || role == PinRole.SUPPLY && kind == NetKind.GROUND) {
            return Optional.of(Severity.STOP);
        }
        if (role == PinRole.OUTPUT && kind == NetKind.GROUND) {
            return Optional.of(Severity.LOOK);
        }
        boolean power = role == PinRole.GROUND || role == PinRole.SUPPLY;
        return power && kind == NetKind.SIGNAL ? Optional.of(Severity.LOOK) : Optional.empty();
    }

    private Finding finding(
            PinsOnNets.On on, List<PinsOnNets.On> own, PinsOnNets pins, Severity severity) {
        FindingBuilder b = new FindingBuilder(id());
        on.point().map(p -> p.at()).ifPresent(b::at);
        Optional<PinsOnNets.On> swapped =
                own.stream()
                        .filter(o -> !o.equals(on) && !o.isOpen())
                        .filter(o -> wrong(on.pin().role(), pins.kind(o.net())).isEmpty())
                        .filter(o -> wrong(o.pin().role(), pins.kind(on.net())).isEmpty())
                        .filter(o -> wrong(o.pin().role(), pins.kind(o.net())).isPresent())
                        .findFirst();
        String kind =
                switch (pins.kind(on.net())) {
                    case GROUND -> "ground";
                    case SUPPLY -> "a supply";
                    default -> "a signal";
                };
        return b.severity(severity)
                .about(on.pin().pin())
                .count(1, 0, "pins")
                .nets(List.of(on.net()))
                .parts(List.of(on.part().designator()))
                .say(
                        on.name()
                                + " is "
                                + PinUnconnectedRule.article(on.pin().role())
                                + " pin on "
                                + on.net()
                                + ", which is "
                                + kind
                                + "."
                                + swapped.map(
                                                o ->
                                                        " It looks swapped with pin "
                                                                + o.pin().pin()
                                                                + ".")
                                        .orElse("")
                                + " Hold the footprint's pins against those of "
                                + on.part().partNumber()
                                + ".");
    }
}
