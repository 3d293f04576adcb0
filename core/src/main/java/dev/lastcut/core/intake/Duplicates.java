package dev.lastcut.core.intake;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.ToIntFunction;

/**
 * Files that hold what another file of the pack holds already, whatever they are called.
 *
 * @param originals the copy's path, and the path of what it copies
 */
record Duplicates(Map<String, String> originals, List<Problem> problems) {
    static Duplicates find(Map<String, Reading> readings) {
        Map<String, String> seen = new HashMap<>();
        List<Problem> problems = new ArrayList<>();
        Map<String, String> originals = new HashMap<>();
        new TreeMap<>(readings)
                .forEach(
                        (path, reading) -> {
                            String print = print(reading);
                            String first = print.isEmpty() ? null : seen.putIfAbsent(print, path);
                            if (first != null) {
                                originals.put(path, first);
                                problems.add(
                                        new Problem(
                                                Problem.Code.DUPLICATE_FILE,
                                                path,
                                                0,
                                                "holds exactly what " + first + " holds",
                                                "check whether one of them is an older or wrong file"));
                            }
                        });
        return new Duplicates(originals, problems);
    }

    /** The same for the same content, in any order; empty where there is nothing to compare. */
    private static String print(Reading reading) {
        if (reading instanceof Reading.Gerber g && !g.file().features().isEmpty()) {
            long sum = 0;
            for (Feature f : g.file().features()) {
                sum += mixed(hash(f) * 31L + Boolean.hashCode(f.dark()));
            }
            return "picture " + g.file().features().size() + " " + sum;
        }
        if (reading instanceof Reading.Drill d && !d.file().holes().isEmpty()) {
            return "holes "
                    + sum(d.file().holes(), h -> Objects.hash(h.from(), h.to(), h.diameter()));
        }
        if (reading instanceof Reading.Parts p && !p.result().parts().isEmpty()) {
            return "parts " + sum(p.result().parts(), x -> Objects.hash(x.designator(), x.value()));
        }
        if (reading instanceof Reading.Placements p && !p.result().parts().isEmpty()) {
            return "places "
                    + sum(
                            p.result().parts(),
                            x -> Objects.hash(x.designator(), x.at(), x.rotationDeg(), x.side()));
        }
        if (reading instanceof Reading.Nets n && !n.result().netlist().points().isEmpty()) {
            return "nets " + sum(n.result().netlist().points(), Netlist.Point::hashCode);
        }
        return "";
    }

    /** How many there are and what they hold, in any order. */
    private static <T> String sum(List<T> all, ToIntFunction<T> hash) {
        long sum = 0;
        for (T x : all) {
            sum += mixed(hash.applyAsInt(x));
        }
        return all.size() + " " + sum;
    }

    private static long hash(Feature f) {
        if (f instanceof Feature.Flash x) {
            return Objects.hash(x.aperture(), x.at(), x.orientation());
        }
        if (f instanceof Feature.Stroke x) {
            Segment p = x.path();
            int ends = p.from().hashCode() + p.to().hashCode();
            return Objects.hash(x.aperture(), ends, Math.round(p.length()));
        }
        return ((Feature.Region) f).contours().hashCode();
    }

    private static long mixed(long h) {
        long x = h * 0x9E3779B97F4A7C15L;
        return x ^ (x >>> 29);
    }
}
