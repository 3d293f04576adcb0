package dev.lastcut.core.adapter;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.formats.drill.DrillWriter;
import dev.lastcut.core.formats.gerber.GerberWriter;
import dev.lastcut.core.formats.netlist.NetlistWriter;
import dev.lastcut.core.formats.table.TableWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The files of an adapter board, as any layout's: a pack to be brought in like others. */
public final class AdapterPack {
    private AdapterPack() {}

    /** The files by name. */
    public static Map<String, byte[]> of(AdapterForm form) {
        AdapterBoard drawn = new AdapterBoard(form);
        Map<String, byte[]> files = new LinkedHashMap<>();
        gerber(files, "copper-top", "Copper,L1,Top", true, drawn.copperTop);
        gerber(files, "copper-bottom", "Copper,L2,Bot", true, drawn.copperBottom);
        gerber(files, "mask-top", "Soldermask,Top", false, drawn.maskTop);
        gerber(files, "mask-bottom", "Soldermask,Bot", false, drawn.maskBottom);
        gerber(files, "paste-top", "Paste,Top", true, drawn.paste);
        gerber(files, "silk-top", "Legend,Top", true, drawn.silk);
        gerber(files, "outline", "Profile,NP", true, drawn.edge);
        files.put("adapter-holes.drl", DrillWriter.write(drawn.holes, true, 2));
        files.put("adapter-netlist.ipc", NetlistWriter.write(drawn.places));
        files.put("adapter-parts.csv", parts(form));
        files.put("adapter-placement.csv", placement(form, drawn));
        return files;
    }

    private static void gerber(
            Map<String, byte[]> files,
            String name,
            String function,
            boolean positive,
            List<Feature> drawn) {
        files.put(
                "adapter-" + name + ".gbr",
                GerberWriter.write(GerberWriter.fileAttributes(function, positive), drawn));
    }

    private static int headers(AdapterForm form) {
        return form.rows();
    }

    private static String headerFootprint(int pins) {
        return "HEADER_1X" + pins;
    }

    private static byte[] parts(AdapterForm form) {
        List<List<String>> rows = new ArrayList<>();
        String value = form.name().isEmpty() ? "adapted part" : form.name();
        rows.add(List.of("U1", value, footprint(form), "1"));
        List<String> names = new ArrayList<>();
        for (int i = 1; i <= headers(form); i++) {
            names.add("J" + i);
        }
        rows.add(
                List.of(
                        String.join(" ", names),
                        "1 x " + form.pinsPerRow(),
                        headerFootprint(form.pinsPerRow()),
                        String.valueOf(headers(form))));
        if (form.exposedPad() > 0) {
            rows.add(List.of("J" + (headers(form) + 1), "1 x 1", headerFootprint(1), "1"));
        }
        return TableWriter.csv(List.of("Designator", "Value", "Footprint", "Quantity"), rows);
    }

    private static String footprint(AdapterForm form) {
        return String.format(
                Locale.ROOT, "LEADS_%dX%d_P%.2fMM", form.rows(), form.pinsPerRow(), form.pitch());
    }

    private static byte[] placement(AdapterForm form, AdapterBoard adapter) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(place("U1", 0, 0, footprint(form)));
        Map<Integer, double[]> middle = new LinkedHashMap<>();
        for (AdapterBoard.Lead l : adapter.leads) {
            double[] sum = middle.computeIfAbsent(l.side(), k -> new double[2]);
            sum[0] += l.headX() / form.pinsPerRow();
            sum[1] += l.headY() / form.pinsPerRow();
        }
        middle.forEach(
                (side, at) ->
                        rows.add(
                                place(
                                        "J" + (form.rows() == 2 && side == 2 ? 2 : side + 1),
                                        at[0],
                                        at[1],
                                        headerFootprint(form.pinsPerRow()))));
        if (form.exposedPad() > 0) {
            rows.add(
                    place(
                            "J" + (headers(form) + 1),
                            adapter.lowestX(),
                            adapter.lowest,
                            headerFootprint(1)));
        }
        return TableWriter.csv(
                List.of("Designator", "Mid X (mm)", "Mid Y (mm)", "Rotation", "Side", "Footprint"),
                rows);
    }

    private static List<String> place(String name, double x, double y, String footprint) {
        return List.of(
                name,
                String.format(Locale.ROOT, "%.4f", x),
                String.format(Locale.ROOT, "%.4f", y),
                "0",
                "top",
                footprint);
    }
}
