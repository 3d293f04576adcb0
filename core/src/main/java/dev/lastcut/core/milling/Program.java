package dev.lastcut.core.milling;

import dev.lastcut.core.board.Side;
import java.util.List;

/**
 * A file for the mill: one operation, or all of a side with pauses to change tools.
 *
 * @param file its name within the milling folder, numbered in the order of use
 */
public record Program(String file, Side side, List<Operation> operations) {
    public Program {
        operations = List.copyOf(operations);
    }

    public double minutes() {
        return operations.stream().mapToDouble(Operation::minutes).sum();
    }
}
