package dev.lastcut.core.panel;

import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.CoordinateFilter;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * One board on a panel: its pack's coordinates, turned and then shifted, are the panel's.
 *
 * @param number counted from 1, the end of its designators
 * @param shift in nm
 */
public record PlacedBoard(int number, PanelSource source, double rotationDeg, Pt shift) {
    public Orientation orientation() {
        return new Orientation(false, rotationDeg, 1);
    }

    public Pt onPanel(Pt inPack) {
        return orientation().apply(inPack).plus(shift);
    }

    public Geometry onPanel(Geometry inPack) {
        AffineTransformation t = orientation().affine();
        t.translate(shift.x(), shift.y());
        return onGrid(t.transform(inPack));
    }

    private static Geometry onGrid(Geometry g) {
        g.apply(
                (CoordinateFilter)
                        c -> {
                            c.x = Math.rint(c.x);
                            c.y = Math.rint(c.y);
                        });
        g.geometryChanged();
        return g;
    }

    PartBodies.Body onPanel(PartBodies.Body b) {
        Coordinate centre = new Coordinate(b.centre());
        orientation().affine().transform(centre, centre);
        return new PartBodies.Body(
                named(b.designator()),
                b.side(),
                new Coordinate(centre.x + shift.x(), centre.y + shift.y()),
                b.length(),
                b.width(),
                b.angleDeg() + rotationDeg,
                b.heightNm(),
                b.throughHole(),
                b.source(),
                b.laid(),
                b.fitted());
    }

    /** What it takes up, cut-outs and all. */
    public Geometry filled() {
        return onPanel(source.filled());
    }

    public Envelope box() {
        return source.box(rotationDeg, shift);
    }

    /** "R1.3": the third board's. */
    public String named(String designator) {
        return designator.isEmpty() ? designator : designator + "." + number;
    }

    PlacedBoard moved(Pt by) {
        return new PlacedBoard(number, source, rotationDeg, shift.plus(by));
    }
}
