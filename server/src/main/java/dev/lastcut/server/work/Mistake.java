package dev.lastcut.server.work;

import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A mistake of ours: it is logged once, with its stack, under a number that people are told. */
public final class Mistake {
    private static final Logger LOG = LoggerFactory.getLogger(Mistake.class);
    private static final int DIGITS = 8;

    private Mistake() {}

    /** Logs it; a sentence for people with the number it has in the log. */
    public static String logged(Throwable e) {
        String id = UUID.randomUUID().toString().substring(0, DIGITS);
        LOG.error("Mistake {}", id, e);
        return "This went wrong inside the application (error " + id + " in the log).";
    }
}
