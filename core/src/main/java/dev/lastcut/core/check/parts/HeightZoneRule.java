package dev.lastcut.core.check.parts;

import dev.lastcut.core.assembly.HeightZone;
import dev.lastcut.core.assembly.Heights;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.assembly.Shade;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * Parts that are higher than the room above them, and parts that shade one that must not be shaded.
 * Heights come from the part or its package; those of pads alone are usual ones and only to be
 * looked at.
 */
public final class HeightZoneRule implements Rule {
    /** What a finger or an antenna wants open around it (common practice, no source). */
    private static final double USUAL_DEG = 45;

    private static final String BUTTON_OR_ANTENNA = "(?i)(SW|BTN|PB|ANT|AE)\\d+";

    @Override
    public String id() {
        return "height-zone";
    }

    @Override
    public String title() {
        return "Room above the board";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().placements().isEmpty()) {
            return Outcome.notRun("the pack has no placement file");
        }
        Heights heights = c.partsPlan().heights();
        List<Body> bodies =
                PartBodies.of(c.geometry(), c.partsPlan()).stream().filter(Body::fitted).toList();
        Map<String, Double> open = new TreeMap<>();
        bodies.stream()
                .filter(b -> b.isKnown() && b.designator().matches(BUTTON_OR_ANTENNA))
                .forEach(b -> open.put(b.designator(), USUAL_DEG));
        open.putAll(heights.unshaded());
        if (heights.zones().isEmpty() && open.isEmpty()) {
            return Outcome.notRun("no height zone is drawn");
        }
        List<Finding> findings = new ArrayList<>();
        for (HeightZone zone : heights.zones()) {
            bodies.stream().filter(zone::isTooLowFor).forEach(b -> findings.add(tooHigh(zone, b)));
        }
        for (Body b : bodies) {
            if (open.containsKey(b.designator())) {
                boolean told = heights.unshaded().containsKey(b.designator());
                double deg = open.get(b.designator());
                Shade.of(b, deg, bodies, other -> told || other.isKnown())
                        .ifPresent(s -> findings.add(shaded(b, deg, s, told)));
            }
        }
        return Outcome.of(findings, heights.zones().size() + " height zones");
    }

    private Finding tooHigh(HeightZone zone, Body b) {
        double limit = Length.mm(zone.atMostMm());
        boolean over = b.side() == zone.side();
        double height = zone.standsOut(b);
        boolean certain = over && b.isKnown();
        String what =
                over
                        ? b.designator()
                                + " is "
                                + (certain ? "" : "taken as ")
                                + Length.text(height)
                                + " high"
                        : "The leads of "
                                + b.designator()
                                + " stand out about "
                                + Length.text(height);
        String todo =
                certain
                        ? "It does not fit. Take a lower part, or move it out of the zone."
                        : over
                                ? "Look up the height of the part, or ask the parts counter."
                                : "Cut them shorter, or move the part.";
        return new FindingBuilder(id())
                .severity(certain ? Severity.STOP : Severity.LOOK)
                .about(zone.name())
                .at(zone.under(b).orElseThrow())
                .lengths(height, limit)
                .parts(List.of(b.designator()))
                .say(
                        String.format(
                                Locale.ROOT,
                                "%s; under %s the %s has room for %s. %s",
                                what,
                                zone.name(),
                                zone.side().word(),
                                Length.text(limit),
                                todo));
    }

    private Finding shaded(Body part, double deg, Shade shade, boolean told) {
        Body by = shade.by();
        return new FindingBuilder(id())
                .severity(told ? Severity.LOOK : Severity.NOTE)
                .about("shade")
                .between(Pt.of(shade.from()), Pt.of(shade.to()))
                .lengths(by.heightNm(), shade.allowedNm())
                .parts(List.of(part.designator(), by.designator()))
                .say(
                        String.format(
                                Locale.ROOT,
                                "%s stands %s beside %s and is %s high; to leave %s open above %.0f° it"
                                        + " could be %s high. Move it away, or take a lower part.",
                                by.designator(),
                                Length.text(shade.awayNm()),
                                part.designator(),
                                Length.text(by.heightNm()),
                                part.designator(),
                                deg,
                                Length.text(shade.allowedNm())));
    }
}
