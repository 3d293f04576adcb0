package dev.lastcut.core.assembly;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.formats.table.Designators;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/** What stands on the board: the pack's tables, and over them what is chosen. */
public final class Population {
    private Population() {}

    /** The variant that is made. */
    public static List<Part> of(Board board, Variants variants) {
        return of(board, variants, variants.built());
    }

    /** Every designator of either table, in order, as a variant has it; empty for the base. */
    public static List<Part> of(Board board, Variants variants, Optional<String> variant) {
        Map<String, ListedPart> listed = new LinkedHashMap<>();
        board.parts().ifPresent(all -> all.forEach(p -> listed.putIfAbsent(p.designator(), p)));
        Map<String, List<PlacedPart>> placed = placed(board);
        TreeSet<String> names = new TreeSet<>(Designators.ORDER);
        names.addAll(listed.keySet());
        names.addAll(placed.keySet());
        List<Part> parts = new ArrayList<>();
        for (String name : names) {
            parts.add(
                    part(
                            name,
                            Optional.ofNullable(listed.get(name)),
                            placed.getOrDefault(name, List.of()),
                            variants.of(variant, name)));
        }
        return parts;
    }

    /** The lines of the placement by designator: more than one for a second footprint. */
    public static Map<String, List<PlacedPart>> placed(Board board) {
        Map<String, List<PlacedPart>> by = new LinkedHashMap<>();
        for (PlacedPart p : board.placements().orElse(List.of())) {
            by.computeIfAbsent(p.designator(), k -> new ArrayList<>()).add(p);
        }
        return by;
    }

    private static Part part(
            String name, Optional<ListedPart> list, List<PlacedPart> places, Fitting chosen) {
        String footprint =
                chosen.footprint()
                        .or(() -> list.map(ListedPart::footprint).filter(f -> !f.isEmpty()))
                        .or(() -> places.stream().map(PlacedPart::footprint).findFirst())
                        .orElse("");
        String value =
                chosen.value()
                        .or(() -> list.map(ListedPart::value).filter(v -> !v.isEmpty()))
                        .or(() -> places.stream().map(PlacedPart::value).findFirst())
                        .orElse("");
        // Another value is another part: the number listed for the first one no longer holds.
        boolean same = chosen.value().isEmpty() || list.isEmpty();
        return new Part(
                name,
                value,
                footprint,
                same && chosen.partNumber().isEmpty() ? list.map(ListedPart::maker).orElse("") : "",
                chosen.partNumber().orElse(same ? list.map(ListedPart::partNumber).orElse("") : ""),
                list.map(ListedPart::description).orElse(""),
                list.isPresent(),
                chosen.fitted().orElse(list.map(ListedPart::fitted).orElse(true)),
                place(footprint, places),
                same && chosen.partNumber().isEmpty()
                        ? list.map(ListedPart::others).orElse(Map.of())
                        : Map.of());
    }

    /** Of several footprints under one designator the one that is meant. */
    private static Optional<PlacedPart> place(String footprint, List<PlacedPart> places) {
        return places.stream()
                .filter(p -> p.footprint().equals(footprint))
                .findFirst()
                .or(() -> places.stream().findFirst());
    }
}
