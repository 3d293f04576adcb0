package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Letters in strokes, as they stand and mirrored; on a grid of 4 by 6. */
class LetteringTest {
    /** N, P, R, 2, 4, 5 and 7, which in a mirror are like no other letter. */
    private static final List<String> LETTERS =
            List.of(
                    "00064046",
                    "00063645443303",
                    "00063645443303 2340",
                    "05163645440040",
                    "3036 360242",
                    "460603334241301001",
                    "064610");

    private static final Role SILK = Role.of(Role.Kind.SILK, Side.TOP);

    private final SmallBoard board = new SmallBoard();
    private final StringBuilder drawn = new StringBuilder();
    private int count;

    private void letter(double heightMm, boolean mirrored) {
        String strokes = LETTERS.get(count % LETTERS.size());
        int column = count % 7;
        int row = count++ / 7;
        drawn.append(
                SmallBoard.letter(
                        4 + 3.1 * column, 4 + 3.1 * row, heightMm / 6, mirrored, strokes));
    }

    private Testimony heard(String path) {
        board.files.put(path, SmallBoard.HEAD + drawn + SmallBoard.END);
        Testimony t = new Testimony();
        new Lettering().testify(board.facts(), t);
        return t;
    }

    /** Six bits where all read one way, in proportion where some do not; less for few. */
    @ParameterizedTest
    @CsvSource({
        "17, 0, 6",
        "0, 17, -6",
        "4, 0, 3",
        "0, 6, -4.5",
        "3, 0, 0",
        "5, 2, 2.25",
        "4, 2, 0",
        "14, 6, 2.4",
        "6, 14, -2.4",
        "13, 7, 0"
    })
    void lettersReadOneWayOrTheOther(int straight, int mirrored, double bits) {
        for (int i = 0; i < straight + mirrored; i++) {
            letter(2, i >= straight);
        }
        Testimony t = heard("x");
        assertThat(t.weight("x", SILK)).isCloseTo(bits, within(1e-9));
        assertThat(t.weight("x", SILK.across())).isCloseTo(-bits, within(1e-9));
        assertThat(t.weight("x", Role.of(Role.Kind.COPPER, Side.TOP)))
                .isCloseTo(bits, within(1e-9));
        assertThat(t.weight("x", Role.of(Role.Kind.MASK, Side.TOP))).isZero();
        assertThat(t.weight("x", Role.innerCopper(1))).isZero();
        if (bits != 0) {
            int all = straight + mirrored;
            String words =
                    bits > 0
                            ? straight + " of " + all + " letters in it read as they stand"
                            : mirrored + " of " + all + " letters in it read mirrored";
            assertThat(t.speaksFor("x", bits > 0 ? SILK : SILK.across())).containsExactly(words);
        }
    }

    /** With its stroke a letter is from half a millimetre to five high. */
    @ParameterizedTest
    @CsvSource({"0.3, 0", "1, 3", "2, 3", "2.9, 3", "5, 0"})
    void lettersAreOfTheUsualSizes(double heightMm, double bits) {
        for (int i = 0; i < 4; i++) {
            count = 2 * i;
            letter(heightMm, false);
        }
        assertThat(heard("x").weight("x", SILK)).isCloseTo(bits, within(1e-9));
    }

    @Test
    void outlinesAndOpeningsHoldNoLetters() {
        Testimony t = heard("x");
        assertThat(t.weight("x", SILK)).as("an empty one").isZero();
        for (String path : board.files.keySet()) {
            assertThat(t.weight(path, SILK)).as(path).isZero();
        }
    }
}
