package dev.lastcut.demo;

import dev.lastcut.core.geometry.Length;
import java.util.Map;
import java.util.Set;

/**
 * The load-cell joint box: adds up the four cells under a hive and amplifies the sum. One copper
 * side, for the desktop mill; wire links and resistors cross the buses.
 */
final class JointBox {
    private static final Footprint TERM = Footprint.header("TERM4", 4, 1, 3.5, 2.4, 1.2);
    private static final Footprint LINK = Footprint.axial("LINK7", 7.62, 2.0, 0.9, 0);
    private static final Footprint SHORT = Footprint.axial("AX7", 7.62, 2.0, 0.9, 2.4);
    private static final Footprint RES = Footprint.axial("AX10", 10.16, 2.0, 0.9, 2.4);
    private static final Footprint LONG = Footprint.axial("AX12", 12.7, 2.0, 0.9, 2.4);
    private static final Footprint DISC = Footprint.axial("CDISC4", 4.12, 1.8, 0.9, 2.6);
    private static final Footprint CAP = Footprint.axial("CDISC5", 5.08, 1.8, 0.9, 2.6);
    private static final Footprint SO8 = Footprint.dual("SO8", 8, 1.27, 2.7, 1.55, 0.6);

    // From the terminals down, each bus is reached by a longer part: nothing has to cross on
    // copper.
    private static final double TOP_PADS = 45.5;
    private static final double EXC = 42;
    private static final double RET = TOP_PADS - 7.62;
    private static final double POS = TOP_PADS - 10.16;
    private static final double NEG = TOP_PADS - 12.7;

    private final Design d = new Design("joint-box", 78.74, 55.88, 0, 1);

    static Map<String, byte[]> files() {
        JointBox board = new JointBox();
        board.place();
        board.buses();
        new Router(board.d).run();
        board.slips();
        return PackWriter.write(
                board.d,
                new Dialect(false, Length.inch(1), Length.inch(1)),
                new PackWriter.Slips(Set.of(), Set.of("C2"), Map.of("C9", "100n"), Set.of()));
    }

    private void place() {
        d.usualTrack = 0.6;
        d.gap = 0.5;
        for (double[] at : new double[][] {{4, 4}, {74.74, 4}, {4, 51.88}, {74.74, 51.88}}) {
            d.mountingHole(at[0], at[1], 3.2);
        }
        for (int n = 1; n <= 4; n++) {
            cell(n, 13.5 + (n - 1) * 17.3);
        }
        d.part(
                "U1",
                "queen amp",
                SO8,
                46,
                16,
                0,
                true,
                "GAIN_A",
                "SIG_N",
                "SIG_P",
                "RET",
                "REF",
                "OUT",
                "EXC",
                "GAIN_B");
        d.part("R9", "220", SHORT, 46, 23, 0, "GAIN_B", "GAIN_A");
        d.part("R10", "10k", RES, 36, 8.6, 0, "REF", "RET");
        d.part("R11", "10k", RES, 22.6, 14, 0, "EXC", "REF");
        d.part("C1", "100n", DISC, 22, (EXC + RET) / 2, 3, "EXC", "RET");
        d.part("C2", "10u", CAP, 35.5, 12.4, 0, "REF", "RET");
        d.part("J5", "to the node", TERM, 26, 5.2, 0, "EXC", "OUT", "REF", "RET");
        d.labels.add(new Design.Label("LOAD CELL JOINT BOX", 46, 5, 1.5, 0));
        d.labels.add(new Design.Label("HIVE SIDE", 33, 52.6, 1.2, 0));
    }

    /** One cell's terminal, and the link and resistors from it down to the buses. */
    private void cell(int n, double x) {
        d.part(
                "J" + n,
                "cell " + n,
                TERM,
                x,
                49.2,
                0,
                "EXC",
                "CELL_P" + n,
                "CELL_N" + n,
                "CELL_R" + n);
        part("R" + (2 * n - 1), "1k", RES, x - 1.75, "CELL_P" + n, "SIG_P");
        part("R" + 2 * n, "1k", LONG, x + 1.75, "CELL_N" + n, "SIG_N");
        part("W" + n, "link", LINK, x + 5.25, "CELL_R" + n, "RET");
    }

    private void part(String name, String value, Footprint f, double x, String top, String bus) {
        double span = f.pads().get(1).x() - f.pads().get(0).x();
        d.part(name, value, f, x, TOP_PADS - span / 2, 3, top, bus);
    }

    private void buses() {
        for (int n = 1; n <= 4; n++) {
            double x = 13.5 + (n - 1) * 17.3;
            d.track("EXC", 1, 0.8, x - 5.25, 49.2, x - 5.25, EXC);
            // The fourth cell's signal was drawn with the pen of another board: too thin for a
            // mill.
            d.track("CELL_P" + n, 1, n == 4 ? 0.3 : 0.6, x - 1.75, 49.2, x - 1.75, TOP_PADS);
            d.track("CELL_N" + n, 1, 0.6, x + 1.75, 49.2, x + 1.75, TOP_PADS);
            d.track("CELL_R" + n, 1, 0.8, x + 5.25, 49.2, x + 5.25, TOP_PADS);
        }
        d.track("EXC", 1, 0.8, 8.25, EXC, 60.15, EXC);
        d.track("RET", 1, 0.8, 18.75, RET, 70.65, RET);
        d.track("SIG_P", 1, 0.6, 11.75, POS, 63.65, POS);
        d.track("SIG_N", 1, 0.6, 15.25, NEG, 67.15, NEG);
    }

    /** A stub left over from an earlier try comes within 0.2 mm of the excitation bus. */
    private void slips() {
        d.track("RET", 1, 0.6, 36, RET, 36, EXC - 0.4 - 0.2 - 0.3);
    }
}
