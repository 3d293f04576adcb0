package dev.lastcut.core.milling;

import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;

/**
 * The latest plans of a board. A maker who tries many set-ups must not fill the memory with them.
 */
final class Recent {
    private static final int KEPT = 24;

    private final Map<Object, Lazy<?>> slots =
            new LinkedHashMap<>(16, 0.75f, true) {
                private static final long serialVersionUID = 1;

                @Override
                protected boolean removeEldestEntry(Map.Entry<Object, Lazy<?>> eldest) {
                    return size() > KEPT;
                }
            };

    private Recent() {}

    /** What was made of a board for a key; made now when it was not, or is no longer kept. */
    @SuppressWarnings("unchecked")
    static <T> T of(BoardGeometry geometry, Object key, Supplier<T> make) {
        Recent recent = geometry.once(Recent.class, Recent::new);
        Lazy<?> slot;
        synchronized (recent.slots) {
            slot = recent.slots.computeIfAbsent(key, k -> new Lazy<>(make));
        }
        return (T) slot.get();
    }
}
