package dev.lastcut.core.milling.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.milling.TestMills;
import dev.lastcut.core.milling.level.Surface;
import dev.lastcut.core.milling.link.MillLink.Answer;
import dev.lastcut.core.milling.link.MillLink.State;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class BenchMillTest {
    private static final Mill MILL =
            TestMills.mill(TestMills.V, TestMills.flat(1), TestMills.drill(0.8));
    private static final Surface TILTED = (x, y) -> x / 100;

    private static BenchMill mill() {
        BenchMill m = new BenchMill(MILL, 10e6, 10e6, TILTED);
        m.fit(0);
        return m;
    }

    private static void run(BenchMill m, String... lines) {
        Sender s = new Sender(m, "test", List.of(lines), 1);
        for (int i = 0; i < 100_000 && !s.isDone(); i++) {
            s.pump();
            m.advance(0.5);
        }
    }

    @Test
    void itTakesTheTimeItsFeedsSay() {
        BenchMill m = mill();
        m.send("G21 G90 G94");
        m.send("M3 S1000");
        m.send("G1 X60 F60");
        m.advance(30);
        assertThat(m.status().state()).isEqualTo(State.RUNNING);
        assertThat(m.status().x()).isCloseTo(30, within(1e-6));
        m.advance(30.001);
        assertThat(m.status().state()).isEqualTo(State.IDLE);
        assertThat(m.status().x()).isEqualTo(60);
    }

    @Test
    void holdKeepsAndStopForgets() {
        BenchMill m = mill();
        m.send("G1 X60 F60");
        m.advance(10);
        m.hold();
        m.advance(50);
        assertThat(m.status().x()).isCloseTo(10, within(1e-6));
        m.resume();
        m.advance(10);
        assertThat(m.status().x()).isCloseTo(20, within(1e-6));
        m.stop();
        assertThat(m.send("G0 X1")).isEqualTo(Answer.REFUSED);
        m.reset();
        m.advance(50);
        assertThat(m.status().x()).isCloseTo(20, within(1e-6));
        assertThat(m.send("G0 X1")).isEqualTo(Answer.OK);
    }

    @Test
    void aFullBufferIsBusyNotWrong() {
        BenchMill m = mill();
        List<Answer> answers = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            answers.add(m.send("G1 F60 X" + i));
        }
        assertThat(answers).contains(Answer.OK, Answer.BUSY).doesNotContain(Answer.REFUSED);
    }

    @Test
    void itAlarmsAtWhatBreaksThings() {
        record Case(String line, String says) {}
        for (Case c :
                List.of(
                        new Case("G0 X500", "limit switch"),
                        new Case("G0 Z-3", "driven into the stock"),
                        new Case("G1 F100 Z-3", "spindle off"),
                        new Case("G1 X", "number is missing"),
                        new Case("G38.2 F60 Z10", "found nothing"))) {
            BenchMill m = mill();
            run(m, c.line);
            assertThat(m.status().state()).as(c.line).isEqualTo(State.ALARM);
            assertThat(m.status().message()).contains(c.says);
            assertThat(m.send("G0 X0")).isEqualTo(Answer.REFUSED);
        }
    }

    /** The probe tells the tilt; a tool that is longer touches sooner until zero is set anew. */
    @Test
    void probingMeasuresTheStockAndToolLengthsMatter() {
        BenchMill m = mill();
        run(m, "F60", "G38.2 Z-5", "G0 Z5", "G0 X50", "G38.2 Z-5", "G0 Z5");
        List<double[]> touches = m.status().touches();
        assertThat(touches.get(0)[2]).isCloseTo(0, within(1e-6));
        assertThat(touches.get(1)[2]).isCloseTo(0.5, within(1e-6));
        double longer = BenchMill.length(2);
        assertThat(longer).isNotZero();
        m.reset();
        m.fit(2);
        run(m, "G0 X0", "F60", "G38.2 Z-5", "G10 L2 P1 Z[#5223+#5063]", "G0 Z2");
        assertThat(m.status().z()).isCloseTo(2, within(1e-6));
        assertThat(m.done().get(m.done().size() - 1).to().z()).isCloseTo(2, within(1e-6));
    }

    @Test
    void aPauseWaitsForTheHandAndLinesAfterItWaitToo() {
        BenchMill m = mill();
        m.send("T2");
        m.send("M0");
        assertThat(m.send("G0 X5")).isEqualTo(Answer.BUSY);
        m.advance(1);
        assertThat(m.status().state()).isEqualTo(State.WAITING);
        assertThat(m.status().asked()).isEqualTo(2);
        m.fit(2);
        m.resume();
        assertThat(m.send("G0 X5")).isEqualTo(Answer.OK);
    }

    /** After a stop the path that was stopped in is cut whole, led in from above. */
    @Test
    void aStoppedProgramGoesOnFromTheBeginningOfItsPath() throws Exception {
        List<String> program =
                List.of(
                        "G21 G90 G17 G94",
                        "T1",
                        "G0 Z2",
                        "M3 S9000",
                        "G0 X1 Y1",
                        "G1 Z-0.1 F60",
                        "G1 X20 F200",
                        "G0 Z2",
                        "G0 X30 Y5",
                        "G1 Z-0.1 F60",
                        "G1 X50 F200",
                        "G1 Y9",
                        "G0 Z2",
                        "M5",
                        "M2");
        Restart.Point p = Restart.of(program, 12, 0, 2, MILL);
        assertThat(p.line()).isEqualTo(9);
        assertThat(p.leadIn()).contains("M3 S9000").anyMatch(l -> l.contains("F200"));
        assertThat(p.leadIn().get(1)).isEqualTo("G0 Z2.0000");
        assertThat(Restart.of(program, 3, 0, 2, MILL).line()).isEqualTo(1);
    }
}
