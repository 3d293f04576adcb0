package dev.lastcut.core.milling;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import java.nio.charset.StandardCharsets;
import java.util.Locale;

/**
 * Writes an operation as an RS-274/NGC program (NISTIR 6556): millimetres, absolute, feed per
 * minute; only G0 and G1 moves, so that every controller runs it. Four decimals: a tenth of a
 * micrometre.
 */
public final class ProgramWriter {
    private final StringBuilder out = new StringBuilder();
    private final Operation operation;
    private final Mill mill;
    private double feed = -1;

    private ProgramWriter(Operation operation, Mill mill) {
        this.operation = operation;
        this.mill = mill;
    }

    public static byte[] write(Operation operation, Mill mill) {
        ProgramWriter w = new ProgramWriter(operation, mill);
        w.header();
        operation.paths().forEach(w::path);
        w.out.append("M5\nM2\n");
        return w.out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private void header() {
        Cutter c = operation.cutter();
        comment("Last Cut, " + operation.file());
        comment(
                "operation "
                        + operation.kind().id()
                        + ", seen from the "
                        + operation.side().word());
        comment("tool " + c.name());
        comment("x and y zero: lower left corner of the board; z zero: top of the stock");
        comment(String.format(Locale.ROOT, "about %.1f minutes", operation.minutes()));
        out.append("G21 G90 G17 G94\n");
        out.append("G0 Z").append(mm(mill.safeHeight())).append('\n');
        out.append("M3 S").append(c.spindleRpm()).append('\n');
        out.append("G4 P2\n");
    }

    private void comment(String text) {
        out.append('(').append(text.replaceAll("[^ -~]|[()]", " ")).append(")\n");
    }

    private void path(ToolPath path) {
        ToolPath.Vertex first = path.first();
        out.append("G0 X").append(x(first)).append(" Y").append(y(first)).append('\n');
        ToolPath.Vertex before = new ToolPath.Vertex(first.x(), first.y(), mill.safeHeight());
        for (ToolPath.Vertex v : path.vertices()) {
            move(before, v);
            before = v;
        }
        out.append("G0 Z").append(mm(mill.safeHeight())).append('\n');
    }

    private void move(ToolPath.Vertex a, ToolPath.Vertex b) {
        boolean flat = !x(a).equals(x(b)) || !y(a).equals(y(b));
        boolean deep = !mm(a.z()).equals(mm(b.z()));
        if (!flat && !deep) {
            return;
        }
        out.append("G1");
        if (flat) {
            out.append(" X").append(x(b)).append(" Y").append(y(b));
        }
        if (deep) {
            out.append(" Z").append(mm(b.z()));
        }
        double rate = flat ? operation.cutter().feed() : operation.cutter().plunge();
        if (rate != feed) {
            out.append(" F").append(String.format(Locale.ROOT, "%.0f", rate));
            feed = rate;
        }
        out.append('\n');
    }

    private String x(ToolPath.Vertex v) {
        return mm(operation.toPack().programX(v.x()));
    }

    private String y(ToolPath.Vertex v) {
        return mm(operation.toPack().programY(v.y()));
    }

    private static String mm(double nm) {
        String s = String.format(Locale.ROOT, "%.4f", nm / 1e6);
        return s.equals("-0.0000") ? "0.0000" : s;
    }
}
