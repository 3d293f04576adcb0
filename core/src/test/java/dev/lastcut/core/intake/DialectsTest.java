package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.locationtech.jts.geom.Geometry;

/**
 * One board of two copper layers, written as programs of every age would write it, opens to the
 * same picture within 2 µm and the same nets. Everything lies on multiples of 25.4 µm, which mm
 * with five decimals and inch with three can both say exactly.
 */
class DialectsTest {
    private static final double GRID = 0.0254;

    /** How a layer is written. */
    enum Layers {
        MODERN,
        INCH_TRAILING,
        INCREMENTAL,
        JOINED_WORDS,
        MACROS,
        BLOCKS
    }

    /** How the holes are written. */
    enum Holes {
        DECIMALS,
        METRIC_TRAILING,
        METRIC_LEADING,
        INCH_TRAILING,
        INCH_LEADING,
        NO_HEADER,
        REPEATS
    }

    private record Track(double x0, double y0, double x1, double y1) {}

    private final List<double[]> pads = new ArrayList<>();
    private final List<Track> top = new ArrayList<>();
    private final List<Track> bottom = new ArrayList<>();

    DialectsTest() {
        Random r = new Random(11);
        for (int i = 0; i < 30; i++) {
            pads.add(new double[] {100 * (1 + i % 6) + r.nextInt(20), 100 * (1 + i / 6)});
        }
        for (int i = 0; i + 1 < 30; i += 3) {
            double[] a = pads.get(i);
            double[] b = pads.get(i + 1);
            (i % 2 == 0 ? top : bottom).add(new Track(a[0], a[1], b[0], b[1]));
        }
    }

    private String layer(Layers how, List<Track> tracks) {
        boolean inch = how == Layers.INCH_TRAILING;
        boolean incremental = how == Layers.INCREMENTAL;
        StringBuilder out = new StringBuilder();
        out.append(
                inch
                        ? "%FSTAX23Y23*%\n%MOIN*%\n"
                        : incremental ? "%FSLIX35Y35*%\n%MOMM*%\n" : "%FSLAX35Y35*%\n%MOMM*%\n");
        String pad = inch ? "0.06" : "1.524";
        if (how == Layers.MACROS) {
            out.append("%AMPAD*1,1,$1,0,0,0*%\n%ADD10PAD,1.524*%\n");
        } else if (how == Layers.BLOCKS) {
            out.append("%ADD12C,1.524*%\n%ABD10*%\nD12*\nX0Y0D03*\n%AB*%\n");
        } else {
            out.append("%ADD10C,").append(pad).append("*%\n");
        }
        out.append("%ADD11C,").append(inch ? "0.02" : "0.508").append("*%\n");
        Writer w = new Writer(out, how);
        w.select(10);
        for (double[] p : pads) {
            w.to(p[0], p[1], 3);
        }
        w.select(11);
        for (Track t : tracks) {
            w.to(t.x0, t.y0, 2);
            w.to(t.x1, t.y1, 1);
        }
        return out.append("M02*\n").toString();
    }

    /** Writes places, keeping where it is for the incremental dialect. */
    private static final class Writer {
        private final StringBuilder out;
        private final Layers how;
        private double x;
        private double y;

        Writer(StringBuilder out, Layers how) {
            this.out = out;
            this.how = how;
        }

        void select(int code) {
            out.append(how == Layers.JOINED_WORDS ? "G54D" : "D").append(code).append("*\n");
        }

        void to(double nx, double ny, int operation) {
            boolean incremental = how == Layers.INCREMENTAL;
            String g = how == Layers.JOINED_WORDS && operation == 1 ? "G01" : "";
            out.append(g).append('X').append(number(incremental ? nx - x : nx));
            out.append('Y').append(number(incremental ? ny - y : ny));
            out.append('D').append(operation).append("*\n");
            x = nx;
            y = ny;
        }

        private String number(double grid) {
            if (how == Layers.INCH_TRAILING) {
                // 2.3 with trailing zeros left out; at least one digit stays.
                String digits = String.format(Locale.ROOT, "%05d", Math.round(grid));
                String cut = digits.replaceFirst("0+$", "");
                return cut.isEmpty() ? "0" : cut;
            }
            return String.valueOf(Math.round(grid * GRID * 1e5));
        }
    }

    private String holes(Holes how) {
        StringBuilder out = new StringBuilder();
        boolean inch = how.name().startsWith("INCH") || how == Holes.NO_HEADER;
        String zeros = how.name().endsWith("LEADING") ? "LZ" : "TZ";
        if (how == Holes.NO_HEADER) {
            out.append("%\nT1C0.0315\n");
        } else if (how == Holes.DECIMALS || how == Holes.REPEATS) {
            out.append("M48\nMETRIC\nT1C0.8\n%\nT1\n");
        } else {
            out.append("M48\n").append(inch ? "INCH," : "METRIC,").append(zeros);
            out.append("\nT1C").append(inch ? "0.0315" : "0.8").append("\n%\nG05\nT01\n");
        }
        for (int i = 0; i < pads.size(); i++) {
            double[] p = pads.get(i);
            if (how == Holes.REPEATS && i > 0) {
                double[] q = pads.get(i - 1);
                out.append("R1X").append(mm(p[0] - q[0])).append('Y').append(mm(p[1] - q[1]));
            } else {
                out.append('X').append(place(how, p[0])).append('Y').append(place(how, p[1]));
            }
            out.append('\n');
        }
        return out.append("M30\n").toString();
    }

    private static String mm(double grid) {
        return String.format(Locale.ROOT, "%.4f", grid * GRID);
    }

    private static String place(Holes how, double grid) {
        String inch = String.format(Locale.ROOT, "%06d", Math.round(grid * 10));
        String metric = String.format(Locale.ROOT, "%06d", Math.round(grid * GRID * 1000));
        return switch (how) {
            case DECIMALS, REPEATS -> mm(grid);
            case METRIC_TRAILING -> metric.replaceFirst("^0+(?=.)", "");
            case METRIC_LEADING -> metric.replaceFirst("0+$", "");
            case INCH_TRAILING -> inch.replaceFirst("^0+(?=.)", "");
            case INCH_LEADING, NO_HEADER -> inch.replaceFirst("0+$", "");
        };
    }

    private static Board open(Map<String, String> files) throws UnusablePackException {
        List<Pack.PackFile> list = new ArrayList<>();
        files.forEach((p, t) -> list.add(new Pack.PackFile(p, t.getBytes(StandardCharsets.UTF_8))));
        return Intake.open(new Pack("dialect", list));
    }

    private Map<String, String> files(Layers layers, Holes holes) {
        Map<String, String> files = new LinkedHashMap<>();
        files.put("copper top.gbr", layer(layers, top));
        files.put("copper bottom.gbr", layer(layers, bottom));
        files.put("holes.drl", holes(holes));
        return files;
    }

    private void same(Board found, Board expected, String what) {
        BoardGeometry a = new BoardGeometry(found);
        BoardGeometry b = new BoardGeometry(expected);
        for (Side side : Side.values()) {
            Role role = Role.of(Role.Kind.COPPER, side);
            Geometry difference = Geo.symmetricDifference(a.area(role), b.area(role));
            // What is left is thinner than 2 µm everywhere.
            assertThat(Geo.offset(difference, -1_000, 100).isEmpty()).as(what).isTrue();
            assertThat(a.area(role).isEmpty()).isFalse();
        }
        assertThat(found.holes()).as(what).hasSameSizeAs(expected.holes());
        for (Hole h : expected.holes()) {
            assertThat(found.holes())
                    .as(what)
                    .anyMatch(
                            f ->
                                    f.from().distance(h.from()) < 2_000
                                            && Math.abs(f.diameter() - h.diameter()) < 2_000);
        }
        assertThat(a.nets().netCount()).as(what).isEqualTo(b.nets().netCount());
        for (double[] p : pads) {
            Pt at = Pt.mm(p[0] * GRID, p[1] * GRID);
            assertThat(a.nets().at(0, at).get(0).net())
                    .as(what)
                    .isEqualTo(b.nets().at(0, at).get(0).net());
        }
    }

    @ParameterizedTest
    @EnumSource(Layers.class)
    void layersInEveryDialect(Layers how) throws Exception {
        Board expected = open(files(Layers.MODERN, Holes.DECIMALS));
        same(open(files(how, Holes.DECIMALS)), expected, how.name());
    }

    @ParameterizedTest
    @EnumSource(Holes.class)
    void holesInEveryDialect(Holes how) throws Exception {
        Board expected = open(files(Layers.MODERN, Holes.DECIMALS));
        same(open(files(Layers.MODERN, how)), expected, how.name());
    }

    @Test
    void aFormatThatIsNotStatedIsDecidedByThePadsAndShown() throws Exception {
        Board board = open(files(Layers.MODERN, Holes.NO_HEADER));
        assertThat(board.problems())
                .filteredOn(p -> p.code() == Problem.Code.FORMAT_GUESSED)
                .extracting(Problem::text)
                .anyMatch(t -> t.contains("100 % of its holes then fall on pads"));
        assertThat(board.files())
                .filteredOn(f -> f.role().isHoles())
                .singleElement()
                .matches(f -> !f.scaleStated());
    }

    @Test
    void aHeaderThatIsWrongIsSeenAndPutRight() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.INCH_TRAILING);
        files.computeIfPresent("holes.drl", (k, t) -> t.replace("INCH,TZ", "METRIC,TZ"));
        Board wrong = open(files);
        var suggested =
                wrong.files().stream()
                        .filter(f -> f.role().isHoles())
                        .findFirst()
                        .orElseThrow()
                        .suggested();
        // Inch 2.4 read as mm 3.3 comes out 2.54 times too small.
        assertThat(wrong.problems()).anyMatch(p -> p.code() == Problem.Code.MISREGISTERED);
        List<Pack.PackFile> list = new ArrayList<>();
        files.forEach((p, t) -> list.add(new Pack.PackFile(p, t.getBytes(StandardCharsets.UTF_8))));
        Board right =
                Intake.open(
                        new Pack("dialect", list),
                        new Choices(
                                Map.of(),
                                Map.of("holes.drl", suggested.orElseThrow()),
                                Map.of(),
                                Map.of()));
        Board expected = open(files(Layers.MODERN, Holes.DECIMALS));
        for (Hole h : expected.holes()) {
            assertThat(right.holes()).anyMatch(f -> f.from().distance(h.from()) < 20_000);
        }
    }

    @Test
    void innerLayersAreOrderedByNumberOrMarkedAsDoubtful() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.DECIMALS);
        files.put("inner 2.gbr", layer(Layers.MODERN, List.of(top.get(0))));
        files.put("inner 1.gbr", layer(Layers.MODERN, List.of(bottom.get(0))));
        Map<String, String> roles = roles(open(files));
        assertThat(roles).containsEntry("inner 1.gbr", "copper-inner-1");
        assertThat(roles).containsEntry("inner 2.gbr", "copper-inner-2");
        files.remove("inner 2.gbr");
        files.remove("inner 1.gbr");
        files.put("gnd plane.gbr", layer(Layers.MODERN, List.of(top.get(0))));
        files.put("power plane.gbr", layer(Layers.MODERN, List.of(bottom.get(0))));
        Board board = open(files);
        assertThat(roles(board).values()).contains("copper-inner-1", "copper-inner-2");
        assertThat(board.files())
                .filteredOn(f -> f.role().inner() > 0)
                .hasSize(2)
                .allMatch(f -> f.doubt().isPresent());
    }

    private static Map<String, String> roles(Board board) {
        Map<String, String> roles = new LinkedHashMap<>();
        board.files().forEach(f -> roles.put(f.path(), f.role().id()));
        return roles;
    }

    @Test
    void aFileThatDuplicatesAnotherIsSaid() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.DECIMALS);
        // The same picture in another dialect.
        files.put("zz backup.gbr", layer(Layers.INCREMENTAL, top));
        assertThat(open(files).problems())
                .filteredOn(p -> p.code() == Problem.Code.DUPLICATE_FILE)
                .singleElement()
                .matches(p -> p.text().contains("copper top.gbr"));
    }

    @Test
    void anOutlineFromADrawingIsScaledAndLaidAroundTheCopper() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.DECIMALS);
        files.put(
                "edge.svg",
                "<svg xmlns='http://www.w3.org/2000/svg' width='20' height='16'>"
                        + "<rect width='20' height='16' rx='3'/></svg>");
        Board board = open(files);
        var edge =
                board.files().stream()
                        .filter(f -> f.path().equals("edge.svg"))
                        .findFirst()
                        .orElseThrow();
        assertThat(edge.role()).isEqualTo(Role.OUTLINE);
        assertThat(edge.scaleStated()).isFalse();
        // Read as 96 pixels to the inch it does not hold the copper; in mm, and moved, it does.
        assertThat(edge.suggested().orElseThrow().scale())
                .isCloseTo(96 / 25.4, org.assertj.core.api.Assertions.within(1e-9));
        List<Pack.PackFile> list = new ArrayList<>();
        files.forEach((p, t) -> list.add(new Pack.PackFile(p, t.getBytes(StandardCharsets.UTF_8))));
        Board chosen =
                Intake.open(
                        new Pack("dialect", list),
                        new Choices(Map.of(), Map.of(), Map.of(), Map.of("edge.svg", 1e6)));
        var area = new BoardGeometry(chosen).boardArea();
        assertThat(area.getEnvelopeInternal().getWidth()).isEqualTo(20e6);
        double corners = (4 - Math.PI) * 9;
        assertThat(area.getArea() / 1e12)
                .isCloseTo(320 - corners, org.assertj.core.api.Assertions.within(5e-3));
    }

    @Test
    void aNegativePlaneIsFilledAroundWhatItDraws() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.DECIMALS);
        files.put(
                "inner 1.gbr",
                layer(Layers.MODERN, List.of()).replace("%MOMM*%", "%MOMM*%\n%IPNEG*%"));
        Board board = open(files);
        BoardGeometry g = new BoardGeometry(board);
        Geometry plane = g.area(Role.innerCopper(1));
        double drawn = 30 * Math.PI * 0.762 * 0.762;
        double box = plane.getEnvelopeInternal().getArea() / 1e12;
        assertThat(plane.getArea() / 1e12)
                .isCloseTo(box - drawn, org.assertj.core.api.Assertions.within(0.04));
    }

    @Test
    void drillFilesWrittenAsGerberAreHolesAndSlots() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.DECIMALS);
        files.remove("holes.drl");
        StringBuilder drill = new StringBuilder("%TF.FileFunction,Plated,1,2,PTH,Drill*%\n");
        drill.append("%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.8*%\nD10*\n");
        for (double[] p : pads) {
            drill.append('X').append(Math.round(p[0] * GRID * 1e6));
            drill.append('Y').append(Math.round(p[1] * GRID * 1e6)).append("D03*\n");
        }
        drill.append("X1000000Y1000000D02*\nX3000000Y1000000D01*\nM02*\n");
        files.put("plated.gbr", drill.toString());
        Board board = open(files);
        assertThat(board.holes()).hasSize(31).allMatch(Hole::plated);
        assertThat(board.holes().stream().filter(Hole::isSlot)).hasSize(1);
        assertThat(new BoardGeometry(board).nets().netCount())
                .isEqualTo(
                        new BoardGeometry(open(files(Layers.MODERN, Holes.DECIMALS)))
                                .nets()
                                .netCount());
    }

    /** A blind hole joins the layers it passes and no others. */
    @Test
    void blindHolesJoinOnlyWhatTheyPass() throws Exception {
        String head = "%FSLAX46Y46*%%MOMM*%";
        String pad = "%ADD10C,1*%D10*X0Y0D03*M02*";
        Map<String, String> files = new LinkedHashMap<>();
        for (String l : List.of("L1,Top", "L2,Inr", "L3,Inr", "L4,Bot")) {
            String name = l.substring(0, 2) + ".gbr";
            files.put(name, "%TF.FileFunction,Copper," + l + "*%" + head + pad);
        }
        String body = "METRIC\nT1C0.3\n%\nT1\nX0.0Y0.0\nM30\n";
        files.put("blind.drl", "M48\n; #@! TF.FileFunction,Plated,1,2,Blind\n" + body);
        BoardGeometry g = new BoardGeometry(open(files));
        assertThat(g.nets().netCount()).isEqualTo(3);
        assertThat(g.nets().nodesAt(g.board().holes().get(0))).containsExactly(0, 1);
        Map<String, byte[]> written = dev.lastcut.core.fabrication.FabricationPack.write(g.board());
        assertThat(new String(written.get("plated-holes-1-2.xnc"), StandardCharsets.UTF_8))
                .contains("TF.FileFunction,Plated,1,2,Blind");
        files.put("blind.drl", "M48\n; #@! TF.FileFunction,Plated,1,4,PTH\n" + body);
        assertThat(new BoardGeometry(open(files)).nets().netCount()).isEqualTo(1);
    }

    /** Attributes of component layers after the specification, from memory. */
    @Test
    void componentLayersPlaceTheirParts() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.DECIMALS);
        for (String side : List.of("Top", "Bot")) {
            files.put(
                    side + ".gbr",
                    "%TF.FileFunction,Component,L1,"
                            + side
                            + "*%%FSLAX46Y46*%%MOMM*%"
                            + "%TA.AperFunction,ComponentMain*%%ADD10C,0.3*%%TD*%D10*"
                            + "%TO.C,R"
                            + side
                            + "*%%TO.CRot,90.0*%%TO.CVal,4k7*%"
                            + "X5000000Y6000000D03*%TD*%M02*");
        }
        Board board = open(files);
        assertThat(board.placements().orElseThrow())
                .extracting(p -> p.designator() + " " + p.rotationDeg() + " " + p.side().word())
                .containsExactlyInAnyOrder("RTop 90.0 top", "RBot 90.0 bottom");
        assertThat(board.placements().orElseThrow().get(0).at()).isEqualTo(Pt.mm(5, 6));
        assertThat(board.copper()).hasSize(2);
    }

    @Test
    void picturesThatAreNotOfTheBoardAreSetAside() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.DECIMALS);
        files.put("map.gbr", "%TF.FileFunction,Drillmap*%" + layer(Layers.MODERN, top));
        Board board = open(files);
        assertThat(roles(board)).containsEntry("map.gbr", "not-part");
        assertThat(board.copper()).hasSize(2);
    }

    @Test
    void aDrawingThatReachesOutsideIsRefusedByName() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.DECIMALS);
        files.put(
                "edge.svg",
                "<?xml version='1.0'?><!DOCTYPE svg [<!ENTITY x SYSTEM 'file:///etc/hostname'>]>"
                        + "<svg><text>&x;</text><rect width='9' height='9'/></svg>");
        assertThat(open(files).problems())
                .filteredOn(p -> p.file().equals("edge.svg"))
                .singleElement()
                .matches(p -> p.text().contains("entities"));
    }

    @Test
    void aTitleBesideTheBoardDoesNotMakeTheOutlineWrong() throws Exception {
        Map<String, String> files = files(Layers.MODERN, Holes.DECIMALS);
        files.put(
                "edge.svg",
                "<svg xmlns='http://www.w3.org/2000/svg' width='20mm' height='16mm'"
                        + " viewBox='0 0 20 16'><rect width='20' height='16'/></svg>");
        // A line of copper at 25 to 27 mm, well outside.
        files.computeIfPresent(
                "copper top.gbr",
                (k, t) -> t.replace("M02*", "X2500000Y500000D02*X2700000Y500000D01*M02*"));
        Board board = open(files);
        assertThat(board.files()).allMatch(f -> f.suggested().isEmpty());
    }
}
