package dev.lastcut.core.check.files;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;

/** Files that do not lie on the others, and would after a move that was found for them. */
public final class MisregisteredRule implements Rule {
    @Override
    public String id() {
        return "misregistered";
    }

    @Override
    public String title() {
        return "Layer registration";
    }

    @Override
    public Outcome run(CheckContext c) {
        long placed =
                c.board().files().stream().filter(f -> !f.role().equals(Role.UNKNOWN)).count();
        if (placed < 2) {
            return Outcome.notRun("fewer than two files of the pack could be laid over each other");
        }
        List<Finding> findings = new ArrayList<>();
        for (SourceFile f : c.board().files()) {
            f.suggested().ifPresent(s -> findings.add(finding(f, s)));
        }
        return Outcome.of(findings);
    }

    private Finding finding(SourceFile f, Correction needed) {
        Pt to = needed.shift();
        FindingBuilder finding =
                new FindingBuilder(id()).layers(f.role().id()).severity(Severity.STOP);
        if (to.equals(Pt.ORIGIN)) {
            finding.count(needed.scale(), 1, "times the size");
        } else {
            finding.lengths(Pt.ORIGIN.distance(to), 0);
        }
        return finding.say(
                f.path()
                        + " ("
                        + f.role().words()
                        + ") does not lie on the other files; it would when "
                        + needed.words()
                        + ". Made like this, the board is scrap. Put it right at Bring in, or"
                        + " export the file again.");
    }
}
