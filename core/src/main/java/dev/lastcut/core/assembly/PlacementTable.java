package dev.lastcut.core.assembly;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.capability.Assembly.PlacementColumn;
import dev.lastcut.core.capability.Assembly.PlacementForm;
import dev.lastcut.core.capability.Assembly.PlacementHolds;
import dev.lastcut.core.formats.table.TableWriter;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.value.PartValue;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;

/** The placement of the parts that are to be fitted, in mm and degrees counter-clockwise. */
public final class PlacementTable {
    private PlacementTable() {}

    /** The placed parts that are fitted. */
    public static List<Part> fitted(List<Part> parts) {
        return parts.stream().filter(p -> p.fitted() && p.placed().isPresent()).toList();
    }

    /**
     * @param turns what is added to the rotations
     */
    public static byte[] csv(List<Part> parts, PlacementForm form, Turns turns) {
        return TableWriter.csv(
                form.columns().stream().map(PlacementColumn::title).toList(),
                fitted(parts).stream()
                        .map(
                                p ->
                                        form.columns().stream()
                                                .map(c -> cell(p, c.holds(), turns))
                                                .toList())
                        .toList());
    }

    private static String cell(Part part, PlacementHolds holds, Turns turns) {
        PlacedPart p = part.placed().orElseThrow();
        return switch (holds) {
            case DESIGNATOR -> part.designator();
            case X -> mm(p.at().x());
            case Y -> mm(p.at().y());
            case ROTATION -> degrees(turns.rotationDeg(part));
            case SIDE -> p.side().word();
            case VALUE -> value(part, p);
            case FOOTPRINT -> p.footprint();
            case PACKAGE -> PackageName.of(p.footprint());
            case PART_NUMBER -> part.partNumber();
        };
    }

    /** To a ten-thousandth: sums of turns leave crumbs behind. */
    private static String degrees(double deg) {
        return BigDecimal.valueOf(deg)
                .setScale(4, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
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
