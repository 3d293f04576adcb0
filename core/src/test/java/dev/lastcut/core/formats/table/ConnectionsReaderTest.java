package dev.lastcut.core.formats.table;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Connections;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ConnectionsReaderTest {
    private static ConnectionsReader.Result read(String text) {
        return ConnectionsReader.read("c.csv", text.getBytes(StandardCharsets.UTF_8)).orElseThrow();
    }

    /** The same two nets, however they are written down. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "Net,Pins\nGND,R1.1 C2.2\nVCC,U1.8 R1.2\n",
                "Net;Pins\nGND;R1.1, C2.2\nVCC;U1.8, R1.2\n",
                "net\tpins\nGND\tR1-1 C2-2\nVCC\tU1-8 R1-2\n",
                "GND,R1.1 C2.2\nVCC,U1.8 R1.2\n",
                "Net,Pins,,\nGND,R1.1,C2.2,\nVCC,U1.8,R1.2,\n",
                "Hive alarm\n\nNetz;Anschlüsse\nGND;R1.1 C2.2\nVCC;U1.8 R1.2\n",
                "Net,Pins\n\"GND\",\"R1.1;C2.2\"\n\"VCC\",\"U1:8 R1/2\"\n"
            })
    void aTableIsReadHoweverItIsWritten(String text) {
        ConnectionsReader.Result r = read(text);
        assertThat(r.problems()).isEmpty();
        assertThat(r.connections().rows())
                .extracting(Connections.Row::net)
                .containsExactly("GND", "VCC");
        assertThat(r.connections().rows().get(0).pins())
                .containsExactly(pin("R1", "1"), pin("C2", "2"));
        assertThat(r.connections().rows().get(1).pins())
                .containsExactly(pin("U1", "8"), pin("R1", "2"));
    }

    private static Connections.PartPin pin(String part, String pin) {
        return new Connections.PartPin(part, pin);
    }

    @Test
    void aTableInAnotherEncodingIsReadAsWell() {
        byte[] wide =
                "Net;Pins\nÜBER;R1.1 C2.2\nVCC;U1.8 R1.2\n".getBytes(Charset.forName("UTF-16"));
        assertThat(ConnectionsReader.read("c.csv", wide).orElseThrow().connections().rows())
                .extracting(Connections.Row::net)
                .containsExactly("ÜBER", "VCC");
    }

    @Test
    void whatCannotBeReadIsToldByItsLine() {
        Connections c = read("Net,Pins\nGND,R1.1 R2\n,C1.1\nVCC,\n").connections();
        assertThat(c.faults())
                .anyMatch(f -> f.contains("line 2") && f.contains("“R2” in net GND names no pin"))
                .anyMatch(f -> f.contains("line 3") && f.contains("its net has no name"))
                .anyMatch(f -> f.contains("line 4") && f.contains("net VCC has no pins"));
        assertThat(read("Net,Pins\n").connections().faults()).anyMatch(f -> f.contains("is empty"));
    }

    /** A parts list of a panel names parts as pins are named, and is none the less a parts list. */
    @Test
    void aPartsListIsNoTableOfConnections() {
        for (String list :
                List.of(
                        "Designator,Value,Footprint\nR1.1 R1.2,10k,0603\nC1.1 C1.2,1u,0603\n",
                        "Designator,Value\nR1,10k\nC1,1u\n",
                        "10k,0603,R1 R2\n1u,0603,C1\n")) {
            assertThat(ConnectionsReader.read("l.csv", list.getBytes(StandardCharsets.UTF_8)))
                    .isEmpty();
        }
    }
}
