package dev.lastcut.core.touch.picture;

import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * The stroke font that texts are drawn in. A glyph is polylines parted by spaces on a grid of 4 by
 * 6 over the base line; each point is a pair of digits, x and y, where {@code a} and {@code b} are
 * 1 and 2 below the line.
 */
public final class Lettering {
    /** From one glyph to the next, in units of the grid. */
    public static final double ADVANCE = 5.6;

    private static final double HEIGHT = 6;
    private static final Map<Character, String> GLYPHS = new HashMap<>();

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
                a=4334140301103041 4440
                b=0006 0110304143341403
                c=4334140301103041
                d=4640 4130100103143443
                e=02424334140301103041
                f=1015264645 0434
                g=4130100103143443 444a3b1b0a
                h=0006 031434434040
                i=1424203010 2626
                j=24342b1b0a 3636
                k=0006 340240 1230
                l=1626203040
                m=0004 031424202024344340
                n=0004 031434434040
                o=103041433414030110
                p=0b04 0110304143341403
                q=4b44 4130100103143443
                r=0004 0214344443
                s=0010304132120314344444
                t=261120304041 0434
                u=040110304144 4140
                v=042044
                w=0410223044
                x=0044 0440
                y=0420 441b0b
                z=04440040
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
                ,=211a
                :=2122 2425
                ;=2425 211a
                !=2026 2222
                ?=051636454422 2020
                '=2625
                "=1615 3635
                (=362412 12112030
                )=162432 32312010
                [=36161030
                ]=16363010
                {=362522122110 1230
                }=162522322130 3210
                <=440340
                >=040340
                ==0242 0444
                _=0040
                /=0046
                |=2b26
                *=0343 1531 3511
                #=1016 3036 0242 0444
                %=0046 0605151606 4030314140
                &=40051626351301103042
                @=33221232332422 4130100105163645
                $=011030414233130405163645 2026
                ^=042644
                ~=0314323344
                \\=0640
                °=151626251514
                µ=0b04 0110304144 4140
                μ=0b04 0110304144 4140
                Ω=0010110304163643413040
                ±=0444 2226 0040
                ×=0145 0541
                ä=4334140301103041 4440 1616 3636
                ö=103041433414030110 1616 3636
                ü=040110304144 4140 1616 3636
                ß=0b05162635331343413010
                """;
        for (String line : table.strip().split("\n")) {
            GLYPHS.put(line.strip().charAt(0), line.strip().substring(2));
        }
        GLYPHS.put(' ', "");
    }

    private Lettering() {}

    /** A glyph as it is written down, empty for a sign there is none for. */
    public static String glyph(char sign) {
        return GLYPHS.getOrDefault(sign, "");
    }

    /** The signs of a text that the font lacks, in order. */
    public static String lacks(String text) {
        TreeSet<Character> missing = new TreeSet<>();
        for (char c : text.toCharArray()) {
            if (!GLYPHS.containsKey(c)) {
                missing.add(c);
            }
        }
        StringBuilder all = new StringBuilder();
        missing.forEach(all::append);
        return all.toString();
    }

    /** Width of a text of a height, both nm. */
    public static double width(String text, double height) {
        return Math.max(0, (text.length() * ADVANCE - (ADVANCE - 4)) * height / HEIGHT);
    }

    /**
     * The strokes of a text with the left end of its base line at a place.
     *
     * @param height of capitals, nm
     * @param rotationDeg counter-clockwise
     * @param mirrored to be read from below
     */
    public static List<Segment> strokes(
            String text, Pt at, double height, double rotationDeg, boolean mirrored) {
        List<Segment> out = new ArrayList<>();
        double unit = height / HEIGHT;
        double cos = Math.cos(Math.toRadians(rotationDeg));
        double sin = Math.sin(Math.toRadians(rotationDeg));
        for (int i = 0; i < text.length(); i++) {
            String glyph = glyph(text.charAt(i));
            for (String line : glyph.split(" ")) {
                Pt last = null;
                for (int k = 0; k + 1 < line.length(); k += 2) {
                    double x = (i * ADVANCE + digit(line.charAt(k))) * unit;
                    double y = digit(line.charAt(k + 1)) * unit;
                    double mx = mirrored ? -x : x;
                    Pt next =
                            new Pt(
                                    Math.round(at.x() + mx * cos - y * sin),
                                    Math.round(at.y() + mx * sin + y * cos));
                    if (last != null) {
                        out.add(new Segment.Line(last, next));
                    }
                    last = next;
                }
            }
        }
        return out;
    }

    private static int digit(char c) {
        return c >= 'a' ? 'a' - c - 1 : c - '0';
    }
}
