package dev.lastcut.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;

/** The PDF drawn again by the PDF library and measured in pixels. */
class TrueScalePrintTest {
    private static final Role TOP = Role.of(Role.Kind.COPPER, Side.TOP);
    private static final int DPI = 508;
    private static final double PX_PER_MM = DPI / 25.4;

    private static PDDocument print(TestBoards board, boolean mirrored) throws IOException {
        byte[] pdf =
                TrueScalePrint.pdf(
                        new BoardGeometry(board.board()),
                        new TrueScalePrint.Order(
                                "Test", List.of(TOP), false, mirrored, r -> new int[3]));
        return Loader.loadPDF(pdf);
    }

    /** A pad of 4 × 2 mm in the lower left of a board of 60 × 40 mm. */
    private static TestBoards board() {
        return new TestBoards()
                .outline(0, 0, 60, 40)
                .on(Role.Kind.COPPER, Side.TOP)
                .box(10, 10, 4, 2, 0);
    }

    /** The box of dark pixels above the foot, in mm from the page's lower left corner. */
    private static Envelope dark(BufferedImage image, double fromX, double toX) {
        Envelope box = new Envelope();
        for (int y = 0; y < image.getHeight() - 26 * PX_PER_MM; y++) {
            for (int x = (int) (fromX * PX_PER_MM); x < toX * PX_PER_MM; x++) {
                if ((image.getRGB(x, y) & 0xff) < 100) {
                    box.expandToInclude(x / PX_PER_MM, (image.getHeight() - 1 - y) / PX_PER_MM);
                }
            }
        }
        return box;
    }

    @Test
    void padsAreAsLargeOnPaperAsOnTheBoard() throws IOException {
        try (PDDocument d = print(board(), false)) {
            assertThat(d.getNumberOfPages()).isEqualTo(1);
            BufferedImage image = new PDFRenderer(d).renderImageWithDPI(0, DPI);
            // A4 lying: the board's left edge is at (297 − 60) / 2.
            double left = (297 - 60) / 2.0;
            Envelope pad = dark(image, left + 2, left + 58);
            assertThat(pad.getWidth()).isCloseTo(4, within(0.1));
            assertThat(pad.getHeight()).isCloseTo(2, within(0.1));
            assertThat(pad.centre().x).isCloseTo(left + 10, within(0.1));
        }
        try (PDDocument d = print(board(), true)) {
            BufferedImage image = new PDFRenderer(d).renderImageWithDPI(0, DPI);
            double left = (297 - 60) / 2.0;
            Envelope pad = dark(image, left + 2, left + 58);
            assertThat(pad.centre().x).isCloseTo(left + 50, within(0.1));
            assertThat(new PDFTextStripper().getText(d)).contains("seen from below");
        }
    }

    @Test
    void theRulerIsAHundredMillimetres() throws IOException {
        try (PDDocument d = print(board(), false)) {
            BufferedImage image = new PDFRenderer(d).renderImageWithDPI(0, DPI);
            int y = (int) (image.getHeight() - 6 * PX_PER_MM);
            int first = -1;
            int last = -1;
            for (int x = 0; x < image.getWidth(); x++) {
                boolean ink = false;
                for (int dy = -3; dy <= 3; dy++) {
                    ink |= (image.getRGB(x, y + dy) & 0xff) < 150;
                }
                first = ink && first < 0 ? x : first;
                last = ink ? x : last;
            }
            assertThat((last - first) / PX_PER_MM).isCloseTo(100, within(0.15));
        }
    }

    /** A 335 × 220 mm board does not fit on A4, 297 × 210 mm (ISO 216). */
    @Test
    void aLargeBoardGoesOverSheetsThatOverlap() throws IOException {
        TestBoards large =
                new TestBoards()
                        .outline(0, 0, 335, 220)
                        .on(Role.Kind.COPPER, Side.TOP)
                        .box(300, 200, 4, 4, 0);
        try (PDDocument d = print(large, false)) {
            assertThat(d.getNumberOfPages()).isEqualTo(4);
            assertThat(new PDFTextStripper().getText(d)).contains("column 2 of 2, row 2 of 2");
        }
        Envelope extent = new Envelope(0, 335e6, 0, 220e6);
        List<TrueScalePrint.Tile> tiles = TrueScalePrint.tiles(extent, 277, 178);
        Envelope all = new Envelope();
        tiles.forEach(t -> all.expandToInclude(t.window()));
        assertThat(all.equals(new Envelope(0, 335, 0, 220))).isTrue();
        Envelope shared = tiles.get(0).window().intersection(tiles.get(1).window());
        assertThat(shared.getWidth()).isCloseTo(TrueScalePrint.OVERLAP_MM, within(1e-9));
    }

    @Test
    void titlesThatFontsLackAreWrittenPlainly() throws IOException {
        byte[] pdf =
                TrueScalePrint.pdf(
                        new BoardGeometry(board().board()),
                        new TrueScalePrint.Order(
                                "Wabe \u2013 Żółć \u0007",
                                List.of(TOP),
                                true,
                                false,
                                r -> new int[3]));
        try (PDDocument d = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(d)).contains("Wabe");
        }
    }
}
