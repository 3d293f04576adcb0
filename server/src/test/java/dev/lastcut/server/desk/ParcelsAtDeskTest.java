package dev.lastcut.server.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.quote.OrderChoices.OrderChoice;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.api.Packs;
import dev.lastcut.server.orders.DeskReading;
import dev.lastcut.server.orders.DeskReading.DeskAsk;
import dev.lastcut.server.orders.PackingList;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.ticket.Tickets;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Parcels by their packing list, and zips from anywhere, as the desk reads them. */
class ParcelsAtDeskTest {
    private final Map<String, byte[]> sent = new HashMap<>();
    private final DeskReader desk = new DeskReader(s -> Optional.ofNullable(sent.get(s)));

    private PackingList.Item send(String name, byte[] content, int cut) {
        String sha256 = Manifest.sha256(content);
        sent.put(sha256, content);
        return new PackingList.Item(name, sha256, cut);
    }

    private List<PackingList.Item> parcels(byte[] cut) throws Exception {
        List<PackingList.Item> all = new ArrayList<>();
        new TreeMap<>(Packs.unzipped(cut))
                .forEach(
                        (path, content) -> {
                            if (path.startsWith("parcels/")) {
                                all.add(send(path.substring("parcels/".length()), content, 1));
                            }
                        });
        return all;
    }

    private DeskReader.Read read(Ticket ticket, List<PackingList.Item> parcels) {
        return desk.read(
                Json.write(
                        new PackingList(
                                Json.MAPPER.readTree(Tickets.write(ticket)), null, parcels)));
    }

    private static Ticket at(String shop, Order order) {
        return Ticket.BLANK.withShop(shop).with(d -> d.order = order);
    }

    private static Order fitted(String sides) {
        return Order.USUAL.with(OrderOption.ASSEMBLY, sides);
    }

    /** Sent in parcels a cut is read, priced and asked about as it is when it is sent whole. */
    @ParameterizedTest
    @CsvSource({
        "hive-scale-node, waggle-quick, top",
        "joint-box, longcomb-fine, both",
        "p14_lagen, longcomb-fine, none"
    })
    void parcelsAreReadAsTheCutTheyAreOf(String pack, String shop, String sides) throws Exception {
        Ticket ticket = at(shop, fitted(sides));
        byte[] cut = Cuts.of(pack, shop, ticket).zip();
        DeskReader.Read whole = desk.read(cut);
        List<PackingList.Item> parcels = parcels(cut);
        DeskReader.Read read = read(ticket, parcels);
        DeskReading a = read.reading();
        DeskReading b = whole.reading();
        assertThat(a.state()).as(a.says()).isEqualTo(DeskReading.READ);
        assertThat(a.asks()).isEmpty();
        assertThat(a.boards()).isEqualTo(b.boards());
        assertThat(a.findings()).isEqualTo(b.findings());
        assertThat(a.quote()).isEqualTo(b.quote());
        assertThat(a.parts()).isEqualTo(b.parts());
        assertThat(a.ordered()).isEqualTo(b.ordered());
        assertThat(read.questions()).isEqualTo(whole.questions());
        assertThat(a.parcels())
                .extracting(DeskReading.DeskParcel::name)
                .containsExactlyElementsOf(parcels.stream().map(PackingList.Item::name).toList());
        assertThat(a.parcels())
                .filteredOn(p -> p.name().equals("board.zip"))
                .allMatch(p -> p.says().contains("copper top"));
    }

    /** What is ordered of the parcels is the list's affair: other colours need no other files. */
    @Test
    void anotherListOfTheSameParcelsIsPricedAnew() throws Exception {
        byte[] cut = Cuts.of("joint-box", "waggle-quick", Ticket.BLANK).zip();
        List<PackingList.Item> parcels = parcels(cut);
        DeskReading usual = read(at("waggle-quick", Order.USUAL), parcels).reading();
        OrderChoice finish =
                usual.options().stream()
                        .filter(o -> o.id().equals("finish"))
                        .findFirst()
                        .orElseThrow();
        assertThat(finish.freeOfFiles()).isTrue();
        for (var value : finish.values()) {
            Order other = Order.USUAL.with(OrderOption.FINISH, value.value());
            DeskReading then = read(at("waggle-quick", other), parcels).reading();
            assertThat(then.quote().total())
                    .as(value.value())
                    .isCloseTo(usual.quote().total() + value.money(), within(0.005));
            assertThat(then.ordered()).contains("Finish: " + value.value());
        }
        DeskReading twelve = read(at("waggle-quick", Order.USUAL.of(12)), parcels).reading();
        assertThat(twelve.quantity()).isEqualTo(12);
        assertThat(twelve.quote().total()).isGreaterThan(usual.quote().total());
    }

    private String refusal(List<PackingList.Item> parcels) {
        DeskReading r = read(at("waggle-quick", fitted("top")), parcels).reading();
        assertThat(r.state()).isEqualTo(DeskReading.REFUSED);
        assertThat(r.quote()).isNull();
        return r.says();
    }

    @Test
    void whatDoesNotBelongTogetherIsRefusedByName() throws Exception {
        Ticket ticket = at("waggle-quick", fitted("top"));
        List<PackingList.Item> own =
                parcels(Cuts.of("hive-scale-node", "waggle-quick", ticket).zip());
        List<PackingList.Item> ofCutTwo = new ArrayList<>(own);
        ofCutTwo.replaceAll(p -> new PackingList.Item(p.name(), p.sha256(), 2));
        assertThat(refusal(ofCutTwo)).contains("board.zip is of cut 1").contains("of cut 2");

        List<PackingList.Item> foreign = new ArrayList<>(own);
        String list = "Designator,Value,Footprint\nZ71,10k,R0603\nZ72,22k,R0603\n";
        foreign.replaceAll(
                p ->
                        p.name().equals("list.csv")
                                ? send(p.name(), list.getBytes(StandardCharsets.UTF_8), 1)
                                : p);
        assertThat(refusal(foreign))
                .contains("The parts list is of another board")
                .contains("none of its 2 parts");

        List<PackingList.Item> twice = new ArrayList<>(own);
        twice.add(own.get(0));
        assertThat(refusal(twice)).contains("two parcels called board.zip");

        List<PackingList.Item> missing = new ArrayList<>(own);
        missing.add(new PackingList.Item("stencil.zip", "0".repeat(64), 1));
        assertThat(refusal(missing)).contains("stencil.zip has not arrived. Send it.");

        List<PackingList.Item> noList = new ArrayList<>(own);
        noList.removeIf(p -> p.name().equals("list.csv"));
        DeskReading asked = read(ticket, noList).reading();
        assertThat(asked.asks()).extracting(DeskAsk::about).containsExactly("parts-list");
    }

    /** A pack by another hand goes to the desk as it came; what it does not say is asked. */
    @ParameterizedTest
    @CsvSource({"p06_mill_old", "p07_mill_single", "p14_lagen"})
    void aZipFromAnywhereIsReadAndTheRestIsAsked(String name) throws Exception {
        byte[] zip = Cuts.bytes(name);
        DeskReading bare = desk.read(zip).reading();
        assertThat(bare.state()).as(bare.says()).isEqualTo(DeskReading.READ);
        assertThat(bare.asks()).extracting(DeskAsk::about).contains("shop");
        assertThat(bare.quote()).isNull();

        PackingList.Item parcel = send("as-they-came.zip", zip, 0);
        DeskReading read = read(at("skep-pooled", Order.USUAL), List.of(parcel)).reading();
        BoardGeometry meant = new BoardGeometry(Intake.open(Cuts.pack(name)));
        assertThat(read.boards().get(0).widthMm())
                .isEqualTo(Length.toMm(meant.boardArea().getEnvelopeInternal().getWidth()));
        assertThat(read.boards().get(0).copperLayers()).isEqualTo(meant.board().copper().size());
        assertThat(read.asks()).extracting(DeskAsk::about).doesNotContain("shop");
        assertThat(read.quote().total()).isPositive();
        assertThat(read.files()).hasSize(Packs.unzipped(zip).size());
    }

    @Test
    void aZipWithTwoBoardsIsRefused() throws Exception {
        Map<String, byte[]> two = new TreeMap<>();
        Packs.unzipped(Cuts.bytes("joint-box")).forEach((p, b) -> two.put("box/" + p, b));
        Packs.unzipped(Cuts.bytes("hive-scale-node")).forEach((p, b) -> two.put("hive/" + p, b));
        DeskReading r = desk.read(Packs.zipped(two)).reading();
        assertThat(r.state()).as(r.files().toString()).isEqualTo(DeskReading.REFUSED);
        assertThat(r.says()).startsWith("It holds the files of two boards");
    }

    @Test
    void whatIsNoPackingListIsRefused() {
        for (String bad : List.of("{", "{}", "{\"parcels\": [{}]}", "{\"parcels\": 3}")) {
            DeskReading r = desk.read(bad.getBytes(StandardCharsets.UTF_8)).reading();
            assertThat(r.state()).isEqualTo(DeskReading.REFUSED);
            assertThat(r.says()).startsWith("The packing list");
        }
    }
}
