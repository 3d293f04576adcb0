package dev.lastcut.core.intake.picture;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.board.Shaper;
import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;

/** The dark pixels of a picture, drawn in the file's order: dark sets, clear erases. */
public final class Ink {
    /** So many words of pixels, as a power of two, are about as much work as one step. */
    private static final int WORDS_OF_A_STEP = 10;

    private final Grid grid;
    private final int words;
    private final long[] bits;

    private Ink(Grid grid) {
        this.grid = grid;
        this.words = (grid.width() + 63) / 64;
        this.bits = new long[words * grid.height()];
    }

    /**
     * @param negative true where what is drawn is left out of a dark sheet
     */
    public static Ink of(List<Feature> features, Grid grid, boolean negative) {
        Ink ink = new Ink(grid);
        new Painter(ink, negative).paint(features);
        return ink;
    }

    public Grid grid() {
        return grid;
    }

    /** Whether the pixel at a place is dark; false beside the grid. */
    public boolean at(Pt p) {
        return at(grid.column(p.x()), grid.row(p.y()));
    }

    boolean at(int column, int row) {
        return grid.holds(column, row)
                && (bits[row * words + (column >> 6)] & (1L << (column & 63))) != 0;
    }

    /** How many pixels are dark. */
    public long count() {
        WorkLimit.steps(bits.length >> WORDS_OF_A_STEP);
        long sum = 0;
        for (long w : bits) {
            sum += Long.bitCount(w);
        }
        return sum;
    }

    /** How many pixels are dark here and there. */
    public long shared(Ink other) {
        WorkLimit.steps(bits.length >> WORDS_OF_A_STEP);
        long sum = 0;
        for (int i = 0; i < bits.length; i++) {
            sum += Long.bitCount(bits[i] & other.bits[i]);
        }
        return sum;
    }

    /** Dark pixels of a row from a column to another, both included. */
    public int count(int row, int from, int to) {
        if (row < 0 || row >= grid.height()) {
            return 0;
        }
        int a = Math.max(0, from);
        int b = Math.min(grid.width() - 1, to);
        int sum = 0;
        for (int w = a >> 6; a <= b && w <= b >> 6; w++) {
            sum += Long.bitCount(bits[row * words + w] & mask(w, a, b));
        }
        return sum;
    }

    /** The bits of word {@code w} that lie between two columns. */
    private static long mask(int w, int a, int b) {
        long m = -1L;
        if (w == a >> 6) {
            m &= -1L << (a & 63);
        }
        if (w == b >> 6) {
            m &= -1L >>> (63 - (b & 63));
        }
        return m;
    }

    /** The next dark (or clear) column from one on, or the width where there is none. */
    int next(int row, int from, boolean dark) {
        for (int w = from >> 6; w < words; w++) {
            long word = bits[row * words + w];
            word = dark ? word : ~word;
            if (w == from >> 6) {
                word &= -1L << (from & 63);
            }
            if (word != 0) {
                return Math.min(grid.width(), (w << 6) + Long.numberOfTrailingZeros(word));
            }
        }
        return grid.width();
    }

    private void span(int row, int from, int to, boolean dark) {
        int a = Math.max(0, from);
        int b = Math.min(grid.width() - 1, to);
        for (int w = a >> 6; a <= b && w <= b >> 6; w++) {
            long m = mask(w, a, b);
            bits[row * words + w] = dark ? bits[row * words + w] | m : bits[row * words + w] & ~m;
        }
    }

    /** Fills features into pixels: a pixel is of a shape when its middle is. */
    private static final class Painter {
        private record Turned(Aperture aperture, Orientation orientation) {}

        private final Ink ink;
        private final Grid grid;
        private final boolean negative;
        private final Flattener flattener;
        private final Shaper shaper;
        private final Map<Turned, List<Coordinate[]>> rings = new HashMap<>();

        Painter(Ink ink, boolean negative) {
            this.ink = ink;
            this.grid = ink.grid;
            this.negative = negative;
            this.flattener = new Flattener(grid.pixelNm() / 2);
            this.shaper = new Shaper(flattener);
        }

        void paint(List<Feature> features) {
            if (negative) {
                for (int row = 0; row < grid.height(); row++) {
                    ink.span(row, 0, grid.width() - 1, true);
                }
            }
            for (Feature f : features) {
                WorkLimit.step();
                boolean dark = f.dark() != negative;
                if (f instanceof Feature.Flash x) {
                    flash(x, dark);
                } else if (f instanceof Feature.Stroke s) {
                    stroke(s, dark);
                } else {
                    region((Feature.Region) f, dark);
                }
            }
        }

        private void flash(Feature.Flash f, boolean dark) {
            if (f.aperture() instanceof Aperture.Circle c && c.hole() == 0) {
                disc(f.at(), c.diameter() / 2 * f.orientation().scale(), dark);
                return;
            }
            double dx = f.at().x();
            double dy = f.at().y();
            scan(rings(f.aperture(), f.orientation()), dx, dy, dark);
        }

        private List<Coordinate[]> rings(Aperture a, Orientation o) {
            return rings.computeIfAbsent(
                    new Turned(a, o),
                    k -> {
                        Feature plain =
                                new Feature.Flash(a, Pt.ORIGIN, o, true, 0, ObjectAttributes.NONE);
                        List<Coordinate[]> all = new ArrayList<>();
                        Geometry shape = shaper.shape(plain);
                        for (int i = 0; i < shape.getNumGeometries(); i++) {
                            if (shape.getGeometryN(i) instanceof Polygon p) {
                                all.add(p.getExteriorRing().getCoordinates());
                                for (int k2 = 0; k2 < p.getNumInteriorRing(); k2++) {
                                    all.add(p.getInteriorRingN(k2).getCoordinates());
                                }
                            }
                        }
                        return all;
                    });
        }

        private void stroke(Feature.Stroke s, boolean dark) {
            double r = s.roundWidth() / 2;
            if (r == 0) {
                List<Coordinate[]> all = new ArrayList<>();
                Geometry shape = shaper.shape(s);
                for (int i = 0; i < shape.getNumGeometries(); i++) {
                    if (shape.getGeometryN(i) instanceof Polygon p) {
                        all.add(p.getExteriorRing().getCoordinates());
                    }
                }
                scan(all, 0, 0, dark);
                return;
            }
            // A line thinner than a pixel must not fall between their middles.
            double half = Math.max(r, 0.6 * grid.pixelNm());
            Coordinate[] line = flattener.polyline(List.of(s.path()));
            for (int i = 1; i < line.length; i++) {
                capsule(line[i - 1], line[i], half, dark);
            }
        }

        private void capsule(Coordinate a, Coordinate b, double r, boolean dark) {
            disc(Pt.of(a), r, dark);
            disc(Pt.of(b), r, dark);
            double length = a.distance(b);
            if (length > 0) {
                double nx = -(b.y - a.y) / length * r;
                double ny = (b.x - a.x) / length * r;
                Coordinate[] box = {
                    new Coordinate(a.x + nx, a.y + ny),
                    new Coordinate(b.x + nx, b.y + ny),
                    new Coordinate(b.x - nx, b.y - ny),
                    new Coordinate(a.x - nx, a.y - ny),
                    new Coordinate(a.x + nx, a.y + ny)
                };
                scan(List.<Coordinate[]>of(box), 0, 0, dark);
            }
        }

        private void region(Feature.Region r, boolean dark) {
            for (List<Segment> contour : r.contours()) {
                if (!contour.isEmpty()) {
                    scan(List.<Coordinate[]>of(flattener.polyline(contour)), 0, 0, dark);
                }
            }
        }

        private void disc(Pt at, double r, boolean dark) {
            int from = Math.max(0, firstRow(at.y() - r));
            int to = Math.min(grid.height() - 1, firstRow(at.y() + r) - 1);
            for (int row = from; row <= to; row++) {
                double dy = grid.y0() + (row + 0.5) * grid.pixelNm() - at.y();
                double half = Math.sqrt(Math.max(0, r * r - dy * dy));
                ink.span(row, firstColumn(at.x() - half), firstColumn(at.x() + half) - 1, dark);
            }
        }

        /** The first row whose middle lies at or above a height. */
        private int firstRow(double y) {
            return (int) Math.ceil((y - grid.y0()) / grid.pixelNm() - 0.5);
        }

        private int firstColumn(double x) {
            return (int) Math.ceil((x - grid.x0()) / grid.pixelNm() - 0.5);
        }

        /** Even-odd over all rings, each moved by the same. */
        private void scan(List<Coordinate[]> shape, double dx, double dy, boolean dark) {
            double least = Double.POSITIVE_INFINITY;
            double most = Double.NEGATIVE_INFINITY;
            for (Coordinate[] ring : shape) {
                for (Coordinate c : ring) {
                    least = Math.min(least, c.y + dy);
                    most = Math.max(most, c.y + dy);
                }
            }
            int from = Math.max(0, firstRow(least));
            int to = Math.min(grid.height() - 1, firstRow(most) - 1);
            if (from > to) {
                return;
            }
            Crossings crossings = new Crossings(from, to);
            for (Coordinate[] ring : shape) {
                for (int i = 0; i < ring.length; i++) {
                    edge(ring[i], ring[(i + 1) % ring.length], dx, dy, crossings);
                }
            }
            for (int row = from; row <= to; row++) {
                double[] xs = crossings.sorted(row);
                for (int i = 0; i + 1 < xs.length; i += 2) {
                    ink.span(row, firstColumn(xs[i]), firstColumn(xs[i + 1]) - 1, dark);
                }
            }
        }

        private void edge(Coordinate a, Coordinate b, double dx, double dy, Crossings into) {
            Coordinate low = a.y <= b.y ? a : b;
            Coordinate high = low == a ? b : a;
            int from = Math.max(into.from, firstRow(low.y + dy));
            int to = Math.min(into.to, firstRow(high.y + dy) - 1);
            for (int row = from; row <= to; row++) {
                double y = grid.y0() + (row + 0.5) * grid.pixelNm() - dy;
                double t = (y - low.y) / (high.y - low.y);
                into.add(row, low.x + t * (high.x - low.x) + dx);
            }
        }
    }

    /** Where the edges of one shape cross the middles of rows. */
    private static final class Crossings {
        final int from;
        final int to;
        private final double[][] xs;
        private final int[] counts;

        Crossings(int from, int to) {
            this.from = from;
            this.to = to;
            this.xs = new double[to - from + 1][];
            this.counts = new int[to - from + 1];
        }

        void add(int row, double x) {
            int i = row - from;
            if (xs[i] == null) {
                xs[i] = new double[4];
            } else if (counts[i] == xs[i].length) {
                xs[i] = java.util.Arrays.copyOf(xs[i], 2 * counts[i]);
            }
            xs[i][counts[i]++] = x;
        }

        double[] sorted(int row) {
            int i = row - from;
            if (xs[i] == null) {
                return new double[0];
            }
            double[] all = java.util.Arrays.copyOf(xs[i], counts[i]);
            java.util.Arrays.sort(all);
            return all;
        }
    }
}
