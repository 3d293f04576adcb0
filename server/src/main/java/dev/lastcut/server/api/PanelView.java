package dev.lastcut.server.api;

import dev.lastcut.server.ticket.PanelJson;
import java.util.List;
import java.util.Map;

/**
 * The panel of a job. Places and rings are panel coordinates in nm, but the outlines, which are in
 * their packs'.
 *
 * @param plan null for single boards
 * @param problem why the panel cannot be made; empty when it can
 * @param outlines of each board by its pack's name, which is empty for the job's own
 * @param edge what stays when channels are routed
 * @param scores each as x and y of both ends
 * @param joins what the shop makes; empty for any
 * @param neighbours names of other jobs, whose boards can go on the panel
 */
record PanelView(
        PanelJson plan,
        String problem,
        double width,
        double height,
        double usedPercent,
        List<PanelBoardView> boards,
        Map<String, List<double[]>> outlines,
        List<double[]> edge,
        List<double[]> rails,
        List<PanelTabView> tabs,
        List<double[]> scores,
        List<CheckController.PlaceView> marks,
        List<CheckController.PlaceView> tooling,
        double biteNm,
        double toolingNm,
        List<String> joins,
        List<String> neighbours,
        List<PanelFitView> fits,
        String currency,
        int ordered) {
    /** Where a board lies: its pack's coordinates, turned, then shifted; and its box. */
    record PanelBoardView(
            int number,
            String pack,
            long x,
            long y,
            double rotationDeg,
            double minX,
            double minY,
            double maxX,
            double maxY) {}

    /** A tab and the holes to break it at. */
    record PanelTabView(List<double[]> shape, List<CheckController.PlaceView> bites) {}

    /** A way to put the board on the shop's panels. */
    record PanelFitView(
            int rows,
            int columns,
            double rotationDeg,
            double widthMm,
            double heightMm,
            int boards,
            double usedPercent,
            int panels,
            int spare,
            double total,
            double each) {}
}
