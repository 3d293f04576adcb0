package dev.lastcut.core.ticket;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.Optional;

/**
 * What a cut adds to the ticket it was made of, so that the same bytes can be made again.
 *
 * @param job the job's name; empty: that of the pack
 * @param cut the cut's number, 0 when it has none
 * @param at when it was made, ISO 8601 in UTC to the second; empty: when it is made
 */
public record Made(Optional<String> job, int cut, Optional<String> at) {
    public static final Made NOTHING_SAID = new Made(Optional.empty(), 0, Optional.empty());

    public Made {
        if (cut < 0) {
            throw new IllegalArgumentException("cuts are numbered from 1");
        }
        at.ifPresent(Made::instant);
    }

    /** All of it said. */
    public static Made of(String job, int cut, String at) {
        return new Made(Optional.of(job), cut, Optional.of(at));
    }

    private static Instant instant(String at) {
        try {
            return Instant.parse(at);
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException(
                    "a time is written like 2026-03-01T12:00:00Z, not '" + at + "'", e);
        }
    }
}
