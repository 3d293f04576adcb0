package dev.lastcut.core.touch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetReference;
import dev.lastcut.core.fabrication.FabricationPack;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.copper.CoveredTracks;
import dev.lastcut.core.touch.copper.KeepAway;
import dev.lastcut.core.touch.copper.Pour;
import dev.lastcut.core.touch.copper.Relief;
import dev.lastcut.core.touch.copper.Ring;
import dev.lastcut.core.touch.copper.Slivers;
import dev.lastcut.core.touch.copper.Stitch;
import dev.lastcut.core.touch.copper.Teardrop;
import dev.lastcut.core.touch.copper.Widen;
import dev.lastcut.core.touch.holes.AddHole;
import dev.lastcut.core.touch.picture.Labels;
import dev.lastcut.core.touch.picture.OpenPads;
import dev.lastcut.core.touch.picture.SilkClip;
import dev.lastcut.core.touch.picture.SilkThicken;
import dev.lastcut.core.touch.picture.Text;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What holds of touches on any board. */
class TouchPropertyTest {
    private static final Role TOP = Role.of(Role.Kind.COPPER, Side.TOP);
    private static final Role BOTTOM = Role.of(Role.Kind.COPPER, Side.BOTTOM);
    private static final TouchClearances ROOM =
            TouchClearances.of(Optional.of(RandomLayout.house()), Headroom.NONE, Order.USUAL, 2);

    static Pour pour(Role layer, String net) {
        return new Pour(
                layer,
                Net.named(net),
                Optional.empty(),
                250_000,
                300_000,
                200_000,
                Optional.of(new Relief(4, 300_000, 250_000)),
                false,
                false,
                Optional.empty(),
                Optional.of(50_000.0));
    }

    /** Touches that nobody points anywhere. */
    private static List<Touch> automatic() {
        return List.of(
                pour(TOP, "GND"),
                pour(BOTTOM, "GND"),
                new KeepAway(300_000, 400_000, 300_000, 0, 150_000),
                new Ring(350_000),
                new Teardrop(600_000),
                new Widen(Optional.empty(), 600_000),
                new Widen(Optional.of(Net.named("N1")), 1_200_000),
                new Stitch(Net.named("GND"), 3_000_000, 300_000, 700_000, List.of()),
                new CoveredTracks(Optional.empty()),
                new Slivers(200_000),
                new SilkClip(150_000),
                new SilkThicken(200_000),
                new OpenPads(50_000));
    }

    static Touched on(BoardGeometry g, List<? extends Touch> touches) {
        return Touches.on(
                g, touches.stream().map(t -> new Step(t, true)).toList(), ROOM, Drawings.NONE);
    }

    private static Set<String> findings(BoardGeometry g) {
        Set<String> all = new TreeSet<>();
        CheckContext c = new CheckContext(g, RandomLayout.house(), Headroom.NONE);
        for (Finding f : CheckRunner.run(c).findings()) {
            all.add(f.id() + " " + f.message());
        }
        return all;
    }

    /** Which pins copper joins, by the name of one of them. */
    private static Map<String, Set<String>> joined(BoardGeometry g) {
        Map<Integer, Set<String>> byNet = new TreeMap<>();
        for (NetReference.Anchor a : g.reference().orElseThrow().anchors()) {
            byNet.computeIfAbsent(g.nets().nodes().get(a.node()).net(), k -> new TreeSet<>())
                    .add(a.point().component() + "." + a.point().pin());
        }
        Map<String, Set<String>> all = new TreeMap<>();
        byNet.values().forEach(s -> all.put(s.iterator().next(), s));
        return all;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2})
    void automaticTouchesLeaveNoNewFindingAndTheSameNets(long seed) {
        BoardGeometry g = new BoardGeometry(RandomLayout.of(seed));
        Set<String> before = findings(g);
        int done = 0;
        for (Touch t : automatic()) {
            Touched touched = on(g, List.of(t));
            Touched.Outcome o = touched.outcomes().get(0);
            done += o.done() ? 1 : 0;
            Set<String> fresh = findings(touched.geometry());
            fresh.removeAll(before);
            // A pour over tracks of its own net is remarked on; it does no harm.
            fresh.removeIf(f -> f.startsWith("pour-covers-track"));
            assertThat(fresh).as("seed %d, %s: %s", seed, t.words(), o.why()).isEmpty();
            assertThat(joined(touched.geometry()))
                    .as("nets after %s", t.words())
                    .isEqualTo(joined(g));
        }
        assertThat(done).as("touches that did something").isGreaterThanOrEqualTo(7);
    }

    @ParameterizedTest
    @ValueSource(longs = {6, 7})
    void allOfThemTogetherLeaveNoNewFindingAndTheSameNets(long seed) {
        BoardGeometry g = new BoardGeometry(RandomLayout.of(seed));
        Touched touched = on(g, automatic());
        Set<String> fresh = findings(touched.geometry());
        fresh.removeAll(findings(g));
        fresh.removeIf(f -> f.startsWith("pour-covers-track"));
        assertThat(fresh).as("%s", touched.outcomes()).isEmpty();
        assertThat(joined(touched.geometry())).isEqualTo(joined(g));
    }

    /** Touches of different phases, and of places apart, are the same in any order. */
    @ParameterizedTest
    @ValueSource(longs = {8})
    void theOrderOfTouchesThatDoNotMeetIsNoMatter(long seed) {
        BoardGeometry g = new BoardGeometry(RandomLayout.of(seed));
        List<Touch> touches =
                new ArrayList<>(
                        List.of(
                                pour(TOP, "GND"),
                                new Ring(300_000),
                                new AddHole(at(1.9, 1.9), 600_000, false, 0, 250_000),
                                new AddHole(at(38.1, 28.1), 600_000, false, 0, 250_000),
                                new SilkClip(150_000),
                                new OpenPads(50_000)));
        Touched first = on(g, touches);
        Random r = new Random(seed);
        for (int i = 0; i < 3; i++) {
            Collections.shuffle(touches, r);
            Touched other = on(g, touches);
            for (Role role : List.of(TOP, BOTTOM, Role.of(Role.Kind.SILK, Side.TOP))) {
                double apart =
                        Geo.symmetricDifference(
                                        first.geometry().area(role), other.geometry().area(role))
                                .getArea();
                assertThat(apart).as("%s in the order %s", role, touches).isLessThan(1e6);
            }
            assertThat(Set.copyOf(other.geometry().board().holes()))
                    .isEqualTo(Set.copyOf(first.geometry().board().holes()));
        }
    }

    private static Pt at(double x, double y) {
        return Pt.mm(x, y);
    }

    @ParameterizedTest
    @ValueSource(longs = {10})
    void withoutItsTouchesABoardIsWrittenByteForByteAsItWas(long seed) {
        Board board = RandomLayout.of(seed);
        Map<String, byte[]> before = FabricationPack.write(board);
        BoardGeometry g = new BoardGeometry(board);
        Touched touched = on(g, automatic());
        assertThat(FabricationPack.write(touched.geometry().board()))
                .isNotEmpty()
                .isNotEqualTo(before);
        List<Step> off = automatic().stream().map(t -> new Step(t, false)).toList();
        Map<String, byte[]> undone =
                FabricationPack.write(Touches.on(g, off, ROOM, Drawings.NONE).geometry().board());
        assertThat(undone.keySet()).isEqualTo(before.keySet());
        before.forEach((name, bytes) -> assertThat(undone.get(name)).as(name).isEqualTo(bytes));
        // And the same touches make the same bytes again.
        Map<String, byte[]> once = FabricationPack.write(touched.geometry().board());
        Map<String, byte[]> again =
                FabricationPack.write(
                        on(new BoardGeometry(RandomLayout.of(seed)), automatic())
                                .geometry()
                                .board());
        once.forEach((name, bytes) -> assertThat(again.get(name)).as(name).isEqualTo(bytes));
    }

    @ParameterizedTest
    @ValueSource(longs = {12})
    void letteringKeepsOffWhatIsThere(long seed) {
        BoardGeometry g = new BoardGeometry(RandomLayout.of(seed));
        Role silk = Role.of(Role.Kind.SILK, Side.TOP);
        int done = 0;
        Random r = new Random(seed);
        Set<String> before = findings(g);
        for (int i = 0; i < 12; i++) {
            Text t =
                    new Text(
                            silk,
                            at(r.nextInt(36), r.nextInt(28)),
                            1_000_000,
                            "Ab3",
                            90 * r.nextInt(4),
                            false,
                            0);
            Touched touched = on(g, List.of(t));
            done += touched.outcomes().get(0).done() ? 1 : 0;
            Set<String> fresh = findings(touched.geometry());
            fresh.removeAll(before);
            assertThat(fresh).as(t.words() + " " + t.at()).isEmpty();
        }
        assertThat(done).isBetween(1, 11);
        assertThat(
                        on(g, List.of(new Labels(false, Labels.Show.VALUES, 1_000_000)))
                                .outcomes()
                                .get(0)
                                .done())
                .as("no placement, no labels")
                .isFalse();
    }
}
