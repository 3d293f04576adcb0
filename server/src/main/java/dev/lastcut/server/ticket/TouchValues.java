package dev.lastcut.server.ticket;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.Net;
import dev.lastcut.core.touch.picture.Source;
import java.util.List;
import java.util.Map;

/** The values of touches as they are written; lengths in mm. */
final class TouchValues {
    private TouchValues() {}

    static void write(Net net, Map<String, Object> m) {
        if (!net.name().isBlank()) {
            m.put("net", net.name());
        }
        net.at().ifPresent(p -> place("at", p, m));
    }

    static void via(double pitch, double hole, double pad, Map<String, Object> m) {
        mm("pitch_mm", pitch, m);
        mm("hole_mm", hole, m);
        mm("pad_mm", pad, m);
    }

    static void mm(String key, double nm, Map<String, Object> m) {
        m.put(key, Length.toMm(nm));
    }

    static void above0(String key, double nm, Map<String, Object> m) {
        if (nm > 0) {
            mm(key, nm, m);
        }
    }

    private static List<Double> mm(Pt p) {
        return List.of(Length.toMm(p.x()), Length.toMm(p.y()));
    }

    static void place(String key, Pt p, Map<String, Object> m) {
        m.put(key, mm(p));
    }

    static void places(String key, List<Pt> all, Map<String, Object> m) {
        if (!all.isEmpty()) {
            m.put(key, all.stream().map(TouchValues::mm).toList());
        }
    }

    static void write(Source s, String path, Map<String, Object> m) {
        m.put(s.path().isBlank() ? "drawing" : path, s.path().isBlank() ? s.given() : s.path());
    }

    static Source source(TouchKeys k, String path) {
        return new Source(k.text(path, ""), k.text("drawing", ""));
    }
}
