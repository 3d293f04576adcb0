package dev.lastcut.core.milling.link;

import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.milling.rs274.Interpreter;
import dev.lastcut.core.milling.rs274.ProgramError;
import dev.lastcut.core.milling.rs274.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What is left of a program after a stop: from the last line before which the tool was above the
 * stock, so that the path that was stopped in is cut whole, led in safely.
 */
public final class Restart {
    private static final double SPIN_UP_S = 2;

    private Restart() {}

    /**
     * @param line the line to begin again at, from 1
     * @param leadIn lines to send before it
     */
    public record Point(int line, List<String> leadIn) {}

    /**
     * @param stoppedAt the line that was being carried out, from 1
     * @param top z of the top of the stock in the program, mm
     * @param safe z that is safe to travel at, mm
     * @throws ProgramError when the program is wrong before that line
     */
    public static Point of(List<String> program, int stoppedAt, double top, double safe, Mill mill)
            throws ProgramError {
        Interpreter interpreter = new Interpreter(mill::toolWidthMm);
        interpreter.place(new Step.Point(0, 0, safe));
        Point best = new Point(1, List.of());
        boolean spindle = false;
        boolean paused = false;
        String speed = "";
        for (int n = 1; n <= Math.min(stoppedAt, program.size()); n++) {
            String text = program.get(n - 1);
            String plain = text.replaceAll("\\([^)]*\\)", "").trim().toUpperCase(Locale.ROOT);
            boolean rapid = plain.matches("(N\\d+\\s*)?G0?0(\\D.*)?");
            Step.Point at = interpreter.position();
            if (rapid && spindle && !paused && at.z() > top && !interpreter.isCompensating()) {
                best = new Point(n, leadIn(at, speed, safe, interpreter.modes()));
            }
            for (Step s : interpreter.execute(text, n)) {
                paused = s.kind() == Step.Kind.PAUSE;
                spindle = s.spindle();
            }
            if (plain.matches("(N\\d+\\s*)?M0?3.*")) {
                spindle = true;
                speed = plain.replaceAll("^(N\\d+\\s*)?M0?3\\s*", "");
                paused = false;
            } else if (plain.matches("(N\\d+\\s*)?M0?5.*")) {
                spindle = false;
                // The next tool begins with its own lines.
                best = new Point(n, List.of());
            }
        }
        return best;
    }

    private static List<String> leadIn(Step.Point at, String speed, double safe, String modes) {
        List<String> lines = new ArrayList<>();
        lines.add("G21 G90 G17 G94");
        lines.add(String.format(Locale.ROOT, "G0 Z%.4f", safe));
        lines.add(("M3 " + speed).trim());
        lines.add(String.format(Locale.ROOT, "G4 P%.0f", SPIN_UP_S));
        lines.add(String.format(Locale.ROOT, "G0 X%.4f Y%.4f", at.x(), at.y()));
        lines.add(modes);
        return lines;
    }
}
