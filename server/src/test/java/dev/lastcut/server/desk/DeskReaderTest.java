package dev.lastcut.server.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Pads;
import dev.lastcut.core.compare.BoardChanges;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.job.PanelBoardSource;
import dev.lastcut.core.panel.Join;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.panel.Rails;
import dev.lastcut.core.quote.JobQuote;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.server.LongRun;
import dev.lastcut.server.api.Packs;
import dev.lastcut.server.orders.DeskReading;
import dev.lastcut.server.sheets.SheetLibrary;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.union.UnaryUnionOp;

/** What a desk makes of the bytes it is given. */
class DeskReaderTest {
    private static final double TOLERANCE_NM = 2_000;
    private static final String HOUSE = "skep-pooled";
    private static final int MANY = 400;

    /** Packs whose checks take long: held against each other in the long run alone. */
    private static final Set<String> MUCH_TO_CHECK =
            Set.of(
                    "p01_extensions_inch",
                    "p02_extensions_macros",
                    "p03_joined_painted",
                    "p04_terse_four",
                    "p05_letters_four",
                    "p08_joined_netlist",
                    "p09_big_stroked",
                    "p11_defects_tables");

    static Stream<String> packs() {
        Stream<String> usual =
                Stream.of(
                        "hive-scale-node",
                        "joint-box",
                        "honeycomb-tag",
                        "p01_extensions_inch",
                        "p04_terse_four",
                        "p06_mill_old",
                        "p07_mill_single",
                        "p10_defects_copper",
                        "p12_defects_other");
        Stream<String> others =
                Stream.of(
                        "p02_extensions_macros",
                        "p03_joined_painted",
                        "p05_letters_four",
                        "p08_joined_netlist",
                        "p09_big_stroked",
                        "p11_defects_tables");
        return LongRun.is() ? Stream.concat(usual, others) : usual;
    }

    /**
     * Every layer as the desk reads it from the uploaded bytes lies within 2 µm of the model it was
     * written from, and the other way round: by the geometry library's own union and difference.
     * Pictures of very many pieces are held against each other piece by piece.
     */
    @ParameterizedTest
    @MethodSource("packs")
    void whatTheDeskReadsIsWhatWasMeant(String name) throws Exception {
        BoardGeometry meant = new BoardGeometry(Intake.open(Cuts.pack(name)));
        byte[] zip = Cuts.bare(meant, HOUSE);
        BoardGeometry read = DeskReader.board("board", "", Packs.unzipped(zip));
        assertThat(read.board().layers().stream().map(Layer::role))
                .containsExactlyInAnyOrderElementsOf(
                        meant.board().layers().stream().map(Layer::role).toList());
        for (Layer l : read.board().layers()) {
            if (meant.pieces(l.role()).size() < MANY) {
                agree(l.role().words(), area(meant, l), area(read, l));
            }
        }
        BoardChanges changes = BoardChanges.between(meant, read);
        assertThat(changes.layers()).extracting(c -> c.role().words()).isEmpty();
        holesAgree(meant.board().holes(), read.board().holes());
        if (LongRun.is() || !MUCH_TO_CHECK.contains(name)) {
            assertThat(found(read)).containsExactlyInAnyOrderElementsOf(found(meant));
        }
    }

    private static Geometry area(BoardGeometry g, Layer l) {
        Geometry all =
                UnaryUnionOp.union(g.pieces(l.role()).stream().map(p -> p.polygon()).toList());
        return all == null ? Geo.empty() : all;
    }

    private static void agree(String what, Geometry a, Geometry b) {
        assertThat(beyond(a, b)).as("%s: meant, and not read", what).isZero();
        assertThat(beyond(b, a)).as("%s: read, and not meant", what).isZero();
    }

    /** How much of one lies off the other by more than the tolerance across. */
    private static double beyond(Geometry a, Geometry b) {
        return OverlayNGRobust.overlay(a, b, OverlayNG.DIFFERENCE)
                .buffer(-TOLERANCE_NM / 2)
                .getArea();
    }

    private static void holesAgree(List<Hole> meant, List<Hole> read) {
        assertThat(read).hasSameSizeAs(meant);
        for (Hole m : meant) {
            Hole near =
                    read.stream()
                            .min(
                                    Comparator.comparingDouble(
                                            r ->
                                                    r.middle().distance(m.middle())
                                                            + Math.abs(
                                                                    r.diameter() - m.diameter())))
                            .orElseThrow();
            assertThat(near.middle().distance(m.middle())).isLessThanOrEqualTo(TOLERANCE_NM);
            assertThat((double) near.diameter()).isCloseTo(m.diameter(), within(TOLERANCE_NM));
            assertThat(near.plated()).isEqualTo(m.plated());
        }
    }

    /**
     * What is found on the files that are handed over is what was found on the pack: nothing that a
     * check goes by is lost on the way, and nothing is added. Rules of tables are left out: their
     * faults are put right in what is written. So are rings: on a pack whose numbers are coarser
     * than what we write, what was rounding there is a measure here.
     */
    private static List<String> found(BoardGeometry geometry) {
        return JobPipeline.check(
                        geometry,
                        new SheetLibrary().find(HOUSE).orElseThrow(),
                        new TicketDependencies(Ticket.BLANK.withShop(HOUSE)),
                        PanelBoardSource.NONE,
                        (done, of, title) -> {},
                        () -> false)
                .findings()
                .stream()
                .filter(f -> isOfPictures(f.rule()))
                .map(DeskReaderTest::told)
                .toList();
    }

    private static String told(Finding f) {
        return String.format(
                "%s %s %d/%d",
                f.rule(),
                f.severity().id(),
                Math.round(f.at().x() / 5e4),
                Math.round(f.at().y() / 5e4));
    }

    private static boolean isOfPictures(String rule) {
        return !rule.equals("annular-ring")
                && !rule.startsWith("part-")
                && !rule.startsWith("refdes-")
                && !rule.startsWith("value-");
    }

    private static Ticket panelled() {
        return Ticket.BLANK.with(
                d -> {
                    d.order = d.order.of(10);
                    d.panel =
                            Optional.of(
                                    new PanelPlan(
                                            2,
                                            2,
                                            Optional.of(2.0),
                                            0,
                                            Join.TABS,
                                            Rails.ALL,
                                            6,
                                            PanelPlan.TabForm.USUAL,
                                            3,
                                            3,
                                            List.of(),
                                            List.of()));
                });
    }

    @Test
    void ofAPanelItReadsBothAndCountsWholePanels() throws Exception {
        Cuts.Cut cut = Cuts.of("honeycomb-tag", HOUSE, panelled());
        DeskReader.Read r = new DeskReader().read(cut.zip());
        assertThat(r.reading().state()).as(r.reading().says()).isEqualTo(DeskReading.READ);
        assertThat(r.reading().boards())
                .extracting(DeskReading.DeskBoard::name)
                .containsExactly("board", "panel");
        var panel = cut.product().panel().orElseThrow();
        assertThat(r.reading().boards().get(1).widthMm())
                .isCloseTo(panel.widthNm() / 1e6, within(0.002));
        assertThat(r.reading().boards().get(1).heightMm())
                .isCloseTo(panel.heightNm() / 1e6, within(0.002));
        assertThat(r.reading().ordered().get(0)).startsWith("10 boards");
        var own =
                JobQuote.of(
                                cut.product().geometry(),
                                cut.product().sheet(),
                                cut.product().ticket().order(),
                                cut.product().ticket().parts(),
                                Optional.of(panel))
                        .orElseThrow();
        assertThat(r.reading().quote().lines()).anyMatch(l -> l.text().startsWith("3 panels"));
        assertThat(r.reading().quote().total()).isEqualTo(own.total());
        assertThat(r.reading().quote().days()).isEqualTo(own.days());
    }

    @Test
    void itFindsWhatIsWrongWithoutBeingToldAndAsksAboutEachKindOnce() throws Exception {
        Cuts.Cut cut = Cuts.of("hive-scale-node", HOUSE, Ticket.BLANK);
        DeskReader.Read r = new DeskReader().read(cut.zip());
        assertThat(r.reading().state()).isEqualTo(DeskReading.READ);
        assertThat(r.reading().findings())
                .filteredOn(f -> f.severity().equals("stop"))
                .extracting(DeskReading.DeskFinding::rule)
                .contains("clearance", "annular-ring", "mask-missing");
        assertThat(r.questions()).extracting(q -> q.id()).doesNotHaveDuplicates();
        assertThat(r.questions())
                .extracting(q -> q.id())
                .contains("clearance", "copper-to-hole", "mask-missing");
        assertThat(r.questions())
                .filteredOn(q -> q.id().equals("copper-to-hole"))
                .allMatch(q -> q.says().endsWith("There are 2 places like this."));
        assertThat(r.reading().files())
                .filteredOn(f -> f.path().equals("fabrication/mask-top.gbr"))
                .allMatch(f -> f.takenFor().equals("mask top"));
        assertThat(r.reading().files())
                .filteredOn(f -> f.path().equals("report.pdf"))
                .allMatch(f -> f.takenFor().startsWith("kept with the order"));
    }

    /**
     * Bare copper, mask and laminate are where the board has them; the bottom is seen from below.
     */
    @Test
    void itsPicturesShowTheBoard() throws Exception {
        Cuts.Cut cut = Cuts.of("hive-scale-node", HOUSE, Ticket.BLANK);
        DeskReader.Read r = new DeskReader().read(cut.zip());
        assertThat(r.pictures()).containsOnlyKeys("board-top", "board-bottom");
        BoardGeometry g = cut.product().geometry();
        Hole hole =
                g.board().holes().stream()
                        .max(Comparator.comparingLong(Hole::diameter))
                        .orElseThrow();
        for (boolean below : new boolean[] {false, true}) {
            BufferedImage image =
                    ImageIO.read(
                            new ByteArrayInputStream(
                                    r.pictures().get(below ? "board-bottom" : "board-top")));
            assertThat(at(image, g, hole.middle(), below) >>> 24).as("a hole").isZero();
            Pt beside = hole.middle().plus(new Pt(hole.diameter(), 0));
            assertThat(at(image, g, beside, below) >>> 24).as("the board").isEqualTo(0xff);
            Pt pad = Pads.on(g, Side.TOP).get(0).at();
            assertThat(isGold(at(image, g, pad, below))).as("a pad of the top").isEqualTo(!below);
        }
    }

    private static int at(BufferedImage image, BoardGeometry g, Pt p, boolean below) {
        var e = g.boardArea().getEnvelopeInternal();
        double scale = (1000 - 28.0) / Math.max(e.getWidth(), e.getHeight());
        double x = 14 + (p.x() - e.getMinX()) * scale;
        double y = image.getHeight() - 14 - (p.y() - e.getMinY()) * scale;
        return image.getRGB((int) (below ? image.getWidth() - x : x), (int) y);
    }

    private static boolean isGold(int argb) {
        int red = argb >> 16 & 255;
        int blue = argb & 255;
        return red > 180 && red > blue + 80;
    }

    private static String refusal(byte[] zip) {
        DeskReading r = new DeskReader().read(zip).reading();
        assertThat(r.state()).isEqualTo(DeskReading.REFUSED);
        return r.says();
    }

    private static byte[] changed(byte[] zip, Consumer<Map<String, byte[]>> change)
            throws Exception {
        Map<String, byte[]> files = new TreeMap<>(Packs.unzipped(zip));
        change.accept(files);
        return Packs.zipped(files);
    }

    @Test
    void whatIsNotAsItWasPackedIsRefusedByName() throws Exception {
        byte[] zip = Cuts.of("honeycomb-tag", HOUSE, Ticket.BLANK).zip();
        String copper = "fabrication/copper-top.gbr";
        assertThat(refusal(changed(zip, f -> f.get(copper)[200]++)))
                .contains(copper)
                .contains("changed");
        assertThat(refusal(changed(zip, f -> f.compute(copper, (k, b) -> Arrays.copyOf(b, 300)))))
                .contains(copper)
                .contains("shortened");
        assertThat(refusal(changed(zip, f -> f.put("fabrication/x.gbr", f.remove(copper)))))
                .contains(copper)
                .contains("called fabrication/x.gbr");
        assertThat(refusal(changed(zip, f -> f.put("more.txt", new byte[3])))).contains("more.txt");
        assertThat(refusal(Arrays.copyOf(zip, zip.length / 2))).contains("cut off");
        assertThat(refusal("no zip".getBytes(StandardCharsets.UTF_8))).contains("no zip");
    }

    @Test
    void whatIsMilledIsNotOrdered() throws Exception {
        byte[] zip = Cuts.of("joint-box", "wren-bench", Ticket.BLANK).zip();
        assertThat(refusal(zip)).contains("is a mill");
    }
}
