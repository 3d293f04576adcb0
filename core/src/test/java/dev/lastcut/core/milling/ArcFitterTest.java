package dev.lastcut.core.milling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ArcFitterTest {
    /** Arcs of any radius and either turn between straight lines, in chords of 1 µm. */
    private static List<ToolPath.Vertex> path(Random r) {
        List<ToolPath.Vertex> path = new ArrayList<>();
        double x = 0;
        double y = 0;
        double way = 0;
        path.add(new ToolPath.Vertex(x, y, -1));
        for (int part = 0; part < 8; part++) {
            double length = 1e6 + 4e6 * r.nextDouble();
            x += length * Math.cos(way);
            y += length * Math.sin(way);
            path.add(new ToolPath.Vertex(x, y, -1));
            double radius = 2e5 + 3e6 * r.nextDouble();
            double turn = (r.nextBoolean() ? 1 : -1) * (0.6 + 2 * r.nextDouble());
            int n = (int) Math.ceil(Math.abs(turn) / 2 / Math.acos(1 - 1_000 / radius));
            double cx = x - Math.signum(turn) * radius * Math.sin(way);
            double cy = y + Math.signum(turn) * radius * Math.cos(way);
            for (int i = 1; i <= n; i++) {
                double a = way + turn * i / n;
                x = cx + Math.signum(turn) * radius * Math.sin(a);
                y = cy - Math.signum(turn) * radius * Math.cos(a);
                path.add(new ToolPath.Vertex(x, y, -1));
            }
            way += turn;
        }
        return path;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void arcsStandForTheirChordsAndForNothingElse(long seed) {
        List<ToolPath.Vertex> path = path(new Random(seed));
        List<ArcFitter.Move> moves = ArcFitter.fit(path);
        assertThat(moves.size()).isLessThan(path.size() / 2);
        assertThat(moves.get(moves.size() - 1).to()).isEqualTo(path.get(path.size() - 1));
        int at = 0;
        for (ArcFitter.Move m : moves) {
            ToolPath.Vertex from = path.get(at);
            int end = path.subList(at + 1, path.size()).indexOf(m.to()) + at + 1;
            double radius = Math.hypot(from.x() - m.cx(), from.y() - m.cy());
            for (int i = at + 1; m.turn() != 0 && i <= end; i++) {
                ToolPath.Vertex v = path.get(i);
                assertThat(Math.hypot(v.x() - m.cx(), v.y() - m.cy()))
                        .isCloseTo(radius, within(1_000.0));
            }
            assertThat(m.turn() != 0 || end == at + 1).as("a line is one line").isTrue();
            at = end;
        }
    }
}
