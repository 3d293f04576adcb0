package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Layer;
import dev.lastcut.core.connectivity.BoardGeometry;

/** About how much memory a board takes with its nets, as it grows with what is drawn on it. */
final class BoardWeight {
    /** Bytes an object takes with its piece, its polygon and its place in the nets (measured). */
    private static final long BYTES = 1_200;

    private static final long AT_LEAST = 1L << 20;

    private BoardWeight() {}

    static long of(BoardGeometry geometry) {
        long objects = geometry.board().holes().size();
        for (Layer layer : geometry.board().layers()) {
            objects += layer.features().size();
        }
        return AT_LEAST + objects * BYTES;
    }

    /** A share of the memory there is, bytes. */
    static long share(double part) {
        return (long) (Runtime.getRuntime().maxMemory() * part);
    }
}
