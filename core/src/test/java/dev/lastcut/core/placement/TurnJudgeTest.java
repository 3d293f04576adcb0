package dev.lastcut.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Boards of many parts whose true rotations are known, with some told otherwise. */
class TurnJudgeTest {
    /** A footprint: pins about its middle at 0°, mm. */
    private record Shape(String letter, String footprint, double[][] pins) {}

    private static final List<Shape> LIBRARY =
            List.of(
                    new Shape("R", "R0603", new double[][] {{-0.8, 0}, {0.8, 0}}),
                    new Shape("C", "C0805", new double[][] {{-1, 0}, {1, 0}}),
                    new Shape("D", "SMA", new double[][] {{-2, 0}, {2, 0}}),
                    new Shape("Q", "SOT23", new double[][] {{-0.95, -1}, {0.95, -1}, {0, 1}}),
                    new Shape("U", "SOIC8", rows(4, 1.27, 5.4)),
                    new Shape("U", "TSSOP16", rows(8, 0.65, 6)),
                    new Shape(
                            "J",
                            "HDR4",
                            new double[][] {{-3.81, 0}, {-1.27, 0}, {1.27, 0}, {3.81, 0}}));

    private static double[][] rows(int each, double pitch, double across) {
        double[][] pins = new double[2 * each][];
        for (int i = 0; i < each; i++) {
            double along = (i - (each - 1) / 2.0) * pitch;
            pins[i] = new double[] {-across / 2, -along};
            pins[2 * each - 1 - i] = new double[] {across / 2, -along};
        }
        return pins;
    }

    private final TestBoards board = new TestBoards();
    private final List<String> lines = new ArrayList<>();
    private final Map<String, Double> planted = new TreeMap<>();

    /**
     * @param told what is added to the true rotation in the placement
     */
    private void put(Shape s, int n, double x, double y, int trueDeg, int told, Side side) {
        String name = s.letter() + n;
        for (int i = 0; i < s.pins().length; i++) {
            double px = side == Side.BOTTOM ? -s.pins()[i][0] : s.pins()[i][0];
            double[] at = turned(px, s.pins()[i][1], trueDeg);
            board.pin("N" + n + "-" + i, name, String.valueOf(i + 1), x + at[0], y + at[1], side);
        }
        int said = Math.floorMod(trueDeg + told, 360);
        lines.add(
                name + ",v," + s.footprint() + "," + x + "," + y + "," + said + "," + side.word());
        if (told != 0) {
            planted.put(name, Math.floorMod(-told, 360) + 0.0);
        }
    }

    private static double[] turned(double x, double y, double deg) {
        double a = Math.toRadians(deg);
        return new double[] {x * Math.cos(a) - y * Math.sin(a), x * Math.sin(a) + y * Math.cos(a)};
    }

    private List<Verdict> verdicts(Turns turns) {
        BoardGeometry g = new BoardGeometry(board.placed(lines.toArray(String[]::new)).board());
        List<Part> parts = Population.of(g.board(), Variants.NONE);
        return TurnJudge.of(g, parts, turns);
    }

    private static Map<String, Double> turnedOf(List<Verdict> all) {
        Map<String, Double> turned = new TreeMap<>();
        all.stream()
                .filter(v -> v.state() == Verdict.State.TURNED)
                .forEach(v -> turned.put(v.part().designator(), v.turnDeg()));
        return turned;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void oneInTwentyIsTurnedAndAllOfThoseAreNamedAndNoOther(long seed) {
        Random r = new Random(seed);
        for (int i = 0; i < 600; i++) {
            Shape s = LIBRARY.get(r.nextInt(LIBRARY.size()));
            // Whole degrees of any value: not all boards are drawn in quarters.
            int lies = r.nextInt(8) == 0 ? r.nextInt(360) : 90 * r.nextInt(4);
            int told = r.nextInt(20) == 0 ? 90 * (1 + r.nextInt(3)) : 0;
            Side side = r.nextInt(4) == 0 ? Side.BOTTOM : Side.TOP;
            put(s, i, 12.0 * (i % 25), 12.0 * (i / 25), lies, told, side);
        }
        List<Verdict> all = verdicts(Turns.NONE);
        assertThat(planted).hasSizeGreaterThan(10);
        assertThat(turnedOf(all)).isEqualTo(planted);
        assertThat(all).noneMatch(v -> v.state() == Verdict.State.UNKNOWN);
        // What it says puts it right.
        Turns mended = Turns.NONE;
        for (Map.Entry<String, Double> e : turnedOf(all).entrySet()) {
            mended = mended.ofPart(e.getKey(), e.getValue());
        }
        assertThat(turnedOf(verdicts(mended))).isEmpty();
    }

    @Test
    void whatNothingTellsOfIsNotJudged() {
        put(LIBRARY.get(3), 1, 0, 0, 0, 90, Side.TOP);
        put(LIBRARY.get(0), 2, 10, 0, 0, 0, Side.TOP);
        assertThat(verdicts(Turns.NONE))
                .allMatch(v -> v.state() == Verdict.State.UNKNOWN)
                .allMatch(v -> !v.because().isEmpty());
    }

    /** One alone on the bottom, of a kind of which the top has several. */
    @Test
    void theOtherSideTellsWhereBothSidesCountAlike() {
        for (int told : new int[] {0, 90, 180, 270}) {
            TurnJudgeTest t = new TurnJudgeTest();
            for (int i = 0; i < 4; i++) {
                t.put(LIBRARY.get(3), i, 10 * i, 0, 90 * i, 0, Side.TOP);
                t.put(LIBRARY.get(0), i, 10 * i, 10, 90 * i, 0, Side.TOP);
                t.put(LIBRARY.get(0), 10 + i, 10 * i, 20, 90 * i, 0, Side.BOTTOM);
            }
            t.put(LIBRARY.get(3), 20, 0, 30, 90, told, Side.BOTTOM);
            assertThat(turnedOf(t.verdicts(Turns.NONE))).isEqualTo(t.planted);
        }
    }

    /** Without a netlist the mask's openings and the mark beside pin 1 tell. */
    @Test
    void padsAndSilkTellWhereNothingNamesThePins() {
        Random r = new Random(9);
        TestBoards b = new TestBoards();
        List<String> placed = new ArrayList<>();
        Map<String, Double> wrong = new TreeMap<>();
        for (int i = 0; i < 40; i++) {
            int lies = 90 * r.nextInt(4);
            int told = i % 8 == 3 ? 90 * (1 + r.nextInt(3)) : 0;
            double x = 12 * (i % 8);
            double y = 12 * (i / 8);
            b.on(Role.Kind.MASK, Side.TOP);
            for (double end : new double[] {-1.6, 1.6}) {
                double[] at = turned(end, 0, lies);
                b.box(x + at[0], y + at[1], 1, 1.2, lies);
            }
            b.on(Role.Kind.SILK, Side.TOP);
            double[] from = turned(-2.4, -0.8, lies);
            double[] to = turned(-2.4, 0.8, lies);
            b.line(0.15, x + from[0], y + from[1], x + to[0], y + to[1]);
            placed.add("D" + i + ",v,SMX," + x + "," + y + "," + (lies + told) % 360 + ",top");
            if (told != 0) {
                wrong.put("D" + i, Math.floorMod(-told, 360) + 0.0);
            }
        }
        BoardGeometry g = new BoardGeometry(b.placed(placed.toArray(String[]::new)).board());
        List<Verdict> all = TurnJudge.of(g, Population.of(g.board(), Variants.NONE), Turns.NONE);
        assertThat(turnedOf(all)).isEqualTo(wrong).hasSize(5);
        assertThat(all).noneMatch(v -> v.state() == Verdict.State.UNKNOWN);
    }
}
