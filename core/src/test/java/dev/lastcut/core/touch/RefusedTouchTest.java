package dev.lastcut.core.touch;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.touch.copper.BusBar;
import dev.lastcut.core.touch.copper.Pour;
import dev.lastcut.core.touch.copper.Ring;
import dev.lastcut.core.touch.copper.Stitch;
import dev.lastcut.core.touch.copper.Strap;
import dev.lastcut.core.touch.copper.Widen;
import dev.lastcut.core.touch.edge.CutOut;
import dev.lastcut.core.touch.edge.Edge;
import dev.lastcut.core.touch.holes.AddHole;
import dev.lastcut.core.touch.holes.MoveHole;
import dev.lastcut.core.touch.holes.PlateHole;
import dev.lastcut.core.touch.holes.SnapHoles;
import dev.lastcut.core.touch.picture.Art;
import dev.lastcut.core.touch.picture.CoverVias;
import dev.lastcut.core.touch.picture.Source;
import dev.lastcut.core.touch.picture.Text;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What cannot be done is left out with a sentence and, where there is one, its place. */
class RefusedTouchTest {
    private static final Role TOP = Role.of(Role.Kind.COPPER, Side.TOP);
    private static final Role SILK = Role.of(Role.Kind.SILK, Side.TOP);

    /** Two nets side by side, joined to the other side by a hole each, and a track between. */
    private static BoardGeometry board() {
        TestBoards b = new TestBoards().outline(0, 0, 30, 20);
        for (Side side : Side.values()) {
            b.on(Role.Kind.COPPER, side).round(5, 10, 1.4).round(25, 10, 1.4);
        }
        b.line(0.3, 15, 2, 15, 18);
        b.on(Role.Kind.SILK, Side.TOP);
        b.on(Role.Kind.MASK, Side.TOP).round(5, 10, 1.5).round(25, 10, 1.5);
        b.lead("A", "J1", "1", 5, 10).lead("B", "J2", "1", 25, 10);
        b.pin("C", "TP1", "1", 15, 10, Side.BOTTOM);
        b.hole(5, 10, 0.8, true).hole(25, 10, 0.8, true);
        return new BoardGeometry(b.board());
    }

    private static final Drawings FILES =
            path ->
                    Optional.ofNullable(
                                    switch (path) {
                                        case "open.svg" ->
                                                "<svg xmlns='http://www.w3.org/2000/svg' width='30mm'"
                                                        + " height='20mm' viewBox='0 0 30 20'><path"
                                                        + " d='M0 0 H30 V20 H8'/></svg>";
                                        case "unsized.svg" ->
                                                "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0"
                                                        + " 9 9'><rect width='9' height='9'/></svg>";
                                        case "words.svg" -> "this is no drawing";
                                        case "many.svg" -> many();
                                        default -> null;
                                    })
                            .map(s -> s.getBytes(StandardCharsets.UTF_8));

    /** Art of 100,000 nodes. */
    private static String many() {
        StringBuilder d =
                new StringBuilder(
                        "<svg xmlns='http://www.w3.org/2000/svg' width='9mm' height='9mm'"
                                + " viewBox='0 0 9 9'><path d='M0 0");
        for (int i = 0; i < 100_000; i++) {
            d.append('L').append(i % 900 / 100.0).append(' ').append(i % 7);
        }
        return d.append("Z'/></svg>").toString();
    }

    private static Pour pour(Role layer, Net net, List<Pt> area, double clearance, double edge) {
        return new Pour(
                layer,
                net,
                area.isEmpty() ? Optional.empty() : Optional.of(area),
                clearance,
                edge,
                200_000,
                Optional.empty(),
                false,
                false,
                Optional.empty(),
                Optional.empty());
    }

    private static Edge cut(CutOut c) {
        return new Edge(Optional.empty(), List.of(), Optional.empty(), 0, Optional.of(c));
    }

    private static Edge replace(String file) {
        return new Edge(
                Optional.of(Source.file(file)), List.of(), Optional.empty(), 0, Optional.empty());
    }

    private static Art art(String file) {
        return new Art(SILK, Pt.mm(10, 3), 0, Source.file(file), false, 150_000);
    }

    private static List<Pt> mm(double... xy) {
        return java.util.stream.IntStream.range(0, xy.length / 2)
                .mapToObj(i -> Pt.mm(xy[2 * i], xy[2 * i + 1]))
                .toList();
    }

    static Stream<Arguments> refused() {
        Net a = Net.named("A");
        return Stream.of(
                Arguments.of(
                        pour(TOP, a, mm(1, 1, 9, 9, 9, 1, 1, 9), 2e5, 3e5),
                        "crosses or touches itself at (5.000, 5.000)",
                        true),
                Arguments.of(
                        pour(TOP, a, mm(50, 50, 60, 50, 60, 60), 2e5, 3e5),
                        "lies off the board",
                        true),
                Arguments.of(
                        pour(TOP, Net.named("NOT"), List.of(), 2e5, 3e5),
                        "The board has no net NOT",
                        false),
                Arguments.of(
                        pour(TOP, new Net("", Optional.of(Pt.mm(15, 1))), List.of(), 2e5, 3e5),
                        "There is no copper at (15.000, 1.000)",
                        true),
                Arguments.of(
                        pour(Role.innerCopper(3), a, List.of(), 2e5, 3e5),
                        "no layer inner copper 3",
                        false),
                Arguments.of(
                        pour(TOP, a, List.of(), 80e6, 3e5), "nothing is left of the pour", true),
                Arguments.of(
                        pour(TOP, a, List.of(), 2e5, 40e6), "nothing is left of the pour", true),
                Arguments.of(
                        new Strap(a, Pt.mm(5, 10), Pt.mm(25, 10), 5e5, 3e5, 6e5),
                        "no room for a via at (5.000, 10.000)",
                        true),
                Arguments.of(
                        new BusBar(a, mm(5, 10, 25, 10), 1e6, 3e6, 3e5, 6e5),
                        "in the way on the copper top",
                        true),
                Arguments.of(new Stitch(a, 2e6, 3e5, 6e5, List.of()), "Nowhere on the way", false),
                Arguments.of(
                        new Stitch(a, 1e4, 3e5, 6e5, List.of()), "more than 20000 places", false),
                Arguments.of(new Widen(Optional.of(a), 1e6), "No track of A is narrower", false),
                Arguments.of(new Ring(2e5), "No ring is thinner", false),
                Arguments.of(
                        new AddHole(Pt.mm(15, 10), 1e6, false, 0, 0),
                        "copper of C on the copper bottom",
                        true),
                Arguments.of(
                        new AddHole(Pt.mm(15, 10), 1e6, true, 3e7, 0),
                        "would lie off the board",
                        true),
                Arguments.of(
                        new AddHole(Pt.mm(29.8, 10), 1e6, false, 0, 0),
                        "would lie off the board",
                        true),
                Arguments.of(
                        new AddHole(Pt.mm(5.9, 10), 6e5, true, 0, 0),
                        "too near to another hole",
                        true),
                Arguments.of(
                        new MoveHole(Pt.mm(10, 10), Pt.mm(11, 10)),
                        "There is no hole at (10.000, 10.000)",
                        true),
                Arguments.of(new MoveHole(Pt.mm(5, 10), Pt.mm(15, 10)), "copper of C", true),
                Arguments.of(
                        new PlateHole(Pt.mm(5, 10), false),
                        "It would part the net A at (5.000, 10.000)",
                        true),
                Arguments.of(new SnapHoles(List.of(), 1e5), "no rack of drills", false),
                Arguments.of(
                        cut(new CutOut(mm(2, 2, 8, 18, 8, 2, 2, 18), 0)),
                        "crosses or touches itself",
                        true),
                Arguments.of(
                        cut(new CutOut(mm(5, 10), 3e6)),
                        "Copper of A at (5.000, 10.000) would be cut",
                        true),
                Arguments.of(
                        cut(new CutOut(mm(10, -1, 12, -1, 12, 21, 10, 21), 0)),
                        "cut the board in two",
                        true),
                Arguments.of(cut(new CutOut(mm(60, 60), 3e6)), "lies off the board", true),
                Arguments.of(replace("open.svg"), "does not close: there is a gap of", true),
                Arguments.of(replace("unsized.svg"), "says no size in a unit", false),
                Arguments.of(replace("missing.dxf"), "The pack has no file missing.dxf", false),
                Arguments.of(
                        new Edge(
                                Optional.empty(),
                                List.of(),
                                Optional.empty(),
                                12e6,
                                Optional.empty()),
                        "No corner of the outline has room",
                        true),
                Arguments.of(
                        new Edge(
                                Optional.empty(),
                                List.of(10e6),
                                Optional.empty(),
                                0,
                                Optional.empty()),
                        "would be cut",
                        true),
                Arguments.of(art("unsized.svg"), "says no size in a unit", false),
                Arguments.of(art("words.svg"), "Nothing can be read", false),
                Arguments.of(art("many.svg"), "at most 50,000", false),
                Arguments.of(
                        new Text(SILK, Pt.mm(9, 3), 1e6, "日本 ok", 0, false, 0),
                        "no sign for 日 本",
                        false),
                Arguments.of(
                        new Text(SILK, Pt.mm(4, 9.5), 1e6, "XX", 0, false, 0),
                        "is in the way at",
                        true),
                Arguments.of(
                        new Text(SILK, Pt.mm(29, 3), 1e6, "XX", 0, false, 0),
                        "stick out of the board",
                        true),
                Arguments.of(
                        new Text(
                                Role.of(Role.Kind.SILK, Side.BOTTOM),
                                Pt.mm(9, 3),
                                1e6,
                                "X",
                                0,
                                true,
                                0),
                        "no layer silk bottom",
                        false),
                Arguments.of(
                        new Text(TOP, Pt.mm(4, 9.5), 1e6, "X", 0, false, 0), "is in the way", true),
                Arguments.of(new CoverVias(true), "no vias", false));
    }

    @ParameterizedTest(name = "{1}")
    @MethodSource("refused")
    void saysWhyAndWhereAndTheOthersAreDone(Touch touch, String why, boolean placed) {
        BoardGeometry g = board();
        // One before and one after it that can be done.
        Touch first = new AddHole(Pt.mm(10, 5), 600_000, false, 0, 0);
        Touch last = new AddHole(Pt.mm(20, 5), 600_000, false, 0, 0);
        Touched t =
                Touches.on(
                        g,
                        List.of(new Step(first, true), new Step(touch, true), new Step(last, true)),
                        TouchClearances.USUAL,
                        FILES);
        Touched.Outcome o = t.outcomes().get(1);
        assertThat(o.done()).as(o.why()).isFalse();
        assertThat(o.why()).contains(why).endsWith(".");
        assertThat(o.places().isEmpty()).as("%s", o.places()).isEqualTo(!placed);
        assertThat(t.outcomes().get(0).done()).isTrue();
        assertThat(t.outcomes().get(2).done()).isTrue();
        Touched without =
                Touches.on(
                        g,
                        List.of(new Step(first, true), new Step(last, true)),
                        TouchClearances.USUAL,
                        FILES);
        assertThat(t.geometry().board()).isEqualTo(without.geometry().board());
    }

    @Test
    void aStrapWouldJoinNothingButItsOwnNet() {
        // A pad of A under which copper of B passes on the far side: a via there would join them.
        TestBoards b = new TestBoards().outline(0, 0, 30, 20);
        b.on(Role.Kind.COPPER, Side.TOP).area(1, 1, 29, 1, 29, 19, 1, 19);
        b.on(Role.Kind.COPPER, Side.BOTTOM).line(1, 2, 10, 28, 10);
        b.pin("A", "J1", "1", 5, 5).pin("B", "J2", "1", 5, 10, Side.BOTTOM);
        Touched t =
                Touches.on(
                        new BoardGeometry(b.board()),
                        List.of(new Step(new AddHole(Pt.mm(15, 10), 300_000, true, 0, 0), true)),
                        TouchClearances.USUAL,
                        Drawings.NONE);
        assertThat(t.outcomes().get(0).why()).contains("It would join A and B at");
        assertThat(t.outcomes().get(0).places()).isNotEmpty();
    }
}
