package dev.lastcut.demo;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A demo board as drawn: parts, copper, holes, silk, and the rules it is drawn by. Places in mm.
 */
final class Design {
    /** An unplated hole or slot. */
    record Bare(Pt from, Pt to, long diameter) {}

    /** A line of silk text; {@code height} in mm. */
    record Label(String text, double x, double y, double height, int layer) {}

    final String name;
    final double width;
    final double height;
    final double corner;
    final int layers;
    final List<Part> parts = new ArrayList<>();
    final List<Copper> copper = new ArrayList<>();
    final List<Bare> bare = new ArrayList<>();
    final List<Label> labels = new ArrayList<>();
    final Map<String, Double> trackWidth = new LinkedHashMap<>();
    double usualTrack = 0.25;
    double gap = 0.2;
    double viaPad = 0.7;
    double viaDrill = 0.3;
    String pourNet = "";

    Design(String name, double width, double height, double corner, int layers) {
        this.name = name;
        this.width = width;
        this.height = height;
        this.corner = corner;
        this.layers = layers;
    }

    void part(
            String designator,
            String value,
            Footprint footprint,
            double x,
            double y,
            int rotation,
            String... nets) {
        part(designator, value, footprint, x, y, rotation, false, nets);
    }

    void part(
            String designator,
            String value,
            Footprint footprint,
            double x,
            double y,
            int rotation,
            boolean bottom,
            String... nets) {
        Catalogue.Entry e = Catalogue.lookUp(footprint.name(), value);
        Part part =
                new Part(
                        designator,
                        value,
                        footprint,
                        x,
                        y,
                        rotation,
                        bottom,
                        List.of(nets),
                        e.maker(),
                        e.number(),
                        e.description());
        parts.add(part);
        for (int i = 0; i < footprint.pads().size(); i++) {
            addPad(part, footprint.pads().get(i), i < nets.length ? nets[i] : "");
        }
    }

    private void addPad(Part part, Footprint.Pad pad, String net) {
        boolean turned = part.turned();
        int layer = pad.drill() > 0 ? -1 : part.bottom() ? 1 : 0;
        copper.add(
                new Copper.Pad(
                        part,
                        pad.name(),
                        net,
                        layer,
                        part.place(pad.x(), pad.y()),
                        Length.mm(turned ? pad.h() : pad.w()),
                        Length.mm(turned ? pad.w() : pad.h()),
                        pad.shape(),
                        Length.mm(pad.drill()),
                        Length.mm(pad.slot()),
                        !turned));
    }

    void track(String net, int layer, double width, double... xy) {
        for (int i = 2; i < xy.length; i += 2) {
            copper.add(
                    new Copper.Track(
                            net,
                            layer,
                            Pt.mm(xy[i - 2], xy[i - 1]),
                            Pt.mm(xy[i], xy[i + 1]),
                            Length.mm(width)));
        }
    }

    void mountingHole(double x, double y, double diameter) {
        bare.add(new Bare(Pt.mm(x, y), Pt.mm(x, y), Length.mm(diameter)));
    }

    long widthOf(String net) {
        return Length.mm(trackWidth.getOrDefault(net, usualTrack));
    }
}
