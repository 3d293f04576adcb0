package dev.lastcut.core.check.files;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.ArrayList;
import java.util.List;

/** Files that hold no picture. An empty silk or paste is usual and only noted. */
public final class LayerEmptyRule implements Rule {
    @Override
    public String id() {
        return "layer-empty";
    }

    @Override
    public String title() {
        return "Empty layers";
    }

    @Override
    public Outcome run(CheckContext c) {
        if (c.board().layers().isEmpty()) {
            return Outcome.notRun("the pack has no pictures");
        }
        List<Finding> findings = new ArrayList<>();
        for (Layer layer : c.board().layers()) {
            if (layer.features().stream().noneMatch(Feature::dark)) {
                findings.add(finding(layer));
            }
        }
        return Outcome.of(findings);
    }

    private Finding finding(Layer layer) {
        Role.Kind kind = layer.role().kind();
        Severity severity =
                switch (kind) {
                    case COPPER -> Severity.STOP;
                    case MASK -> Severity.LOOK;
                    default -> Severity.NOTE;
                };
        return new FindingBuilder(id())
                .layers(layer.role().id())
                .count(0, 1, "objects")
                .severity(severity)
                .say(
                        "The "
                                + layer.role().words()
                                + " file "
                                + layer.file()
                                + " is empty. If something belongs there, write it again from the"
                                + " layout; if not, leave it out.");
    }
}
