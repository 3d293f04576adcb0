package dev.lastcut.core;

import java.util.List;
import java.util.stream.Stream;

/** Whether tests take all the rounds and packs they have: {@code ./lastcut test --long}. */
public final class LongRun {
    private LongRun() {}

    public static boolean is() {
        return Boolean.getBoolean("lastcut.long");
    }

    /** The first few of some packs, all of them in a long run. */
    public static Stream<String> first(int few, List<String> all) {
        return all.stream().limit(is() ? all.size() : few);
    }
}
