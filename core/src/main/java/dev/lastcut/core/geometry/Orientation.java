package dev.lastcut.core.geometry;

import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * How a shape is turned about its own origin: first mirrored (x becomes −x) if {@code mirrored},
 * then turned counter-clockwise by {@code rotationDeg}, then scaled.
 */
public record Orientation(boolean mirrored, double rotationDeg, double scale) {
    public static final Orientation NONE = new Orientation(false, 0, 1);

    public boolean isNone() {
        return !mirrored && rotationDeg == 0 && scale == 1;
    }

    /** The orientation of a shape with orientation {@code inner} inside one turned by this. */
    public Orientation around(Orientation inner) {
        double turned = mirrored ? -inner.rotationDeg : inner.rotationDeg;
        double sum = (rotationDeg + turned) % 360;
        return new Orientation(mirrored != inner.mirrored, sum, scale * inner.scale);
    }

    public Orientation resized(double factor) {
        double size = scale * factor;
        // Two scales that undo each other leave none, not almost none.
        return new Orientation(mirrored, rotationDeg, Math.abs(size - 1) < 1e-12 ? 1 : size);
    }

    public AffineTransformation affine() {
        AffineTransformation t = new AffineTransformation();
        if (mirrored) {
            t.scale(-1, 1);
        }
        if (rotationDeg % 90 == 0) {
            int quarter = Math.floorMod((int) (rotationDeg / 90), 4);
            double[] sin = {0, 1, 0, -1};
            t.rotate(sin[quarter], sin[(quarter + 1) % 4]);
        } else {
            t.rotate(Math.toRadians(rotationDeg));
        }
        return t.scale(scale, scale);
    }

    /** Where a point of the shape's own frame comes to lie, relative to the shape's origin. */
    public Pt apply(Pt p) {
        if (isNone()) {
            return p;
        }
        return Pt.of(affine().transform(p.coordinate(), p.coordinate()));
    }

    public Segment apply(Segment segment) {
        if (segment instanceof Segment.Arc arc) {
            var center = new org.locationtech.jts.geom.Coordinate(arc.centerX(), arc.centerY());
            affine().transform(center, center);
            return new Segment.Arc(
                    apply(arc.from()),
                    apply(arc.to()),
                    center.x,
                    center.y,
                    arc.clockwise() != mirrored);
        }
        return new Segment.Line(apply(segment.from()), apply(segment.to()));
    }
}
