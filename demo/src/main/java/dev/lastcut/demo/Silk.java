package dev.lastcut.demo;

import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** The silk of one side: part outlines, designators where there is room, labels. */
final class Silk {
    static final double STROKE = 0.15;
    private static final double TEXT = 1.0;

    private final Design design;
    private final int layer;
    private final List<Geometry> pads = new ArrayList<>();
    private final List<Envelope> taken = new ArrayList<>();
    private final List<Pt[]> lines = new ArrayList<>();

    private Silk(Design design, int layer) {
        this.design = design;
        this.layer = layer;
    }

    /** Centre lines of strokes {@link #STROKE} wide. */
    static List<Pt[]> lines(Design design, int layer) {
        Silk silk = new Silk(design, layer);
        for (Copper c : design.copper) {
            if (c instanceof Copper.Pad && (c.layer() < 0 || c.layer() == layer)) {
                silk.pads.add(c.shape());
            }
        }
        design.bare.forEach(
                b ->
                        silk.pads.add(
                                Geo.offset(
                                        Geo.line(b.from(), b.to()).getCentroid(),
                                        b.diameter() / 2.0,
                                        5_000)));
        for (Design.Label label : design.labels) {
            if (label.layer() == layer) {
                silk.text(label.text(), label.x(), label.y(), label.height());
                double w = StrokeFont.width(label.text(), label.height());
                double mirror = layer == 1 ? -w : 0;
                silk.taken.add(
                        box(
                                label.x() + mirror,
                                label.y(),
                                label.x() + mirror + w,
                                label.y() + label.height()));
            }
        }
        for (Part p : design.parts) {
            if (p.bottom() == (layer == 1)) {
                silk.body(p);
            }
        }
        for (Part p : design.parts) {
            if (p.bottom() == (layer == 1)) {
                silk.designator(p);
            }
        }
        return silk.lines;
    }

    private void body(Part p) {
        for (double[] l : p.footprint().silk()) {
            Pt a = p.place(l[0], l[1]);
            Pt b = p.place(l[2], l[3]);
            if (clearOfPads(Geo.line(a, b), 0.28)) {
                lines.add(new Pt[] {a, b});
                taken.add(new Envelope(a.coordinate(), b.coordinate()));
            }
        }
    }

    private boolean clearOfPads(Geometry g, double mm) {
        return pads.stream().noneMatch(pad -> pad.isWithinDistance(g, Length.mm(mm)));
    }

    private void designator(Part p) {
        double w = StrokeFont.width(p.designator(), TEXT);
        double bw = (p.turned() ? p.footprint().bodyH() : p.footprint().bodyW()) / 2;
        double bh = (p.turned() ? p.footprint().bodyW() : p.footprint().bodyH()) / 2;
        for (double extra = 0.15; extra < 2.2; extra += 0.2) {
            double[][] places = {
                {p.x() - w / 2, p.y() + bh + extra},
                {p.x() - w / 2, p.y() - bh - extra - TEXT},
                {p.x() + bw + extra, p.y() - TEXT / 2},
                {p.x() - bw - extra - w, p.y() - TEXT / 2},
                {p.x() - bw, p.y() + bh + extra},
                {p.x() + bw - w, p.y() + bh + extra},
                {p.x() - bw, p.y() - bh - extra - TEXT},
                {p.x() + bw - w, p.y() - bh - extra - TEXT},
            };
            for (double[] at : places) {
                if (tryText(p.designator(), at[0], at[1], w)) {
                    return;
                }
            }
        }
    }

    private boolean tryText(String text, double x, double y, double w) {
        Envelope e = box(x - 0.12, y - 0.12, x + w + 0.12, y + TEXT + 0.12);
        boolean inside =
                x > 0.8 && y > 0.8 && x + w < design.width - 0.8 && y + TEXT < design.height - 0.8;
        boolean free = inside && taken.stream().noneMatch(t -> t.intersects(e));
        if (!free || !clearOfPads(Geo.rectangle(e), 0.15)) {
            return false;
        }
        taken.add(e);
        text(text, layer == 1 ? x + w : x, y, TEXT);
        return true;
    }

    /** On the bottom, text runs to the left from x, to be read from below. */
    private void text(String text, double x, double y, double height) {
        for (double[] l : StrokeFont.lines(text, 0, 0, height)) {
            double sign = layer == 1 ? -1 : 1;
            lines.add(
                    new Pt[] {Pt.mm(x + sign * l[0], y + l[1]), Pt.mm(x + sign * l[2], y + l[3])});
        }
    }

    private static Envelope box(double x0, double y0, double x1, double y1) {
        return new Envelope(Length.mm(x0), Length.mm(x1), Length.mm(y0), Length.mm(y1));
    }
}
