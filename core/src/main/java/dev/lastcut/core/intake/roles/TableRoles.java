package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Netlists, parts lists and placements. Of several of one kind the largest is taken and the others
 * are asked about; placements that share no part, one for each side, go together.
 */
final class TableRoles {
    private record Table(String path, Role role, String evidence, Set<String> names, int size) {}

    private TableRoles() {}

    static Map<String, SourceFile> propose(PackFacts pack, Map<String, Role> chosen) {
        List<Table> tables = new ArrayList<>();
        pack.readings()
                .forEach(
                        (path, r) -> {
                            if (!chosen.containsKey(path)) {
                                add(path, r, tables);
                            }
                        });
        tables.sort(
                Comparator.comparingInt((Table t) -> -rank(pack, t))
                        .thenComparingInt(t -> -t.size)
                        .thenComparing(t -> t.path));
        Map<String, SourceFile> result = new LinkedHashMap<>();
        for (Table t : tables) {
            result.put(t.path, propose(t, tables, result, chosen));
        }
        return result;
    }

    /** Those whose name says what they are come first. */
    private static int rank(PackFacts pack, Table t) {
        return pack.name(t.path).table().filter(k -> k == t.role.kind()).isPresent() ? 1 : 0;
    }

    private static void add(String path, Reading r, List<Table> into) {
        if (r instanceof Reading.Nets n) {
            var list = n.result().netlist();
            String evidence =
                    list.points().size() + " test records naming " + list.netCount() + " nets";
            into.add(new Table(path, Role.NETLIST, evidence, Set.of(), list.points().size()));
        } else if (r instanceof Reading.Connected c) {
            var rows = c.result().connections().rows();
            String evidence = "a table of connections, " + rows.size() + " nets";
            into.add(new Table(path, Role.CONNECTIONS, evidence, Set.of(), rows.size()));
        } else if (r instanceof Reading.Parts p) {
            Set<String> names = new HashSet<>();
            p.result().parts().forEach(x -> names.add(x.designator()));
            String evidence = "a table with a designator column, " + names.size() + " parts";
            into.add(new Table(path, Role.PARTS_LIST, evidence, names, names.size()));
        } else if (r instanceof Reading.Placements p) {
            placement(path, p.result().parts(), "a table with designator, x and y columns, ", into);
        } else if (r instanceof Reading.Gerber g && !g.file().components().isEmpty()) {
            placement(path, g.file().components(), "a component layer that places ", into);
        }
    }

    private static void placement(
            String path, List<PlacedPart> parts, String what, List<Table> into) {
        Set<String> names = new HashSet<>();
        parts.forEach(x -> names.add(x.designator()));
        String evidence = what + parts.size() + " parts";
        into.add(new Table(path, Role.PLACEMENT, evidence, names, parts.size()));
    }

    private static SourceFile propose(
            Table t, List<Table> all, Map<String, SourceFile> settled, Map<String, Role> chosen) {
        SourceFile f = new SourceFile(t.path, t.role, t.evidence, 0.97, false);
        if (t.size == 0) {
            return f.withRole(t.role, t.evidence + "; it is empty", 0.6, false);
        }
        for (Map.Entry<String, Role> c : chosen.entrySet()) {
            if (c.getValue().equals(t.role) && t.role.isSingle()) {
                return shared(f, c.getKey());
            }
        }
        for (Table other : all) {
            SourceFile had = settled.get(other.path);
            boolean clash = had != null && had.doubt().isEmpty() && had.role().equals(t.role);
            boolean together =
                    t.role.equals(Role.PLACEMENT)
                            && t.names.stream().noneMatch(other.names::contains);
            if (clash && !together) {
                return shared(f, other.path);
            }
        }
        return f;
    }

    private static SourceFile shared(SourceFile f, String other) {
        return f.withRole(Role.UNKNOWN, f.evidence(), 0.3, false)
                .doubted(
                        new Doubt(
                                Doubt.Kind.SHARED,
                                "it looks like "
                                        + f.role().words()
                                        + ", but "
                                        + other
                                        + " is that already"));
    }
}
