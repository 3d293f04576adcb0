package dev.lastcut.demo;

import dev.lastcut.core.touch.picture.Lettering;
import java.util.ArrayList;
import java.util.List;

/** The lettering of the touches, as lines in mm. */
final class StrokeFont {
    private static final double ADVANCE = Lettering.ADVANCE;

    private StrokeFont() {}

    /** Width of a text, mm. */
    static double width(String text, double height) {
        return (text.length() * ADVANCE - (ADVANCE - 4)) * height / 6;
    }

    /** Strokes {x0, y0, x1, y1} in mm with the text's lower left corner at (x, y). */
    static List<double[]> lines(String text, double x, double y, double height) {
        List<double[]> out = new ArrayList<>();
        double unit = height / 6;
        for (int i = 0; i < text.length(); i++) {
            String glyph = Lettering.glyph(text.charAt(i));
            double left = x + i * ADVANCE * unit;
            for (String stroke : glyph.split(" ")) {
                for (int k = 2; k + 1 < stroke.length(); k += 2) {
                    out.add(
                            new double[] {
                                left + (stroke.charAt(k - 2) - '0') * unit,
                                y + (stroke.charAt(k - 1) - '0') * unit,
                                left + (stroke.charAt(k) - '0') * unit,
                                y + (stroke.charAt(k + 1) - '0') * unit
                            });
                }
            }
        }
        return out;
    }
}
