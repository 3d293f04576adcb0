package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.milling.level.HeightMap;
import dev.lastcut.core.milling.level.ProbeGrid;
import dev.lastcut.core.milling.level.ProbeTable;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.store.MillStore;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** The probed surfaces of a job's stock, by the side they were probed on. */
@Service
public class Surfaces {
    private final MillStore store;

    Surfaces(MillStore store) {
        this.store = store;
    }

    /** A grid and its measured points, as stored. */
    record Kept(ProbeGrid grid, String points) {}

    public Map<Side, HeightMap> of(long job) {
        Map<Side, HeightMap> maps = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            kept(job, side)
                    .map(k -> ProbeTable.read(k.points, k.grid))
                    .filter(ProbeTable.Reading::isUsable)
                    .ifPresent(r -> maps.put(side, r.map()));
        }
        return maps;
    }

    /** What was measured on a side, read anew so that its problems are told again. */
    public Optional<ProbeTable.Reading> reading(long job, Side side) {
        return kept(job, side).map(k -> ProbeTable.read(k.points, k.grid));
    }

    private Optional<Kept> kept(long job, Side side) {
        return store.heights(job, side.word()).map(j -> Json.MAPPER.readValue(j, Kept.class));
    }

    /** Changes when what was measured changes. */
    String stamp(long job) {
        StringBuilder all = new StringBuilder();
        for (Side side : Side.values()) {
            all.append(store.heights(job, side.word()).orElse("")).append('|');
        }
        return all.toString();
    }

    /**
     * Keeps measured points.
     *
     * @throws RefusedException when they make no surface; nothing is changed then
     */
    public ProbeTable.Reading keep(long job, Side side, ProbeGrid grid, String points) {
        ProbeTable.Reading reading = ProbeTable.read(points, grid);
        if (!reading.isUsable()) {
            throw new RefusedException(String.join(" ", reading.problems()));
        }
        String json = Json.MAPPER.writeValueAsString(new Kept(grid, points));
        store.putHeights(job, side.word(), json);
        return reading;
    }

    public void forget(long job, Side side) {
        store.deleteHeights(job, side.word());
    }
}
