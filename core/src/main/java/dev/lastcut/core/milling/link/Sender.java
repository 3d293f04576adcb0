package dev.lastcut.core.milling.link;

import java.util.List;

/**
 * Sends a program through a link, as fast as the mill takes it. Not a thread: whoever owns it calls
 * {@link #pump} again and again.
 */
public final class Sender {
    private final MillLink link;
    private final String name;
    private final List<String> lines;
    private final int firstLine;
    private int next;

    /**
     * @param firstLine the line of the whole program that {@code lines} begin with, from 1; lines
     *     before it are a lead-in
     */
    public Sender(MillLink link, String name, List<String> lines, int firstLine) {
        this.link = link;
        this.name = name;
        this.lines = List.copyOf(lines);
        this.firstLine = firstLine;
    }

    public String name() {
        return name;
    }

    /** Sends what the mill takes now. */
    public void pump() {
        while (next < lines.size() && link.send(lines.get(next)) == MillLink.Answer.OK) {
            next++;
        }
    }

    /** Whether all was sent and the mill has done it. */
    public boolean isDone() {
        MillLink.State s = link.status().state();
        return next >= lines.size() && s == MillLink.State.IDLE;
    }

    /** The line of the whole program that is being carried out. */
    public int lineOfProgram() {
        return Math.max(0, link.status().line() + firstLine - 1);
    }
}
