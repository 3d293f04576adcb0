package dev.lastcut.core.board;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/**
 * A board as its pack describes it. Coordinates are the pack's own.
 *
 * @param layers pictures, copper from top to bottom first
 * @param outline empty when the pack has no outline file
 * @param parts the parts list, empty when the pack has none
 * @param placements the placement file, empty when the pack has none
 * @param connections the table of connections, empty when the pack has none
 */
public record Board(
        List<SourceFile> files,
        List<Layer> layers,
        Optional<Outline> outline,
        List<Hole> holes,
        Optional<Netlist> netlist,
        Optional<List<ListedPart>> parts,
        Optional<List<PlacedPart>> placements,
        Optional<Connections> connections,
        List<Problem> problems) {
    /** A board of a pack without a table of connections. */
    public Board(
            List<SourceFile> files,
            List<Layer> layers,
            Optional<Outline> outline,
            List<Hole> holes,
            Optional<Netlist> netlist,
            Optional<List<ListedPart>> parts,
            Optional<List<PlacedPart>> placements,
            List<Problem> problems) {
        this(files, layers, outline, holes, netlist, parts, placements, Optional.empty(), problems);
    }

    public Board {
        files = List.copyOf(files);
        layers = List.copyOf(layers);
        holes = List.copyOf(holes);
        parts = parts.map(List::copyOf);
        placements = placements.map(List::copyOf);
        problems = List.copyOf(problems);
    }

    /** The same board with further problems said of its files. */
    public Board withProblems(List<Problem> more) {
        List<Problem> all = new ArrayList<>(problems);
        all.addAll(more);
        return new Board(
                files, layers, outline, holes, netlist, parts, placements, connections, all);
    }

    /** The same with a picture drawn otherwise, or one more; a role has one picture. */
    public Board with(Layer changed) {
        List<Layer> all = new ArrayList<>(layers);
        all.replaceAll(l -> l.role().equals(changed.role()) ? changed : l);
        if (layer(changed.role()).isEmpty()) {
            all.add(changed);
        }
        return new Board(
                files, all, outline, holes, netlist, parts, placements, connections, problems);
    }

    public Board withHoles(List<Hole> changed) {
        return new Board(
                files, layers, outline, changed, netlist, parts, placements, connections, problems);
    }

    public Board withOutline(Outline changed) {
        return new Board(
                files,
                layers,
                Optional.of(changed),
                holes,
                netlist,
                parts,
                placements,
                connections,
                problems);
    }

    /** Whether it has a picture or a hole; a pack for strip board may have neither. */
    public boolean isDrawn() {
        return !layers.isEmpty() || !holes.isEmpty();
    }

    /** Copper layers from top to bottom. */
    public List<Layer> copper() {
        return layers.stream().filter(l -> l.role().isCopper()).toList();
    }

    public Optional<Layer> layer(Role role) {
        return layers.stream().filter(l -> l.role().equals(role)).findFirst();
    }

    public Optional<Layer> layer(Role.Kind kind, Side side) {
        return layer(Role.of(kind, side));
    }

    /** How many parts the tables of the pack name, counting each designator once. */
    public int partCount() {
        TreeSet<String> names = new TreeSet<>();
        parts.ifPresent(list -> list.forEach(p -> names.add(p.designator())));
        placements.ifPresent(list -> list.forEach(p -> names.add(p.designator())));
        return names.size();
    }
}
