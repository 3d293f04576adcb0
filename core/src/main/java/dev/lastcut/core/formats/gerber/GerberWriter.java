package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Aperture;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.ObjectAttributes;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.locationtech.jts.geom.Coordinate;

/**
 * Writes a layer as Gerber X2: millimetres, format 4.6 (one unit is a nanometre, so nothing is
 * rounded), no deprecated command, attributes for file, apertures and objects.
 */
public final class GerberWriter {
    private record Tool(Aperture aperture, String function) {}

    private final StringBuilder out = new StringBuilder();
    private final Map<Tool, Integer> codes = new LinkedHashMap<>();
    private final Map<Aperture.Macro, String> macros = new LinkedHashMap<>();

    private int selected = -1;
    private boolean dark = true;
    private Orientation orientation = Orientation.NONE;
    private int interpolation = -1;
    private Pt at;
    private ObjectAttributes attributes = ObjectAttributes.NONE;

    private GerberWriter() {}

    /**
     * @param fileAttributes name without the leading dot to value, written in order
     * @return the file's bytes, the same for the same input on every machine
     */
    public static byte[] write(Map<String, String> fileAttributes, List<Feature> features) {
        GerberWriter w = new GerberWriter();
        w.header(fileAttributes);
        w.apertures(features);
        w.out.append("G75*\n");
        for (Feature f : features) {
            w.feature(f);
        }
        w.out.append("M02*\n");
        return w.out.toString().getBytes(StandardCharsets.UTF_8);
    }

    private void header(Map<String, String> fileAttributes) {
        out.append("%FSLAX46Y46*%\n%MOMM*%\n");
        fileAttributes.forEach(
                (name, value) ->
                        out.append("%TF.").append(name).append(',').append(value).append("*%\n"));
    }

    private void apertures(List<Feature> features) {
        for (Feature f : features) {
            Aperture a = apertureOf(f);
            if (a != null) {
                codes.computeIfAbsent(
                        new Tool(a, f.attributes().function()), k -> 10 + codes.size());
            }
        }
        for (Tool tool : codes.keySet()) {
            if (tool.aperture() instanceof Aperture.Macro m && !macros.containsKey(m)) {
                String name = "SHAPE" + (macros.size() + 1);
                macros.put(m, name);
                macro(name, m);
            }
        }
        String function = "";
        for (Map.Entry<Tool, Integer> e : codes.entrySet()) {
            function = apertureFunction(function, e.getKey().function());
            out.append("%ADD").append(e.getValue()).append(template(e.getKey().aperture()));
            out.append("*%\n");
        }
        apertureFunction(function, "");
    }

    private String apertureFunction(String before, String now) {
        if (!before.equals(now)) {
            out.append(now.isEmpty() ? "%TD.AperFunction*%\n" : "%TA.AperFunction," + now + "*%\n");
        }
        return now;
    }

    private static Aperture apertureOf(Feature f) {
        if (f instanceof Feature.Flash flash) {
            return flash.aperture();
        }
        return f instanceof Feature.Stroke stroke ? stroke.aperture() : null;
    }

    private String template(Aperture aperture) {
        if (aperture instanceof Aperture.Circle c) {
            return "C," + sizes(c.diameter()) + hole(c.hole());
        }
        if (aperture instanceof Aperture.Rectangle r) {
            return "R," + sizes(r.width(), r.height()) + hole(r.hole());
        }
        if (aperture instanceof Aperture.Obround o) {
            return "O," + sizes(o.width(), o.height()) + hole(o.hole());
        }
        if (aperture instanceof Aperture.Polygon p) {
            return "P,"
                    + sizes(p.diameter())
                    + "X"
                    + p.corners()
                    + "X"
                    + plain(p.rotationDeg())
                    + hole(p.hole());
        }
        if (aperture instanceof Aperture.Macro m) {
            return macros.get(m);
        }
        throw new IllegalArgumentException("block apertures are expanded when read: " + aperture);
    }

    private void macro(String name, Aperture.Macro macro) {
        out.append("%AM").append(name).append("*\n");
        for (Aperture.Primitive p : macro.primitives()) {
            if (p instanceof Aperture.Disc d) {
                out.append("1,").append(d.adds() ? 1 : 0).append(',').append(mm(d.diameter()));
                out.append(',').append(mm(d.cx())).append(',').append(mm(d.cy())).append("*\n");
            } else if (p instanceof Aperture.Outline o) {
                out.append("4,").append(o.adds() ? 1 : 0).append(',').append(o.ring().size() - 1);
                for (Coordinate c : o.ring()) {
                    out.append(",\n").append(mm(c.x)).append(',').append(mm(c.y));
                }
                out.append(",0*\n");
            } else if (p instanceof Aperture.Thermal t) {
                thermal(t);
            }
        }
        out.setLength(out.length() - 1);
        out.append("%\n");
    }

    /** The primitive turns about the macro's origin, so the centre is turned back first. */
    private void thermal(Aperture.Thermal t) {
        double a = Math.toRadians(-t.rotationDeg());
        double x = t.cx() * Math.cos(a) - t.cy() * Math.sin(a);
        double y = t.cx() * Math.sin(a) + t.cy() * Math.cos(a);
        out.append("7,").append(mm(x)).append(',').append(mm(y)).append(',').append(mm(t.outer()));
        out.append(',').append(mm(t.inner())).append(',').append(mm(t.gap()));
        out.append(',').append(plain(t.rotationDeg())).append("*\n");
    }

    private void feature(Feature f) {
        if (f.dark() != dark) {
            dark = f.dark();
            out.append(dark ? "%LPD*%\n" : "%LPC*%\n");
        }
        objectAttributes(f.attributes());
        if (f instanceof Feature.Region region) {
            region(region);
            return;
        }
        Orientation turned =
                f instanceof Feature.Flash flash
                        ? flash.orientation()
                        : ((Feature.Stroke) f).orientation();
        orient(turned);
        select(codes.get(new Tool(apertureOf(f), f.attributes().function())));
        if (f instanceof Feature.Flash flash) {
            out.append(xy(flash.at())).append("D03*\n");
            at = flash.at();
        } else {
            draw(((Feature.Stroke) f).path());
        }
    }

    private void orient(Orientation now) {
        if (!orientation.equals(now)) {
            out.append(now.mirrored() ? "%LMX*%\n" : "%LMN*%\n");
            out.append("%LR").append(plain(now.rotationDeg())).append("*%\n");
            out.append("%LS").append(plain(now.scale())).append("*%\n");
            orientation = now;
        }
    }

    private void objectAttributes(ObjectAttributes now) {
        boolean same =
                Objects.equals(now.net(), attributes.net())
                        && Objects.equals(now.component(), attributes.component())
                        && Objects.equals(now.pin(), attributes.pin());
        if (same) {
            return;
        }
        if (!(attributes.net() + attributes.component()).isEmpty()) {
            out.append("%TD*%\n");
        }
        if (!now.net().isEmpty()) {
            out.append("%TO.N,").append(escape(now.net())).append("*%\n");
        }
        if (!now.component().isEmpty() && now.pin().isEmpty()) {
            out.append("%TO.C,").append(escape(now.component())).append("*%\n");
        } else if (!now.component().isEmpty()) {
            out.append("%TO.P,").append(escape(now.component())).append(',');
            out.append(escape(now.pin())).append("*%\n");
        }
        attributes = now;
    }

    private void region(Feature.Region region) {
        out.append("G36*\n");
        for (List<Segment> contour : region.contours()) {
            at = null;
            for (Segment s : contour) {
                draw(s);
            }
        }
        out.append("G37*\n");
        interpolation = -1;
    }

    private void draw(Segment s) {
        if (!s.from().equals(at)) {
            out.append(xy(s.from())).append("D02*\n");
        }
        if (s instanceof Segment.Arc arc) {
            interpolate(arc.clockwise() ? 2 : 3);
            long i = Math.round(arc.centerX()) - s.from().x();
            long j = Math.round(arc.centerY()) - s.from().y();
            out.append(xy(s.to())).append('I').append(i).append('J').append(j).append("D01*\n");
        } else {
            interpolate(1);
            out.append(xy(s.to())).append("D01*\n");
        }
        at = s.to();
    }

    private void interpolate(int mode) {
        if (interpolation != mode) {
            out.append("G0").append(mode).append("*\n");
            interpolation = mode;
        }
    }

    private void select(int code) {
        if (selected != code) {
            out.append('D').append(code).append("*\n");
            selected = code;
        }
    }

    private static String xy(Pt p) {
        return "X" + p.x() + "Y" + p.y();
    }

    private static String sizes(double... nm) {
        StringBuilder b = new StringBuilder();
        for (double v : nm) {
            b.append(b.isEmpty() ? "" : "X").append(mm(v));
        }
        return b.toString();
    }

    private static String hole(double nm) {
        return nm > 0 ? "X" + mm(nm) : "";
    }

    private static String mm(double nm) {
        return plain(Math.rint(nm) / 1e6);
    }

    private static String plain(double value) {
        return java.math.BigDecimal.valueOf(value)
                .setScale(9, java.math.RoundingMode.HALF_EVEN)
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String escape(String s) {
        StringBuilder b = new StringBuilder();
        for (char c : s.toCharArray()) {
            boolean reserved = c == '*' || c == '%' || c == ',' || c == '\\' || c > 126 || c < 32;
            b.append(reserved ? String.format("\\u%04X", (int) c) : String.valueOf(c));
        }
        return b.toString();
    }

    /**
     * The attributes of an aperture-independent file, in the order the specification lists them.
     */
    public static Map<String, String> fileAttributes(String function, boolean positive) {
        List<String[]> pairs = new ArrayList<>();
        pairs.add(new String[] {"GenerationSoftware", "Last Cut,last-cut,1"});
        pairs.add(new String[] {"FileFunction", function});
        pairs.add(new String[] {"FilePolarity", positive ? "Positive" : "Negative"});
        pairs.add(new String[] {"SameCoordinates", "pack"});
        pairs.add(new String[] {"Part", "Single"});
        Map<String, String> map = new LinkedHashMap<>();
        pairs.forEach(p -> map.put(p[0], p[1]));
        return map;
    }
}
