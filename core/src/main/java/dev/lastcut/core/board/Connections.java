package dev.lastcut.core.board;

import java.util.List;

/**
 * A table of connections: for each net the pins it joins, without places.
 *
 * @param source the file it stands in
 * @param faults what could not be read, in sentences that name the line
 */
public record Connections(String source, List<Row> rows, List<String> faults) {
    public Connections {
        rows = List.copyOf(rows);
        faults = List.copyOf(faults);
    }

    /** A pin as it is written in the table. */
    public record PartPin(String part, String pin) {}

    /**
     * One net.
     *
     * @param line where it stands in the file, counted from 1
     */
    public record Row(String net, List<PartPin> pins, int line) {
        public Row {
            pins = List.copyOf(pins);
        }
    }
}
