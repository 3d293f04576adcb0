package dev.lastcut.core.ticket;

import dev.lastcut.core.check.Finding;
import dev.lastcut.core.geometry.Pt;
import java.util.Optional;

/**
 * A finding that was accepted. It holds for the finding of its id, and for every other that is
 * about the same at the same place, unless that got worse.
 *
 * @param rule the rule's id
 * @param at where the finding was, in the pack's coordinates
 * @param by who accepted it
 * @param facts what was known of the finding; empty when it was only named by rule and place: then
 *     it holds for whatever the rule finds there
 */
public record Acceptance(String rule, Pt at, String by, String reason, Optional<Facts> facts) {
    /**
     * What was accepted, as it was.
     *
     * @param finding the finding's id
     * @param subject what it was about, without its place
     * @param beyond how far the measure was from its limit, in the finding's unit
     * @param revision the revision it was accepted on
     * @param time when, ISO 8601
     */
    public record Facts(
            String finding, String subject, Optional<Double> beyond, int revision, String time) {}

    /** A measure that moved by less than it is true to is no worse. */
    private static final double SAME = 0.002;

    public Acceptance {
        if (rule.isBlank()) {
            throw new IllegalArgumentException("a sign-off needs the rule of its finding");
        }
        if (by.isBlank() || reason.isBlank()) {
            throw new IllegalArgumentException("a sign-off needs a name and a reason");
        }
    }

    /** Accepts a finding as it is now. */
    public static Acceptance of(Finding f, String by, String reason, int revision, String time) {
        return new Acceptance(
                f.rule(),
                f.at(),
                by,
                reason,
                Optional.of(
                        new Facts(f.id(), f.subject(), Optional.of(beyond(f)), revision, time)));
    }

    /** Whether it was given for the finding of this id. */
    public boolean isGivenFor(String finding) {
        return facts.filter(f -> f.finding().equals(finding)).isPresent();
    }

    /** Whether another one was given for the finding of the same id. */
    boolean isOfSameFinding(Acceptance other) {
        return facts.filter(f -> other.isGivenFor(f.finding())).isPresent();
    }

    boolean isAbout(Finding f) {
        boolean near = f.everywhere() || at.distance(f.at()) <= Finding.SAME_PLACE_NM;
        if (facts.isEmpty()) {
            return rule.equals(f.rule()) && near;
        }
        boolean same = facts.get().subject().equals(f.subject());
        return facts.get().finding().equals(f.id())
                || (same && at.distance(f.at()) <= Finding.SAME_PLACE_NM);
    }

    boolean isWorse(Finding f) {
        return facts.flatMap(Facts::beyond).filter(b -> beyond(f) > b + SAME).isPresent();
    }

    /** How far a measure is from its limit. */
    private static double beyond(Finding f) {
        return Math.abs(f.measured() - f.limit());
    }
}
