package dev.lastcut.core.intake.picture;

import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;

/**
 * The pixels all pictures of a pack share.
 *
 * @param x0 and {@code y0}: the lower left corner, nm
 * @param pixelNm the side of a pixel
 */
public record Grid(double x0, double y0, double pixelNm, int width, int height) {
    private static final int MOST_PIXELS_A_SIDE = 1800;
    private static final double FINEST_NM = 20_000;
    private static final double MARGIN = 0.08;

    /**
     * A grid about what most of the boxes cover. Each side is where the middle one of all boxes has
     * it, so that a drawing sheet or a file that lies elsewhere does not coarsen the rest.
     */
    public static Grid about(List<Envelope> boxes) {
        Envelope e = usual(boxes);
        double margin = Math.max(500_000, MARGIN * Math.max(e.getWidth(), e.getHeight()));
        e.expandBy(margin);
        double longest = Math.max(e.getWidth(), e.getHeight());
        double pixel = Math.max(FINEST_NM, longest / MOST_PIXELS_A_SIDE);
        return new Grid(
                e.getMinX(),
                e.getMinY(),
                pixel,
                (int) Math.ceil(e.getWidth() / pixel),
                (int) Math.ceil(e.getHeight() / pixel));
    }

    /** The box whose sides are the middle ones of all; a dot at the origin where there is none. */
    public static Envelope usual(List<Envelope> boxes) {
        List<Envelope> some = boxes.stream().filter(b -> !b.isNull()).toList();
        if (some.isEmpty()) {
            return new Envelope(0, 0, 0, 0);
        }
        double x0 = middle(some.stream().map(Envelope::getMinX).toList(), false);
        double y0 = middle(some.stream().map(Envelope::getMinY).toList(), false);
        double x1 = middle(some.stream().map(Envelope::getMaxX).toList(), true);
        double y1 = middle(some.stream().map(Envelope::getMaxY).toList(), true);
        return new Envelope(x0, x1, y0, y1);
    }

    /** Of an even number the outer one of the two in the middle. */
    private static double middle(List<Double> values, boolean upper) {
        List<Double> sorted = new ArrayList<>(values);
        sorted.sort(null);
        int n = sorted.size();
        return sorted.get(upper ? n / 2 : (n - 1) / 2);
    }

    int column(double x) {
        return (int) Math.floor((x - x0) / pixelNm);
    }

    int row(double y) {
        return (int) Math.floor((y - y0) / pixelNm);
    }

    boolean holds(int column, int row) {
        return column >= 0 && row >= 0 && column < width && row < height;
    }

    /** Whether a place lies on the grid. */
    public boolean holds(Pt p) {
        return holds(column(p.x()), row(p.y()));
    }

    /** How many pixels reach over a length, at least one. */
    public int pixels(double nm) {
        return Math.max(1, (int) Math.round(nm / pixelNm));
    }

    Pt middle(double column, double row) {
        return new Pt(
                Math.round(x0 + (column + 0.5) * pixelNm), Math.round(y0 + (row + 0.5) * pixelNm));
    }
}
