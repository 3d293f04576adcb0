package dev.lastcut.core.ticket;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.files.FileUnassignedRule;
import dev.lastcut.core.cut.SignOff;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Which findings of a check are signed off. A sign-off holds in a later revision for the finding of
 * the same subject at the same place, unless it got worse: then it lapses and is shown as such.
 *
 * @param valid by finding id
 * @param lapsed sign-offs of findings that got worse, by finding id
 */
public record SignedFindings(Map<String, Acceptance> valid, Map<String, Acceptance> lapsed) {
    public static SignedFindings of(CheckRun run, List<Acceptance> accepted) {
        Map<String, Acceptance> valid = new LinkedHashMap<>();
        Map<String, Acceptance> lapsed = new LinkedHashMap<>();
        for (Finding f : run.findings()) {
            for (Acceptance a : accepted) {
                if (canBeSigned(f) && a.isAbout(f)) {
                    (a.isWorse(f) ? lapsed : valid).put(f.id(), a);
                }
            }
        }
        valid.keySet().forEach(lapsed::remove);
        return new SignedFindings(valid, lapsed);
    }

    /** What a file is must be said, not signed off. */
    public static boolean canBeSigned(Finding f) {
        return !f.rule().equals(FileUnassignedRule.ID);
    }

    /** The sign-offs that hold, each under the id its finding has now. */
    public List<SignOff> signOffs() {
        return valid.entrySet().stream().map(e -> signOff(e.getKey(), e.getValue())).toList();
    }

    private static SignOff signOff(String finding, Acceptance a) {
        String time = a.facts().map(Acceptance.Facts::time).orElse("");
        return new SignOff(finding, a.by(), a.reason(), time);
    }
}
