package dev.lastcut.bench;

import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.StripWeights;
import dev.lastcut.core.strip.search.StripSearch;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Strip board plans of usual circuits, beside those of a search with ten times as many moves, and
 * of two circuits together on one board.
 */
public final class StripPlans {
    private static final List<String> CIRCUITS =
            List.of(
                    "flasher",
                    "regulator",
                    "amplifier",
                    "level-meter",
                    "logic",
                    "relay-driver",
                    "sensor",
                    "alarm");

    private static final int LONGER = 10;

    private static final StripTerms.Stock BOARD = new StripTerms.Stock("whole", 39, 62, List.of());

    private static final StripTerms TERMS =
            new StripTerms(Length.mm(2.54), Length.mm(1), true, List.of(BOARD));

    private StripPlans() {}

    public static void main(String[] args) throws Exception {
        System.out.printf(
                "%-22s %5s %18s %8s   %s%n",
                "circuit", "parts", "plan", "s", "ten times the moves");
        // With any argument the large one alone.
        for (String name : args.length > 0 ? List.<String>of() : CIRCUITS) {
            line(name, circuit(List.of(name)), true);
        }
        line("alarm, meter, sensor", circuit(List.of("alarm", "level-meter", "sensor")), false);
    }

    private static void line(String name, StripCircuit circuit, boolean longer) {
        long begin = System.nanoTime();
        StripSearch.Found ours = find(circuit, 1);
        double seconds = (System.nanoTime() - begin) / 1e9;
        System.out.printf(
                Locale.ROOT,
                "%-22s %5d %18s %8.1f   %s%n",
                name,
                circuit.parts().size(),
                words(ours),
                seconds,
                longer ? words(find(circuit, LONGER)) : "");
    }

    private static StripSearch.Found find(StripCircuit circuit, int effort) {
        return StripSearch.find(
                        circuit,
                        TERMS,
                        BOARD,
                        Map.of(),
                        StripWeights.USUAL,
                        effort,
                        done -> {},
                        () -> false)
                .orElseThrow();
    }

    /** Board, links and cuts; and the wires for which there was no room. */
    private static String words(StripSearch.Found f) {
        StripPlan p = f.plan();
        return String.format(
                Locale.ROOT,
                "%d×%d %dl %dc%s",
                p.strips(),
                p.holes(),
                p.links().size(),
                p.cuts().size(),
                f.unjoined() > 0 ? " " + f.unjoined() + " open" : "");
    }

    /** A designator of the second or third circuit: R1 becomes R101, R201. */
    private static String renamed(String text, int circuit) {
        return circuit == 0 ? text : text.replaceAll("([A-Z]+)(\\d+)", "$1" + circuit + "0$2");
    }

    /** Circuits side by side, their nets and parts told apart by numbers. */
    private static StripCircuit circuit(List<String> names) throws Exception {
        StringBuilder parts = new StringBuilder("Designator,Value,Footprint\n");
        StringBuilder nets = new StringBuilder("Net,Pins\n");
        for (int i = 0; i < names.size(); i++) {
            String path = "/strip/" + names.get(i) + ".txt";
            try (InputStream in = StripPlans.class.getResourceAsStream(path)) {
                String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
                for (String l : text.split("\n")) {
                    if (l.contains(": ")) {
                        String[] net = l.split(": ");
                        nets.append(net[0]).append('_').append(i).append(',');
                        nets.append(renamed(net[1], i)).append('\n');
                        continue;
                    }
                    for (String p : l.split(" ")) {
                        String[] part = p.split("[=/]");
                        parts.append(renamed(part[0], i)).append(',').append(part[1]);
                        parts.append(',').append(part[2]).append('\n');
                    }
                }
            }
        }
        Pack pack =
                new Pack(
                        "circuit",
                        List.of(
                                file("connections.csv", nets.toString()),
                                file("parts.csv", parts.toString())));
        return StripCircuit.of(Intake.open(pack), Map.of());
    }

    private static Pack.PackFile file(String name, String text) {
        return new Pack.PackFile(name, text.getBytes(StandardCharsets.UTF_8));
    }
}
