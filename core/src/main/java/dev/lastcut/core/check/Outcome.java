package dev.lastcut.core.check;

import java.util.List;

/** What a rule has to say: findings, none, or why it could not run. */
public record Outcome(Status status, String reason, List<Finding> findings) {
    /** How a rule ended. */
    public enum Status {
        PASSED("passed"),
        FINDINGS("findings"),
        NOT_RUN("not-run");

        private final String id;

        Status(String id) {
            this.id = id;
        }

        public String id() {
            return id;
        }
    }

    public Outcome {
        findings = List.copyOf(findings);
    }

    public static Outcome of(List<Finding> findings) {
        return of(findings, "");
    }

    /** {@code remark} says what was measured, or what part could not be. */
    public static Outcome of(List<Finding> findings, String remark) {
        Status status = findings.isEmpty() ? Status.PASSED : Status.FINDINGS;
        return new Outcome(status, remark, findings);
    }

    /** The same with a further remark; checks that did not run have nothing to remark on. */
    public Outcome remarked(String remark) {
        if (remark.isEmpty() || status == Status.NOT_RUN) {
            return this;
        }
        return new Outcome(status, reason.isEmpty() ? remark : reason + "; " + remark, findings);
    }

    /** Says how many of many were left out; empty when none. */
    public static String more(int all, int told, String what) {
        return all <= told
                ? ""
                : (all - told) + " more " + what + " are beyond the limit and not listed";
    }

    public static Outcome notRun(String because) {
        return new Outcome(Status.NOT_RUN, because, List.of());
    }
}
