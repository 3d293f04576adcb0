package dev.lastcut.demo;

import dev.lastcut.core.geometry.Flattener;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Rings;
import dev.lastcut.core.geometry.Segment;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.locationtech.jts.geom.Geometry;

/** Writes the files of a design, with the slips in {@link Slips}. */
final class PackWriter {
    /**
     * The honest mistakes of a board.
     *
     * @param maskForgotten parts whose pads get no mask opening
     * @param listForgets placed parts left out of the list
     * @param listExtra lines of parts that are not placed
     * @param notFitted parts marked as not to be fitted
     */
    record Slips(
            Set<String> maskForgotten,
            Set<String> listForgets,
            Map<String, String> listExtra,
            Set<String> notFitted) {}

    private static final long MASK_GROWTH = 100_000;
    private static final long PASTE_SHRINK = 60_000;

    private final Design design;
    private final Dialect dialect;
    private final Slips slips;
    private final Map<String, byte[]> files = new LinkedHashMap<>();

    private PackWriter(Design design, Dialect dialect, Slips slips) {
        this.design = design;
        this.dialect = dialect;
        this.slips = slips;
    }

    static Map<String, byte[]> write(Design design, Dialect dialect, Slips slips) {
        PackWriter w = new PackWriter(design, dialect, slips);
        for (int layer = design.layers == 2 ? 0 : 1; layer < 2; layer++) {
            w.copper(layer);
            if (dialect.metric()) {
                w.mask(layer);
                w.paste(layer);
            }
        }
        w.silk();
        w.outline();
        w.drill(true);
        w.drill(false);
        w.netlist();
        w.partsList();
        w.placement();
        return w.files;
    }

    private String side(int layer) {
        return layer == 0 ? "top" : "bottom";
    }

    private String abbreviation(int layer) {
        return layer == 0 ? "Top" : "Bot";
    }

    private void put(String name, byte[] content) {
        files.put(design.name + "-" + name, content);
    }

    private void copper(int layer) {
        int number = layer + 1;
        GerberText g =
                new GerberText(dialect, "Copper,L" + number + "," + abbreviation(layer), true);
        if (!design.pourNet.isEmpty()) {
            g.net(design.pourNet, "", "");
            g.pour(Pour.fill(design, layer, board()));
        }
        for (Copper c : design.copper) {
            if (c.layer() >= 0 && c.layer() != layer) {
                continue;
            }
            if (c instanceof Copper.Track t) {
                g.net(t.net(), "", "");
                g.line(t.from(), t.to(), t.width(), "Conductor");
            }
        }
        for (Copper c : design.copper) {
            if (c.layer() >= 0 && c.layer() != layer) {
                continue;
            }
            if (c instanceof Copper.Via v) {
                g.net(v.net(), "", "");
                g.flash(Footprint.Shape.ROUND, v.pad(), v.pad(), v.at(), "ViaPad");
            } else if (c instanceof Copper.Pad p) {
                g.net(p.net(), p.part().designator(), p.pin());
                g.flash(p.form(), p.w(), p.h(), p.at(), padFunction(p));
            }
        }
        put("copper-" + side(layer) + ".gbr", g.bytes());
    }

    private static String padFunction(Copper.Pad p) {
        if (p.part().designator().startsWith("FID")) {
            return "FiducialPad,Local";
        }
        return p.drill() > 0 ? "ComponentPad" : "SMDPad,CuDef";
    }

    private void mask(int layer) {
        GerberText g = new GerberText(dialect, "Soldermask," + abbreviation(layer), false);
        for (Copper c : design.copper) {
            boolean here = c.layer() < 0 || c.layer() == layer;
            if (here
                    && c instanceof Copper.Pad p
                    && !slips.maskForgotten().contains(p.part().designator())) {
                long grow = p.part().designator().startsWith("FID") ? Length.mm(1) : MASK_GROWTH;
                g.flash(p.form(), p.w() + grow, p.h() + grow, p.at(), "");
            }
        }
        for (Design.Bare b : design.bare) {
            if (b.from().equals(b.to())) {
                long size = b.diameter() + 300_000;
                g.flash(Footprint.Shape.ROUND, size, size, b.from(), "");
            }
        }
        put("mask-" + side(layer) + ".gbr", g.bytes());
    }

    private void paste(int layer) {
        GerberText g = new GerberText(dialect, "Paste," + abbreviation(layer), true);
        for (Copper c : design.copper) {
            if (c.layer() == layer
                    && c instanceof Copper.Pad p
                    && !p.part().designator().matches("(TP|FID).*")) {
                g.flash(p.form(), p.w() - PASTE_SHRINK, p.h() - PASTE_SHRINK, p.at(), "");
            }
        }
        put("paste-" + side(layer) + ".gbr", g.bytes());
    }

    private void silk() {
        for (int layer = 0; layer < 2; layer++) {
            List<Pt[]> lines = Silk.lines(design, layer);
            if (lines.isEmpty()) {
                continue;
            }
            GerberText g = new GerberText(dialect, "Legend," + abbreviation(layer), true);
            for (Pt[] l : lines) {
                g.line(l[0], l[1], Length.mm(Silk.STROKE), "");
            }
            put("silk-" + side(layer) + ".gbr", g.bytes());
        }
    }

    /** The board's edge, counter-clockwise from the lower left corner's end. */
    private List<Segment> edge() {
        long w = Length.mm(design.width);
        long h = Length.mm(design.height);
        long r = Length.mm(design.corner);
        List<Segment> edge = new ArrayList<>();
        edge.add(new Segment.Line(new Pt(r, 0), new Pt(w - r, 0)));
        edge.add(new Segment.Arc(new Pt(w - r, 0), new Pt(w, r), w - r, r, false));
        edge.add(new Segment.Line(new Pt(w, r), new Pt(w, h - r)));
        edge.add(new Segment.Arc(new Pt(w, h - r), new Pt(w - r, h), w - r, h - r, false));
        edge.add(new Segment.Line(new Pt(w - r, h), new Pt(r, h)));
        edge.add(new Segment.Arc(new Pt(r, h), new Pt(0, h - r), r, h - r, false));
        edge.add(new Segment.Line(new Pt(0, h - r), new Pt(0, r)));
        edge.add(new Segment.Arc(new Pt(0, r), new Pt(r, 0), r, r, false));
        return edge;
    }

    private Geometry board() {
        return Rings.fill(Flattener.SCREEN.polyline(edge()));
    }

    private void outline() {
        GerberText g = new GerberText(dialect, "Profile,NP", true);
        for (Segment s : edge()) {
            if (s.from().equals(s.to())) {
                continue;
            }
            if (s instanceof Segment.Arc a) {
                Pt center = new Pt(Math.round(a.centerX()), Math.round(a.centerY()));
                g.arc(a.from(), a.to(), center, 100_000, "Profile");
            } else {
                g.line(s.from(), s.to(), 100_000, "Profile");
            }
        }
        put("outline.gbr", g.bytes());
    }

    private record Drilled(Pt from, Pt to) {}

    private Map<Long, List<Drilled>> holes(boolean plated) {
        Map<Long, List<Drilled>> bySize = new TreeMap<>();
        if (!plated) {
            design.bare.forEach(
                    b ->
                            bySize.computeIfAbsent(b.diameter(), k -> new ArrayList<>())
                                    .add(new Drilled(b.from(), b.to())));
            return bySize;
        }
        for (Copper c : design.copper) {
            if (c instanceof Copper.Via v) {
                bySize.computeIfAbsent(v.drill(), k -> new ArrayList<>())
                        .add(new Drilled(v.at(), v.at()));
            } else if (c instanceof Copper.Pad p && p.drill() > 0) {
                Pt half = p.slotAlongY() ? new Pt(0, p.slot() / 2) : new Pt(p.slot() / 2, 0);
                bySize.computeIfAbsent(p.drill(), k -> new ArrayList<>())
                        .add(new Drilled(p.at().minus(half), p.at().plus(half)));
            }
        }
        return bySize;
    }

    private void drill(boolean plated) {
        Map<Long, List<Drilled>> bySize = holes(plated);
        if (bySize.isEmpty()) {
            return;
        }
        StringBuilder out = new StringBuilder("M48\n");
        if (dialect.metric()) {
            out.append("; #@! TF.FileFunction,")
                    .append(plated ? "Plated,1,2,PTH" : "NonPlated,1,2,NPTH");
            out.append("\nMETRIC,TZ\n");
        } else {
            out.append("INCH,TZ\n");
        }
        int tool = 1;
        for (long size : bySize.keySet()) {
            out.append('T').append(tool++).append('C').append(dialect.size(size)).append('\n');
        }
        out.append("%\n");
        tool = 1;
        for (List<Drilled> list : bySize.values()) {
            out.append('T').append(tool++).append('\n');
            for (Drilled d : list) {
                out.append(drillPlace(d.from()));
                out.append(d.from().equals(d.to()) ? "" : "G85" + drillPlace(d.to())).append('\n');
            }
        }
        out.append("M30\n");
        String name =
                dialect.metric()
                        ? (plated ? "plated.drl" : "unplated.drl")
                        : plated ? "holes.drl" : "holes-mount.drl";
        put(name, out.toString().getBytes(StandardCharsets.US_ASCII));
    }

    private String drillPlace(Pt p) {
        long x = p.x() + dialect.originX();
        long y = p.y() + dialect.originY();
        if (dialect.metric()) {
            return String.format(Locale.ROOT, "X%.3fY%.3f", x / 1e6, y / 1e6);
        }
        return "X" + drillDigits(x) + "Y" + drillDigits(y);
    }

    private static String drillDigits(long nm) {
        return String.format(Locale.ROOT, "%06d", Math.round(nm / 2540.0));
    }

    private void netlist() {
        StringBuilder out = new StringBuilder();
        out.append("C  ").append(design.name).append('\n');
        out.append(dialect.metric() ? "P  UNITS CUST 1\n" : "P  UNITS CUST 0\n");
        for (Copper c : design.copper) {
            if (c instanceof Copper.Pad p && !p.net().isEmpty()) {
                out.append(
                        record(
                                p.net(),
                                p.part().designator(),
                                p.pin(),
                                p.drill(),
                                p.layer() < 0 ? 0 : p.layer() + 1,
                                p.at(),
                                p.w(),
                                p.h()));
            } else if (c instanceof Copper.Via v) {
                out.append(record(v.net(), "VIA", "", v.drill(), 0, v.at(), v.pad(), v.pad()));
            }
        }
        put("netlist.ipc", out.append("999\n").toString().getBytes(StandardCharsets.US_ASCII));
    }

    private String record(
            String net, String part, String pin, long drill, int access, Pt at, long w, long h) {
        String hole = drill > 0 ? String.format(Locale.ROOT, "D%04dP", units(drill)) : "      ";
        return String.format(
                                Locale.ROOT,
                                "%s%-14.14s   %-6.6s%s%-4.4s %s A%02dX%sY%sX%04dY%04dR000 S0",
                                drill > 0 ? "317" : "327",
                                net,
                                part,
                                pin.isEmpty() ? " " : "-",
                                pin,
                                hole,
                                access,
                                signed(at.x() + dialect.originX()),
                                signed(at.y() + dialect.originY()),
                                units(w),
                                units(h))
                        .replace(
                                " A" + String.format(Locale.ROOT, "%02d", access),
                                "A" + String.format(Locale.ROOT, "%02d", access))
                + "\n";
    }

    private long units(long nm) {
        return Math.round(dialect.metric() ? nm / 1e3 : nm / 2540.0);
    }

    private String signed(long nm) {
        long v = units(nm);
        return String.format(Locale.ROOT, "%s%06d", v < 0 ? "-" : "+", Math.abs(v));
    }

    private void partsList() {
        String sep = dialect.metric() ? "," : ";";
        List<String> rows = new ArrayList<>();
        rows.add(
                dialect.metric()
                        ? "Reference,Value,Footprint,Manufacturer,MPN,Description,DNP"
                        : "Ref;Value;Package;Maker;Part No;Description;DNP");
        for (Part p : design.parts) {
            if (isBought(p) && !slips.listForgets().contains(p.designator())) {
                boolean dnp = slips.notFitted().contains(p.designator());
                rows.add(
                        String.join(
                                sep,
                                p.designator(),
                                p.value(),
                                p.footprint().name(),
                                p.maker(),
                                p.number(),
                                p.description(),
                                dnp ? "yes" : ""));
            }
        }
        slips.listExtra()
                .forEach(
                        (ref, value) ->
                                rows.add(String.join(sep, ref, value, "C0603", "", "", "", "")));
        put("parts.csv", (String.join("\n", rows) + "\n").getBytes(StandardCharsets.UTF_8));
    }

    private static boolean isBought(Part p) {
        return !p.designator().matches("(TP|FID)\\d+");
    }

    private void placement() {
        StringBuilder out = new StringBuilder();
        boolean mm = dialect.metric();
        out.append(
                mm
                        ? "Ref,X (mm),Y (mm),Rotation,Side,Value,Footprint\n"
                        : "Ref X Y Rotation Side Value\n");
        for (Part p : design.parts) {
            if (isBought(p)) {
                double x = p.x() + dialect.originX() / 1e6;
                double y = p.y() + dialect.originY() / 1e6;
                String side = p.bottom() ? "bottom" : "top";
                int turn = p.rotation() * 90;
                out.append(
                        mm
                                ? String.format(
                                        Locale.ROOT,
                                        "%s,%.4f,%.4f,%d,%s,%s,%s%n",
                                        p.designator(),
                                        x,
                                        y,
                                        turn,
                                        side,
                                        p.value(),
                                        p.footprint().name())
                                : String.format(
                                        Locale.ROOT,
                                        "%s %.2fmil %.2fmil %d %s %s%n",
                                        p.designator(),
                                        x / 0.0254,
                                        y / 0.0254,
                                        turn,
                                        side,
                                        p.value().replace(' ', '_')));
            }
        }
        put(
                mm ? "placement.csv" : "placement.txt",
                out.toString().getBytes(StandardCharsets.UTF_8));
    }
}
