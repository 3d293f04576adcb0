package dev.lastcut.core.quote;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.milling.HandJoint;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.core.milling.ToolPath;
import java.util.ArrayList;
import java.util.List;

/**
 * What a board costs its maker beside money: a mill's time and tools, and joints by hand. Nothing
 * of it at a board house.
 *
 * @param machineMinutes for one board, from feeds and rapids, without tool changes
 * @param toolChanges for one board
 * @param changeMinutes what all of these take
 * @param cutMetres cut for one board
 * @param wear of the tools for one board, in the sheet's currency
 * @param joints wires or rivets that join both sides of one board
 * @param lacks what the board does not get there
 */
public record OwnWork(
        double machineMinutes,
        int toolChanges,
        double changeMinutes,
        double cutMetres,
        double wear,
        int joints,
        List<String> lacks) {
    public static final OwnWork NONE = new OwnWork(0, 0, 0, 0, 0, 0, List.of());

    private static final double NM_PER_METRE = 1e9;

    public OwnWork {
        lacks = List.copyOf(lacks);
    }

    /** The time for one board, minutes. */
    public double minutes() {
        return machineMinutes + changeMinutes;
    }

    /** On a mill; {@link #NONE} elsewhere. */
    public static OwnWork of(BoardGeometry geometry, CapabilitySheet sheet, MillSetup setup) {
        if (sheet.mill().isEmpty()) {
            return NONE;
        }
        Mill mill = sheet.mill().get();
        MillingPlan plan = MillingPlan.of(geometry, mill, setup);
        double minutes = 0;
        double cut = 0;
        int changes = 0;
        int tool = -1;
        for (Operation o : plan.operations()) {
            minutes += o.minutes();
            cut += cut(o);
            changes += o.tool() == tool ? 0 : 1;
            tool = o.tool();
        }
        int joints = sheet.joinsByHand() ? HandJoint.of(geometry).size() : 0;
        List<String> lacks = new ArrayList<>(List.of("solder mask", "silkscreen"));
        if (!sheet.plates()) {
            lacks.add("plated holes");
        }
        return new OwnWork(
                minutes,
                changes,
                changes * mill.controller().toolChangeMinutes(),
                cut / NM_PER_METRE,
                cut / NM_PER_METRE * sheet.price().wearPerMetre(),
                joints,
                lacks);
    }

    /** The length of the paths in the stock, nm. */
    private static double cut(Operation o) {
        double length = 0;
        for (ToolPath path : o.paths()) {
            ToolPath.Vertex before = path.first();
            for (ToolPath.Vertex v : path.vertices()) {
                if (v.z() < 0 && before.z() < 0) {
                    length += Math.hypot(v.x() - before.x(), v.y() - before.y());
                }
                before = v;
            }
        }
        return length;
    }
}
