package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.value.Dimension;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Supply pins without a capacitor of their net near by. How near is a habit: the sheet's, else
 * common practice (no source).
 */
public final class DecouplingRule implements Rule {
    private static final double USUAL_NM = 6_000_000;

    @Override
    public String id() {
        return "decoupling";
    }

    @Override
    public String title() {
        return "Decoupling capacitors";
    }

    @Override
    public Outcome run(CheckContext c) {
        PinsOnNets pins = PinsOnNets.of(c);
        Optional<Outcome> missing = pins.missing(c);
        if (missing.isPresent()) {
            return missing.get();
        }
        Map<String, List<Pt>> capacitors = capacitors(c);
        double near = c.boundsOr(LimitKey.DECOUPLING, USUAL_NM).withHeadroomNm();
        List<Finding> findings = new ArrayList<>();
        int looked = 0;
        for (PinsOnNets.On on : pins.all()) {
            if (on.pin().role() != PinRole.SUPPLY || on.point().isEmpty() || on.isOpen()) {
                continue;
            }
            looked++;
            Pt at = on.point().get().at();
            Optional<Pt> nearest =
                    capacitors.getOrDefault(on.net(), List.of()).stream()
                            .min((a, b) -> Double.compare(a.distance(at), b.distance(at)));
            if (nearest.filter(n -> n.distance(at) <= near).isEmpty()) {
                findings.add(finding(on, at, nearest, near));
            }
        }
        return looked == 0
                ? Outcome.notRun("no supply pin of a known part is connected")
                : Outcome.of(findings, looked + " supply pins looked at");
    }

    /** The pins of fitted capacitors, by net. */
    private static Map<String, List<Pt>> capacitors(CheckContext c) {
        PartPins pins = PartPins.of(c.geometry());
        Map<String, List<Pt>> all = new HashMap<>();
        for (Part p : c.parts()) {
            if (p.fitted() && Dimension.of(p.designator()) == Dimension.CAPACITANCE) {
                for (Netlist.Point q : pins.of(p.designator())) {
                    all.computeIfAbsent(q.net(), k -> new ArrayList<>()).add(q.at());
                }
            }
        }
        return all;
    }

    private Finding finding(PinsOnNets.On on, Pt at, Optional<Pt> nearest, double near) {
        FindingBuilder b =
                new FindingBuilder(id())
                        .severity(Severity.NOTE)
                        .about(on.part().designator() + "." + on.pin().pin())
                        .nets(List.of(on.net()))
                        .parts(List.of(on.part().designator()));
        if (nearest.isPresent()) {
            b.between(at, nearest.get()).lengths(at.distance(nearest.get()), near);
        } else {
            b.at(at).count(0, 1, "capacitors");
        }
        String where =
                nearest.map(n -> "the nearest is " + Length.text(n.distance(at)) + " away")
                        .orElse("the net has none");
        return b.say(
                "No capacitor stands within "
                        + Length.text(near)
                        + " of "
                        + on.name()
                        + " on "
                        + on.net()
                        + "; "
                        + where
                        + ". Put one beside it.");
    }
}
