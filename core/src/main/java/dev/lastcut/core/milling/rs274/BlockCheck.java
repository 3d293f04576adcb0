package dev.lastcut.core.milling.rs274;

/** What words may stand beside what codes (NISTIR 6556, sections 3.5 to 3.8). */
final class BlockCheck {
    private final Block b;
    private final int motion;
    private final boolean moves;
    private final boolean cycle;

    /**
     * @param motion the motion code in force for the line
     * @param moves whether the line's axis words are for it
     */
    BlockCheck(Block b, int motion, boolean moves) {
        this.b = b;
        this.motion = motion;
        this.moves = moves;
        this.cycle = moves && Codes.isCycle(motion);
    }

    private ProgramError error(String sentence) {
        return new ProgramError(b.line(), sentence);
    }

    void check() throws ProgramError {
        for (char axis : new char[] {'A', 'B', 'C'}) {
            if (b.has(axis)) {
                throw error("this mill has no " + axis + " axis");
            }
        }
        numbers();
        axes();
        words();
        codes();
        if (moves) {
            motion();
        }
    }

    private void numbers() throws ProgramError {
        for (char c : new char[] {'F', 'S'}) {
            if (b.has(c) && b.value(c) < 0) {
                throw error(c + " is below 0");
            }
        }
        for (char c : new char[] {'T', 'H', 'D', 'L'}) {
            if (b.has(c)) {
                double v = b.value(c);
                boolean whole = Math.abs(v - Math.round(v)) < 1e-4;
                if (!whole || v < (c == 'L' ? 1 : 0) || v > 100_000) {
                    throw error(c + " needs a whole number, not " + v);
                }
            }
        }
        if (b.has('P') && b.value('P') < 0) {
            throw error("P is below 0");
        }
    }

    private void axes() throws ProgramError {
        int taking = 0;
        for (int g : new int[] {100, 280, 300, 920}) {
            taking += b.hasG(g) ? 1 : 0;
        }
        int explicit = Codes.ofGroup(b.gCodes(), Codes.MOTION);
        if (taking > 0 && explicit >= 0 && explicit != 800 && b.hasAxis()) {
            throw error("two G codes in one line that both want the axis words");
        }
        if (b.hasAxis() && moves && motion == 800) {
            throw error("axis words, but no motion is in force (G80)");
        }
        if (explicit >= 0 && explicit != 800 && !b.hasAxis()) {
            boolean arc = explicit == 20 || explicit == 30;
            boolean whole = arc && (b.has('I') || b.has('J') || b.has('K'));
            if (!whole) {
                throw error(Codes.name(explicit) + " without any axis word");
            }
        }
    }

    private void words() throws ProgramError {
        boolean arc = moves && (motion == 20 || motion == 30);
        for (char c : new char[] {'I', 'J', 'K'}) {
            if (b.has(c) && !arc && motion != 870) {
                throw error(c + " with no code that uses it");
            }
        }
        if (b.has('R') && !arc && !cycle) {
            throw error("R with no code that uses it");
        }
        if (b.has('Q') && !(cycle && motion == 830)) {
            throw error("Q with no code that uses it");
        }
        if (b.has('L') && !cycle && !b.hasG(100)) {
            throw error("L with no code that uses it");
        }
        if (b.has('P') && !cycle && !b.hasG(100) && !b.hasG(40)) {
            throw error("P with no code that uses it");
        }
        if (b.has('H') && !b.hasG(430)) {
            throw error("H without G43");
        }
        if (b.has('D') && !b.hasG(410) && !b.hasG(420)) {
            throw error("D without G41 or G42");
        }
    }

    private void codes() throws ProgramError {
        if (b.hasG(40) && !b.has('P')) {
            throw error("G4 without a P word");
        }
        if (b.hasG(430) && !b.has('H')) {
            throw error("G43 without an H word");
        }
        if (b.hasG(920) && !b.hasAxis()) {
            throw error("G92 without any axis word");
        }
        if (b.hasG(100)) {
            double l = b.valueOr('L', 0);
            double p = b.valueOr('P', 0);
            if (Math.round(l) != 2) {
                throw error("G10 without L2");
            }
            if (Math.abs(p - Math.round(p)) > 1e-4 || p < 1 || p > 9) {
                throw error("G10 needs P from 1 to 9");
            }
        }
        if (b.hasG(530) && (!moves || (motion != 0 && motion != 10))) {
            throw error("G53 goes with G0 and G1 only");
        }
    }

    private void motion() throws ProgramError {
        if (motion == 20 || motion == 30) {
            boolean centre = b.has('I') || b.has('J') || b.has('K');
            if (b.has('R') == centre) {
                throw error(
                        centre
                                ? "an arc with both a radius and a centre"
                                : "an arc with neither a radius nor a centre");
            }
        }
    }
}
