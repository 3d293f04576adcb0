package dev.lastcut.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.LimitKey;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;

/**
 * Random layouts of round tracks: the smallest gap found equals the brute-force distance over all
 * pairs, computed exactly from centre lines less half widths.
 */
class ClearancePropertyTest {
    private record Track(double width, LineString line) {
        double gap(Track other) {
            return line.distance(other.line) - (width + other.width) / 2;
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14, 15, 16, 17, 18})
    void smallestGapIsTheBruteForceDistance(long seed) {
        Random r = new Random(seed);
        GeometryFactory factory = new GeometryFactory();
        TestBoards board = new TestBoards().on(Role.Kind.COPPER, Side.TOP);
        List<Track> tracks = new ArrayList<>();
        while (tracks.size() < 40) {
            double x = Math.round(r.nextDouble() * 40_000) / 1000.0;
            double y = Math.round(r.nextDouble() * 40_000) / 1000.0;
            double x1 = x + Math.round(r.nextDouble() * 8_000 - 4_000) / 1000.0;
            double y1 = y + Math.round(r.nextDouble() * 8_000 - 4_000) / 1000.0;
            double w = 0.2 + r.nextInt(6) * 0.1;
            Track track =
                    new Track(
                            w,
                            factory.createLineString(
                                    new Coordinate[] {
                                        new Coordinate(x, y), new Coordinate(x1, y1)
                                    }));
            if (tracks.stream().allMatch(t -> t.gap(track) > 0.01)) {
                tracks.add(track);
                board.line(w, x, y, x1, y1);
            }
        }
        double smallest = Double.MAX_VALUE;
        int tooClose = 0;
        for (int i = 0; i < tracks.size(); i++) {
            for (int j = i + 1; j < tracks.size(); j++) {
                double gap = tracks.get(i).gap(tracks.get(j));
                smallest = Math.min(smallest, gap);
                tooClose += gap < 0.998 ? 1 : 0;
            }
        }
        Board made = board.board();
        CheckRun run =
                CheckRunner.run(
                        new CheckContext(
                                new BoardGeometry(made),
                                TestBoards.house(Map.of(LimitKey.CLEARANCE, 1.0)),
                                Headroom.NONE));
        List<Finding> gaps =
                run.findings().stream().filter(f -> f.rule().equals("clearance")).toList();
        double found = gaps.stream().mapToDouble(Finding::measured).min().orElse(Double.MAX_VALUE);
        assertThat(found).as("seed %d", seed).isCloseTo(smallest, within(0.002));
        // Two straight tracks come close in one place or two, never in none.
        assertThat(gaps.size()).isGreaterThanOrEqualTo(tooClose);
    }

    /** A layout of discs, turned boxes, tracks, arcs and areas, on two layers. */
    private static TestBoards mixed(Random r) {
        TestBoards b = new TestBoards();
        for (Side side : Side.values()) {
            b.on(Role.Kind.COPPER, side);
            for (int i = 0; i < 45; i++) {
                double x = 3 + r.nextInt(3400) / 100.0;
                double y = 3 + r.nextInt(3400) / 100.0;
                double d = 0.4 + r.nextInt(120) / 100.0;
                switch (i % 5) {
                    case 0 -> b.round(x, y, d);
                    case 1 -> b.box(x, y, d, 0.5 + d, r.nextInt(360));
                    case 2 -> b.line(0.25, x, y, x + d, y - 2 * d);
                    case 3 -> b.arc(0.3, x, y, 1 + d, r.nextInt(360), 700);
                    default -> b.area(x, y, x + 2 * d, y, x, y + d);
                }
            }
        }
        return b;
    }

    /**
     * Every pair of nets that is too close is told, with the library's distance of its polygons.
     */
    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25, 26})
    void everyPairThatIsTooCloseIsFound(long seed) {
        BoardGeometry g = new BoardGeometry(mixed(new Random(seed)).board());
        Map<List<String>, Double> brute = new TreeMap<>(Comparator.comparing(Object::toString));
        List<CopperNode> nodes = g.nets().nodes();
        for (CopperNode a : nodes) {
            for (CopperNode b : nodes) {
                if (a.layer() == b.layer() && a.net() < b.net()) {
                    double d = a.polygon().distance(b.polygon()) / 1e6;
                    List<String> pair =
                            Stream.of(g.netName(a.net()), g.netName(b.net())).sorted().toList();
                    brute.merge(pair, d, Math::min);
                }
            }
        }
        brute.values().removeIf(d -> d >= 0.5 - 0.002);
        CheckRun run =
                CheckRunner.run(
                        new CheckContext(
                                g,
                                TestBoards.house(Map.of(LimitKey.CLEARANCE, 0.5)),
                                Headroom.NONE));
        Map<List<String>, Double> found = new TreeMap<>(Comparator.comparing(Object::toString));
        for (Finding f : Planted.of("clearance", run)) {
            found.merge(f.nets(), f.measured(), Math::min);
        }
        found.values().removeIf(d -> d >= 0.5 - 0.002);
        assertThat(brute.size()).isGreaterThan(2);
        assertThat(found.keySet()).isEqualTo(brute.keySet());
        brute.forEach(
                (pair, d) ->
                        assertThat(found.get(pair)).as("%s", pair).isCloseTo(d, within(0.002)));
    }
}
