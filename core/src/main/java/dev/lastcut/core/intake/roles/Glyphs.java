package dev.lastcut.core.intake.roles;

import java.util.ArrayList;
import java.util.List;

/**
 * Capital letters and digits as lines on a grid of 4 by 6, and how like one of them a shape is. For
 * telling which way round lettering stands, not for reading it.
 */
final class Glyphs {
    static final int WIDTH = 12;
    static final int HEIGHT = 16;

    /** Lines, each a run of corners "xy"; a space parts lines. */
    private static final String[] LINES = {
        "002640 1232", // A
        "0006364544330300 3342413000 0333", // B
        "4536160501103041", // C
        "00063645413000", // D
        "40000646 0333", // E
        "000646 0333", // F
        "453616050110304143 4323", // G
        "0006 4046 0343", // H
        "464130100102", // J
        "0006 4603 0340", // K
        "060040", // L
        "0006234640", // M
        "00064046", // N
        "103041453616050110", // O
        "00063645443303", // P
        "103041453616050110 2240", // Q
        "00063645443303 2340", // R
        "453616050413334241301001", // S
        "0646 2620", // T
        "060110304146", // U
        "062046", // V
        "0610233046", // W
        "0046 0640", // X
        "062346 2320", // Y
        "06460040", // Z
        "05163645440040", // 2
        "05163645443313 334241301001", // 3
        "3036 360242", // 4
        "460603334241301001", // 5
        "453616050110304142331302", // 6
        "064610", // 7
        "103041423313020110 1304051636454433", // 8
        "011030414536160504133344", // 9
    };

    private static final List<double[]> SHAPES = shapes();

    private Glyphs() {}

    private static List<double[]> shapes() {
        List<double[]> all = new ArrayList<>();
        for (String lines : LINES) {
            all.add(normal(drawn(lines)));
        }
        return all;
    }

    private static double[] drawn(String lines) {
        double[] cells = new double[WIDTH * HEIGHT];
        for (String line : lines.split(" ")) {
            for (int i = 0; i + 3 < line.length(); i += 2) {
                stroke(
                        cells,
                        line.charAt(i) - '0',
                        line.charAt(i + 1) - '0',
                        line.charAt(i + 2) - '0',
                        line.charAt(i + 3) - '0');
            }
        }
        return cells;
    }

    private static void stroke(double[] cells, int x0, int y0, int x1, int y1) {
        for (int i = 0; i <= 40; i++) {
            double x = (x0 + (x1 - x0) * i / 40.0) / 4 * (WIDTH - 2) + 1;
            double y = (y0 + (y1 - y0) * i / 40.0) / 6 * (HEIGHT - 2) + 1;
            for (int column = 0; column < WIDTH; column++) {
                for (int row = 0; row < HEIGHT; row++) {
                    double d = Math.hypot(column + 0.5 - x, row + 0.5 - y);
                    int at = row * WIDTH + column;
                    cells[at] = Math.max(cells[at], Math.max(0, Math.min(1, 1.6 - d)));
                }
            }
        }
    }

    /** The likeness of a shape to the likest glyph in any quarter turn, −1 to 1. */
    static double likeness(double[] shape) {
        double best = -1;
        double[] turned = shape;
        for (int turn = 0; turn < 4; turn++) {
            double[] n = normal(turned);
            for (double[] glyph : SHAPES) {
                double sum = 0;
                for (int i = 0; i < n.length; i++) {
                    sum += n[i] * glyph[i];
                }
                best = Math.max(best, sum);
            }
            turned = quarter(turned);
        }
        return best;
    }

    static double[] mirrored(double[] shape) {
        double[] m = new double[shape.length];
        for (int row = 0; row < HEIGHT; row++) {
            for (int column = 0; column < WIDTH; column++) {
                m[row * WIDTH + column] = shape[row * WIDTH + WIDTH - 1 - column];
            }
        }
        return m;
    }

    /** Turned by a quarter, stretched to the same box again. */
    private static double[] quarter(double[] shape) {
        double[] q = new double[shape.length];
        for (int row = 0; row < HEIGHT; row++) {
            for (int column = 0; column < WIDTH; column++) {
                int fromColumn = Math.min(WIDTH - 1, (int) ((row + 0.5) / HEIGHT * WIDTH));
                int fromRow = HEIGHT - 1 - (int) ((column + 0.5) / WIDTH * HEIGHT);
                q[row * WIDTH + column] = shape[Math.max(0, fromRow) * WIDTH + fromColumn];
            }
        }
        return q;
    }

    /** Blurred a little, without its mean, of length one: so that a product is a correlation. */
    private static double[] normal(double[] cells) {
        double[] n = new double[cells.length];
        double mean = 0;
        for (int row = 0; row < HEIGHT; row++) {
            for (int column = 0; column < WIDTH; column++) {
                double sum = 0;
                int count = 0;
                for (int r = Math.max(0, row - 1); r <= Math.min(HEIGHT - 1, row + 1); r++) {
                    for (int c = Math.max(0, column - 1);
                            c <= Math.min(WIDTH - 1, column + 1);
                            c++) {
                        sum += cells[r * WIDTH + c];
                        count++;
                    }
                }
                n[row * WIDTH + column] = sum / count;
                mean += sum / count / n.length;
            }
        }
        double length = 0;
        for (int i = 0; i < n.length; i++) {
            n[i] -= mean;
            length += n[i] * n[i];
        }
        double by = length == 0 ? 0 : 1 / Math.sqrt(length);
        for (int i = 0; i < n.length; i++) {
            n[i] *= by;
        }
        return n;
    }
}
