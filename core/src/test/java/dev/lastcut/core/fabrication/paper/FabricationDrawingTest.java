package dev.lastcut.core.fabrication.paper;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderMark;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.fabrication.StackUp;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.TruePack;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FabricationDrawingTest {
    @ParameterizedTest
    @ValueSource(strings = {"p01_extensions_inch", "p04_terse_four", "p09_big_stroked"})
    void sizeHolesAndNotesCanBeReadInThePages(String name) throws Exception {
        TruePack pack = TruePack.of(name);
        Board board = Intake.open(pack.pack());
        byte[] pdf =
                FabricationDrawing.pdf(
                        "Fabrication drawing",
                        new BoardGeometry(board),
                        StackUp.of(board, TestBoards.house(Map.of()), Order.USUAL),
                        List.of("Finish: none of it."),
                        Optional.of(new OrderMark(Side.BOTTOM, Pt.mm(10, 5))));
        String text;
        try (var document = Loader.loadPDF(pdf)) {
            text = new PDFTextStripper().getText(document);
        }
        Matcher row = Pattern.compile("([\\d.]+) mm (\\d+) (plated|unplated)").matcher(text);
        int holes = 0;
        while (row.find()) {
            holes += Integer.parseInt(row.group(2));
        }
        assertThat(holes).isEqualTo(board.holes().size());
        var size = pack.truth().getAsJsonArray("size_mm");
        assertThat(text)
                .contains("1. Finish: none of it.")
                .contains("order mark, bottom")
                .containsPattern("(?m)^" + whole(size.get(0).getAsDouble()) + "\\b");
    }

    private static String whole(double mm) {
        return Pattern.quote(Length.shortMm(mm));
    }
}
