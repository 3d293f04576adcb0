package dev.lastcut.core.fabrication;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.TestBoards;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetReference;
import dev.lastcut.core.formats.netlist.NetlistReader;
import dev.lastcut.core.formats.netlist.NetlistWriter;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.TruePack;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OwnNetlistTest {
    private static byte[] own(BoardGeometry g) {
        return NetlistWriter.write(OwnNetlist.places(g));
    }

    /** A board with nothing but its copper and holes: nothing there names a net. */
    private static Board unnamed(Board b) {
        return new Board(
                b.files(),
                b.layers(),
                b.outline(),
                b.holes(),
                Optional.empty(),
                b.parts(),
                b.placements(),
                b.problems());
    }

    /**
     * Nets found from copper alone join just those places that a netlist nobody here wrote joins.
     */
    @ParameterizedTest
    @ValueSource(strings = {"p02_extensions_macros", "p06_mill_old", "p08_joined_netlist"})
    void copperJoinsWhatTheNetlistOfAPackJoins(String name) throws Exception {
        Board board = Intake.open(TruePack.of(name).pack());
        Netlist given = board.netlist().orElseThrow();
        byte[] own = own(new BoardGeometry(unnamed(board)));
        Netlist read = NetlistReader.read("netlist.ipc", own).netlist();

        Map<String, Set<String>> joins = new HashMap<>();
        Map<String, Set<String>> joinedBy = new HashMap<>();
        int met = 0;
        for (Netlist.Point g : given.points()) {
            for (Netlist.Point r : read.points()) {
                boolean sameSide =
                        g.access().isEmpty()
                                || r.access().isEmpty()
                                || g.access().equals(r.access());
                if (g.at().distance(r.at()) < 10_000 && sameSide && !g.net().isEmpty()) {
                    joins.computeIfAbsent(g.net(), k -> new HashSet<>()).add(r.net());
                    joinedBy.computeIfAbsent(r.net(), k -> new HashSet<>()).add(g.net());
                    met++;
                }
            }
        }
        assertThat(met).isGreaterThan(given.points().size() / 2);
        joinedBy.remove("");
        assertThat(joinedBy).allSatisfy((own1, nets) -> assertThat(nets).hasSize(1));
        assertThat(joins).allSatisfy((net, owns) -> assertThat(owns).hasSize(1));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "p01_extensions_inch",
                "p07_mill_single",
                "p08_joined_netlist",
                "p09_big_stroked"
            })
    void everyPlaceIsOnItsCopperWhenReadAgain(String name) throws Exception {
        Board board = Intake.open(TruePack.of(name).pack());
        BoardGeometry geometry = new BoardGeometry(board);
        NetlistReader.Result read = NetlistReader.read("netlist.ipc", own(geometry));
        assertThat(read.problems()).isEmpty();
        assertThat(read.netlist().points()).hasSameSizeAs(OwnNetlist.places(geometry));
        Board again =
                new Board(
                        board.files(),
                        board.layers(),
                        board.outline(),
                        board.holes(),
                        Optional.of(read.netlist()),
                        board.parts(),
                        board.placements(),
                        board.problems());
        BoardGeometry named = new BoardGeometry(again);
        NetReference reference = named.reference().orElseThrow();
        assertThat(reference.missing()).isEmpty();
        Map<String, Set<Integer>> pieces = new HashMap<>();
        for (NetReference.Anchor a : reference.anchors()) {
            int net = named.nets().nodes().get(a.node()).net();
            assertThat(reference.namesOf(net)).hasSize(1);
            pieces.computeIfAbsent(a.point().net(), k -> new HashSet<>()).add(net);
        }
        assertThat(pieces).allSatisfy((net, copper) -> assertThat(copper).hasSize(1));
    }

    /** Columns of the standard, counted from 1 (IPC-D-356A, from memory). */
    @Test
    void recordsStandInTheirColumns() {
        Board board =
                new TestBoards()
                        .on(Role.Kind.COPPER, Side.TOP)
                        .lead("A NET WITH A LONG NAME", "CONNECTOR1", "1", 10, 10)
                        .pin("GND", "R1", "2", 15, -10)
                        .round(10, 10, 1.5)
                        .round(15, -10, 1)
                        .hole(10, 10, 0.9, true)
                        .board();
        List<String> lines =
                new String(own(new BoardGeometry(board)), StandardCharsets.US_ASCII)
                        .lines()
                        .toList();
        assertThat(lines).contains("P  UNITS CUST 1", "P  NNAME1  A_NET_WITH_A_LONG_NAME", "999");
        String pad = lines.stream().filter(l -> l.startsWith("327")).findFirst().orElseThrow();
        assertThat(pad.substring(3, 17)).isEqualTo("GND           ");
        assertThat(pad.substring(20, 26)).isEqualTo("R1    ");
        assertThat(pad.substring(26, 31)).isEqualTo("-2   ");
        assertThat(pad.substring(38)).isEqualTo("A01X+015000Y-010000X1000Y1000R000");
        String lead = lines.stream().filter(l -> l.startsWith("317")).findFirst().orElseThrow();
        assertThat(lead.substring(3, 17).strip()).isEqualTo("NNAME1");
        assertThat(lead.substring(32, 41)).isEqualTo("D0900PA00");
    }
}
