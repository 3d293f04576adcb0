package dev.lastcut.server.strip;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Connections;
import dev.lastcut.core.board.ListedPart;
import java.util.List;
import java.util.stream.Collectors;

/**
 * A circuit as it is typed.
 *
 * @param connections a net and its pins on each row
 * @param parts designator, value and footprint on each row
 */
public record CircuitView(List<List<String>> connections, List<List<String>> parts) {
    static CircuitView of(Board board) {
        return new CircuitView(
                board.connections().map(Connections::rows).orElse(List.of()).stream()
                        .map(r -> List.of(r.net(), pins(r)))
                        .toList(),
                board.parts().orElse(List.of()).stream().map(CircuitView::row).toList());
    }

    private static String pins(Connections.Row row) {
        return row.pins().stream()
                .map(p -> p.part() + "." + p.pin())
                .collect(Collectors.joining(" "));
    }

    private static List<String> row(ListedPart p) {
        return List.of(p.designator(), p.value(), p.footprint());
    }
}
