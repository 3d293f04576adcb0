package dev.lastcut.core.assembly;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.formats.table.TableWriter;
import dev.lastcut.core.geometry.Length;
import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/** The placement of the parts that are to be fitted, in mm and degrees counter-clockwise. */
public final class PlacementTable {
    private static final List<String> HEADER =
            List.of("Designator", "X (mm)", "Y (mm)", "Rotation", "Side", "Value", "Footprint");

    private PlacementTable() {}

    /** Placed parts by designator, less those the parts list says are not fitted. */
    public static List<PlacedPart> fitted(Board board) {
        Set<String> left =
                board.parts().orElse(List.of()).stream()
                        .filter(p -> !p.fitted())
                        .map(ListedPart::designator)
                        .collect(Collectors.toSet());
        return board.placements().orElse(List.of()).stream()
                .filter(p -> !left.contains(p.designator()))
                .sorted(Comparator.comparing(PlacedPart::designator, Designators.ORDER))
                .toList();
    }

    public static byte[] csv(Board board) {
        return TableWriter.csv(HEADER, fitted(board).stream().map(PlacementTable::row).toList());
    }

    private static List<String> row(PlacedPart p) {
        return List.of(
                p.designator(),
                mm(p.at().x()),
                mm(p.at().y()),
                BigDecimal.valueOf(p.rotationDeg()).stripTrailingZeros().toPlainString(),
                p.side().word(),
                p.value(),
                p.footprint());
    }

    private static String mm(long nm) {
        return String.format(Locale.ROOT, "%.4f", Length.toMm(nm));
    }
}
