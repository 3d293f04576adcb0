package dev.lastcut.core.stencil.openings;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.stencil.Panes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.algorithm.MinimumDiameter;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * Divides an opening into a grid of panes along its own sides: as many as keep it open to the
 * wanted share with webs of the least width, the webs then widened until the share is met.
 */
final class PaneGrid {
    private static final double NM_PER_MM = 1e6;

    /** More panes a side are of no use to anybody. */
    private static final int MOST = 40;

    /** Panes narrower than this release no paste from any usual foil (common practice). */
    private static final double LEAST_PANE_NM = 250_000;

    private final Geometry upright;
    private final Envelope box;

    private PaneGrid(Geometry upright) {
        this.upright = upright;
        this.box = upright.getEnvelopeInternal();
    }

    /** Empty when no grid leaves a pane worth cutting. */
    static Optional<Geometry> of(Geometry opening, Panes how) {
        double angle = angle(opening);
        Coordinate c = opening.getEnvelopeInternal().centre();
        Geometry upright =
                angle == 0
                        ? opening
                        : AffineTransformation.rotationInstance(-angle, c.x, c.y)
                                .transform(opening);
        Optional<Geometry> panes = new PaneGrid(upright).divide(how);
        return angle == 0
                ? panes
                : panes.map(
                        g -> AffineTransformation.rotationInstance(angle, c.x, c.y).transform(g));
    }

    /** By how much its sides are turned, within an eighth of a turn to either side. */
    private static double angle(Geometry g) {
        Geometry box = new MinimumDiameter(g).getMinimumRectangle();
        Coordinate[] c = box.getCoordinates();
        // A square's or a circle's sides are as they stand.
        Envelope e = g.getEnvelopeInternal();
        if (c.length < 4 || e.getArea() <= box.getArea() * 1.02) {
            return 0;
        }
        double a = Math.atan2(c[1].y - c[0].y, c[1].x - c[0].x);
        double quarter = Math.PI / 2;
        double rest = a - Math.rint(a / quarter) * quarter;
        return Math.abs(rest) < 1e-3 ? 0 : rest;
    }

    private Optional<Geometry> divide(Panes how) {
        double web = how.webMm() * NM_PER_MM;
        double wanted = how.coverPercent() / 100 * upright.getArea();
        double long0 = Math.max(box.getWidth(), box.getHeight());
        int columns = 1;
        int rows = 1;
        int[] best = null;
        for (int n = 2; n <= MOST; n++) {
            columns = Math.max(1, (int) Math.round(n * box.getWidth() / long0));
            rows = Math.max(1, (int) Math.round(n * box.getHeight() / long0));
            if (tooNarrow(columns, rows, web)) {
                break;
            }
            best = new int[] {columns, rows};
            int[] next = {
                Math.max(1, (int) Math.round((n + 1) * box.getWidth() / long0)),
                Math.max(1, (int) Math.round((n + 1) * box.getHeight() / long0))
            };
            if (tooNarrow(next[0], next[1], web) || open(next[0], next[1], web) < wanted) {
                break;
            }
        }
        if (best == null) {
            return Optional.empty();
        }
        double wide = web;
        if (open(best[0], best[1], web) > wanted) {
            wide = widened(best, web, wanted);
        }
        List<Geometry> panes = new ArrayList<>();
        for (Polygon p : panes(best[0], best[1], wide)) {
            Geometry part = Geo.intersection(upright, p);
            if (!part.isEmpty()) {
                panes.add(part);
            }
        }
        Geometry all = Geo.union(panes);
        return all.isEmpty() ? Optional.empty() : Optional.of(all);
    }

    /** The width of web at which just the wanted area stays open. */
    private double widened(int[] grid, double web, double wanted) {
        double low = web;
        double high =
                Math.min(
                        grid[0] > 1 ? box.getWidth() / (grid[0] - 1) : Double.MAX_VALUE,
                        grid[1] > 1 ? box.getHeight() / (grid[1] - 1) : Double.MAX_VALUE);
        while (high - low > 1) {
            double middle = (low + high) / 2;
            if (open(grid[0], grid[1], middle) > wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return high;
    }

    private boolean tooNarrow(int columns, int rows, double web) {
        return (box.getWidth() - (columns - 1) * web) / columns < LEAST_PANE_NM
                || (box.getHeight() - (rows - 1) * web) / rows < LEAST_PANE_NM;
    }

    private double open(int columns, int rows, double web) {
        double area = 0;
        for (Polygon p : panes(columns, rows, web)) {
            area += upright.intersection(p).getArea();
        }
        return area;
    }

    private List<Polygon> panes(int columns, int rows, double web) {
        double w = (box.getWidth() - (columns - 1) * web) / columns;
        double h = (box.getHeight() - (rows - 1) * web) / rows;
        List<Polygon> all = new ArrayList<>();
        for (int i = 0; i < columns && w > 0 && h > 0; i++) {
            for (int k = 0; k < rows; k++) {
                double x = box.getMinX() + i * (w + web);
                double y = box.getMinY() + k * (h + web);
                all.add(Geo.rectangle(new Envelope(x, x + w, y, y + h)));
            }
        }
        return all;
    }
}
