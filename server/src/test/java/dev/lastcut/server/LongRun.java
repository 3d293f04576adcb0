package dev.lastcut.server;

/** Whether tests take all the rounds they have: {@code ./lastcut test --long}. */
public final class LongRun {
    private LongRun() {}

    public static boolean is() {
        return Boolean.getBoolean("lastcut.long");
    }
}
