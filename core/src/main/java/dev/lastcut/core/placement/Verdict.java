package dev.lastcut.core.placement;

import dev.lastcut.core.assembly.Part;

/**
 * What is held of a part's rotation.
 *
 * @param turnDeg for a turned part, what must be added to its rotation to put it right, 0 to 360
 * @param harmless whether the part is the same turned by half
 * @param because what it was held against, or why it could not be judged; to be read after "held
 *     against" for a judged part
 */
public record Verdict(Part part, State state, double turnDeg, boolean harmless, String because) {
    /** Whether the rotation is right. */
    public enum State {
        RIGHT,
        TURNED,
        UNKNOWN
    }

    static Verdict right(Part part, String heldAgainst) {
        return new Verdict(part, State.RIGHT, 0, false, heldAgainst);
    }

    static Verdict unknown(Part part, String because) {
        return new Verdict(part, State.UNKNOWN, 0, false, because);
    }

    /** Its rotation as it should be, 0 to 360. */
    public double shouldDeg(double rotationDeg) {
        return ((rotationDeg + turnDeg) % 360 + 360) % 360;
    }
}
