package dev.lastcut.core.touch.copper;

/** A pour of crossed lines, for boards that bend or that light shines through. Lengths in nm. */
public record Hatch(double line, double gap) {
    public Hatch {
        Sizes.above("hatch.line_mm", line);
        Sizes.above("hatch.gap_mm", gap);
    }
}
