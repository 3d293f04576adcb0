package dev.lastcut.core.formats.table;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TablesTest {
    private static byte[] bytes(String s) {
        return s.getBytes(StandardCharsets.UTF_8);
    }

    /** C10-C17 is a range of eight (common practice, no source). */
    @Test
    void designatorRanges() {
        assertThat(Designators.unfold("C10-C17")).hasSize(8).startsWith("C10").endsWith("C17");
        assertThat(Designators.unfold("R1, R2; R5 - R8 X1"))
                .containsExactly("R1", "R2", "R5", "R6", "R7", "R8", "X1");
        assertThat(Designators.fold(List.of("C2", "C10", "C1", "C3", "R7", "R8")))
                .isEqualTo("C1-C3 C10 R7 R8");
    }

    @ParameterizedTest
    @ValueSource(longs = {7, 77, 777})
    void foldingAndUnfoldingLosesNothing(long seed) {
        Random r = new Random(seed);
        TreeSet<String> names = new TreeSet<>(Designators.ORDER);
        IntStream.range(0, 80)
                .forEach(i -> names.add("RCUQ".charAt(r.nextInt(4)) + "" + r.nextInt(60)));
        assertThat(Designators.unfold(Designators.fold(names))).containsExactlyElementsOf(names);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\uFEFFReference,Value,Package,DNP\r\n\"R1, R2\",4k7,0603,\r\nC1,100n,0603,yes\r\n",
                "Value;Designator;Package;DNP\n4k7;R1 R2;0603;no\n100n;C1;0603;x\n",
                "Title line\nDesignator\tValue\tFootprint\tFitted\nR1-R2\t4k7\t0603\tyes\nC1\t100n\t0603\tno\n"
            })
    void partsListsInTheirHabits(String text) {
        PartsListReader.Result r = PartsListReader.read("parts.csv", bytes(text));
        assertThat(r.parts()).extracting(ListedPart::designator).containsExactly("R1", "R2", "C1");
        assertThat(r.parts()).extracting(ListedPart::value).containsExactly("4k7", "4k7", "100n");
        assertThat(r.parts()).extracting(ListedPart::fitted).containsExactly(true, true, false);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Ref,X (mm),Y (mm),Rotation,Side\nU1,25.4,-12.7,90,bottom\n",
                "Designator;Layer;Mid X;Mid Y;Angle\nU1;B;1000mil;-500mil;90\n",
                "# Ref X Y Rot Side\nU1 1.0in -0.5in 90 Bottom\n",
                "Ref\tX (mil)\tY (mil)\tRot\tSide\nU1\t1000\t-500\t90\t2\n"
            })
    void placementsInTheirHabits(String text) {
        PlacementReader.Result r = PlacementReader.read("p.csv", bytes(text));
        assertThat(r.problems()).isEmpty();
        assertThat(r.parts()).singleElement();
        assertThat(r.parts().get(0).at()).isEqualTo(Pt.mm(25.4, -12.7));
        assertThat(r.parts().get(0).side()).isEqualTo(Side.BOTTOM);
        assertThat(r.parts().get(0).rotationDeg()).isEqualTo(90);
    }

    @Test
    void wrongColumnsAreSaid() {
        PartsListReader.Result r = PartsListReader.read("x.csv", bytes("apples,pears\n1,2\n"));
        assertThat(r.looksLikeList()).isFalse();
        assertThat(r.problems())
                .extracting(Problem::code)
                .containsExactly(Problem.Code.MISSING_COLUMN);
        PlacementReader.Result p =
                PlacementReader.read("p.csv", bytes("Ref,X,Y\nR1,one,2\nR2,1,2\n"));
        assertThat(p.parts()).hasSize(1);
        assertThat(p.problems())
                .extracting(q -> q.code() + " " + q.line())
                .containsExactly("BAD_ROW 2");
    }

    /** A list with all that goes wrong in lists: what is odd is said by line, the rest is kept. */
    @Test
    void brokenLinesAreSaidAndTheRestIsKept() {
        String text =
                "Ref,Value,Package\n"
                        + "C17-C10,100n,0603\n"
                        + "R1,\"10k,0603\n"
                        + "R2,4k7,0603\n"
                        + "R3-C9,1k,0603\n"
                        + "D1-D40000,LED,0805\n"
                        + ",,0603\n"
                        + "X1,=1+1,XTAL\n";
        PartsListReader.Result r = PartsListReader.read("l.csv", bytes(text));
        assertThat(r.parts())
                .extracting(ListedPart::designator)
                .containsExactly(
                        "C10", "C11", "C12", "C13", "C14", "C15", "C16", "C17", "R1", "R2", "X1");
        assertThat(r.problems())
                .extracting(p -> p.line() + " " + p.text())
                .containsExactlyInAnyOrder(
                        "2 C17-C10 runs backwards",
                        "3 a quote is opened and never closed",
                        "5 R3-C9 runs from one letter to another",
                        "6 D1-D40000 is a range of 40000, more than any board has",
                        "7 a row without a designator");
    }

    @Test
    void fortyThousandDesignatorsInACellAreReadAndSaid() {
        String all =
                IntStream.range(1, 40_001)
                        .mapToObj(i -> "R" + i)
                        .collect(java.util.stream.Collectors.joining(" "));
        PartsListReader.Result r =
                PartsListReader.read("l.csv", bytes("Ref,Value\n\"" + all + "\",10k\nC1,1u\n"));
        assertThat(r.parts()).hasSize(40_001);
        assertThat(r.problems()).singleElement().extracting(Problem::line).isEqualTo(2);
    }

    @Test
    void linesOfTwoEncodingsAreEachReadAsWhatTheyAre() {
        byte[] utf = bytes("Ref;Value\nC1;1 µF\n");
        byte[] western = "C2;2 µF\n".getBytes(java.nio.charset.Charset.forName("windows-1252"));
        byte[] both = java.util.Arrays.copyOf(utf, utf.length + western.length);
        System.arraycopy(western, 0, both, utf.length, western.length);
        assertThat(PartsListReader.read("l.csv", both).parts())
                .extracting(ListedPart::value)
                .containsExactly("1 µF", "2 µF");
    }

    @Test
    void aSpreadsheetOfTheWrongKindIsNamed() {
        byte[] old = {(byte) 0xd0, (byte) 0xcf, 0x11, (byte) 0xe0, 1, 2, 3, 4, 5, 6};
        assertThat(PartsListReader.read("l.xls", old).problems())
                .singleElement()
                .extracting(Problem::text)
                .asString()
                .contains("old kind (.xls)");
    }
}
