package dev.lastcut.core.milling.level;

import java.util.Arrays;

/**
 * A surface through heights on a rectangular grid, bilinear between four points; beyond the grid
 * the edge goes on level. Lengths in nm, program coordinates.
 */
public final class HeightMap implements Surface {
    private final ProbeGrid grid;
    private final double[] heights;

    /**
     * @param heights row by row from the lower left
     */
    public HeightMap(ProbeGrid grid, double[] heights) {
        if (heights.length != grid.count()) {
            throw new IllegalArgumentException(
                    "a grid of " + grid.count() + " points needs as many heights");
        }
        this.grid = grid;
        this.heights = heights.clone();
    }

    public ProbeGrid grid() {
        return grid;
    }

    public double at(int column, int row) {
        return heights[row * grid.columns() + column];
    }

    public double lowest() {
        return Arrays.stream(heights).min().orElse(0);
    }

    public double highest() {
        return Arrays.stream(heights).max().orElse(0);
    }

    @Override
    public double heightAt(double x, double y) {
        double u = clamp((x - grid.minX()) / grid.stepX(), grid.columns() - 1);
        double v = clamp((y - grid.minY()) / grid.stepY(), grid.rows() - 1);
        int i = Math.min((int) u, grid.columns() - 2);
        int j = Math.min((int) v, grid.rows() - 2);
        double fu = u - i;
        double fv = v - j;
        double low = at(i, j) * (1 - fu) + at(i + 1, j) * fu;
        double high = at(i, j + 1) * (1 - fu) + at(i + 1, j + 1) * fu;
        return low * (1 - fv) + high * fv;
    }

    private static double clamp(double v, double most) {
        return Math.max(0, Math.min(most, v));
    }
}
