package dev.lastcut.core.stencil.openings;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.stencil.HomePlate;
import dev.lastcut.core.stencil.Shaping;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.AffineTransformation;

/** Shapes one opening; what would close it is not done, and said. */
final class OpeningShaper {
    private static final double CHORD_NM = 40;
    private static final double NM_PER_MM = 1e6;

    private final Shaping how;
    private final StringBuilder refused = new StringBuilder();

    OpeningShaper(Shaping how) {
        this.how = how;
    }

    /** What could not be done, in words; "" when all was. */
    String refused() {
        return refused.toString();
    }

    /**
     * @param inward unit vector to the part's middle, for a part of two pads; empty for others
     * @return the same geometry when nothing changes it
     */
    Geometry shape(Geometry drawn, Optional<Coordinate> inward) {
        Geometry g = drawn;
        if (how.reduceMm().orElse(0.0) > 0) {
            double by = how.reduceMm().get();
            g = orRefuse(g, Geo.offset(g, -by * NM_PER_MM, CHORD_NM), by + " mm off each side");
        }
        if (how.reducePercent().orElse(0.0) > 0) {
            g = scaled(g, Math.sqrt(1 - how.reducePercent().get() / 100));
        }
        if (how.homePlate().isPresent() && inward.isPresent()) {
            g = pointed(g, how.homePlate().get(), inward.get());
        }
        if (how.cornerMm().orElse(0.0) > 0) {
            double r = how.cornerMm().get() * NM_PER_MM;
            // Fuller corners would make a long opening round, or nothing of it.
            Geometry core = Geo.offset(g, -r, CHORD_NM);
            g = orRefuse(g, Geo.offset(core, r, CHORD_NM), how.cornerMm().get() + " mm corners");
        }
        double mm2 = g.getArea() / (NM_PER_MM * NM_PER_MM);
        if (how.panes().isPresent() && mm2 > how.panes().get().overMm2()) {
            Optional<Geometry> panes = PaneGrid.of(g, how.panes().get());
            if (panes.isEmpty()) {
                refuse("webs of " + how.panes().get().webMm() + " mm leave nothing of it");
            }
            g = panes.orElse(g);
        }
        return g;
    }

    private Geometry orRefuse(Geometry before, Geometry after, String what) {
        if (after.isEmpty()) {
            refuse(what + " closes it");
            return before;
        }
        return after;
    }

    private void refuse(String what) {
        refused.append(refused.isEmpty() ? "" : "; ").append(what);
    }

    private static Geometry scaled(Geometry g, double by) {
        Coordinate c = g.getCentroid().getCoordinate();
        return AffineTransformation.scaleInstance(by, by, c.x, c.y).transform(g);
    }

    /** The end towards the part runs to a point over a share of the opening's length. */
    private static Geometry pointed(Geometry g, HomePlate plate, Coordinate inward) {
        Coordinate c = g.getCentroid().getCoordinate();
        double angle = Math.atan2(inward.y, inward.x);
        AffineTransformation there = AffineTransformation.rotationInstance(-angle, c.x, c.y);
        AffineTransformation back = AffineTransformation.rotationInstance(angle, c.x, c.y);
        Envelope e = there.transform(g).getEnvelopeInternal();
        double from = e.getMaxX() - plate.ratio() * e.getWidth();
        double middle = (e.getMinY() + e.getMaxY()) / 2;
        Geometry home =
                g.getFactory()
                        .createPolygon(
                                new Coordinate[] {
                                    new Coordinate(e.getMinX(), e.getMinY()),
                                    new Coordinate(from, e.getMinY()),
                                    new Coordinate(e.getMaxX(), middle),
                                    new Coordinate(from, e.getMaxY()),
                                    new Coordinate(e.getMinX(), e.getMaxY()),
                                    new Coordinate(e.getMinX(), e.getMinY())
                                });
        return Geo.intersection(g, back.transform(home));
    }
}
