package dev.lastcut.core.milling.level;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * Reads measured points back: a text table with x, y and z in mm on each line, separated by blanks,
 * commas or semicolons. Points are put to the grid they were probed on; what is missing is filled
 * from its neighbours, what stands out is said.
 */
public final class ProbeTable {
    /** A point belongs to a place of the grid when it is this near, as a share of the step. */
    private static final double NEAR = 0.25;

    /** A point is wild when it is this far from the plane of its neighbours, nm. */
    private static final double WILD_NM = 150_000;

    private static final int MOST_LINES = 100_000;

    private ProbeTable() {}

    /**
     * @param map the surface; null when there are too few points for one
     * @param problems sentences about lines that cannot be read, and points missing or wild
     * @param missing places of the grid without a point: x, y in nm
     * @param wild points that stand out: x, y, z in nm
     */
    public record Reading(
            HeightMap map, List<String> problems, List<double[]> missing, List<double[]> wild) {
        public boolean isUsable() {
            return map != null;
        }
    }

    public static Reading read(String text, ProbeGrid grid) {
        List<String> problems = new ArrayList<>();
        double[] heights = new double[grid.count()];
        Arrays.fill(heights, Double.NaN);
        String[] lines = text.split("\\R", MOST_LINES + 1);
        for (int i = 0; i < Math.min(lines.length, MOST_LINES); i++) {
            take(lines[i].strip(), i + 1, grid, heights, problems);
        }
        return settle(grid, heights, problems);
    }

    private static void take(
            String line, int number, ProbeGrid grid, double[] heights, List<String> problems) {
        if (line.isEmpty() || line.startsWith("#") || line.startsWith("(")) {
            return;
        }
        String[] words = line.split("[\\s,;]+");
        double[] v = new double[3];
        try {
            for (int k = 0; k < 3; k++) {
                v[k] = Double.parseDouble(words[k]) * 1e6;
            }
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            say(problems, "Line " + number + " is not x, y and z in mm: '" + cut(line) + "'.");
            return;
        }
        if (!Double.isFinite(v[0]) || !Double.isFinite(v[1]) || !Double.isFinite(v[2])) {
            say(problems, "Line " + number + " holds a number that is none.");
            return;
        }
        double u = (v[0] - grid.minX()) / grid.stepX();
        double w = (v[1] - grid.minY()) / grid.stepY();
        long i = Math.round(u);
        long j = Math.round(w);
        boolean onGrid = i >= 0 && i < grid.columns() && j >= 0 && j < grid.rows();
        if (!onGrid || Math.abs(u - i) > NEAR || Math.abs(w - j) > NEAR) {
            say(problems, "Line " + number + " is not on the probed grid: '" + cut(line) + "'.");
            return;
        }
        int at = (int) (j * grid.columns() + i);
        if (!Double.isNaN(heights[at])) {
            say(problems, "Line " + number + " probes a point again; the later one counts.");
        }
        heights[at] = v[2];
    }

    private static String cut(String line) {
        return line.length() > 60 ? line.substring(0, 60) + "…" : line;
    }

    private static void say(List<String> problems, String sentence) {
        if (problems.size() < 50) {
            problems.add(sentence);
        }
    }

    private static Reading settle(ProbeGrid grid, double[] heights, List<String> problems) {
        List<double[]> missing = new ArrayList<>();
        List<double[]> wild = new ArrayList<>();
        double[] kept = heights.clone();
        for (int j = 0; j < grid.rows(); j++) {
            for (int i = 0; i < grid.columns(); i++) {
                int at = j * grid.columns() + i;
                if (Double.isNaN(heights[at])) {
                    missing.add(new double[] {grid.x(i), grid.y(j)});
                    continue;
                }
                double expected = fromAround(grid, heights, i, j);
                if (!Double.isNaN(expected) && Math.abs(heights[at] - expected) > WILD_NM) {
                    wild.add(new double[] {grid.x(i), grid.y(j), heights[at]});
                    kept[at] = Double.NaN;
                }
            }
        }
        report(missing, wild, problems);
        int left = grid.count() - missing.size() - wild.size();
        if (left < 4 || left < 0.75 * grid.count()) {
            problems.add(
                    "Only "
                            + left
                            + " of "
                            + grid.count()
                            + " points can be used: probe again before levelling.");
            return new Reading(null, problems, missing, wild);
        }
        return new Reading(new HeightMap(grid, filled(grid, kept)), problems, missing, wild);
    }

    private static void report(List<double[]> missing, List<double[]> wild, List<String> problems) {
        for (double[] m : missing.subList(0, Math.min(10, missing.size()))) {
            problems.add(
                    String.format(
                            Locale.ROOT,
                            "No point at x %.2f, y %.2f: its height is taken from its neighbours.",
                            m[0] / 1e6,
                            m[1] / 1e6));
        }
        for (double[] w : wild.subList(0, Math.min(10, wild.size()))) {
            problems.add(
                    String.format(
                            Locale.ROOT,
                            "The point at x %.2f, y %.2f stands out (z %.3f): it is left out, its"
                                    + " height taken from its neighbours. Probe it again.",
                            w[0] / 1e6,
                            w[1] / 1e6,
                            w[2] / 1e6));
        }
    }

    /**
     * What the neighbours say of a point: the median of the straight lines through it, along the
     * row, the column and the diagonals, on both sides where there are two points to go on from. A
     * median of several is not moved by one wild neighbour.
     */
    private static double fromAround(ProbeGrid grid, double[] h, int i, int j) {
        List<Double> guesses = new ArrayList<>();
        int[][] ways = {{1, 0}, {0, 1}, {1, 1}, {1, -1}};
        for (int[] w : ways) {
            double before = value(grid, h, i - w[0], j - w[1]);
            double after = value(grid, h, i + w[0], j + w[1]);
            add(guesses, (before + after) / 2);
            add(guesses, 2 * after - value(grid, h, i + 2 * w[0], j + 2 * w[1]));
            add(guesses, 2 * before - value(grid, h, i - 2 * w[0], j - 2 * w[1]));
        }
        if (guesses.isEmpty()) {
            return Double.NaN;
        }
        guesses.sort(Double::compare);
        int n = guesses.size();
        return (guesses.get((n - 1) / 2) + guesses.get(n / 2)) / 2;
    }

    private static void add(List<Double> guesses, double v) {
        if (!Double.isNaN(v)) {
            guesses.add(v);
        }
    }

    private static double value(ProbeGrid grid, double[] h, int i, int j) {
        boolean on = i >= 0 && i < grid.columns() && j >= 0 && j < grid.rows();
        return on ? h[j * grid.columns() + i] : Double.NaN;
    }

    private static double[] filled(ProbeGrid grid, double[] heights) {
        double[] now = heights.clone();
        boolean open = true;
        // Each round fills what has neighbours; a grid is full after as many as it is wide.
        for (int round = 0; open && round < grid.columns() + grid.rows(); round++) {
            open = false;
            double[] next = now.clone();
            for (int j = 0; j < grid.rows(); j++) {
                for (int i = 0; i < grid.columns(); i++) {
                    int at = j * grid.columns() + i;
                    if (Double.isNaN(now[at])) {
                        double guess = fromAround(grid, now, i, j);
                        next[at] = Double.isNaN(guess) ? mean(grid, now, i, j) : guess;
                        open |= Double.isNaN(next[at]);
                    }
                }
            }
            now = next;
        }
        return now;
    }

    private static double mean(ProbeGrid grid, double[] h, int i, int j) {
        double sum = 0;
        int n = 0;
        for (int dj = -1; dj <= 1; dj++) {
            for (int di = -1; di <= 1; di++) {
                double v = value(grid, h, i + di, j + dj);
                if (!Double.isNaN(v)) {
                    sum += v;
                    n++;
                }
            }
        }
        return n == 0 ? Double.NaN : sum / n;
    }

    /** The points as a table that {@link #read} takes back. */
    public static String write(HeightMap map) {
        StringBuilder out = new StringBuilder("# x y z in mm\n");
        ProbeGrid g = map.grid();
        for (int j = 0; j < g.rows(); j++) {
            for (int i = 0; i < g.columns(); i++) {
                out.append(
                        String.format(
                                Locale.ROOT,
                                "%.4f %.4f %.4f%n",
                                g.x(i) / 1e6,
                                g.y(j) / 1e6,
                                map.at(i, j) / 1e6));
            }
        }
        return out.toString().replace("\r", "");
    }
}
