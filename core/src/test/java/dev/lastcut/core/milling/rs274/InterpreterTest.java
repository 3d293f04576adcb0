package dev.lastcut.core.milling.rs274;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.milling.rs274.Step.Kind;
import dev.lastcut.core.milling.rs274.Step.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Held against "The NIST RS274/NGC Interpreter, Version 3" (NISTIR 6556), from memory. */
class InterpreterTest {
    private static List<Step> run(Interpreter i, String... lines) throws ProgramError {
        List<Step> all = new ArrayList<>();
        for (int n = 0; n < lines.length; n++) {
            all.addAll(i.execute(lines[n], n + 1));
        }
        return all;
    }

    private static List<Step> run(String... lines) throws ProgramError {
        return run(new Interpreter(), lines);
    }

    /** Section 3.3.2: operators, functions in degrees, and their precedence. */
    @ParameterizedTest
    @CsvSource({
        "'[1 + 2 * 3]', 7",
        "'[2 ** 3 ** 2]', 64",
        "'[2.0 / 3 * 1.5 - 5.5 / 11.0]', 0.5",
        "'[15 MOD 4.0]', 3",
        "'[1 OR 0]', 1",
        "'[1 XOR 0]', 1",
        "'ATAN[1]/[-1]', 135",
        "'ACOS[0]', 90",
        "'FIX[-2.8]', -3",
        "'FUP[2.8]', 3",
        "'ROUND[2.5]', 3",
        "'SQRT[3 * 3]', 3"
    })
    void valuesAreWorkedOut(String expression, double value) throws ProgramError {
        Step move = run("G0 X" + expression).get(0);
        assertThat(move.to().x()).isCloseTo(value, within(1e-9));
    }

    /** Parameters are set when the whole line was read: "#3=6 #3" uses the old value. */
    @Test
    void parametersHoldFromTheNextLineOn() throws ProgramError {
        List<Step> steps = run("#3=15", "#3=6 G0 X#3", "G0 X#3");
        assertThat(steps).extracting(s -> s.to().x()).containsExactly(15.0, 6.0);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "G0 G1 X1",
                "G99.5",
                "M3 M4",
                "G1 X1",
                "G2 X1 Y1 F10",
                "G2 X1 Y0 R0.1 F10",
                "G2 X10 Y0 I3 J0 F10",
                "G2 X1 Y1 I1 R1 F10",
                "G0",
                "X1 X2",
                "G4",
                "G4 P-1",
                "G10 L2 P0 X1",
                "G10 P1 X1",
                "G92",
                "G0 X1 G92 Y1",
                "G80 X1",
                "G81 X1 Y1 R1 F10",
                "G81 X1 Z2 R1 F10",
                "G83 X1 Z-2 R1 F10",
                "G82 X1 Z-2 R1 F10",
                "G43",
                "H1",
                "I1",
                "Q1 G0 X1",
                "F-1",
                "T1.5",
                "(a comment (within))",
                "(not closed",
                "G0 X",
                "G0 X1.2.3",
                "G0 X[1",
                "G0 X[1/0]",
                "G0 XSQRT[-1]",
                "G0 XACOS[2]",
                "G0 XFOO[2]",
                "#0=1",
                "#5400=1",
                "N123456 G0 X1",
                "E5",
                "G53 X1 G80",
                "G91 G53 G0 X1",
                "G93 G1 X1",
                "G0 A1",
                "M1 M3 M7 M8 M48"
            })
    void linesTheReportCallsErrorsAreRefused(String line) {
        assertThatThrownBy(() -> run(line)).isInstanceOf(ProgramError.class);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "%",
                "",
                "/ G0 nonsense",
                "(a comment)",
                "g0 x1 (small letters) y 2",
                "N00010 G0 X+0001.0",
                "G0X1Y2Z3M3S100",
                "G1 G21 X1 F10",
                "M7 M8",
                "G2 I1 F10",
                "G10 L2 P1 X1",
                "#1=2 #2=3",
                "G0 X[1+[2*3]]",
                "G80",
                "G61.1",
                "G59.3"
            })
    void linesTheReportAllowsAreTaken(String line) throws ProgramError {
        run(line);
    }

    /** A quarter turn: no place is off the circle, and the middle is where it is. */
    @Test
    void arcsKeepTheirRadius() throws ProgramError {
        for (String arc : List.of("G3 X0 Y10 I-10 J0", "G3 X0 Y10 R10")) {
            List<Step> steps = run("G1 F100 X10", arc);
            List<Step> turn = steps.subList(1, steps.size());
            assertThat(turn)
                    .allSatisfy(
                            s ->
                                    assertThat(Math.hypot(s.to().x(), s.to().y()))
                                            .isCloseTo(10, within(1e-9)));
            double way = turn.stream().mapToDouble(s -> s.from().distance(s.to())).sum();
            assertThat(way).isCloseTo(5 * Math.PI, within(0.001));
        }
        List<Step> longWay = run("G1 F100 X10", "G3 X0 Y10 R-10");
        double way = longWay.stream().skip(1).mapToDouble(s -> s.from().distance(s.to())).sum();
        assertThat(way)
                .as("a negative radius is the long way")
                .isCloseTo(15 * Math.PI, within(.01));
    }

    /** Appendix of the report: the example of G81 in absolute mode with G98 and old Z of 3. */
    @Test
    void g81AsInTheReport() throws ProgramError {
        Interpreter i = new Interpreter();
        i.place(new Point(1, 2, 3));
        List<Step> steps = run(i, "F100", "G90 G81 G98 X4 Y5 Z1.5 R2.8");
        assertThat(steps)
                .extracting(Step::kind, Step::to)
                .containsExactly(
                        tuple(Kind.RAPID, new Point(4, 5, 3)),
                        tuple(Kind.RAPID, new Point(4, 5, 2.8)),
                        tuple(Kind.FEED, new Point(4, 5, 1.5)),
                        tuple(Kind.RAPID, new Point(4, 5, 3)));
    }

    /** The report's other example: G91 G81 G98 X4 Y5 Z-0.6 R1.8 L3 from (1, 2, 3). */
    @Test
    void g81RepeatsInIncrements() throws ProgramError {
        Interpreter i = new Interpreter();
        i.place(new Point(1, 2, 3));
        List<Step> steps = run(i, "F100", "G91 G81 G98 X4 Y5 Z-0.6 R1.8 L3");
        assertThat(steps)
                .filteredOn(s -> s.kind() == Kind.FEED)
                .extracting(s -> s.to().x(), s -> s.to().y())
                .containsExactly(tuple(5.0, 7.0), tuple(9.0, 12.0), tuple(13.0, 17.0));
        assertThat(steps.get(steps.size() - 1).to().z()).isCloseTo(4.8, within(1e-9));
        assertThat(steps)
                .filteredOn(s -> s.kind() == Kind.FEED)
                .allSatisfy(s -> assertThat(s.to().z()).isCloseTo(4.2, within(1e-9)));
    }

    @Test
    void g83PecksAndComesOut() throws ProgramError {
        List<Step> steps = run("G0 Z5", "F100", "G83 X1 Y1 Z-3 R1 Q1.5");
        assertThat(steps)
                .filteredOn(s -> s.kind() == Kind.FEED)
                .extracting(s -> s.to().z())
                .containsExactly(-0.5, -2.0, -3.0);
        assertThat(steps)
                .filteredOn(s -> s.kind() == Kind.RAPID && s.to().z() == 1)
                .hasSizeGreaterThanOrEqualTo(3);
    }

    @Test
    void unitsOffsetsAndOrderWithinALine() throws ProgramError {
        assertThat(run("G20", "G0 X1").get(0).to().x()).isEqualTo(25.4);
        assertThat(run("G92 X10", "G0 X11").get(0).to().x()).isEqualTo(1);
        assertThat(run("G10 L2 P2 X5", "G55 G0 X1").get(0).to().x()).isEqualTo(6);
        // The spindle starts before the line's move and the program ends after it.
        List<Step> steps = run("F100", "M2 M3 G1 X5");
        assertThat(steps).extracting(Step::kind).containsExactly(Kind.FEED, Kind.END);
        assertThat(steps.get(0).spindle()).isTrue();
    }

    /** Whatever stands in a line, it is taken or refused with a sentence; nothing else happens. */
    @Test
    void noiseIsRefusedAndNothingWorse() {
        Random r = new Random(11);
        String letters = "GMXYZIJKRPQLFSTN#[]()=+-*/.0123456789 %;ATANSINxyz\t";
        for (int n = 0; n < 20_000; n++) {
            StringBuilder line = new StringBuilder();
            for (int k = r.nextInt(24); k >= 0; k--) {
                line.append(letters.charAt(r.nextInt(letters.length())));
            }
            try {
                new Interpreter().execute(line.toString(), 1);
            } catch (ProgramError e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
    }
}
