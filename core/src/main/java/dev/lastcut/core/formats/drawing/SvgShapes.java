package dev.lastcut.core.formats.drawing;

import javax.xml.stream.XMLStreamReader;
import org.locationtech.jts.geom.util.AffineTransformation;

/** The basic shapes of SVG. Lengths are user units; units within shapes are not looked at. */
final class SvgShapes {
    private SvgShapes() {}

    /**
     * @throws IllegalArgumentException when an attribute is no number
     */
    static void draw(XMLStreamReader in, AffineTransformation to, PathBuilder out) {
        switch (in.getLocalName()) {
            case "path" -> {
                String d = in.getAttributeValue(null, "d");
                if (d != null) {
                    new SvgPath(d, to, out).run();
                }
            }
            case "line" ->
                    out.line(
                            to,
                            number(in, "x1"),
                            number(in, "y1"),
                            number(in, "x2"),
                            number(in, "y2"));
            case "circle" ->
                    out.arc(
                            to,
                            number(in, "cx"),
                            number(in, "cy"),
                            number(in, "r"),
                            0,
                            2 * Math.PI);
            case "ellipse" -> ellipse(in, to, out);
            case "rect" -> rectangle(in, to, out);
            case "polyline", "polygon" -> points(in, to, out);
            default -> {}
        }
    }

    private static void ellipse(XMLStreamReader in, AffineTransformation to, PathBuilder out) {
        double rx = number(in, "rx");
        double ry = number(in, "ry");
        if (rx == ry) {
            out.arc(to, number(in, "cx"), number(in, "cy"), rx, 0, 2 * Math.PI);
        } else {
            out.ellipse(to, number(in, "cx"), number(in, "cy"), rx, ry, 0, 0, 2 * Math.PI);
        }
    }

    private static void rectangle(XMLStreamReader in, AffineTransformation to, PathBuilder out) {
        double x = number(in, "x");
        double y = number(in, "y");
        double w = number(in, "width");
        double h = number(in, "height");
        double rx = number(in, "rx");
        double ry = number(in, "ry");
        rx = Math.min(rx == 0 ? ry : rx, w / 2);
        ry = Math.min(ry == 0 ? rx : ry, h / 2);
        if (w <= 0 || h <= 0) {
            return;
        }
        String d =
                rx == 0
                        ? String.format(java.util.Locale.ROOT, "M%s %sh%sv%sh%sz", x, y, w, h, -w)
                        : "M"
                                + (x + rx)
                                + " "
                                + y
                                + "h"
                                + (w - 2 * rx)
                                + corner(rx, ry, rx, ry)
                                + "v"
                                + (h - 2 * ry)
                                + corner(rx, ry, -rx, ry)
                                + "h"
                                + (2 * rx - w)
                                + corner(rx, ry, -rx, -ry)
                                + "v"
                                + (2 * ry - h)
                                + corner(rx, ry, rx, -ry)
                                + "z";
        new SvgPath(d, to, out).run();
    }

    private static String corner(double rx, double ry, double dx, double dy) {
        return "a" + rx + " " + ry + " 0 0 1 " + dx + " " + dy;
    }

    private static void points(XMLStreamReader in, AffineTransformation to, PathBuilder out) {
        String text = in.getAttributeValue(null, "points");
        if (text != null && !text.isBlank()) {
            String close = in.getLocalName().equals("polygon") ? "z" : "";
            new SvgPath("M" + text + close, to, out).run();
        }
    }

    private static double number(XMLStreamReader in, String name) {
        String value = in.getAttributeValue(null, name);
        if (value == null || value.isBlank()) {
            return 0;
        }
        String digits = value.strip().replaceFirst("(px)$", "");
        return Double.parseDouble(digits);
    }
}
