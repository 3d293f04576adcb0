package dev.lastcut.server.report;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PlacedBoard;
import java.util.List;

/**
 * The panel. A board's pack coordinates, turned and then shifted by x, y, are panel coordinates;
 * the panel's lower left corner is 0, 0.
 *
 * @param usedPercent the share of its area that its boards take
 */
record PanelReportJson(
        double widthMm,
        double heightMm,
        String join,
        List<BoardPlaceJson> boards,
        int tabs,
        int scores,
        double usedPercent) {
    /**
     * One board.
     *
     * @param pack another's name; empty for the job's own
     */
    record BoardPlaceJson(int number, String pack, double xMm, double yMm, double rotationDeg) {
        static BoardPlaceJson of(PlacedBoard b) {
            return new BoardPlaceJson(
                    b.number(),
                    b.source().name(),
                    mm(b.shift().x()),
                    mm(b.shift().y()),
                    b.rotationDeg());
        }
    }

    static PanelReportJson of(Panel p) {
        return new PanelReportJson(
                mm(p.widthNm()),
                mm(p.heightNm()),
                p.plan().join().id(),
                p.boards().stream().map(BoardPlaceJson::of).toList(),
                p.tabs().size(),
                p.scores().size(),
                Math.round(p.usedPercent() * 100) / 100.0);
    }

    private static double mm(double nm) {
        return Math.round(Length.toMm(nm) * 1e6) / 1e6;
    }
}
