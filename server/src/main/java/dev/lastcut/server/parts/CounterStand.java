package dev.lastcut.server.parts;

/** Where the parts counter is reached. */
public interface CounterStand {
    /** Such as {@code http://127.0.0.1:8788}. */
    String address();
}
