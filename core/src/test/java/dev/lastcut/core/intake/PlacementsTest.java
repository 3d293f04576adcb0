package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.reading.Reading;
import dev.lastcut.core.intake.roles.PackFacts;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Placement tables laid on the pads of a pack: those a netlist or flashes name, else openings. */
class PlacementsTest {
    private final Map<String, Reading> readings = new LinkedHashMap<>();
    private final List<Pt> truly = new ArrayList<>();

    PlacementsTest() {
        for (int i = 0; i < 8; i++) {
            truly.add(Pt.mm(5 + 6.1 * i, 8 + i * i * 0.7));
        }
    }

    private void put(String path, String text) {
        readings.put(path, Reading.of(path, text.getBytes(StandardCharsets.UTF_8)));
    }

    /** Parts R0 to R7, of which the last ones lie so much elsewhere. */
    private void table(int lost, double dx, String side) {
        StringBuilder s = new StringBuilder("Designator,X (mm),Y (mm),Rotation" + side + "\n");
        for (int i = 0; i < truly.size(); i++) {
            double off = i >= truly.size() - lost ? dx * (1 + i) : 0;
            s.append(
                    String.format(
                            Locale.ROOT,
                            "R%d,%.4f,%.4f,0%s%n",
                            i,
                            truly.get(i).x() / 1e6 + off,
                            truly.get(i).y() / 1e6,
                            side.isEmpty() ? "" : ",Top"));
        }
        put("table.csv", s.toString());
    }

    private void netlist(int below) {
        StringBuilder s = new StringBuilder("P  UNITS CUST 1\n");
        for (int i = 0; i < truly.size(); i++) {
            for (int pin = 1; pin <= 2; pin++) {
                s.append(
                        String.format(
                                "327N%-13d   R%-5d-%-4d       A%sX+%06dY+%06dX0500Y0500R000 S0%n",
                                i,
                                i,
                                pin,
                                i < below ? "02" : "01",
                                truly.get(i).x() / 1000 + (pin == 1 ? -900 : 900),
                                truly.get(i).y() / 1000));
            }
        }
        put("nets", s + "999\n");
    }

    private static String flash(Pt at, long dx) {
        return "X" + (at.x() + dx) + "Y" + at.y() + "D03*\n";
    }

    private void openings(boolean named) {
        StringBuilder s = new StringBuilder("%FSLAX46Y46*%\n%MOMM*%\n%ADD10R,1X1.2*%\nD10*\n");
        for (int i = 0; i < truly.size(); i++) {
            for (int pin = 1; pin <= 2; pin++) {
                s.append(named ? "%TO.P,R" + i + "," + pin + "*%\n" : "");
                s.append(flash(truly.get(i), pin == 1 ? -900_000 : 900_000));
            }
        }
        put("pads", s + "M02*\n");
    }

    private PackFacts facts;

    private Placements lay() {
        facts = new PackFacts(readings);
        return Placements.lay(readings, facts);
    }

    private static void said(Placements p, Problem.Code code, String text) {
        assertThat(p.problems())
                .singleElement()
                .satisfies(
                        x -> {
                            assertThat(x.code()).isEqualTo(code);
                            assertThat(x.file()).isEqualTo("table.csv");
                            assertThat(x.text()).isEqualTo(text);
                        });
    }

    @Test
    void partsOnTheirPadsAreLeftAsTheyAre() {
        table(0, 0, ",Side");
        netlist(0);
        Placements p = lay();
        assertThat(p.problems()).isEmpty();
        assertThat(p.of("table.csv")).extracting(PlacedPart::at).isEqualTo(truly);
        assertThat(p.of("another.csv")).isEmpty();
    }

    @Test
    void partsOffTheirPadsAreSaid() {
        table(5, 3, ",Side");
        netlist(0);
        Placements p = lay();
        said(p, Problem.Code.MISREGISTERED, "only 38 % of the parts lie on their pads");
        assertThat(p.of("table.csv").get(0).at()).isEqualTo(truly.get(0));
        // On openings, of which nobody says whose they are, that is no proof.
        readings.remove("nets");
        openings(false);
        assertThat(lay().problems()).isEmpty();
    }

    @Test
    void aHabitIsUndoneAndSaid() {
        for (String pads : new String[] {"netlist", "flashes", "openings"}) {
            readings.clear();
            truly.replaceAll(t -> t.plus(Pt.mm(-30, 12)));
            table(0, 0, ",Side");
            truly.replaceAll(t -> t.minus(Pt.mm(-30, 12)));
            switch (pads) {
                case "netlist" -> netlist(0);
                case "flashes" -> openings(true);
                default -> openings(false);
            }
            Placements p = lay();
            for (int i = 0; i < truly.size(); i++) {
                // Openings are known to a pixel of their picture.
                assertThat(p.of("table.csv").get(i).at().distance(truly.get(i))).isLessThan(20_000);
            }
            if (pads.equals("openings")) {
                assertThat(p.problems().get(0).text()).endsWith("parts then lie on pads");
            } else {
                said(
                        p,
                        Problem.Code.FORMAT_GUESSED,
                        "its origin lies elsewhere, so all were moved by 30.000, -12.000 mm: 100 %"
                                + " of the parts then lie on their pads");
            }
        }
    }

    @Test
    void ofATableWithoutSidesEachPartIsWhereItsPadsAre() {
        table(0, 0, "");
        netlist(3);
        Placements p = lay();
        assertThat(p.of("table.csv").stream().filter(x -> x.side() == Side.BOTTOM)).hasSize(3);
        said(
                p,
                Problem.Code.FORMAT_GUESSED,
                "it says no side; 3 parts have all their pads on the bottom by the netlist");
        netlist(0);
        Placements top = lay();
        assertThat(top.problems()).isEmpty();
        assertThat(top.of("table.csv")).allMatch(x -> x.side() == Side.TOP);
        // A side that is stated counts.
        table(0, 0, ",Side");
        netlist(3);
        assertThat(lay().of("table.csv")).allMatch(x -> x.side() == Side.TOP);
    }

    @Test
    void withoutPadsNothingIsClaimed() {
        table(0, 0, ",Side");
        Placements p = lay();
        assertThat(p.problems()).isEmpty();
        assertThat(p.of("table.csv")).extracting(PlacedPart::at).isEqualTo(truly);
    }
}
