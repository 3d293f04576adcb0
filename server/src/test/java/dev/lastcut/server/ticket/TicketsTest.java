package dev.lastcut.server.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.HeightZone;
import dev.lastcut.core.assembly.Heights;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderMark;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.DataValue;
import dev.lastcut.core.catalogue.Supply;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.current.Terminal;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.formats.table.ColumnKind;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.milling.level.ProbeGrid;
import dev.lastcut.core.stencil.HomePlate;
import dev.lastcut.core.stencil.Panes;
import dev.lastcut.core.stencil.Shaping;
import dev.lastcut.core.stencil.StencilPlan;
import dev.lastcut.core.ticket.Acceptance;
import dev.lastcut.core.ticket.CutStamp;
import dev.lastcut.core.ticket.ProbedSurface;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.report.Json;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Envelope;

/** The file of a ticket: written and read, and what is wrong with one said by path. */
class TicketsTest {
    private static Optional<OrderMark> mark(Random r) {
        return r.nextBoolean()
                ? Optional.empty()
                : Optional.of(new OrderMark(Side.TOP, Pt.mm(r.nextInt(90) - 45, r.nextInt(9))));
    }

    /** A ticket with something odd in about half of its parts. */
    private static Ticket random(Random r) {
        return Ticket.BLANK.with(
                d -> {
                    d.shop = r.nextBoolean() ? Optional.of("wren-bench") : Optional.empty();
                    d.files = files(r);
                    d.headroom = headroom(r);
                    for (OrderOption o : OrderOption.values()) {
                        d.order = r.nextInt(3) == 0 ? d.order.with(o, "1.6") : d.order;
                    }
                    d.currents = currents(r);
                    d.mill = r.nextBoolean() ? setup(r) : MillSetup.USUAL;
                    d.millsAside =
                            r.nextBoolean() ? Map.of("a", setup(r), "b", setup(r)) : Map.of();
                    d.probed = r.nextBoolean() ? Map.of(Side.BOTTOM, surface(r)) : Map.of();
                    d.parts = r.nextBoolean() ? PartsPlan.NONE : parts(r);
                    d.stencil = stencil(r);
                    d.order = d.order.of(1 + r.nextInt(500));
                    d.order = d.order.marked(mark(r));
                    d.signOffs = signOffs(r);
                    d.made =
                            r.nextBoolean()
                                    ? CutStamp.NOTHING_SAID
                                    : CutStamp.of("x", 2, 3, "2026-01-02T03:04:05Z");
                });
    }

    private static Choices files(Random r) {
        Map<String, Role> roles = new HashMap<>();
        Map<String, Correction> moves = new HashMap<>();
        Map<String, DrillFormat> formats = new HashMap<>();
        Map<String, Double> units = new HashMap<>();
        Map<String, List<ColumnKind>> columns = new HashMap<>();
        for (int i = 0; i < r.nextInt(6); i++) {
            String path = "ordner ä/" + r.nextInt(100) + ".x~\"\\";
            roles.put(path, r.nextBoolean() ? Role.innerCopper(1 + r.nextInt(30)) : Role.NOT_PART);
            formats.put(path, DrillFormat.ALL.get(r.nextInt(DrillFormat.ALL.size())));
            columns.put(path, List.of(ColumnKind.OTHER, ColumnKind.values()[r.nextInt(10)]));
            units.put(path, 1 + r.nextDouble() * 1e8);
            moves.put(
                    path,
                    new Correction(
                            r.nextBoolean(),
                            r.nextInt(4),
                            0.5 + r.nextDouble(),
                            new Pt(r.nextInt(), r.nextInt())));
        }
        Map<String, Map<Integer, Long>> tools =
                r.nextBoolean()
                        ? Map.of()
                        : Map.of("a.drl", Map.of(1 + r.nextInt(99), 350_000L, -1, 800_000L));
        return new Choices(roles, moves, formats, units, columns, tools);
    }

    private static Headroom headroom(Random r) {
        Map<LimitKey, Double> own = new HashMap<>();
        Map<LimitKey, Double> percents = new HashMap<>();
        for (LimitKey k : LimitKey.values()) {
            int which = r.nextInt(4);
            if (which == 0) {
                own.put(k, k.isRatio() ? r.nextDouble() : r.nextInt(500_000));
            } else if (which == 1) {
                percents.put(k, r.nextDouble() * 100);
            }
        }
        return new Headroom(r.nextInt(50), own, percents);
    }

    private static List<NetCurrent> currents(Random r) {
        List<NetCurrent> all = new ArrayList<>();
        for (int i = 0; i < r.nextInt(4); i++) {
            Optional<Terminal> end =
                    r.nextBoolean()
                            ? Optional.of(new Terminal("copper-top", new Pt(r.nextInt(), 7)))
                            : Optional.empty();
            all.add(new NetCurrent("N" + i, 0.1 + r.nextInt(9), 10, end, end));
        }
        return all;
    }

    private static PartsPlan parts(Random r) {
        Variants v = Variants.NONE.with(Optional.empty(), fittings(r));
        for (int i = 0; i < r.nextInt(4); i++) {
            String name = "v1." + i + " \u00e4/\"";
            v = v.adding(name, Optional.empty()).with(Optional.of(name), fittings(r));
            v = r.nextBoolean() ? v.building(Optional.of(name)) : v;
        }
        PartsPlan plan = PartsPlan.NONE.with(v).needing("R7", List.of("carries at least 1 A"));
        for (int i = 0; i < r.nextInt(4); i++) {
            plan = plan.knowing(Map.of("N" + i, known(r, i)));
        }
        return placing(r, plan);
    }

    private static StencilPlan stencil(Random r) {
        TreeMap<String, Shaping> packages = new TreeMap<>();
        for (int i = 0; i < r.nextInt(3); i++) {
            packages.put("P" + i, shaping(r));
        }
        return new StencilPlan(
                r.nextBoolean() ? Optional.of(0.1) : Optional.empty(),
                shaping(r),
                packages,
                r.nextBoolean(),
                new StencilPlan.Mounting(r.nextBoolean(), r.nextInt(4)));
    }

    private static Shaping shaping(Random r) {
        Optional<Double> by = Optional.of(r.nextInt(500) / 100.0);
        int how = r.nextInt(3);
        return new Shaping(
                how == 0 ? by : Optional.empty(),
                how == 1 ? by : Optional.empty(),
                r.nextBoolean() ? by : Optional.empty(),
                r.nextBoolean() ? Optional.of(new Panes(5, 0.3, 66.5)) : Optional.empty(),
                r.nextBoolean()
                        ? Optional.of(new HomePlate(new TreeSet<>(List.of("0603")), 0.4))
                        : Optional.empty());
    }

    private static PartsPlan placing(Random r, PartsPlan plan) {
        Turns turns = Turns.NONE;
        ByHand hand = ByHand.NONE;
        for (int i = 0; i < r.nextInt(4); i++) {
            turns = turns.ofPackage("P" + i, r.nextInt(360)).ofPart("U" + i, r.nextInt(720) - 360);
            hand = hand.ofPackage("P" + i, r.nextBoolean());
            hand = hand.ofPart("J" + i, Optional.of(r.nextBoolean()));
            hand = hand.ofSide(Side.BOTTOM, r.nextBoolean());
        }
        if (r.nextBoolean()) {
            List<Pt> area =
                    r.nextBoolean()
                            ? List.of()
                            : List.of(Pt.mm(0, 0), Pt.mm(1 + r.nextInt(9), 0.125), Pt.mm(0, 3));
            HeightZone zone = new HeightZone("lid ä", Side.BOTTOM, r.nextInt(90) / 8.0, area);
            plan = plan.with(new Heights(List.of(zone), new TreeMap<>(Map.of("SW1", 30.5))));
        }
        return plan.with(turns).with(hand).lookedAt("SOIC8", r.nextBoolean() ? "U1 90" : "");
    }

    private static Map<String, Fitting> fittings(Random r) {
        Map<String, Fitting> all = new HashMap<>();
        for (int i = 0; i < r.nextInt(9); i++) {
            all.put(
                    "R" + r.nextInt(40),
                    new Fitting(
                            r.nextBoolean() ? Optional.of(r.nextBoolean()) : Optional.empty(),
                            r.nextBoolean() ? Optional.of("4k7 \u03a9") : Optional.empty(),
                            r.nextBoolean() ? Optional.of("") : Optional.empty(),
                            r.nextBoolean() ? Optional.of("SOT23") : Optional.empty()));
        }
        return all;
    }

    private static CataloguePart known(Random r, int i) {
        return new CataloguePart(
                "N" + i,
                "works",
                "regulator",
                "",
                "SOT23",
                r.nextBoolean()
                        ? Optional.empty()
                        : Optional.of(new CataloguePart.Body(2.9, 1.3, 0.1 + r.nextDouble())),
                Map.of(
                        "dropout", DataValue.max(r.nextDouble(), "V", "at 50 mA"),
                        "polarity", DataValue.word("P"),
                        "gain", DataValue.typ(100, "")),
                List.of(new CataloguePart.Pin("1", "NC", CataloguePart.PinRole.STAY_FREE)),
                new Supply(
                        r.nextInt(9999),
                        "EUR",
                        List.of(new Supply.Break(1, r.nextDouble()), new Supply.Break(50, 0)),
                        r.nextBoolean() ? Optional.of(9) : Optional.empty(),
                        r.nextBoolean(),
                        Supply.Life.LAST_ORDERS),
                "2026-01-02T03:04:05Z");
    }

    private static MillSetup setup(Random r) {
        MillSetup u = MillSetup.USUAL;
        long x = r.nextInt(9_000_000);
        List<Envelope> areas = List.of(new Envelope(x, x + 1 + r.nextInt(5_000_000), -x, 1));
        return new MillSetup(
                List.of("v" + r.nextInt(9)),
                new HashSet<>(r.nextBoolean() ? List.of(Side.TOP, Side.BOTTOM) : List.of()),
                MillSetup.Clearing.TIE,
                areas,
                r.nextBoolean() ? areas : List.of(),
                r.nextBoolean(),
                r.nextInt(500_000),
                r.nextBoolean(),
                "GND",
                MillSetup.Zero.BED,
                r.nextInt(90_000_000),
                r.nextInt(90_000_000),
                4,
                r.nextBoolean() ? MillSetup.FlipAxis.LEVEL : u.turnedOver());
    }

    private static ProbedSurface surface(Random r) {
        double side = 10e6 + r.nextDouble();
        return new ProbedSurface(
                new ProbeGrid(0, 0, side, side, 2, 2), "0 0 0.1\n10 0 0\n0 10 0\n10 10 0\n");
    }

    private static List<Acceptance> signOffs(Random r) {
        List<Acceptance> all = new ArrayList<>();
        for (int i = 0; i < r.nextInt(4); i++) {
            Optional<Acceptance.Facts> facts =
                    r.nextBoolean()
                            ? Optional.empty()
                            : Optional.of(
                                    new Acceptance.Facts(
                                            "stub-" + i,
                                            "stub|a|b",
                                            r.nextBoolean()
                                                    ? Optional.of(r.nextDouble())
                                                    : Optional.empty(),
                                            1 + i,
                                            "2026-01-01T00:00:00Z"));
            all.add(new Acceptance("stub", new Pt(r.nextInt(), -i), "Ida", "so", facts));
        }
        return all;
    }

    private static byte[] utf8(String s) {
        return s.getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void anyTicketIsTheSameAfterWritingAndReading() throws Exception {
        for (int seed = 0; seed < 300; seed++) {
            Ticket t = random(new Random(seed));
            byte[] json = Tickets.write(t);
            Ticket again = Tickets.parse(json);
            assertThat(again).as("seed %d", seed).isEqualTo(t);
            assertThat(Tickets.write(again)).isEqualTo(json);
        }
        assertThat(new String(Tickets.write(Ticket.BLANK), StandardCharsets.UTF_8))
                .isEqualTo("{\n  \"version\" : 1\n}\n");
        assertThat(Tickets.parse(utf8("{}"))).isEqualTo(Ticket.BLANK);
    }

    /** Each fault by the path of its key; what is right beside it is not taken in. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "{\"headrom\":{}} | headrom: there is no such key",
                "{\"mill\":{\"nick_mm\":\"thin\"}} | mill.nick_mm: it must be a number, not \"thin\"",
                "{\"mill\":{\"nick\":0.1}} | mill.nick: there is no such key",
                "{\"mill\":{\"rub_out\":[{\"min_x_mm\":1}]}} | mill.rub_out[0].max_x_mm: it is missing",
                "{\"mills_aside\":{\"w\":{\"pins\":3}}} | mills_aside.w.pins: it must be one of 0, 2, 4, not 3",
                "{\"headroom\":{\"mm\":{\"speed\":1}}} | headroom.mm.speed: there is no such key",
                "{\"headroom\":{\"percent\":-1}} | headroom.percent: it must be at least 0, not -1",
                "{\"headroom\":{\"mm\":{\"clearance\":0.1},\"percents\":{\"clearance\":5}}} | headroom: one headroom per number",
                "{\"order\":{\"thickness\":1.6}} | order.thickness: it must be a string, not 1.6",
                "{\"roles\":{\"a.gbr\":\"lid\"}} | roles.a.gbr: it is not one of the words",
                "{\"roles\":[]} | roles: it must be an object",
                "{\"formats\":{\"a\":\"metric\"}} | formats.a: it must be one of",
                "{\"currents\":[{\"net\":\"A\",\"amps\":1}]} | currents[0].rise_c: it is missing",
                "{\"currents\":[{\"net\":\"A\",\"amps\":0,\"rise_c\":9}]} | currents[0].amps: it must be above 0",
                "{\"sign_offs\":[{\"rule\":\"stub\",\"by\":\"\",\"reason\":\"x\"}]} | sign_offs[0].by: it must not be empty",
                "{\"surfaces\":{\"left\":{}}} | surfaces.left: there is no such key",
                "{\"made_at\":\"yesterday\"} | made_at: it is not one of the words or forms",
                "{\"version\":2} | version: it must be 1, not 2",
                "{\"stencil\":{\"foil\":0.1}} | stencil.foil: there is no such key, or not yet",
                "{\"stencil\":{\"foil_mm\":\"thin\"}} | stencil.foil_mm",
                "{\"stencil\":{\"reduce_mm\":1,\"reduce_percent\":5}} | stencil: openings are reduced by",
                "{\"stencil\":{\"panes\":{\"cover_percent\":0}}} | stencil.panes.cover_percent",
                "{\"turns\":{\"parts\":{\"U1\":\"left\"}}} | turns.parts.U1",
                "{\"turns\":{\"packages\":{\"SOT23\":1e9}}} | turns.packages.SOT23",
                "{\"by_hand\":{\"sides\":[\"inside\"]}} | by_hand.sides",
                "{\"order\":{\"quantity\":0}} | order.quantity: it must be at least 1, not 0",
                "{\"order\":{\"mark\":{\"x_mm\":1,\"side\":\"top\"}}} | order.mark.y_mm",
                "{\"order\":{\"mark\":{\"x_mm\":1,\"y_mm\":2,\"side\":\"in\"}}} | order.mark.side",
                "{\"parts\":{\"R1\":{\"fitted\":\"no\"}}} | parts.R1.fitted: it must be a boolean, not \"no\"",
                "{\"variants\":{\"A\":{\"R1\":{\"valu\":1}}}} | variants.A.R1.valu: there is no such key",
                "{\"variant\":\"A\"} | variant: There is no variant A; the ticket has none",
                "{\"known_parts\":{\"N\":{\"pins\":[{\"pin\":\"1\",\"role\":\"king\"}]}}} | known_parts.N.pins[0].role: it must be one of",
                "{\"known_parts\":{\"N\":{\"supply\":{\"stock\":-1}}}} | known_parts.N.supply.stock: it must be at least 0",
                "{\"needs\":{\"U3\":\"much\"}} | needs.U3: it must be an array",
                "{\"shop\":\"a\",\"shop\":\"b\"} | not JSON",
                "{\"shop\":\"a\"} trailing | not JSON",
                "[] | not a JSON object",
                "null | not a JSON object",
                "{\"shop\" | not JSON"
            })
    void whatIsWrongIsSaidByPath(String json, String says) {
        assertThatThrownBy(() -> Tickets.parse(utf8(json)))
                .isInstanceOf(BadTicketException.class)
                .hasMessageStartingWith("The ticket cannot be used: ")
                .hasMessageContaining(says);
    }

    @Test
    void nothingWrittenAtRandomIsMoreThanRefused() {
        byte[] good = Tickets.write(random(new Random(7)));
        Random r = new Random(11);
        int refused = 0;
        for (int i = 0; i < 400; i++) {
            byte[] bad = good.clone();
            for (int k = 0; k < 1 + r.nextInt(4); k++) {
                bad[r.nextInt(bad.length)] = (byte) r.nextInt(128);
            }
            try {
                Tickets.parse(bad);
            } catch (BadTicketException e) {
                refused++;
            }
        }
        assertThat(refused).isPositive();
    }

    @Test
    void partsGivenAreReplacedAndFilesOneByOne() throws Exception {
        Ticket t =
                Tickets.parse(
                        utf8(
                                "{\"shop\":\"a\",\"roles\":{\"x\":\"outline\",\"y\":\"outline\"},"
                                        + "\"headroom\":{\"percent\":10,\"mm\":{\"clearance\":0.1}},"
                                        + "\"mill\":{\"pins\":4}}"));
        Ticket next =
                Tickets.changed(
                        t, utf8("{\"roles\":{\"x\":null,\"z\":\"netlist\"},\"headroom\":null}"));
        assertThat(next.files().roles()).isEqualTo(Map.of("y", Role.OUTLINE, "z", Role.NETLIST));
        assertThat(next.headroom()).isEqualTo(Headroom.NONE);
        assertThat(next.mill().pins()).isEqualTo(4);
        Ticket wide = Tickets.changed(t, utf8("{\"headroom\":{\"percents\":{\"clearance\":5}}}"));
        assertThat(wide.headroom())
                .isEqualTo(new Headroom(0, Map.of(), Map.of(LimitKey.CLEARANCE, 5.0)));
        assertThat(Tickets.changed(t, utf8("{}"))).isEqualTo(t);
        // Another mill starts from its usual set-up, and the first one finds its own again.
        Ticket elsewhere = Tickets.changed(t, utf8("{\"shop\":\"b\"}"));
        assertThat(elsewhere.mill()).isEqualTo(MillSetup.USUAL);
        assertThat(Tickets.changed(elsewhere, utf8("{\"shop\":\"a\"}"))).isEqualTo(t);
        assertThat(Tickets.changed(t, utf8("{\"order\":{\"finish\":\"gold\"}}")).order())
                .isEqualTo(Order.USUAL.with(OrderOption.FINISH, "gold"));
        // What is ordered beside the options stays, until it is taken away.
        String place = "\"mark\":{\"x_mm\":12.5,\"y_mm\":-3,\"side\":\"bottom\"}";
        Ticket marked = Tickets.changed(t, utf8("{\"order\":{\"quantity\":9," + place + "}}"));
        Order gold = Tickets.changed(marked, utf8("{\"order\":{\"finish\":\"gold\"}}")).order();
        assertThat(gold.quantity()).isEqualTo(9);
        assertThat(gold.mark()).contains(new OrderMark(Side.BOTTOM, Pt.mm(12.5, -3)));
        assertThat(Tickets.changed(marked, utf8("{\"order\":{\"mark\":null}}")).order().mark())
                .isEmpty();
    }

    @Test
    void theSchemaInTheDocumentsIsTheOneThatIsCheckedBy() throws Exception {
        Path inDocs = Path.of("../docs/ticket.schema.json");
        byte[] made = Json.write(TicketSchema.schema());
        if (Boolean.getBoolean("lastcut.api.write")) {
            Files.write(inDocs, made);
        }
        assertThat(Files.readAllBytes(inDocs)).isEqualTo(made);
    }

    /** The examples in docs/ticket.md are tickets, and every key of the schema is told of. */
    @Test
    void theDocumentTellsOfEveryKeyAndItsExamplesAreTickets() throws Exception {
        String text = Files.readString(Path.of("../docs/ticket.md"));
        Matcher m = Pattern.compile("```json\\n(.*?)```", Pattern.DOTALL).matcher(text);
        int examples = 0;
        while (m.find()) {
            assertThat(Tickets.parse(utf8(m.group(1)))).isNotEqualTo(Ticket.BLANK);
            examples++;
        }
        assertThat(examples).isPositive();
        Map<?, ?> keys = (Map<?, ?>) TicketSchema.schema().get("properties");
        keys.keySet().forEach(k -> assertThat(text).contains("`" + k + "`"));
    }
}
