package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import dev.lastcut.core.LongRun;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Packs by another hand, in other languages and habits: every file is in its place or asked about,
 * and every part is read; also without names, without headings, in other encodings and orders.
 */
class OtherHandsTest {
    static List<String> names() {
        return TruePack.OTHER_HANDS;
    }

    @ParameterizedTest
    @MethodSource("names")
    void asTheyCame(String name) throws Exception {
        TruePack t = TruePack.of(name);
        List<String> wrong = wrong(t, t.pack(), path -> path);
        assertThat(wrong).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("names")
    void withoutNamesAndInAnotherOrder(String name) throws Exception {
        TruePack t = TruePack.of(name);
        if (t.truth().get("expect").getAsString().equals("stop")) {
            // Masks that are swapped against their names are right where there are no names.
            return;
        }
        TruePack.Nameless n = t.nameless(3, true);
        assertThat(wrong(t, n.pack(), path -> n.trueNames().get(path))).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("names")
    void withMeaninglessHeadings(String name) throws Exception {
        TruePack t = TruePack.of(name);
        Pack pack = changed(t.pack(), OtherHandsTest::meaningless);
        assertThat(wrong(t, pack, path -> path)).isEmpty();
    }

    static Stream<String> some() {
        return LongRun.first(3, TruePack.OTHER_HANDS);
    }

    @ParameterizedTest
    @MethodSource("some")
    void inOtherEncodings(String name) throws Exception {
        TruePack t = TruePack.of(name);
        for (Charset to :
                List.of(
                        StandardCharsets.UTF_16LE,
                        StandardCharsets.UTF_16BE,
                        StandardCharsets.UTF_8,
                        Charset.forName("windows-1252"))) {
            Pack pack = changed(t.pack(), (path, text) -> text.getBytes(to));
            assertThat(wrong(t, pack, path -> path)).as(to.name()).isEmpty();
        }
    }

    static Stream<String> ours() {
        return LongRun.first(3, TruePack.NAMES);
    }

    /** Tables of the other packs say the same under other headings, or it is asked. */
    @ParameterizedTest
    @MethodSource("ours")
    void headingsOfTheOtherPacks(String name) throws Exception {
        Pack pack = TruePack.of(name).pack();
        String before = tables(Intake.open(pack));
        String after = tables(Intake.open(changed(pack, OtherHandsTest::meaningless)));
        assertThat(after).isIn(before, "asked");
        for (Charset to : List.of(StandardCharsets.UTF_16LE, Charset.forName("windows-1252"))) {
            Pack other = changed(pack, (path, text) -> text.getBytes(to));
            assertThat(tables(Intake.open(other))).as(to.name()).isEqualTo(before);
        }
    }

    /** What lists and placements say, or that something is asked. */
    private static String tables(Board b) {
        if (b.files().stream().anyMatch(f -> f.doubt().isPresent())) {
            return "asked";
        }
        StringBuilder all = new StringBuilder();
        b.parts()
                .orElse(List.of())
                .forEach(
                        p ->
                                all.append(p.designator() + " " + p.value() + " " + p.footprint())
                                        .append(" " + p.fitted() + "\n"));
        b.placements()
                .orElse(List.of())
                .forEach(
                        p ->
                                all.append(p.designator() + " " + p.at() + " " + p.rotationDeg())
                                        .append(" " + p.side() + "\n"));
        return all.toString();
    }

    /** Tables, and nothing else, through a change of their text. */
    private static Pack changed(Pack pack, BiFunction<String, String, byte[]> change) {
        List<Pack.PackFile> files = new ArrayList<>();
        for (Pack.PackFile f : pack.files()) {
            boolean table = f.path().matches(".*\\.(csv|txt|tsv)");
            byte[] content = f.content();
            if (table) {
                content = change.apply(f.path(), dev.lastcut.core.formats.Texts.decode(content));
            }
            files.add(new Pack.PackFile(f.path(), content));
        }
        return new Pack(pack.name(), files);
    }

    /** The first line of letters becomes words that mean nothing, with as many letters. */
    private static byte[] meaningless(String path, String text) {
        String[] lines = text.split("\n", -1);
        Random r = new Random(11);
        for (int i = 0; i < lines.length; i++) {
            boolean heading =
                    lines[i].matches(".*[\\p{L}]{2}.*[,;\\t ].*[\\p{L}].*")
                            && !lines[i].matches(".*[A-Z]\\d.*");
            if (heading) {
                StringBuilder s = new StringBuilder();
                for (char c : lines[i].replaceAll("\\([^)]*\\)", "").toCharArray()) {
                    s.append(Character.isLetter(c) ? "bdfghjklmnprstvwz".charAt(r.nextInt(17)) : c);
                }
                lines[i] = s.toString();
                if (lines[i].matches(".*[,;\\t].*|.*  .*")) {
                    break;
                }
            }
        }
        return String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
    }

    private interface Names {
        String trueName(String path);
    }

    /** All that is wrong without a question. */
    private static List<String> wrong(TruePack t, Pack pack, Names names) throws Exception {
        Board board = Intake.open(pack);
        List<String> wrong = new ArrayList<>();
        Map<String, SourceFile> files = new HashMap<>();
        board.files().forEach(f -> files.put(TruePack.leaf(names.trueName(f.path())), f));
        JsonObject truth = t.truth();
        boolean asked = board.files().stream().anyMatch(f -> f.doubt().isPresent());
        t.rightRoles()
                .forEach(
                        (leaf, right) -> {
                            SourceFile f = files.get(leaf);
                            if (f.doubt().isEmpty() && !right.contains(f.role().id())) {
                                wrong.add(leaf + " is " + f.role().id() + ", should be " + right);
                            }
                        });
        for (JsonElement e : truth.getAsJsonArray("not_part")) {
            SourceFile f = files.get(e.getAsString());
            boolean aside = f.role().equals(Role.NOT_PART) || f.role().equals(Role.UNKNOWN);
            if (f.doubt().isEmpty() && !aside) {
                wrong.add(
                        e.getAsString() + " is " + f.role().id() + ", but is no part of the board");
            }
        }
        boolean ask = !truth.get("expect").getAsString().equals("clean");
        if (ask && !asked) {
            wrong.add("nothing is asked");
        }
        if (truth.has("boards") || asked && ask) {
            return wrong;
        }
        parts(t, board, wrong);
        return wrong;
    }

    private static void parts(TruePack t, Board board, List<String> wrong) {
        Map<String, ListedPart> listed = new LinkedHashMap<>();
        board.parts().orElse(List.of()).forEach(p -> listed.put(p.designator(), p));
        Map<String, PlacedPart> placed = new LinkedHashMap<>();
        board.placements().orElse(List.of()).forEach(p -> placed.put(p.designator(), p));
        boolean tables =
                board.files().stream()
                        .noneMatch(
                                f ->
                                        f.doubt().isPresent()
                                                && (f.role().equals(Role.PARTS_LIST)
                                                        || f.role().equals(Role.PLACEMENT)));
        for (JsonElement e : t.truth().getAsJsonArray("parts")) {
            String ref = e.getAsJsonObject().get("ref").getAsString();
            boolean fitted = e.getAsJsonObject().get("fitted").getAsBoolean();
            if (!listed.containsKey(ref) || listed.get(ref).fitted() != fitted) {
                wrong.add(ref + " is listed as " + listed.get(ref) + ", fitted " + fitted);
            }
        }
        for (PlacedPart p : t.parts()) {
            PlacedPart own = placed.get(p.designator());
            if (tables && own == null) {
                wrong.add(p.designator() + " is not placed");
            } else if (tables
                    && (own.at().distance(p.at()) > 20_000
                            || own.side() != p.side()
                            || Math.abs((own.rotationDeg() - p.rotationDeg() + 900) % 360 - 180)
                                    > 0.01)) {
                wrong.add(own + " should be " + p);
            }
        }
    }
}
