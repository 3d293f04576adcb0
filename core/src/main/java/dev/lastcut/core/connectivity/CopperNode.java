package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Polygon;

/**
 * One connected piece of drawn copper.
 *
 * @param id its index among the nodes of the board
 * @param layer index into the board's copper layers, 0 at the top
 * @param net index of the net it belongs to
 */
public record CopperNode(int id, int layer, int net, Piece piece) {
    public Feature feature() {
        return piece.feature();
    }

    /** Whether it is of a filled area; pads that are painted as areas are such too. */
    public boolean isArea() {
        return feature() instanceof Feature.Region;
    }

    public Polygon polygon() {
        return piece.polygon();
    }

    /** A box that holds the polygon. */
    public Envelope envelope() {
        return piece.envelope();
    }
}
