package dev.lastcut.core.formats.table;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Tables as others write them: told by their cells, whatever their headings say. */
class ForeignTablesTest {
    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static List<String> told(String table) {
        return PartsListReader.read("x.csv", bytes(table)).parts().stream()
                .map(p -> p.designator() + " " + p.value() + " " + p.footprint() + " " + p.fitted())
                .toList();
    }

    /**
     * One list in many shapes: headings of a language, of none, or none at all; titles and totals.
     */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "Oznaczenie;Wartość;Obudowa;Ilość\nR1, R2;4k7;R0603;2\nC1;100n;C0805;1\nU1;REG-5;SOT223;1\n",
                "Ref,Val,Case,Qty\n\"R1,R2\",4k7,R0603,2\nC1,100n,C0805,1\nU1,REG-5,SOT223,1\n",
                "qux|zorp|blib|fnord\nR0603|R1 R2|2|4k7\nC0805|C1|1|100n\nSOT223|U1|1|REG-5\n",
                "R1-R2\t4k7\tR0603\t2\nC1\t100n\tC0805\t1\nU1\tREG-5\tSOT223\t1\n",
                "Board X\nRevision B\n\n位号,数量,封装,值\nR1/R2,2,R0603,4k7\nC1,1,C0805,100n\nU1,1,SOT223,REG-5\nTotal,4,,\n",
                "Resistors\n\nA;B;C;D\n---;---;---;---\nR1 R2;2;R0603;4k7\nCapacitors\nC1;1;C0805;100n\n\nU1;1;SOT223;REG-5\n",
                "部品番号,定数,形状\nR1、R2,4k7,R0603\nC1,100n,C0805\nU1,REG-5,SOT223\n",
            })
    void oneListInManyShapes(String table) {
        assertThat(told(table))
                .containsExactly(
                        "R1 4k7 R0603 true",
                        "R2 4k7 R0603 true",
                        "C1 100n C0805 true",
                        "U1 REG-5 SOT223 true");
    }

    /** Values that are bare numbers are told from positions, counts, packages and part numbers. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "Item,Ref Des,Qty,Description,Case,Part Number\n",
                "blib,qux,zorp,fnord,wibble,plugh\n",
                ""
            })
    void valuesWithoutAnyLetter(String headings) {
        String table =
                headings
                        + "1,D1-D9,9,RED,D0603,HX-RED-D0603\n"
                        + "2,\"R1, R5\",2,4700,R0603,HX-4K7-R0603\n"
                        + "3,R2-R4,3,220,R0603,HX-220R-R0603\n"
                        + "4,R6,1,10000,R0603,HX-10K-R0603\n";
        assertThat(told(table))
                .contains("D1 RED D0603 true", "R1 4700 R0603 true", "R6 10000 R0603 true");
    }

    /** Marks for what is not fitted: words, crosses, the rarer of yes and no. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "Ref,Value,Note\nR1,1k,\nR2,1k,nicht bestücken\nR3,2k,\nC1,10n,check polarity\n",
                "Ref;Value;xyzzy\nR1;1k;\nR2;1k;x\nR3;2k;\nC1;10n;\n",
                "Ref,Value,Monteras\nR1,1k,ja\nR2,1k,nej\nR3,2k,ja\nC1,10n,ja\n",
                "Ref,Value,zzz\nR1,1k,no\nR2,1k,yes\nR3,2k,no\nC1,10n,no\n",
                "Ref,Value,Fit\nR1,1k,yes\nR2,1k,no\nR3,2k,yes\nC1,10n,yes\n",
                "Ref,Value,DNP\nR1,1k,0\nR2,1k,1\nR3,2k,0\nC1,10n,0\n",
                "Ref,Value,备注\nR1,1k,\nR2,1k,不贴\nR3,2k,\nC1,10n,\n",
                "Ref,Value,Uwagi\nR1,1k,\nR2,1k,nie montować!\nR3,2k,\nC1,10n,\n"
            })
    void whatIsNotFitted(String table) {
        PartsListReader.Result r = PartsListReader.read("x.csv", bytes(table));
        assertThat(r.parts())
                .extracting(ListedPart::fitted)
                .containsExactly(true, false, true, true);
        assertThat(r.open()).isEmpty();
    }

    /** A mark that no language knows is asked about, and so is a list without values. */
    @Test
    void whatIsNotUnderstoodIsAsked() {
        String marks = "Ref,Value,DNP\nR1,1k,\nR2,1k,perhaps\nR3,2k,\nC1,10n,\n";
        assertThat(PartsListReader.read("x.csv", bytes(marks)).open()).contains("perhaps");
        StringBuilder bare = new StringBuilder("Ref;Case\n");
        for (int i = 1; i < 9; i++) {
            bare.append("R").append(i).append(";R0603\n");
        }
        assertThat(PartsListReader.read("x.csv", bytes(bare.toString())).open())
                .contains("no column of it states the values");
        String garbled =
                "Item,Ref,Qty,Description,Case,Maker's number\n1,D1-D9,9,?c,0603,HX-RED\n2,R1-R9,9,?a,0603,HX-4K7\n";
        assertThat(PartsListReader.read("x.csv", bytes(garbled)).open())
                .contains("no column of it states the values");
        String nothing = "a;b;c\n1-R;10k;0805\n2-R;10k;0805\n";
        PartsListReader.Result r = PartsListReader.read("x.csv", bytes(nothing));
        assertThat(r.looksLikeList()).isFalse();
        assertThat(r.columns().columns())
                .extracting(TableColumns.Column::heading)
                .containsExactly("a", "b", "c");
        List<ColumnKind> chosen =
                List.of(ColumnKind.DESIGNATOR, ColumnKind.VALUE, ColumnKind.FOOTPRINT);
        assertThat(PartsListReader.read("x.csv", bytes(nothing), chosen).parts())
                .extracting(p -> p.designator() + " " + p.value())
                .containsExactly("1-R 10k", "2-R 10k");
    }

    /** A price has decimal commas, a count is no quantity where it does not count designators. */
    @Test
    void numbersThatAreNeitherValuesNorCounts() {
        String table =
                "N;Sigle;Valore;Prezzo\n1;R1 R2;1k;0,012\n2;R3;2k2;0,024\n3;C1 C2 C3;10n;0,036\n";
        assertThat(told(table)).hasSize(6).contains("C3 10n  true", "R3 2k2  true");
    }

    private static List<String> placed(String table) {
        return PlacementReader.read("p.csv", bytes(table)).parts().stream()
                .map(ForeignTablesTest::words)
                .toList();
    }

    private static String words(PlacedPart p) {
        Pt at = p.at();
        return p.designator()
                + " "
                + at.x() / 1000
                + " "
                + at.y() / 1000
                + " "
                + p.rotationDeg()
                + " "
                + p.side().word();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Ref;X (mm);Y (mm);Rot;Side\nR1;12,5;3,25;90;oben\nR2;14,75;8,5;0;unten\nU1;30,1;22,4;180;oben\n",
                "Sigla;Ascissa;Ordinata;Angolo;Faccia\nR1;12,500;3,250;90;sup\nR2;14,750;8,500;0;inf\nU1;30,100;22,400;180;sup\n",
                "bof,gax,lun,pid,wem\nR1,12.5,3.25,90,top\nR2,14.75,8.5,0,bottom\nU1,30.1,22.4,180,top\n",
                "R1,12.5mm,3.25mm,90,1\nR2,14.75mm,8.5mm,0,4\nU1,30.1mm,22.4mm,180,1\n",
                "Places in mm\n\nDesignator   Mid X    Mid Y    Angle   Layer\n----------   -----    -----    -----   -----\nR1           12.5     3.25     90      Top Layer\nR2           14.75    8.5      0       Bottom Layer\nU1           30.1     22.4     180     Top Layer\n",
                "Kierto\tTunnus\tY\tX\tPuoli\n90\tR1\t3.25\t12.5\tYlä\n0\tR2\t8.5\t14.75\tAla\n180\tU1\t22.4\t30.1\tYlä\n"
            })
    void onePlacementInManyShapes(String table) {
        assertThat(placed(table))
                .containsExactly(
                        "R1 12500 3250 90.0 top",
                        "R2 14750 8500 0.0 bottom",
                        "U1 30100 22400 180.0 top");
    }

    /** A word of no known language is kept for the pads to tell, and is not the top. */
    @Test
    void unknownSidesAreLeftOpen() {
        String table =
                "Ref,X,Y,Rot,Side\nR1,1.5,2.5,0,gora\nR2,3.5,4.5,0,brumm\nR3,5.5,6.5,90,klonk\n";
        PlacementReader.Result r = PlacementReader.read("p.csv", bytes(table));
        assertThat(r.sideStated()).isTrue();
        assertThat(r.sideWords()).containsOnlyKeys("R2", "R3").containsValues("brumm", "klonk");
        assertThat(r.parts().get(0).side()).isEqualTo(Side.TOP);
        assertThat(
                        PlacementReader.read("p.csv", bytes("Ref,X,Y\nR1,1.5,2\nR2,3,4\n"))
                                .rotationStated())
                .isFalse();
    }

    /**
     * Middle, reference and first pad: the middle first, the others kept for the pads to choose.
     */
    @Test
    void severalPlacesOfAPart() {
        String table =
                "Designator,Ref X,Ref Y,Mid X,Mid Y,Pad X,Pad Y,Rotation\n"
                        + "R1,1,2,3,4,5,6,0\nR2,11,12,13,14,15,16,90\n";
        PlacementReader.Result r = PlacementReader.read("p.csv", bytes(table));
        assertThat(r.parts().get(0).at()).isEqualTo(Pt.mm(3, 4));
        assertThat(r.otherPlaces())
                .extracting(PlacementReader.Places::headings)
                .containsExactly("Ref X and Ref Y", "Pad X and Pad Y");
        assertThat(r.otherPlaces().get(1).places()).containsEntry("R2", Pt.mm(15, 16));
    }

    @Test
    void clockwiseIsReadFromARemark() {
        String table = "# Winkel im Uhrzeigersinn\nRef,X,Y,Rot\nR1,1,2,90\nR2,3,4,0\nR3,4,9,0\n";
        assertThat(PlacementReader.read("p.csv", bytes(table)).clockwise()).isTrue();
        String other = table.replace("im Uhrzeigersinn", "gegen den Uhrzeigersinn");
        assertThat(PlacementReader.read("p.csv", bytes(other)).clockwise()).isFalse();
    }

    /** The same list in the encodings of its languages; what is decoded wrongly is seen at once. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "windows-1250|Oznaczenie;Wartość;Uwagi\nR1;1k;\nR2;2k;źródło ciepła\nR3;3k;łożysko\n",
                "windows-1252|Beteckning;Värde;Anmärkning\nR1;1k;\nR2;2k;självlåsande\nR3;3k;för höger\n",
                "windows-31j|部品番号,定数,備考\nR1,1k,\nR2,2k,抵抗はんだ\nR3,3k,コンデンサ\n",
                "GB18030|位号,值,备注\nR1,1k,\nR2,2k,电阻器焊接\nR3,3k,电容器\n",
                "UTF-16LE|Ref;Érték;Megjegyzés\nR1;1k;\nR2;2k;fűtőszál\nR3;3k;őrző\n",
                "UTF-16BE|Ref;Hodnota;Poznámka\nR1;1k;\nR2;2k;žlutý kůň\nR3;3k;čtyři\n"
            })
    void inTheEncodingOfItsLanguage(String both) {
        String text = both.substring(both.indexOf('|') + 1);
        byte[] content = text.getBytes(Charset.forName(both.substring(0, both.indexOf('|'))));
        PartsListReader.Result r = PartsListReader.read("x.csv", content);
        String[] last = text.strip().split("\n")[3].split("[;,]");
        assertThat(r.parts()).hasSize(3);
        assertThat(r.parts().get(2).description()).isEqualTo(last[2]);
        assertThat(r.parts()).extracting(ListedPart::value).containsExactly("1k", "2k", "3k");
    }

    @Test
    void numbersInTheirHabits() {
        assertThat(number("12,5")).isEqualTo(12.5);
        assertThat(number("1.234,5")).isEqualTo(1234.5);
        assertThat(number("1,234.5")).isEqualTo(1234.5);
        assertThat(number("1 234,5")).isEqualTo(1234.5);
        assertThat(number("1'234.5")).isEqualTo(1234.5);
        assertThat(number("1.234.567")).isEqualTo(1234567);
        assertThat(number("-.5")).isEqualTo(-0.5);
        assertThat(number("1e6")).isEqualTo(1e6);
        assertThat(number("−3,25")).isEqualTo(-3.25);
        assertThat(Numbers.read("100 mil").orElseThrow().unitNm()).hasValue(25_400);
        assertThat(Numbers.read("90°").orElseThrow().unitNm()).isEmpty();
        for (String no : List.of("", "R1", "1-2", "1,2,3", "4k7", "1.2.3,4,5", "12 ab")) {
            assertThat(Numbers.read(no)).as(no).isEmpty();
        }
    }

    private static double number(String cell) {
        return Numbers.read(cell).orElseThrow().value();
    }
}
