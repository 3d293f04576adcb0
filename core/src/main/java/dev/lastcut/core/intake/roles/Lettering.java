package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.picture.Blobs.Blob;
import java.util.ArrayList;
import java.util.List;

/**
 * Which way round lettering stands. All files show the board as seen from the top, so lettering
 * that can be read as it stands is of the top, and lettering that reads mirrored of the bottom.
 */
final class Lettering implements Witness {
    private static final double LEAST_LETTER_NM = 500_000;
    private static final double LARGEST_LETTER_NM = 5_000_000;
    private static final int MOST = 120;

    /** Below this likeness a shape is no letter; without this difference it is one either way. */
    private static final double LIKE = 0.75;

    private static final double CLEARLY = 0.08;
    private static final int FEWEST = 4;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        for (Picture p : pack.pictures()) {
            if (p.isSparse() || p.isEmpty() || p.contour().isPresent()) {
                continue;
            }
            int[] ways = count(p);
            int all = ways[0] + ways[1];
            if (all < FEWEST) {
                continue;
            }
            double lean = (double) (ways[0] - ways[1]) / all;
            if (Math.abs(lean) < 0.4) {
                continue;
            }
            double bits = 6 * lean * Math.min(1, all / 8.0);
            testimony.say(
                    p.path(),
                    (bits > 0 ? ways[0] : ways[1])
                            + " of "
                            + all
                            + " letters in it read "
                            + (bits > 0 ? "as they stand" : "mirrored"),
                    r ->
                            r.kind() == Role.Kind.SILK || r.isCopper()
                                    ? Testimony.side(Side.TOP, bits).applyAsDouble(r)
                                    : 0);
        }
    }

    /** How many letters read as they stand, and how many mirrored. */
    private static int[] count(Picture p) {
        List<Blob> letters = new ArrayList<>();
        for (Blob b : p.blobs().all()) {
            double high = Math.max(b.widthNm(), b.heightNm());
            double low = Math.min(b.widthNm(), b.heightNm());
            if (high >= LEAST_LETTER_NM
                    && high <= LARGEST_LETTER_NM
                    && low >= 0.35 * high
                    && b.fill() < 0.8) {
                letters.add(b);
            }
        }
        int step = Math.max(1, (letters.size() + MOST - 1) / MOST);
        int[] ways = new int[2];
        for (int i = 0; i < letters.size(); i += step) {
            double[] shape = shape(p, letters.get(i));
            double straight = Glyphs.likeness(shape);
            double mirrored = Glyphs.likeness(Glyphs.mirrored(shape));
            if (Math.max(straight, mirrored) >= LIKE && Math.abs(straight - mirrored) >= CLEARLY) {
                ways[straight > mirrored ? 0 : 1]++;
            }
        }
        return ways;
    }

    /** A piece stretched to the box of the glyphs. */
    private static double[] shape(Picture p, Blob b) {
        double[] cells = new double[Glyphs.WIDTH * Glyphs.HEIGHT];
        double x0 = b.middle().x() - b.widthNm() / 2;
        double y0 = b.middle().y() - b.heightNm() / 2;
        for (int row = 0; row < Glyphs.HEIGHT; row++) {
            for (int column = 0; column < Glyphs.WIDTH; column++) {
                int dark = 0;
                for (int k = 0; k < 4; k++) {
                    double fx = (column + 0.25 + 0.5 * (k & 1)) / Glyphs.WIDTH;
                    double fy = (row + 0.25 + 0.5 * (k >> 1)) / Glyphs.HEIGHT;
                    Pt at =
                            new Pt(
                                    Math.round(x0 + fx * b.widthNm()),
                                    Math.round(y0 + fy * b.heightNm()));
                    dark += p.blobs().at(at) == b.number() ? 1 : 0;
                }
                cells[row * Glyphs.WIDTH + column] = dark / 4.0;
            }
        }
        return cells;
    }
}
