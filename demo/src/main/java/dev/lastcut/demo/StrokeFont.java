package dev.lastcut.demo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A plain stroke font on a grid of 4 by 6: each glyph is polylines parted by spaces, each point a
 * pair of digits.
 */
final class StrokeFont {
    private static final Map<Character, String> GLYPHS = new HashMap<>();
    private static final double ADVANCE = 5.6;

    static {
        String table =
                """
                A=0004264440 0242
                B=00063645443303 334241300000
                C=4130100105163645
                D=00062644422000
                E=40000646 0333
                F=000646 0333
                G=45361605011030414323
                H=0006 4046 0343
                I=1030 2026 1636
                J=0110304146
                K=0006 460340
                L=060040
                M=0006234640
                N=00064046
                O=103041453616050110
                P=00063645443303
                Q=103041453616050110 2240
                R=00063645443303 2340
                S=011030414233130405163645
                T=0646 2620
                U=060110304146
                V=062046
                W=0610233046
                X=0046 0640
                Y=062346 2320
                Z=06460040
                0=103041453616050110 0145
                1=152620 1030
                2=05163645440040
                3=05163645443313 334241301001
                4=30360242
                5=460603334241301001
                6=4536160501103041423303
                7=064610
                8=13020110304142331304051636454433
                9=0110304145361605041343
                +=0343 2125
                -=0343
                .=2021
                /=0046
                """;
        for (String line : table.strip().split("\n")) {
            GLYPHS.put(line.strip().charAt(0), line.strip().substring(2));
        }
    }

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
            String glyph = GLYPHS.getOrDefault(text.charAt(i), "");
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
