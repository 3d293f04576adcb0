package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.board.Span;
import dev.lastcut.core.intake.naming.Hints;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * The copper layers of a board in their order, held against what names, drill files and the netlist
 * count: a layer that is counted and not there is missing, and holes that have no pad on an outer
 * layer do not go through.
 */
public final class CopperStack {
    /** So many holes of a file without a pad on a side are no accident. */
    private static final int FEWEST = 2;

    private static final double MOST = 0.5;

    /** On a layer that blind holes pass nearly all have a pad. */
    private static final double NEARLY_ALL = 0.9;

    private final PackFacts pack;
    private final List<SourceFile> copper = new ArrayList<>();

    public CopperStack(PackFacts pack, Collection<SourceFile> files) {
        this.pack = pack;
        for (SourceFile f : files) {
            if (f.role().isCopper()) {
                copper.add(f);
            }
        }
        copper.sort((a, b) -> Integer.compare(depth(a), depth(b)));
    }

    private static int depth(SourceFile f) {
        return f.role().side().map(s -> s == Side.TOP ? 0 : 99).orElse(f.role().inner());
    }

    /** What says that there are more layers than the pack holds. */
    public List<Problem> missing() {
        List<Problem> all = new ArrayList<>();
        Map<String, Integer> numbers = numbers();
        TreeSet<Integer> counted = new TreeSet<>(numbers.values());
        int without = copper.size() - numbers.size();
        boolean fromTop = counted.size() > 1 && counted.first() == 1;
        if (fromTop || counted.size() > 1 && counted.first() == 2) {
            List<Integer> lacking = new ArrayList<>();
            for (int n = counted.first(); n < counted.last(); n++) {
                if (!counted.contains(n)) {
                    lacking.add(n);
                }
            }
            int open = fromTop ? without : Math.max(0, without - 2);
            if (lacking.size() > open) {
                all.add(
                        missing(
                                copper.get(0).path(),
                                "names count copper layers up to "
                                        + counted.last()
                                        + ", but there is none with the number "
                                        + lacking.get(0)));
                return all;
            }
        }
        for (Map.Entry<String, Reading> e : pack.readings().entrySet()) {
            int deepest =
                    e.getValue() instanceof Reading.Drill d
                            ? d.file().deepest()
                            : e.getValue() instanceof Reading.Nets n ? n.result().deepest() : 0;
            if (deepest > copper.size() && copper.size() > 1) {
                all.add(
                        missing(
                                e.getKey(),
                                PackFacts.leaf(e.getKey())
                                        + " counts "
                                        + deepest
                                        + " copper layers, but the pack holds "
                                        + copper.size()));
                return all;
            }
        }
        return all;
    }

    private static Problem missing(String path, String text) {
        return new Problem(
                Problem.Code.MISSING_FILE,
                path,
                0,
                text,
                "Bring the missing layer in, or change the roles at Bring in");
    }

    /** The numbers that names give copper layers, counted from the top; by path. */
    private Map<String, Integer> numbers() {
        Map<String, Integer> hinted = new TreeMap<>();
        List<Picture> pictures = new ArrayList<>();
        for (SourceFile f : copper) {
            Hints h = pack.name(f.path());
            h.layer().ifPresent(n -> hinted.put(f.path(), n));
            if (pack.picture(f.path()) != null) {
                pictures.add(pack.picture(f.path()));
            }
        }
        Map<String, Integer> best = hinted;
        for (Map<String, Integer> own : LayerNumbers.numbers(pictures).values()) {
            boolean different = new TreeSet<>(own.values()).size() == own.size();
            best = different && own.size() > best.size() ? own : best;
        }
        return best;
    }

    /**
     * @param span what the pads of a file's holes tell; empty for holes that go through
     * @param open what must be asked; empty where all holes agree
     */
    public record Found(Optional<Span> span, Optional<String> open) {
        static final Found THROUGH = new Found(Optional.empty(), Optional.empty());
    }

    /** Whether plated holes of which nothing states the span have pads on both outer layers. */
    public Found spanOf(List<Hole> holes) {
        if (copper.size() < 4 || holes.isEmpty()) {
            return Found.THROUGH;
        }
        int n = copper.size();
        int[] pads = new int[n];
        int[] none = new int[n];
        int told = 0;
        for (Hole h : holes) {
            boolean any = false;
            boolean[] pad = new boolean[n];
            boolean[] lacks = new boolean[n];
            for (int i = 0; i < n; i++) {
                Picture p = pack.picture(copper.get(i).path());
                if (p == null) {
                    return Found.THROUGH;
                }
                boolean ring = p.hasRing(h.middle(), h.diameter());
                boolean own = p.hasOwnPad(h.middle(), h.diameter());
                // On an outer layer a hole that comes to it has a pad; inside it may be kept free.
                boolean outer = i == 0 || i == n - 1;
                pad[i] = own && (ring || !outer);
                lacks[i] = !ring && (outer || !own);
                any |= ring;
            }
            if (any) {
                told++;
                for (int i = 0; i < n; i++) {
                    pads[i] += pad[i] ? 1 : 0;
                    none[i] += lacks[i] ? 1 : 0;
                }
            }
        }
        boolean fromTop = reaches(0, pads, none);
        boolean toBottom = reaches(n - 1, pads, none);
        if (fromTop && toBottom) {
            int few = Math.max(none[0], none[n - 1]);
            boolean silent = told > 0 && Math.min(pads[0], pads[n - 1]) == 0;
            return few == 0 && !silent
                    ? Found.THROUGH
                    : new Found(
                            Optional.empty(),
                            Optional.of(
                                    (silent ? told : few)
                                            + " of its "
                                            + told
                                            + " holes have no pad of their own on the "
                                            + (pads[0] < pads[n - 1] ? "top" : "bottom")
                                            + "; they may be blind"));
        }
        int first = 0;
        int last = n - 1;
        while (first < n && !isPassed(first, pads, none)) {
            first++;
        }
        while (last >= 0 && !isPassed(last, pads, none)) {
            last--;
        }
        String where =
                "its holes have no pad on the "
                        + (fromTop ? "bottom" : toBottom ? "top" : "outer layers");
        if (first >= last) {
            return new Found(
                    Optional.empty(), Optional.of(where + "; they may be blind or buried"));
        }
        String layers = " and have one on the copper layers " + (first + 1) + " to " + (last + 1);
        return new Found(
                Optional.of(new Span(first + 1, last + 1)),
                Optional.of(where + layers + "; they are taken as blind or buried"));
    }

    /** Whether holes come to an outer layer: not where those that tell have no pad on it. */
    private static boolean reaches(int layer, int[] pads, int[] none) {
        return none[layer] < FEWEST || none[layer] < MOST * (none[layer] + pads[layer]);
    }

    private static boolean isPassed(int layer, int[] pads, int[] none) {
        return pads[layer] > 0 && pads[layer] >= NEARLY_ALL * (pads[layer] + none[layer]);
    }
}
