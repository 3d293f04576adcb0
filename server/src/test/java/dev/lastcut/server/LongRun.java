package dev.lastcut.server;

/** Whether tests take all the rounds they have: {@code ./lastcut test --long}. */
public final class LongRun {
    private LongRun() {}

    public static boolean is() {
        return Boolean.getBoolean("lastcut.long");
    }

    /**
     * The seed of a random test: the usual one, in a long run a new one each time, which is
     * printed, or the one given with {@code -Dlastcut.seed} to repeat a run.
     */
    public static long seed(long usual) {
        long seed = Long.getLong("lastcut.seed", is() ? System.nanoTime() : usual);
        if (is()) {
            System.out.println("To repeat: -Dlastcut.seed=" + seed);
        }
        return seed;
    }
}
