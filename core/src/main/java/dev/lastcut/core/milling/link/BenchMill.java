package dev.lastcut.core.milling.link;

import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.milling.level.Surface;
import dev.lastcut.core.milling.rs274.Interpreter;
import dev.lastcut.core.milling.rs274.ProgramError;
import dev.lastcut.core.milling.rs274.Step;
import dev.lastcut.core.milling.rs274.Step.Point;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;

/**
 * A mill that exists only here: it takes lines like a controller, and has a stock that may be
 * warped, tools of different lengths, and whatever tool a hand has put into its spindle. Time
 * passes only when it is told to ({@link #advance}), so it runs as fast as one likes.
 *
 * <p>Its coordinates are those of the spindle. A tool that is longer by d touches the stock d
 * sooner, until z zero is set anew with it in the spindle.
 */
public final class BenchMill implements MillLink {
    private static final int BUFFER = 24;

    /** The nose of the spindle with the reference tool is here over the stock to begin with, mm. */
    private static final double PARKED_MM = 15;

    private static final double TOUCH_STEP_MM = 0.002;

    /** Nothing may be driven into a stock further than this by a rapid move, mm. */
    private static final double BUMP_MM = 0.02;

    private static final int MOST_DONE = 3_000_000;

    private record Held(Step step, int line, double[] zero) {}

    private final Mill mill;
    private final double originX;
    private final double originY;
    private final Surface surface;
    private final Interpreter interpreter;
    private final Deque<Held> queue = new ArrayDeque<>();
    private final List<Step> done = new ArrayList<>();
    private final List<double[]> touches = new ArrayList<>();
    private State state = State.IDLE;
    private Point at = new Point(0, 0, PARKED_MM);
    private double[] zero = new double[3];
    private boolean spindle;
    private int taken;
    private int line;
    private int asked;
    private int fitted;
    private double dwelt;
    private String message = "";

    /**
     * @param originX how far the program's x zero is from the left edge of the bed, nm
     * @param surface the top of the stock over the plane z = 0, nm
     */
    public BenchMill(Mill mill, double originX, double originY, Surface surface) {
        this.mill = mill;
        this.originX = originX / 1e6;
        this.originY = originY / 1e6;
        this.surface = surface;
        this.interpreter = new Interpreter(mill::toolWidthMm);
        interpreter.place(at);
    }

    /** How much longer a tool is than the reference tool, mm; the same on every day. */
    static double length(int tool) {
        return tool == 0 ? 0 : ((tool * 37) % 11 - 5) * 0.35;
    }

    /** Puts a tool into the spindle by hand: its number in the rack, 0 for none. */
    public synchronized void fit(int tool) {
        if (state == State.RUNNING || state == State.HOLDING) {
            throw new IllegalStateException("the mill is running");
        }
        fitted = tool;
    }

    public synchronized int fitted() {
        return fitted;
    }

    @Override
    public synchronized Answer send(String text) {
        if (state == State.ALARM || state == State.STOPPED) {
            return Answer.REFUSED;
        }
        if (queue.size() >= BUFFER || waitsForHand() || waitsForProbe()) {
            return Answer.BUSY;
        }
        try {
            List<Step> steps = interpreter.execute(text, taken + 1);
            taken++;
            double[] now = interpreter.zero();
            for (Step s : steps) {
                queue.add(new Held(s, taken, now));
            }
            if (steps.isEmpty() && queue.isEmpty()) {
                line = taken;
                zero = now;
            }
            asked = interpreter.toolSelected();
            if (state == State.IDLE && !queue.isEmpty()) {
                state = State.RUNNING;
            }
            return Answer.OK;
        } catch (ProgramError e) {
            alarm("Line " + (taken + 1) + ": " + e.getMessage() + ".");
            return Answer.REFUSED;
        }
    }

    private boolean waitsForHand() {
        return queue.stream()
                .anyMatch(
                        h ->
                                h.step.kind() == Step.Kind.PAUSE
                                        || h.step.kind() == Step.Kind.TOOL_CHANGE);
    }

    /** What comes after a probe depends on where it touches. */
    private boolean waitsForProbe() {
        return queue.stream().anyMatch(h -> h.step.kind() == Step.Kind.PROBE);
    }

    private void alarm(String sentence) {
        state = State.ALARM;
        message = sentence;
        spindle = false;
        queue.clear();
    }

    /** Lets time pass. */
    public synchronized void advance(double seconds) {
        double left = seconds;
        while (left > 0 && state == State.RUNNING && !queue.isEmpty()) {
            left -= work(queue.peek(), left);
        }
        if (state == State.RUNNING && queue.isEmpty()) {
            state = State.IDLE;
            line = taken;
        }
    }

    /** Does some of a step; returns how long that took. */
    private double work(Held held, double seconds) {
        Step s = held.step;
        line = held.line - 1;
        zero = held.zero;
        spindle = s.spindle();
        switch (s.kind()) {
            case DWELL:
                double rest = s.seconds() - dwelt;
                if (rest > seconds) {
                    dwelt += seconds;
                    return seconds;
                }
                dwelt = 0;
                finish(held);
                return Math.max(0, rest);
            case PAUSE:
            case TOOL_CHANGE:
                state = State.WAITING;
                message = asked > 0 ? "Fit tool " + asked + ", then go on." : "Go on when ready.";
                return 0;
            case END:
                finish(held);
                return 0;
            default:
                return travel(held, seconds);
        }
    }

    private double travel(Held held, double seconds) {
        Step s = held.step;
        double rate = s.kind() == Step.Kind.RAPID ? mill.cutting().rapidMmPerMin() : s.rate();
        double length = at.distance(s.to());
        double able = rate / 60 * seconds;
        Point to = able >= length ? s.to() : at.towards(s.to(), able / length);
        if (s.kind() == Step.Kind.PROBE) {
            return probe(held, to, rate, seconds);
        }
        if (!allowed(s, at, to)) {
            return seconds;
        }
        note(s, at, to);
        at = to;
        if (able < length) {
            return seconds;
        }
        finish(held);
        return length / rate * 60;
    }

    private void finish(Held held) {
        queue.poll();
        line = held.line;
    }

    private boolean allowed(Step s, Point from, Point to) {
        double x = to.x() + originX;
        double y = to.y() + originY;
        double slack = 0.001;
        if (x < -slack
                || y < -slack
                || x > mill.bed().width() / 1e6 + slack
                || y > mill.bed().height() / 1e6 + slack
                || to.z() > PARKED_MM + mill.bed().lift() / 1e6) {
            alarm("A limit switch was hit at " + place(to) + ".");
            return false;
        }
        double below = depth(to);
        boolean sinks = below > depth(from) + 1e-6 || from.x() != to.x() || from.y() != to.y();
        if (s.kind() == Step.Kind.RAPID && below > BUMP_MM && sinks && !isOpen(to)) {
            alarm("The tool was driven into the stock at " + place(to) + ".");
            return false;
        }
        if (s.kind() == Step.Kind.FEED && below > BUMP_MM && sinks && !s.spindle()) {
            alarm("The tool went into the stock with the spindle off at " + place(to) + ".");
            return false;
        }
        return true;
    }

    /** Whether the tool has been here as deep before: a peck goes back into its hole. */
    private boolean isOpen(Point p) {
        for (int i = done.size() - 1; i >= 0 && i > done.size() - 12; i--) {
            Point was = done.get(i).to();
            if (was.x() == p.x() && was.y() == p.y() && was.z() <= p.z() + 1e-6) {
                return true;
            }
        }
        return false;
    }

    private String place(Point p) {
        return String.format(
                Locale.ROOT,
                "x %.2f, y %.2f, z %.2f mm",
                p.x() - zero[0],
                p.y() - zero[1],
                p.z() - zero[2]);
    }

    /** How far the tip is below the stock, mm. */
    private double depth(Point p) {
        return surface.heightAt(p.x() * 1e6, p.y() * 1e6) / 1e6 + length(fitted) - p.z();
    }

    private double probe(Held held, Point to, double rate, double seconds) {
        if (depth(at) > BUMP_MM) {
            alarm("The probe touches already at " + place(at) + ".");
            return seconds;
        }
        double length = at.distance(to);
        int steps = (int) Math.max(1, Math.ceil(length / TOUCH_STEP_MM));
        Point before = at;
        for (int i = 1; i <= steps; i++) {
            Point p = at.towards(to, (double) i / steps);
            if (depth(p) >= 0) {
                double over = depth(p);
                double was = depth(before);
                Point touch = before.towards(p, over == was ? 1 : -was / (over - was));
                at = touch;
                interpreter.probed(touch);
                touches.add(
                        new double[] {
                            touch.x() - zero[0], touch.y() - zero[1], touch.z() - zero[2]
                        });
                finish(held);
                return before.distance(touch) / rate * 60;
            }
            before = p;
        }
        at = to;
        if (at.distance(held.step.to()) < 1e-9) {
            alarm("The probe found nothing down to " + place(at) + ".");
        }
        return seconds;
    }

    private void note(Step s, Point from, Point to) {
        if (done.size() < MOST_DONE) {
            double l = length(fitted);
            done.add(
                    new Step(
                            s.line(),
                            s.kind(),
                            new Point(from.x(), from.y(), from.z() - l),
                            new Point(to.x(), to.y(), to.z() - l),
                            s.rate(),
                            0,
                            s.spindle(),
                            fitted));
        }
    }

    /** What was really done: where the tip of the tool in the spindle went. */
    public synchronized List<Step> done() {
        return List.copyOf(done);
    }

    public synchronized int doneCount() {
        return done.size();
    }

    /** Some of what was done, from a step on. */
    public synchronized List<Step> doneFrom(int from, int most) {
        int first = Math.max(0, Math.min(from, done.size()));
        return List.copyOf(done.subList(first, Math.min(done.size(), first + most)));
    }

    public Surface surface() {
        return surface;
    }

    /**
     * Sets z zero to the stock with the tool that is in the spindle, while a program waits: by
     * hand, as one does with a feeler on the stock beside the board.
     */
    @Override
    public synchronized void touchOff() {
        double touch = surface.heightAt(0, 0) / 1e6 + length(fitted);
        double[] now = interpreter.zero();
        interpreter.shiftZero(touch - now[2]);
        zero = interpreter.zero();
        message = "z zero set with tool " + fitted + ".";
    }

    /** Begins to count lines anew. */
    @Override
    public synchronized void rewind() {
        taken = 0;
        line = 0;
        touches.clear();
    }

    @Override
    public synchronized Status status() {
        return new Status(
                state,
                at.x() - zero[0],
                at.y() - zero[1],
                at.z() - zero[2],
                spindle,
                line,
                asked,
                message,
                touches);
    }

    @Override
    public synchronized void hold() {
        if (state == State.RUNNING) {
            state = State.HOLDING;
        }
    }

    @Override
    public synchronized void resume() {
        if (state == State.WAITING) {
            Held pause = queue.poll();
            line = pause.line;
            interpreter.fitSelected();
        }
        if (state == State.HOLDING || state == State.WAITING) {
            state = State.RUNNING;
            message = "";
        }
    }

    @Override
    public synchronized void stop() {
        if (state != State.ALARM) {
            state = State.STOPPED;
            message = "Stopped.";
        }
        spindle = false;
        queue.clear();
        interpreter.place(at);
    }

    @Override
    public synchronized void reset() {
        queue.clear();
        interpreter.place(at);
        state = State.IDLE;
        message = "";
        spindle = false;
        taken = 0;
        line = 0;
        touches.clear();
    }
}
