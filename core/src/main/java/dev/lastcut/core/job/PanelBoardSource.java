package dev.lastcut.core.job;

import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.intake.UnusablePackException;
import java.util.OptionalDouble;

/** Where the boards of other packs come from that go on the same panel. */
public interface PanelBoardSource {
    /** There are none. */
    PanelBoardSource NONE =
            pack -> {
                throw new UnusablePackException("there is no pack " + pack);
            };

    /**
     * Another board.
     *
     * @param thicknessMm where it is said how thick it is to be
     */
    record Other(BoardGeometry geometry, OptionalDouble thicknessMm) {}

    /**
     * @param pack its name as the ticket has it
     * @throws UnusablePackException when there is none such, or it cannot be read
     */
    Other find(String pack) throws UnusablePackException;
}
