package dev.lastcut.core.check.files;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.FindingBuilder;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.Severity;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * Files that look like part of the board and of which it is not certain what they are. The user's
 * word is the only way out; it cannot be signed off.
 */
public final class FileUnassignedRule implements Rule {
    public static final String ID = "file-unassigned";

    @Override
    public String id() {
        return ID;
    }

    /** What one answer settles for several files. */
    private static final Set<Doubt.Kind> TOGETHER =
            EnumSet.of(Doubt.Kind.SIDE, Doubt.Kind.ORDER, Doubt.Kind.VERSION, Doubt.Kind.BOARD);

    @Override
    public String title() {
        return "Unassigned files";
    }

    @Override
    public boolean appliesTo(CapabilitySheet sheet) {
        return true;
    }

    @Override
    public Outcome run(CheckContext c) {
        List<SourceFile> files = c.board().files();
        if (files.isEmpty()) {
            return Outcome.notRun("the board was not made of files");
        }
        List<Finding> findings = new ArrayList<>();
        for (SourceFile f : files) {
            f.doubt()
                    .filter(d -> !TOGETHER.contains(d.kind()))
                    .ifPresent(d -> findings.add(finding(f, d)));
        }
        together(
                files,
                Doubt.Kind.SIDE,
                "It is not certain which of these files are of the top and which of the bottom: ",
                findings);
        together(
                files,
                Doubt.Kind.ORDER,
                "Nothing tells the order in which these inner layers lie: ",
                findings);
        together(
                files,
                Doubt.Kind.VERSION,
                "Older and newer versions of some files lie side by side: ",
                findings);
        together(
                files,
                Doubt.Kind.BOARD,
                "These files are of two boards, and it is not said which is meant: ",
                findings);
        return Outcome.of(findings);
    }

    private Finding finding(SourceFile f, Doubt d) {
        return new FindingBuilder(ID)
                .about(f.path())
                .layers(f.role().id())
                .count(1, 0, "files")
                .severity(Severity.STOP)
                .say(
                        f.path()
                                + ": "
                                + d.text()
                                + ". Made like this, the board may lack it or have it in the wrong"
                                + " place. Say at Bring in what it is, or that it is not part of"
                                + " the board.");
    }

    /** One question that settles several files is one finding. */
    private void together(
            List<SourceFile> files, Doubt.Kind kind, String what, List<Finding> findings) {
        List<SourceFile> open =
                files.stream()
                        .filter(f -> f.doubt().filter(d -> d.kind() == kind).isPresent())
                        .toList();
        if (open.isEmpty()) {
            return;
        }
        String names = String.join(", ", open.stream().map(SourceFile::path).toList());
        findings.add(
                new FindingBuilder(ID)
                        .about(kind.id())
                        .layers(open.stream().map(f -> f.role().id()).toArray(String[]::new))
                        .count(open.size(), 0, "files")
                        .severity(Severity.STOP)
                        .say(
                                what
                                        + names
                                        + ". With the wrong answer the board is scrap. Answer the one"
                                        + " question at Bring in."));
    }
}
