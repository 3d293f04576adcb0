package dev.lastcut.core.receiving;

import java.util.Arrays;
import java.util.List;

/**
 * Lays a photograph on a board: from places of the photograph, in its pixels, to places of the
 * board, in mm. Three pairs give an affine map, four or more a perspective one, by least squares
 * over the pairs (direct linear transformation, Hartley and Zisserman, Multiple View Geometry,
 * section 4.1, from memory).
 *
 * @param toBoard the nine numbers of the map, by rows, the last one 1
 * @param worstMm how far the worst pair comes to lie from where it belongs
 */
public record Perspective(List<Double> toBoard, double worstMm) {
    /** Points nearer to one line than this share of their extent say nothing across it. */
    private static final double IN_LINE = 0.02;

    /** A place of the photograph and where it is on the board. */
    public record Pair(double photoX, double photoY, double xMm, double yMm) {}

    public Perspective {
        toBoard = List.copyOf(toBoard);
    }

    /**
     * @throws IllegalArgumentException when the pairs are too few, lie in one line, or one is no
     *     number; the sentence says what to do
     */
    public static Perspective of(List<Pair> pairs) {
        if (pairs.size() < 3) {
            throw new IllegalArgumentException(
                    "Click three places at least, better four: so far "
                            + pairs.size()
                            + (pairs.size() == 1 ? " is" : " are")
                            + " clicked.");
        }
        for (Pair p : pairs) {
            for (double v : new double[] {p.photoX, p.photoY, p.xMm, p.yMm}) {
                if (!Double.isFinite(v) || Math.abs(v) > 1e6) {
                    throw new IllegalArgumentException("A place is no number: " + v + ".");
                }
            }
        }
        // About their middle and of size one, so that the equations are well conditioned.
        Frame photo = Frame.of(pairs.stream().map(p -> new double[] {p.photoX, p.photoY}).toList());
        Frame board = Frame.of(pairs.stream().map(p -> new double[] {p.xMm, p.yMm}).toList());
        if (photo.flat() < IN_LINE || board.flat() < IN_LINE) {
            throw new IllegalArgumentException(
                    "The places lie in one line, which says nothing of what is beside it. Click"
                            + " one that lies away from the others.");
        }
        int unknowns = pairs.size() == 3 ? 6 : 8;
        double[][] a = new double[unknowns][unknowns + 1];
        for (Pair p : pairs) {
            double[] u = photo.in(p.photoX, p.photoY);
            double[] v = board.in(p.xMm, p.yMm);
            double[] across = {u[0], u[1], 1, 0, 0, 0, -u[0] * v[0], -u[1] * v[0]};
            double[] up = {0, 0, 0, u[0], u[1], 1, -u[0] * v[1], -u[1] * v[1]};
            add(a, across, v[0]);
            add(a, up, v[1]);
        }
        double[] h = solved(a);
        double[] full = {
            h[0],
            h[1],
            h[2],
            h[3],
            h[4],
            h[5],
            unknowns == 8 ? h[6] : 0,
            unknowns == 8 ? h[7] : 0,
            1
        };
        double[] map = times(board.out(), times(full, photo.into()));
        double[] unit = new double[9];
        for (int i = 0; i < 9; i++) {
            unit[i] = map[i] / map[8];
        }
        double worst = 0;
        for (Pair p : pairs) {
            double[] at = apply(unit, p.photoX, p.photoY);
            worst = Math.max(worst, Math.hypot(at[0] - p.xMm, at[1] - p.yMm));
        }
        if (!Double.isFinite(worst)) {
            throw new IllegalArgumentException(
                    "These places do not fit one photograph of the board. Click them again.");
        }
        return new Perspective(Arrays.stream(unit).boxed().toList(), worst);
    }

    /** Where a place of the photograph lies on the board, mm. */
    public double[] onBoard(double photoX, double photoY) {
        return apply(toBoard.stream().mapToDouble(Double::doubleValue).toArray(), photoX, photoY);
    }

    private static double[] apply(double[] m, double x, double y) {
        double w = m[6] * x + m[7] * y + m[8];
        return new double[] {(m[0] * x + m[1] * y + m[2]) / w, (m[3] * x + m[4] * y + m[5]) / w};
    }

    /** Adds one equation to the normal equations. */
    private static void add(double[][] a, double[] row, double equals) {
        for (int i = 0; i < a.length; i++) {
            for (int k = 0; k < a.length; k++) {
                a[i][k] += row[i] * row[k];
            }
            a[i][a.length] += row[i] * equals;
        }
    }

    /** Gauss elimination with the largest pivot. */
    private static double[] solved(double[][] a) {
        int n = a.length;
        for (int c = 0; c < n; c++) {
            int best = c;
            for (int r = c + 1; r < n; r++) {
                best = Math.abs(a[r][c]) > Math.abs(a[best][c]) ? r : best;
            }
            double[] swap = a[c];
            a[c] = a[best];
            a[best] = swap;
            if (Math.abs(a[c][c]) < 1e-9) {
                throw new IllegalArgumentException(
                        "Three of the places lie in one line or on each other. Click one that"
                                + " lies away from the others.");
            }
            for (int r = 0; r < n; r++) {
                double f = r == c ? 0 : a[r][c] / a[c][c];
                for (int k = c; k <= n && f != 0; k++) {
                    a[r][k] -= f * a[c][k];
                }
            }
        }
        double[] x = new double[n];
        for (int i = 0; i < n; i++) {
            x[i] = a[i][n] / a[i][i];
        }
        return x;
    }

    private static double[] times(double[] a, double[] b) {
        double[] c = new double[9];
        for (int r = 0; r < 3; r++) {
            for (int k = 0; k < 3; k++) {
                for (int i = 0; i < 3; i++) {
                    c[3 * r + k] += a[3 * r + i] * b[3 * i + k];
                }
            }
        }
        return c;
    }

    /**
     * The middle and size of some points.
     *
     * @param flat the extent across their longest line, as a share of that
     */
    private record Frame(double x, double y, double size, double flat) {
        static Frame of(List<double[]> points) {
            double x = 0;
            double y = 0;
            for (double[] p : points) {
                x += p[0] / points.size();
                y += p[1] / points.size();
            }
            double xx = 0;
            double xy = 0;
            double yy = 0;
            for (double[] p : points) {
                xx += (p[0] - x) * (p[0] - x);
                xy += (p[0] - x) * (p[1] - y);
                yy += (p[1] - y) * (p[1] - y);
            }
            double half = (xx + yy) / 2;
            double root = Math.hypot((xx - yy) / 2, xy);
            double flat =
                    half + root == 0 ? 0 : Math.sqrt(Math.max(0, half - root) / (half + root));
            return new Frame(x, y, Math.max(1e-9, Math.sqrt(2 * half / points.size())), flat);
        }

        double[] in(double px, double py) {
            return new double[] {(px - x) / size, (py - y) / size};
        }

        double[] into() {
            return new double[] {1 / size, 0, -x / size, 0, 1 / size, -y / size, 0, 0, 1};
        }

        double[] out() {
            return new double[] {size, 0, x, 0, size, y, 0, 0, 1};
        }
    }
}
