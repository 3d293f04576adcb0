package dev.lastcut.core.milling;

import java.util.List;

/**
 * One visit of the tool to the stock: down at the first vertex, along the others, up after the
 * last.
 */
public record ToolPath(List<Vertex> vertices) {
    public ToolPath {
        vertices = List.copyOf(vertices);
        if (vertices.isEmpty()) {
            throw new IllegalArgumentException("a tool path needs a vertex");
        }
    }

    /**
     * A place of the tool's tip in nm, pack coordinates; z is 0 at the stock's top, down negative.
     */
    public record Vertex(double x, double y, double z) {}

    public Vertex first() {
        return vertices.get(0);
    }

    public Vertex last() {
        return vertices.get(vertices.size() - 1);
    }
}
