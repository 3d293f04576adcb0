package dev.lastcut.core.formats.table;

import java.util.List;

/** The columns of a table with what each was taken for, to be shown and put right. */
public record TableColumns(List<Column> columns) {
    /** How many rows are shown of a table. */
    static final int SHOWN = 5;

    public static final TableColumns NONE = new TableColumns(List.of());

    public TableColumns {
        columns = List.copyOf(columns);
    }

    /**
     * @param heading as it stands in the file; empty where there is none
     * @param cells those of the first rows
     */
    public record Column(String heading, ColumnKind kind, List<String> cells) {
        public Column {
            cells = List.copyOf(cells);
        }
    }
}
