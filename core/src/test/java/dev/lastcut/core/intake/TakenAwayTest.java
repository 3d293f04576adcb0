package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.LongRun;
import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Rule;
import dev.lastcut.core.check.files.LayerMissingRule;
import dev.lastcut.core.check.parts.PartNotListedRule;
import dev.lastcut.core.check.parts.PartNotPlacedRule;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.Texts;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Nothing is lost in silence: whatever file, column or heading is taken from a pack or spoilt, the
 * board is asked about, stopped, or something is said, or nothing of it changes.
 */
class TakenAwayTest {
    /** Files whose absence the checks that need them report as "not run", each with a reason. */
    private static final Set<Role.Kind> SAID_BY_CHECKS =
            Set.of(
                    Role.Kind.PASTE,
                    Role.Kind.SILK,
                    Role.Kind.NETLIST,
                    Role.Kind.PARTS_LIST,
                    Role.Kind.PLACEMENT,
                    Role.Kind.OUTLINE);

    /** The quick ones of the checks that say what lacks. */
    private static final List<Rule> RULES =
            List.of(new LayerMissingRule(), new PartNotListedRule(), new PartNotPlacedRule());

    /** A few packs; all of them in a long run, as there are a thousand ways to spoil them. */
    static Stream<String> names() {
        if (!LongRun.is()) {
            return Stream.of("p07_mill_single", "p18_kart");
        }
        return Stream.concat(TruePack.NAMES.stream(), TruePack.OTHER_HANDS.stream());
    }

    @ParameterizedTest
    @MethodSource("names")
    void aFileTakenAwayOrCutShort(String name) throws Exception {
        TruePack t = TruePack.of(name);
        Seen before = Seen.of(t.pack());
        List<String> silent = new ArrayList<>();
        for (Pack.PackFile f : t.pack().files()) {
            Seen without = Seen.of(replaced(t.pack(), f.path(), null));
            // Where the older of two versions is left alone, nothing tells that there was another.
            // Vias without their holes leave nets in pieces, which takes a while to find out.
            // Silk or paste of one side alone is as usual as of both.
            boolean beyondTelling =
                    f.path()
                            .matches(
                                    ".*_r\\d\\.\\w+|.*(GTP|gto|L[14]S.art|scritte-superiori.gbr)|.*gaten \\d-\\d\\.drl");
            if (isSilent(before, without) && !beyondTelling) {
                silent.add("without " + f.path());
            }
            if (f.path().matches(".*\\.(xlsx|zip)")) {
                continue;
            }
            byte[] half = Arrays.copyOf(f.content(), f.content().length / 2);
            if (isSilent(before, Seen.of(replaced(t.pack(), f.path(), half)))) {
                silent.add("half of " + f.path());
            }
        }
        assertThat(silent).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("names")
    void aColumnOrALineOfHeadingsTakenAway(String name) throws Exception {
        TruePack t = TruePack.of(name);
        Seen before = Seen.of(t.pack());
        List<String> silent = new ArrayList<>();
        for (Pack.PackFile f : t.pack().files()) {
            String text = Texts.decode(f.content());
            String mark = mark(f.path(), text);
            if (mark.isEmpty()) {
                continue;
            }
            int columns = text.lines().skip(3).findFirst().orElse("").split(mark, -1).length;
            for (int c = 0; c < columns; c++) {
                for (boolean garbled : new boolean[] {false, true}) {
                    byte[] spoilt = spoilt(text, mark, c, garbled).getBytes(StandardCharsets.UTF_8);
                    Seen after = Seen.of(replaced(t.pack(), f.path(), spoilt));
                    // That a part is not fitted stands nowhere else.
                    if (isSilent(before, after) && !before.differsInFittedAlone(after)) {
                        silent.add(
                                f.path() + " column " + (c + 1) + (garbled ? " garbled" : " gone"));
                    }
                }
            }
            byte[] bare = text.substring(text.indexOf('\n') + 1).getBytes(StandardCharsets.UTF_8);
            if (isSilent(before, Seen.of(replaced(t.pack(), f.path(), bare)))) {
                silent.add(f.path() + " without its first line");
            }
        }
        assertThat(silent).isEmpty();
    }

    /** What parts the cells of a table; empty for what is no table. */
    private static String mark(String path, String text) {
        if (!path.matches(".*\\.(csv|tsv|txt)")) {
            return "";
        }
        String line = text.lines().skip(3).findFirst().orElse("");
        for (String mark : List.of(";", "\t", ",")) {
            if (line.split(mark, -1).length > 2) {
                return mark;
            }
        }
        return "";
    }

    private static String spoilt(String text, String mark, int column, boolean garbled) {
        StringBuilder all = new StringBuilder();
        int row = 0;
        for (String line : text.split("\r?\n")) {
            String[] cells = line.split(mark + "(?=(?:[^\"]*\"[^\"]*\")*[^\"]*$)", -1);
            List<String> kept = new ArrayList<>();
            for (int i = 0; i < cells.length; i++) {
                if (i != column) {
                    kept.add(cells[i]);
                } else if (garbled) {
                    kept.add(row == 0 ? cells[i] : "?§" + "abcdefgh".charAt(row % 8));
                }
            }
            all.append(String.join(mark, kept)).append('\n');
            row++;
        }
        return all.toString();
    }

    private static Pack replaced(Pack pack, String path, byte[] content) {
        List<Pack.PackFile> files = new ArrayList<>();
        for (Pack.PackFile f : pack.files()) {
            if (!f.path().equals(path)) {
                files.add(f);
            } else if (content != null) {
                files.add(new Pack.PackFile(path, content));
            }
        }
        return new Pack(pack.name(), files);
    }

    /** Something is different, and nothing more is asked, stopped or said than before. */
    private static boolean isSilent(Seen before, Seen after) {
        if (before.content.equals(after.content)) {
            return false;
        }
        Set<String> more = new HashSet<>(after.said);
        more.removeAll(before.said);
        return more.isEmpty() && !after.asked;
    }

    /**
     * @param content all that would be made of the board
     * @param said all that is asked, stopped or told
     * @param asked whether anything is asked, so that the board is not released
     */
    private record Seen(Map<String, String> content, Set<String> said, boolean asked) {
        static Seen of(Pack pack) {
            Board board;
            try {
                board = Intake.open(pack);
            } catch (UnusablePackException e) {
                return new Seen(Map.of(), Set.of(e.getMessage()), true);
            }
            Map<String, String> content = new TreeMap<>();
            board.layers()
                    .forEach(
                            l ->
                                    content.merge(
                                            l.role().id(),
                                            "" + l.features().size(),
                                            String::concat));
            content.put("holes", holes(board));
            board.parts()
                    .ifPresent(
                            all -> {
                                content.put("listed", "yes");
                                all.forEach(
                                        p ->
                                                content.put(
                                                        "listed " + p.designator(),
                                                        p.value() + " " + p.fitted()));
                            });
            board.placements()
                    .ifPresent(
                            all -> {
                                content.put("placed", "yes");
                                all.forEach(p -> content.put("placed " + p.designator(), words(p)));
                            });
            boolean asked = board.files().stream().anyMatch(f -> f.doubt().isPresent());
            return new Seen(content, said(board, content), asked);
        }

        private static String words(PlacedPart p) {
            return Math.round(p.at().x() / 1e4)
                    + " "
                    + Math.round(p.at().y() / 1e4)
                    + " "
                    + p.rotationDeg()
                    + " "
                    + p.side();
        }

        private static String holes(Board board) {
            return board.holes().stream()
                    .map(h -> h.middle() + " " + h.diameter() + " " + h.plated() + " " + h.span())
                    .sorted()
                    .collect(Collectors.joining(","));
        }

        private static Set<String> said(Board board, Map<String, String> content) {
            Set<String> said = new HashSet<>();
            board.files().forEach(f -> f.doubt().ifPresent(d -> said.add(f.path() + d.text())));
            for (Problem p : board.problems()) {
                said.add(p.file() + p.code() + p.text());
            }
            CheckContext c =
                    new CheckContext(
                            new BoardGeometry(board), TestBoards.house(Map.of()), Headroom.NONE);
            RULES.forEach(r -> r.run(c).findings().forEach(f -> said.add(f.message())));
            for (Role.Kind kind : SAID_BY_CHECKS) {
                boolean there =
                        switch (kind) {
                            case NETLIST -> board.netlist().isPresent();
                            case PARTS_LIST -> board.parts().isPresent();
                            case PLACEMENT -> board.placements().isPresent();
                            case OUTLINE -> board.outline().isPresent();
                            default ->
                                    content.keySet().stream()
                                                    .filter(
                                                            k ->
                                                                    k.startsWith(
                                                                            kind.name()
                                                                                    .toLowerCase()))
                                                    .count()
                                            > 1;
                        };
                if (!there) {
                    said.add("no " + kind);
                }
            }
            return said;
        }

        /** Whether all that differs is which parts are fitted. */
        boolean differsInFittedAlone(Seen other) {
            if (!content.keySet().equals(other.content.keySet())) {
                return false;
            }
            for (Map.Entry<String, String> e : content.entrySet()) {
                String a = e.getValue().replaceAll(" (true|false)$", "");
                String b = other.content.get(e.getKey()).replaceAll(" (true|false)$", "");
                if (!a.equals(b)) {
                    return false;
                }
            }
            return true;
        }
    }
}
