package dev.lastcut.server.counter;

import java.util.Arrays;
import java.util.Locale;

/** How the counter behaves, so that whoever asks it can be seen to cope. */
enum Mood {
    /** Answers at once. */
    WELL,
    /** Answers after a while. */
    SLOW,
    /** Refuses with status 503. */
    DOWN,
    /** Answers with what is no answer. */
    RUBBISH;

    static Mood of(String word) {
        return Arrays.stream(values())
                .filter(m -> m.word().equals(word))
                .findFirst()
                .orElseThrow(
                        () ->
                                new IllegalArgumentException(
                                        "the mood is well, slow, down or rubbish, not '"
                                                + word
                                                + "'"));
    }

    String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
