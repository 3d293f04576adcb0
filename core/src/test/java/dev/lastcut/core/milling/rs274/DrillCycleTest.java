package dev.lastcut.core.milling.rs274;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import dev.lastcut.core.milling.rs274.Step.Kind;
import dev.lastcut.core.milling.rs274.Step.Point;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Cycles after NISTIR 6556 (from memory); G81 and G83 are with the interpreter. */
class DrillCycleTest {
    private static List<Step> run(String... lines) throws ProgramError {
        Interpreter i = new Interpreter();
        i.place(new Point(-40, -35, 2));
        List<Step> all = new ArrayList<>();
        for (int n = 0; n < lines.length; n++) {
            all.addAll(i.execute(lines[n], n + 1));
        }
        return all;
    }

    @Test
    void backBoringGoesInBesideTheHole() throws ProgramError {
        List<Step> steps = run("F100 M3 S100", "G98 G87 X4 Y5 Z-6 R1 I-1 J0.5 K-3");
        assertThat(steps)
                .extracting(Step::kind, Step::to, Step::spindle)
                .containsExactly(
                        tuple(Kind.RAPID, new Point(4, 5, 2), true),
                        tuple(Kind.RAPID, new Point(4, 5, 1), true),
                        tuple(Kind.RAPID, new Point(3, 5.5, 1), true),
                        tuple(Kind.RAPID, new Point(3, 5.5, -6), false),
                        tuple(Kind.RAPID, new Point(4, 5, -6), false),
                        tuple(Kind.FEED, new Point(4, 5, -3), true),
                        tuple(Kind.FEED, new Point(4, 5, -6), true),
                        tuple(Kind.RAPID, new Point(3, 5.5, -6), false),
                        tuple(Kind.RAPID, new Point(3, 5.5, 1), false),
                        tuple(Kind.RAPID, new Point(4, 5, 1), false),
                        tuple(Kind.RAPID, new Point(4, 5, 2), true));
        for (String bad :
                List.of(
                        "M3 G87 X4 Y5 Z-6 R1 I1 J1",
                        "M3 G87 X4 Y5 Z-6 R1 I1 J1 K-7",
                        "M3 G87 X4 Y5 Z-6 R1 I1 J1 K2",
                        "G87 X4 Y5 Z-6 R1 I1 J1 K-3")) {
            assertThatThrownBy(() -> run("F100", bad)).isInstanceOf(ProgramError.class);
        }
    }

    /** In the XZ plane the hole goes along y, and x and z are its place. */
    @Test
    void cyclesWorkAcrossEveryPlane() throws ProgramError {
        assertThat(run("F100", "G18 G81 X4 Z5 Y-50 R-38"))
                .extracting(Step::kind, Step::to)
                .containsExactly(
                        tuple(Kind.RAPID, new Point(4, -35, 5)),
                        tuple(Kind.RAPID, new Point(4, -38, 5)),
                        tuple(Kind.FEED, new Point(4, -50, 5)),
                        tuple(Kind.RAPID, new Point(4, -35, 5)));
        assertThat(run("F100", "G19 G99 G81 Y4 Z5 X-50 R-41"))
                .extracting(Step::kind, Step::to)
                .containsExactly(
                        tuple(Kind.RAPID, new Point(-40, 4, 5)),
                        tuple(Kind.RAPID, new Point(-41, 4, 5)),
                        tuple(Kind.FEED, new Point(-50, 4, 5)),
                        tuple(Kind.RAPID, new Point(-41, 4, 5)));
        assertThatThrownBy(() -> run("F100", "G18 G81 X4 Z5 R-38")).hasMessageContaining("word Y");
    }

    /** What stops, waits and feeds out at the bottom; a second place needs its words only. */
    @Test
    void eachCycleComesOutItsOwnWay() throws ProgramError {
        record Case(String cycle, List<Kind> kinds) {}
        for (Case c :
                List.of(
                        new Case("G82 P0.5", List.of(Kind.FEED, Kind.DWELL, Kind.RAPID)),
                        new Case("G84", List.of(Kind.FEED, Kind.FEED, Kind.RAPID)),
                        new Case("G85", List.of(Kind.FEED, Kind.FEED, Kind.RAPID)),
                        new Case("G86 P1", List.of(Kind.FEED, Kind.DWELL, Kind.RAPID)),
                        new Case("G88 P1", List.of(Kind.FEED, Kind.DWELL, Kind.PAUSE, Kind.RAPID)),
                        new Case(
                                "G89 P1", List.of(Kind.FEED, Kind.DWELL, Kind.FEED, Kind.RAPID)))) {
            List<Step> steps = run("F100 M3 S100", c.cycle + " X1 Y1 Z-3 R1", "X5");
            int each = c.kinds.size() + 1;
            List<Kind> kinds = steps.stream().map(Step::kind).toList();
            assertThat(kinds.subList(2, each + 1)).as(c.cycle).isEqualTo(c.kinds);
            assertThat(steps.get(steps.size() - 1).to()).isEqualTo(new Point(5, 1, 2));
        }
    }
}
