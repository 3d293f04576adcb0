package dev.lastcut.demo;

import dev.lastcut.core.geometry.Pt;
import java.util.List;

/**
 * A part of a demo board at its place.
 *
 * @param rotation in quarter turns counter-clockwise, as seen from the top
 * @param bottom true when it sits on the bottom
 * @param nets of its pads, in pad order; "" for no connection
 */
record Part(
        String designator,
        String value,
        Footprint footprint,
        double x,
        double y,
        int rotation,
        boolean bottom,
        List<String> nets,
        String maker,
        String number,
        String description) {

    /** A place of the footprint's own frame on the board. */
    Pt place(double px, double py) {
        double lx = bottom ? -px : px;
        double rx =
                switch (rotation) {
                    case 1 -> -py;
                    case 2 -> -lx;
                    case 3 -> py;
                    default -> lx;
                };
        double ry =
                switch (rotation) {
                    case 1 -> lx;
                    case 2 -> -py;
                    case 3 -> -lx;
                    default -> py;
                };
        return Pt.mm(x + rx, y + ry);
    }

    boolean turned() {
        return rotation % 2 == 1;
    }
}
