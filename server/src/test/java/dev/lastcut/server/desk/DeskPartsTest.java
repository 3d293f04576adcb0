package dev.lastcut.server.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.api.Packs;
import dev.lastcut.server.counter.HouseShelf;
import dev.lastcut.server.orders.DeskOrder.DeskQuestion;
import dev.lastcut.server.orders.DeskParts;
import dev.lastcut.server.orders.DeskParts.DeskLine;
import dev.lastcut.server.orders.DeskParts.DeskPlaced;
import dev.lastcut.server.sheets.SheetLibrary;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Coordinate;

/** What a house that fits parts makes of the tables of a cut. */
class DeskPartsTest {
    private static final Assembly.Fees FEES = new Assembly.Fees(9, 0.0015, 3, 6);

    private static PartsList.Line line(String value, String footprint, String number, int pieces) {
        List<String> names = List.of("R1", "R2", "R3", "R4").subList(0, pieces);
        Part part = new Part("R1", value, footprint, "", number, "", true, true, Optional.empty());
        return new PartsList.Line(part, value, names);
    }

    private static DeskLine matched(PartsList.Line line, int boards) {
        return new ListMatch(new HouseShelf(), FEES, boards).line(line);
    }

    @ParameterizedTest
    @CsvSource({
        "CH-R-10k, R0603, 10k, found, CH-R-10k",
        "ch r 10K, R0603, 10k, found, CH-R-10k",
        "CH-R-10k-TR, R0603, 10k, other-packaging, CH-R-10k",
        "'', R0603, 10k, proposed, CH-R-10k",
        "'', R0603, 10000, proposed, CH-R-10k",
        "'', '', 10k, unknown, ''",
        "'', R0603, green, unknown, ''",
        "QQ-77, R0603, 10k, unknown, ''"
    })
    void aLineIsTakenByItsNumberAndProposedByValueAndPackageAlone(
            String number, String footprint, String value, String state, String taken) {
        DeskLine l = matched(line(value, footprint, number, 3), 10);
        assertThat(l.state()).isEqualTo(state);
        assertThat(l.taken()).isEqualToIgnoringCase(taken);
        // 3 on each of 10 boards and 6 % lost in feeding: 31.8.
        assertThat(l.needed()).isEqualTo(32);
        assertThat(l.says().isEmpty()).isEqualTo(state.equals(DeskLine.FOUND));
    }

    @Test
    void moreThanThereAreIsSaidToBeTooFew() {
        PartsList.Line line = line("10k", "R0603", "CH-R-10k", 4);
        DeskLine few = matched(line, 5);
        int boards = (int) (few.stock() / 4) + 1;
        DeskLine many = matched(line, boards);
        assertThat(many.state()).isEqualTo(DeskLine.SHORT);
        assertThat(many.needed()).isGreaterThan(many.stock());
        assertThat(many.says()).startsWith("Too few in stock");
    }

    private static Ticket fitted(String sides) {
        return Ticket.BLANK.with(d -> d.order = Order.USUAL.with(OrderOption.ASSEMBLY, sides));
    }

    private static Ticket turned(Ticket ticket, List<DeskPlaced> placed, String also, double deg) {
        Map<String, Double> turns = new TreeMap<>();
        for (DeskPlaced p : placed) {
            if (p.turnDeg() != null) {
                turns.put(p.designator(), p.turnDeg());
            }
        }
        turns.computeIfPresent(also, (k, v) -> v + deg);
        return ticket.with(
                d -> d.parts = d.parts.with(new Turns(new TreeMap<>(), new TreeMap<>(turns))));
    }

    /**
     * Turned as the desk says, every part's pin 1 comes to lie by the board's own pin 1 and by no
     * other pin, whichever level of IEC 61188-7 the house goes by, on the bottom as well.
     */
    @ParameterizedTest
    @CsvSource({
        "hive-scale-node, waggle-quick, top",
        "hive-scale-node, longcomb-fine, both",
        "p14_lagen, longcomb-fine, both"
    })
    void turnedAsTheDeskSaysPinOneLiesOnPinOne(String pack, String shop, String sides)
            throws Exception {
        Ticket ticket = fitted(sides);
        List<DeskPlaced> first = placed(Cuts.of(pack, shop, ticket).zip());
        assertThat(first).filteredOn(p -> p.turnDeg() != null).isNotEmpty();
        byte[] zip = Cuts.of(pack, shop, turned(ticket, first, "", 0)).zip();
        assertThat(placed(zip))
                .filteredOn(p -> p.turnDeg() != null)
                .isNotEmpty()
                .allMatch(p -> p.turnDeg() == 0);
        BoardGeometry board = DeskReader.board("board", "", Packs.unzipped(zip));
        Assembly assembly = new SheetLibrary().find(shop).orElseThrow().assembly().orElseThrow();
        PartPins pins = PartPins.of(board);
        for (HouseView.Fitted f : new HouseView(board, assembly).parts()) {
            if (f.pinOne().isPresent()) {
                Coordinate at = f.pinOne().get();
                String near =
                        pins.of(f.placed().designator()).stream()
                                .min(Comparator.comparing(p -> p.at().coordinate().distance(at)))
                                .orElseThrow()
                                .pin();
                assertThat(near).as(f.placed().designator()).isEqualTo("1");
            }
        }
    }

    private static List<DeskPlaced> placed(byte[] zip) {
        DeskParts parts = new DeskReader().read(zip).reading().parts();
        return parts.placed();
    }

    /** A part turned by a quarter is told by name, by the turn back, and in red in the picture. */
    @Test
    void aTurnedPartIsToldAndShown() throws Exception {
        Ticket ticket = fitted("top");
        List<DeskPlaced> first = placed(Cuts.of("hive-scale-node", "waggle-quick", ticket).zip());
        String name =
                first.stream()
                        .filter(p -> p.turnDeg() != null)
                        .findFirst()
                        .orElseThrow()
                        .designator();
        Ticket wrong = turned(ticket, first, name, 90);
        DeskReader.Read r =
                new DeskReader().read(Cuts.of("hive-scale-node", "waggle-quick", wrong).zip());
        assertThat(r.reading().parts().placed())
                .filteredOn(p -> p.turnDeg() != null && p.turnDeg() != 0)
                .singleElement()
                .matches(p -> p.designator().equals(name) && p.turnDeg() == 270);
        assertThat(r.pictures()).containsKey("parts-top").doesNotContainKey("parts-bottom");
        assertThat(r.reading().boards().get(0).fitted()).containsExactly("parts-top");
        assertThat(r.pictures().get("parts-top")).isNotEqualTo(r.pictures().get("board-top"));
    }

    /** Whoever cannot fit a line asks, and tells how many there are. */
    @Test
    void whatCannotBeFittedIsAsked() throws Exception {
        DeskReader.Read r =
                new DeskReader()
                        .read(Cuts.of("hive-scale-node", "waggle-quick", fitted("top")).zip());
        List<DeskLine> open =
                r.reading().parts().lines().stream()
                        .filter(l -> l.state().matches("unknown|short|proposed"))
                        .toList();
        assertThat(r.questions())
                .extracting(DeskQuestion::id)
                .filteredOn(id -> id.equals("parts-list"))
                .hasSize(open.isEmpty() ? 0 : 1);
    }
}
