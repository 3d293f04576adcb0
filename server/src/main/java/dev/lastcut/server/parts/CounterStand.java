package dev.lastcut.server.parts;

import java.util.List;

/** Where parts counters are reached. */
public interface CounterStand {
    /** The one that parts are looked up at, such as {@code http://127.0.0.1:8788}. */
    String address();

    /** Further ones, where parts may be bought as well. */
    default List<String> others() {
        return List.of();
    }
}
