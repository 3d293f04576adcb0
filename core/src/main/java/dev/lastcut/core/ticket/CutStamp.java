package dev.lastcut.core.ticket;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.Optional;

/**
 * What a cut adds to the ticket it was made of, so that the same bytes can be made again.
 *
 * @param job the job's name; empty: that of the pack
 * @param revision of the files the cut is made of, counted from 1; 0 when nothing is said of it
 * @param cut the cut's number, 0 when it has none
 * @param at when it was made, ISO 8601 in UTC to the second; empty: when it is made
 */
public record CutStamp(Optional<String> job, int revision, int cut, Optional<String> at) {
    public static final CutStamp NOTHING_SAID =
            new CutStamp(Optional.empty(), 0, 0, Optional.empty());

    public CutStamp {
        if (cut < 0 || revision < 0) {
            throw new IllegalArgumentException("cuts and revisions are numbered from 1");
        }
        at.ifPresent(CutStamp::instant);
    }

    /** All of it said. */
    public static CutStamp of(String job, int revision, int cut, String at) {
        return new CutStamp(Optional.of(job), revision, cut, Optional.of(at));
    }

    /** What papers say of it: "hive, revision 2, cut 3". */
    public String title() {
        return job.orElse("")
                + (revision == 0 ? "" : ", revision " + revision)
                + (cut == 0 ? "" : ", cut " + cut);
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
