package dev.lastcut.core.milling.level;

import java.util.Locale;
import org.locationtech.jts.geom.Envelope;

/**
 * Where the surface of the stock is probed: a grid over the board, in program coordinates, nm.
 *
 * @param columns points in x, at least 2
 * @param rows points in y, at least 2
 */
public record ProbeGrid(double minX, double minY, double maxX, double maxY, int columns, int rows) {
    private static final int MOST = 10_000;

    /** The probe starts and is lifted to this much over the zero plane, nm. */
    public static final double LIFT_NM = 2_000_000;

    /** It goes this far below the zero plane before it gives up, nm. */
    public static final double DEPTH_NM = 2_000_000;

    private static final double PROBE_MM_MIN = 60;

    public ProbeGrid {
        if (!(maxX > minX && maxY > minY)) {
            throw new IllegalArgumentException("the probed area needs a width and a height");
        }
        if (columns < 2 || rows < 2 || columns * rows > MOST) {
            throw new IllegalArgumentException("2 points each way at least, 10,000 in all at most");
        }
    }

    /** Points 5 mm apart, 2 mm in from the edge (common practice, no source). */
    public static ProbeGrid over(Envelope board) {
        double inset = Math.min(2_000_000, Math.min(board.getWidth(), board.getHeight()) / 4);
        return over(board, inset, 5_000_000);
    }

    /** A grid over a board, inset from its edge, with steps of about the wanted size. */
    public static ProbeGrid over(Envelope board, double inset, double step) {
        double w = board.getWidth() - 2 * inset;
        double h = board.getHeight() - 2 * inset;
        int columns = (int) Math.max(2, Math.min(100, Math.round(w / step) + 1));
        int rows = (int) Math.max(2, Math.min(100, Math.round(h / step) + 1));
        return new ProbeGrid(inset, inset, inset + w, inset + h, columns, rows);
    }

    public int count() {
        return columns * rows;
    }

    public double stepX() {
        return (maxX - minX) / (columns - 1);
    }

    public double stepY() {
        return (maxY - minY) / (rows - 1);
    }

    public double x(int column) {
        return minX + column * stepX();
    }

    public double y(int row) {
        return minY + row * stepY();
    }

    /** About how long probing takes, with the surface near the zero plane. */
    public double minutes(double rapidMmPerMin) {
        double down = 0.5 / PROBE_MM_MIN + (LIFT_NM - 500_000) / 1e6 / rapidMmPerMin;
        double up = LIFT_NM / 1e6 / rapidMmPerMin;
        double way = (Math.max(stepX(), stepY()) / 1e6) / rapidMmPerMin;
        return count() * (down + up + way);
    }

    /** The probing program (G38.2), row by row, to and fro. */
    public String program() {
        StringBuilder out = new StringBuilder();
        out.append("(Last Cut, probing: ").append(count()).append(" points)\n");
        out.append("(clip the probe on, spindle off; z zero: top of the stock)\n");
        out.append("G21 G90 G17 G94\n");
        out.append("M5\n");
        out.append("G0 Z").append(mm(LIFT_NM)).append('\n');
        for (int row = 0; row < rows; row++) {
            for (int i = 0; i < columns; i++) {
                int column = row % 2 == 0 ? i : columns - 1 - i;
                out.append("G0 X").append(mm(x(column))).append(" Y").append(mm(y(row)));
                out.append("\nG0 Z").append(mm(500_000));
                out.append("\nG38.2 Z").append(mm(-DEPTH_NM));
                out.append(String.format(Locale.ROOT, " F%.0f%n", PROBE_MM_MIN));
                out.append("G0 Z").append(mm(LIFT_NM)).append('\n');
            }
        }
        return out.append("M2\n").toString().replace("\r", "");
    }

    private static String mm(double nm) {
        return String.format(Locale.ROOT, "%.4f", nm / 1e6);
    }
}
