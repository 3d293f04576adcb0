package dev.lastcut.core.strip;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Connections;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.geometry.Length;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
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

    public static final String FLASHER = text("flasher");
    public static final String REGULATOR = text("regulator");
    public static final String AMPLIFIER = text("amplifier");
    public static final String LOGIC = text("logic");
    public static final String RELAY = text("relay-driver");
    public static final String LEVEL_METER = text("level-meter");
    public static final String SENSOR = text("sensor");
    public static final String ALARM = text("alarm");

    /** By their names. */
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

    private static String text(String name) {
        try (InputStream in = StripCircuits.class.getResourceAsStream("/strip/" + name + ".txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

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
