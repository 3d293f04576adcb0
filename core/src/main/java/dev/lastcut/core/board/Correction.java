package dev.lastcut.core.board;

import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * How the content of a file is moved so that it fits the others: mirrored (x becomes −x), turned
 * counter-clockwise by quarter turns, scaled, then shifted.
 *
 * @param quarterTurns 0 to 3
 * @param scale of the places; sizes follow unless digits were mistaken
 * @param shift in nm
 */
public record Correction(boolean mirrored, int quarterTurns, double scale, Pt shift) {
    public static final Correction NONE = new Correction(false, 0, 1, Pt.ORIGIN);
    private static final double INCH = 25.4;

    /** Farther off than this it is a unit or a number of digits that was mistaken. */
    private static final double PICTURE_SCALE = 0.3;

    public Correction {
        if (!(scale > 1e-4) || scale > 1e4 || quarterTurns < 0 || quarterTurns > 3) {
            throw new IllegalArgumentException("scale " + scale + ", turns " + quarterTurns);
        }
    }

    public boolean isNone() {
        return equals(NONE);
    }

    private Orientation orientation() {
        return new Orientation(mirrored, 90.0 * quarterTurns, scale);
    }

    /**
     * What sizes are scaled by. A picture that was drawn some per cent too large is so in all it
     * shows. A mistaken unit changes sizes along with places; a mistaken number of digits changes
     * places alone, as sizes are written with a decimal point. Both together make 2.54: inch 2.4
     * read as mm 3.3.
     */
    double sizeScale() {
        if (Math.abs(scale - 1) < PICTURE_SCALE) {
            return scale;
        }
        for (double digits : new double[] {1, 10}) {
            if (Math.abs(scale * digits / INCH - 1) < 1e-6) {
                return INCH;
            }
            if (Math.abs(scale * INCH / digits - 1) < 1e-6) {
                return 1 / INCH;
            }
        }
        return 1;
    }

    public Pt apply(Pt p) {
        return orientation().apply(p).plus(shift);
    }

    public Feature apply(Feature f) {
        return f.placed(orientation(), shift, true).resized(sizeScale() / scale);
    }

    public List<Feature> apply(List<Feature> features) {
        if (isNone()) {
            return features;
        }
        List<Feature> moved = new ArrayList<>(features.size());
        features.forEach(f -> moved.add(apply(f)));
        return moved;
    }

    /** Lines and arcs, moved. */
    public List<Segment> applyTo(List<Segment> segments) {
        return segments.stream().map(s -> orientation().apply(s).translated(shift)).toList();
    }

    public Hole apply(Hole h) {
        long diameter = Math.round(h.diameter() * sizeScale());
        return h.at(apply(h.from()), apply(h.to()), diameter);
    }

    /** This correction and, after it, a further one. */
    public Correction then(Correction further) {
        Orientation both = further.orientation().around(orientation());
        int turns = Math.floorMod((int) Math.round(both.rotationDeg() / 90), 4);
        double size = Math.abs(both.scale() - 1) < 1e-9 ? 1 : both.scale();
        return new Correction(both.mirrored(), turns, size, further.apply(shift));
    }

    /** "mirrored left to right, moved by 1.000 mm right and 0.500 mm down". */
    public String words() {
        List<String> all = new ArrayList<>();
        if (mirrored) {
            all.add("mirrored left to right");
        }
        if (quarterTurns != 0) {
            all.add("turned by " + 90 * quarterTurns + "°");
        }
        if (scale != 1) {
            all.add(String.format(Locale.ROOT, "scaled by %.6g", scale));
        }
        String x = way(shift.x(), "right", "left");
        String y = way(shift.y(), "up", "down");
        if (!x.isEmpty() || !y.isEmpty()) {
            all.add("moved by " + x + (x.isEmpty() || y.isEmpty() ? "" : " and ") + y);
        }
        return all.isEmpty() ? "as it is" : String.join(", ", all);
    }

    private static String way(long nm, String positive, String negative) {
        if (nm == 0) {
            return "";
        }
        return String.format(
                Locale.ROOT, "%.3f mm %s", Math.abs(nm) / 1e6, nm > 0 ? positive : negative);
    }
}
