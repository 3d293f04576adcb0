package dev.lastcut.core.intake.places;

import dev.lastcut.core.geometry.Pt;
import java.util.Arrays;

/**
 * A set of cells of 50 µm. They are asked for by the million when files are laid over each other,
 * so they lie as numbers in one array (open addressing, at most half full).
 */
final class CellSet {
    private static final double CELL_NM = 50_000;

    /** No cell has this number: boards are not that large. */
    private static final long NONE = Long.MIN_VALUE;

    private long[] slots;
    private int size;

    /**
     * @param expected about how many there will be
     */
    CellSet(int expected) {
        slots = empty(Integer.highestOneBit(Math.max(8, expected) * 2) * 2);
    }

    private static long[] empty(int length) {
        long[] all = new long[length];
        Arrays.fill(all, NONE);
        return all;
    }

    private static long cell(long nm) {
        return Math.round(nm / CELL_NM);
    }

    private static long key(long column, long row) {
        return column << 32 ^ row & 0xffff_ffffL;
    }

    void add(Pt p) {
        add(key(cell(p.x()), cell(p.y())));
    }

    private void add(long key) {
        int at = slot(key);
        if (slots[at] == NONE) {
            slots[at] = key;
            if (++size * 2 > slots.length) {
                long[] old = slots;
                slots = empty(2 * old.length);
                size = 0;
                for (long k : old) {
                    if (k != NONE) {
                        add(k);
                    }
                }
            }
        }
    }

    /** Where a key is, or would be. */
    private int slot(long key) {
        int mask = slots.length - 1;
        long mixed = key * 0x9e37_79b9_7f4a_7c15L;
        int at = (int) (mixed >>> 32) & mask;
        while (slots[at] != NONE && slots[at] != key) {
            at = at + 1 & mask;
        }
        return at;
    }

    /** Whether the cell of a place or one next to it is in the set. */
    boolean hasAround(Pt p) {
        long column = cell(p.x());
        long row = cell(p.y());
        for (long x = column - 1; x <= column + 1; x++) {
            for (long y = row - 1; y <= row + 1; y++) {
                long key = key(x, y);
                if (slots[slot(key)] == key) {
                    return true;
                }
            }
        }
        return false;
    }

    int size() {
        return size;
    }
}
