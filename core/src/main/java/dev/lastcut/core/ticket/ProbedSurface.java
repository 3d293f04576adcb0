package dev.lastcut.core.ticket;

import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.milling.level.ProbeGrid;
import dev.lastcut.core.milling.level.ProbeTable;
import java.util.Optional;

/**
 * The surface of the stock as it was probed.
 *
 * @param grid where it was probed, in program coordinates, nm
 * @param points what was measured, as text: x, y and z in mm on each line
 */
public record ProbedSurface(ProbeGrid grid, String points) {
    /** Read anew, so that its problems are told again. */
    public ProbeTable.Reading reading() {
        return ProbeTable.read(points, grid);
    }

    /** The surface; empty where the points make none. */
    public Optional<HeightMap> map() {
        return Optional.of(reading()).filter(ProbeTable.Reading::isUsable).map(r -> r.map());
    }
}
