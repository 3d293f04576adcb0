package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Feature;
import org.locationtech.jts.geom.Polygon;

/**
 * One connected piece of drawn copper.
 *
 * @param id its index among the nodes of the board
 * @param layer index into the board's copper layers, 0 at the top
 * @param net index of the net it belongs to
 */
public record CopperNode(int id, int layer, int net, Feature feature, Polygon polygon) {}
