package dev.lastcut.core.formats.netlist;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Problem;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * Columns after IPC-D-356A (from memory): net 4–17, part 21–26, pin 28–31, access 40–41, X 43–49.
 */
class NetlistReaderTest {
    private static NetlistReader.Result read(String text) {
        return NetlistReader.read("t.ipc", text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void throughHoleSurfaceMountAndVia() {
        NetlistReader.Result r =
                read(
                        """
                        C  a comment
                        P  UNITS CUST 0
                        P  NNAME1  A_VERY_LONG_NET_NAME
                        317GND              J1    -1    D0394PA00X+015000Y-002500X0600Y0600R000 S0
                        327NNAME1           U12   -14         A01X+000100Y+000200X0600Y0240R090 S0
                        317VCC              VIA         D0118PA00X+010000Y+010000X0236Y0000R000 S3
                        999
                        """);
        assertThat(r.problems()).isEmpty();
        assertThat(r.netlist().points())
                .containsExactly(
                        new Netlist.Point(
                                "GND", "J1", "1", Pt.mm(38.1, -6.35), Optional.empty(), true),
                        new Netlist.Point(
                                "A_VERY_LONG_NET_NAME",
                                "U12",
                                "14",
                                Pt.mm(0.254, 0.508),
                                Optional.of(Side.TOP),
                                false),
                        new Netlist.Point(
                                "VCC", "", "", Pt.mm(25.4, 25.4), Optional.empty(), true));
    }

    @Test
    void metricUnits() {
        NetlistReader.Result r =
                read(
                        "P  UNITS CUST 1\n"
                                + "327A                R1    -2          A02X+001234Y+005678X0600Y0240R090 S0\n999\n");
        assertThat(r.netlist().points().get(0).at()).isEqualTo(Pt.mm(1.234, 5.678));
        assertThat(r.netlist().points().get(0).access()).contains(Side.BOTTOM);
    }

    @Test
    void brokenRecordIsReportedAndTheRestRead() {
        NetlistReader.Result r =
                read(
                        "327A                R1    -2          A01X+00QQ34Y+005678\n"
                                + "327B                R2    -1          A01X+001234Y+005678\n");
        assertThat(r.netlist().points()).hasSize(1);
        assertThat(r.problems())
                .extracting(p -> p.code() + " " + p.line())
                .containsExactly("BAD_ROW 1", "TRUNCATED 3");
        assertThat(r.problems().get(1).code()).isEqualTo(Problem.Code.TRUNCATED);
    }
}
