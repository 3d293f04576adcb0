package dev.lastcut.core.intake.tables;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What an unknown word for a side means, told by which side a part has pads on. */
class SideWordsTest {
    /** Parts 0 to 5 have pads on the top, 6 to 8 on the bottom, 9 on both. */
    private static final SideWords.Pads PADS =
            (part, side) -> {
                int n = part.line();
                return n > 8 || (n < 6) == (side == Side.TOP);
            };

    private static List<PlacedPart> parts(int from, int to) {
        return IntStream.rangeClosed(from, to)
                .mapToObj(i -> new PlacedPart("R" + i, "", "", Pt.mm(i, 0), 0, Side.TOP, i))
                .toList();
    }

    private static Map<String, String> words(String a, String b) {
        Map<String, String> all = new HashMap<>();
        parts(0, 9).forEach(p -> all.put(p.designator(), p.line() > 5 && p.line() < 9 ? b : a));
        return all;
    }

    private static List<Integer> below(SideWords.Result r) {
        return r.parts().stream()
                .filter(p -> p.side() == Side.BOTTOM)
                .map(PlacedPart::line)
                .toList();
    }

    @Test
    void twoWordsThatAgreeWithThePads() {
        SideWords.Result r =
                SideWords.settle(parts(0, 9), words("uno", "due"), PADS, Optional.empty());
        assertThat(below(r)).containsExactly(6, 7, 8);
        assertThat(r.open()).isEmpty();
        assertThat(r.done()).hasSize(2).anyMatch(t -> t.contains("“due” are on the bottom"));
    }

    @Test
    void oneKnownWordTellsTheOther() {
        SideWords.Pads top = (p, side) -> p.line() < 6 && side == Side.TOP;
        SideWords.Result r =
                SideWords.settle(parts(0, 9), words("uno", "due"), top, Optional.empty());
        assertThat(below(r)).containsExactly(6, 7, 8);
    }

    @Test
    void padsThatSayNothingLeaveItOpen() {
        SideWords.Pads both = (p, side) -> true;
        SideWords.Result r =
                SideWords.settle(parts(0, 9), words("uno", "due"), both, Optional.empty());
        assertThat(r.open()).isPresent();
    }

    @Test
    void withoutAnyWordEachPartLiesWhereItsPadsAre() {
        Map<String, String> none = words("", "");
        SideWords.Result r = SideWords.settle(parts(0, 8), none, PADS, Optional.empty());
        assertThat(below(r)).containsExactly(6, 7, 8);
        assertThat(r.open()).isEmpty();
        // A part with pads on both sides could be on either.
        assertThat(SideWords.settle(parts(0, 9), none, PADS, Optional.empty()).open()).isPresent();
        // The name of the file says it.
        SideWords.Result named =
                SideWords.settle(parts(9, 9), none, PADS, Optional.of(Side.BOTTOM));
        assertThat(below(named)).containsExactly(9);
        assertThat(named.open()).isEmpty();
        // All others are on one side.
        assertThat(below(SideWords.settle(parts(6, 9), none, PADS, Optional.empty())))
                .containsExactly(6, 7, 8, 9);
    }

    /** What is said of parts without a word, to the number. */
    @Test
    void saysHowManyPartsAreWhere() {
        Map<String, String> none = words("", "");
        assertThat(SideWords.settle(parts(0, 8), none, PADS, Optional.empty()).done())
                .containsExactly("it states no side; by their pads 3 parts are on the bottom");
        assertThat(SideWords.settle(parts(9, 9), none, PADS, Optional.of(Side.BOTTOM)).done())
                .containsExactly("it states no side; by their pads 1 part is on the bottom");
        assertThat(SideWords.settle(parts(7, 9), none, PADS, Optional.of(Side.BOTTOM)).done())
                .containsExactly("it states no side; by their pads 3 parts are on the bottom");
        assertThat(SideWords.settle(parts(0, 5), none, PADS, Optional.empty()).done()).isEmpty();
        assertThat(SideWords.settle(parts(0, 9), none, PADS, Optional.empty()).open())
                .hasValue("it states no side, and 1 part has pads on both sides or on none");
        SideWords.Pads more = (p, side) -> p.line() > 7 || PADS.hasPads(p, side);
        assertThat(SideWords.settle(parts(0, 9), none, more, Optional.empty()).open())
                .hasValue("it states no side, and 2 parts have pads on both sides or on none");
    }

    /** Where no part at all has pads below there is nothing to ask. */
    @Test
    void aBoardWithoutPadsBelowHasItsPartsOnTop() {
        Map<String, String> none = words("", "");
        SideWords.Result bare =
                SideWords.settle(parts(0, 9), none, (p, side) -> false, Optional.empty());
        assertThat(below(bare)).isEmpty();
        assertThat(bare.open()).isEmpty();
        assertThat(bare.done()).isEmpty();
        // One that says its side has pads below: then others without pads could be there, too.
        Map<String, String> some = new HashMap<>(none);
        some.remove("R9");
        SideWords.Pads last = (p, side) -> p.line() == 9 && side == Side.BOTTOM;
        assertThat(SideWords.settle(parts(0, 9), some, last, Optional.empty()).open()).isPresent();
    }

    /** A word is believed from a clear majority of its parts on, and not below. */
    @Test
    void aWordIsBelievedByAClearMajority() {
        for (int against = 0; against <= 5; against++) {
            int below = against;
            SideWords.Pads mixed = (p, side) -> (p.line() < below ? Side.BOTTOM : Side.TOP) == side;
            Map<String, String> one = new HashMap<>();
            parts(0, 9).forEach(p -> one.put(p.designator(), "uno"));
            SideWords.Result r = SideWords.settle(parts(0, 9), one, mixed, Optional.empty());
            assertThat(r.open().isEmpty()).as(against + " of 10 against").isEqualTo(against < 4);
        }
    }

    @Test
    void groupsAreLaidOnPadsApart() {
        List<PlacedPart> laid = SideWords.guessed(parts(0, 9), words("uno", "due"));
        assertThat(laid.stream().filter(p -> p.side() == Side.BOTTOM)).hasSize(3);
        assertThat(SideWords.guessed(parts(0, 9), words("uno", "uno"))).isEqualTo(parts(0, 9));
    }
}
