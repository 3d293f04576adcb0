package dev.lastcut.core.adapter;

import dev.lastcut.core.touch.picture.Lettering;
import java.util.Locale;

/**
 * The part an adapter is for. Lengths in mm.
 *
 * @param pins in all rows together
 * @param rows 2 or 4
 * @param pitch from lead to lead
 * @param bodyWidth across the rows, without the leads
 * @param leadSpan from the tips of one row to the tips of the opposite one
 * @param exposedPad the side of a square pad under the body; 0 for none
 * @param name what stands on the board
 */
public record AdapterForm(
        int pins,
        int rows,
        double pitch,
        double bodyWidth,
        double leadSpan,
        double exposedPad,
        String name) {
    private static final int MOST_PINS = 144;
    private static final int LONGEST_NAME = 24;
    private static final double LEAST_PAD = 0.3;

    /**
     * @throws IllegalArgumentException when no part can be so, with a sentence
     */
    public AdapterForm {
        require(rows == 2 || rows == 4, "An adapter has 2 or 4 rows, not %d.", rows);
        require(
                pins >= rows && pins <= MOST_PINS && pins % rows == 0,
                "%d pins do not make %d equal rows; give %d to %d pins, a multiple of %d.",
                pins,
                rows,
                rows,
                MOST_PINS,
                rows);
        require(pitch >= 0.3 && pitch <= 2.54, "The pitch is 0.3 to 2.54 mm, not %s.", mm(pitch));
        require(
                bodyWidth >= 0.5 && bodyWidth <= 60,
                "The body is 0.5 to 60 mm wide, not %s.",
                mm(bodyWidth));
        require(
                leadSpan >= bodyWidth && leadSpan <= 70,
                "The lead span of %s is less than the body's width of %s, or above 70 mm.",
                mm(leadSpan),
                mm(bodyWidth));
        require(
                name.length() <= LONGEST_NAME && Lettering.lacks(name).isEmpty(),
                "The name takes up to %d signs that can be printed, not “%s”.",
                LONGEST_NAME,
                name);
        double along = ((double) pins / rows - 1) * pitch;
        require(
                rows == 2 || along < leadSpan,
                "Four rows of %d pins at %s are longer than the lead span of %s.",
                pins / rows,
                mm(pitch),
                mm(leadSpan));
        LandPattern land = new LandPattern(pitch, bodyWidth, leadSpan, rows == 4 ? along : 0);
        require(
                land.padLength() >= LEAST_PAD,
                "No pads of %s fit these rows; check pitch, body width and lead span.",
                mm(LEAST_PAD));
        double inner = 2 * land.innerEdge();
        require(
                exposedPad >= 0 && (exposedPad == 0 || exposedPad <= inner - 2 * LandPattern.ROOM),
                "An exposed pad of %s does not fit between the pads; at most %s.",
                mm(exposedPad),
                mm(Math.max(0, inner - 2 * LandPattern.ROOM)));
    }

    private static void require(boolean holds, String sentence, Object... with) {
        if (!holds) {
            throw new IllegalArgumentException(String.format(Locale.ROOT, sentence, with));
        }
    }

    private static String mm(double v) {
        return String.format(Locale.ROOT, "%.2f mm", v);
    }

    public int pinsPerRow() {
        return pins / rows;
    }

    public LandPattern land() {
        double along = rows == 4 ? (pinsPerRow() - 1) * pitch : 0;
        return new LandPattern(pitch, bodyWidth, leadSpan, along);
    }
}
