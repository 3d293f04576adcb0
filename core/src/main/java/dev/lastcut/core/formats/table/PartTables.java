package dev.lastcut.core.formats.table;

import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.work.WorkLimitException;
import java.util.List;
import java.util.Optional;

/** A file of which it is not known whether it is a parts list or a placement. */
public final class PartTables {
    private PartTables() {}

    /**
     * @param placement present when two of its columns are places
     * @param list what it is as a parts list; nothing where it is a placement
     */
    public record Found(Optional<PlacementReader.Result> placement, PartsListReader.Result list) {
        /** The columns of whichever it is. */
        public TableColumns columns() {
            return placement.map(PlacementReader.Result::columns).orElse(list.columns());
        }

        /** The designators of all parts that were read. */
        public List<String> names() {
            return placement.isPresent()
                    ? placement.get().parts().stream().map(PlacedPart::designator).toList()
                    : list.parts().stream().map(ListedPart::designator).toList();
        }
    }

    /**
     * @param chosen what the user said each column holds; empty to find it out
     */
    public static Found read(String file, byte[] content, List<ColumnKind> chosen) {
        List<PartTable> tables = PartTable.find(content, chosen);
        if (tables.stream().anyMatch(PartTable::isCutOff)) {
            throw new WorkLimitException(
                    "It has %,d rows or more; fewer are read of one table.", Table.MOST_ROWS);
        }
        PlacementReader.Result placement = PlacementReader.read(file, tables, content);
        if (placement.looksLikePlacement()) {
            return new Found(
                    Optional.of(placement),
                    new PartsListReader.Result(List.of(), List.of(), false));
        }
        return new Found(Optional.empty(), PartsListReader.read(file, tables, content));
    }
}
