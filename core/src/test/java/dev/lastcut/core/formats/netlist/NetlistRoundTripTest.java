package dev.lastcut.core.formats.netlist;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Places with any names and accesses survive writing and reading, to the micrometre. */
class NetlistRoundTripTest {
    private static final String LETTERS = "ABCXYZ019_+-/.~$";

    private static String name(Random r, int longest) {
        StringBuilder s = new StringBuilder("n");
        for (int i = r.nextInt(longest); i > 0; i--) {
            s.append(LETTERS.charAt(r.nextInt(LETTERS.length())));
        }
        return s.toString();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void whatIsWrittenIsReadBack(long seed) {
        Random r = new Random(seed);
        List<NetlistWriter.Place> places = new ArrayList<>();
        List<Netlist.Point> points = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            boolean hole = r.nextBoolean();
            boolean via = hole && r.nextInt(3) == 0;
            String net = r.nextInt(9) == 0 ? "" : name(r, 28);
            String component = via ? "" : name(r, 10);
            String pin = via ? "" : name(r, 3);
            Pt at =
                    new Pt(
                            1_000L * (r.nextInt(1_900_000) - 950_000),
                            1_000L * (r.nextInt(1_900_000) - 950_000));
            int access = hole ? 0 : 1 + r.nextInt(2);
            places.add(
                    new NetlistWriter.Place(
                            net, component, pin, at, access, hole ? 350_000 : 0, true, 1e6, 2e6));
            Optional<Side> side =
                    hole ? Optional.empty() : Optional.of(access == 1 ? Side.TOP : Side.BOTTOM);
            points.add(new Netlist.Point(net, component, pin, at, side, hole));
        }
        NetlistReader.Result read = NetlistReader.read("x.ipc", NetlistWriter.write(places));
        assertThat(read.problems()).isEmpty();
        assertThat(read.netlist().points()).containsExactlyElementsOf(points);
    }
}
