package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The assignment held against trying every one. */
class MatchingTest {
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void nothingBeatsWhatIsFound(long seed) {
        Random r = new Random(seed);
        for (int round = 0; round < 20; round++) {
            int files = 1 + r.nextInt(5);
            int slots = 1 + r.nextInt(5);
            double[][] weights = new double[files][slots];
            double[] none = new double[files];
            for (int f = 0; f < files; f++) {
                none[f] = r.nextInt(3) - 1;
                for (int s = 0; s < slots; s++) {
                    boolean impossible = r.nextInt(8) == 0;
                    weights[f][s] = impossible ? Double.NEGATIVE_INFINITY : 10 * r.nextDouble() - 4;
                }
            }
            Matching.Result found = Matching.best(weights, none);
            assertThat(found.sum())
                    .as("seed %d round %d", seed, round)
                    .isCloseTo(best(weights, none, 0, new HashSet<>()), within(1e-9));
            double sum = 0;
            for (int f = 0; f < files; f++) {
                sum += found.slots()[f] < 0 ? none[f] : weights[f][found.slots()[f]];
            }
            assertThat(sum).isCloseTo(found.sum(), within(1e-9));
            long taken = Arrays.stream(found.slots()).filter(s -> s >= 0).count();
            assertThat(Arrays.stream(found.slots()).filter(s -> s >= 0).distinct().count())
                    .isEqualTo(taken);
        }
    }

    private static double best(double[][] weights, double[] none, int file, Set<Integer> taken) {
        if (file == weights.length) {
            return 0;
        }
        double most = none[file] + best(weights, none, file + 1, taken);
        for (int s = 0; s < weights[file].length; s++) {
            if (weights[file][s] > Double.NEGATIVE_INFINITY && taken.add(s)) {
                most = Math.max(most, weights[file][s] + best(weights, none, file + 1, taken));
                taken.remove(s);
            }
        }
        return most;
    }
}
