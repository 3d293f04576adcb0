package dev.lastcut.server.ticket;

import dev.lastcut.core.touch.Step;
import dev.lastcut.core.touch.Touch;
import dev.lastcut.server.ticket.TouchKinds.Kind;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/** Touches as the ticket has them: {@code kind}, its values, and {@code off} while switched off. */
public final class TouchJson {
    static final String KIND = "kind";
    static final String OFF = "off";

    private TouchJson() {}

    public static Map<String, Object> of(Touch touch) {
        return TouchKinds.ALL.get(touch.kind()).written(touch);
    }

    static List<Map<String, Object>> of(List<Step> steps) {
        List<Map<String, Object>> all = new ArrayList<>();
        for (Step s : steps) {
            Map<String, Object> map = of(s.touch());
            if (!s.on()) {
                map.put(OFF, true);
            }
            all.add(map);
        }
        return all;
    }

    /**
     * @throws IllegalArgumentException when one is not as its kind is written, after its place in
     *     the list and its key
     */
    static List<Step> steps(List<Map<String, Object>> touches) {
        List<Step> all = new ArrayList<>();
        for (int i = 0; touches != null && i < touches.size(); i++) {
            try {
                all.add(step(touches.get(i)));
            } catch (IllegalArgumentException e) {
                throw new IllegalArgumentException("touches[" + i + "]." + e.getMessage(), e);
            }
        }
        return all;
    }

    private static Step step(Map<String, Object> keys) {
        Map<String, Object> own = new LinkedHashMap<>(keys);
        boolean off = Boolean.TRUE.equals(own.remove(OFF));
        String id = String.valueOf(own.remove(KIND));
        Kind<?> kind = TouchKinds.ALL.get(id);
        for (String key : own.keySet()) {
            if (!kind.allows(key)) {
                throw new IllegalArgumentException(key + ": the touch " + id + " has no such key");
            }
        }
        for (String key : kind.needs()) {
            if (own.get(key) == null) {
                throw new IllegalArgumentException(key + ": it is missing");
            }
        }
        return new Step(kind.read().apply(new TouchKeys(own)), !off);
    }

    /** Every key that some kind has. */
    static TreeSet<String> keys() {
        TreeSet<String> all = new TreeSet<>();
        TouchKinds.ALL.values().forEach(k -> k.keys().forEach(n -> all.add(n.replace("!", ""))));
        return all;
    }
}
