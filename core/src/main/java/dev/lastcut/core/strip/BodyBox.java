package dev.lastcut.core.strip;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;

/**
 * Where the body of a placed part lies, in mm from hole 0 of strip 0: x along the strips, y
 * downwards across them, as seen from the part side.
 */
public final class BodyBox {
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private BodyBox() {}

    /**
     * How the feet of a fixed form are turned and shifted.
     *
     * @param quarters of a turn clockwise, as seen from the part side
     */
    record Pose(int quarters, GridHole first) {}

    /** A foot after so many quarters of a turn clockwise about the first one. */
    public static GridHole turned(GridHole foot, int quarters) {
        return new GridHole(turnedStrip(foot, quarters), turnedHole(foot, quarters));
    }

    static int turnedStrip(GridHole f, int quarters) {
        return switch (quarters & 3) {
            case 1 -> f.hole();
            case 2 -> -f.strip();
            case 3 -> -f.hole();
            default -> f.strip();
        };
    }

    static int turnedHole(GridHole f, int quarters) {
        return switch (quarters & 3) {
            case 1 -> -f.strip();
            case 2 -> -f.hole();
            case 3 -> f.strip();
            default -> f.hole();
        };
    }

    /**
     * How a part of fixed leads stands; empty when its leads do not reach the holes of its pins.
     */
    static Optional<Pose> pose(StripPart part, LeadForm form, StripPlan.Placed placed) {
        for (int quarters = 0; quarters < 4; quarters++) {
            Optional<Pose> pose = pose(part, form, placed, quarters);
            if (pose.isPresent()) {
                return pose;
            }
        }
        return Optional.empty();
    }

    private static Optional<Pose> pose(
            StripPart part, LeadForm form, StripPlan.Placed placed, int quarters) {
        GridHole first = null;
        int known = 0;
        for (int i = 0; i < Math.min(part.pins().size(), form.leads()); i++) {
            GridHole at = placed.pins().get(part.pins().get(i));
            if (at == null) {
                continue;
            }
            GridHole foot = form.feet().get(i);
            GridHole origin = at.plus(-turnedStrip(foot, quarters), -turnedHole(foot, quarters));
            if (first != null && !first.equals(origin)) {
                return Optional.empty();
            }
            first = origin;
            known++;
        }
        return known == 0 ? Optional.empty() : Optional.of(new Pose(quarters, first));
    }

    /** Whether the leads of a part reach the holes of its pins. */
    public static boolean reaches(StripPart part, StripPlan.Placed placed) {
        if (part.form().isEmpty()) {
            return false;
        }
        LeadForm form = part.form().get();
        if (!form.isBendable()) {
            return pose(part, form, placed).isPresent();
        }
        List<GridHole> ends = ends(part, placed);
        if (ends.size() != 2) {
            return false;
        }
        double span = ends.get(0).distance(ends.get(1));
        if (placed.standing() && form.standing()) {
            return span >= 1 && span <= MOST_STANDING;
        }
        return span >= form.leastSpan() - 1e-9 && span <= form.mostSpan() + 1e-9;
    }

    /** How far the long lead of an upright part is bent away, pitches. */
    public static final int MOST_STANDING = 3;

    private static List<GridHole> ends(StripPart part, StripPlan.Placed placed) {
        List<GridHole> ends = new ArrayList<>();
        for (String pin : part.pins()) {
            if (placed.pins().containsKey(pin)) {
                ends.add(placed.pins().get(pin));
            }
        }
        return ends;
    }

    /**
     * The outline of a body.
     *
     * @param pitchMm from hole to hole
     * @return empty when the form is not known or does not reach
     */
    public static Optional<Geometry> of(StripPart part, StripPlan.Placed placed, double pitchMm) {
        if (part.form().isEmpty() || !reaches(part, placed)) {
            return Optional.empty();
        }
        LeadForm form = part.form().get();
        LeadForm.Box b = form.body();
        if (!form.isBendable()) {
            Pose pose = pose(part, form, placed).orElseThrow();
            return Optional.of(
                    turned(
                            b,
                            pose.quarters() * Math.PI / 2,
                            pose.first().hole() * pitchMm,
                            pose.first().strip() * pitchMm));
        }
        List<GridHole> ends = ends(part, placed);
        GridHole a = ends.get(0);
        GridHole z = ends.get(1);
        if (placed.standing() && form.standing()) {
            double r = (b.maxY() - b.minY()) / 2;
            return Optional.of(
                    turned(
                            new LeadForm.Box(-r, -r, r, r),
                            0,
                            a.hole() * pitchMm,
                            a.strip() * pitchMm));
        }
        double angle = Math.atan2(z.strip() - a.strip(), z.hole() - a.hole());
        double x = (a.hole() + z.hole()) / 2.0 * pitchMm;
        double y = (a.strip() + z.strip()) / 2.0 * pitchMm;
        return Optional.of(turned(b, angle, x, y));
    }

    /** A box turned about its origin (clockwise on the page, as y runs down) and put at a place. */
    private static Geometry turned(LeadForm.Box b, double angle, double x, double y) {
        double[][] corners = {
            {b.minX(), b.minY()}, {b.maxX(), b.minY()}, {b.maxX(), b.maxY()}, {b.minX(), b.maxY()}
        };
        Coordinate[] ring = new Coordinate[5];
        for (int i = 0; i < 4; i++) {
            double cx = corners[i][0];
            double cy = corners[i][1];
            ring[i] =
                    new Coordinate(
                            x + cx * Math.cos(angle) - cy * Math.sin(angle),
                            y + cx * Math.sin(angle) + cy * Math.cos(angle));
        }
        ring[4] = ring[0].copy();
        return FACTORY.createPolygon(ring);
    }
}
