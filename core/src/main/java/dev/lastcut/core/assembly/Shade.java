package dev.lastcut.core.assembly;

import dev.lastcut.core.assembly.PartBodies.Body;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.distance.DistanceOp;

/**
 * The part that rises most above the line of sight of another.
 *
 * @param by the part that shades
 * @param allowedNm how high it could be there
 * @param from and {@code to}: where the two are nearest
 */
public record Shade(Body by, double allowedNm, Coordinate from, Coordinate to) {
    /** Sizes are nominal: a micrometre more is no more. */
    private static final double SAME_NM = 1_000;

    /**
     * @param deg the angle over the horizon above which all is to be open around the part
     * @param counts whether a body is held against it
     * @return empty when nothing shades it
     */
    public static Optional<Shade> of(
            Body part, double deg, List<Body> bodies, Predicate<Body> counts) {
        double slope = Math.tan(Math.toRadians(deg));
        Geometry own = part.outline();
        Body worst = null;
        double most = SAME_NM;
        for (Body b : bodies) {
            boolean higher = b.side() == part.side() && b.heightNm() > part.heightNm();
            if (b != part && higher && counts.test(b)) {
                double allowed = part.heightNm() + own.distance(b.outline()) * slope;
                if (b.heightNm() - allowed > most) {
                    most = b.heightNm() - allowed;
                    worst = b;
                }
            }
        }
        if (worst == null) {
            return Optional.empty();
        }
        Coordinate[] ends = DistanceOp.nearestPoints(own, worst.outline());
        return Optional.of(new Shade(worst, worst.heightNm() - most, ends[0], ends[1]));
    }

    public double awayNm() {
        return from.distance(to);
    }
}
