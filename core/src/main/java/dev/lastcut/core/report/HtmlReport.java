package dev.lastcut.core.report;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.Outcome;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Measure;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/** The report as one HTML file with its pictures inside, for the screen and for printing. */
public final class HtmlReport {
    private static final String STYLE =
            """
            body{font:15px/1.45 sans-serif;color:#2c2822;background:#faf6ec;margin:2em auto;max-width:62em;padding:0 1em}
            h1{font-size:1.6em;margin:0}h2{font-size:1.2em;margin:1.6em 0 .5em}
            .finding{display:flex;gap:1em;border-top:1px solid #d8ccb4;padding:.8em 0;break-inside:avoid}
            .finding svg{flex:none;width:16em;height:12em;background:#fffdf7;border:1px solid #d8ccb4}
            .m{font-family:monospace}.s{display:inline-block;padding:0 .5em;color:#fff;border-radius:3px}
            .stop{background:#a3262a}.look{background:#8a5a00}.note{background:#4d5a6a}.good{color:#1d6b45}
            table{border-collapse:collapse}td{border-top:1px solid #e4dac6;padding:.2em .8em .2em 0;vertical-align:top}
            @media print{body{background:#fff;margin:0;max-width:none}}
            """;

    private final CheckReport report;
    private final StringBuilder out = new StringBuilder();

    private HtmlReport(CheckReport report) {
        this.report = report;
    }

    public static byte[] write(CheckReport report) {
        return new HtmlReport(report).write();
    }

    private byte[] write() {
        String title = "Check of " + escaped(report.job());
        out.append("<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>");
        out.append(title).append("</title><style>\n").append(STYLE).append("</style></head><body>");
        out.append("\n<h1>").append(title).append("</h1>\n<p>").append(escaped(report.created()));
        report.against().forEach(line -> out.append("<br>").append(escaped(line)));
        out.append("</p>\n<p><b>").append(report.summary()).append("</b></p>\n");
        out.append("<h2>Findings</h2>\n");
        List<Finding> findings = report.run().findings();
        Map<String, String> titles = report.titles();
        for (int i = 0; i < findings.size(); i++) {
            finding(i, findings.get(i), titles.get(findings.get(i).rule()));
        }
        if (findings.isEmpty()) {
            out.append("<p>None.</p>\n");
        }
        list("Could not be checked", Outcome.Status.NOT_RUN);
        list("Checked and passed", Outcome.Status.PASSED);
        return out.append("</body></html>\n").toString().getBytes(StandardCharsets.UTF_8);
    }

    private void finding(int index, Finding f, String title) {
        String severity = f.severity().id();
        out.append("<div class=\"finding\" id=\"").append(escaped(f.id())).append("\">");
        if (report.hasPicture(index, f)) {
            picture(FindingPicture.of(report.geometryOf(f), f));
        }
        out.append("<div><span class=\"s ").append(severity).append("\">").append(index + 1);
        out.append(' ').append(severity).append("</span> <b>").append(escaped(title));
        out.append("</b><br><span class=\"m\">").append(escaped(CheckReport.measure(f)));
        out.append("</span><br><span class=\"m\">").append(CheckReport.place(f));
        out.append("</span> ").append(escaped(CheckReport.layers(f)));
        out.append("<p>").append(escaped(f.message())).append("</p>");
        report.signOff(f).ifPresent(this::signOff);
        out.append("</div></div>\n");
    }

    private void signOff(SignOff s) {
        out.append("<p class=\"good\">Signed off by ").append(escaped(s.by())).append(", ");
        out.append(escaped(s.at())).append(": ").append(escaped(s.reason())).append("</p>");
    }

    private void list(String heading, Outcome.Status status) {
        out.append("<h2>").append(heading).append("</h2>\n<table>");
        for (CheckRun.Result r : report.with(status)) {
            out.append("<tr><td>").append(escaped(r.title())).append("</td><td>");
            out.append(escaped(r.outcome().reason())).append("</td></tr>\n");
        }
        out.append("</table>\n");
    }

    private void picture(FindingPicture p) {
        Envelope w = p.window();
        out.append(
                String.format(
                        Locale.ROOT,
                        "<svg viewBox=\"0 0 %.3f %.3f\">",
                        mm(w.getWidth()),
                        mm(w.getHeight())));
        double hair = mm(w.getWidth()) / 220;
        for (FindingPicture.Film f : p.films()) {
            path(f.shape(), w);
            out.append(
                    String.format(
                            Locale.ROOT,
                            "fill-rule=\"evenodd\" style=\"mix-blend-mode:multiply\""
                                    + " fill=\"rgb(%d,%d,%d)\"/>",
                            f.ink()[0],
                            f.ink()[1],
                            f.ink()[2]));
        }
        for (Geometry h : p.holes()) {
            path(h, w);
            out.append(stroke("#3a332b", hair)).append(" fill=\"#fff\"/>");
        }
        path(p.edge(), w);
        out.append(stroke("#3a332b", hair * 2)).append(" fill=\"none\"/>");
        p.also().forEach(m -> line(m, w, "#3a332b", hair));
        line(p.caliper(), w, "#a3262a", hair * 2);
        double r = hair * 4;
        for (var at : List.of(p.caliper().from(), p.caliper().to())) {
            out.append(
                    String.format(
                            Locale.ROOT,
                            "<circle cx=\"%.4f\" cy=\"%.4f\" r=\"%.4f\" ",
                            mm(at.x() - w.getMinX()),
                            mm(w.getMaxY() - at.y()),
                            r));
            out.append(stroke("#a3262a", hair)).append(" fill=\"none\"/>");
        }
        out.append("</svg>");
    }

    private void line(Measure m, Envelope w, String colour, double width) {
        out.append(
                String.format(
                        Locale.ROOT,
                        "<line x1=\"%.4f\" y1=\"%.4f\" x2=\"%.4f\" y2=\"%.4f\" ",
                        mm(m.from().x() - w.getMinX()),
                        mm(w.getMaxY() - m.from().y()),
                        mm(m.to().x() - w.getMinX()),
                        mm(w.getMaxY() - m.to().y())));
        out.append(stroke(colour, width)).append("/>");
    }

    private static String stroke(String colour, double width) {
        return String.format(Locale.ROOT, "stroke=\"%s\" stroke-width=\"%.4f\"", colour, width);
    }

    /** Opens a path; the caller ends it with its ink. */
    private void path(Geometry g, Envelope w) {
        out.append("<path d=\"");
        List<Geometry> lines = new ArrayList<>();
        if (g.getDimension() == 2) {
            Geo.eachPolygon(
                    g,
                    p -> {
                        lines.add(p.getExteriorRing());
                        for (int i = 0; i < p.getNumInteriorRing(); i++) {
                            lines.add(p.getInteriorRingN(i));
                        }
                    });
        } else {
            for (int i = 0; i < g.getNumGeometries(); i++) {
                lines.add(g.getGeometryN(i));
            }
        }
        for (Geometry line : lines) {
            char command = 'M';
            for (Coordinate c : line.getCoordinates()) {
                out.append(
                        String.format(
                                Locale.ROOT,
                                "%c%.4f %.4f",
                                command,
                                mm(c.x - w.getMinX()),
                                mm(w.getMaxY() - c.y)));
                command = 'L';
            }
        }
        out.append("\" ");
    }

    private static double mm(double nm) {
        return nm / 1e6;
    }

    private static String escaped(String s) {
        return s.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
