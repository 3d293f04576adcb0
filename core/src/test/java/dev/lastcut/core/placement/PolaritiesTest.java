package dev.lastcut.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.catalogue.Shelf;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Who says which terminal of a part is which. */
class PolaritiesTest {
    private static PartPolarity of(TestBoards t, PartsPlan plan, String designator) {
        BoardGeometry g = new BoardGeometry(t.outline(0, 0, 50, 30).board());
        Part part =
                Population.of(g.board(), plan.variants()).stream()
                        .filter(p -> p.designator().equals(designator))
                        .findFirst()
                        .orElseThrow();
        return Polarities.of(g, plan).of(part).orElseThrow();
    }

    private static String said(TestBoards t, PartsPlan plan, String designator) {
        PartPolarity p = of(t, plan, designator);
        return p.terminal().word() + " " + p.pin() + " " + p.source().id();
    }

    private static TestBoards diode(String one, String two) {
        return new TestBoards()
                .pin("A", "D1", one, 10, 10)
                .pin("B", "D1", two, 14, 10)
                .listed("D1,fast,SMA,FX")
                .placed("D1,fast,SMA,12,10,0,top");
    }

    private static TestBoards capacitor(String netOne, String netTwo) {
        return new TestBoards()
                .pin(netOne, "C1", "1", 10, 10)
                .pin(netTwo, "C1", "2", 14, 10)
                .listed("C1,100u,ELEC D6,")
                .placed("C1,100u,ELEC D6,12,10,0,top");
    }

    @Test
    void whereNothingSaysItPinOneIsAssumedAndCalledSo() {
        assertThat(said(diode("1", "2"), PartsPlan.NONE, "D1")).isEqualTo("cathode 1 assumed");
        assertThat(said(capacitor("X", "Y"), PartsPlan.NONE, "C1")).isEqualTo("plus 1 assumed");
    }

    @Test
    void namesOfPinsAndNetsSayIt() {
        assertThat(said(diode("A", "K"), PartsPlan.NONE, "D1")).isEqualTo("cathode K netlist");
        // Of two terminals the one that is not the anode.
        assertThat(said(diode("ANODE", "2"), PartsPlan.NONE, "D1")).isEqualTo("cathode 2 netlist");
        assertThat(said(capacitor("GND", "+5V"), PartsPlan.NONE, "C1")).isEqualTo("plus 2 netlist");
        // Two supplies say nothing.
        assertThat(said(capacitor("+3V3", "+5V"), PartsPlan.NONE, "C1")).endsWith("assumed");
        // Of a negative supply ground is the plus, which is not told by its name alone.
        assertThat(said(capacitor("GND", "-12V"), PartsPlan.NONE, "C1")).endsWith("assumed");
    }

    @Test
    void theDataOfThePartGoBeforeNamesAndTheMakersWordBeforeAll() {
        PartsPlan known =
                PartsPlan.NONE.knowing(
                        Map.of(
                                "FX",
                                Shelf.part("FX", "SMA")
                                        .pin("1", "A", PinRole.ANODE)
                                        .pin("2", "K", PinRole.CATHODE)
                                        .get()));
        assertThat(said(diode("1", "2"), known, "D1")).isEqualTo("cathode 2 part");
        assertThat(said(diode("1", "2"), known.polarised("SMA", Optional.of("1")), "D1"))
                .isEqualTo("cathode 1 told");
    }

    /** A box about the part, which is alike at both ends, and one more bar at the right. */
    @Test
    void aBarOfTheSilkMarksTheCathode() {
        TestBoards box =
                diode("1", "2")
                        .on(Role.Kind.SILK, Side.TOP)
                        .line(0.15, 8.5, 8.5, 15.5, 8.5)
                        .line(0.15, 8.5, 11.5, 15.5, 11.5)
                        .line(0.15, 8.5, 8.5, 8.5, 11.5)
                        .line(0.15, 15.5, 8.5, 15.5, 11.5);
        assertThat(said(box, PartsPlan.NONE, "D1")).isEqualTo("cathode 1 assumed");
        box.on(Role.Kind.SILK, Side.TOP).line(0.15, 13, 8.5, 13, 11.5);
        assertThat(said(box, PartsPlan.NONE, "D1")).isEqualTo("cathode 2 silk");
    }

    /** The edge of a large part beside it, and lettering off its line, are no marks of its own. */
    @Test
    void whatBelongsToANeighbourMarksNothing() {
        TestBoards t =
                diode("1", "2")
                        .on(Role.Kind.SILK, Side.TOP)
                        .line(0.15, 15, 4, 15, 16.2)
                        .line(0.15, 9.2, 11, 9.2, 12);
        assertThat(said(t, PartsPlan.NONE, "D1")).isEqualTo("cathode 1 assumed");
    }

    @Test
    void aPlusOnTheSilkMarksThePlus() {
        TestBoards t =
                capacitor("X", "Y")
                        .on(Role.Kind.SILK, Side.TOP)
                        .line(0.15, 8.6, 11, 9.6, 11)
                        .line(0.15, 9.1, 10.5, 9.1, 11.5);
        assertThat(said(t, PartsPlan.NONE, "C1")).isEqualTo("plus 1 silk");
        TestBoards both =
                t.on(Role.Kind.SILK, Side.TOP)
                        .line(0.15, 14.4, 11, 15.4, 11)
                        .line(0.15, 14.9, 10.5, 14.9, 11.5);
        assertThat(said(both, PartsPlan.NONE, "C1")).isEqualTo("plus 1 assumed");
    }
}
