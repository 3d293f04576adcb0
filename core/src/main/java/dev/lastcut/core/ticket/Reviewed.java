package dev.lastcut.core.ticket;

/**
 * That somebody looked at something before the cut.
 *
 * @param by who did
 * @param of a digest of what it was then: it lapses when that changes
 */
public record Reviewed(String by, String of) {
    public Reviewed {
        if (by == null || by.isBlank() || by.length() > 80) {
            throw new IllegalArgumentException("a review needs a name of 1 to 80 characters");
        }
        if (of == null || of.isBlank()) {
            throw new IllegalArgumentException("a review needs the digest of what was looked at");
        }
    }
}
