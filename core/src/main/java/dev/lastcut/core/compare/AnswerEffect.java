package dev.lastcut.core.compare;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.LayerImage;
import dev.lastcut.core.board.Outline;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.intake.reading.JobFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** What a board becomes when a question about its files is answered, in sentences. */
public final class AnswerEffect {
    private static final int MOST_FILES = 4;
    private static final int MOST_PROBLEMS = 3;
    private static final long TOLERANCE_NM = 10_000;

    private final Board before;
    private final Board after;
    private final List<String> all = new ArrayList<>();

    private AnswerEffect(Board before, Board after) {
        this.before = before;
        this.after = after;
    }

    /**
     * Compares a board as it is read now with the one it is after an answer.
     *
     * @param answered the files the answer is about; that they change goes without saying
     * @return sentences, most important first; never empty
     */
    public static List<String> of(Board before, Board after, Set<String> answered) {
        AnswerEffect e = new AnswerEffect(before, after);
        e.layers();
        e.underneath();
        e.outline();
        e.count("hole", before.holes().size(), after.holes().size());
        e.count("part", before.partCount(), after.partCount());
        e.count("placed part", placed(before).size(), placed(after).size());
        e.sides();
        e.otherFiles(answered);
        e.problems();
        if (e.all.isEmpty()) {
            e.all.add("The board stays as it is shown.");
        }
        e.questions();
        return List.copyOf(e.all);
    }

    private void layers() {
        Map<Role, String> then = pictures(before);
        Map<Role, String> now = pictures(after);
        Set<Role> roles = new TreeSet<>(Comparator.comparing(Role::id));
        roles.addAll(then.keySet());
        roles.addAll(now.keySet());
        for (Role role : roles) {
            String was = then.get(role);
            String is = now.get(role);
            if (is == null) {
                all.add("The board has no " + role.words() + ".");
            } else if (was == null) {
                all.add("The board gets " + role.words() + " from " + JobFile.leaf(is) + ".");
            } else if (!was.equals(is)) {
                all.add(
                        capital(role.words())
                                + " comes from "
                                + JobFile.leaf(is)
                                + ", not "
                                + JobFile.leaf(was)
                                + ".");
            }
        }
    }

    /** What lies next to the outer copper and so serves as its return path, when that changes. */
    private void underneath() {
        underneath(Side.TOP, 1);
        underneath(Side.BOTTOM, after.copper().size() - 2);
    }

    private void underneath(Side side, int inner) {
        Role role = Role.innerCopper(Math.max(1, inner));
        Optional<Layer> was = before.layer(role);
        Optional<Layer> is = after.layer(role);
        if (before.copper().size() != after.copper().size()
                || was.isEmpty()
                || is.isEmpty()
                || was.get().file().equals(is.get().file())) {
            return;
        }
        after.outline()
                .ifPresent(
                        o ->
                                all.add(
                                        String.format(
                                                Locale.ROOT,
                                                "Next to the %s copper lies %s, %d %% copper.",
                                                side.word(),
                                                JobFile.leaf(is.get().file()),
                                                share(is.get(), o))));
    }

    /** How much of a board's area a layer covers, in percent. */
    private static long share(Layer layer, Outline outline) {
        Flattener coarse = new Flattener(TOLERANCE_NM);
        double copper = LayerImage.of(layer.features(), coarse).area().getArea();
        return Math.min(100, Math.round(100 * copper / outline.area(coarse).getArea()));
    }

    private static Map<Role, String> pictures(Board b) {
        return b.layers().stream()
                .filter(l -> !l.role().equals(Role.OUTLINE))
                .collect(Collectors.toMap(Layer::role, Layer::file, (x, y) -> x));
    }

    private void outline() {
        if (before.outline().isPresent() && after.outline().isEmpty()) {
            all.add("The board has no outline.");
        } else if (before.outline().isEmpty() && after.outline().isPresent()) {
            all.add("The board gets an outline.");
        }
    }

    private void count(String what, int then, int now) {
        if (then != now) {
            all.add(now + " " + what + (now == 1 ? "" : "s") + " instead of " + then + ".");
        }
    }

    private static Map<String, PlacedPart> placed(Board b) {
        Map<String, PlacedPart> places = new HashMap<>();
        b.placements().ifPresent(list -> list.forEach(p -> places.putIfAbsent(p.designator(), p)));
        return places;
    }

    /** Parts that go to the other side, turn or move. */
    private void sides() {
        Map<String, PlacedPart> then = placed(before);
        Map<Side, Integer> to = new EnumMap<>(Side.class);
        int moved = 0;
        for (PlacedPart now : placed(after).values()) {
            PlacedPart was = then.get(now.designator());
            if (was == null) {
                continue;
            }
            if (was.side() != now.side()) {
                to.merge(now.side(), 1, Integer::sum);
            } else if (!was.at().equals(now.at()) || was.rotationDeg() != now.rotationDeg()) {
                moved++;
            }
        }
        to.forEach(
                (side, n) ->
                        all.add(
                                (n == 1 ? "1 part goes" : n + " parts go")
                                        + " to the "
                                        + side.word()
                                        + "."));
        if (moved > 0) {
            all.add((moved == 1 ? "1 part lies" : moved + " parts lie") + " elsewhere or turned.");
        }
    }

    private void otherFiles(Set<String> answered) {
        Map<String, Role> then =
                before.files().stream()
                        .collect(Collectors.toMap(SourceFile::path, SourceFile::role));
        List<SourceFile> changed =
                after.files().stream()
                        .filter(f -> !answered.contains(f.path()))
                        .filter(f -> !f.role().equals(then.get(f.path())))
                        .toList();
        for (SourceFile f : changed.subList(0, Math.min(MOST_FILES, changed.size()))) {
            all.add(JobFile.leaf(f.path()) + " becomes " + f.role().words() + ".");
        }
        if (changed.size() > MOST_FILES) {
            all.add((changed.size() - MOST_FILES) + " more files change with it.");
        }
    }

    private void problems() {
        Set<String> then = said(before);
        after.problems().stream()
                .filter(p -> !then.contains(said(p)))
                .limit(MOST_PROBLEMS)
                .forEach(p -> all.add(said(p) + "."));
        Set<String> now = said(after);
        long gone = before.problems().stream().filter(p -> !now.contains(said(p))).count();
        if (gone > 0) {
            all.add(gone == 1 ? "1 problem is solved." : gone + " problems are solved.");
        }
    }

    private static Set<String> said(Board b) {
        return b.problems().stream().map(AnswerEffect::said).collect(Collectors.toSet());
    }

    private static String said(Problem p) {
        return p.file().isEmpty() ? p.text() : JobFile.leaf(p.file()) + ": " + p.text();
    }

    /** How many files are still in doubt. */
    private void questions() {
        long open = after.files().stream().filter(f -> f.doubt().isPresent()).count();
        all.add(
                open == 0
                        ? "No file is in doubt then."
                        : open == 1
                                ? "1 file is still in doubt then."
                                : open + " files are still in doubt then.");
    }

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }
}
