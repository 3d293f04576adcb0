package dev.lastcut.core.check;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.Optional;

/** What a rule works on: the board's geometry, the shop's sheet, the maker's headroom. */
public record CheckContext(BoardGeometry geometry, CapabilitySheet sheet, Headroom headroom) {
    Board board() {
        return geometry.board();
    }

    /** A sheet's number with and without headroom, both in nm. */
    record Bounds(double sheetNm, double withHeadroomNm) {
        /**
         * Flattened curves are true to half the chord error on either side, so a distance between
         * two of them may come out this much short. A board drawn exactly to the limit is within
         * it.
         */
        private static final double SLACK_NM = 550;

        /** What a least distance between flattened shapes must reach. */
        double reachNm() {
            return withHeadroomNm - SLACK_NM;
        }

        /** Stop below the sheet's own number; one step lower within the headroom. */
        Severity severity(double measuredNm, Severity base) {
            boolean beyondSheet =
                    withHeadroomNm >= sheetNm
                            ? measuredNm < sheetNm - SLACK_NM
                            : measuredNm > sheetNm;
            return beyondSheet ? base : base.lower();
        }
    }

    Optional<Bounds> bounds(LimitKey key) {
        return sheet.limit(key).map(Limit::nm).map(nm -> new Bounds(nm, headroom.apply(key, nm)));
    }

    Outcome noLimit(LimitKey key) {
        return Outcome.notRun(
                "the sheet of " + sheet.name() + " states no number for: " + key.title());
    }

    String netName(int net) {
        return geometry.netName(net);
    }

    /** The role id of a copper layer by its index from the top. */
    String copperId(int layer) {
        return board().copper().get(layer).role().id();
    }
}
