package dev.lastcut.core.ticket;

import dev.lastcut.core.panel.PanelPlan;
import java.util.List;
import java.util.Optional;

/** Says in words what a choice changed about the panel: "panel of 3 × 4". */
final class PanelWords {
    private PanelWords() {}

    static void changed(Optional<PanelPlan> was, Optional<PanelPlan> is, List<String> all) {
        if (was.equals(is)) {
            return;
        }
        if (is.isEmpty()) {
            all.add("single boards, no panel");
            return;
        }
        PanelPlan before = was.orElse(PanelPlan.ONE);
        PanelPlan after = is.get();
        if (was.isEmpty() || before.rows() != after.rows() || before.columns() != after.columns()) {
            all.add("panel of " + after.rows() + " × " + after.columns());
        }
        if (before.gap() != after.gap()) {
            all.add("gap " + mm(after.gap()));
        }
        if (before.rotationDeg() != after.rotationDeg()) {
            all.add("boards turned by " + TicketWords.number(after.rotationDeg()) + "°");
        }
        if (before.join() != after.join()) {
            all.add("boards joined by " + after.join().words());
        }
        if (before.rails() != after.rails() || before.railMm() != after.railMm()) {
            all.add(
                    switch (after.rails()) {
                        case NONE -> "no rails";
                        case LEFT_RIGHT -> "rails of " + mm(after.railMm()) + " left and right";
                        case TOP_BOTTOM -> "rails of " + mm(after.railMm()) + " top and bottom";
                        case ALL -> "rails of " + mm(after.railMm()) + " all round";
                    });
        }
        if (!before.tab().equals(after.tab())) {
            all.add(after.tab().perSide() + " tabs of " + mm(after.tab().widthMm()) + " a side");
        }
        if (before.fiducials() != after.fiducials()) {
            all.add(
                    after.fiducials() == 0
                            ? "no marks"
                            : after.fiducials() + " marks in the rails");
        }
        if (before.toolingMm() != after.toolingMm()) {
            all.add(
                    after.toolingMm() == 0
                            ? "no tooling holes"
                            : "tooling holes of " + mm(after.toolingMm()));
        }
        if (!before.also().equals(after.also())) {
            all.add(
                    after.also().isEmpty()
                            ? "no other boards on the panel"
                            : "other boards on the panel: "
                                    + String.join(
                                            ", ",
                                            after.also().stream()
                                                    .map(a -> a.count() + " × " + a.pack())
                                                    .toList()));
        }
        if (!before.places().equals(after.places())) {
            all.add(after.places().isEmpty() ? "boards in rows again" : "boards moved by hand");
        }
    }

    private static String mm(double n) {
        return TicketWords.number(n) + " mm";
    }
}
