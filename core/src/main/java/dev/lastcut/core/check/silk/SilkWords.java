package dev.lastcut.core.check.silk;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Piece;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.Nearby;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PieceIndex;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;

/**
 * Lettering in the silk. Strokes that touch are a letter when they are small; letters in a row are
 * a word, and its height is measured across the row over all ink. Figures round a mask opening are
 * part outlines, and what stands alone is a mark; neither is lettering.
 */
public final class SilkWords {
    /** Nothing larger than this is taken for a letter: 4 mm. */
    private static final double LETTER_NM = 4_000_000;

    private SilkWords() {}

    /** Strokes that touch each other. */
    public record Letter(List<Piece> strokes, Envelope box) {
        double size() {
            return Math.max(box.getWidth(), box.getHeight());
        }
    }

    /** A word, and the two points its height was measured between. */
    public record Word(List<Letter> letters, Measure height) {
        public Envelope box() {
            Envelope e = new Envelope();
            letters.forEach(l -> e.expandToInclude(l.box()));
            return e;
        }

        public List<Piece> pieces() {
            return letters.stream().flatMap(l -> l.strokes().stream()).toList();
        }
    }

    /** The words on a side. */
    public static List<Word> on(BoardGeometry g, Side side) {
        record Key(Side side) {}
        return g.once(new Key(side), () -> find(g, side));
    }

    private static List<Word> find(BoardGeometry g, Side side) {
        PieceIndex mask = g.index(Role.of(Role.Kind.MASK, side));
        List<Letter> letters = new ArrayList<>();
        for (Letter l : letters(g.index(Role.of(Role.Kind.SILK, side)))) {
            if (l.size() < LETTER_NM && l.size() > 0 && mask.near(l.box).isEmpty()) {
                letters.add(l);
            }
        }
        List<Word> words = new ArrayList<>();
        for (List<Letter> row : rows(letters)) {
            if (row.size() > 1) {
                words.add(new Word(row, height(row)));
            }
        }
        return words;
    }

    private static List<Letter> letters(PieceIndex silk) {
        List<Letter> letters = new ArrayList<>();
        silk.touching(p -> p.feature() instanceof Feature.Stroke)
                .forEach(
                        g -> {
                            Envelope e = new Envelope();
                            g.forEach(p -> e.expandToInclude(p.envelope()));
                            letters.add(new Letter(g, e));
                        });
        return letters;
    }

    /** Letters less than three tenths of their size apart stand in one row. */
    private static List<List<Letter>> rows(List<Letter> letters) {
        return Nearby.groups(letters, l -> Geo.expanded(l.box, 0.15 * l.size()), 0);
    }

    /** The ink's extent across the row, whose way is that of the letters' middles. */
    private static Measure height(List<Letter> row) {
        double sx = 0;
        double sy = 0;
        for (Letter l : row) {
            sx += l.box.centre().x / row.size();
            sy += l.box.centre().y / row.size();
        }
        double xx = 0;
        double yy = 0;
        double xy = 0;
        for (Letter l : row) {
            double dx = l.box.centre().x - sx;
            double dy = l.box.centre().y - sy;
            xx += dx * dx;
            yy += dy * dy;
            xy += dx * dy;
        }
        double way = Math.atan2(2 * xy, xx - yy) / 2;
        // Letters differ in height, so their middles waver; rows run along an axis if they nearly
        // do.
        double quarter = Math.PI / 2;
        double axis = Math.rint(way / quarter) * quarter;
        double turned = Math.abs(way - axis) < 0.2 ? axis : way;
        double nx = -Math.sin(turned);
        double ny = Math.cos(turned);
        double low = Double.MAX_VALUE;
        double high = -Double.MAX_VALUE;
        for (Letter l : row) {
            for (Piece p : l.strokes) {
                for (Coordinate v : p.polygon().getCoordinates()) {
                    double h = (v.x - sx) * nx + (v.y - sy) * ny;
                    low = Math.min(low, h);
                    high = Math.max(high, h);
                }
            }
        }
        Pt from = new Pt(Math.round(sx + low * nx), Math.round(sy + low * ny));
        Pt to = new Pt(Math.round(sx + high * nx), Math.round(sy + high * ny));
        return new Measure(from, to, high - low);
    }
}
