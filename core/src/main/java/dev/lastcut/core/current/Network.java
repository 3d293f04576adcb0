package dev.lastcut.core.current;

import dev.lastcut.core.geometry.UnionFind;
import java.util.Arrays;

/**
 * A network of conductances in siemens, solved by conjugate gradients with a symmetric Gauss-Seidel
 * sweep before each step.
 */
final class Network {
    /** Only rows as short as this are looked through for an entry that is there already. */
    private static final int FEW = 24;

    private static final double TINY = 1e-60;

    private final int size;
    private final UnionFind sets;
    private int count;
    private int[] from = new int[1024];
    private int[] to = new int[1024];
    private double[] siemens = new double[1024];

    Network(int size) {
        this.size = size;
        this.sets = new UnionFind(size);
    }

    /** Adds a conductance between two nodes; obtuse triangles make some of them negative. */
    void join(int a, int b, double g) {
        if (a == b) {
            return;
        }
        if (count == from.length) {
            from = Arrays.copyOf(from, 2 * count);
            to = Arrays.copyOf(to, 2 * count);
            siemens = Arrays.copyOf(siemens, 2 * count);
        }
        from[count] = a;
        to[count] = b;
        siemens[count++] = g;
        sets.union(a, b);
    }

    boolean isJoined(int a, int b) {
        return sets.find(a) == sets.find(b);
    }

    /** Heat at these potentials, W. */
    double power(double[] volts) {
        double sum = 0;
        for (int k = 0; k < count; k++) {
            double d = volts[from[k]] - volts[to[k]];
            sum += siemens[k] * d * d;
        }
        return sum;
    }

    /** The matrix of the free nodes, row by row; fixed ones have empty rows. */
    private final class Rows {
        final int[] start = new int[size + 1];
        final int[] end;
        final int[] column;
        final double[] value;
        final double[] diagonal = new double[size];
        final boolean[] fixed = new boolean[size];

        Rows(int source, int sink) {
            for (int k = 0; k < count; k++) {
                start[from[k] + 1]++;
                start[to[k] + 1]++;
                diagonal[from[k]] += siemens[k];
                diagonal[to[k]] += siemens[k];
            }
            for (int i = 0; i < size; i++) {
                start[i + 1] += start[i];
                fixed[i] = diagonal[i] <= 0 || !isJoined(i, source);
            }
            fixed[source] = true;
            fixed[sink] = true;
            column = new int[2 * count];
            value = new double[2 * count];
            end = Arrays.copyOf(start, size);
            for (int k = 0; k < count; k++) {
                put(end, from[k], to[k], siemens[k]);
                put(end, to[k], from[k], siemens[k]);
            }
        }

        /** The two triangles at an edge give one entry together. */
        private void put(int[] next, int row, int other, double g) {
            for (int k = start[row]; k < Math.min(next[row], start[row] + FEW); k++) {
                if (column[k] == other) {
                    value[k] += g;
                    return;
                }
            }
            column[next[row]] = other;
            value[next[row]++] = g;
        }

        void multiply(double[] x, double[] out) {
            for (int i = 0; i < size; i++) {
                double sum = diagonal[i] * x[i];
                for (int k = start[i]; k < end[i]; k++) {
                    sum -= value[k] * x[column[k]];
                }
                out[i] = fixed[i] ? 0 : sum;
            }
        }

        /** One sweep forth and one back: z is roughly what r asks for. */
        void smooth(double[] r, double[] z) {
            Arrays.fill(z, 0);
            for (int i = 0; i < size; i++) {
                relax(i, r, z, i);
            }
            for (int i = size - 1; i >= 0; i--) {
                relax(i, r, z, size);
            }
        }

        private void relax(int i, double[] r, double[] z, int below) {
            if (fixed[i]) {
                return;
            }
            double sum = r[i];
            for (int k = start[i]; k < end[i]; k++) {
                if (column[k] < below || below == size) {
                    sum += value[k] * z[column[k]];
                }
            }
            // Far from the terminals nothing has arrived yet: numbers below all reason are slow.
            z[i] = Math.abs(sum) < TINY ? 0 : sum / diagonal[i];
        }
    }

    /**
     * The potentials with 1 V at the source and 0 V at the sink. What hangs in the air is left at 0
     * V.
     *
     * @throws IllegalStateException when it does not settle
     */
    double[] solve(int source, int sink, int mostSteps, double residue) {
        Rows rows = new Rows(source, sink);
        double[] x = new double[size];
        x[source] = 1;
        double[] r = new double[size];
        rows.multiply(x, r);
        for (int i = 0; i < size; i++) {
            r[i] = -r[i];
        }
        double[] z = new double[size];
        double[] p = new double[size];
        double[] q = new double[size];
        double rz = 0;
        double start = 0;
        for (int step = 0; step < mostSteps; step++) {
            rows.smooth(r, z);
            double next = dot(r, z);
            start = step == 0 ? next : start;
            if (next <= start * residue * residue || next == 0) {
                return x;
            }
            for (int i = 0; i < size; i++) {
                p[i] = z[i] + (step == 0 ? 0 : next / rz * p[i]);
            }
            rz = next;
            rows.multiply(p, q);
            double alpha = rz / dot(p, q);
            for (int i = 0; i < size; i++) {
                x[i] += alpha * p[i];
                r[i] -= alpha * q[i];
            }
        }
        throw new IllegalStateException("the currents did not settle");
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }
}
