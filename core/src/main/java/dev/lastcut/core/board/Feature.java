package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.List;

/** One graphical object of a layer, in the order drawn. Dark adds to the picture, clear erases. */
public sealed interface Feature {
    boolean dark();

    /** The line of the file that made it; 0 where unknown. */
    int line();

    ObjectAttributes attributes();

    Feature translated(Pt by);

    /** The same feature inside a block that is turned by {@code how} and put at {@code at}. */
    Feature placed(Orientation how, Pt at, boolean keepPolarity);

    /** The same with its aperture larger by a factor, in the same place; regions stay. */
    Feature resized(double factor);

    /** An aperture put down at a place. */
    record Flash(
            Aperture aperture,
            Pt at,
            Orientation orientation,
            boolean dark,
            int line,
            ObjectAttributes attributes)
            implements Feature {
        @Override
        public Flash translated(Pt by) {
            return new Flash(aperture, at.plus(by), orientation, dark, line, attributes);
        }

        @Override
        public Flash placed(Orientation how, Pt origin, boolean keepPolarity) {
            return new Flash(
                    aperture,
                    how.apply(at).plus(origin),
                    how.around(orientation),
                    dark == keepPolarity,
                    line,
                    attributes);
        }

        @Override
        public Flash resized(double factor) {
            Orientation sized = orientation.resized(factor);
            return new Flash(aperture, at, sized, dark, line, attributes);
        }
    }

    /** An aperture drawn along a segment. */
    record Stroke(
            Aperture aperture,
            Segment path,
            Orientation orientation,
            boolean dark,
            int line,
            ObjectAttributes attributes)
            implements Feature {
        @Override
        public Stroke translated(Pt by) {
            return new Stroke(aperture, path.translated(by), orientation, dark, line, attributes);
        }

        @Override
        public Stroke placed(Orientation how, Pt origin, boolean keepPolarity) {
            return new Stroke(
                    aperture,
                    how.apply(path).translated(origin),
                    how.around(orientation),
                    dark == keepPolarity,
                    line,
                    attributes);
        }

        @Override
        public Stroke resized(double factor) {
            Orientation sized = orientation.resized(factor);
            return new Stroke(aperture, path, sized, dark, line, attributes);
        }

        /** The drawn width in nm when the aperture is round, or 0. */
        public double roundWidth() {
            return aperture instanceof Aperture.Circle c ? c.diameter() * orientation.scale() : 0;
        }
    }

    /** Filled contours; each is a closed path of segments. */
    record Region(List<List<Segment>> contours, boolean dark, int line, ObjectAttributes attributes)
            implements Feature {
        public Region {
            contours = contours.stream().map(List::copyOf).toList();
        }

        @Override
        public Region translated(Pt by) {
            return map(s -> s.translated(by), dark);
        }

        @Override
        public Region placed(Orientation how, Pt origin, boolean keepPolarity) {
            return map(s -> how.apply(s).translated(origin), dark == keepPolarity);
        }

        @Override
        public Region resized(double factor) {
            return this;
        }

        private Region map(java.util.function.UnaryOperator<Segment> each, boolean nowDark) {
            return new Region(
                    contours.stream().map(c -> c.stream().map(each).toList()).toList(),
                    nowDark,
                    line,
                    attributes);
        }
    }
}
