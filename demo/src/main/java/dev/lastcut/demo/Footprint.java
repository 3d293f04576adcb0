package dev.lastcut.demo;

import java.util.ArrayList;
import java.util.List;

/**
 * The pads and the silk of a part about its own centre, in mm, as seen from the part's own side.
 *
 * @param bodyW and {@code bodyH}: the space it takes
 */
record Footprint(String name, List<Pad> pads, List<double[]> silk, double bodyW, double bodyH) {
    enum Shape {
        ROUND,
        RECT,
        ROUNDED,
        OVAL
    }

    /**
     * One pad.
     *
     * @param drill hole diameter, 0 for surface mount
     * @param slot how much longer than wide the hole is, along y
     */
    record Pad(
            String name,
            double x,
            double y,
            double w,
            double h,
            Shape shape,
            double drill,
            double slot) {}

    static Footprint chip(String name, double pitch, double w, double h) {
        List<Pad> pads =
                List.of(
                        new Pad("1", -pitch / 2, 0, w, h, Shape.ROUNDED, 0, 0),
                        new Pad("2", pitch / 2, 0, w, h, Shape.ROUNDED, 0, 0));
        double gap = pitch / 2 - w / 2 - 0.2;
        List<double[]> silk = new ArrayList<>();
        if (gap > 0.1) {
            silk.add(new double[] {-gap, h / 2, gap, h / 2});
            silk.add(new double[] {-gap, -h / 2, gap, -h / 2});
        }
        return new Footprint(name, pads, silk, pitch + w + 0.3, h + 0.3);
    }

    /** Two chip pads with a bar at pad 1, the cathode. */
    static Footprint diode(String name, double pitch, double w, double h) {
        Footprint f = chip(name, pitch, w, h);
        double x = -pitch / 2 - w / 2 - 0.25;
        List<double[]> silk = new ArrayList<>(f.silk);
        silk.add(new double[] {x, -h / 2, x, h / 2});
        return new Footprint(name, f.pads, silk, f.bodyW + 0.5, f.bodyH);
    }

    /** Two rows of gull wings: 1 … n/2 down the left, the rest up the right. */
    static Footprint dual(String name, int pins, double pitch, double row, double w, double h) {
        List<Pad> pads = new ArrayList<>();
        int half = pins / 2;
        for (int i = 0; i < pins; i++) {
            boolean left = i < half;
            double y = (left ? (half - 1) / 2.0 - i : i - half - (half - 1) / 2.0) * pitch;
            pads.add(pad(i, left ? -row : row, y, w, h));
        }
        double x = row - w / 2 - 0.25;
        double y = (half - 1) * pitch / 2 + h / 2 + 0.25;
        List<double[]> silk = box(-x, -y, x, y);
        silk.add(new double[] {-x, y - 0.8, -x + 0.8, y});
        return new Footprint(name, pads, silk, 2 * row + w + 0.5, 2 * y + 0.3);
    }

    /** A SOT-23 body with three or five leads. */
    static Footprint sot(String name, boolean five) {
        List<Pad> pads = new ArrayList<>();
        double[] left = five ? new double[] {0.95, 0, -0.95} : new double[] {0.95, -0.95};
        double[] right = five ? new double[] {-0.95, 0.95} : new double[] {0};
        for (double y : left) {
            pads.add(pad(pads.size(), -1.15, y, 1.05, 0.6));
        }
        for (double y : right) {
            pads.add(pad(pads.size(), 1.15, y, 1.05, 0.6));
        }
        List<double[]> silk = new ArrayList<>();
        silk.add(new double[] {-0.35, 1.55, 0.35, 1.55});
        silk.add(new double[] {-0.35, -1.55, 0.35, -1.55});
        silk.add(new double[] {-1.65, 1.5, -1.15, 1.5});
        return new Footprint(name, pads, silk, 3.7, 3.5);
    }

    /** Four sides of gull wings, counter-clockwise from the top of the left side. */
    static Footprint quad(String name, int side, double pitch, double row, double w, double h) {
        List<Pad> pads = new ArrayList<>();
        double first = (side - 1) * pitch / 2;
        for (int i = 0; i < side; i++) {
            pads.add(pad(pads.size(), -row, first - i * pitch, w, h));
        }
        for (int i = 0; i < side; i++) {
            pads.add(pad(pads.size(), -first + i * pitch, -row, h, w));
        }
        for (int i = 0; i < side; i++) {
            pads.add(pad(pads.size(), row, -first + i * pitch, w, h));
        }
        for (int i = 0; i < side; i++) {
            pads.add(pad(pads.size(), first - i * pitch, row, h, w));
        }
        double b = row - w / 2 - 0.3;
        List<double[]> silk = box(-b, -b, b, b);
        silk.add(new double[] {-b, b - 0.9, -b + 0.9, b});
        double size = 2 * row + w + 0.4;
        return new Footprint(name, pads, silk, size, size);
    }

    /** Through-hole pins on a grid of columns and rows; pin 1 is square, at the upper left. */
    static Footprint header(
            String name, int columns, int rows, double pitch, double pad, double drill) {
        List<Pad> pads = new ArrayList<>();
        for (int c = 0; c < columns; c++) {
            for (int r = 0; r < rows; r++) {
                double x = (c - (columns - 1) / 2.0) * pitch;
                double y = ((rows - 1) / 2.0 - r) * pitch;
                Shape shape = pads.isEmpty() ? Shape.RECT : Shape.ROUND;
                pads.add(new Pad(String.valueOf(pads.size() + 1), x, y, pad, pad, shape, drill, 0));
            }
        }
        double w = columns * pitch / 2 + 0.1;
        double h = rows * pitch / 2 + 0.1;
        List<double[]> silk = box(-w, -h, w, h);
        silk.add(new double[] {-w - 0.3, h - 1, -w - 0.3, h});
        return new Footprint(name, pads, silk, 2 * w + 0.6, 2 * h + 0.6);
    }

    /** A leaded part lying flat: two holes {@code span} apart with a body between them. */
    static Footprint axial(String name, double span, double pad, double drill, double body) {
        List<Pad> pads =
                List.of(
                        new Pad("1", -span / 2, 0, pad, pad, Shape.ROUND, drill, 0),
                        new Pad("2", span / 2, 0, pad, pad, Shape.ROUND, drill, 0));
        double b = span / 2 - pad / 2 - 0.6;
        List<double[]> silk = body > 0 ? box(-b, -body / 2, b, body / 2) : new ArrayList<>();
        silk.add(new double[] {-span / 2 + pad / 2 + 0.3, 0, -b, 0});
        silk.add(new double[] {b, 0, span / 2 - pad / 2 - 0.3, 0});
        if (body == 0) {
            silk.add(new double[] {-b, 0, b, 0});
        }
        return new Footprint(name, pads, silk, span + pad, Math.max(pad, body) + 0.3);
    }

    static Footprint of(String name, double w, double h, List<Pad> pads, List<double[]> silk) {
        return new Footprint(name, pads, silk, w, h);
    }

    static List<double[]> box(double x0, double y0, double x1, double y1) {
        List<double[]> lines = new ArrayList<>();
        lines.add(new double[] {x0, y0, x1, y0});
        lines.add(new double[] {x1, y0, x1, y1});
        lines.add(new double[] {x1, y1, x0, y1});
        lines.add(new double[] {x0, y1, x0, y0});
        return lines;
    }

    private static Pad pad(int index, double x, double y, double w, double h) {
        return new Pad(String.valueOf(index + 1), x, y, w, h, Shape.ROUNDED, 0, 0);
    }
}
