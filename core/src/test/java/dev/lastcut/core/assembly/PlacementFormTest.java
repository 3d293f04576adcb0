package dev.lastcut.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.capability.Assembly.PlacementColumn;
import dev.lastcut.core.capability.Assembly.PlacementForm;
import dev.lastcut.core.capability.Assembly.PlacementHolds;
import dev.lastcut.core.formats.table.PlacementReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The placement in any columns, turned, and read back. */
class PlacementFormTest {
    private static final Board BOARD =
            new TestBoards()
                    .placed(
                            "U1,A,SOIC8,10,20,45,top",
                            "U2,A,SOIC8,30,20,350,top",
                            "R1,1k,R0603,5,5,0,bottom")
                    .board();

    @Test
    void theSheetsColumnsInTheSheetsOrder() {
        PlacementForm form =
                new PlacementForm(
                        List.of(
                                new PlacementColumn(PlacementHolds.DESIGNATOR, "Name"),
                                new PlacementColumn(PlacementHolds.PACKAGE, "Case"),
                                new PlacementColumn(PlacementHolds.Y, "Mid Y"),
                                new PlacementColumn(PlacementHolds.X, "Mid X"),
                                new PlacementColumn(PlacementHolds.ROTATION, "Angle")),
                        true);
        List<Part> parts = Population.of(BOARD, Variants.NONE);
        String csv =
                new String(PlacementTable.csv(parts, form, Turns.NONE), StandardCharsets.UTF_8);
        assertThat(csv.lines())
                .containsExactly(
                        "Name,Case,Mid Y,Mid X,Angle",
                        "R1,0603,5.0000,5.0000,0",
                        "U1,SOIC8,20.0000,10.0000,45",
                        "U2,SOIC8,20.0000,30.0000,350");
        assertThatThrownBy(() -> new PlacementForm(List.of(form.columns().get(0)), false))
                .hasMessageContaining("must hold x");
    }

    /** Any turns of packages and parts come out as their sum, within a full turn. */
    @Test
    void turnsAddUp() {
        Random r = new Random(5);
        for (int i = 0; i < 200; i++) {
            double all = r.nextInt(721) - 360;
            double own = r.nextInt(721) - 360;
            Turns turns = Turns.NONE.ofPackage(r.nextBoolean() ? "SOIC8" : "0603", all);
            turns = turns.ofPart("U2", own).ofPart("U2", own);
            List<Part> parts = Population.of(BOARD, Variants.NONE);
            byte[] csv = PlacementTable.csv(parts, PlacementForm.USUAL, turns);
            for (var p : PlacementReader.read("placement.csv", csv).parts()) {
                boolean soic = p.footprint().equals("SOIC8");
                double expected =
                        switch (p.designator()) {
                            case "U1" -> 45;
                            case "U2" -> 350 + own;
                            default -> 0;
                        };
                expected += turns.packages().getOrDefault(soic ? "SOIC8" : "0603", 0.0);
                assertThat(p.rotationDeg()).isEqualTo(Math.floorMod((long) expected, 360));
            }
        }
        assertThatThrownBy(() -> Turns.NONE.ofPart("U1", 1e9)).hasMessageContaining("U1");
    }

    @Test
    void aRotationThatIsNoneIsSaidAndTakenAsNone() {
        PlacementReader.Result read =
                PlacementReader.read(
                        "p.csv",
                        "Ref,X,Y,Rotation,Side\nU1,1,2,1000000000,top\nU2,3,4,left,top\nU3,5,6,90,top\n"
                                .getBytes(StandardCharsets.UTF_8));
        assertThat(read.parts()).extracting(p -> p.rotationDeg()).containsExactly(0.0, 90.0);
        assertThat(read.problems())
                .extracting(p -> p.text())
                .anyMatch(t -> t.contains("1000000000") && t.contains("no rotation"))
                .anyMatch(t -> t.startsWith("U2"));
    }
}
