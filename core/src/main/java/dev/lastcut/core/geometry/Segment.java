package dev.lastcut.core.geometry;

import org.locationtech.jts.geom.Envelope;

/**
 * One piece of a path: straight or circular. Ends are exact; the centre of an arc may be off-grid.
 */
public sealed interface Segment {
    Pt from();

    Pt to();

    /** Length along the path, nm. */
    double length();

    Segment translated(Pt by);

    Segment reversed();

    /** The place half-way along. */
    Pt middle();

    /** The smallest box around the path, arcs included. */
    Envelope envelope();

    record Line(Pt from, Pt to) implements Segment {
        @Override
        public double length() {
            return from.distance(to);
        }

        @Override
        public Line translated(Pt by) {
            return new Line(from.plus(by), to.plus(by));
        }

        @Override
        public Line reversed() {
            return new Line(to, from);
        }

        @Override
        public Pt middle() {
            return from.middle(to);
        }

        @Override
        public Envelope envelope() {
            return new Envelope(from.x(), to.x(), from.y(), to.y());
        }
    }

    /**
     * A circular arc about ({@code centerX}, {@code centerY}) nm. When {@code from} equals {@code
     * to} it is a full circle. Where the two end radii differ (files round them), the radius runs
     * evenly from one to the other.
     */
    record Arc(Pt from, Pt to, double centerX, double centerY, boolean clockwise)
            implements Segment {
        public double startAngle() {
            return Math.atan2(from.y() - centerY, from.x() - centerX);
        }

        public double startRadius() {
            return Math.hypot(from.x() - centerX, from.y() - centerY);
        }

        public double endRadius() {
            return Math.hypot(to.x() - centerX, to.y() - centerY);
        }

        /** Signed angle travelled, radians: positive counter-clockwise, up to a full turn. */
        public double sweep() {
            double full = 2 * Math.PI;
            if (from.equals(to)) {
                return clockwise ? -full : full;
            }
            double end = Math.atan2(to.y() - centerY, to.x() - centerX);
            double turn = (end - startAngle()) % full;
            if (clockwise) {
                return turn >= 0 ? turn - full : turn;
            }
            return turn <= 0 ? turn + full : turn;
        }

        /** The place at the fraction {@code t} (0 to 1) of the way. */
        public Pt at(double t) {
            double angle = startAngle() + sweep() * t;
            double radius = startRadius() + (endRadius() - startRadius()) * t;
            return new Pt(
                    Math.round(centerX + radius * Math.cos(angle)),
                    Math.round(centerY + radius * Math.sin(angle)));
        }

        @Override
        public double length() {
            return Math.abs(sweep()) * (startRadius() + endRadius()) / 2;
        }

        @Override
        public Arc translated(Pt by) {
            return new Arc(
                    from.plus(by), to.plus(by), centerX + by.x(), centerY + by.y(), clockwise);
        }

        @Override
        public Arc reversed() {
            return new Arc(to, from, centerX, centerY, !clockwise);
        }

        @Override
        public Pt middle() {
            return at(0.5);
        }

        @Override
        public Envelope envelope() {
            Envelope box = new Envelope(from.x(), to.x(), from.y(), to.y());
            double start = startAngle();
            double sweep = sweep();
            double low = Math.min(start, start + sweep);
            double high = Math.max(start, start + sweep);
            double r = Math.max(startRadius(), endRadius());
            for (int quarter = (int) Math.ceil(low / (Math.PI / 2));
                    quarter * Math.PI / 2 <= high;
                    quarter++) {
                double a = quarter * Math.PI / 2;
                box.expandToInclude(centerX + r * Math.cos(a), centerY + r * Math.sin(a));
            }
            return box;
        }
    }
}
