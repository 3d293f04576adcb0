package dev.lastcut.server.ticket;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.assembly.HeightZone;
import dev.lastcut.core.assembly.Heights;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The room above the board, as a ticket has it. */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record HeightsJson(List<ZoneJson> zones, Map<String, Double> unshaded) {
    /** A zone; {@code area} has the corners as x, y in mm, and is left out for the whole board. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    public record ZoneJson(String name, String side, Double atMostMm, List<List<Double>> area) {
        static ZoneJson of(HeightZone z) {
            return new ZoneJson(
                    z.name(),
                    z.side().word(),
                    z.atMostMm(),
                    z.area().stream().map(p -> List.of(p.x() / 1e6, p.y() / 1e6)).toList());
        }

        HeightZone toZone() {
            return new HeightZone(
                    name,
                    side.equals(Side.TOP.word()) ? Side.TOP : Side.BOTTOM,
                    atMostMm,
                    area == null
                            ? List.of()
                            : area.stream().map(p -> Pt.mm(p.get(0), p.get(1))).toList());
        }
    }

    /** Null where nothing is said of the room. */
    static HeightsJson of(Heights h) {
        return h.equals(Heights.NONE)
                ? null
                : new HeightsJson(h.zones().stream().map(ZoneJson::of).toList(), h.unshaded());
    }

    Heights toHeights() {
        return new Heights(
                zones == null ? List.of() : zones.stream().map(ZoneJson::toZone).toList(),
                new TreeMap<>(unshaded == null ? Map.of() : unshaded));
    }
}
