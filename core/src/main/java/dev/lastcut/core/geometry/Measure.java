package dev.lastcut.core.geometry;

/** A measured distance: the two places it was taken between and its length in nm. */
public record Measure(Pt from, Pt to, double nm) {
    public Pt middle() {
        return from.middle(to);
    }
}
