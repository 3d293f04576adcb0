package dev.lastcut.bench;

import dev.lastcut.core.intake.Pack;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Writes packs of any size for measuring: four copper layers, parts of ten pads in a grid, each
 * with its tracks and vias, a plane with a clearance around every via but those of one part, mask,
 * paste, silk, holes, netlist, parts list and placement. About 67 graphical objects a part.
 */
public final class LargeBoard {
    private static final double PITCH_MM = 5;
    private static final String HEAD =
            "%%TF.FileFunction,%s*%%\n%%FSLAX46Y46*%%\n%%MOMM*%%\nG01*\n";

    private final int parts;
    private final int columns;
    private final StringBuilder top = file("Copper,L1,Top");
    private final StringBuilder plane = file("Copper,L2,Inr");
    private final StringBuilder inner = file("Copper,L3,Inr");
    private final StringBuilder bottom = file("Copper,L4,Bot");
    private final StringBuilder mask = file("Soldermask,Top");
    private final StringBuilder paste = file("Paste,Top");
    private final StringBuilder silk = file("Legend,Top");
    private final StringBuilder outline = file("Profile,NP");
    private final StringBuilder drill =
            new StringBuilder("M48\n; #@! TF.FileFunction,Plated,1,4,PTH\nMETRIC\nT1C0.3\n%\nT1\n");
    private final StringBuilder netlist = new StringBuilder("P  UNITS CUST 1\n");
    private final StringBuilder list = new StringBuilder("Designator,Value,Footprint\n");
    private final StringBuilder placement =
            new StringBuilder("Designator,X (mm),Y (mm),Rotation,Side\n");

    private LargeBoard(int objects) {
        parts = Math.max(4, objects / 67);
        columns = (int) Math.ceil(Math.sqrt(parts));
    }

    /** A pack of about that many graphical objects. */
    public static Pack pack(int objects) {
        return new LargeBoard(objects).write();
    }

    private static StringBuilder file(String function) {
        return new StringBuilder(String.format(Locale.ROOT, HEAD, function));
    }

    private Pack write() {
        top.append("%ADD10C,0.2*%\n%ADD11R,0.3X1.2*%\n%ADD12C,0.6*%\n");
        bottom.append("%ADD10C,0.2*%\n%ADD12C,0.6*%\n");
        inner.append("%ADD10C,0.2*%\n%ADD12C,0.6*%\n");
        mask.append("%ADD11R,0.4X1.3*%\nD11*\n");
        paste.append("%ADD11R,0.28X1.1*%\nD11*\n");
        silk.append("%ADD10C,0.15*%\nD10*\n");
        outline.append("%ADD10C,0.1*%\nD10*\n");
        double size = columns * PITCH_MM;
        path(outline, -1, -1, size + 1, -1, size + 1, size + 1, -1, size + 1, -1, -1);
        plane.append("%ADD12C,1.0*%\nG36*\n");
        path(plane, 0.5, 0.5, size - 0.5, 0.5, size - 0.5, size - 0.5, 0.5, size - 0.5, 0.5, 0.5);
        plane.append("G37*\n%LPC*%\nD12*\n");
        for (int i = 0; i < parts; i++) {
            part(i, (i % columns + 0.5) * PITCH_MM, (i / columns + 0.5) * PITCH_MM);
        }
        List<Pack.PackFile> files = new ArrayList<>();
        add(files, "top.gbr", top.append("M02*\n"));
        add(files, "plane.gbr", plane.append("M02*\n"));
        add(files, "inner.gbr", inner.append("M02*\n"));
        add(files, "bottom.gbr", bottom.append("M02*\n"));
        add(files, "mask-top.gbr", mask.append("M02*\n"));
        add(files, "paste-top.gbr", paste.append("M02*\n"));
        add(files, "silk-top.gbr", silk.append("M02*\n"));
        add(files, "outline.gbr", outline.append("M02*\n"));
        add(files, "plated.drl", drill.append("M30\n"));
        add(files, "netlist.ipc", netlist.append("999\n"));
        add(files, "parts.csv", list);
        add(files, "placement.csv", placement);
        return new Pack("large-" + parts, files);
    }

    /** The same pack without the attributes by which files say what they are. */
    static Pack silent(Pack pack) {
        return new Pack(
                pack.name(),
                pack.files().stream()
                        .map(
                                f ->
                                        new Pack.PackFile(
                                                f.path(),
                                                new String(f.content(), StandardCharsets.UTF_8)
                                                        .replaceAll("%TF[^%]*%\\n", "")
                                                        .getBytes(StandardCharsets.UTF_8)))
                        .toList());
    }

    private static void add(List<Pack.PackFile> files, String path, CharSequence text) {
        files.add(new Pack.PackFile(path, text.toString().getBytes(StandardCharsets.UTF_8)));
    }

    /** Ten pads in two rows; every pad's track leaves to the side, three of them to a via. */
    private void part(int number, double cx, double cy) {
        String name = "U" + (number + 1);
        list.append(name).append(",LOGIC,SO10\n");
        placement.append(String.format(Locale.ROOT, "%s,%.3f,%.3f,0,top%n", name, cx, cy));
        top.append("D11*\n");
        for (int pin = 0; pin < 10; pin++) {
            double x = cx + (pin % 5 - 2) * 0.65;
            double y = cy + (pin < 5 ? -1.2 : 1.2);
            flash(top, x, y);
            flash(mask, x, y);
            flash(paste, x, y);
            // The first four pads of both rows are joined across, the fifth ones stand alone.
            int net = pin > 4 && pin < 9 ? pin - 5 : pin;
            netlist.append(record("N" + number + "P" + net, name, pin + 1, x, y));
        }
        top.append("D10*\n");
        for (int pin = 0; pin < 8; pin++) {
            double x = cx + (pin % 4 - 2) * 0.65;
            double way = pin < 4 ? -1 : 1;
            double y = cy + way * 1.2;
            path(top, x, y, x, y - way * 0.85, x + 0.15, y - way * 1.0, x + 0.15, cy);
        }
        bottom.append("D10*\n");
        inner.append("D10*\n");
        path(bottom, cx - 2, cy - 1, cx - 1, cy, cx + 1, cy, cx + 2, cy + 1, cx + 2.2, cy + 1);
        path(inner, cx - 2, cy - 1, cx - 1, cy - 2, cx + 1, cy - 2.1, cx + 2, cy - 2.1);
        path(silk, cx - 1.8, cy - 0.3, cx + 1.8, cy - 0.3, cx + 1.8, cy + 0.3, cx - 1.8, cy + 0.3);
        top.append("D12*\n");
        bottom.append("D12*\n");
        inner.append("D12*\n");
        double[][] vias = {{-2, -1}, {2.2, 1}, {2, -2.1}};
        for (double[] v : vias) {
            flash(top, cx + v[0], cy + v[1]);
            flash(bottom, cx + v[0], cy + v[1]);
            flash(inner, cx + v[0], cy + v[1]);
            if (number != parts / 2 + 1) {
                flash(plane, cx + v[0], cy + v[1]);
            }
            drill.append(String.format(Locale.ROOT, "X%.3fY%.3f%n", cx + v[0], cy + v[1]));
        }
    }

    private static String record(String net, String part, int pin, double x, double y) {
        return String.format(
                Locale.ROOT,
                "327%-14s   %-6s-%-4s       A01X%+07dY%+07dX0300Y1200R000 S1%n",
                net,
                part,
                pin,
                Math.round(x * 1000),
                Math.round(y * 1000));
    }

    private static void path(StringBuilder out, double... xy) {
        for (int i = 0; i < xy.length; i += 2) {
            point(out, xy[i], xy[i + 1]).append(i == 0 ? "D02*\n" : "D01*\n");
        }
    }

    private static void flash(StringBuilder out, double x, double y) {
        point(out, x, y).append("D03*\n");
    }

    private static StringBuilder point(StringBuilder out, double x, double y) {
        return out.append('X').append(Math.round(x * 1e6)).append('Y').append(Math.round(y * 1e6));
    }
}
