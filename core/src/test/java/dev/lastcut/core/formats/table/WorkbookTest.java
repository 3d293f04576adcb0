package dev.lastcut.core.formats.table;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.geometry.Pt;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Random;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;

/** Spreadsheets written by an independent library, and the encodings of plain tables. */
class WorkbookTest {
    private static byte[] workbook(Object[]... rows) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(out, "test", "1.0")) {
            Worksheet sheet = book.newWorksheet("parts");
            for (int r = 0; r < rows.length; r++) {
                for (int c = 0; c < rows[r].length; c++) {
                    if (rows[r][c] instanceof Number n) {
                        sheet.value(r, c, n);
                    } else {
                        sheet.value(r, c, String.valueOf(rows[r][c]));
                    }
                }
            }
        }
        return out.toByteArray();
    }

    @Test
    void partsListFromASpreadsheet() throws IOException {
        byte[] book =
                workbook(
                        new Object[] {"Hive scale node, parts"},
                        new Object[] {"Qty", "References", "Value"},
                        new Object[] {3, "R1-R3", "4k7"},
                        new Object[] {1, "C1", "100n"});
        PartsListReader.Result r = PartsListReader.read("parts.xlsx", book);
        assertThat(r.problems()).isEmpty();
        assertThat(r.parts()).extracting("designator").containsExactly("R1", "R2", "R3", "C1");
        assertThat(r.parts().get(3).line()).isEqualTo(4);
    }

    @Test
    void placementFromASpreadsheetKeepsNumbers() throws IOException {
        byte[] book =
                workbook(
                        new Object[] {"Designator", "X (mm)", "Y (mm)", "Rotation", "Side"},
                        new Object[] {"U1", 12.345, -3, 270, "bottom"});
        PlacementReader.Result r = PlacementReader.read("p.xlsx", book);
        assertThat(r.unitStated()).isTrue();
        assertThat(r.parts().get(0).at()).isEqualTo(Pt.mm(12.345, -3));
        assertThat(r.parts().get(0).rotationDeg()).isEqualTo(270);
    }

    @Test
    void damagedSpreadsheetsAreSaidNotThrown() throws IOException {
        byte[] book = workbook(new Object[] {"References", "Value"}, new Object[] {"R1", "1k"});
        Random random = new Random(7);
        for (int i = 0; i < 150; i++) {
            byte[] damaged =
                    Arrays.copyOf(book, i % 2 == 0 ? book.length : random.nextInt(book.length));
            for (int k = 0; k < 4 && damaged.length > 0; k++) {
                damaged[random.nextInt(damaged.length)] = (byte) random.nextInt(256);
            }
            PartsListReader.Result r = PartsListReader.read("p.xlsx", damaged);
            assertThat(r.looksLikeList() || !r.problems().isEmpty()).isTrue();
        }
    }

    @Test
    void tablesInEveryUsualEncoding() {
        String text = "Ref;Value\nR1;4k7\nC1;1 µF\n";
        byte[][] encoded = {
            text.getBytes(StandardCharsets.UTF_8),
            ("\uFEFF" + text).getBytes(StandardCharsets.UTF_8),
            ("\uFEFF" + text).getBytes(StandardCharsets.UTF_16LE),
            ("\uFEFF" + text).getBytes(StandardCharsets.UTF_16BE),
            text.getBytes(java.nio.charset.Charset.forName("windows-1252"))
        };
        for (byte[] bytes : encoded) {
            assertThat(PartsListReader.read("p.csv", bytes).parts())
                    .extracting("value")
                    .containsExactly("4k7", "1 µF");
        }
    }

    @Test
    void placementHabitsOfUnitsAndSides() {
        String spaced =
                "# all lengths in mil\nRef X Y Rot Side\nR1 1000 500 90 T\nR2 0 0 0 solder\n";
        PlacementReader.Result r =
                PlacementReader.read("p.pos", spaced.getBytes(StandardCharsets.UTF_8));
        assertThat(r.parts().get(0).at()).isEqualTo(Pt.mm(25.4, 12.7));
        assertThat(r.parts()).extracting(p -> p.side().word()).containsExactly("top", "bottom");
        String cells = "Designator,Mid X,Mid Y,Layer\nR1,100mil,1.5mm,Bottom Layer\n";
        r = PlacementReader.read("p.csv", cells.getBytes(StandardCharsets.UTF_8));
        assertThat(r.unitStated()).isTrue();
        assertThat(r.parts().get(0).at()).isEqualTo(Pt.mm(2.54, 1.5));
    }
}
