package dev.lastcut.server.ticket;

import dev.lastcut.core.touch.Touch;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Function;

/** The kinds of touch as the ticket writes them; documented in docs/touches.md. */
final class TouchKinds {
    /**
     * One kind.
     *
     * @param keys all it may have; those it must have end in {@code !}
     */
    record Kind<T extends Touch>(
            Class<T> type,
            List<String> keys,
            Function<TouchKeys, T> read,
            BiConsumer<T, Map<String, Object>> write) {
        boolean allows(String key) {
            return keys.contains(key) || keys.contains(key + "!");
        }

        List<String> needs() {
            return keys.stream()
                    .filter(k -> k.endsWith("!"))
                    .map(k -> k.substring(0, k.length() - 1))
                    .toList();
        }

        Map<String, Object> written(Touch touch) {
            Map<String, Object> map = new LinkedHashMap<>();
            map.put("kind", touch.kind());
            write.accept(type.cast(touch), map);
            return map;
        }
    }

    static final Map<String, Kind<?>> ALL = all();

    private final Map<String, Kind<?>> kinds = new LinkedHashMap<>();

    private TouchKinds() {}

    private static Map<String, Kind<?>> all() {
        TouchKinds all = new TouchKinds();
        CopperTouches.in(all);
        BoardTouches.in(all);
        PictureTouches.in(all);
        return Collections.unmodifiableMap(all.kinds);
    }

    /**
     * @param keys all it may have, parted by spaces; those it must have end in {@code !}
     */
    <T extends Touch> void add(
            String id,
            Class<T> type,
            String keys,
            Function<TouchKeys, T> read,
            BiConsumer<T, Map<String, Object>> write) {
        kinds.put(
                id,
                new Kind<>(
                        type, keys.isBlank() ? List.of() : List.of(keys.split(" ")), read, write));
    }
}
