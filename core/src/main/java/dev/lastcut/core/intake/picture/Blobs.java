package dev.lastcut.core.intake.picture;

import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.UnionFind;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The pieces of ink that hang together, edge to edge. */
public final class Blobs {
    /** One row's stretch of dark pixels. */
    private record Run(int row, int from, int to) {}

    private final Ink ink;

    /** Runs by row and column: {@code from} and {@code to} are both of the run. */
    private int[] from = new int[1 << 12];

    private int[] to = new int[1 << 12];
    private int count;
    private final int[] firstRun;
    private final int[] blobOfRun;
    private final List<Blob> blobs;

    /**
     * One piece, in pixels of the grid.
     *
     * @param middle the middle of its box
     * @param area how many pixels it has
     */
    public record Blob(
            int number, Pt middle, int area, int left, int bottom, int right, int top, Grid grid) {
        public double widthNm() {
            return (right - left + 1) * grid.pixelNm();
        }

        public double heightNm() {
            return (top - bottom + 1) * grid.pixelNm();
        }

        /** The share of its box that is dark. */
        public double fill() {
            return (double) area / ((double) (right - left + 1) * (top - bottom + 1));
        }
    }

    /** Rows of pixels: a shape that can be laid on any picture of the grid. */
    public static final class Patch {
        private final List<Run> runs;
        private final int area;

        private Patch(List<Run> runs) {
            this.runs = runs;
            this.area = runs.stream().mapToInt(r -> r.to - r.from + 1).sum();
        }

        public int area() {
            return area;
        }

        /** How many of its pixels are dark in a picture. */
        public int dark(Ink ink) {
            int sum = 0;
            for (Run r : runs) {
                sum += ink.count(r.row, r.from, r.to);
            }
            return sum;
        }
    }

    public Blobs(Ink ink) {
        this.ink = ink;
        this.firstRun = new int[ink.grid().height() + 1];
        for (int row = 0; row < ink.grid().height(); row++) {
            WorkLimit.step();
            firstRun[row] = count;
            int at = ink.next(row, 0, true);
            while (at < ink.grid().width()) {
                int end = ink.next(row, at, false);
                add(at, end - 1);
                at = end < ink.grid().width() ? ink.next(row, end, true) : end;
            }
        }
        firstRun[ink.grid().height()] = count;
        this.blobOfRun = new int[count];
        this.blobs = label();
    }

    private void add(int first, int last) {
        if (count == from.length) {
            from = Arrays.copyOf(from, 2 * count);
            to = Arrays.copyOf(to, 2 * count);
        }
        from[count] = first;
        to[count++] = last;
    }

    private List<Blob> label() {
        UnionFind sets = new UnionFind(count);
        for (int row = 1; row < ink.grid().height(); row++) {
            int above = firstRun[row];
            for (int below = firstRun[row - 1]; below < firstRun[row]; below++) {
                while (above < firstRun[row + 1] && to[above] < from[below]) {
                    above++;
                }
                int k = above;
                while (k < firstRun[row + 1] && from[k] <= to[below]) {
                    sets.union(below, k++);
                }
            }
        }
        int[] number = new int[count];
        Arrays.fill(number, -1);
        List<int[]> boxes = new ArrayList<>();
        for (int row = 0; row < ink.grid().height(); row++) {
            for (int i = firstRun[row]; i < firstRun[row + 1]; i++) {
                int root = sets.find(i);
                if (number[root] < 0) {
                    number[root] = boxes.size();
                    boxes.add(new int[] {0, from[i], row, to[i], row});
                }
                int[] box = boxes.get(number[root]);
                box[0] += to[i] - from[i] + 1;
                box[1] = Math.min(box[1], from[i]);
                box[3] = Math.max(box[3], to[i]);
                box[4] = row;
                blobOfRun[i] = number[root];
            }
        }
        List<Blob> all = new ArrayList<>(boxes.size());
        for (int i = 0; i < boxes.size(); i++) {
            int[] b = boxes.get(i);
            Pt middle = ink.grid().middle((b[1] + b[3]) / 2.0, (b[2] + b[4]) / 2.0);
            all.add(new Blob(i, middle, b[0], b[1], b[2], b[3], b[4], ink.grid()));
        }
        return all;
    }

    /** All of them, from the lowest row up. */
    public List<Blob> all() {
        return blobs;
    }

    /** The number of the piece at a place; −1 where it is clear. */
    public int at(Pt p) {
        int row = ink.grid().row(p.y());
        int column = ink.grid().column(p.x());
        if (!ink.at(column, row)) {
            return -1;
        }
        return blobOfRun[lastRunFrom(row, column)];
    }

    /** The last run of a row that begins at or before a column, else the row's first. */
    private int lastRunFrom(int row, int column) {
        int low = firstRun[row];
        int high = firstRun[row + 1] - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (from[middle] <= column) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }

    /** The pixels of a piece. */
    public Patch patch(Blob b) {
        return new Patch(runsOf(b));
    }

    /**
     * The share of its convex hull that is dark: near 1 for pads of every usual shape, far less for
     * letters and lines that turn.
     */
    public double solidity(Blob b) {
        int rows = b.top - b.bottom + 1;
        int[] left = new int[rows + 1];
        int[] right = new int[rows + 1];
        Arrays.fill(left, Integer.MAX_VALUE);
        Arrays.fill(right, Integer.MIN_VALUE);
        // Where the piece begins and ends on each line between rows, and below and above them all.
        for (int row = b.bottom; row <= b.top; row++) {
            for (int i = lastRunFrom(row, b.left);
                    i < firstRun[row + 1] && from[i] <= b.right;
                    i++) {
                if (blobOfRun[i] == b.number) {
                    for (int line = row - b.bottom; line <= row - b.bottom + 1; line++) {
                        left[line] = Math.min(left[line], from[i]);
                        right[line] = Math.max(right[line], to[i] + 1);
                    }
                }
            }
        }
        return b.area / (under(right, 1) - under(left, -1));
    }

    /**
     * The area under the convex chain over places at 0, 1, 2 …; the chain bulges to the larger for
     * a sign of 1, to the smaller for −1.
     */
    private static double under(int[] places, int sign) {
        int[] chain = new int[places.length];
        int n = 0;
        for (int k = 0; k < places.length; k++) {
            while (n > 1 && isInside(places, chain[n - 2], chain[n - 1], k, sign)) {
                n--;
            }
            chain[n++] = k;
        }
        double area = 0;
        for (int i = 1; i < n; i++) {
            int a = chain[i - 1];
            int b = chain[i];
            area += (places[a] + places[b]) / 2.0 * (b - a);
        }
        return area;
    }

    /** Whether the middle one of three places lies on or inside the line of the outer two. */
    private static boolean isInside(int[] places, int a, int middle, int b, int sign) {
        long up = (long) (places[middle] - places[a]) * (b - a);
        long across = (long) (places[b] - places[a]) * (middle - a);
        return sign * (up - across) <= 0;
    }

    private List<Run> runsOf(Blob b) {
        List<Run> own = new ArrayList<>();
        for (int row = b.bottom; row <= b.top; row++) {
            for (int i = lastRunFrom(row, b.left);
                    i < firstRun[row + 1] && from[i] <= b.right;
                    i++) {
                if (blobOfRun[i] == b.number) {
                    own.add(new Run(row, from[i], to[i]));
                }
            }
        }
        return own;
    }

    /** The pixels round a piece, up to so many away from it (square about each), without itself. */
    public Patch rim(Blob b, int pixels) {
        List<Run> own = runsOf(b);
        List<Run> rim = new ArrayList<>();
        int first = 0;
        for (int row = b.bottom - pixels; row <= b.top + pixels; row++) {
            while (first < own.size() && own.get(first).row < row - pixels) {
                first++;
            }
            boolean[] near = new boolean[b.right - b.left + 1 + 2 * pixels];
            for (int i = first; i < own.size() && own.get(i).row <= row + pixels; i++) {
                Run r = own.get(i);
                Arrays.fill(near, r.from - b.left, r.to - b.left + 2 * pixels + 1, true);
            }
            for (int i = first; i < own.size() && own.get(i).row <= row; i++) {
                Run r = own.get(i);
                if (r.row == row) {
                    Arrays.fill(near, r.from - b.left + pixels, r.to - b.left + pixels + 1, false);
                }
            }
            int start = -1;
            for (int k = 0; k <= near.length; k++) {
                boolean on = k < near.length && near[k];
                if (on && start < 0) {
                    start = k;
                } else if (!on && start >= 0) {
                    rim.add(new Run(row, b.left - pixels + start, b.left - pixels + k - 1));
                    start = -1;
                }
            }
        }
        return new Patch(rim);
    }
}
