package dev.lastcut.core.milling.rs274;

import dev.lastcut.core.milling.rs274.Step.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;

/**
 * Turns lines into steps, keeping the modal state between them. Within a line things happen in the
 * order of NISTIR 6556, table 8: rates and speeds first, then tool and spindle, then what changes
 * coordinates, then motion, and stops last.
 */
public final class Interpreter {
    private static final double MM_PER_INCH = 25.4;

    private final IntToDoubleFunction diameters;
    private final DrillCycle cycle = new DrillCycle(this);
    private final Parameters parameters = new Parameters();
    private final List<Step> out = new ArrayList<>();
    private Point at = new Point(0, 0, 0);
    private int motion = 10;
    private int plane = 170;
    private boolean inches;
    private boolean incremental;
    private boolean inverseTime;
    private boolean backToStart = true;
    private double feed;
    private boolean spindle;
    private int selected;
    private int tool;
    private int system = 1;
    private double[] shift = new double[3];
    private double[] keptShift = new double[3];
    private boolean ended;
    private int line;
    private Compensation aside;

    /** An interpreter that knows no tools: radius compensation is refused. */
    public Interpreter() {
        this(number -> 0);
    }

    /**
     * @param diameters of the tools by their numbers, mm; 0 where a tool is not known
     */
    public Interpreter(IntToDoubleFunction diameters) {
        this.diameters = diameters;
    }

    /** Where the tool is, mm, in the machine's coordinates. */
    public Point position() {
        return at;
    }

    /** Puts the tool somewhere without a move: where the mill stands at the beginning. */
    public void place(Point p) {
        at = p;
    }

    public boolean hasEnded() {
        return ended;
    }

    /** Words that bring another controller to this one's units, distances, plane and feed. */
    public String modes() {
        String units = inches ? "G20" : "G21";
        double rate = inches && !inverseTime ? feed / MM_PER_INCH : feed;
        String words =
                units
                        + (incremental ? " G91 " : " G90 ")
                        + Codes.name(plane)
                        + (inverseTime ? " G93" : " G94");
        return rate > 0 && !inverseTime ? words + " F" + rate : words;
    }

    /** Whether the tool goes beside what the program says. */
    public boolean isCompensating() {
        return aside != null;
    }

    public int toolInSpindle() {
        return tool;
    }

    public int toolSelected() {
        return selected;
    }

    /** What a hand did while the program paused: the tool that was selected is in the spindle. */
    public void fitSelected() {
        tool = selected;
    }

    /** Where a probe touched, for the parameters 5061 to 5063. */
    public void probed(Point p) {
        at = p;
        try {
            parameters.set(0, 5061, fromMachine(p.x(), 0));
            parameters.set(0, 5062, fromMachine(p.y(), 1));
            parameters.set(0, 5063, fromMachine(p.z(), 2));
        } catch (ProgramError e) {
            throw new IllegalStateException(e);
        }
    }

    /** Moves z zero up by some mm, as a hand does at the controller while a program waits. */
    public void shiftZero(double up) {
        try {
            int z = 5223 + 20 * (system - 1);
            parameters.set(0, z, parameters.get(0, z) + up);
        } catch (ProgramError e) {
            throw new IllegalStateException(e);
        }
    }

    /** The shift from the machine's coordinates to the program's, mm: what is zero there. */
    public double[] zero() {
        return new double[] {offset(0), offset(1), offset(2)};
    }

    /**
     * Carries out a line.
     *
     * @return what the mill does, in order
     * @throws ProgramError when the line is wrong; nothing of it is carried out
     */
    public List<Step> execute(String text, int lineNumber) throws ProgramError {
        line = lineNumber;
        Block b = BlockReader.read(text, lineNumber, parameters);
        out.clear();
        if (b == null || b.demarcation()) {
            return List.of();
        }
        Codes.check(b);
        new BlockCheck(b, motionOf(b), usesMotion(b)).check();
        for (Map.Entry<Integer, Double> s : b.settings().entrySet()) {
            parameters.set(line, s.getKey(), s.getValue());
        }
        run(b);
        return List.copyOf(out);
    }

    private int motionOf(Block b) {
        int explicit = Codes.ofGroup(b.gCodes(), Codes.MOTION);
        return explicit >= 0 ? explicit : motion;
    }

    /** Whether axis words in the line mean motion, and not some code's coordinates. */
    private static boolean usesMotion(Block b) {
        boolean explicit = Codes.ofGroup(b.gCodes(), Codes.MOTION) >= 0;
        boolean taken = b.hasG(100) || b.hasG(280) || b.hasG(300) || b.hasG(920);
        return explicit || (b.hasAxis() && !taken);
    }

    ProgramError error(String sentence) {
        return new ProgramError(line, sentence);
    }

    double mm(double value) {
        return inches ? value * MM_PER_INCH : value;
    }

    private double offset(int axis) {
        try {
            return parameters.get(line, 5221 + 20 * (system - 1) + axis) + shift[axis];
        } catch (ProgramError e) {
            throw new IllegalStateException(e);
        }
    }

    private double fromMachine(double v, int axis) {
        return v - offset(axis);
    }

    private void run(Block b) throws ProgramError {
        modes(b);
        if (b.has('T')) {
            selected = (int) Math.round(b.value('T'));
        }
        if (b.mCodes().contains(6)) {
            spindle = false;
            tool = selected;
            say(Step.Kind.TOOL_CHANGE, at, at, 0, 0);
        }
        for (int m : b.mCodes()) {
            spindle = m == 3 || m == 4 || (m != 5 && spindle);
        }
        if (b.hasG(530) && (b.hasG(910) || (incremental && !b.hasG(900)))) {
            throw error("G53 in incremental mode (G91)");
        }
        if (b.hasG(40)) {
            say(Step.Kind.DWELL, at, at, 0, b.value('P'));
        }
        geometry(b);
        coordinates(b);
        if (usesMotion(b)) {
            motion(b);
        }
        stop(b);
    }

    /** The feed of a line is in the units from before it: units change later in the order. */
    private void modes(Block b) throws ProgramError {
        if (b.hasG(930) || b.hasG(940)) {
            inverseTime = b.hasG(930);
            feed = 0;
        }
        boolean moving = usesMotion(b) && motionOf(b) != 0 && motionOf(b) != 800;
        if (inverseTime && moving && !b.has('F')) {
            throw error("inverse time mode (G93) wants an F word in every line that moves");
        }
        if (b.has('F')) {
            feed = inverseTime ? b.value('F') : mm(b.value('F'));
        }
    }

    /** What the report forbids while radius compensation is on. */
    private void checkCompensated(Block b) throws ProgramError {
        int code = usesMotion(b) ? motionOf(b) : 800;
        boolean forbidden = code == 382 || Codes.isCycle(code) || b.hasG(530);
        for (int g : b.gCodes()) {
            forbidden |= g == 100 || g == 180 || g == 190 || g == 200 || g == 210;
            forbidden |= g == 280 || g == 300 || (g >= 540 && g < 600) || (g >= 920 && g < 924);
            forbidden |= g == 410 || g == 420;
        }
        if (forbidden) {
            throw error(
                    "while radius compensation is on, units, planes, origins and G41 or G42 stay"
                            + " as they are, and there are no cycles, probes, G28, G30 or G53");
        }
    }

    private void compensate(Block b, boolean left) throws ProgramError {
        if (plane != 170) {
            throw error("radius compensation works in the XY plane (G17)");
        }
        int number = b.has('D') ? (int) Math.round(b.value('D')) : tool;
        double diameter = diameters.applyAsDouble(number);
        if (diameter <= 0 && number != 0) {
            throw error("the rack does not say how wide tool " + number + " is");
        }
        aside = new Compensation(left, diameter / 2);
    }

    private void geometry(Block b) throws ProgramError {
        if (aside != null && !b.hasG(400)) {
            checkCompensated(b);
        }
        for (int g : b.gCodes()) {
            switch (g) {
                case 170, 180, 190 -> plane = g;
                case 200, 210 -> inches = g == 200;
                case 400 -> aside = null;
                case 410, 420 -> compensate(b, g == 410);
                case 900, 910 -> incremental = g == 910;
                case 980, 990 -> backToStart = g == 980;
                case 540, 550, 560, 570, 580, 590 -> system = (g - 530) / 10;
                case 591, 592, 593 -> system = 6 + g - 590;
                default -> {}
            }
        }
    }

    private void coordinates(Block b) throws ProgramError {
        double[] now = {at.x(), at.y(), at.z()};
        char[] axes = {'X', 'Y', 'Z'};
        for (int g : b.gCodes()) {
            switch (g) {
                case 100 -> {
                    int n = (int) Math.round(b.value('P'));
                    for (int i = 0; i < 3; i++) {
                        if (b.has(axes[i])) {
                            parameters.set(line, 5221 + 20 * (n - 1) + i, mm(b.value(axes[i])));
                        }
                    }
                }
                case 280, 300 -> {
                    if (b.hasAxis()) {
                        move(Step.Kind.RAPID, target(b), 0);
                    }
                    int first = g == 280 ? 5161 : 5181;
                    move(
                            Step.Kind.RAPID,
                            new Point(
                                    parameters.get(line, first),
                                    parameters.get(line, first + 1.0),
                                    parameters.get(line, first + 2.0)),
                            0);
                }
                case 920 -> {
                    for (int i = 0; i < 3; i++) {
                        if (b.has(axes[i])) {
                            shift[i] += fromMachine(now[i], i) - mm(b.value(axes[i]));
                        }
                    }
                    keptShift = shift.clone();
                }
                case 921 -> {
                    shift = new double[3];
                    keptShift = new double[3];
                }
                case 922 -> shift = new double[3];
                case 923 -> shift = keptShift.clone();
                default -> {}
            }
        }
    }

    /** Where a line goes; axes it does not name stay. */
    Point target(Block b) {
        return target(b, false);
    }

    /** A height along an axis: over the program's zero, or from a base in incremental mode. */
    double height(Block b, char letter, int axis, double base) {
        double v = mm(b.value(letter));
        return incremental ? base + v : v + offset(axis);
    }

    boolean comesBackToStart() {
        return backToStart;
    }

    boolean spins() {
        return spindle;
    }

    void spin(boolean on) {
        spindle = on;
    }

    /** Something that happens where the tool is. */
    void say(Step.Kind kind, double seconds) {
        say(kind, at, at, 0, seconds);
    }

    private Point target(Block b, boolean machine) {
        Point from = base();
        return new Point(
                axis(b, 'X', 0, from.x(), machine),
                axis(b, 'Y', 1, from.y(), machine),
                axis(b, 'Z', 2, from.z(), machine));
    }

    /** Where the program is: beside the tool while radius compensation is on. */
    private Point base() {
        return aside == null ? at : aside.base(at);
    }

    private void straight(Block b, Step.Kind kind) throws ProgramError {
        Point to = target(b, b.hasG(530));
        List<Point> way = List.of(to);
        if (aside != null) {
            try {
                way = aside.straight(at, to);
            } catch (Compensation.Refused e) {
                throw error(e.getMessage());
            }
        }
        follow(kind, way, kind == Step.Kind.RAPID ? 0 : rate(b, length(way)));
    }

    private double length(List<Point> way) {
        double length = 0;
        Point before = at;
        for (Point p : way) {
            length += before.distance(p);
            before = p;
        }
        return length;
    }

    private void follow(Step.Kind kind, List<Point> way, double rate) {
        for (Point p : way) {
            move(kind, p, rate);
        }
    }

    private double axis(Block b, char letter, int i, double now, boolean machine) {
        if (!b.has(letter)) {
            return now;
        }
        double v = mm(b.value(letter));
        if (machine) {
            return v;
        }
        return incremental ? now + v : v + offset(i);
    }

    private void motion(Block b) throws ProgramError {
        int code = motionOf(b);
        int before = motion;
        motion = code;
        switch (code) {
            case 0 -> straight(b, Step.Kind.RAPID);
            case 10 -> straight(b, Step.Kind.FEED);
            case 20, 30 -> arc(b, code == 20);
            case 382 -> {
                Point to = target(b);
                if (at.distance(to) < 0.254) {
                    throw error("a probe move is shorter than 0.254 mm");
                }
                move(Step.Kind.PROBE, to, rate(b, at.distance(to)));
            }
            case 800 -> {}
            default -> {
                if (inverseTime) {
                    throw error("a drilling cycle in inverse time mode");
                }
                cycle.run(b, code, before != code, plane == 170 ? 2 : plane == 180 ? 1 : 0);
            }
        }
    }

    double rate(Block b, double length) throws ProgramError {
        if (inverseTime) {
            return length * feed;
        }
        if (feed <= 0) {
            throw error("a feed move with no feed rate set");
        }
        return feed;
    }

    private void arc(Block b, boolean clockwise) throws ProgramError {
        Point to = target(b);
        char first = plane == 170 ? 'I' : plane == 180 ? 'K' : 'J';
        char second = plane == 170 ? 'J' : plane == 180 ? 'I' : 'K';
        try {
            Point from = base();
            double[] centre =
                    b.has('R')
                            ? Arc.centre(from, to, plane, mm(b.value('R')), clockwise)
                            : Arc.centre(
                                    from,
                                    to,
                                    plane,
                                    mm(b.valueOr(first, 0)),
                                    mm(b.valueOr(second, 0)),
                                    aside == null || aside.isUnderWay());
            List<Point> way =
                    aside == null
                            ? Arc.points(at, to, plane, centre, clockwise)
                            : aside.arc(at, to, centre, clockwise);
            follow(Step.Kind.FEED, way, rate(b, length(way)));
        } catch (Arc.Mismatch | Compensation.Refused e) {
            throw error(e.getMessage());
        }
    }

    private void stop(Block b) {
        for (int m : b.mCodes()) {
            if (m == 0 || m == 1 || m == 60) {
                say(Step.Kind.PAUSE, at, at, 0, 0);
            } else if (m == 2 || m == 30) {
                spindle = false;
                ended = true;
                motion = 10;
                plane = 170;
                incremental = false;
                inverseTime = false;
                system = 1;
                aside = null;
                shift = new double[3];
                say(Step.Kind.END, at, at, 0, 0);
            }
        }
    }

    void move(Step.Kind kind, Point to, double rate) {
        if (at.distance(to) > 0 || kind == Step.Kind.PROBE) {
            say(kind, at, to, rate, 0);
        }
        at = to;
    }

    private void say(Step.Kind kind, Point from, Point to, double rate, double seconds) {
        out.add(new Step(line, kind, from, to, rate, seconds, spindle, tool));
    }
}
