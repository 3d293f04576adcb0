package dev.lastcut.server.jobs;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.server.store.SignOffStore;
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
public record SignedFindings(
        Map<String, SignOffStore.Kept> valid, Map<String, SignOffStore.Kept> lapsed) {
    /** A measure that moved by less than it is true to is no worse. */
    private static final double SAME = 0.002;

    static SignedFindings of(CheckRun run, List<SignOffStore.Kept> kept) {
        Map<String, SignOffStore.Kept> valid = new LinkedHashMap<>();
        Map<String, SignOffStore.Kept> lapsed = new LinkedHashMap<>();
        for (Finding f : run.findings()) {
            for (SignOffStore.Kept k : kept) {
                if (isAbout(k, f)) {
                    (beyond(f) <= k.beyond() + SAME ? valid : lapsed).put(f.id(), k);
                }
            }
        }
        valid.keySet().forEach(lapsed::remove);
        return new SignedFindings(valid, lapsed);
    }

    private static boolean isAbout(SignOffStore.Kept k, Finding f) {
        boolean near = k.at().distance(f.at()) <= Finding.SAME_PLACE_NM;
        return k.signOff().findingId().equals(f.id()) || (k.subject().equals(f.subject()) && near);
    }

    /** How far a measure is from its limit. */
    static double beyond(Finding f) {
        return Math.abs(f.measured() - f.limit());
    }

    /** The sign-offs that hold, each under the id its finding has now. */
    public List<SignOff> signOffs() {
        return valid.entrySet().stream()
                .map(
                        e -> {
                            SignOff s = e.getValue().signOff();
                            return new SignOff(e.getKey(), s.by(), s.reason(), s.at());
                        })
                .toList();
    }
}
