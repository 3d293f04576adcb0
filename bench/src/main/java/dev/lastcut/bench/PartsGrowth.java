package dev.lastcut.bench;

import dev.lastcut.core.assembly.Cost;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Savings;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Price;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.DataValue;
import dev.lastcut.core.catalogue.Parameter;
import dev.lastcut.core.catalogue.Supply;
import dev.lastcut.core.formats.table.PartsListReader;
import dev.lastcut.core.formats.table.PlacementReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;

/**
 * Times a parts list of few kinds and a placement of growing length: both tables read, the parts
 * populated, folded, split, written, priced, and looked over for savings; beside that the time for
 * splitting the same text at its commas. Start it in a heap of 1 GiB.
 */
public final class PartsGrowth {
    private static final int[] SIZES = {300, 900, 2_700, 8_100};
    private static final int KINDS = 60;
    private static final double[] OHMS = {1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2};

    private PartsGrowth() {}

    public static void main(String[] args) {
        PrintStream out = System.out;
        round(SIZES[0]);
        round(SIZES[1]);
        out.printf(
                "%-12s %9s %9s %9s %9s %9s %7s%n",
                "designators", "split ms", "read ms", "fold ms", "price ms", "all ms", "ratio");
        double[] all = new double[SIZES.length];
        for (int i = 0; i < SIZES.length; i++) {
            double[] t = round(SIZES[i]);
            all[i] = t[1] + t[2] + t[3];
            out.printf(
                    "%-12d %9.1f %9.1f %9.1f %9.1f %9.1f %7.1f%n",
                    SIZES[i], t[0], t[1], t[2], t[3], all[i], all[i] / t[0]);
        }
        int last = SIZES.length - 1;
        out.printf(
                "growth from %d to %d designators: n^%.2f%n",
                SIZES[0],
                SIZES[last],
                Math.log(all[last] / all[0]) / Math.log((double) SIZES[last] / SIZES[0]));
    }

    /** Milliseconds: splitting alone, reading, folding and writing, pricing and savings. */
    private static double[] round(int designators) {
        String list = list(designators);
        String placement = placement(designators + designators / 9);
        double split =
                ms(
                        () -> {
                            for (String l : (list + placement).split("\n")) {
                                l.split(",");
                            }
                        });
        Board[] board = new Board[1];
        double read =
                ms(
                        () -> {
                            var parts = PartsListReader.read("parts.csv", bytes(list)).parts();
                            var placed =
                                    PlacementReader.read("placement.csv", bytes(placement)).parts();
                            board[0] =
                                    new Board(
                                            List.of(),
                                            List.of(),
                                            Optional.empty(),
                                            List.of(),
                                            Optional.empty(),
                                            Optional.of(parts),
                                            Optional.of(placed),
                                            List.of());
                        });
        CapabilitySheet sheet = sheet();
        List<List<Part>> parts = new ArrayList<>();
        PartsPlan plan = PartsPlan.NONE.knowing(known());
        double fold =
                ms(
                        () -> {
                            parts.add(Population.of(board[0], plan.variants()));
                            List<PartsList.Line> lines =
                                    PartsList.split(
                                            PartsList.kinds(parts.get(0)), OptionalInt.of(40));
                            PartsList.csv(lines, Assembly.ListForm.USUAL);
                            PartsList.xlsx(lines, Assembly.ListForm.USUAL);
                            PlacementTable.csv(
                                    parts.get(0), Assembly.PlacementForm.USUAL, Turns.NONE);
                        });
        double price =
                ms(
                        () -> {
                            Cost.of(parts.get(0), plan.known(), sheet, 100, true);
                            Savings.of(
                                    parts.get(0),
                                    plan,
                                    List.copyOf(plan.known().values()),
                                    sheet,
                                    100,
                                    true);
                        });
        return new double[] {split, read, fold, price};
    }

    private static byte[] bytes(String s) {
        return s.getBytes(StandardCharsets.UTF_8);
    }

    private static String value(int kind) {
        return (long) (OHMS[kind % OHMS.length] * Math.pow(10, 1 + kind / OHMS.length)) + "";
    }

    private static String list(int designators) {
        StringBuilder all = new StringBuilder("Ref,Value,Package,MPN\n");
        for (int i = 1; i <= designators; i++) {
            int kind = i % KINDS;
            all.append("R" + i + "," + value(kind) + ",R0603,N" + kind + "\n");
        }
        return all.toString();
    }

    private static String placement(int lines) {
        Random r = new Random(9);
        StringBuilder all = new StringBuilder("Ref,Value,Package,X,Y,Rotation,Side\n");
        for (int i = 1; i <= lines; i++) {
            all.append("R" + i + "," + value(i % KINDS) + ",R0603,");
            all.append(r.nextInt(300) + "." + r.nextInt(999) + "," + r.nextInt(200) + ",90,top\n");
        }
        return all.toString();
    }

    private static Map<String, CataloguePart> known() {
        Map<String, CataloguePart> all = new LinkedHashMap<>();
        for (int k = 0; k < KINDS; k++) {
            all.put(
                    "N" + k,
                    new CataloguePart(
                            "N" + k,
                            "",
                            "resistor",
                            "",
                            "0603",
                            Optional.empty(),
                            Map.of(
                                    Parameter.RESISTANCE.id(),
                                    DataValue.typ(Double.parseDouble(value(k)), "Ω")),
                            List.of(),
                            new Supply(
                                    5000,
                                    "EUR",
                                    List.of(
                                            new Supply.Break(1, 0.01),
                                            new Supply.Break(100, 0.004)),
                                    Optional.empty(),
                                    k % 3 > 0,
                                    Supply.Life.MADE),
                            ""));
        }
        return all;
    }

    private static CapabilitySheet sheet() {
        return new CapabilitySheet(
                        "house",
                        "A house",
                        CapabilitySheet.Kind.HOUSE,
                        "",
                        Map.of(),
                        2,
                        true,
                        Map.of(),
                        List.of(),
                        new Price("EUR", 0, 0, 0),
                        Optional.empty())
                .with(
                        new Assembly(
                                List.of(Side.TOP),
                                new Assembly.Counts(
                                        OptionalInt.of(40),
                                        OptionalInt.empty(),
                                        OptionalInt.empty(),
                                        OptionalInt.of(10)),
                                new Assembly.Fees(10, 0.002, 3, 5),
                                Assembly.ListForm.USUAL,
                                Optional.empty(),
                                Optional.empty()));
    }

    static double ms(Runnable work) {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e6;
    }
}
