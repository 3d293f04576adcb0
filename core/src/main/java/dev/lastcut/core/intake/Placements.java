package dev.lastcut.core.intake;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.formats.table.PlacementReader;
import dev.lastcut.core.intake.reading.Reading;
import dev.lastcut.core.intake.roles.PackFacts;
import dev.lastcut.core.intake.roles.SidedLook;
import dev.lastcut.core.intake.tables.AngleHabit;
import dev.lastcut.core.intake.tables.NamedPads;
import dev.lastcut.core.intake.tables.OpenPads;
import dev.lastcut.core.intake.tables.PlacementFit;
import dev.lastcut.core.intake.tables.SideWords;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Every placement table of a pack, laid on the pads before anybody knows which file is what; and,
 * once the sides are known, its parts put on the sides their pads are on.
 */
final class Placements {
    /** With less than this share on pads of their own, the places of parts prove nothing. */
    private static final double PROVEN = 0.5;

    /** Another pair of columns must lie on the pads better by this share of the parts. */
    private static final double BETTER = 0.15;

    private final Map<String, Laid> laid = new TreeMap<>();
    private final List<Problem> problems = new ArrayList<>();

    /** A table as it lies on the pads. */
    private record Laid(
            PlacementReader.Result table,
            List<PlacedPart> parts,
            boolean anglesTold,
            Optional<Doubt> doubt) {
        Laid with(List<PlacedPart> moved) {
            return new Laid(table, moved, anglesTold, doubt);
        }

        Laid doubted(String text) {
            Doubt own = new Doubt(Doubt.Kind.COLUMNS, text);
            return new Laid(table, parts, anglesTold, doubt.or(() -> Optional.of(own)));
        }
    }

    private Placements() {}

    static Placements lay(Map<String, Reading> readings, PackFacts pack) {
        Placements all = new Placements();
        List<PlacedPart> proven = new ArrayList<>();
        List<NamedPads.Pad> named = new ArrayList<>();
        OpenPads open = null;
        Map<String, Side> netlistSides = netlistSides(readings);
        for (Map.Entry<String, Reading> e : readings.entrySet()) {
            if (e.getValue() instanceof Reading.Placements p) {
                named = named.isEmpty() ? namedPads(readings) : named;
                PlacementReader.Result table = all.sided(e.getKey(), p.result(), netlistSides);
                NamedPads pads = new NamedPads(named);
                Optional<Fit> fit = best(new PlacementFit(pads), table);
                boolean onNamed = fit.isPresent();
                if (!onNamed) {
                    open = open == null ? pack.openPads() : open;
                    fit = best(new PlacementFit(open), table);
                }
                all.take(e.getKey(), table, fit, onNamed);
                fit.filter(f -> f.result.share() >= PROVEN)
                        .ifPresent(f -> proven.addAll(sideKnown(f.result.parts(), table)));
            } else if (e.getValue() instanceof Reading.Gerber g) {
                proven.addAll(g.file().components());
            }
        }
        pack.place(proven);
        return all;
    }

    private static List<PlacedPart> sideKnown(
            List<PlacedPart> parts, PlacementReader.Result table) {
        return !table.sideStated()
                ? List.of()
                : parts.stream()
                        .filter(p -> !table.sideWords().containsKey(p.designator()))
                        .toList();
    }

    /** A way in which a table lies on pads, by which of its pairs of columns. */
    private record Fit(PlacementFit.Result result, Optional<String> columns) {}

    /** The pair of columns that lies on the pads: the first unless another does clearly better. */
    private static Optional<Fit> best(PlacementFit fit, PlacementReader.Result table) {
        Optional<Fit> best = fit(fit, table, table.parts(), Optional.empty());
        for (PlacementReader.Places other : table.otherPlaces()) {
            double least = best.map(f -> f.result.share()).orElse(0.0) + BETTER;
            if (least > 1) {
                return best;
            }
            List<PlacedPart> moved =
                    table.parts().stream()
                            .map(
                                    p ->
                                            p.movedTo(
                                                    other.places()
                                                            .getOrDefault(p.designator(), p.at())))
                            .toList();
            Optional<Fit> found = fit(fit, table, moved, Optional.of(other.headings()));
            if (found.isPresent() && found.get().result.share() >= least) {
                best = found;
            }
        }
        return best;
    }

    private static Optional<Fit> fit(
            PlacementFit fit,
            PlacementReader.Result table,
            List<PlacedPart> parts,
            Optional<String> columns) {
        // Parts of an unknown side are laid by groups; whose side is which stays open.
        List<PlacedPart> grouped = SideWords.guessed(parts, table.sideWords());
        return fit.fit(grouped, table.unitStated(), table.clockwise())
                .map(r -> new Fit(r, columns));
    }

    private static Map<String, Side> netlistSides(Map<String, Reading> readings) {
        Map<String, Set<Optional<Side>>> sides = new HashMap<>();
        for (Reading r : readings.values()) {
            if (r instanceof Reading.Nets n) {
                n.result().netlist().points().stream()
                        .filter(Netlist.Point::isPin)
                        .forEach(
                                p ->
                                        sides.computeIfAbsent(p.component(), k -> new HashSet<>())
                                                .add(p.access()));
            }
        }
        Map<String, Side> one = new HashMap<>();
        sides.forEach(
                (part, all) -> {
                    if (all.size() == 1) {
                        all.iterator().next().ifPresent(s -> one.put(part, s));
                    }
                });
        return one;
    }

    /** Of a table that does not say its sides, each part on the side the netlist has it on. */
    private PlacementReader.Result sided(
            String path, PlacementReader.Result table, Map<String, Side> netlist) {
        if (table.sideStated() || table.parts().isEmpty()) {
            return table;
        }
        List<PlacedPart> told = new ArrayList<>();
        int below = 0;
        for (PlacedPart p : table.parts()) {
            boolean bottom = netlist.get(p.designator()) == Side.BOTTOM;
            below += bottom ? 1 : 0;
            told.add(bottom ? p.on(Side.BOTTOM) : p);
        }
        if (below == 0) {
            return table;
        }
        problems.add(
                new Problem(
                        Problem.Code.FORMAT_GUESSED,
                        path,
                        0,
                        "it says no side; "
                                + below
                                + " parts have all their pads on the bottom by the netlist",
                        "they were taken as on the bottom; compare the parts with the pads"));
        return table.with(told);
    }

    private void take(String path, PlacementReader.Result table, Optional<Fit> fit, boolean named) {
        List<PlacedPart> parts = fit.map(f -> f.result.parts()).orElse(table.parts());
        boolean told = fit.map(f -> f.result.anglesTold()).orElse(false);
        Laid own = new Laid(table, parts, told, Optional.empty());
        if (!table.rotationStated() && !table.parts().isEmpty()) {
            own = own.doubted("no column of it states the rotation of the parts");
        }
        laid.put(path, own);
        fit.flatMap(Fit::columns)
                .ifPresent(
                        columns ->
                                problems.add(
                                        new Problem(
                                                Problem.Code.FORMAT_GUESSED,
                                                path,
                                                0,
                                                "it states several places for each part; those of "
                                                        + columns
                                                        + " lie on the pads",
                                                "these are used")));
        String pads = named ? "their pads" : "pads";
        fit.map(Fit::result)
                .filter(r -> !r.done().isEmpty() || (named && r.share() < PROVEN))
                .ifPresent(
                        r -> {
                            String percent = Math.round(100 * r.share()) + " % of the parts";
                            boolean lost = r.done().isEmpty();
                            problems.add(
                                    new Problem(
                                            lost
                                                    ? Problem.Code.MISREGISTERED
                                                    : Problem.Code.FORMAT_GUESSED,
                                            path,
                                            0,
                                            lost
                                                    ? "only " + percent + " lie on " + pads
                                                    : String.join("; ", r.done())
                                                            + ": "
                                                            + percent
                                                            + " then lie on "
                                                            + pads,
                                            lost
                                                    ? "used as it is; no known export convention"
                                                            + " explains it"
                                                    : "done; compare the parts with the pads"));
                        });
    }

    /** Pads whose part is named: in the netlist, else by the attributes of flashes. */
    private static List<NamedPads.Pad> namedPads(Map<String, Reading> readings) {
        List<NamedPads.Pad> pads = new ArrayList<>();
        List<NamedPads.Pad> flashed = new ArrayList<>();
        for (Reading r : readings.values()) {
            if (r instanceof Reading.Nets n) {
                n.result().netlist().points().stream()
                        .filter(Netlist.Point::isPin)
                        .forEach(p -> pads.add(new NamedPads.Pad(p.component(), p.pin(), p.at())));
            } else if (r instanceof Reading.Gerber g) {
                for (Feature f : g.file().features()) {
                    if (f instanceof Feature.Flash x && !x.attributes().component().isEmpty()) {
                        flashed.add(
                                new NamedPads.Pad(
                                        x.attributes().component(), x.attributes().pin(), x.at()));
                    }
                }
            }
        }
        return pads.isEmpty() ? flashed : pads;
    }

    /**
     * Now that it is known which picture is of which side: the sides of parts whose table does not
     * say them in known words, and how angles count where neither pins nor pads told.
     */
    void settle(PackFacts pack, Map<String, SourceFile> files) {
        SidedLook look = new SidedLook(pack, files.values());
        laid.replaceAll(
                (path, own) -> {
                    boolean used =
                            files.containsKey(path)
                                    && files.get(path).role().equals(Role.PLACEMENT);
                    return used && !own.parts.isEmpty()
                            ? angles(path, sides(path, own, pack, look), look)
                            : own;
                });
    }

    private Laid sides(String path, Laid own, PackFacts pack, SidedLook look) {
        Map<String, String> words = new HashMap<>(own.table.sideWords());
        if (!own.table.sideStated()) {
            own.parts.stream()
                    .filter(p -> p.side() == Side.TOP)
                    .forEach(p -> words.put(p.designator(), ""));
        }
        if (words.isEmpty()) {
            return own;
        }
        SideWords.Result told = SideWords.settle(own.parts, words, look, pack.name(path).side());
        told.done()
                .forEach(
                        text ->
                                problems.add(
                                        new Problem(
                                                Problem.Code.FORMAT_GUESSED,
                                                path,
                                                0,
                                                text,
                                                "compare the sides of the parts with the pads")));
        Laid sided = own.with(told.parts());
        return told.open().map(sided::doubted).orElse(sided);
    }

    private Laid angles(String path, Laid own, SidedLook look) {
        if (own.anglesTold) {
            return own;
        }
        look.among(own.parts);
        // The table's own habit was applied already.
        Optional<AngleHabit> habit = AngleHabit.of(own.parts, look, false);
        if (habit.isEmpty() || habit.get().equals(AngleHabit.USUAL)) {
            return own;
        }
        problems.add(
                new Problem(
                        Problem.Code.FORMAT_GUESSED,
                        path,
                        0,
                        String.join("; ", habit.get().words())
                                + ": pads and silkscreen about parts of one footprint then look"
                                + " alike",
                        "done; compare the parts with the pads"));
        return own.with(habit.get().apply(own.parts));
    }

    /** The parts of a table, as they lie on the board. */
    List<PlacedPart> of(String path) {
        return laid.containsKey(path) ? laid.get(path).parts : List.of();
    }

    /** What must be asked about a table; empty for nothing. */
    Optional<Doubt> doubt(String path) {
        return laid.containsKey(path) ? laid.get(path).doubt : Optional.empty();
    }

    List<Problem> problems() {
        return problems;
    }
}
