package dev.lastcut.core.milling.rs274;

import dev.lastcut.core.milling.rs274.Step.Kind;
import dev.lastcut.core.milling.rs274.Step.Point;

/**
 * The drilling and boring cycles G81 to G89, in any of the three planes (NISTIR 6556, 3.5.16, from
 * memory). What they are given holds for the lines after, as long as the same cycle is in force.
 * Lengths in mm.
 */
final class DrillCycle {
    /** How far above the last depth a peck cycle comes back to (0.010 inch). */
    private static final double PECK_CLEAR_MM = 0.254;

    private static final String AXES = "XYZ";
    private static final String OFFSETS = "IJK";

    private final Interpreter mill;
    private double retract;
    private double bottom;
    private double peck;
    private double wait;
    private final double[] bore = new double[3];
    private Block b;
    private int code;
    private boolean fresh;
    private int across;

    DrillCycle(Interpreter mill) {
        this.mill = mill;
    }

    /**
     * @param first whether another code was in force before
     * @param axis across the plane: 0 for x, 1 for y, 2 for z
     */
    void run(Block block, int cycle, boolean first, int axis) throws ProgramError {
        b = block;
        code = cycle;
        fresh = first;
        across = axis;
        char depth = AXES.charAt(across);
        if (fresh && !b.has(depth)) {
            throw mill.error(Codes.name(code) + " needs a word " + depth);
        }
        double start = mill.position().axis(across);
        if (b.has('R') || fresh) {
            retract = mill.height(b, needed('R'), across, start);
        }
        if (b.has(depth)) {
            bottom = mill.height(b, depth, across, retract);
        }
        if (retract < bottom) {
            throw mill.error("the retract plane R is below the bottom of the hole");
        }
        sticky();
        double up = mill.comesBackToStart() ? Math.max(start, retract) : retract;
        if (start < retract) {
            to(Kind.RAPID, retract);
        }
        int times = b.has('L') ? (int) Math.round(b.value('L')) : 1;
        for (int i = 0; i < times; i++) {
            Point here = mill.position();
            mill.move(Kind.RAPID, mill.target(b).with(across, here.axis(across)), 0);
            if (here.axis(across) > retract) {
                to(Kind.RAPID, retract);
            }
            hole();
            to(Kind.RAPID, up);
        }
    }

    private char needed(char letter) throws ProgramError {
        if (fresh && !b.has(letter)) {
            throw mill.error(Codes.name(code) + " needs a word " + letter);
        }
        return letter;
    }

    private boolean waits() {
        return code == 820 || code == 860 || code == 880 || code == 890;
    }

    private void sticky() throws ProgramError {
        if (code == 830) {
            peck = b.has(needed('Q')) ? mill.mm(b.value('Q')) : peck;
            if (peck <= 0) {
                throw mill.error("Q of G83 must be above 0");
            }
        }
        if (waits()) {
            wait = b.has(needed('P')) ? b.value('P') : wait;
        }
        if (code == 870) {
            backBoreWords();
        }
        boolean turning = code == 840 || code == 860 || code == 870 || code == 880;
        if (turning && !mill.spins()) {
            throw mill.error(Codes.name(code) + " with the spindle not turning");
        }
    }

    /** Two of I, J and K say how far aside the tool goes in, the third how far up it bores. */
    private void backBoreWords() throws ProgramError {
        for (int i = 0; i < 3; i++) {
            char letter = needed(OFFSETS.charAt(i));
            if (b.has(letter)) {
                bore[i] =
                        i == across
                                ? mill.height(b, letter, across, bottom)
                                : mill.mm(b.value(letter));
            }
        }
        if (bore[across] < bottom || bore[across] > retract) {
            throw mill.error("G87 bores up to between the bottom and the retract plane R");
        }
    }

    private void to(Kind kind, double height) throws ProgramError {
        double rate = kind == Kind.RAPID ? 0 : mill.rate(b, 1);
        mill.move(kind, mill.position().with(across, height), rate);
    }

    private void hole() throws ProgramError {
        if (code == 870) {
            backBore();
            return;
        }
        for (double depth = retract - peck; code == 830 && depth > bottom; depth -= peck) {
            to(Kind.FEED, depth);
            to(Kind.RAPID, retract);
            to(Kind.RAPID, Math.min(retract, depth + PECK_CLEAR_MM));
        }
        to(Kind.FEED, bottom);
        if (waits()) {
            mill.say(Kind.DWELL, wait);
        }
        if (code == 880) {
            mill.say(Kind.PAUSE, 0);
        }
        if (code == 840 || code == 850 || code == 890) {
            to(Kind.FEED, retract);
        }
    }

    /** In beside the hole with the spindle stopped, bored from below, out as it came. */
    private void backBore() throws ProgramError {
        Point over = mill.position();
        Point beside = over;
        for (int i = 0; i < 3; i++) {
            beside = i == across ? beside : beside.with(i, over.axis(i) + bore[i]);
        }
        mill.move(Kind.RAPID, beside, 0);
        mill.spin(false);
        to(Kind.RAPID, bottom);
        mill.move(Kind.RAPID, over.with(across, bottom), 0);
        mill.spin(true);
        to(Kind.FEED, bore[across]);
        to(Kind.FEED, bottom);
        mill.spin(false);
        mill.move(Kind.RAPID, beside.with(across, bottom), 0);
        mill.move(Kind.RAPID, beside, 0);
        mill.move(Kind.RAPID, over, 0);
        mill.spin(true);
    }
}
