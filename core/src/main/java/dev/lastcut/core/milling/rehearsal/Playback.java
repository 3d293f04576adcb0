package dev.lastcut.core.milling.rehearsal;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.milling.level.Surface;
import dev.lastcut.core.milling.rs274.Interpreter;
import dev.lastcut.core.milling.rs274.ProgramError;
import dev.lastcut.core.milling.rs274.Step;
import java.util.ArrayList;
import java.util.List;

/** Interprets programs one after the other and keeps every step as it meets the stock. */
final class Playback {
    private static final int MOST_STEPS = 4_000_000;

    /** Over a warped stock a move is looked at in pieces not longer than this, nm. */
    private static final double PIECE_NM = 1_000_000;

    private final Mill mill;
    private final Surface surface;
    private final List<Script> scripts;
    private final List<Cutting> cuttings = new ArrayList<>();
    private final List<Hazard> errors = new ArrayList<>();
    private final boolean[] finished;
    private double minute;

    private Playback(Mill mill, Surface surface, List<Script> scripts) {
        this.mill = mill;
        this.surface = surface;
        this.scripts = scripts;
        this.finished = new boolean[scripts.size()];
    }

    /**
     * @param goOn called at every line; what it throws ends the playing
     */
    static Playback of(Mill mill, Surface surface, List<Script> scripts, Runnable goOn) {
        Playback p = new Playback(mill, surface, scripts);
        for (int i = 0; i < scripts.size(); i++) {
            p.play(i, goOn);
        }
        return p;
    }

    /** What a mill did, with the tool that was really in its spindle. */
    static Playback ofDone(Mill mill, Surface surface, Script script, List<Step> done) {
        Playback p = new Playback(mill, surface, List.of(script));
        done.forEach(s -> p.take(0, script, s, s.tool()));
        p.finished[0] = true;
        return p;
    }

    List<Cutting> cuttings() {
        return cuttings;
    }

    /** What stopped a program. */
    List<Hazard> errors() {
        return errors;
    }

    double minutes() {
        return minute;
    }

    private void play(int index, Runnable goOn) {
        Script script = scripts.get(index);
        Interpreter interpreter =
                new Interpreter(n -> mill.toolWidthMm(n == 0 ? script.tool() : n));
        // The mill waits above the zero of the program, raised.
        double above = (mill.cutting().safeHeight() + script.zero()) / 1e6;
        interpreter.place(new Step.Point(0, 0, above));
        int hand = script.tool();
        boolean moved = false;
        String[] lines = script.text().split("\\R", -1);
        for (int n = 0; n < lines.length && !interpreter.hasEnded(); n++) {
            goOn.run();
            List<Step> steps;
            try {
                steps = interpreter.execute(lines[n], n + 1);
            } catch (ProgramError e) {
                Step.Point at = interpreter.position();
                errors.add(
                        new Hazard(
                                script.name(),
                                n + 1,
                                "The program stops here: " + e.getMessage() + ".",
                                pack(script, at),
                                0,
                                true));
                return;
            }
            if (!moved && hand == 0 && interpreter.toolSelected() > 0) {
                // Before anything has moved, what is selected is what a hand has fitted.
                interpreter.fitSelected();
                hand = interpreter.toolSelected();
            }
            for (Step s : steps) {
                moved |= s.moves();
                int tool = interpreter.toolInSpindle();
                if (s.kind() == Step.Kind.PAUSE && interpreter.toolSelected() > 0) {
                    interpreter.fitSelected();
                }
                take(index, script, s, tool > 0 ? tool : hand);
            }
            if (cuttings.size() > MOST_STEPS) {
                errors.add(
                        new Hazard(
                                script.name(),
                                n + 1,
                                "The program has more steps than can be rehearsed.",
                                Pt.ORIGIN,
                                0,
                                true));
                return;
            }
        }
        finished[index] = interpreter.hasEnded();
    }

    boolean hasFinished(int script) {
        return finished[script];
    }

    private void take(int index, Script script, Step s, int toolNumber) {
        Cutter tool =
                toolNumber >= 1 && toolNumber <= mill.rack().size()
                        ? mill.rack().get(toolNumber - 1)
                        : null;
        double minutes = s.minutes(mill.cutting().rapidMmPerMin());
        double flat = Math.hypot(s.to().x() - s.from().x(), s.to().y() - s.from().y()) * 1e6;
        int pieces =
                surface == Surface.FLAT || !s.moves()
                        ? 1
                        : (int) Math.max(1, Math.ceil(flat / PIECE_NM));
        for (int i = 0; i < pieces; i++) {
            Step.Point a = s.from().towards(s.to(), (double) i / pieces);
            Step.Point b = s.from().towards(s.to(), (i + 1.0) / pieces);
            cuttings.add(
                    new Cutting(
                            index,
                            s,
                            tool,
                            script.toPack().packX(a.x() * 1e6),
                            script.toPack().packY(a.y() * 1e6),
                            depth(script, a),
                            script.toPack().packX(b.x() * 1e6),
                            script.toPack().packY(b.y() * 1e6),
                            depth(script, b),
                            minute,
                            minutes / pieces));
            minute += minutes / pieces;
        }
    }

    private double depth(Script script, Step.Point p) {
        double top = script.zero() + surface.heightAt(p.x() * 1e6, p.y() * 1e6);
        return top - p.z() * 1e6;
    }

    private static Pt pack(Script script, Step.Point p) {
        return new Pt(
                Math.round(script.toPack().packX(p.x() * 1e6)),
                Math.round(script.toPack().packY(p.y() * 1e6)));
    }
}
