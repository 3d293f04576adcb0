package dev.lastcut.server.api;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Segment;
import java.util.Locale;

/** Says in words what a feature is, with its size in mm. */
final class Shapes {
    private Shapes() {}

    static String of(Hole h) {
        String size = "Ø " + mm(h.diameter());
        return h.isSlot()
                ? "slot " + size + " × " + mm(h.from().distance(h.to()) + h.diameter())
                : size;
    }

    static String of(Feature f) {
        if (f instanceof Feature.Flash flash) {
            return of(flash.aperture());
        }
        if (f instanceof Feature.Stroke s) {
            String kind = s.path() instanceof Segment.Arc ? "arc" : "line";
            String width = s.roundWidth() > 0 ? mm(s.roundWidth()) : of(s.aperture());
            return kind + " " + width + " wide, " + mm(s.path().length()) + " long";
        }
        return "area";
    }

    private static String of(Aperture a) {
        if (a instanceof Aperture.Circle c) {
            return "round " + mm(c.diameter());
        }
        if (a instanceof Aperture.Rectangle r) {
            return "rectangle " + mm(r.width()) + " × " + mm(r.height());
        }
        if (a instanceof Aperture.Obround o) {
            return "obround " + mm(o.width()) + " × " + mm(o.height());
        }
        if (a instanceof Aperture.Polygon p) {
            return p.corners() + "-sided " + mm(p.diameter());
        }
        if (a instanceof Aperture.Macro m) {
            var e =
                    new dev.lastcut.core.board.Shaper(dev.lastcut.core.geometry.Flattener.SCREEN)
                            .shape(
                                    new Feature.Flash(
                                            m,
                                            dev.lastcut.core.geometry.Pt.ORIGIN,
                                            dev.lastcut.core.geometry.Orientation.NONE,
                                            true,
                                            0,
                                            dev.lastcut.core.board.ObjectAttributes.NONE))
                            .getEnvelopeInternal();
            return "shape " + mm(e.getWidth()) + " × " + mm(e.getHeight());
        }
        return "block";
    }

    private static String mm(double nm) {
        return String.format(Locale.ROOT, "%.3f mm", Length.toMm(nm));
    }
}
