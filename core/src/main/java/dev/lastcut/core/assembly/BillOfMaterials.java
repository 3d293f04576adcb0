package dev.lastcut.core.assembly;

import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.formats.table.Quantities;
import dev.lastcut.core.formats.table.TableWriter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The parts list with identical parts folded into one line. */
public final class BillOfMaterials {
    private static final List<String> HEADER =
            List.of(
                    "Designators",
                    "Quantity",
                    "Value",
                    "Footprint",
                    "Maker",
                    "Part number",
                    "Description",
                    "Fitted");

    private BillOfMaterials() {}

    /** One kind of part. */
    public record Line(ListedPart part, List<String> designators) {
        public int quantity() {
            return designators.size();
        }
    }

    private record Kind(
            String value, String footprint, String maker, String number, boolean fitted) {}

    /** Lines by the designator that comes first in each. */
    public static List<Line> lines(List<ListedPart> parts) {
        Map<Kind, List<ListedPart>> kinds = new LinkedHashMap<>();
        for (ListedPart p : parts) {
            Kind kind =
                    new Kind(
                            Quantities.canonical(p.value()),
                            p.footprint(),
                            p.maker(),
                            p.partNumber(),
                            p.fitted());
            kinds.computeIfAbsent(kind, k -> new ArrayList<>()).add(p);
        }
        List<Line> lines = new ArrayList<>();
        kinds.values()
                .forEach(
                        same ->
                                lines.add(
                                        new Line(
                                                same.get(0),
                                                same.stream()
                                                        .map(ListedPart::designator)
                                                        .distinct()
                                                        .sorted(Designators.ORDER)
                                                        .toList())));
        lines.sort(Comparator.comparing(l -> l.designators().get(0), Designators.ORDER));
        return lines;
    }

    public static byte[] csv(List<ListedPart> parts) {
        List<List<String>> rows = new ArrayList<>();
        for (Line l : lines(parts)) {
            ListedPart p = l.part();
            rows.add(
                    List.of(
                            Designators.fold(l.designators()),
                            String.valueOf(l.quantity()),
                            p.value(),
                            p.footprint(),
                            p.maker(),
                            p.partNumber(),
                            p.description(),
                            p.fitted() ? "yes" : "no"));
        }
        return TableWriter.csv(HEADER, rows);
    }
}
