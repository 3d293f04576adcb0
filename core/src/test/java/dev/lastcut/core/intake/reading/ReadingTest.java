package dev.lastcut.core.intake.reading;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.geometry.Pt;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a file turns out to be, whatever it is called; and its content when it is moved. */
class ReadingTest {
    private static final String GERBER =
            "%FSLAX46Y46*%|%MOMM*%|%ADD10C,1*%|D10*|X1000000Y2000000D03*|X3000000Y0D03*|M02*|";
    private static final String DRILL = "M48|METRIC,TZ,000.000|T1C0.8|%|T1|X1.0Y2.0|M30|";
    private static final String NETS =
            "P  UNITS CUST 1|327GND              U1    -1         A01X+001000Y+002000X0500Y0500R000 S0|"
                    + "327GND              U1    -2         A01X+003000Y+000000X0500Y0500R000 S0|999|";
    private static final String DXF =
            "0|SECTION|2|ENTITIES|0|LINE|8|0|10|1.0|20|2.0|11|3.0|21|0.0|0|ENDSEC|0|EOF|";
    private static final String SVG =
            "<svg xmlns='http://www.w3.org/2000/svg' width='3mm' height='2mm' viewBox='0 0 3 2'>"
                    + "<path d='M1 0 L3 2'/></svg>";

    private static Reading read(String path, String text) {
        byte[] content = text.replace('|', '\n').getBytes(StandardCharsets.UTF_8);
        return Reading.of(path, content);
    }

    private static String kind(Reading r) {
        return r.getClass().getSimpleName();
    }

    /** A workbook that could make its reader fetch other files is not read. */
    @Test
    void aWorkbookWithADocumentTypeIsRefused() throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("xl/workbook.xml"));
            zip.write(
                    "<?xml version=\"1.0\"?><!DOCTYPE w [<!ENTITY a SYSTEM \"file:///x\">]><w>&a;</w>"
                            .getBytes(StandardCharsets.UTF_8));
            zip.closeEntry();
        }
        Reading read = Reading.of("parts.xlsx", bytes.toByteArray());
        assertThat(read.problems())
                .singleElement()
                .extracting(Problem::text)
                .asString()
                .contains("the workbook declares a document type");
    }

    @Test
    void theContentTells() {
        assertThat(kind(read("a.txt", GERBER))).isEqualTo("Gerber");
        assertThat(kind(read("a.gtl", DRILL))).isEqualTo("Drill");
        assertThat(kind(read("a.gtl", NETS))).isEqualTo("Nets");
        assertThat(kind(read("a.gtl", DXF))).isEqualTo("Drawn");
        assertThat(kind(read("a.gtl", SVG))).isEqualTo("Drawn");
        assertThat(kind(read("a.gtl", "Designator,Value|R1,1k|"))).isEqualTo("Parts");
        assertThat(kind(read("a.gtl", "Designator,X,Y,Rotation|R1,1,2,0|")))
                .isEqualTo("Placements");
        assertThat(kind(read("a.gtl", "{\"FilesAttributes\":[{\"FileFunction\":\"\"}]}")))
                .isEqualTo("Job");
        assertThat(kind(read("a.gtl", "%PDF-1.7"))).isEqualTo("Beside");
        assertThat(kind(read("x/.DS_Store", GERBER))).isEqualTo("Beside");
        assertThat(kind(read("notes.txt", "Ten boards, please."))).isEqualTo("Beside");
    }

    @ParameterizedTest
    @CsvSource({
        "a.gtl, '', the file is empty",
        "a.gtl, '\0abc', the file is not text",
        "a.xyz, some words, 'nothing in it is Gerber, drill, netlist, parts list or placement'"
    })
    void whatIsNothingOfThatIsSaid(String path, String text, String says) {
        Reading r = read(path, text.replace("\\0", "\0"));
        assertThat(kind(r)).isEqualTo("Unknown");
        assertThat(r.problems())
                .singleElement()
                .satisfies(
                        p -> {
                            assertThat(p.code()).isEqualTo(Problem.Code.UNKNOWN_FILE);
                            assertThat(p.text()).isEqualTo(says);
                            assertThat(p.file()).isEqualTo(path);
                        });
    }

    @Test
    void aTableThatIsNoListSaysWhatItLacks() {
        Reading r = read("parts.csv", "a,b|1,2|");
        assertThat(kind(r)).isEqualTo("Unknown");
        assertThat(r.problems()).isNotEmpty();
    }

    @Test
    void aDrawingWithoutALineIsSaid() {
        Reading r = read("a.svg", "<svg xmlns='http://www.w3.org/2000/svg' width='3mm'></svg>");
        assertThat(kind(r)).isEqualTo("Unknown");
        assertThat(r.problems()).isNotEmpty();
    }

    @Test
    void textInWideLettersIsText() {
        byte[] wide = "\ufeffDesignator,Value\nR1,1k\n".getBytes(StandardCharsets.UTF_16LE);
        assertThat(kind(Reading.of("list.csv", wide))).isEqualTo("Parts");
    }

    @Test
    void problemsAreThoseOfTheFile() {
        assertThat(read("a", GERBER.replace("M02*|", "")).problems()).isNotEmpty();
        assertThat(read("a", DRILL.replace("T1|X1", "T7|X1")).problems()).isNotEmpty();
        assertThat(read("a", "Designator,X,Y,Rotation|R1,x,2,0|R2,1,3,0|").problems()).isNotEmpty();
        assertThat(read("a", "{\"FilesAttributes\":[{\"FileFunction\":").problems()).isNotEmpty();
        for (String good : List.of(GERBER, DRILL, NETS)) {
            assertThat(read("a", good).problems()).as(good).isEmpty();
        }
    }

    /** The finest step of a file's numbers: six decimals of a millimetre; three. */
    @Test
    void stepsAreThoseOfTheNumbers() {
        assertThat(read("a", GERBER).stepNm()).isEqualTo(1);
        assertThat(read("a", DRILL).stepNm()).isEqualTo(1_000);
        assertThat(read("a", NETS).stepNm()).isZero();
    }

    /** Turned by a quarter and moved by 10, 0 mm: (1, 2) comes to (8, 1), and (3, 0) to (10, 3). */
    @Test
    void allThatHasPlacesCanBeMoved() {
        Correction c = new Correction(false, 1, 1, Pt.mm(10, 0));
        Reading.Gerber gerber = (Reading.Gerber) read("a", GERBER).moved(c);
        assertThat(gerber.file().features())
                .extracting(f -> ((Feature.Flash) f).at())
                .containsExactly(Pt.mm(8, 1), Pt.mm(10, 3));
        Reading.Drill drill = (Reading.Drill) read("a", DRILL).moved(c);
        assertThat(drill.file().holes()).extracting(h -> h.middle()).containsExactly(Pt.mm(8, 1));
        Reading.Nets nets = (Reading.Nets) read("a", NETS).moved(c);
        assertThat(nets.result().netlist().points())
                .extracting(p -> p.pin() + p.at())
                .containsExactly("1" + Pt.mm(8, 1), "2" + Pt.mm(10, 3));
        assertThat(nets.result().looksLikeNetlist()).isTrue();
        for (String drawing : List.of(DXF, SVG)) {
            Reading.Drawn drawn = (Reading.Drawn) read("a", drawing).moved(c);
            assertThat(drawn.drawing().segments())
                    .singleElement()
                    .satisfies(
                            s -> {
                                assertThat(s.from()).isEqualTo(Pt.mm(8, 1));
                                assertThat(s.to()).isEqualTo(Pt.mm(10, 3));
                            });
            assertThat(drawn.drawing().looksLikeDrawing()).isTrue();
        }
        Reading list = read("a", "Designator,Value|R1,1k|");
        assertThat(list.moved(c)).isSameAs(list);
    }

    @Test
    void aChosenUnitOrFormatIsTaken() {
        byte[] dxf = DXF.replace('|', '\n').getBytes(StandardCharsets.UTF_8);
        Reading.Drawn inch = (Reading.Drawn) Reading.drawing("a", dxf, Optional.of(25.4e6));
        assertThat(inch.drawing().segments().get(0).from()).isEqualTo(Pt.mm(25.4, 50.8));
        byte[] drill = "M48\nT1C0.8\n%\nT1\nX001000Y002000\nM30\n".getBytes();
        for (DrillFormat format : DrillFormat.ALL) {
            assertThat(Reading.drillAs("a", drill, format, Map.of()).file().format())
                    .isEqualTo(format);
        }
    }
}
