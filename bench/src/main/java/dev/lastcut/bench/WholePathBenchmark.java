package dev.lastcut.bench;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;

/**
 * The steps from a pack to nets on the hive scale node, beside two plain pieces of work in the same
 * run to hold them against: splitting the same bytes at asterisks, and one union of the same copper
 * by the geometry library. Compare within a run, not between machines.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class WholePathBenchmark {
    private Pack pack;
    private Board board;
    private BoardGeometry geometry;

    @Setup
    public void open() throws IOException, UnusablePackException {
        try (InputStream in = getClass().getResourceAsStream("/demo-packs/hive-scale-node.zip")) {
            pack = PackReader.fromZip("hive-scale-node.zip", in.readAllBytes());
        }
        board = Intake.open(pack);
        geometry = new BoardGeometry(board);
    }

    /** The floor for reading: the bytes split into strings at every asterisk. */
    @Benchmark
    public void splitAtAsterisks(Blackhole hole) {
        for (Pack.PackFile f : pack.files()) {
            hole.consume(new String(f.content(), StandardCharsets.UTF_8).split("\\*"));
        }
    }

    @Benchmark
    public Board readPack() throws UnusablePackException {
        return Intake.open(pack);
    }

    /** The floor for geometry: one union of the top copper that is already flattened. */
    @Benchmark
    public Object unionOfTopCopper() {
        return Geo.union(
                geometry.pieces(Role.of(Role.Kind.COPPER, Side.TOP)).stream()
                        .map(p -> p.polygon())
                        .toList());
    }

    @Benchmark
    public BoardGeometry flattenAndJoinNets() {
        return new BoardGeometry(board);
    }
}
