package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.board.Span;
import dev.lastcut.core.board.UnsizedTool;
import dev.lastcut.core.formats.drill.DrillTool;
import dev.lastcut.core.formats.drill.ToolReport;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Packs that hold more than one board's files, less than all, or state things in odd places. */
class SeveralInOneTest {
    private static Pack with(Pack pack, Map<String, byte[]> more, String... without) {
        List<Pack.PackFile> files = new ArrayList<>(pack.files());
        files.removeIf(f -> List.of(without).contains(TruePack.leaf(f.path())));
        more.forEach((path, content) -> files.add(new Pack.PackFile(path, content)));
        return new Pack(pack.name(), files);
    }

    private static byte[] of(TruePack t, String leaf) {
        return t.pack().files().stream()
                .filter(f -> TruePack.leaf(f.path()).equals(leaf))
                .findFirst()
                .orElseThrow()
                .content();
    }

    private static Map<String, SourceFile> files(Board board) {
        Map<String, SourceFile> all = new LinkedHashMap<>();
        board.files().forEach(f -> all.put(TruePack.leaf(f.path()), f));
        return all;
    }

    private static byte[] text(String s) {
        return s.getBytes(StandardCharsets.UTF_8);
    }

    /** The newer of two is proposed; what the user says settles both. */
    @ParameterizedTest
    @CsvSource({
        "T1_rev2.csv, T1_rev1.csv", "T1_2025-03-01.csv, T1_2024-11-30.csv",
                "T1_v1.10.csv, T1_v1.9.csv",
        "T1_new.csv, T1_old.csv", "T1_rev_B.csv, T1_rev_A.csv", "T1.csv, T1_alt.csv"
    })
    void oldAndNewOfAFile(String newer, String older) throws Exception {
        TruePack t = TruePack.of("p19_L1_L4");
        byte[] list = of(t, "T1.csv");
        byte[] other = text(new String(list, StandardCharsets.UTF_8).replace("330Ω", "470Ω"));
        Pack pack = with(t.pack(), Map.of(newer, list, older, other), "T1.csv");
        Map<String, SourceFile> files = files(Intake.open(pack));
        assertThat(files.get(newer).role()).isEqualTo(Role.PARTS_LIST);
        assertThat(files.get(newer).doubt().orElseThrow().kind()).isEqualTo(Doubt.Kind.VERSION);
        assertThat(files.get(older).role()).isEqualTo(Role.NOT_PART);
        assertThat(files.get(older).doubt().orElseThrow().text()).contains("5 of 56 parts differ");
        assertThat(files.get(older).doubt().orElseThrow().about()).isEqualTo(newer);
        Choices said = Choices.roles(Map.of(older, Role.PARTS_LIST, newer, Role.NOT_PART));
        Board settled = Intake.open(pack, said);
        assertThat(settled.files()).allMatch(f -> f.doubt().isEmpty());
        assertThat(settled.parts().orElseThrow()).anyMatch(p -> p.value().equals("470Ω"));
    }

    /** A copy under a name with another revision is a copy, and no question. */
    @Test
    void theSameUnderTwoRevisionsIsACopy() throws Exception {
        TruePack t = TruePack.of("p19_L1_L4");
        byte[] list = of(t, "T1.csv");
        Pack pack = with(t.pack(), Map.of("T1_r1.csv", list, "T1_r2.csv", list), "T1.csv");
        Board board = Intake.open(pack);
        assertThat(board.problems())
                .extracting(Problem::code)
                .contains(Problem.Code.DUPLICATE_FILE);
    }

    @Test
    void oneOfTwoBoardsIsKeptByLayingTheOtherAside() throws Exception {
        TruePack t = TruePack.of("p16_ketto");
        Board both = Intake.open(t.pack());
        assertThat(both.files())
                .allMatch(f -> f.doubt().filter(d -> d.kind() == Doubt.Kind.BOARD).isPresent());
        for (String kept : List.of("szellozo", "merleg")) {
            Map<String, Role> aside = new LinkedHashMap<>();
            t.pack().files().stream()
                    .filter(f -> !f.path().startsWith(kept))
                    .forEach(f -> aside.put(f.path(), Role.NOT_PART));
            Board one = Intake.open(t.pack(), Choices.roles(aside));
            assertThat(one.files()).allMatch(f -> f.doubt().isEmpty());
            assertThat(one.placements().orElseThrow()).hasSize(kept.equals("merleg") ? 13 : 6);
        }
    }

    /** Without names, too, each board has its own holes, tables and pictures, and no other's. */
    @Test
    void twoBoardsAreToldApartWithoutNames() throws Exception {
        TruePack t = TruePack.of("p16_ketto");
        Map<String, String> names = new HashMap<>();
        List<Pack.PackFile> files = new ArrayList<>();
        for (Pack.PackFile f : t.pack().files()) {
            String name = "a%02d".formatted(files.size());
            names.put(name, f.path());
            files.add(new Pack.PackFile(name, f.content()));
        }
        Board both = Intake.open(new Pack("pack", files));
        for (String kept : List.of("szellozo", "merleg")) {
            Set<String> about = new HashSet<>();
            Map<String, Role> aside = new LinkedHashMap<>();
            for (SourceFile f : both.files()) {
                assertThat(f.doubt().orElseThrow().kind()).isEqualTo(Doubt.Kind.BOARD);
                if (names.get(f.path()).startsWith(kept)) {
                    about.add(f.doubt().orElseThrow().about());
                } else {
                    aside.put(f.path(), Role.NOT_PART);
                }
            }
            assertThat(about).as(kept).hasSize(1);
            Board one = Intake.open(new Pack("pack", files), Choices.roles(aside));
            assertThat(one.placements().orElseThrow()).hasSize(kept.equals("merleg") ? 13 : 6);
        }
        // What is shown meanwhile has no hole of the other.
        assertThat(both.holes()).allMatch(h -> names.get(h.file()).startsWith("merleg"));
    }

    @ParameterizedTest
    @CsvSource({"L2.art", "L3.art"})
    void aCopperLayerThatIsCountedAndNotThere(String gone) throws Exception {
        TruePack t = TruePack.of("p19_L1_L4");
        Board board = Intake.open(with(t.pack(), Map.of(), gone));
        assertThat(board.problems())
                .filteredOn(p -> p.code() == Problem.Code.MISSING_FILE)
                .singleElement()
                .extracting(Problem::text)
                .asString()
                .contains("the number " + gone.charAt(1));
    }

    /** The same six layers where no drill file's name says between which its holes go. */
    @Test
    void padsTellWhichLayersHolesPass() throws Exception {
        TruePack t = TruePack.of("p14_lagen");
        Map<String, String> names =
                Map.of(
                        "gaten 1-3.drl",
                        "gaten a.drl",
                        "gaten 3-4.drl",
                        "gaten b.drl",
                        "gaten 4-6.drl",
                        "gaten c.drl",
                        "gaten 1-6.drl",
                        "gaten d.drl");
        Pack pack = t.renamed(leaf -> names.getOrDefault(leaf, leaf));
        Board board = Intake.open(pack);
        Map<String, Span> spans = new LinkedHashMap<>();
        for (Hole h : board.holes()) {
            spans.put(TruePack.leaf(h.file()), h.span());
        }
        assertThat(spans.get("gaten a.drl")).isEqualTo(new Span(1, 3));
        assertThat(spans.get("gaten b.drl")).isEqualTo(new Span(3, 4));
        assertThat(spans.get("gaten c.drl")).isEqualTo(new Span(4, 6));
        assertThat(spans.get("gaten d.drl").isThrough()).isTrue();
    }

    /** No file states the tools: their holes are there, with sizes to be confirmed. */
    @Test
    void toolsWithoutASizeAreAskedAbout() throws Exception {
        TruePack t = TruePack.of("p17_borrfil");
        Pack pack = with(t.pack(), Map.of(), "verktygsrapport.txt");
        Board board = Intake.open(pack);
        SourceFile drill = files(board).get("hål och fräsning.nc");
        assertThat(drill.doubt().orElseThrow().kind()).isEqualTo(Doubt.Kind.SIZE);
        assertThat(drill.doubt().orElseThrow().text()).contains("T1 ").contains("(88 holes)");
        assertThat(board.holes()).hasSize(112).allMatch(h -> h.diameter() > 0);
        Board said = Intake.open(pack, Choices.roles(Map.of(drill.path(), Role.PLATED_HOLES)));
        assertThat(said.files()).allMatch(f -> f.doubt().isEmpty());
    }

    /** Sizes that are said give the very holes that the tool list in the pack gives. */
    @Test
    void sizesSaidAreThoseOfTheToolListLeftOut() throws Exception {
        TruePack t = TruePack.of("p17_borrfil");
        Pack pack = with(t.pack(), Map.of(), "verktygsrapport.txt");
        SourceFile asked = files(Intake.open(pack)).get("hål och fräsning.nc");
        Board whole = Intake.open(t.pack());
        Map<Pt, Long> stated = new HashMap<>();
        whole.holes().forEach(h -> stated.put(h.middle(), h.diameter()));
        Map<Integer, Long> sizes = new TreeMap<>();
        for (Map.Entry<Integer, DrillTool> e :
                ToolReport.read(of(t, "verktygsrapport.txt")).entrySet()) {
            sizes.put(e.getKey(), e.getValue().diameterNm());
        }
        Map<Integer, Long> open = new TreeMap<>();
        asked.tools().forEach(tool -> open.put(tool.number(), sizes.get(tool.number())));
        Board said = Intake.open(pack, sizes(asked.path(), open));
        assertThat(said.files()).allMatch(f -> f.doubt().isEmpty());
        assertThat(said.holes()).hasSameSizeAs(whole.holes());
        assertThat(said.holes()).allMatch(h -> stated.get(h.middle()) == h.diameter());
        assertThat(files(said).get("hål och fräsning.nc").tools()).allMatch(UnsizedTool::told);

        // The vias and the leads lie in the middle of pads that are flashed, in a pour or not.
        for (UnsizedTool tool : asked.tools()) {
            long right = sizes.get(tool.number());
            assertThat(tool.diameterNm()).as("T" + tool.number()).isBetween(right / 2, right * 2);
        }

        int first = asked.tools().get(0).number();
        Board half = Intake.open(pack, sizes(asked.path(), Map.of(first, sizes.get(first))));
        SourceFile still = files(half).get("hål och fräsning.nc");
        assertThat(still.doubt().orElseThrow().text()).doesNotContain("T" + first + " ");
        assertThat(still.tools()).hasSameSizeAs(asked.tools());

        Board astray = Intake.open(pack, sizes(asked.path(), Map.of(77, 900_000L)));
        assertThat(astray.problems()).anyMatch(p -> p.text().contains("chosen for T77"));
        assertThat(files(astray).get("hål och fräsning.nc").doubt()).isPresent();
    }

    private static Choices sizes(String path, Map<Integer, Long> sizes) {
        return new Choices(Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), Map.of(path, sizes));
    }

    /** The edge stands only in the copper pictures, in all of them alike. */
    @Test
    void anEdgeThatIsDrawnElsewhere() throws Exception {
        TruePack t = TruePack.of("p19_L1_L4");
        Board board = Intake.open(with(t.pack(), Map.of(), "L0.art", "D1.art"));
        assertThat(board.outline()).isPresent();
        assertThat(board.outline().get().gaps()).isEmpty();
        assertThat(board.problems())
                .anyMatch(p -> p.text().contains("a closed line in it goes about all pads"));
    }

    /** Two planes of one net are the same picture: numbers in their names tell them apart. */
    @Test
    void equalPlanesAreNoCopies() throws Exception {
        TruePack t = TruePack.of("p14_lagen");
        byte[] plane = of(t, "massavlak (laag 2).art");
        Pack pack =
                with(
                        t.pack(),
                        Map.of("printplaat/massavlak (laag 5).art", plane),
                        "voedingsvlak (laag 5).art");
        Map<String, SourceFile> files = files(Intake.open(pack));
        assertThat(files.get("massavlak (laag 2).art").role()).isEqualTo(Role.innerCopper(1));
        assertThat(files.get("massavlak (laag 5).art").role()).isEqualTo(Role.innerCopper(4));
    }
}
