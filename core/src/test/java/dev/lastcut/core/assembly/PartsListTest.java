package dev.lastcut.core.assembly;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.Assembly.Column;
import dev.lastcut.core.capability.Assembly.Holds;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.formats.table.PartsListReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PartsListTest {
    private static Part part(String designator, String value, String footprint, String number) {
        return new Part(designator, value, footprint, "", number, "", true, true, Optional.empty());
    }

    /**
     * Any list, folded as any shop may want it, written and read back, names the same parts with
     * the same values, each once.
     */
    @ParameterizedTest
    @ValueSource(longs = {3, 33, 333, 3333})
    void foldingAndUnfoldingAreInverse(long seed) {
        Random r = new Random(seed);
        for (int round = 0; round < 25; round++) {
            List<Part> parts = parts(r);
            Assembly.ListForm form =
                    new Assembly.ListForm(
                            List.of(
                                    new Column(Holds.LINE, "Pos"),
                                    new Column(Holds.VALUE, "Comment"),
                                    new Column(Holds.DESIGNATORS, "Designator"),
                                    new Column(Holds.FOOTPRINT, "Package"),
                                    new Column(Holds.PART_NUMBER, "MPN"),
                                    new Column(Holds.QUANTITY, "Qty")),
                            r.nextBoolean(),
                            List.of(" ", ", ", ",").get(r.nextInt(3)));
            OptionalInt most =
                    r.nextBoolean() ? OptionalInt.of(1 + r.nextInt(9)) : OptionalInt.empty();
            List<PartsList.Line> lines = PartsList.split(PartsList.kinds(parts), most);
            most.ifPresent(n -> assertThat(lines).allMatch(l -> l.designators().size() <= n));
            for (byte[] file : List.of(PartsList.csv(lines, form), PartsList.xlsx(lines, form))) {
                PartsListReader.Result back = PartsListReader.read("list", file);
                assertThat(back.problems()).isEmpty();
                assertThat(told(back.parts())).isEqualTo(told(parts.stream().map(p -> p).toList()));
            }
        }
    }

    private static Map<String, String> told(List<?> parts) {
        Map<String, String> all = new TreeMap<>(Designators.ORDER);
        for (Object o : parts) {
            String before =
                    o instanceof ListedPart l
                            ? all.put(
                                    l.designator(),
                                    l.meaning().canonical() + l.footprint() + l.partNumber())
                            : o instanceof Part p && p.fitted()
                                    ? all.put(
                                            p.designator(),
                                            p.meaning().canonical()
                                                    + p.footprint()
                                                    + p.partNumber())
                                    : null;
            assertThat(before).isNull();
        }
        return all;
    }

    private static List<Part> parts(Random r) {
        String[] values = {"10k", "10 kΩ", "4k7 1%", "100n", "0.1uF 50V", "=1+1", "@x", "a, \"b\""};
        Set<String> names = new HashSet<>();
        for (int i = 0; i < r.nextInt(150); i++) {
            String name = "RCLUDJ".charAt(r.nextInt(6)) + "" + r.nextInt(60);
            names.add(r.nextInt(12) == 0 ? name + "A" : r.nextInt(15) == 0 ? "TP_IN" + i : name);
        }
        List<Part> all = new ArrayList<>();
        for (String n : names) {
            // A formula comes back with the apostrophe that keeps it from being run.
            String value = values[r.nextInt(values.length)];
            value = value.matches("[=@].*") ? "x" + value : value;
            all.add(
                    new Part(
                            n,
                            value,
                            "P" + r.nextInt(3),
                            "",
                            r.nextBoolean() ? "HX-" + r.nextInt(4) : "",
                            "",
                            true,
                            r.nextInt(10) > 0,
                            Optional.empty()));
        }
        return all;
    }

    @Test
    void spellingsOfAValueFoldTogetherAndFormulasDoNotRun() {
        List<Part> parts =
                List.of(
                        part("R1", "4k7", "0603", ""),
                        part("R2", "4.7k", "0603", ""),
                        part("R3", "4700", "0603", ""),
                        part("R4", "4k7", "0805", ""),
                        part("X1", "=1+1", "0603", ""));
        String csv =
                new String(
                        PartsList.csv(PartsList.kinds(parts), Assembly.ListForm.USUAL),
                        StandardCharsets.UTF_8);
        assertThat(csv.split("\r\n")).hasSize(4);
        assertThat(csv).contains("R1-R3,3,4k7,0603").contains("'=1+1");
    }

    @Test
    void partsThatAreLeftOffAreNotBought() {
        Part off = new Part("R9", "1k", "0603", "", "", "", true, false, Optional.empty());
        List<Part> parts = List.of(part("R1", "1k", "0603", ""), off);
        assertThat(PartsList.kinds(parts))
                .singleElement()
                .extracting(PartsList.Line::designators)
                .isEqualTo(List.of("R1"));
        assertThat(PartsList.kinds(parts, false)).hasSize(1);
    }

    /**
     * A list with a section, numbered lines, and a second part number: the section is no part, the
     * numbers of lines are nobody's, and the second number goes where a sheet names it, or behind
     * the usual columns.
     */
    @Test
    void furtherColumnsOfTheListAreKept() {
        String list =
                """
                Item,Designator,Value,Footprint,Part number,House number,Remark
                Resistors,,,,,,
                1,R1,10k,0603,RES-10K,H-1001,
                2,R2 R3,4k7,0603,RES-4K7,H-1002,matched
                Capacitors,,,,,,
                3,C1,100n,0603,CAP-100N,H-2001,
                """;
        PartsListReader.Result read =
                PartsListReader.read("list.csv", list.getBytes(StandardCharsets.UTF_8));
        assertThat(read.parts())
                .extracting(ListedPart::designator)
                .containsExactlyInAnyOrder("R1", "R2", "R3", "C1");
        List<Part> parts = new ArrayList<>();
        for (ListedPart p : read.parts()) {
            parts.add(
                    new Part(
                            p.designator(),
                            p.value(),
                            p.footprint(),
                            "",
                            p.partNumber(),
                            "",
                            true,
                            true,
                            Optional.empty(),
                            p.others()));
        }
        List<PartsList.Line> lines = PartsList.kinds(parts);
        Assembly.ListForm asked =
                new Assembly.ListForm(
                        List.of(
                                Column.of(Holds.DESIGNATORS),
                                Column.of(Holds.PART_NUMBER),
                                new Column(Holds.LISTED, "house number")),
                        true,
                        " ");
        assertThat(text(lines, asked))
                .containsExactly(
                        "Designators,Part number,house number",
                        "C1,CAP-100N,H-2001",
                        "R1,RES-10K,H-1001",
                        "R2 R3,RES-4K7,H-1002");
        assertThat(text(lines, PartsList.withOthers(lines, Assembly.ListForm.USUAL)).get(0))
                .endsWith("Description,House number");
    }

    private static List<String> text(List<PartsList.Line> lines, Assembly.ListForm form) {
        return new String(PartsList.csv(lines, form), StandardCharsets.UTF_8).lines().toList();
    }

    @Test
    void aWorkbookTellsNoTimeOfWriting() throws IOException {
        byte[] book =
                PartsList.xlsx(
                        PartsList.kinds(List.of(part("R1", "1k", "0603", ""))),
                        Assembly.ListForm.USUAL);
        int entries = 0;
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(book))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                assertThat(e.getTimeLocal().getYear()).isEqualTo(1980);
                String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
                assertThat(text).doesNotContain("dcterms:created");
                entries++;
            }
        }
        assertThat(entries).isGreaterThan(4);
    }

    @Test
    void packagesInTheNamesOfFootprints() {
        Map<String, String> all = new TreeMap<>();
        all.put("R0603", "0603");
        all.put("C_0805_2012Metric", "0805");
        all.put("RES-1206", "1206");
        all.put("LED0805", "0805");
        all.put("SOIC-8_3.9x4.9mm", "SOIC8");
        all.put("SO8", "SOIC8");
        all.put("SOT-23", "SOT23");
        all.put("SOT23-5", "SOT23-5");
        all.put("SOT-223-3", "SOT223");
        all.put("TQFP32", "TQFP32");
        all.put("DIP-8", "DIP8");
        all.put("HDR6", "HDR6");
        all.put("DSOD123", "SOD123");
        all.put("JACK", "JACK");
        all.forEach((from, to) -> assertThat(PackageName.of(from)).as(from).isEqualTo(to));
    }
}
