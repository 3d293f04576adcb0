package dev.lastcut.core.check.parts;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.placement.TurnJudge;
import dev.lastcut.core.placement.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Rotations that are not in keeping with the pads, as {@link TurnJudge} holds them. */
public final class RotationSuspectRule implements Rule {
    @Override
    public String id() {
        return "rotation-suspect";
    }

    @Override
    public String title() {
        return "Rotation";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().placements().isEmpty()) {
            return Outcome.notRun("the pack has no placement file");
        }
        List<Verdict> verdicts = TurnJudge.of(c.geometry(), c.parts(), c.partsPlan().turns());
        List<Finding> findings = new ArrayList<>();
        List<String> unknown = new ArrayList<>();
        for (Verdict v : verdicts) {
            if (v.state() == Verdict.State.TURNED) {
                findings.add(finding(c, v));
            } else if (v.state() == Verdict.State.UNKNOWN) {
                unknown.add(v.part().designator());
            }
        }
        PartPins pins = PartPins.of(c.geometry());
        for (Verdict v : verdicts) {
            AgainstItsNets.of(v.part(), pins).ifPresent(why -> findings.add(reversed(v, why)));
        }
        if (unknown.size() == verdicts.size() && findings.isEmpty()) {
            return Outcome.notRun(
                    verdicts.isEmpty()
                            ? "no part is placed"
                            : "of no part it can be told: " + verdicts.get(0).because());
        }
        return Outcome.of(
                findings,
                unknown.isEmpty()
                        ? ""
                        : unknown.size()
                                + " of "
                                + verdicts.size()
                                + " parts could not be judged: "
                                + Designators.fold(unknown));
    }

    private Finding finding(CheckContext c, Verdict v) {
        PlacedPart at = v.part().placed().orElseThrow();
        double has = at.rotationDeg() + c.partsPlan().turns().ofPart(v.part().designator());
        double should = v.shouldDeg(has);
        double off = Math.min(v.turnDeg(), 360 - v.turnDeg());
        return new FindingBuilder(id())
                .severity(v.harmless() ? Severity.NOTE : Severity.LOOK)
                .at(at.at())
                .count(has, should, "°")
                .layers("placement")
                .parts(List.of(v.part().designator()))
                .say(
                        String.format(
                                Locale.ROOT,
                                "%s is placed at %s°, but its pads lie as at %s°, held against %s:"
                                        + " it would be fitted turned by %s°%s. Turn it by %s°.",
                                v.part().designator(),
                                degrees(has),
                                degrees(should),
                                v.because(),
                                degrees(off),
                                v.harmless() ? ", which does not matter to a part like it" : "",
                                degrees(v.turnDeg())));
    }

    private Finding reversed(Verdict v, String why) {
        return new FindingBuilder(id())
                .severity(Severity.LOOK)
                .at(v.part().placed().orElseThrow().at())
                .about("nets")
                .layers("netlist")
                .parts(List.of(v.part().designator()))
                .say(
                        v.part().designator()
                                + " "
                                + why
                                + " If the netlist means it so, its pin 1 is the other end.");
    }

    private static String degrees(double d) {
        return d == Math.rint(d) ? String.valueOf((long) d) : String.format(Locale.ROOT, "%.1f", d);
    }
}
