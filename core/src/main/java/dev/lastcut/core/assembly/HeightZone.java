package dev.lastcut.core.assembly;

import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/**
 * Where the room over the board ends: under an enclosure's lid, or a board stacked above.
 *
 * @param name what is there, in the maker's words
 * @param side the side of the board it lies over
 * @param atMostMm the greatest height over the board's surface, mm
 * @param area corners of the zone in the pack's coordinates; none for the whole board
 */
public record HeightZone(String name, Side side, double atMostMm, List<Pt> area) {
    private static final double MOST_MM = 500;

    /** Outlines that only touch the zone are outside it. */
    private static final double TOUCHING_NM2 = 1e8;

    /** Leads stand out so far on the other side (common practice, no source). */
    private static final double LEAD_NM = 1_500_000;

    /** Sizes are nominal: a micrometre more is no more. */
    private static final double SAME_NM = 1_000;

    /**
     * @throws IllegalArgumentException when it has no name, no height, or an area without room
     */
    public HeightZone {
        area = List.copyOf(area);
        if (name.isBlank()) {
            throw new IllegalArgumentException("name: say what is there");
        }
        if (!(atMostMm >= 0 && atMostMm <= MOST_MM)) {
            throw new IllegalArgumentException("at_most_mm: a height from 0 to 500 mm");
        }
        if (!area.isEmpty() && (area.size() < 3 || !shape(area).isValid())) {
            throw new IllegalArgumentException(
                    "area: three corners or more, and sides that do not cross");
        }
    }

    public boolean isWholeBoard() {
        return area.isEmpty();
    }

    /** The zone's area; empty geometry for the whole board. */
    public Geometry shape() {
        return isWholeBoard() ? Geo.empty() : shape(area);
    }

    /** Where a body lies under the zone, or its leads do; empty when neither does. */
    public Optional<Pt> under(Body b) {
        if (isWholeBoard()) {
            return Optional.of(PartBodies.middle(b));
        }
        Geometry shared = shape().intersection(b.outline());
        return shared.getArea() <= TOUCHING_NM2
                ? Optional.empty()
                : Optional.of(Pt.of(shared.getCentroid().getCoordinate()));
    }

    /** How far a body stands out on the zone's side: its height, or its leads; nm. */
    public double standsOut(Body b) {
        return b.side() == side ? b.heightNm() : b.throughHole() ? LEAD_NM : 0;
    }

    /** Whether a body is higher than the room. */
    public boolean isTooLowFor(Body b) {
        return b.fitted() && standsOut(b) > Length.mm(atMostMm) + SAME_NM && under(b).isPresent();
    }

    private static Geometry shape(List<Pt> area) {
        Coordinate[] ring = new Coordinate[area.size() + 1];
        for (int i = 0; i < area.size(); i++) {
            ring[i] = area.get(i).coordinate();
        }
        ring[area.size()] = ring[0].copy();
        return Geo.FACTORY.createPolygon(ring);
    }
}
