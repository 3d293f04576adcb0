package dev.lastcut.core.intake;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.formats.table.ColumnKind;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What the user decided about the files of a pack, each by path; it wins over every proposal.
 *
 * @param formats how the digits of a drill file are to be read
 * @param unitsNm the unit of a drawing or placement, in nm
 * @param columns what each column of a table holds, from the left
 * @param toolSizes of a drill file, tool number → diameter in nm, for tools whose size no file
 *     states
 */
public record Choices(
        Map<String, Role> roles,
        Map<String, Correction> corrections,
        Map<String, DrillFormat> formats,
        Map<String, Double> unitsNm,
        Map<String, List<ColumnKind>> columns,
        Map<String, Map<Integer, Long>> toolSizes) {
    public static final Choices NONE = roles(Map.of());

    /** Choices that say nothing of the columns of tables and the sizes of tools. */
    public Choices(
            Map<String, Role> roles,
            Map<String, Correction> corrections,
            Map<String, DrillFormat> formats,
            Map<String, Double> unitsNm) {
        this(roles, corrections, formats, unitsNm, Map.of(), Map.of());
    }

    public Choices {
        roles = Collections.unmodifiableMap(new TreeMap<>(roles));
        corrections = Collections.unmodifiableMap(new TreeMap<>(corrections));
        formats = Collections.unmodifiableMap(new TreeMap<>(formats));
        unitsNm = Collections.unmodifiableMap(new TreeMap<>(unitsNm));
        columns = Collections.unmodifiableMap(new TreeMap<>(columns));
        toolSizes = Collections.unmodifiableMap(new TreeMap<>(toolSizes));
    }

    public static Choices roles(Map<String, Role> roles) {
        return new Choices(roles, Map.of(), Map.of(), Map.of());
    }

    /** Every file that something was decided about. */
    public SortedSet<String> paths() {
        SortedSet<String> all = new TreeSet<>(roles.keySet());
        all.addAll(corrections.keySet());
        all.addAll(formats.keySet());
        all.addAll(unitsNm.keySet());
        all.addAll(columns.keySet());
        all.addAll(toolSizes.keySet());
        return all;
    }

    /** The same with a file's role told, or, when empty, left to be proposed. */
    public Choices withRole(String path, Optional<Role> role) {
        return new Choices(
                with(roles, path, role), corrections, formats, unitsNm, columns, toolSizes);
    }

    /** The same with a file's content moved, or, when empty, where it was. */
    public Choices withCorrection(String path, Optional<Correction> correction) {
        return new Choices(
                roles, with(corrections, path, correction), formats, unitsNm, columns, toolSizes);
    }

    /**
     * The same with what was decided of each file told of another: of the path that is given for
     * its own. What is given none is left out.
     */
    public Choices renamed(Map<String, String> paths) {
        return new Choices(
                renamed(roles, paths),
                renamed(corrections, paths),
                renamed(formats, paths),
                renamed(unitsNm, paths),
                renamed(columns, paths),
                renamed(toolSizes, paths));
    }

    private static <T> Map<String, T> with(Map<String, T> all, String path, Optional<T> value) {
        Map<String, T> next = new HashMap<>(all);
        next.remove(path);
        value.ifPresent(v -> next.put(path, v));
        return next;
    }

    private static <T> Map<String, T> renamed(Map<String, T> all, Map<String, String> paths) {
        Map<String, T> next = new HashMap<>();
        all.forEach(
                (path, value) -> {
                    if (paths.containsKey(path)) {
                        next.put(paths.get(path), value);
                    }
                });
        return next;
    }
}
