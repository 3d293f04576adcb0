package dev.lastcut.core.formats.drawing;

import dev.lastcut.core.board.Problem.Code;
import dev.lastcut.core.formats.ProblemLog;
import dev.lastcut.core.geometry.Length;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * Reads the flat entities of a DXF text file: lines, arcs, circles, polylines with bulges,
 * ellipses, splines and blocks of them. Group codes after the published DXF reference, from memory.
 */
public final class DxfReader {
    private static final int DEEPEST = 16;
    private static final int MOST_ENTITIES = 500_000;

    private final ProblemLog log;
    private final Map<String, List<DxfEntity>> blocks = new HashMap<>();
    private final PathBuilder paths = new PathBuilder();
    private final Map<String, Integer> left = new TreeMap<>();

    private int entities;

    private DxfReader(String file) {
        this.log = new ProblemLog(file);
    }

    /**
     * @param chosenNmPerUnit the scale the user chose; empty to take the file's own
     */
    public static Drawing read(String file, byte[] content, Optional<Double> chosenNmPerUnit) {
        return new DxfReader(file).run(content, chosenNmPerUnit, true);
    }

    /** All layers of a drawing, whatever they are called: a board's edge may be one of many. */
    public static Drawing allLayers(String file, byte[] content) {
        return new DxfReader(file).run(content, Optional.empty(), false);
    }

    private Drawing run(byte[] content, Optional<Double> chosen, boolean edgeOnly) {
        String text = new String(content, StandardCharsets.UTF_8);
        DxfEntity.Parsed parsed = DxfEntity.parse(text, log);
        blocks.putAll(parsed.blocks());
        double unit = chosen.orElse(unitNm(parsed.unitCode()).orElse((double) Length.NM_PER_MM));
        boolean stated = chosen.isPresent() || unitNm(parsed.unitCode()).isPresent();
        AffineTransformation toNm = AffineTransformation.scaleInstance(unit, unit);
        List<DxfEntity> shown = edgeOnly ? edgeLayers(parsed.entities()) : parsed.entities();
        shown.forEach(e -> draw(e, toNm, 0));
        left.forEach(
                (type, count) ->
                        log.add(
                                Code.UNKNOWN_COMMAND,
                                0,
                                count + " of the kind '" + type + "', which draws no outline",
                                "left out"));
        if (paths.isFull() || entities > MOST_ENTITIES) {
            log.add(Code.LIMIT, 0, "more than 500,000 pieces", "the rest was left out");
        }
        if (parsed.recognised() && !parsed.ended()) {
            log.add(
                    Code.TRUNCATED,
                    0,
                    "the drawing has no end (EOF): it may have been cut off",
                    "everything up to there was read");
        }
        return new Drawing(
                paths.segments(),
                unit,
                words(unit),
                stated,
                log.problems(),
                parsed.recognised() && !paths.segments().isEmpty());
    }

    static String words(double nmPerUnit) {
        if (nmPerUnit == Length.NM_PER_MM) {
            return "mm";
        }
        if (nmPerUnit == Length.NM_PER_INCH) {
            return "inch";
        }
        if (Math.abs(nmPerUnit * 96 - Length.NM_PER_INCH) < 1) {
            return "px (96 to the inch)";
        }
        return nmPerUnit == Length.NM_PER_MIL
                ? "mil"
                : String.format(Locale.ROOT, "%.6g mm", nmPerUnit / 1e6);
    }

    private static Optional<Double> unitNm(int code) {
        return Optional.ofNullable(
                switch (code) {
                    case 1 -> (double) Length.NM_PER_INCH;
                    case 2 -> 12.0 * Length.NM_PER_INCH;
                    case 4 -> (double) Length.NM_PER_MM;
                    case 5 -> 10.0 * Length.NM_PER_MM;
                    case 6 -> 1000.0 * Length.NM_PER_MM;
                    case 8 -> Length.NM_PER_INCH / 1e6;
                    case 9 -> (double) Length.NM_PER_MIL;
                    case 13 -> Length.NM_PER_MM / 1e3;
                    default -> null;
                });
    }

    /** Where some layers are named for the board's edge, only those are taken. */
    private List<DxfEntity> edgeLayers(List<DxfEntity> all) {
        List<DxfEntity> edge =
                all.stream()
                        .filter(
                                e ->
                                        e.layer()
                                                .toLowerCase(Locale.ROOT)
                                                .matches(
                                                        ".*(outline|edge|profile|contour|board|cut).*"))
                        .toList();
        return edge.isEmpty() ? all : edge;
    }

    private void draw(DxfEntity e, AffineTransformation outer, int depth) {
        // Blocks within blocks can ask for more than any drawing holds.
        if (e.isPaper() || ++entities > MOST_ENTITIES) {
            return;
        }
        AffineTransformation to = new AffineTransformation(outer);
        if (e.number(230, 1) < 0) {
            // Drawn on the back of the plane: x runs the other way.
            to.composeBefore(AffineTransformation.scaleInstance(-1, 1));
        }
        try {
            switch (e.type()) {
                case "LINE" -> paths.line(outer, e.at(10), e.at(20), e.at(11), e.at(21));
                case "CIRCLE" -> paths.arc(to, e.at(10), e.at(20), e.at(40), 0, 2 * Math.PI);
                case "ARC" -> arc(e, to);
                case "LWPOLYLINE", "POLYLINE" -> polyline(e, to);
                case "ELLIPSE" -> ellipse(e, outer);
                case "SPLINE" -> spline(e, outer);
                case "INSERT" -> insert(e, to, depth);
                default -> left.merge(e.type(), 1, Integer::sum);
            }
        } catch (IllegalArgumentException bad) {
            log.add(Code.BAD_NUMBER, e.line(), e.type() + ": " + bad.getMessage(), "left out");
        }
    }

    private void arc(DxfEntity e, AffineTransformation to) {
        double start = Math.toRadians(e.at(50));
        double sweep = Math.toRadians(e.at(51)) - start;
        while (sweep <= 0) {
            sweep += 2 * Math.PI;
        }
        paths.arc(to, e.at(10), e.at(20), e.at(40), start, Math.min(sweep, 2 * Math.PI));
    }

    private void polyline(DxfEntity e, AffineTransformation to) {
        List<double[]> v = e.vertices();
        boolean closed = ((int) e.number(70, 0) & 1) == 1;
        int count = closed ? v.size() : v.size() - 1;
        for (int i = 0; i < count; i++) {
            double[] a = v.get(i);
            double[] b = v.get((i + 1) % v.size());
            bulge(to, a[0], a[1], b[0], b[1], a[2]);
        }
    }

    /** A bulge is the tangent of a quarter of the arc's angle, counter-clockwise positive. */
    private void bulge(
            AffineTransformation to, double x0, double y0, double x1, double y1, double bulge) {
        double chord = Math.hypot(x1 - x0, y1 - y0);
        if (Math.abs(bulge) < 1e-9 || chord == 0) {
            paths.line(to, x0, y0, x1, y1);
            return;
        }
        double angle = 4 * Math.atan(bulge);
        double height = chord / 2 / Math.tan(angle / 2);
        double cx = (x0 + x1) / 2 - height * (y1 - y0) / chord;
        double cy = (y0 + y1) / 2 + height * (x1 - x0) / chord;
        double radius = Math.abs(chord / 2 / Math.sin(angle / 2));
        paths.arc(to, cx, cy, radius, Math.atan2(y0 - cy, x0 - cx), angle);
    }

    private void ellipse(DxfEntity e, AffineTransformation to) {
        double rx = Math.hypot(e.at(11), e.at(21));
        double start = e.number(41, 0);
        double end = e.number(42, 2 * Math.PI);
        double sweep = end - start;
        while (sweep <= 0) {
            sweep += 2 * Math.PI;
        }
        boolean back = e.number(230, 1) < 0;
        double turn = Math.atan2(e.at(21), e.at(11));
        double ry = rx * e.number(40, 1) * (back ? -1 : 1);
        if (Math.abs(Math.abs(ry) - rx) < 1e-9 * rx) {
            paths.arc(
                    to,
                    e.at(10),
                    e.at(20),
                    rx,
                    turn + (back ? -start : start),
                    back ? -sweep : sweep);
        } else {
            paths.ellipse(to, e.at(10), e.at(20), rx, ry, turn, start, sweep);
        }
    }

    private void spline(DxfEntity e, AffineTransformation to) {
        List<double[]> control = e.pairs(10, 20);
        List<Double> knots = e.all(40);
        List<Double> weights = e.all(41);
        int degree = (int) e.number(71, 3);
        if (control.size() < 2 || degree < 1 || degree > 10) {
            List<double[]> fit = e.pairs(11, 21);
            for (int i = 1; i < fit.size(); i++) {
                double[] a = fit.get(i - 1);
                double[] b = fit.get(i);
                paths.line(to, a[0], a[1], b[0], b[1]);
            }
            return;
        }
        if (knots.size() < control.size() + degree + 1) {
            throw new IllegalArgumentException("a spline with too few knots");
        }
        Spline spline = new Spline(degree, control, knots, weights);
        for (int span = degree; span < control.size(); span++) {
            double from = knots.get(span);
            double until = knots.get(span + 1);
            if (until > from) {
                paths.curve(to, t -> spline.at(from + (until - from) * t));
            }
        }
    }

    private void insert(DxfEntity e, AffineTransformation outer, int depth) {
        List<DxfEntity> block = blocks.get(e.text(2));
        if (block == null || depth >= DEEPEST || entities > MOST_ENTITIES) {
            left.merge("INSERT", 1, Integer::sum);
            return;
        }
        AffineTransformation to = new AffineTransformation(outer);
        to.composeBefore(AffineTransformation.translationInstance(e.at(10), e.at(20)));
        to.composeBefore(AffineTransformation.rotationInstance(Math.toRadians(e.number(50, 0))));
        to.composeBefore(AffineTransformation.scaleInstance(e.number(41, 1), e.number(42, 1)));
        if (paths.isFull()) {
            return;
        }
        for (DxfEntity inner : block) {
            draw(inner, to, depth + 1);
        }
    }

    /** A rational B-spline by de Boor's algorithm. */
    private record Spline(
            int degree, List<double[]> control, List<Double> knots, List<Double> weights) {
        Coordinate at(double u) {
            int span = degree;
            while (span < control.size() - 1 && u >= knots.get(span + 1)) {
                span++;
            }
            double[][] d = new double[degree + 1][3];
            for (int j = 0; j <= degree; j++) {
                int i = span - degree + j;
                double w = i < weights.size() ? weights.get(i) : 1;
                d[j][0] = control.get(i)[0] * w;
                d[j][1] = control.get(i)[1] * w;
                d[j][2] = w;
            }
            for (int r = 1; r <= degree; r++) {
                for (int j = degree; j >= r; j--) {
                    int i = span - degree + j;
                    double width = knots.get(i + degree - r + 1) - knots.get(i);
                    double a = width == 0 ? 0 : (u - knots.get(i)) / width;
                    for (int k = 0; k < 3; k++) {
                        d[j][k] = (1 - a) * d[j - 1][k] + a * d[j][k];
                    }
                }
            }
            double w = d[degree][2] == 0 ? 1 : d[degree][2];
            return new Coordinate(d[degree][0] / w, d[degree][1] / w);
        }
    }
}
