package dev.lastcut.demo;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import org.locationtech.jts.geom.Geometry;

/**
 * One piece of copper of a demo board; layer 0 is the top, 1 the bottom, −1 both. Lengths in nm.
 */
sealed interface Copper {
    String net();

    int layer();

    Geometry shape();

    record Pad(
            Part part,
            String pin,
            String net,
            int layer,
            Pt at,
            long w,
            long h,
            Footprint.Shape form,
            long drill,
            long slot,
            boolean slotAlongY)
            implements Copper {
        @Override
        public Geometry shape() {
            return switch (form) {
                case ROUND -> Flattener.FINE.disc(at.x(), at.y(), w / 2.0);
                case OVAL -> oval();
                default ->
                        Geo.rectangle(
                                at.x() - w / 2, at.y() - h / 2, at.x() + w / 2, at.y() + h / 2);
            };
        }

        private Geometry oval() {
            long r = Math.min(w, h) / 2;
            Pt d = new Pt(w / 2 - r, h / 2 - r);
            return Flattener.FINE.stroke(new Segment.Line(at.minus(d), at.plus(d)), 2.0 * r);
        }
    }

    record Track(String net, int layer, Pt from, Pt to, long width) implements Copper {
        @Override
        public Geometry shape() {
            return Flattener.FINE.stroke(new Segment.Line(from, to), width);
        }
    }

    record Via(String net, Pt at, long pad, long drill) implements Copper {
        @Override
        public int layer() {
            return -1;
        }

        @Override
        public Geometry shape() {
            return Flattener.FINE.disc(at.x(), at.y(), pad / 2.0);
        }
    }
}
