package dev.lastcut.server.ticket;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Net;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The keys of one touch, read by their types; lengths come as mm and go as nm. What is wrong is an
 * {@link IllegalArgumentException} that begins with the key.
 */
final class TouchKeys {
    private final Map<String, Object> keys;

    TouchKeys(Map<String, Object> keys) {
        this.keys = keys;
    }

    boolean has(String key) {
        return keys.get(key) != null;
    }

    double nm(String key) {
        return Length.mm(number(key));
    }

    double nm(String key, double usualMm) {
        return has(key) ? nm(key) : Length.mm(usualMm);
    }

    double number(String key) {
        if (keys.get(key) instanceof Number n) {
            return n.doubleValue();
        }
        throw new IllegalArgumentException(key + ": it must be a number");
    }

    double number(String key, double usual) {
        return has(key) ? number(key) : usual;
    }

    boolean flag(String key, boolean usual) {
        return value(key, usual, Boolean.class, "true or false");
    }

    String text(String key, String usual) {
        return value(key, usual, String.class, "text");
    }

    private <T> T value(String key, T usual, Class<T> type, String what) {
        Object v = keys.get(key);
        if (v == null) {
            return usual;
        }
        if (type.isInstance(v)) {
            return type.cast(v);
        }
        throw new IllegalArgumentException(key + ": it must be " + what);
    }

    Pt point(String key) {
        return point(key, keys.get(key));
    }

    private static Pt point(String key, Object v) {
        if (v instanceof List<?> l
                && l.size() == 2
                && l.get(0) instanceof Number x
                && l.get(1) instanceof Number y
                && Math.abs(x.doubleValue()) <= 10_000
                && Math.abs(y.doubleValue()) <= 10_000) {
            return Pt.mm(x.doubleValue(), y.doubleValue());
        }
        throw new IllegalArgumentException(key + ": a place is [x, y] in mm");
    }

    List<Pt> points(String key) {
        if (!has(key)) {
            return List.of();
        }
        return points(key, keys.get(key));
    }

    private static List<Pt> points(String key, Object v) {
        if (!(v instanceof List<?> all)) {
            throw new IllegalArgumentException(key + ": a list of places [x, y] in mm");
        }
        List<Pt> points = new ArrayList<>();
        all.forEach(p -> points.add(point(key, p)));
        // A ring may be closed by its first corner again.
        if (points.size() > 3 && points.get(0).equals(points.get(points.size() - 1))) {
            points.remove(points.size() - 1);
        }
        return points;
    }

    /** Keys within a key; empty where it is not there. */
    Optional<TouchKeys> within(String key) {
        Object v = keys.get(key);
        if (v == null) {
            return Optional.empty();
        }
        if (v instanceof Map<?, ?> map) {
            Map<String, Object> inner = new LinkedHashMap<>();
            map.forEach((k, x) -> inner.put(String.valueOf(k), x));
            return Optional.of(new TouchKeys(inner));
        }
        return Optional.empty();
    }

    boolean isList(String key) {
        return keys.get(key) instanceof List<?>;
    }

    List<Double> lengths(String key) {
        Object v = keys.get(key);
        List<Double> all = new ArrayList<>();
        if (v instanceof List<?> l) {
            for (Object o : l) {
                if (!(o instanceof Number n)) {
                    throw new IllegalArgumentException(key + ": it must be numbers");
                }
                all.add((double) Length.mm(n.doubleValue()));
            }
        } else if (v != null) {
            all.add(nm(key));
        }
        return all;
    }

    Role layer() {
        String id = text("layer", "");
        return Role.parse(id)
                .filter(Role::isPicture)
                .orElseThrow(
                        () ->
                                new IllegalArgumentException(
                                        "layer: there is no layer of the name " + id));
    }

    /** A net by name or by a place on its copper. */
    Net net() {
        return new Net(text("net", ""), has("at") ? Optional.of(point("at")) : Optional.empty());
    }

    Optional<Net> anyNet() {
        return has("net") || has("at") ? Optional.of(net()) : Optional.empty();
    }
}
