package dev.lastcut.core.milling;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;

/**
 * Writes a program for the mill in RS-274/NGC (NISTIR 6556): millimetres, absolute, feed per
 * minute, G0 and G1, arcs where the controller takes them. Four decimals: a tenth of a micrometre.
 */
public final class ProgramWriter {
    private static final int LINE_STEP = 10;

    /** So far above the stock rapid movement ends: clear of what a stock is usually warped. */
    static final double APPROACH_NM = 500_000;

    private final StringBuilder out = new StringBuilder();
    private final Mill mill;
    private Operation operation;
    private double feed = -1;
    private int line;

    private ProgramWriter(Mill mill) {
        this.mill = mill;
    }

    public static byte[] write(Program program, Mill mill) {
        ProgramWriter w = new ProgramWriter(mill);
        w.header(program);
        boolean first = true;
        for (Operation o : program.operations()) {
            w.operation = o;
            w.feed = -1;
            w.begin(first);
            o.paths().forEach(w::path);
            first = false;
        }
        w.say("M5");
        w.say("M2");
        return w.out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private void say(CharSequence words) {
        if (mill.controller().lineNumbers()) {
            line += LINE_STEP;
            // Five digits are the most a line number has.
            out.append('N').append(line % 100_000).append(' ');
        }
        out.append(words).append('\n');
    }

    private void header(Program program) {
        comment("Last Cut, " + program.file());
        comment("seen from the " + program.side().word());
        for (Operation o : program.operations()) {
            comment(
                    String.format(
                            Locale.ROOT,
                            "%s with tool %d: %s, about %.1f minutes",
                            o.kind().words(),
                            o.tool(),
                            o.cutter().name(),
                            o.minutes()));
        }
        comment("x and y zero: lower left corner of the board as it lies");
        say("G21 G90 G17 G94");
    }

    private void begin(boolean first) {
        Cutter c = operation.cutter();
        double safe = mill.cutting().safeHeight() + (double) operation.zero();
        if (!first) {
            say("M5");
            say("G0 Z" + mm(safe));
        }
        comment("z zero: " + (operation.zero() == 0 ? "top of the stock" : "bed, under the stock"));
        say("T" + operation.tool());
        if (!first) {
            comment("fit tool " + operation.tool() + ": " + c.name() + ", and set z zero anew");
            say("M0");
        }
        say("G0 Z" + mm(safe));
        say("M3" + (mill.controller().spindleSpeed() ? " S" + c.spindleRpm() : ""));
        say("G4 P2");
    }

    private void comment(String text) {
        out.append('(').append(text.replaceAll("[^ -~]|[()]", " ")).append(")\n");
    }

    private void path(ToolPath path) {
        ToolPath.Vertex first = path.first();
        double safe = mill.cutting().safeHeight();
        say("G0 X" + x(first.x()) + " Y" + y(first.y()));
        double near = Math.min(safe, APPROACH_NM);
        say("G0 Z" + mm(near + operation.zero()));
        straight(new ToolPath.Vertex(first.x(), first.y(), near), first);
        ToolPath.Vertex before = first;
        for (ArcFitter.Move m : moves(path.vertices())) {
            if (m.turn() == 0) {
                straight(before, m.to());
            } else {
                arc(before, m);
            }
            before = m.to();
        }
        say("G0 Z" + mm(safe + operation.zero()));
    }

    private List<ArcFitter.Move> moves(List<ToolPath.Vertex> path) {
        return mill.controller().arcs()
                ? ArcFitter.fit(path)
                : path.stream().skip(1).map(v -> new ArcFitter.Move(v, 0, 0, 0)).toList();
    }

    private void straight(ToolPath.Vertex a, ToolPath.Vertex b) {
        String x = x(b.x());
        String y = y(b.y());
        String z = z(b);
        boolean flat = !x.equals(x(a.x())) || !y.equals(y(a.y()));
        boolean deep = a.z() != b.z() && !z.equals(z(a));
        if (!flat && !deep) {
            return;
        }
        StringBuilder words = new StringBuilder("G1");
        if (flat) {
            words.append(" X").append(x).append(" Y").append(y);
        }
        if (deep) {
            words.append(" Z").append(z);
        }
        words.append(rate(flat ? operation.cutter().feed() : operation.cutter().plunge()));
        say(words);
    }

    private void arc(ToolPath.Vertex a, ArcFitter.Move m) {
        ProgramToBoardTransform to = operation.toPack();
        boolean left = m.turn() > 0 != to.swapsHands();
        double i = to.programX(m.cx()) - to.programX(a.x());
        double j = to.programY(m.cy()) - to.programY(a.y());
        say(
                (left ? "G3" : "G2")
                        + (" X" + x(m.to().x()) + " Y" + y(m.to().y()))
                        + (" I" + mm(i) + " J" + mm(j))
                        + rate(operation.cutter().feed()));
    }

    private String rate(double wanted) {
        if (wanted == feed) {
            return "";
        }
        feed = wanted;
        return " F" + BigDecimal.valueOf(wanted).stripTrailingZeros().toPlainString();
    }

    private String x(double packX) {
        return mm(operation.toPack().programX(packX));
    }

    private String y(double packY) {
        return mm(operation.toPack().programY(packY));
    }

    private String z(ToolPath.Vertex v) {
        return mm(v.z() + operation.zero());
    }

    /** Millimetres with four decimals; by hand, as a program has a hundred thousand of them. */
    private static String mm(double nm) {
        long tenths = Math.round(nm / 100);
        long whole = Math.abs(tenths) / 10_000;
        long part = 10_000 + Math.abs(tenths) % 10_000;
        StringBuilder text = new StringBuilder(12).append(tenths < 0 ? "-" : "");
        text.append(whole).append(part);
        // The leading one of the part makes room for the point and keeps its zeros.
        text.setCharAt(text.length() - 5, '.');
        return text.toString();
    }
}
