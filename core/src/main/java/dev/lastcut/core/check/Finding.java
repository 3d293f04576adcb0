package dev.lastcut.core.check;

import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.List;

/**
 * One place where a check has something to say.
 *
 * @param id stable over revisions: made of the rule, the nets or parts, and the place
 * @param subject what the finding is about without its place: rule, layers, nets and parts; equal
 *     in the next revision even where the place moved a little
 * @param everywhere true when it concerns the board as a whole: its place says nothing then
 * @param layers role ids
 * @param at the middle of the narrowest place
 * @param from and {@code to}: the two points measured; equal where there is no measure
 * @param measured and {@code limit}: in {@code unit}
 * @param also further places of the same finding: missing links, holes of the same size
 * @param message what is wrong, what it does to the board, what to do about it
 */
public record Finding(
        String id,
        String subject,
        String rule,
        Severity severity,
        boolean everywhere,
        List<String> layers,
        Pt at,
        Pt from,
        Pt to,
        double measured,
        double limit,
        String unit,
        List<String> nets,
        List<String> parts,
        List<Measure> also,
        String message) {
    /** How far the place of a finding may move and still be taken for the same one, nm. */
    public static final double SAME_PLACE_NM = 500_000;

    public Finding {
        layers = List.copyOf(layers);
        nets = List.copyOf(nets);
        parts = List.copyOf(parts);
        also = List.copyOf(also);
    }

    /** Whether another revision's finding is this one: the same subject at the same place. */
    public boolean isSameAs(Finding other) {
        boolean near = everywhere || at.distance(other.at) <= SAME_PLACE_NM;
        return subject.equals(other.subject) && near;
    }

    public Finding withId(String newId) {
        return new Finding(
                newId,
                subject,
                rule,
                severity,
                everywhere,
                layers,
                at,
                from,
                to,
                measured,
                limit,
                unit,
                nets,
                parts,
                also,
                message);
    }
}
