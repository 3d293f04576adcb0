package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Packs that nobody here drew: every file in its place, or asked about. */
class PacksTest {
    /** A frame with a title block and dimension lines, larger than any of the boards. */
    private static final String FRAME =
            "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.2*%\nD10*\nX-20000000Y-20000000D02*\n"
                    + "X150000000Y-20000000D01*\nX150000000Y120000000D01*\n"
                    + "X-20000000Y120000000D01*\nX-20000000Y-20000000D01*\nX90000000Y-20000000D02*\n"
                    + "X90000000Y0D01*\nX150000000Y0D01*\nX0Y70000000D02*\nX76000000Y70000000D01*\n"
                    + "M02*\n";

    private static final String LOGO =
            "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.3*%\nG36*\nX10000000Y10000000D02*\n"
                    + "X20000000Y10000000D01*\nX15000000Y18000000D01*\nX10000000Y10000000D01*\n"
                    + "G37*\nD10*\nX12000000Y9000000D02*\nX18000000Y9000000D01*\n"
                    + "X22000000Y14000000D02*\nX26000000Y18000000D01*\nM02*\n";

    static List<String> names() {
        return TruePack.NAMES;
    }

    private static Map<String, SourceFile> files(Pack pack) throws Exception {
        return files(Intake.open(pack));
    }

    private static Map<String, SourceFile> files(Board board) {
        return board.files().stream()
                .collect(
                        Collectors.toMap(
                                SourceFile::path, Function.identity(), (a, b) -> a, TreeMap::new));
    }

    @ParameterizedTest
    @MethodSource("names")
    void everyFileIsInItsPlaceAndTheBoardIsTheTrueOne(String name) throws Exception {
        TruePack t = TruePack.of(name);
        Board board = Intake.open(t.pack());
        Map<String, SourceFile> files = files(board);
        t.roles()
                .forEach(
                        (path, role) ->
                                assertThat(files.get(path).role().id()).as(path).isEqualTo(role));
        assertThat(files.values()).allMatch(f -> f.doubt().isEmpty());
        var size = new BoardGeometry(board).boardArea().getEnvelopeInternal();
        var true_ = t.truth().getAsJsonArray("size_mm");
        assertThat(size.getWidth() / 1e6)
                .isCloseTo(true_.get(0).getAsDouble(), org.assertj.core.data.Offset.offset(0.002));
        long round = board.holes().stream().filter(h -> h.plated() && !h.isSlot()).count();
        long slots = board.holes().stream().filter(Hole::isSlot).count();
        assertThat(round + slots).isEqualTo(t.truth().get("holes_plated").getAsLong());
        assertThat(board.holes().stream().filter(h -> !h.plated()).count())
                .isEqualTo(t.truth().get("holes_unplated").getAsLong());
    }

    @ParameterizedTest
    @MethodSource("names")
    void withoutNamesKindsAndSidesComeFromWhatTheFilesHold(String name) throws Exception {
        TruePack t = TruePack.of(name);
        for (boolean comments : new boolean[] {true, false}) {
            TruePack.Nameless n = t.nameless(7, comments);
            files(n.pack())
                    .forEach(
                            (path, f) -> {
                                String true_ = t.roles().get(n.trueNames().get(path));
                                boolean asked =
                                        f.doubt()
                                                .filter(d -> d.kind() == Doubt.Kind.ORDER)
                                                .isPresent();
                                if (asked) {
                                    // Only the layers' order is open, and only without comments.
                                    assertThat(comments).isFalse();
                                    assertThat(true_).startsWith("copper-inner");
                                    assertThat(f.role().inner()).isPositive();
                                } else {
                                    assertThat(f.doubt()).as(path + " " + true_).isEmpty();
                                    assertThat(f.role().id()).as(path).isEqualTo(true_);
                                }
                            });
        }
    }

    /** Nothing but the pictures: sides are right where lettering tells them, else asked. */
    @ParameterizedTest
    @MethodSource("names")
    void picturesAloneTellTheKind(String name) throws Exception {
        TruePack t = TruePack.of(name);
        TruePack.Nameless n = t.nameless(11, false);
        List<Pack.PackFile> pictures =
                n.pack().files().stream()
                        .filter(
                                f -> {
                                    String role = t.roles().get(n.trueNames().get(f.path()));
                                    return !role.equals("placement") && !role.equals("netlist");
                                })
                        .toList();
        files(new Pack("pictures", pictures))
                .forEach(
                        (path, f) -> {
                            String true_ = t.roles().get(n.trueNames().get(path));
                            Role role = Role.parse(true_).orElseThrow();
                            assertThat(f.role().kind()).as(path).isEqualTo(role.kind());
                            if (f.doubt().isEmpty()) {
                                assertThat(f.role()).as(path).isEqualTo(role);
                            }
                        });
    }

    @ParameterizedTest
    @ValueSource(strings = {"p01_extensions_inch", "p04_terse_four", "p07_mill_single"})
    void anyFileLeftOutLeavesTheOthersAsTheyWere(String name) throws Exception {
        TruePack t = TruePack.of(name);
        for (String out : t.roles().keySet()) {
            files(t.without(out))
                    .forEach(
                            (path, f) -> {
                                assertThat(f.role().id())
                                        .as("%s without %s", path, out)
                                        .isEqualTo(t.roles().get(path));
                                assertThat(f.doubt()).isEmpty();
                            });
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"p02_extensions_macros", "p05_letters_four", "p08_joined_netlist"})
    void anUnrelatedPictureTakesNobodysRole(String name) throws Exception {
        TruePack t = TruePack.of(name);
        for (String picture : List.of(FRAME, LOGO)) {
            for (String called : List.of("aa.gbr", "zz.gbr")) {
                Map<String, SourceFile> now = files(t.with(called, picture));
                t.roles()
                        .forEach(
                                (path, role) -> {
                                    assertThat(now.get(path).role().id()).isEqualTo(role);
                                    assertThat(now.get(path).doubt()).isEmpty();
                                });
                SourceFile added = now.get(called);
                assertThat(added.role()).isIn(Role.NOT_PART, Role.UNKNOWN);
                assertThat(added.role().equals(Role.UNKNOWN)).isEqualTo(added.doubt().isPresent());
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"p03_joined_painted", "p09_big_stroked", "p12_defects_other"})
    void theBoardsNameChangesNothing(String name) throws Exception {
        TruePack t = TruePack.of(name);
        for (String prefix : List.of("top_hat-", "Bottom Mask Board ", "2024-")) {
            Map<String, String> roles = new LinkedHashMap<>();
            files(t.renamed(leaf -> prefix + leaf))
                    .forEach((p, f) -> roles.put(p.replace(prefix, ""), f.role().id()));
            assertThat(roles).containsExactlyInAnyOrderEntriesOf(t.roles());
        }
    }

    @Test
    void theOrderOfFilesChangesNothing() throws Exception {
        TruePack t = TruePack.of("p05_letters_four");
        List<Pack.PackFile> reversed = new java.util.ArrayList<>(t.pack().files());
        java.util.Collections.reverse(reversed);
        assertThat(files(new Pack("x", reversed))).isEqualTo(files(t.pack()));
    }

    @ParameterizedTest
    @MethodSource("names")
    void everyPartLiesWhereItTrulyIs(String name) throws Exception {
        TruePack t = TruePack.of(name);
        Map<String, PlacedPart> placed = placed(Intake.open(t.pack()));
        for (PlacedPart p : t.parts()) {
            if (placed.containsKey(p.designator()) && !name.equals("p11_defects_tables")) {
                same(placed.get(p.designator()), p);
            }
        }
        assertThat(placed).hasSizeGreaterThanOrEqualTo(t.parts().size() - 1);
    }

    private static Map<String, PlacedPart> placed(Board board) {
        Map<String, PlacedPart> placed = new LinkedHashMap<>();
        board.placements().orElseThrow().forEach(p -> placed.put(p.designator(), p));
        return placed;
    }

    private static void same(PlacedPart found, PlacedPart true_) {
        assertThat(found.at().distance(true_.at())).as(true_.designator()).isLessThan(20_000);
        assertThat(found.side()).isEqualTo(true_.side());
    }

    /** How a table may write a part's place. */
    private interface Habit {
        double[] write(PlacedPart p);
    }

    /** Only bare openings tell here: none of these packs has a netlist. */
    @ParameterizedTest
    @ValueSource(strings = {"p01_extensions_inch", "p03_joined_painted", "p04_terse_four"})
    void habitsOfPlacementsAreFoundOnBareOpenings(String name) throws Exception {
        TruePack t = TruePack.of(name);
        Map<String, Habit> habits = new LinkedHashMap<>();
        habits.put("mil", p -> new double[] {mm(p.at().x()) / 0.0254, mm(p.at().y()) / 0.0254});
        habits.put("inch", p -> new double[] {mm(p.at().x()) / 25.4, mm(p.at().y()) / 25.4});
        habits.put(
                "another origin",
                p -> new double[] {mm(p.at().x()) - 12.5, mm(p.at().y()) + 31.25});
        habits.put(
                "bottom from the other side",
                p ->
                        p.side() == Side.TOP
                                ? new double[] {mm(p.at().x()), mm(p.at().y())}
                                : new double[] {76.2 - mm(p.at().x()), mm(p.at().y())});
        habits.put(
                "bottom mirrored about the origin",
                p ->
                        new double[] {
                            p.side() == Side.TOP ? mm(p.at().x()) : -mm(p.at().x()), mm(p.at().y())
                        });
        for (Map.Entry<String, Habit> h : habits.entrySet()) {
            StringBuilder table = new StringBuilder("Designator,X,Y,Rotation,Side\n");
            for (PlacedPart p : t.parts()) {
                double[] xy = h.getValue().write(p);
                table.append(
                        String.format(
                                Locale.ROOT,
                                "%s,%.4f,%.4f,%.0f,%s%n",
                                p.designator(),
                                xy[0],
                                xy[1],
                                p.rotationDeg(),
                                p.side().word()));
            }
            Board board = Intake.open(t.with(t.pathOf("placement"), table.toString()));
            Map<String, PlacedPart> placed = placed(board);
            for (PlacedPart p : t.parts()) {
                assertThat(placed.get(p.designator()).at().distance(p.at()))
                        .as("%s: %s", h.getKey(), p.designator())
                        .isLessThan(60_000);
            }
        }
    }

    private static double mm(long nm) {
        return nm / 1e6;
    }

    @Test
    void platingThatNothingStatesComesFromTheCopperHoleByHole() throws Exception {
        TruePack t = TruePack.of("p05_letters_four");
        String plated = text(t, t.pathOf("plated-holes"));
        String unplated = text(t, t.pathOf("unplated-holes"));
        // One file for all holes, as some programs write it; the unplated ones as tool 9.
        String both =
                plated.replaceAll("(?m)^;.*\\n", "")
                                .replaceFirst("%\n", tools(unplated) + "%\n")
                                .replaceFirst("M30\\s*$", "")
                        + hits(unplated)
                        + "M30\n";
        Pack pack = t.without(t.pathOf("unplated-holes"));
        Pack one =
                new Pack(
                        pack.name(),
                        pack.files().stream()
                                .map(
                                        f ->
                                                f.path().equals(t.pathOf("plated-holes"))
                                                        ? new Pack.PackFile(
                                                                "board.drl",
                                                                both.getBytes(
                                                                        StandardCharsets.UTF_8))
                                                        : f)
                                .toList());
        Board board = Intake.open(one);
        SourceFile file = files(board).get("board.drl");
        assertThat(file.role()).isEqualTo(Role.MIXED_HOLES);
        assertThat(file.evidence()).contains("without copper are unplated");
        assertThat(board.holes().stream().filter(h -> !h.plated()).map(h -> h.diameter()))
                .hasSize(4)
                .allMatch(d -> Math.abs(d - 3_200_000) < 3_000);
    }

    private static String text(TruePack t, String path) {
        return t.pack().files().stream()
                .filter(f -> f.path().equals(path))
                .map(f -> new String(f.content(), StandardCharsets.UTF_8))
                .findFirst()
                .orElseThrow();
    }

    private static String tools(String drill) {
        return drill.lines()
                .filter(l -> l.matches("T0*1C.*"))
                .map(l -> l.replaceFirst("T0*1C", "T9C") + "\n")
                .collect(Collectors.joining());
    }

    private static String hits(String drill) {
        return "T9\n"
                + drill.lines()
                        .filter(l -> l.matches("[XY].*"))
                        .collect(Collectors.joining("\n", "", "\n"));
    }

    @Test
    void placementsOfOneSideEachGoTogether() throws Exception {
        TruePack t = TruePack.of("p03_joined_painted");
        String table = text(t, t.pathOf("placement"));
        String head = table.lines().findFirst().orElseThrow() + "\n";
        String top = head + side(table, "Top");
        String bottom = head + side(table, "Bottom");
        List<Pack.PackFile> files =
                new java.util.ArrayList<>(t.without(t.pathOf("placement")).files());
        files.add(new Pack.PackFile("top.csv", top.getBytes(StandardCharsets.UTF_8)));
        files.add(new Pack.PackFile("bottom.csv", bottom.getBytes(StandardCharsets.UTF_8)));
        Board board = Intake.open(new Pack("two tables", files));
        assertThat(files(board).values()).allMatch(f -> f.doubt().isEmpty());
        assertThat(board.placements().orElseThrow()).hasSameSizeAs(t.parts());
        files.add(
                new Pack.PackFile(
                        "bottom again.csv",
                        bottom.replace("39.4100mm", "38.4100mm").getBytes(StandardCharsets.UTF_8)));
        assertThat(files(new Pack("three", files)).get("bottom.csv").doubt())
                .map(Doubt::kind)
                .contains(Doubt.Kind.SHARED);
    }

    private static String side(String table, String side) {
        return table.lines()
                .filter(l -> l.contains("\"" + side + "\""))
                .collect(Collectors.joining("\n", "", "\n"));
    }

    @Test
    void ajobFileTellsRolesAndIsBelieved() throws Exception {
        TruePack t = TruePack.of("p04_terse_four");
        TruePack.Nameless n = t.nameless(3, false);
        String inner1 = nameOf(n, t.pathOf("copper-inner-1"));
        String inner2 = nameOf(n, t.pathOf("copper-inner-2"));
        String job =
                "{\"GeneralSpecs\":{\"Size\":{\"X\":76.2,\"Y\":55.88},\"LayerNumber\":4},"
                        + "\"FilesAttributes\":[{\"Path\":\""
                        + inner1
                        + "\",\"FileFunction\":\"Copper,L2,Inr\"},{\"Path\":\""
                        + inner2
                        + "\",\"FileFunction\":\"Copper,L3,Inr\"}]}";
        List<Pack.PackFile> files = new java.util.ArrayList<>(n.pack().files());
        files.add(new Pack.PackFile("job.gbrjob", job.getBytes(StandardCharsets.UTF_8)));
        Map<String, SourceFile> now = files(new Pack("job", files));
        assertThat(now.get(inner1).role()).isEqualTo(Role.innerCopper(1));
        assertThat(now.get(inner2).role()).isEqualTo(Role.innerCopper(2));
        assertThat(now.get(inner1).doubt()).isEmpty();
        assertThat(now.get(inner1).evidence()).contains("the job file says Copper, L2, Inr");
        assertThat(now.get("job.gbrjob").role()).isEqualTo(Role.NOT_PART);
        assertThat(disagreements(files)).isEmpty();

        // Held against the pictures: another size, another number of layers, a file that is not
        // there.
        files.remove(files.size() - 1);
        String other =
                job.replace("76.2", "80.0")
                        .replace("\"LayerNumber\":4", "\"LayerNumber\":6")
                        .replace("{\"Path\":\"" + inner1, "{\"Path\":\"gone.gbr");
        files.add(new Pack.PackFile("job.gbrjob", other.getBytes(StandardCharsets.UTF_8)));
        assertThat(disagreements(files))
                .hasSize(3)
                .anyMatch(p -> p.contains("80.00 × 55.88 mm, but the outline is 76.20 × 55.88 mm"))
                .anyMatch(p -> p.contains("6 copper layers, but the pack has 4"))
                .anyMatch(p -> p.contains("gone.gbr"));
    }

    private static List<String> disagreements(List<Pack.PackFile> files) throws Exception {
        return Intake.open(new Pack("job", files)).problems().stream()
                .filter(p -> p.code() == dev.lastcut.core.board.Problem.Code.JOB_FILE_DISAGREES)
                .map(p -> p.text())
                .toList();
    }

    private static String nameOf(TruePack.Nameless n, String path) {
        return n.trueNames().entrySet().stream()
                .filter(e -> e.getValue().equals(path))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatTheUserSaidOfSuchNamesIsRemembered() throws Exception {
        TruePack t = TruePack.of("p12_defects_other");
        // Names of one maker's own: they tell us nothing, and the user once said what they are.
        Map<String, String> own = new LinkedHashMap<>();
        Map<String, Role> said = new LinkedHashMap<>();
        int n = 0;
        for (Map.Entry<String, String> e : t.roles().entrySet()) {
            String name =
                    "film " + "qwxyzkjhvmnrsd".charAt(n) + "q" + "qwxyzkjhvmnrsd".charAt(n++ % 14);
            own.put(TruePack.leaf(e.getKey()), name);
            Role role = Role.parse(e.getValue()).orElseThrow();
            if (role.isPicture()) {
                said.put(name.replaceFirst("^film ", ""), role);
            }
            if (n == 14) {
                n = 0;
            }
        }
        TruePack.Nameless silent = t.nameless(5, false);
        List<Pack.PackFile> files =
                silent.pack().files().stream()
                        .filter(
                                f ->
                                        !t.roles()
                                                .get(silent.trueNames().get(f.path()))
                                                .equals("placement"))
                        .map(
                                f ->
                                        new Pack.PackFile(
                                                own.get(
                                                        TruePack.leaf(
                                                                silent.trueNames().get(f.path()))),
                                                f.content()))
                        .toList();
        Pack pack = new Pack("own names", files);
        assertThat(files(pack).values())
                .anyMatch(f -> f.doubt().filter(d -> d.kind() == Doubt.Kind.ORDER).isPresent());
        Board known =
                Intake.open(pack, Choices.NONE, new dev.lastcut.core.intake.roles.Remembered(said));
        assertThat(files(known).values()).allMatch(f -> f.doubt().isEmpty());
        assertThat(files(known).get(own.get(TruePack.leaf(t.pathOf("copper-inner-1")))).role())
                .isEqualTo(Role.innerCopper(1));
    }

    /** A file of the pack as if it had been drawn by this much too large, or elsewhere. */
    private static Pack distorted(TruePack t, String role, double scale, double dx, double dy) {
        String path = t.pathOf(role);
        String moved =
                java.util.regex.Pattern.compile("([XY])(-?\\d+)")
                        .matcher(text(t, path))
                        .replaceAll(
                                m -> {
                                    double by = m.group(1).equals("X") ? dx : dy;
                                    double v = Long.parseLong(m.group(2)) * scale + by;
                                    return m.group(1) + Math.round(v);
                                });
        // Formats and apertures keep their own X and Y.
        StringBuilder whole = new StringBuilder();
        String[] before = text(t, path).split("\n", -1);
        String[] after = moved.split("\n", -1);
        for (int i = 0; i < before.length; i++) {
            whole.append(before[i].startsWith("%") ? before[i] : after[i]).append('\n');
        }
        return t.with(path, whole.toString());
    }

    @ParameterizedTest
    @org.junit.jupiter.params.provider.CsvSource({
        "mask-top, 1.02, 0, 0",
        "mask-top, 0.985, 0, 0",
        "paste-top, 1.02, 0, 0",
        "copper-bottom, 1.013, 0, 0",
        "silk-top, 1.02, 0, 0",
        "silk-top, 1, 1.1, -0.8",
        "mask-top, 1, 0.7, 1.3",
        "paste-top, 1.01, 2, 3"
    })
    void aPictureThatIsTooLargeOrElsewhereIsFoundWithItsMending(
            String role, double scale, double dxMm, double dyMm) throws Exception {
        TruePack t = TruePack.of("p04_terse_four");
        Board board = Intake.open(distorted(t, role, scale, dxMm * 1e6, dyMm * 1e6));
        SourceFile f = files(board).get(t.pathOf(role));
        assertThat(f.role().id()).isEqualTo(role);
        dev.lastcut.core.board.Correction c = f.suggested().orElseThrow();
        assertThat(c.scale()).isCloseTo(1 / scale, org.assertj.core.data.Offset.offset(0.0015));
        // A place in the far corner comes back to within the width of a line.
        Pt far = Pt.mm(70, 50);
        Pt written =
                new Pt(
                        Math.round(far.x() * scale + dxMm * 1e6),
                        Math.round(far.y() * scale + dyMm * 1e6));
        double off = role.startsWith("silk") ? 150_000 : 20_000;
        assertThat(c.apply(written).distance(far)).isLessThan(off);
        for (SourceFile other : board.files()) {
            if (!other.path().equals(f.path())) {
                assertThat(other.suggested()).as(other.path()).isEmpty();
            }
        }
    }

    /** What comes along in packs and is no part of the board is named, and nobody is asked. */
    @Test
    void whatLiesBesideIsNamedWithoutADoubt() throws Exception {
        TruePack t = TruePack.of("p06_mill_old");
        Map<String, String> beside = new LinkedHashMap<>();
        beside.put("__MACOSX/._tide_pool_probe.GTL", "\0\5\26\7");
        beside.put(".DS_Store", "\0\0\0\1Bud1");
        beside.put("docs/Thumbs.db", "x");
        beside.put("docs/board.pdf", "%PDF-1.7 and so on");
        beside.put("docs/top view.png", "\u0089PNG and so on");
        beside.put("report.html", "<!DOCTYPE html><html></html>");
        beside.put("drc.rpt", "no errors");
        beside.put("README", "Ten boards, please.");
        beside.put("notes.txt", "Made in a hurry.");
        beside.put("board.layout", "(layout_board (version 3) (net 1 GND))");
        beside.put("project.xml", "<?xml version='1.0'?><project/>");
        beside.put("case.step", "ISO-10303-21; HEADER;");
        List<Pack.PackFile> files = new java.util.ArrayList<>(t.pack().files());
        beside.forEach(
                (path, text) ->
                        files.add(
                                new Pack.PackFile(
                                        path, text.getBytes(StandardCharsets.ISO_8859_1))));
        Map<String, SourceFile> now = files(PackReader.fromLoose("all", files));
        beside.keySet()
                .forEach(
                        path -> {
                            assertThat(now.get(path).role()).as(path).isEqualTo(Role.NOT_PART);
                            assertThat(now.get(path).doubt()).as(path).isEmpty();
                            assertThat(now.get(path).evidence()).isNotBlank();
                        });
        t.roles()
                .forEach(
                        (path, role) ->
                                assertThat(now.get(path).role().id()).as(path).isEqualTo(role));
    }

    /** What looks by its name like part of the board and cannot be read is asked about. */
    @Test
    void whatShouldBeOfTheBoardAndCannotBeReadIsAskedAbout() throws Exception {
        TruePack t = TruePack.of("p06_mill_old");
        for (String path :
                List.of("extra.gbl", "inner1.xyz", "slots.nc1", "old.drl", "placement 2.dat")) {
            SourceFile f = files(t.with(path, "\0\1\2 nothing")).get(path);
            assertThat(f.doubt()).as(path).isPresent();
            assertThat(f.role()).isEqualTo(Role.UNKNOWN);
        }
    }

    /** The same list once more in another layout is a copy, not a second list. */
    @Test
    void aListInTwoLayoutsIsOneList() throws Exception {
        TruePack t = TruePack.of("p03_joined_painted");
        String parts = text(t, t.pathOf("parts-list")).replace('\t', ';');
        Map<String, SourceFile> now = files(t.with("zz parts.csv", parts));
        assertThat(now.get("zz parts.csv").role()).isEqualTo(Role.NOT_PART);
        assertThat(now.values()).allMatch(f -> f.doubt().isEmpty());
        // Another value in it, and it is asked which of both counts.
        Map<String, SourceFile> other =
                files(t.with("zz parts.csv", parts.replace("22pF", "33pF")));
        assertThat(other.values().stream().filter(f -> f.doubt().isPresent())).hasSize(1);
    }
}
