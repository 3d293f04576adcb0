package dev.lastcut.core.intake;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.UnsizedTool;
import dev.lastcut.core.formats.drill.DrillFile;
import dev.lastcut.core.formats.drill.DrillTool;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.intake.reading.Reading;
import dev.lastcut.core.intake.roles.PackFacts;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;

/**
 * Sizes of tools that a drill file leaves open: those the user says, else those a report in the
 * pack states for the same tools. Of two reports that disagree neither is believed.
 */
final class ToolSizes {
    private static final double USUAL_RING_NM = 300_000;
    private static final double USUAL_PAD_NM = 1_200_000;
    private static final long STEP_NM = 50_000;
    private static final int MOST_LOOKED_AT = 40;

    private final Map<String, Map<Integer, DrillTool>> known = new HashMap<>();
    private final Map<String, List<UnsizedTool>> told = new HashMap<>();
    private final List<Problem> problems = new ArrayList<>();

    /**
     * Looks for the sizes of the tools of each drill file that states none.
     *
     * @param said path of a drill file → tool number → diameter in nm, as the user says
     */
    static ToolSizes of(Map<String, Reading> readings, Map<String, Map<Integer, Long>> said) {
        ToolSizes sizes = new ToolSizes();
        Map<String, Map<Integer, DrillTool>> reports = new TreeMap<>();
        readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Tools t) {
                        reports.put(path, t.tools());
                    }
                });
        readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Drill d) {
                        Map<Integer, Integer> wanted = wanted(d.file());
                        sizes.take(path, wanted, said.getOrDefault(path, Map.of()));
                        sizes.settle(path, wanted, reports);
                    }
                });
        return sizes;
    }

    /** The tools without a size, each with its number of holes, -1 where it routes. */
    private static Map<Integer, Integer> wanted(DrillFile file) {
        Map<Integer, Integer> wanted = new TreeMap<>();
        file.unsized().forEach((tool, holes) -> wanted.put(tool, holes.size()));
        file.routes()
                .forEach(
                        route -> {
                            boolean open = route.slots().stream().anyMatch(h -> h.diameter() == 0);
                            if (open) {
                                wanted.putIfAbsent(route.tool(), -1);
                            }
                        });
        return wanted;
    }

    /** Takes what the user says of these tools off those that are wanted. */
    private void take(String path, Map<Integer, Integer> wanted, Map<Integer, Long> said) {
        Map<Integer, DrillTool> sizes = new TreeMap<>();
        List<UnsizedTool> tools = new ArrayList<>();
        said.forEach(
                (tool, size) -> {
                    Integer holes = wanted.remove(tool);
                    if (holes == null) {
                        problems.add(
                                new Problem(
                                        Problem.Code.UNDEFINED_TOOL,
                                        path,
                                        0,
                                        "a size was chosen for "
                                                + name(tool)
                                                + ", which states its own size or is not there",
                                        "the chosen size is not used"));
                        return;
                    }
                    sizes.put(tool, DrillTool.of(size));
                    tools.add(new UnsizedTool(tool, Math.max(0, holes), size, true));
                });
        if (!tools.isEmpty()) {
            known.put(path, sizes);
            told.put(path, tools);
        }
    }

    private void settle(
            String path,
            Map<Integer, Integer> wanted,
            Map<String, Map<Integer, DrillTool>> reports) {
        if (wanted.isEmpty()) {
            return;
        }
        Optional<String> found = Optional.empty();
        for (Map.Entry<String, Map<Integer, DrillTool>> e : reports.entrySet()) {
            if (!fits(wanted, e.getValue())) {
                continue;
            }
            if (found.isPresent() && !agree(wanted, e.getValue(), reports.get(found.get()))) {
                problems.add(
                        new Problem(
                                Problem.Code.UNDEFINED_TOOL,
                                path,
                                0,
                                found.get() + " and " + e.getKey() + " state different tool sizes",
                                "neither is used"));
                return;
            }
            found = found.or(() -> Optional.of(e.getKey()));
        }
        found.ifPresent(
                report -> {
                    Map<Integer, DrillTool> all = new TreeMap<>(reports.get(report));
                    all.putAll(of(path));
                    known.put(path, all);
                    problems.add(
                            new Problem(
                                    Problem.Code.FORMAT_GUESSED,
                                    path,
                                    0,
                                    "its tools have no size; " + report + " states the sizes",
                                    "these are used; compare the holes with the pads"));
                });
    }

    /** Whether a report states all tools, each with the number of holes the file has. */
    private static boolean fits(Map<Integer, Integer> wanted, Map<Integer, DrillTool> tools) {
        for (Map.Entry<Integer, Integer> e : wanted.entrySet()) {
            DrillTool t = tools.get(e.getKey());
            if (t == null) {
                return false;
            }
            boolean counted = t.count().isPresent() && e.getValue() >= 0;
            if (counted && t.count().getAsInt() != e.getValue()) {
                return false;
            }
        }
        return true;
    }

    private static boolean agree(
            Map<Integer, Integer> wanted, Map<Integer, DrillTool> a, Map<Integer, DrillTool> b) {
        return wanted.keySet().stream()
                .allMatch(t -> a.get(t).diameterNm() == b.get(t).diameterNm());
    }

    /**
     * A size for each tool that has none, from the pads its holes lie on: to be confirmed by the
     * user. What is left of a pad about its hole is common practice, no source.
     */
    static Map<Integer, Long> proposed(PackFacts facts, Map<Integer, List<Hole>> unsized) {
        Map<Integer, Long> all = new TreeMap<>();
        unsized.forEach(
                (tool, holes) -> {
                    double[] pads =
                            holes.stream()
                                    .limit(MOST_LOOKED_AT)
                                    .map(h -> facts.padAt(h.middle()))
                                    .filter(OptionalDouble::isPresent)
                                    .mapToDouble(OptionalDouble::getAsDouble)
                                    .sorted()
                                    .toArray();
                    double pad = pads.length == 0 ? USUAL_PAD_NM : pads[pads.length / 2];
                    double size = Math.max(pad / 2, pad - 2 * USUAL_RING_NM);
                    all.put(tool, Math.max(1, Math.round(size / STEP_NM)) * STEP_NM);
                });
        return all;
    }

    /** The same file in which holes without a size have the proposed one. */
    static DrillFile sized(DrillFile f, Map<Integer, Long> sizes) {
        List<Hole> all = new ArrayList<>(f.holes());
        f.unsized()
                .forEach(
                        (tool, holes) ->
                                holes.forEach(
                                        h -> all.add(h.at(h.from(), h.to(), sizes.get(tool)))));
        return f.with(all, f.unsized(), f.routes());
    }

    /** What the user said of a file's tools; empty for nothing. */
    List<UnsizedTool> told(String path) {
        return told.getOrDefault(path, List.of());
    }

    Map<Integer, DrillTool> of(String path) {
        return known.getOrDefault(path, Map.of());
    }

    boolean isEmpty() {
        return known.isEmpty();
    }

    List<Problem> problems() {
        return problems;
    }

    /** Tools, their holes and proposed sizes: "T1 0.35 mm (88 holes), T2 1 mm (3 holes)". */
    static String words(Map<Integer, List<Hole>> unsized, Map<Integer, Long> sizes) {
        List<String> all = new ArrayList<>();
        unsized.forEach(
                (tool, holes) -> {
                    all.add(
                            name(tool)
                                    + " "
                                    + Length.text(sizes.get(tool))
                                    + " ("
                                    + holes.size()
                                    + (holes.size() == 1 ? " hole)" : " holes)"));
                });
        return String.join(", ", all);
    }

    private static String name(int tool) {
        return tool < 0 ? "no tool" : "T" + tool;
    }
}
