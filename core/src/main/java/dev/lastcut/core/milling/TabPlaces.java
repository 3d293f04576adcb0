package dev.lastcut.core.milling;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.linearref.LengthIndexedLine;

/** Where along a contour the tabs stand: evenly, but away from connectors and off the corners. */
final class TabPlaces {
    /** Room a plug wants beside a connector's pins (common practice, no source). */
    private static final double CONNECTOR_NM = 6_000_000;

    private static final int TRIES = 48;

    /** A tab's ends are this share of its length apart, or it goes round a corner. */
    private static final double STRAIGHT = 0.999;

    private TabPlaces() {}

    /**
     * Middles of the tabs as lengths along the ring, rising.
     *
     * @param span length of path for one tab
     * @param away places to keep tabs away from
     */
    static List<Double> along(LineString ring, int tabs, double span, List<Coordinate> away) {
        List<Double> middles = new ArrayList<>();
        LengthIndexedLine line = new LengthIndexedLine(ring);
        double length = ring.getLength();
        double share = length / Math.max(1, tabs);
        for (int t = 0; t < tabs; t++) {
            double even = share * (t + 0.5);
            double room = Math.max(0, share - span) / 2;
            double best = even;
            double least = Double.MAX_VALUE;
            for (int i = -TRIES; i <= TRIES; i++) {
                double at = even + room * i / TRIES;
                double cost = cost(line, at, span, length, away) + Math.abs(i) / (10.0 * TRIES);
                if (cost < least) {
                    least = cost;
                    best = at;
                }
            }
            middles.add(best);
        }
        return middles;
    }

    private static double cost(
            LengthIndexedLine line, double at, double span, double length, List<Coordinate> away) {
        Coordinate here = line.extractPoint(at);
        double cost = 0;
        for (Coordinate c : away) {
            double near = c.distance(here) - span / 2;
            if (near < CONNECTOR_NM) {
                cost = Math.max(cost, 1 + (CONNECTOR_NM - near) / CONNECTOR_NM);
            }
        }
        Coordinate from = line.extractPoint(Math.max(0, at - span / 2));
        Coordinate to = line.extractPoint(Math.min(length, at + span / 2));
        // A tab round a corner is hard to break off.
        return cost + (from.distance(to) < STRAIGHT * Math.min(span, length) ? 0.5 : 0);
    }
}
