package dev.lastcut.server.report;

import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;

/** The strip board in the report. {@code proposed}: the plan is the computer's. */
public record StripReportJson(
        String stock,
        int strips,
        int holes,
        double pitchMm,
        int parts,
        int cuts,
        int links,
        double linkMm,
        boolean proposed) {
    static StripReportJson of(StripLayout layout) {
        StripPlan plan = layout.plan();
        double wire = plan.links().stream().mapToDouble(StripPlan.Link::length).sum();
        return new StripReportJson(
                layout.stock().name(),
                plan.strips(),
                plan.holes(),
                layout.pitchMm(),
                plan.parts().size(),
                plan.cuts().size() + plan.knifeCuts().size(),
                plan.links().size(),
                Math.round(wire * layout.pitchMm() * 10) / 10.0,
                layout.proposed());
    }
}
