package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.work.Parallel;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/** The area that tools of given widths pass over, put together from moves in their order. */
final class Sweep {
    private static final double CHORD_NM = 250;

    /** Long chains are cut, so that what is swept is put together from parts of a like size. */
    private static final int LONGEST = 400;

    private static final int MOST = 64;

    /** A chain of moves of one width. */
    record Chain(Coordinate[] line, double width, int lastCutting) {
        Geometry area() {
            Geometry path =
                    line.length == 1
                            ? Geo.FACTORY.createPoint(line[0])
                            : Geo.FACTORY.createLineString(line);
            return Geo.offset(path, width / 2, CHORD_NM);
        }
    }

    private final double quantum;
    private final List<Chain> chains = new ArrayList<>();
    private final List<Coordinate> now = new ArrayList<>();
    private double width;
    private int last;

    /**
     * @param quantum widths are rounded to this, nm
     */
    Sweep(double quantum) {
        this.quantum = quantum;
    }

    /** A move with a width at either end; 0 or less is no cut. */
    void add(Cutting c, int index, double w0, double w1) {
        boolean straightDown = c.x0() == c.x1() && c.y0() == c.y1();
        if (straightDown) {
            step(at(c, 0), at(c, 1), Math.rint(Math.max(w0, w1) / quantum) * quantum, index);
            return;
        }
        int parts = (int) Math.max(1, Math.min(MOST, Math.ceil(Math.abs(w1 - w0) / quantum)));
        for (int i = 0; i < parts; i++) {
            double t0 = (double) i / parts;
            double t1 = (i + 1.0) / parts;
            double w = w0 + (w1 - w0) * (t0 + t1) / 2;
            step(at(c, t0), at(c, t1), Math.rint(w / quantum) * quantum, index);
        }
    }

    private static Coordinate at(Cutting c, double t) {
        return new Coordinate(c.x0() + t * (c.x1() - c.x0()), c.y0() + t * (c.y1() - c.y0()));
    }

    private void step(Coordinate a, Coordinate b, double w, int index) {
        if (w <= 0) {
            close();
            return;
        }
        boolean goesOn =
                !now.isEmpty()
                        && w == width
                        && now.get(now.size() - 1).distance(a) < 1
                        && now.size() < LONGEST;
        if (!goesOn) {
            close();
            now.add(a);
            width = w;
        }
        if (now.get(now.size() - 1).distance(b) >= 1) {
            now.add(b);
        }
        last = index;
    }

    private void close() {
        if (!now.isEmpty()) {
            chains.add(new Chain(now.toArray(Coordinate[]::new), width, last));
            now.clear();
        }
    }

    List<Chain> chains() {
        close();
        return chains;
    }

    /** Everything passed over. */
    Geometry area() {
        return Geo.union(Parallel.map(chains(), Chain::area));
    }
}
