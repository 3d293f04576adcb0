package dev.lastcut.core.milling.link;

import java.util.List;

/**
 * A link to a mill's controller, line by line. A real machine's link and the stand-in are the same
 * to those who use them. Calls return at once; what the mill does shows in its status.
 */
public interface MillLink {
    /** What the controller answers to a line. */
    enum Answer {
        /** Taken; it will be carried out after those before it. */
        OK,
        /** Not taken now: send it again later. */
        BUSY,
        /** Wrong, or the mill is in no state to take lines; see the status. */
        REFUSED
    }

    /** Sends one line of a program. */
    Answer send(String line);

    Status status();

    /** Comes to a halt and keeps what it was doing. */
    void hold();

    /** Goes on after a hold, or after a pause for a hand. */
    void resume();

    /** Halts, spindle off, and forgets the lines it holds. */
    void stop();

    /** Clears an alarm or a stop; the mill is idle again where it stands. */
    void reset();

    /**
     * Finds the top of the stock with the tool in the spindle, at rest or while a program waits for
     * a hand, and makes it z zero of what comes.
     */
    void touchOff();

    /** The next line is the first: counts lines, and touches of the probe, anew. */
    void rewind();

    /** How a mill stands. */
    enum State {
        IDLE,
        RUNNING,
        HOLDING,
        /** The program waits for a hand: a tool to change. */
        WAITING,
        STOPPED,
        ALARM
    }

    /**
     * What a mill tells of itself.
     *
     * @param x of the tool in program coordinates, mm
     * @param line how many lines were carried out since the last reset or end
     * @param asked number of the tool the program asked for, 0 when none
     * @param message what it last had to say; empty when nothing
     * @param touches where the probe touched since the last reset, program coordinates, mm
     */
    record Status(
            State state,
            double x,
            double y,
            double z,
            boolean spindle,
            int line,
            int asked,
            String message,
            List<double[]> touches) {
        public Status {
            touches = List.copyOf(touches);
        }
    }
}
