package dev.lastcut.core.check.files;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Files the shop will ask for: copper, a mask for each copper side, inner layers in a row. */
public final class LayerMissingRule implements Rule {
    private static final double SAME_PLACE_NM = 50_000;

    @Override
    public String id() {
        return "layer-missing";
    }

    @Override
    public String title() {
        return "Missing layers";
    }

    @Override
    public Outcome run(CheckContext c) {
        Board board = c.board();
        boolean mill = c.mill().isPresent();
        List<Finding> findings = new ArrayList<>();
        if (board.copper().isEmpty()) {
            findings.add(
                    finding("copper-top", Severity.STOP, "no copper file at all", "Bring it in."));
        }
        for (Side side : Side.values()) {
            boolean drawn = board.layer(Role.Kind.COPPER, side).isPresent();
            if (drawn && !mill && board.layer(Role.Kind.MASK, side).isEmpty()) {
                findings.add(
                        finding(
                                Role.of(Role.Kind.MASK, side).id(),
                                Severity.LOOK,
                                "no " + side.word() + " mask file, though it has copper there",
                                "The shop will ask, or leave that side bare. Bring it in."));
            }
        }
        boolean outerTwo =
                board.layer(Role.Kind.COPPER, Side.TOP).isPresent()
                        && board.layer(Role.Kind.COPPER, Side.BOTTOM).isPresent();
        List<Integer> inner =
                board.copper().stream()
                        .map(Layer::role)
                        .map(Role::inner)
                        .filter(n -> n > 0)
                        .toList();
        if (!inner.isEmpty() && !outerTwo) {
            findings.add(
                    finding(
                            "copper-bottom",
                            Severity.STOP,
                            "inner copper but not both outer layers",
                            "Bring the other one in or change the roles."));
        }
        int highest = inner.stream().max(Integer::compare).orElse(0);
        for (int n = 1; n < highest; n++) {
            if (!inner.contains(n)) {
                findings.add(
                        finding(
                                Role.innerCopper(n).id(),
                                Severity.STOP,
                                "no inner copper " + n + ", though it has inner copper " + highest,
                                "Bring it in or change the roles."));
            }
        }
        int copper = board.copper().size();
        if (copper > 1
                && copper % 2 == 1
                && board.problems().stream().noneMatch(LayerMissingRule::isMissing)) {
            findings.add(
                    finding(
                            "copper",
                            Severity.STOP,
                            copper + " copper layers, and boards are made of an even number",
                            "Bring the missing one in, or sign this off if the board is meant so."));
        }
        for (Problem p : board.problems()) {
            if (isMissing(p)) {
                findings.add(
                        new FindingBuilder(id())
                                .about(p.file() + p.text())
                                .layers("copper")
                                .count(0, 1, "files")
                                .severity(Severity.STOP)
                                .say(
                                        "A copper layer is missing: "
                                                + p.text()
                                                + ". "
                                                + p.action()
                                                + "."));
            }
        }
        boolean plated = board.holes().stream().anyMatch(Hole::plated);
        if (outerTwo && !plated) {
            findings.add(
                    finding(
                            "plated-holes",
                            mill ? Severity.LOOK : Severity.STOP,
                            "copper on both sides but no "
                                    + (board.holes().isEmpty() ? "" : "plated ")
                                    + "holes to join them",
                            "Bring the drill file in."));
        }
        if (!mill && plated && board.holes().stream().allMatch(Hole::plated)) {
            findings.add(
                    finding(
                            "unplated-holes",
                            Severity.NOTE,
                            "no non-plated holes",
                            "If the board has mounting holes, bring their drill file in."));
        }
        boolean parts = board.placements().isPresent() || board.parts().isPresent();
        if (parts && board.copper().size() == 1 && !anyHoleInPad(board)) {
            findings.add(
                    finding(
                            board.copper().get(0).role().id(),
                            Severity.LOOK,
                            "copper on one side and no hole in any of its pads",
                            "If parts have leads, bring the drill file in."));
        }
        if (plated && board.copper().size() == 1 && !mill) {
            findings.add(
                    finding(
                            board.copper().get(0).role().id(),
                            Severity.LOOK,
                            "plated holes but copper on one side only",
                            "Bring the other copper in, or mark the holes as unplated."));
        }
        return Outcome.of(findings);
    }

    /** Whether a hole lies on the middle of a pad; true where no pad is drawn as one. */
    private static boolean anyHoleInPad(Board board) {
        Set<Pt> pads = new HashSet<>();
        for (Layer l : board.copper()) {
            for (Feature f : l.features()) {
                if (f instanceof Feature.Flash x) {
                    pads.add(coarse(x.at()));
                }
            }
        }
        return pads.isEmpty()
                || board.holes().stream().anyMatch(h -> pads.contains(coarse(h.middle())));
    }

    private static Pt coarse(Pt at) {
        return new Pt(Math.round(at.x() / SAME_PLACE_NM), Math.round(at.y() / SAME_PLACE_NM));
    }

    private static boolean isMissing(Problem p) {
        return p.code() == Problem.Code.MISSING_FILE;
    }

    private Finding finding(String layer, Severity severity, String lacks, String action) {
        return new FindingBuilder(id())
                .layers(layer)
                .count(0, 1, "files")
                .severity(severity)
                .say("The pack has " + lacks + ". " + action);
    }
}
