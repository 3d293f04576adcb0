package dev.lastcut.core.capability;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * Where on the board the house may print its order mark.
 *
 * @param at the middle of the room for it
 */
public record OrderMark(Side side, Pt at) {
    /** The value of {@link OrderOption#ORDER_MARK} that asks for such a place. */
    public static final String OUR_PLACE = "at our place";

    /** Room for a line of ten or so signs 1.2 mm high (common practice, no source). */
    public static final long WIDTH_NM = 10_000_000;

    public static final long HEIGHT_NM = 2_000_000;

    /** The room for it. */
    public Geometry room() {
        return Geo.rectangle(
                new Envelope(
                        at.x() - WIDTH_NM / 2.0,
                        at.x() + WIDTH_NM / 2.0,
                        at.y() - HEIGHT_NM / 2.0,
                        at.y() + HEIGHT_NM / 2.0));
    }

    /** "on the bottom, within 10 × 2 mm about 12.5, 30 mm". */
    public String words() {
        return "on the "
                + side.word()
                + ", within "
                + Length.shortMm(Length.toMm(WIDTH_NM))
                + " × "
                + Length.shortMm(Length.toMm(HEIGHT_NM))
                + " mm about "
                + Length.shortMm(Length.toMm(at.x()))
                + ", "
                + Length.shortMm(Length.toMm(at.y()))
                + " mm";
    }
}
