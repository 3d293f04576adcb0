package dev.lastcut.core.milling.rs274;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The codes and their modal groups (NISTIR 6556, tables 4 to 7); G codes tenfold. */
final class Codes {
    /** Motion. */
    static final int MOTION = 1;

    /** Codes that hold for their line only. */
    static final int NON_MODAL = 0;

    private static final Map<Integer, Integer> G_GROUPS = new HashMap<>();
    private static final Map<Integer, Integer> M_GROUPS = new HashMap<>();

    static {
        g(NON_MODAL, 40, 100, 280, 300, 530, 920, 921, 922, 923);
        g(MOTION, 0, 10, 20, 30, 382, 800, 810, 820, 830, 840, 850, 860, 870, 880, 890);
        g(2, 170, 180, 190);
        g(3, 900, 910);
        g(5, 930, 940);
        g(6, 200, 210);
        g(7, 400, 410, 420);
        g(8, 430, 490);
        g(10, 980, 990);
        g(12, 540, 550, 560, 570, 580, 590, 591, 592, 593);
        g(13, 610, 611, 640);
        m(4, 0, 1, 2, 30, 60);
        m(6, 6);
        m(7, 3, 4, 5);
        m(8, 7, 8, 9);
        m(9, 48, 49);
    }

    private Codes() {}

    private static void g(int group, int... codes) {
        for (int c : codes) {
            G_GROUPS.put(c, group);
        }
    }

    private static void m(int group, int... codes) {
        for (int c : codes) {
            M_GROUPS.put(c, group);
        }
    }

    /** Refuses unknown codes and two of one group; M7 and M8 may be on together. */
    static void check(Block b) throws ProgramError {
        Set<Integer> groups = new HashSet<>();
        for (int code : b.gCodes()) {
            Integer group = G_GROUPS.get(code);
            if (group == null) {
                throw new ProgramError(b.line(), "there is no " + name(code));
            }
            if (!groups.add(group)) {
                throw new ProgramError(
                        b.line(), "two G codes of one modal group, one of them " + name(code));
            }
        }
        groups.clear();
        for (int code : b.mCodes()) {
            Integer group = M_GROUPS.get(code);
            if (group == null) {
                throw new ProgramError(b.line(), "there is no M" + code);
            }
            boolean mistAndFlood = group == 8 && !b.mCodes().contains(9);
            if (!groups.add(group) && !mistAndFlood) {
                throw new ProgramError(
                        b.line(), "two M codes of one modal group, one of them M" + code);
            }
        }
    }

    static String name(int tenfold) {
        return "G" + tenfold / 10 + (tenfold % 10 == 0 ? "" : "." + tenfold % 10);
    }

    /** The code of a group in a line, or -1. */
    static int ofGroup(List<Integer> gCodes, int group) {
        for (int code : gCodes) {
            if (G_GROUPS.get(code) == group) {
                return code;
            }
        }
        return -1;
    }

    static boolean isCycle(int motion) {
        return motion >= 810 && motion <= 890;
    }
}
