package dev.lastcut.core.milling;

import java.util.function.Supplier;

/** A value that is made when it is first asked for, once, whoever asks. */
final class Lazy<T> {
    private final Supplier<T> make;
    private T value;

    Lazy(Supplier<T> make) {
        this.make = make;
    }

    synchronized T get() {
        if (value == null) {
            value = make.get();
        }
        return value;
    }
}
