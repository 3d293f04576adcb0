package dev.lastcut.core.work;

import java.util.Locale;

/** Work was given up because it takes more than is done for one board. */
public final class WorkLimitException extends RuntimeException {
    private static final long serialVersionUID = 1;

    /**
     * @param sentence for people, as for {@link String#format}: what is too much, against which
     *     maximum
     */
    public WorkLimitException(String sentence, Object... numbers) {
        super(String.format(Locale.ROOT, sentence, numbers));
    }
}
