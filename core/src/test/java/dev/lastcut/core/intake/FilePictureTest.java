package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.intake.Pack.PackFile;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;

/** Small pictures of files, held against what the drawing must be by its numbers. */
class FilePictureTest {
    private static FilePicture of(String name, String text) {
        return FilePicture.of(new PackFile(name, text.getBytes(StandardCharsets.UTF_8)))
                .orElseThrow();
    }

    /** A 4 × 2 mm box with its middle at (3, 2) and a dot of 1 mm at (8, 5), nm. */
    private static final String GERBER =
            "%FSLAX46Y46*%\n%MOMM*%\n%ADD10R,4X2*%\n%ADD11C,1*%\nD10*\nX3000000Y2000000D03*\n"
                    + "D11*\nX8000000Y5000000D03*\nM02*\n";

    @Test
    void aBoxIsDarkWhereItIs() {
        FilePicture p = of("a.gbr", GERBER);
        Envelope box = new Envelope(0, 10e6, 0, 10e6);
        int n = 100;
        float[] dark = p.darkness(box, n, n);
        // 6 % of margin: a pixel is 0.106 mm, and the middle of the box is the picture's.
        double pixel = 10 * 1.06 / n;
        double area = 0;
        for (int row = 0; row < n; row++) {
            for (int column = 0; column < n; column++) {
                double x = 5 + (column - n / 2 + 0.5) * pixel;
                double y = 5 - (row - n / 2 + 0.5) * pixel;
                boolean inside = Math.abs(x - 3) < 1.9 && Math.abs(y - 2) < 0.9;
                boolean outside =
                        (Math.abs(x - 3) > 2.1 || Math.abs(y - 2) > 1.1)
                                && Math.hypot(x - 8, y - 5) > 0.6;
                float d = dark[row * n + column];
                area += d * pixel * pixel;
                if (inside) {
                    assertThat(d).as("%.2f %.2f", x, y).isEqualTo(1);
                } else if (outside) {
                    assertThat(d).as("%.2f %.2f", x, y).isZero();
                }
            }
        }
        assertThat(area).isCloseTo(8 + Math.PI / 4, within(0.15));
    }

    @Test
    void aWideBoxIsShownWholeInItsProportions() {
        float[] dark = of("a.gbr", GERBER).darkness(new Envelope(0, 20e6, 0, 10e6), 40, 40);
        // 20 mm over 40 pixels: the dot at y = 5 lies in the rows of the middle.
        double pixel = 20 * 1.06 / 40;
        int column = (int) Math.floor((8 - 10) / pixel + 20);
        assertThat(dark[20 * 40 + column] + dark[19 * 40 + column]).isGreaterThan(0.5f);
    }

    @Test
    void theBoxAboutItAndFilesThatShowNothing() {
        Envelope e = of("a.gbr", GERBER).extent();
        assertThat(e.contains(3e6, 2e6)).isTrue();
        assertThat(e.contains(8e6, 5e6)).isTrue();
        assertThat(e.getMaxX()).isLessThan(10e6);
        FilePicture holes = of("a.drl", "M48\nMETRIC\nT1C1.0\n%\nT1\nX2.0Y3.0\nX6.0Y3.0\nM30\n");
        assertThat(holes.extent().getWidth()).isCloseTo(4e6, within(1e6));
        byte[] text = "Ref,X,Y\nR1,1,2\n".getBytes(StandardCharsets.UTF_8);
        assertThat(FilePicture.of(new PackFile("a.csv", text))).isEmpty();
        byte[] none = "%FSLAX46Y46*%\n%MOMM*%\nM02*\n".getBytes(StandardCharsets.UTF_8);
        assertThat(FilePicture.of(new PackFile("none.gbr", none))).isEmpty();
    }
}
