package dev.lastcut.demo;

import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/** Builds the text of one Gerber file of the demo, in its layout program's own manner. */
final class GerberText {
    private final Dialect dialect;
    private final String function;
    private final boolean positive;
    private final StringBuilder body = new StringBuilder();
    private final Map<String, Integer> apertures = new LinkedHashMap<>();
    private int selected = -1;
    private String net = "";

    GerberText(Dialect dialect, String function, boolean positive) {
        this.dialect = dialect;
        this.function = function;
        this.positive = positive;
    }

    private void select(String template, String apertureFunction) {
        String key = (dialect.metric() ? apertureFunction : "") + "|" + template;
        int code = apertures.computeIfAbsent(key, k -> 10 + apertures.size());
        if (code != selected) {
            body.append('D').append(code).append("*\n");
            selected = code;
        }
    }

    void net(String name, String component, String pin) {
        if (!dialect.metric()) {
            return;
        }
        String now = name + "|" + component + "|" + pin;
        if (now.equals(net)) {
            return;
        }
        body.append("%TD*%\n");
        if (!name.isEmpty()) {
            body.append("%TO.N,").append(name).append("*%\n");
        }
        if (!component.isEmpty()) {
            body.append("%TO.P,").append(component).append(',').append(pin).append("*%\n");
        }
        net = now;
    }

    void flash(Footprint.Shape shape, long w, long h, Pt at, String apertureFunction) {
        select(template(shape, w, h), apertureFunction);
        body.append(xy(at)).append("D03*\n");
    }

    private String template(Footprint.Shape shape, long w, long h) {
        String size = dialect.size(w) + "X" + dialect.size(h);
        return switch (shape) {
            case ROUND -> "C," + dialect.size(w);
            case RECT -> "R," + size;
            case OVAL -> "O," + size;
            case ROUNDED ->
                    dialect.metric() ? "SOFTBOX," + size + "X" + softness(w, h) : "R," + size;
        };
    }

    private String softness(long w, long h) {
        return dialect.size(Math.min(w, h) / 4.0);
    }

    void line(Pt a, Pt b, long width, String apertureFunction) {
        select("C," + dialect.size(width), apertureFunction);
        body.append(xy(a)).append("D02*\n").append(xy(b)).append("D01*\n");
    }

    /** A counter-clockwise arc of a quarter turn about a centre. */
    void arc(Pt from, Pt to, Pt center, long width, String apertureFunction) {
        select("C," + dialect.size(width), apertureFunction);
        Pt d = center.minus(from);
        body.append(xy(from)).append("D02*\nG03*\n").append(xy(to));
        body.append('I').append(dialect.ordinate(d.x()));
        body.append('J').append(dialect.ordinate(d.y())).append("D01*\nG01*\n");
    }

    /** Dark outer rings, their holes cleared again, larger areas first. */
    void pour(List<Polygon> polygons) {
        for (Polygon p : polygons) {
            region(p.getExteriorRing());
            if (p.getNumInteriorRing() > 0) {
                body.append("%LPC*%\n");
                for (int i = 0; i < p.getNumInteriorRing(); i++) {
                    region(p.getInteriorRingN(i));
                }
                body.append("%LPD*%\n");
            }
        }
    }

    private void region(LineString ring) {
        body.append("G36*\n");
        Coordinate[] c = ring.getCoordinates();
        for (int i = 0; i < c.length; i++) {
            body.append(xy(Pt.of(c[i]))).append(i == 0 ? "D02*\n" : "D01*\n");
        }
        body.append("G37*\n");
    }

    private String xy(Pt p) {
        return "X"
                + dialect.ordinate(p.x() + dialect.originX())
                + "Y"
                + dialect.ordinate(p.y() + dialect.originY());
    }

    byte[] bytes() {
        StringBuilder out = new StringBuilder();
        if (dialect.metric()) {
            out.append("%TF.GenerationSoftware,Beekeeping Club,Drawing Board,1*%\n");
            out.append("%TF.FileFunction,").append(function).append("*%\n");
            out.append("%TF.FilePolarity,")
                    .append(positive ? "Positive" : "Negative")
                    .append("*%\n");
            out.append("%FSLAX46Y46*%\n%MOMM*%\n");
            out.append(
                    """
                    %AMSOFTBOX*
                    0 $1 width, $2 height, $3 corner radius*
                    $4=$1-$3-$3*
                    $5=$2-$3-$3*
                    21,1,$1,$5,0,0,0*
                    21,1,$4,$2,0,0,0*
                    $4=$4/2*
                    $5=$5/2*
                    1,1,$3+$3,$4,$5*
                    1,1,$3+$3,0-$4,$5*
                    1,1,$3+$3,0-$4,0-$5*
                    1,1,$3+$3,$4,0-$5*%
                    """);
        } else {
            out.append("G04 Beekeeping club, joint box*\n%FSLAX24Y24*%\n%MOIN*%\nG70*\nG90*\n");
        }
        String last = "";
        for (Map.Entry<String, Integer> e : apertures.entrySet()) {
            String[] key = e.getKey().split("\\|", 2);
            if (!key[0].equals(last) && dialect.metric()) {
                out.append(
                        key[0].isEmpty()
                                ? "%TD.AperFunction*%\n"
                                : "%TA.AperFunction," + key[0] + "*%\n");
                last = key[0];
            }
            out.append("%ADD").append(e.getValue()).append(key[1]).append("*%\n");
        }
        if (!last.isEmpty()) {
            out.append("%TD*%\n");
        }
        out.append("G75*\nG01*\n").append(body).append("M02*\n");
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }
}
