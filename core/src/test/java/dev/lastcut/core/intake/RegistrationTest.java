package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Random boards with one file out of place: the correction that brings it back is found. */
class RegistrationTest {
    private static List<Pt> random(Random r, int n) {
        List<Pt> at = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            at.add(Pt.mm(r.nextInt(800) / 10.0, r.nextInt(500) / 10.0));
        }
        return at;
    }

    private static List<Pt> moved(List<Pt> at, Correction c) {
        return at.stream().map(c::apply).toList();
    }

    /** Two copper layers and a drill file that share places, as a board has them. */
    private static Map<String, List<Pt>> board(Random r) {
        List<Pt> holes = random(r, 60);
        List<Pt> top = new ArrayList<>(holes);
        top.addAll(random(r, 90));
        List<Pt> bottom = new ArrayList<>(holes);
        bottom.addAll(random(r, 20));
        Map<String, List<Pt>> all = new LinkedHashMap<>();
        all.put("holes", holes);
        all.put("top", top);
        all.put("bottom", bottom);
        return all;
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7})
    void theFileOutOfPlaceIsBroughtBack(int kind) {
        for (int seed = 0; seed < 12; seed++) {
            Random r = new Random(seed * 31L + kind);
            Map<String, List<Pt>> all = board(r);
            Pt shift = Pt.mm(r.nextInt(400) / 10.0 - 20.03, r.nextInt(300) / 10.0 + 0.5);
            Correction wrong =
                    new Correction(
                            kind == 1,
                            kind == 2 ? 1 : kind == 3 ? 2 : 0,
                            kind == 4
                                    ? 25.4
                                    : kind == 5 ? 1 / 25.4 : kind == 6 ? 10 : kind == 7 ? 0.1 : 1,
                            kind < 4 ? shift : Pt.ORIGIN);
            String victim = List.of("holes", "top", "bottom").get(seed % 3);
            List<Pt> right = all.get(victim);
            all.put(victim, moved(right, wrong));
            List<Registration.Shift> found = Registration.find(all);
            assertThat(found).as("kind %d seed %d", kind, seed).hasSize(1);
            assertThat(found.get(0).path()).isEqualTo(victim);
            List<Pt> back = moved(all.get(victim), found.get(0).correction());
            for (int i = 0; i < right.size(); i++) {
                assertThat(back.get(i).distance(right.get(i))).isLessThan(30_000);
            }
        }
    }

    @Test
    void aBoardInPlaceIsLeftAlone() {
        for (int seed = 0; seed < 20; seed++) {
            assertThat(Registration.find(board(new Random(seed)))).isEmpty();
        }
    }

    @Test
    void filesThatShareNothingAreNotForcedTogether() {
        Random r = new Random(5);
        Map<String, List<Pt>> all = board(r);
        all.put("paste", random(r, 40));
        assertThat(Registration.find(all)).isEmpty();
    }

    /**
     * Mounting holes and the like on boards drawn on a grid: chance must not be taken for a fit.
     */
    @Test
    void aFewHolesOnAGridAreNotPushedAbout() {
        for (int seed = 0; seed < 60; seed++) {
            Random r = new Random(seed);
            Map<String, List<Pt>> all = new LinkedHashMap<>();
            List<Pt> top = new ArrayList<>();
            for (int i = 0; i < 300; i++) {
                top.add(Pt.mm(0.635 * r.nextInt(120), 0.635 * r.nextInt(80)));
            }
            all.put("top", top);
            all.put("mask", top);
            List<Pt> bare = new ArrayList<>();
            for (int i = 0; i < 4 + r.nextInt(10); i++) {
                bare.add(Pt.mm(0.635 * r.nextInt(120) + 0.3, 0.635 * r.nextInt(80)));
            }
            all.put("unplated", bare);
            assertThat(Registration.find(all)).as("seed %d", seed).isEmpty();
        }
    }

    @Test
    void correctionsFollowEachOther() {
        Random r = new Random(9);
        for (int i = 0; i < 50; i++) {
            Correction a =
                    new Correction(
                            r.nextBoolean(),
                            r.nextInt(4),
                            1,
                            new Pt(r.nextInt(999), r.nextInt(999)));
            Correction b =
                    new Correction(
                            r.nextBoolean(),
                            r.nextInt(4),
                            10,
                            new Pt(r.nextInt(999), r.nextInt(999)));
            Pt p = new Pt(r.nextInt(9999), r.nextInt(9999));
            Pt both = b.apply(a.apply(p));
            assertThat(a.then(b).apply(p).distance(both)).isCloseTo(0, within(2.0));
        }
    }

    private static final Correction AWAY = new Correction(false, 0, 1, Pt.mm(3.3, -7.1));

    /** Fewer than eight places fall onto others by chance. */
    @Test
    void eightPlacesTell() {
        for (int few = 7; few <= 8; few++) {
            Map<String, List<Pt>> all = board(new Random(3));
            List<Pt> some = all.get("holes").stream().distinct().limit(few).toList();
            all.put("few", moved(some, AWAY));
            assertThat(Registration.find(all)).hasSize(few - 7);
        }
    }

    /** Some per cent too large is told with how many places meet before and then. */
    @Test
    void aFileThatIsTooLargeIsScaled() {
        Map<String, List<Pt>> all = board(new Random(8));
        all.put("bottom", moved(all.get("bottom"), new Correction(false, 0, 1.02, Pt.ORIGIN)));
        List<Registration.Shift> found = Registration.find(all);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).path()).isEqualTo("bottom");
        assertThat(found.get(0).correction().scale()).isCloseTo(1 / 1.02, within(1e-4));
        assertThat(found.get(0).before()).isBetween(0.0, 0.3);
        assertThat(found.get(0).after()).isGreaterThan(0.7);
    }

    /** Most files are right; of two, the one with more places is. */
    @Test
    void theFilesThatAgreeStay() {
        List<Pt> large = random(new Random(6), 90);
        Map<String, List<Pt>> all = new LinkedHashMap<>();
        all.put("small", moved(large.subList(0, 30), AWAY));
        all.put("large", large);
        assertThat(Registration.find(all))
                .extracting(Registration.Shift::path)
                .containsExactly("small");
        assertThat(Registration.find(all).get(0).correction().shift()).isEqualTo(Pt.mm(-3.3, 7.1));
        all.put("other", moved(large.subList(0, 25), AWAY));
        assertThat(Registration.find(all))
                .extracting(Registration.Shift::path)
                .containsExactly("large");
        assertThat(Registration.find(Map.of("large", large))).isEmpty();
        assertThat(Registration.find(Map.of())).isEmpty();
    }
}
