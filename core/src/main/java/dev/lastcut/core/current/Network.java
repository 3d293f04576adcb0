package dev.lastcut.core.current;

import dev.lastcut.core.geometry.UnionFind;
import java.util.HashMap;
import java.util.Map;

/** A network of conductances in siemens, solved by conjugate gradients. */
final class Network {
    private final int size;
    private final Map<Long, Double> joined = new HashMap<>();

    Network(int size) {
        this.size = size;
    }

    /** Adds a conductance between two nodes; obtuse triangles make some of them negative. */
    void join(int a, int b, double siemens) {
        if (a != b) {
            joined.merge((long) Math.min(a, b) * size + Math.max(a, b), siemens, Double::sum);
        }
    }

    boolean isJoined(int a, int b) {
        return groups().find(a) == groups().find(b);
    }

    private UnionFind groups() {
        UnionFind sets = new UnionFind(size);
        joined.forEach((k, g) -> sets.union((int) (k / size), (int) (k % size)));
        return sets;
    }

    /** Heat at these potentials, W. */
    double power(double[] volts) {
        double sum = 0;
        for (Map.Entry<Long, Double> e : joined.entrySet()) {
            double d = volts[(int) (e.getKey() / size)] - volts[(int) (e.getKey() % size)];
            sum += e.getValue() * d * d;
        }
        return sum;
    }

    /**
     * The potentials with 1 V at the source and 0 V at the sink. What hangs in the air is left at 0
     * V.
     *
     * @throws IllegalStateException when it does not settle
     */
    double[] solve(int source, int sink, int mostSteps, double residue) {
        int n = joined.size();
        int[] a = new int[n];
        int[] b = new int[n];
        double[] g = new double[n];
        double[] diagonal = new double[size];
        UnionFind sets = groups();
        int k = 0;
        for (Map.Entry<Long, Double> e : joined.entrySet()) {
            a[k] = (int) (e.getKey() / size);
            b[k] = (int) (e.getKey() % size);
            g[k] = e.getValue();
            diagonal[a[k]] += g[k];
            diagonal[b[k]] += g[k];
            k++;
        }
        boolean[] fixed = new boolean[size];
        for (int i = 0; i < size; i++) {
            fixed[i] = diagonal[i] <= 0 || sets.find(i) != sets.find(source);
        }
        fixed[source] = true;
        fixed[sink] = true;
        double[] x = new double[size];
        x[source] = 1;
        double[] r = new double[size];
        multiply(a, b, g, diagonal, x, r);
        for (int i = 0; i < size; i++) {
            r[i] = fixed[i] ? 0 : -r[i];
        }
        double[] z = new double[size];
        double[] p = new double[size];
        double[] q = new double[size];
        double rz = 0;
        double start = 0;
        for (int step = 0; step < mostSteps; step++) {
            double next = 0;
            for (int i = 0; i < size; i++) {
                z[i] = fixed[i] ? 0 : r[i] / diagonal[i];
                next += r[i] * z[i];
            }
            start = step == 0 ? next : start;
            if (next <= start * residue * residue || next == 0) {
                return x;
            }
            for (int i = 0; i < size; i++) {
                p[i] = z[i] + (step == 0 ? 0 : next / rz * p[i]);
            }
            rz = next;
            multiply(a, b, g, diagonal, p, q);
            double pq = 0;
            for (int i = 0; i < size; i++) {
                q[i] = fixed[i] ? 0 : q[i];
                pq += p[i] * q[i];
            }
            double alpha = rz / pq;
            for (int i = 0; i < size; i++) {
                x[i] += alpha * p[i];
                r[i] -= alpha * q[i];
            }
        }
        throw new IllegalStateException("the currents did not settle");
    }

    private static void multiply(
            int[] a, int[] b, double[] g, double[] diagonal, double[] x, double[] out) {
        for (int i = 0; i < out.length; i++) {
            out[i] = diagonal[i] * x[i];
        }
        for (int k = 0; k < a.length; k++) {
            out[a[k]] -= g[k] * x[b[k]];
            out[b[k]] -= g[k] * x[a[k]];
        }
    }
}
