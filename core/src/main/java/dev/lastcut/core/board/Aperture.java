package dev.lastcut.core.board;

import java.util.List;
import org.locationtech.jts.geom.Coordinate;

/**
 * The shape that is flashed or drawn with, about its own origin. Lengths in nm. {@code hole} is the
 * diameter of a round hole in the middle, 0 for none.
 */
public sealed interface Aperture {
    record Circle(double diameter, double hole) implements Aperture {}

    record Rectangle(double width, double height, double hole) implements Aperture {}

    /** A rectangle whose shorter sides are half circles. */
    record Obround(double width, double height, double hole) implements Aperture {}

    /** A regular polygon by its circumscribed diameter; the first corner at {@code rotationDeg}. */
    record Polygon(double diameter, int corners, double rotationDeg, double hole)
            implements Aperture {}

    /** An evaluated macro: primitives in order, each adding or erasing. */
    record Macro(String name, List<Primitive> primitives) implements Aperture {
        public Macro {
            primitives = List.copyOf(primitives);
        }
    }

    /** A block: features of its own, flashed together. */
    record Block(List<Feature> features) implements Aperture {
        public Block {
            features = List.copyOf(features);
        }
    }

    /** One primitive of a macro, already turned into its place. */
    sealed interface Primitive {
        /** False where the primitive erases what the earlier ones drew. */
        boolean adds();
    }

    record Disc(boolean adds, double cx, double cy, double diameter) implements Primitive {}

    /** A closed outline; first and last point equal. Coordinates in nm. */
    record Outline(boolean adds, List<Coordinate> ring) implements Primitive {
        public Outline {
            ring = List.copyOf(ring);
        }
    }

    /** A ring of the outer diameter less the inner, cut by a cross of the given gap. */
    record Thermal(double cx, double cy, double outer, double inner, double gap, double rotationDeg)
            implements Primitive {
        @Override
        public boolean adds() {
            return true;
        }
    }
}
