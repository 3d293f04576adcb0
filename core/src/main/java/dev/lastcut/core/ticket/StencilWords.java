package dev.lastcut.core.ticket;

import dev.lastcut.core.stencil.HomePlate;
import dev.lastcut.core.stencil.Panes;
import dev.lastcut.core.stencil.Shaping;
import dev.lastcut.core.stencil.StencilPlan;
import java.util.List;
import java.util.Optional;

/** Says in words what a choice changed about the stencil: "openings 0.05 mm smaller all round". */
final class StencilWords {
    private StencilWords() {}

    static void changed(StencilPlan before, StencilPlan after, List<String> all) {
        if (!before.foilMm().equals(after.foilMm())) {
            all.add(after.foilMm().map(f -> "foil " + mm(f)).orElse("foil as ordered"));
        }
        shaping("openings", before.all(), after.all(), all);
        for (String p : TicketWords.different(before.packages(), after.packages())) {
            shaping(
                    "openings of " + p,
                    before.packages().getOrDefault(p, Shaping.AS_DRAWN),
                    after.packages().getOrDefault(p, Shaping.AS_DRAWN),
                    all);
        }
        if (before.leaveOutUnfitted() != after.leaveOutUnfitted()) {
            all.add(
                    after.leaveOutUnfitted()
                            ? "no paste for parts left off"
                            : "paste for every part");
        }
        if (before.mounting().framed() != after.mounting().framed()) {
            all.add(after.mounting().framed() ? "stencil in a frame" : "stencil as a foil");
        }
        if (before.mounting().alignMm() != after.mounting().alignMm()) {
            all.add(
                    after.mounting().alignMm() == 0
                            ? "no alignment holes"
                            : "alignment holes " + mm(after.mounting().alignMm()));
        }
    }

    private static void shaping(String what, Shaping before, Shaping after, List<String> all) {
        if (!before.reduceMm().equals(after.reduceMm())
                || !before.reducePercent().equals(after.reducePercent())) {
            all.add(
                    what
                            + after.reduceMm()
                                    .map(r -> " " + mm(r) + " smaller all round")
                                    .or(
                                            () ->
                                                    after.reducePercent()
                                                            .map(
                                                                    r ->
                                                                            " "
                                                                                    + number(r)
                                                                                    + " % smaller"))
                                    .orElse(" not reduced"));
        }
        if (!before.cornerMm().equals(after.cornerMm())) {
            all.add(
                    what
                            + after.cornerMm()
                                    .map(r -> " with corners of " + mm(r))
                                    .orElse(" with corners as drawn"));
        }
        Optional<Panes> panes = after.panes();
        if (!before.panes().equals(panes)) {
            all.add(
                    what
                            + panes.map(p -> " over " + number(p.overMm2()) + " mm² in panes")
                                    .orElse(" not in panes"));
        }
        Optional<HomePlate> plate = after.homePlate();
        if (!before.homePlate().equals(plate)) {
            all.add(what + (plate.isPresent() ? " as home plates" : " not as home plates"));
        }
    }

    private static String mm(double n) {
        return number(n) + " mm";
    }

    private static String number(double n) {
        return TicketWords.number(n);
    }
}
