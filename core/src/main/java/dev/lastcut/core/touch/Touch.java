package dev.lastcut.core.touch;

import java.util.List;

/**
 * One finishing touch. It keeps no state: it is what was chosen, and does it to the board it is
 * given. Lengths in nm.
 */
public interface Touch {
    /**
     * When a touch is done: whatever order they are listed in, what others depend on goes first.
     */
    enum Phase {
        /** The edge of the board. */
        EDGE,
        HOLES,
        /** Tracks, rings, lettering in copper. */
        COPPER,
        /** Areas, filled about all that was there before. */
        POUR,
        /** What ties areas together or takes away what they cover. */
        AFTER_POUR,
        MASK,
        /** What is drawn in silk. */
        SILK,
        /** What trims all that is drawn there. */
        AFTER_SILK
    }

    /** The word of the ticket; never changes. */
    String kind();

    /** What it does, for people: "Pour of GND on the copper top". */
    String words();

    Phase phase();

    /** Paths of files of the pack that it draws with. */
    default List<String> files() {
        return List.of();
    }

    /**
     * @throws NotDone when it cannot be done as it was chosen; the board is as it was then
     */
    Change on(Work work) throws NotDone;
}
