package dev.lastcut.core.intake;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.formats.table.PlacementReader;
import dev.lastcut.core.intake.reading.Reading;
import dev.lastcut.core.intake.roles.PackFacts;
import dev.lastcut.core.intake.tables.NamedPads;
import dev.lastcut.core.intake.tables.OpenPads;
import dev.lastcut.core.intake.tables.PlacementFit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Every placement table of a pack, laid on the pads before anybody knows which file is what. */
final class Placements {
    /** With less than this share on pads of their own, the places of parts prove nothing. */
    private static final double PROVEN = 0.5;

    private final Map<String, List<PlacedPart>> parts = new HashMap<>();
    private final List<Problem> problems = new ArrayList<>();

    private Placements() {}

    static Placements lay(Map<String, Reading> readings, PackFacts pack) {
        Placements all = new Placements();
        List<PlacedPart> proven = new ArrayList<>();
        List<NamedPads.Pad> named = new ArrayList<>();
        OpenPads open = null;
        for (Map.Entry<String, Reading> e : readings.entrySet()) {
            if (e.getValue() instanceof Reading.Placements p) {
                named = named.isEmpty() ? namedPads(readings) : named;
                PlacementReader.Result table = all.sided(e.getKey(), p.result(), readings);
                Optional<PlacementFit.Result> onNamed =
                        new PlacementFit(new NamedPads(named))
                                .fit(table.parts(), table.unitStated());
                Optional<PlacementFit.Result> fit = onNamed;
                if (onNamed.isEmpty()) {
                    open = open == null ? pack.openPads() : open;
                    fit = new PlacementFit(open).fit(table.parts(), table.unitStated());
                }
                all.take(e.getKey(), table, fit, onNamed.isPresent());
                fit.filter(r -> r.share() >= PROVEN).ifPresent(r -> proven.addAll(r.parts()));
            } else if (e.getValue() instanceof Reading.Gerber g) {
                proven.addAll(g.file().components());
            }
        }
        pack.place(proven);
        return all;
    }

    /** Of a table that says no side, each part on the side its pads can be reached from. */
    private PlacementReader.Result sided(
            String path, PlacementReader.Result table, Map<String, Reading> readings) {
        if (table.sideStated() || table.parts().isEmpty()) {
            return table;
        }
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
        List<PlacedPart> told = new ArrayList<>();
        int below = 0;
        for (PlacedPart p : table.parts()) {
            boolean bottom =
                    sides.getOrDefault(p.designator(), Set.of())
                            .equals(Set.of(Optional.of(Side.BOTTOM)));
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
        return new PlacementReader.Result(
                told,
                table.problems(),
                table.looksLikePlacement(),
                table.unitStated(),
                table.sideStated());
    }

    private void take(
            String path,
            PlacementReader.Result table,
            Optional<PlacementFit.Result> fit,
            boolean named) {
        parts.put(path, fit.map(PlacementFit.Result::parts).orElse(table.parts()));
        String pads = named ? "their pads" : "pads";
        fit.filter(r -> !r.done().isEmpty() || (named && r.share() < PROVEN))
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
                                                    ? "used as it is; no habit we know explains it"
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

    /** The parts of a table, as they lie on the board. */
    List<PlacedPart> of(String path) {
        return parts.getOrDefault(path, List.of());
    }

    List<Problem> problems() {
        return problems;
    }
}
