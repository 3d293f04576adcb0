package dev.lastcut.core.strip;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Connections;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Circuits as makers build them on strip board, written as tables of parts and connections. */
public final class StripCircuits {
    public static final StripTerms TERMS =
            new StripTerms(
                    Length.mm(2.54),
                    Length.mm(1),
                    true,
                    List.of(
                            new StripTerms.Stock("half", 24, 37, List.of()),
                            new StripTerms.Stock("whole", 39, 62, List.of())));

    private StripCircuits() {}

    /** An astable flasher of two transistors. */
    public static final String FLASHER =
            """
            R1=470/AXIAL R2=470/AXIAL R3=47k/AXIAL R4=47k/AXIAL C1=10u/RADIAL_D5 C2=10u/RADIAL_D5
            D1=red/LED_5MM D2=red/LED_5MM Q1=NPN/TO-92 Q2=NPN/TO-92 J1=9V/HEADER_1X2
            VCC: R1.1 R2.1 R3.1 R4.1 J1.1
            GND: Q1.3 Q2.3 J1.2
            A1: R1.2 D1.1
            K1: D1.2 Q1.1 C1.1
            A2: R2.2 D2.1
            K2: D2.2 Q2.1 C2.1
            B1: R3.2 Q1.2 C2.2
            B2: R4.2 Q2.2 C1.2
            """;

    public static final String REGULATOR =
            """
            U1=7805/TO-220 C1=100u/RADIAL_D6.3 C2=100n/DISC C3=100n/DISC C4=10u/RADIAL_D5 D1=1N/DO-41
            R1=1k/AXIAL D2=green/LED_3MM J1=in/HEADER_1X2 J2=out/HEADER_1X2
            IN: J1.1 D1.2
            VIN: D1.1 C1.1 C2.1 U1.1
            GND: J1.2 C1.2 C2.2 U1.2 C3.2 C4.2 D2.2 J2.2
            OUT: U1.3 C3.1 C4.1 R1.1 J2.1
            LED: R1.2 D2.1
            """;

    public static final String AMPLIFIER =
            """
            U1=amp/DIP-8 R1=10k/AXIAL R2=10/AXIAL C1=10u/RADIAL_D5 C2=220u/RADIAL_D8 C3=100n/DISC C4=47n/DISC
            C5=100u/RADIAL_D6.3 J1=in/HEADER_1X2 J2=out/HEADER_1X2 J3=power/HEADER_1X2 RV1=10k/TRIMMER
            IN: J1.1 RV1.1
            WIPER: RV1.2 U1.3
            GND: J1.2 RV1.3 U1.2 U1.4 C4.2 C5.2 C3.2 J2.2 J3.2
            G1: U1.1 C1.1
            G8: U1.8 C1.2
            VCC: U1.6 C5.1 C3.1 J3.1
            OUT: U1.5 R2.1 C2.1
            ZOBEL: R2.2 C4.1
            SPK: C2.2 J2.1
            BYP: U1.7 R1.1
            """;

    public static final String LOGIC =
            """
            U1=gate/DIP-14 R1=10k/AXIAL R2=10k/AXIAL R3=330/AXIAL R4=330/AXIAL D1=r/LED_3MM D2=g/LED_3MM
            SW1=set/BUTTON SW2=reset/BUTTON C1=100n/DISC J1=power/HEADER_1X2
            VCC: U1.14 R1.1 R2.1 C1.1 J1.1
            GND: U1.7 SW1.3 SW2.3 C1.2 J1.2 D1.2 D2.2 U1.9 U1.10 U1.12 U1.13
            S: R1.2 SW1.1 U1.1
            R: R2.2 SW2.1 U1.5
            Q: U1.3 U1.4 R3.1
            NQ: U1.6 U1.2 R4.1
            L1: R3.2 D1.1
            L2: R4.2 D2.1
            """;

    public static final String RELAY =
            """
            K1=5V/HEADER_1X5 Q1=NPN/TO-92 D1=1N/DO-41 R1=1k/AXIAL R2=10k/AXIAL D2=red/LED_3MM R3=470/AXIAL
            J1=in/HEADER_1X3 J2=out/TERMINAL_1X3_P5.08
            VCC: J1.1 K1.1 D1.1 R3.1
            GND: J1.3 Q1.3 R2.2
            IN: J1.2 R1.1
            BASE: R1.2 R2.1 Q1.2
            COIL: K1.2 D1.2 Q1.1 D2.2
            LED: R3.2 D2.1
            COM: K1.3 J2.1
            NO: K1.4 J2.2
            NC: K1.5 J2.3
            """;

    public static final String LEVEL_METER =
            """
            U1=bar/DIP-18 R1=1k2/AXIAL R2=3k8/AXIAL C1=2u2/RADIAL_D5 J1=in/HEADER_1X2 J2=power/HEADER_1X2
            D1=g/LED_3MM D2=g/LED_3MM D3=g/LED_3MM D4=g/LED_3MM D5=g/LED_3MM D6=g/LED_3MM D7=y/LED_3MM
            D8=y/LED_3MM D9=r/LED_3MM D10=r/LED_3MM
            VCC: U1.3 U1.9 J2.1 C1.1 D1.1 D2.1 D3.1 D4.1 D5.1 D6.1 D7.1 D8.1 D9.1 D10.1
            GND: U1.2 U1.4 U1.8 J1.2 J2.2 C1.2 R2.2
            IN: J1.1 U1.5
            REF: U1.6 U1.7 R1.1
            ADJ: R1.2 R2.1
            L1: U1.1 D1.2
            L2: U1.18 D2.2
            L3: U1.17 D3.2
            L4: U1.16 D4.2
            L5: U1.15 D5.2
            L6: U1.14 D6.2
            L7: U1.13 D7.2
            L8: U1.12 D8.2
            L9: U1.11 D9.2
            L10: U1.10 D10.2
            """;

    public static final String SENSOR =
            """
            U1=opamp/DIP-8 R1=10k/AXIAL R2=10k/AXIAL R3=10k/AXIAL R4=100k/AXIAL R5=1k/AXIAL RV1=10k/TRIMMER
            C1=100n/DISC Q1=NPN/TO-92 D1=red/LED_5MM J1=probe/HEADER_1X2 J2=power/HEADER_1X2 R6=470/AXIAL
            VCC: U1.8 R1.1 RV1.1 R6.1 C1.1 J2.1
            GND: U1.4 J1.2 RV1.3 Q1.3 C1.2 J2.2 R3.2 U1.5
            SENSE: R1.2 J1.1 R2.1
            PLUS: R2.2 U1.3 R4.1
            MINUS: RV1.2 U1.2
            OUT: U1.1 R4.2 R5.1
            BASE: R5.2 Q1.2 R3.1
            LED: R6.2 D1.1
            K: D1.2 Q1.1
            """;

    /** The hive temperature alarm of the demo. */
    public static final String ALARM =
            """
            U1=comparator/DIP-8 R1=10k/AXIAL R2=10k/AXIAL R3=4k7/AXIAL R4=1M/AXIAL R5=2k2/AXIAL R6=470/AXIAL
            R7=10k/AXIAL RV1=10k/TRIMMER C1=100n/DISC C2=47u/RADIAL_D5 Q1=NPN/TO-92 D1=1N/DO-41 D2=red/LED_5MM
            J1=probe/HEADER_1X2 J2=battery/HEADER_1X2 BZ1=buzzer/HEADER_1X2 SW1=test/BUTTON
            BAT: J2.1 D1.1
            VCC: D1.2 C2.1 C1.1 U1.8 R1.1 R3.1 R6.1 BZ1.1 R7.1
            GND: J2.2 C2.2 C1.2 U1.4 J1.2 R2.2 Q1.3 U1.5 U1.6 SW1.3
            SENSE: R1.2 J1.1 U1.2 SW1.1
            SET: RV1.2 U1.3 R4.1
            TOP: R3.2 RV1.1
            BOTTOM: RV1.3 R2.1
            OUT: U1.1 R4.2 R5.1 R7.2
            BASE: R5.2 Q1.2
            ALARM: Q1.1 BZ1.2 D2.2
            LED: R6.2 D2.1
            """;

    public static final Map<String, String> ALL =
            Map.of(
                    "flasher", FLASHER,
                    "regulator", REGULATOR,
                    "amplifier", AMPLIFIER,
                    "level meter", LEVEL_METER,
                    "logic", LOGIC,
                    "relay driver", RELAY,
                    "sensor", SENSOR,
                    "alarm", ALARM);

    /** A board without pictures of parts "NAME=VALUE/FOOTPRINT" and nets "NET: PART.PIN …". */
    public static Board board(String text) {
        List<ListedPart> parts = new ArrayList<>();
        List<Connections.Row> rows = new ArrayList<>();
        for (String line : text.strip().split("\n")) {
            String[] net = line.strip().split(": ");
            if (net.length == 2) {
                List<Connections.PartPin> pins = new ArrayList<>();
                for (String pin : net[1].split(" ")) {
                    String[] of = pin.split("\\.");
                    pins.add(new Connections.PartPin(of[0], of[1]));
                }
                rows.add(new Connections.Row(net[0], pins, rows.size() + 2));
                continue;
            }
            for (String part : line.strip().split(" ")) {
                String[] of = part.split("[=/]");
                parts.add(new ListedPart(of[0], of[1], of[2], "", "", "", true, parts.size() + 2));
            }
        }
        return new Board(
                List.of(),
                List.of(),
                Optional.empty(),
                List.of(),
                Optional.empty(),
                Optional.of(parts),
                Optional.empty(),
                Optional.of(new Connections("connections.csv", rows, List.of())),
                List.of());
    }

    public static StripCircuit circuit(String text) {
        return StripCircuit.of(board(text), Map.of());
    }
}
