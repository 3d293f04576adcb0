package dev.lastcut.bench;

import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.core.panel.Join;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.panel.Rails;
import dev.lastcut.core.stencil.StencilPlan;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Times panels of demo boards, from the plan to every output's bytes, beside the outputs of the
 * single board in the same run. Start it in the project's folder and a heap of 1 GiB.
 */
public final class PanelGrowth {
    private static final CapabilitySheet HOUSE =
            new CapabilitySheet(
                    "bench",
                    "Bench",
                    CapabilitySheet.Kind.HOUSE,
                    "",
                    Map.of(),
                    4,
                    true,
                    Map.of(),
                    List.of(),
                    new Price("EUR", 0, 0, 0),
                    Optional.empty());

    private PanelGrowth() {}

    public static void main(String[] args) throws Exception {
        PrintStream out = System.out;
        out.printf(
                "%-24s %7s %10s %10s %9s %10s %7s%n",
                "board", "boards", "single ms", "laid ms", "whole ms", "outputs ms", "x");
        for (int warm = 0; warm < 3; warm++) {
            row("hive-scale-node", 3, 4, warm == 2 ? out : null);
        }
        row("hive-scale-node", 1, 2, out);
        row("hive-scale-node", 6, 8, out);
        row("honeycomb-tag", 10, 11, out);
        row("honeycomb-tag", 15, 22, out);
    }

    private static void row(String name, int rows, int columns, PrintStream out) throws Exception {
        byte[] zip = Files.readAllBytes(Path.of("demo/packs/" + name + ".zip"));
        Pack pack = PackReader.fromZip(name, zip);
        BoardGeometry g = new BoardGeometry(Intake.open(pack));
        PanelPlan plan =
                new PanelPlan(
                        rows,
                        columns,
                        Optional.empty(),
                        0,
                        Join.TABS,
                        Rails.ALL,
                        7,
                        PanelPlan.TabForm.USUAL,
                        3,
                        3,
                        List.of(),
                        List.of());
        double single = time(() -> make(g, Optional.empty()));
        PanelAsk ask = new PanelAsk(plan, PartsPlan.NONE, Map.of(), Optional.empty());
        double laid = time(() -> ask.on(g).panel().orElseThrow());
        double whole = time(() -> ask.on(g).panel().orElseThrow().whole());
        double both = time(() -> make(g, Optional.of(ask)));
        if (out != null) {
            double all = laid + whole + both - single;
            out.printf(
                    "%-24s %7d %10.0f %10.0f %9.0f %10.0f %7.1f%n",
                    name, rows * columns, single, laid, whole, both - single, all / single);
        }
    }

    private static OutputSet make(BoardGeometry g, Optional<PanelAsk> panel) {
        return OutputSet.make(
                g,
                HOUSE,
                MillSetup.USUAL,
                Map.of(),
                PartsPlan.NONE,
                StencilPlan.AS_DRAWN,
                Order.USUAL,
                panel);
    }

    private interface Work {
        Object run();
    }

    private static double time(Work work) {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e6;
    }
}
