package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class GlyphsTest {
    /** A letter as a text picture, the top line first, stretched to the glyphs' box. */
    private static double[] drawn(String... lines) {
        double[] cells = new double[Glyphs.WIDTH * Glyphs.HEIGHT];
        for (int row = 0; row < Glyphs.HEIGHT; row++) {
            String line = lines[lines.length - 1 - row * lines.length / Glyphs.HEIGHT];
            for (int column = 0; column < Glyphs.WIDTH; column++) {
                cells[row * Glyphs.WIDTH + column] =
                        line.charAt(column * line.length() / Glyphs.WIDTH) == '#' ? 1 : 0;
            }
        }
        return cells;
    }

    private static final double[] R =
            drawn("####.", "#...#", "#...#", "####.", "#.#..", "#..#.", "#...#");
    private static final double[] FOUR =
            drawn("...#.", "..##.", ".#.#.", "#..#.", "#####", "...#.", "...#.");
    private static final double[] H =
            drawn("#...#", "#...#", "#...#", "#####", "#...#", "#...#", "#...#");

    @Test
    void lettersWithAHandednessAreLikerThemselvesThanTheirMirrorImage() {
        for (double[] letter : new double[][] {R, FOUR}) {
            double straight = Glyphs.likeness(letter);
            double mirrored = Glyphs.likeness(Glyphs.mirrored(letter));
            assertThat(straight).isGreaterThan(0.6);
            assertThat(straight - mirrored).isGreaterThan(0.05);
        }
    }

    @Test
    void lettersWithoutHandednessTellNothing() {
        assertThat(Glyphs.likeness(H))
                .isCloseTo(
                        Glyphs.likeness(Glyphs.mirrored(H)),
                        org.assertj.core.api.Assertions.within(0.02));
    }

    @Test
    void mirroringTwiceIsNothing() {
        assertThat(Glyphs.mirrored(Glyphs.mirrored(R))).isEqualTo(R);
    }
}
