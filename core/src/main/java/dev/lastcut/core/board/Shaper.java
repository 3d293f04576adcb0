package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Rings;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * Makes the area of a feature, its polarity aside. Remembers the shapes of apertures. Safe to share
 * between threads.
 */
public final class Shaper {
    private record Turned(Aperture aperture, Orientation orientation) {}

    private final Flattener flattener;
    private final Map<Turned, Geometry> flashed = new ConcurrentHashMap<>();

    public Shaper(Flattener flattener) {
        this.flattener = flattener;
    }

    public Geometry shape(Feature feature) {
        if (feature instanceof Feature.Flash flash) {
            return translate(turned(flash.aperture(), flash.orientation()), flash.at());
        }
        if (feature instanceof Feature.Stroke stroke) {
            return stroke(stroke);
        }
        Feature.Region region = (Feature.Region) feature;
        List<Geometry> parts = new ArrayList<>();
        for (List<Segment> contour : region.contours()) {
            parts.add(Rings.fill(flattener.polyline(contour)));
        }
        return Geo.union(parts);
    }

    private Geometry stroke(Feature.Stroke stroke) {
        if (stroke.aperture() instanceof Aperture.Circle) {
            return flattener.stroke(stroke.path(), stroke.roundWidth());
        }
        // Other apertures sweep their shape along; a convex one covers the hull of its two ends.
        Geometry base = turned(stroke.aperture(), stroke.orientation());
        Coordinate[] line = flattener.polyline(List.of(stroke.path()));
        List<Geometry> parts = new ArrayList<>();
        for (int i = 1; i < line.length; i++) {
            Geometry ends =
                    Geo.FACTORY.createGeometryCollection(
                            new Geometry[] {
                                translate(base, Pt.of(line[i - 1])), translate(base, Pt.of(line[i]))
                            });
            parts.add(ends.convexHull());
        }
        return Geo.union(parts);
    }

    private static Geometry translate(Geometry g, Pt by) {
        if (g instanceof Polygon p && p.getNumInteriorRing() == 0) {
            Coordinate[] ring = p.getExteriorRing().getCoordinates();
            Coordinate[] moved = new Coordinate[ring.length];
            for (int i = 0; i < ring.length; i++) {
                moved[i] = new Coordinate(ring[i].x + by.x(), ring[i].y + by.y());
            }
            return Geo.FACTORY.createPolygon(moved);
        }
        return AffineTransformation.translationInstance(by.x(), by.y()).transform(g);
    }

    /** The shape of an aperture about its own origin; computed once. */
    Geometry turned(Aperture aperture, Orientation orientation) {
        Turned key = new Turned(aperture, orientation);
        Geometry known = flashed.get(key);
        if (known == null) {
            // Not computeIfAbsent: a block makes shapes of other apertures on the way.
            known = make(key);
            flashed.put(key, known);
        }
        return known;
    }

    private Geometry make(Turned t) {
        Geometry plain = plain(t.aperture());
        if (t.orientation().isNone()) {
            return plain;
        }
        Geometry turned = t.orientation().affine().transform(plain);
        turned.apply((Coordinate c) -> Geo.GRID.makePrecise(c));
        turned.geometryChanged();
        return turned;
    }

    private Geometry plain(Aperture aperture) {
        if (aperture instanceof Aperture.Circle c) {
            return withHole(flattener.disc(0, 0, c.diameter() / 2), c.hole());
        }
        if (aperture instanceof Aperture.Rectangle r) {
            return withHole(box(r.width(), r.height()), r.hole());
        }
        if (aperture instanceof Aperture.Obround o) {
            return withHole(obround(o.width(), o.height()), o.hole());
        }
        if (aperture instanceof Aperture.Polygon p) {
            Coordinate[] ring =
                    Flattener.regular(
                            0, 0, p.diameter() / 2, p.corners(), Math.toRadians(p.rotationDeg()));
            return withHole(Geo.FACTORY.createPolygon(ring), p.hole());
        }
        if (aperture instanceof Aperture.Macro macro) {
            return macro(macro);
        }
        Geometry image = Geo.empty();
        for (Feature f : ((Aperture.Block) aperture).features()) {
            image = f.dark() ? Geo.union(image, shape(f)) : Geo.difference(image, shape(f));
        }
        return image;
    }

    private Geometry withHole(Geometry shape, double hole) {
        return hole > 0 ? Geo.difference(shape, flattener.disc(0, 0, hole / 2)) : shape;
    }

    private static Geometry box(double width, double height) {
        long x = Math.round(width / 2);
        long y = Math.round(height / 2);
        return Geo.rectangle(-x, -y, x, y);
    }

    private Geometry obround(double width, double height) {
        double r = Math.min(width, height) / 2;
        long dx = Math.round(width / 2 - r);
        long dy = Math.round(height / 2 - r);
        return flattener.stroke(new Segment.Line(new Pt(-dx, -dy), new Pt(dx, dy)), 2 * r);
    }

    private Geometry macro(Aperture.Macro macro) {
        Geometry image = Geo.empty();
        for (Aperture.Primitive primitive : macro.primitives()) {
            Geometry shape = primitive(primitive);
            image = primitive.adds() ? Geo.union(image, shape) : Geo.difference(image, shape);
        }
        return image;
    }

    private Geometry primitive(Aperture.Primitive primitive) {
        if (primitive instanceof Aperture.Disc d) {
            return flattener.disc(d.cx(), d.cy(), d.diameter() / 2);
        }
        if (primitive instanceof Aperture.Outline o) {
            return Rings.fill(o.ring().toArray(Coordinate[]::new));
        }
        Aperture.Thermal t = (Aperture.Thermal) primitive;
        Geometry ring = flattener.disc(t.cx(), t.cy(), t.outer() / 2);
        if (t.inner() > 0) {
            ring = Geo.difference(ring, flattener.disc(t.cx(), t.cy(), t.inner() / 2));
        }
        AffineTransformation place =
                AffineTransformation.rotationInstance(Math.toRadians(t.rotationDeg()), 0, 0)
                        .translate(t.cx(), t.cy());
        Geometry bars = Geo.union(box(t.outer(), t.gap()), box(t.gap(), t.outer()));
        return Geo.difference(ring, place.transform(bars));
    }
}
