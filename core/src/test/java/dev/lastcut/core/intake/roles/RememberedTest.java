package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What the user said of files called like these before. */
class RememberedTest {
    private static final Role COPPER = Role.of(Role.Kind.COPPER, Side.TOP);
    private static final Role SILK = Role.of(Role.Kind.SILK, Side.TOP);

    private final SmallBoard board = new SmallBoard();

    private Testimony heard(Map<String, Role> known) {
        Testimony t = new Testimony();
        new Remembered(known).testify(board.facts(), t);
        return t;
    }

    private void call(String... names) {
        Map<String, String> old = new LinkedHashMap<>(board.files);
        List<String> pictures = List.of("copper 1", "copper 2", "openings 1", "lines 1");
        board.files.clear();
        for (int i = 0; i < names.length; i++) {
            board.files.put(names[i], old.get(pictures.get(i)));
        }
    }

    @Test
    void theNameOfTheBoardIsNoPartOfIt() {
        assertThat(Remembered.signatures(List.of("a/hive qx.g", "a/hive qy.g", "b/hive qz.g")))
                .containsExactlyEntriesOf(
                        new java.util.TreeMap<>(
                                Map.of(
                                        "a/hive qx.g", "qx g",
                                        "a/hive qy.g", "qy g",
                                        "b/hive qz.g", "qz g")));
    }

    @Test
    void itCountsWhereMostFilesAreCalledLikeThat() {
        call("hive qx", "hive qy", "hive qz", "hive qv");
        Map<String, Role> two = Map.of("qx", COPPER, "qv", SILK);
        assertThat(heard(two).weight("hive qx", COPPER)).as("two of four").isZero();
        Map<String, Role> three = Map.of("qx", COPPER, "qv", SILK, "qz", SILK.across());
        Testimony t = heard(three);
        assertThat(t.weight("hive qx", COPPER)).isEqualTo(5);
        assertThat(t.weight("hive qx", SILK)).isEqualTo(-5);
        assertThat(t.weight("hive qz", SILK.across())).isEqualTo(5);
        assertThat(t.weight("hive qy", COPPER)).as("never seen").isZero();
        assertThat(t.speaksFor("hive qx", COPPER))
                .containsExactly("you said so of the last pack with such names");
    }

    @Test
    void aNumberOrALetterCouldBeAnybodys() {
        call("hive 1", "hive b", "hive c2", "hive qv");
        Testimony t = heard(Map.of("1", COPPER, "b", COPPER, "c2", COPPER, "qv", SILK));
        assertThat(t.weight("hive 1", COPPER)).isZero();
        assertThat(t.weight("hive b", COPPER)).isZero();
        assertThat(t.weight("hive c2", COPPER)).isZero();
        assertThat(t.weight("hive qv", SILK)).isEqualTo(5);
    }

    @Test
    void aPackWithoutPicturesRemembersNothing() {
        board.files.clear();
        board.files.put("x", "nothing");
        assertThat(heard(Map.of("x", COPPER)).weight("x", COPPER)).isZero();
    }

    @Test
    void itIsKnownWhatWasTold() {
        SourceFile f = new SourceFile("x", COPPER, "you chose it", 1, true);
        assertThat(Remembered.told(f)).isFalse();
        SourceFile told =
                f.withRole(COPPER, "you said so of the last pack with such names", 0.9, false);
        assertThat(Remembered.told(told)).isTrue();
        assertThat(Remembered.told(told.doubted(new Doubt(Doubt.Kind.ROLE, "?")))).isFalse();
    }
}
