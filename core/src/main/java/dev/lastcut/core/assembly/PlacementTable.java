package dev.lastcut.core.assembly;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.formats.table.TableWriter;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.value.PartValue;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;

/** The placement of the parts that are to be fitted, in mm and degrees counter-clockwise. */
public final class PlacementTable {
    private static final List<String> HEADER =
            List.of("Designator", "X (mm)", "Y (mm)", "Rotation", "Side", "Value", "Footprint");

    private PlacementTable() {}

    /** The placed parts that are fitted. */
    public static List<Part> fitted(List<Part> parts) {
        return parts.stream().filter(p -> p.fitted() && p.placed().isPresent()).toList();
    }

    public static byte[] csv(List<Part> parts) {
        return TableWriter.csv(HEADER, fitted(parts).stream().map(PlacementTable::row).toList());
    }

    private static List<String> row(Part part) {
        PlacedPart p = part.placed().orElseThrow();
        return List.of(
                part.designator(),
                mm(p.at().x()),
                mm(p.at().y()),
                BigDecimal.valueOf(p.rotationDeg()).stripTrailingZeros().toPlainString(),
                p.side().word(),
                value(part, p),
                p.footprint());
    }

    /** As the placement writes it, unless another value was chosen. */
    private static String value(Part part, PlacedPart p) {
        boolean same = part.meaning().agrees(PartValue.read(p.value(), part.designator()));
        return same && !p.value().isBlank() ? p.value() : part.value();
    }

    private static String mm(long nm) {
        return String.format(Locale.ROOT, "%.4f", Length.toMm(nm));
    }
}
