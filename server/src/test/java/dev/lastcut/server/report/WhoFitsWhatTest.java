package dev.lastcut.server.report;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.assignment.Assignment;
import dev.lastcut.core.assignment.Assignment.By;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.OutputFile;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.placement.PartPolarity;
import dev.lastcut.core.placement.Polarities;
import dev.lastcut.server.LongRun;
import dev.lastcut.server.desk.Cuts;
import dev.lastcut.server.sheets.SheetLibrary;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Lists, placement, by-hand table, guide and drawing say of every part what the report says: every
 * board at every shipped shop, bare, with one side and with both fitted, in every variant.
 */
class WhoFitsWhatTest {
    private static final List<String> ORDERS = List.of("none", "top", "bottom", "both");

    static Stream<String> boards() {
        List<String> usual = List.of("hive-scale-node", "joint-box", "p11_defects_tables");
        List<String> others =
                List.of(
                        "honeycomb-tag",
                        "hive-alarm",
                        "p01_extensions_inch",
                        "p02_extensions_macros",
                        "p03_joined_painted",
                        "p04_terse_four",
                        "p05_letters_four",
                        "p06_mill_old",
                        "p07_mill_single",
                        "p08_joined_netlist",
                        "p09_big_stroked",
                        "p10_defects_copper",
                        "p12_defects_other",
                        "p13_sagoma",
                        "p14_lagen",
                        "p15_entrega",
                        "p16_ketto",
                        "p17_borrfil",
                        "p18_kart",
                        "p19_L1_L4",
                        "p20_upper_lower");
        return LongRun.is() ? Stream.concat(usual.stream(), others.stream()) : usual.stream();
    }

    @ParameterizedTest
    @MethodSource("boards")
    void everyOutputTellsTheSame(String name) throws Exception {
        BoardGeometry geometry = new BoardGeometry(Intake.open(Cuts.pack(name)));
        for (PartsPlan plan : plans(geometry)) {
            for (CapabilitySheet sheet : new SheetLibrary().all()) {
                for (String ordered : ORDERS) {
                    agree(
                            geometry,
                            sheet,
                            Order.USUAL.with(OrderOption.ASSEMBLY, ordered),
                            plan,
                            name + " at " + sheet.id() + ", " + ordered);
                }
            }
        }
    }

    /** The base, and a variant in which two parts are left off. */
    private static List<PartsPlan> plans(BoardGeometry g) {
        List<String> names =
                g.board().placements().orElse(List.of()).stream()
                        .map(PlacedPart::designator)
                        .distinct()
                        .toList();
        if (names.size() < 4) {
            return List.of(PartsPlan.NONE);
        }
        TreeMap<String, Fitting> off = new TreeMap<>();
        off.put(names.get(1), Fitting.fitted(false));
        off.put(names.get(names.size() - 1), Fitting.fitted(false));
        Variants lite =
                new Variants(
                        new TreeMap<>(), new TreeMap<>(Map.of("Lite", off)), Optional.of("Lite"));
        return List.of(PartsPlan.NONE, PartsPlan.NONE.with(lite));
    }

    private static void agree(
            BoardGeometry g, CapabilitySheet sheet, Order order, PartsPlan plan, String where)
            throws Exception {
        Assignments who = Assignments.of(g, sheet, order, plan);
        Map<String, byte[]> files =
                OutputSet.assembly(g, sheet, plan, order, new ArrayList<>()).stream()
                        .collect(Collectors.toMap(OutputFile::path, OutputFile::content));
        for (Assignment a : who.all()) {
            assertThat(a.by()).as("%s: %s", where, a).isEqualTo(expected(sheet, order, a));
            assertThat(a.why()).as("%s: %s", where, a).isNotBlank();
        }
        Set<String> house = names(who, a -> a.by() == By.HOUSE);
        Set<String> given = house.isEmpty() ? names(who, a -> a.part().fitted()) : house;
        if (g.board().placements().isPresent()) {
            Set<String> placed = names(who, a -> a.part().placed().isPresent());
            placed.retainAll(given);
            assertThat(column(files.get("assembly/placement.csv"), "Designator"))
                    .as(where)
                    .isEqualTo(placed);
        }
        if (g.board().parts().isPresent()) {
            String title =
                    sheet.assembly().map(s -> s.list().columns()).orElse(List.of()).stream()
                            .filter(c -> c.holds().id().equals("designators"))
                            .map(c -> c.title())
                            .findFirst()
                            .orElse("Designators");
            assertThat(column(files.get("assembly/parts.csv"), title)).as(where).isEqualTo(given);
        }
        if (g.board().placements().isPresent() || g.board().parts().isPresent()) {
            assertThat(column(files.get("assembly/by-hand.csv"), "Designators"))
                    .as(where)
                    .isEqualTo(names(who, a -> a.by() == By.HAND));
            guide(where, text(files.get("assembly/guide.pdf")), g, plan, who);
        }
        if (g.board().placements().isPresent()) {
            drawing(where, text(files.get("assembly/drawing.pdf")), who);
        }
    }

    /** Worked out once more, from the order, the sheet and the side alone. */
    private static By expected(CapabilitySheet sheet, Order order, Assignment a) {
        if (!a.part().fitted()) {
            return By.NOBODY;
        }
        String ordered = order.value(OrderOption.ASSEMBLY).orElseThrow();
        Optional<Side> side = a.part().placed().map(PlacedPart::side);
        boolean fits =
                side.isPresent()
                        && sheet.assembly().isPresent()
                        && sheet.assembly().get().sides().contains(side.get())
                        && (ordered.equals("both") || ordered.equals(side.get().word()))
                        && sheet.assembly()
                                .get()
                                .line()
                                .fits()
                                .contains(a.mounting().orElse(Mounting.SURFACE));
        return fits ? By.HOUSE : By.HAND;
    }

    /** Every part to solder is named, and what is assumed is called so. */
    private static void guide(
            String where, String text, BoardGeometry g, PartsPlan plan, Assignments who) {
        Polarities polarities = Polarities.of(g, plan);
        for (Part p : who.hand()) {
            Optional<PartPolarity> polarity = polarities.of(p);
            if (p.placed().isPresent()
                    && polarity.filter(PartPolarity::isAssumed).isPresent()
                    && polarity.get().at().isPresent()) {
                assertThat(text).as("%s: %s", where, p.designator()).contains("which nothing says");
            }
        }
        long placed = who.hand().stream().filter(p -> p.placed().isPresent()).count();
        if (placed > 0) {
            assertThat(text)
                    .as(where)
                    .contains(placed + (placed == 1 ? " part" : " parts") + " to solder by hand");
        }
    }

    /** The counts on the sheets of both sides. */
    private static void drawing(String where, String text, Assignments who) {
        for (Side side : Side.values()) {
            Predicate<Assignment> there =
                    a -> a.part().placed().filter(p -> p.side() == side).isPresent();
            if (who.all().stream().anyMatch(there)) {
                assertThat(text)
                        .as(where)
                        .contains("Assembly drawing, " + side.word())
                        .contains(
                                count(who, there.and(a -> a.by() == By.HOUSE))
                                        + " fitted by the shop, "
                                        + count(who, there.and(a -> a.by() == By.HAND))
                                        + " soldered by hand");
            }
        }
    }

    private static long count(Assignments who, Predicate<Assignment> asked) {
        return who.all().stream().filter(asked).count();
    }

    private static Set<String> names(Assignments who, Predicate<Assignment> asked) {
        return who.all().stream()
                .filter(asked)
                .map(a -> a.part().designator())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static Set<String> column(byte[] csv, String title) throws Exception {
        Set<String> all = new TreeSet<>();
        CSVFormat form = CSVFormat.DEFAULT.builder().setHeader().setSkipHeaderRecord(true).get();
        String text = new String(csv, StandardCharsets.UTF_8);
        for (CSVRecord r : form.parse(new StringReader(text))) {
            all.addAll(Designators.unfold(r.get(title)));
        }
        return all;
    }

    private static String text(byte[] pdf) throws Exception {
        try (PDDocument d = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(d).replaceAll("\\s+", " ");
        }
    }
}
