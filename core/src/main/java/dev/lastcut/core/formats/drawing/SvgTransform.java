package dev.lastcut.core.formats.drawing;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.locationtech.jts.geom.util.AffineTransformation;

/** The transform attribute (W3C SVG 1.1, "The transform attribute"). */
final class SvgTransform {
    private static final Pattern FUNCTION = Pattern.compile("([a-zA-Z]+)\\s*\\(([^)]*)\\)");

    private SvgTransform() {}

    /**
     * @throws IllegalArgumentException when a function is unknown or has a wrong number of values
     */
    static AffineTransformation parse(String text) {
        AffineTransformation all = new AffineTransformation();
        Matcher m = FUNCTION.matcher(text);
        while (m.find()) {
            String[] words = m.group(2).strip().split("[\\s,]+");
            double[] v = new double[words.length];
            for (int i = 0; i < v.length; i++) {
                v[i] = Double.parseDouble(words[i]);
            }
            all.composeBefore(one(m.group(1), v));
        }
        return all;
    }

    private static AffineTransformation one(String name, double[] v) {
        int n = v.length;
        if (name.equals("matrix") && n == 6) {
            return new AffineTransformation(v[0], v[2], v[4], v[1], v[3], v[5]);
        }
        if (name.equals("translate") && n <= 2) {
            return AffineTransformation.translationInstance(v[0], n > 1 ? v[1] : 0);
        }
        if (name.equals("scale") && n <= 2) {
            return AffineTransformation.scaleInstance(v[0], n > 1 ? v[1] : v[0]);
        }
        if (name.equals("rotate") && (n == 1 || n == 3)) {
            double a = Math.toRadians(v[0]);
            return n == 1
                    ? AffineTransformation.rotationInstance(a)
                    : AffineTransformation.rotationInstance(a, v[1], v[2]);
        }
        if (name.equals("skewX") && n == 1) {
            return AffineTransformation.shearInstance(Math.tan(Math.toRadians(v[0])), 0);
        }
        if (name.equals("skewY") && n == 1) {
            return AffineTransformation.shearInstance(0, Math.tan(Math.toRadians(v[0])));
        }
        throw new IllegalArgumentException("transform '" + name + "' with " + n + " values");
    }
}
