package dev.lastcut.core.formats.drill;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Problem;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What a drill file holds.
 *
 * @param holes with {@code plated} as the file says per tool, or true where it says nothing
 * @param plated what the file says of itself as a whole; empty when it says nothing
 * @param formatStated false when neither unit nor number format could be found in the file and the
 *     coordinates carry no decimal point
 * @param stepNm the finest step of its coordinates
 * @param remarks its comments, the first few
 * @param mixed true when the file marks some tools as plated and others as not
 * @param unsized by tool, holes of which no size is known, with the diameter 0; not among the holes
 * @param routes paths that are routed all round; their slots are not among the holes
 * @param spanStated whether the file says which layers its holes pass
 * @param deepest the number of the deepest copper layer it names, 0 for none
 */
public record DrillFile(
        List<Hole> holes,
        Optional<Boolean> plated,
        DrillFormat format,
        boolean formatStated,
        double stepNm,
        List<String> remarks,
        boolean mixed,
        List<Problem> problems,
        boolean looksLikeDrill,
        Map<Integer, List<Hole>> unsized,
        List<DrillRoute> routes,
        boolean spanStated,
        int deepest) {
    public DrillFile {
        holes = List.copyOf(holes);
        remarks = List.copyOf(remarks);
        problems = List.copyOf(problems);
        unsized = Collections.unmodifiableMap(new TreeMap<>(unsized));
        routes = List.copyOf(routes);
    }

    /** The same file with its holes elsewhere. */
    public DrillFile withHoles(List<Hole> moved) {
        return with(moved, unsized, routes);
    }

    /** The same file with its holes, those of no size and its routed paths as given. */
    public DrillFile with(
            List<Hole> moved, Map<Integer, List<Hole>> withoutSize, List<DrillRoute> paths) {
        return new DrillFile(
                moved,
                plated,
                format,
                formatStated,
                stepNm,
                remarks,
                mixed,
                problems,
                looksLikeDrill,
                withoutSize,
                paths,
                spanStated,
                deepest);
    }

    /** The same file, of a stack with so many copper layers. */
    public DrillFile reaching(int layer) {
        return new DrillFile(
                holes,
                plated,
                format,
                formatStated,
                stepNm,
                remarks,
                mixed,
                problems,
                looksLikeDrill,
                unsized,
                routes,
                spanStated,
                Math.max(deepest, layer));
    }

    /** Everything that is drilled, of a known size or not; slots of routed paths are left out. */
    public List<Hole> places() {
        List<Hole> all = new ArrayList<>(holes);
        unsized.values().forEach(all::addAll);
        return all;
    }

    /** The same file in which its routed paths are slots like any other. */
    public DrillFile withRoutesAsSlots() {
        if (routes.isEmpty()) {
            return this;
        }
        List<Hole> all = new ArrayList<>(holes);
        Map<Integer, List<Hole>> open = new TreeMap<>(unsized);
        for (DrillRoute r : routes) {
            for (Hole h : r.slots()) {
                if (h.diameter() > 0) {
                    all.add(h);
                } else {
                    open.computeIfAbsent(r.tool(), k -> new ArrayList<>());
                    List<Hole> more = new ArrayList<>(open.get(r.tool()));
                    more.add(h);
                    open.put(r.tool(), more);
                }
            }
        }
        return with(all, open, List.of());
    }
}
