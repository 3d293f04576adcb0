package dev.lastcut.core.board;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Orientation;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A picture drawn otherwise has the pieces it would have if nothing were known of it. */
class LayerImageAgainTest {
    private static Feature random(Random r) {
        boolean dark = r.nextInt(4) > 0;
        Pt at = Pt.mm(r.nextInt(200) / 10.0, r.nextInt(200) / 10.0);
        if (r.nextBoolean()) {
            return new Feature.Flash(
                    new Aperture.Circle(500_000 + r.nextInt(2_000_000), 0),
                    at,
                    Orientation.NONE,
                    dark,
                    0,
                    ObjectAttributes.NONE);
        }
        Pt to = Pt.mm(r.nextInt(200) / 10.0, r.nextInt(200) / 10.0);
        return new Feature.Stroke(
                new Aperture.Circle(300_000, 0),
                new Segment.Line(at, to),
                Orientation.NONE,
                dark,
                0,
                ObjectAttributes.NONE);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void isAsIfItWereMadeFromTheStart(long seed) {
        Random r = new Random(seed);
        List<Feature> before = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            before.add(random(r));
        }
        List<Piece> known = LayerImage.of(before, Flattener.FINE).pieces();
        int rounds = 0;
        for (int round = 0; round < 24; round++) {
            List<Feature> now = new ArrayList<>(before);
            for (int change = 0; change < 4; change++) {
                int at = r.nextInt(now.size());
                switch (r.nextInt(4)) {
                    case 0 -> now.remove(at);
                    case 1 -> now.set(at, random(r));
                    case 2 -> now.add(at, random(r));
                    default -> now.add(random(r));
                }
            }
            List<Piece> again = LayerImage.again(before, known, now, Flattener.FINE);
            List<Piece> anew = LayerImage.of(now, Flattener.FINE).pieces();
            assertThat(again).hasSameSizeAs(anew);
            for (int i = 0; i < anew.size(); i++) {
                assertThat(again.get(i).feature()).isSameAs(anew.get(i).feature());
                assertThat(again.get(i).isWhole()).isEqualTo(anew.get(i).isWhole());
                assertThat(again.get(i).polygon().equalsExact(anew.get(i).polygon()))
                        .as("piece %d of seed %d", i, seed)
                        .isTrue();
            }
            if (clear(now).equals(clear(before))) {
                List<Piece> stay = known.stream().filter(p -> now.contains(p.feature())).toList();
                assertThat(again).as("pieces that are kept").containsAll(stay);
                rounds++;
            }
        }
        assertThat(rounds).as("rounds in which the same erases").isPositive();
    }

    private static List<Feature> clear(List<Feature> of) {
        return of.stream().filter(f -> !f.dark()).toList();
    }

    @ParameterizedTest
    @ValueSource(longs = {9})
    void whatNothingElseErasesKeepsItsPieces(long seed) {
        Random r = new Random(seed);
        List<Feature> before = new ArrayList<>();
        for (int i = 0; i < 50; i++) {
            before.add(random(r));
        }
        List<Piece> known = LayerImage.of(before, Flattener.FINE).pieces();
        List<Feature> now = new ArrayList<>(before);
        Feature more =
                new Feature.Flash(
                        new Aperture.Circle(1_000_000, 0),
                        Pt.mm(1, 1),
                        Orientation.NONE,
                        true,
                        0,
                        ObjectAttributes.NONE);
        now.add(more);
        List<Piece> again = LayerImage.again(before, known, now, Flattener.FINE);
        assertThat(again).startsWith(known.toArray(Piece[]::new)).hasSize(known.size() + 1);
    }
}
