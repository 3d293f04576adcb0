package dev.lastcut.core.touch.copper;

/**
 * How a pour meets the pads of its net: by spokes over a gap, so that they can be soldered. Lengths
 * in nm.
 */
public record Relief(int spokes, double spoke, double gap) {
    public Relief {
        if (spokes < 1 || spokes > 8) {
            throw new IllegalArgumentException("relief.spokes: from 1 to 8, not " + spokes);
        }
        Sizes.above("relief.spoke_mm", spoke);
        Sizes.above("relief.gap_mm", gap);
    }
}
