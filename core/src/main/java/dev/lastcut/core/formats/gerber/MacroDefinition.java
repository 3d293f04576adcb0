package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Aperture;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * An aperture macro as written; {@link #evaluate} fills in the parameters of one definition.
 * Primitive codes and parameter order after the specification, "Primitives".
 */
record MacroDefinition(String name, List<String> statements) {
    private static final int MOST_VERTICES = 5_000;

    MacroDefinition {
        statements = List.copyOf(statements);
    }

    /**
     * @param parameters in file units
     * @throws IllegalArgumentException with the reason when a statement is wrong
     */
    Aperture.Macro evaluate(List<Double> parameters, double nmPerUnit) {
        Map<Integer, Double> variables = new HashMap<>();
        for (int i = 0; i < parameters.size(); i++) {
            variables.put(i + 1, parameters.get(i));
        }
        List<Aperture.Primitive> primitives = new ArrayList<>();
        for (String statement : statements) {
            String s = statement.strip();
            if (s.startsWith("$")) {
                assign(s, variables);
            } else if (!s.isEmpty() && !s.startsWith("0")) {
                String[] fields = s.split(",", -1);
                double[] values = new double[fields.length];
                for (int i = 0; i < fields.length; i++) {
                    values[i] = MacroExpression.evaluate(fields[i], variables);
                }
                addPrimitive(new Arguments(values, nmPerUnit), primitives);
            }
        }
        return new Aperture.Macro(name, primitives);
    }

    private static void assign(String statement, Map<Integer, Double> variables) {
        int equals = statement.indexOf('=');
        if (equals < 2) {
            throw new IllegalArgumentException("expected '$n=' in '" + statement + "'");
        }
        int variable = Integer.parseInt(statement.substring(1, equals).strip());
        String expression = statement.substring(equals + 1);
        variables.put(variable, MacroExpression.evaluate(expression, variables));
    }

    /** The values of one primitive; {@code nm} scales, missing trailing ones are 0. */
    private record Arguments(double[] values, double nmPerUnit) {
        double plain(int i) {
            return i < values.length ? values[i] : 0;
        }

        double nm(int i) {
            return plain(i) * nmPerUnit;
        }

        void need(int count) {
            if (values.length < count) {
                throw new IllegalArgumentException(
                        "primitive "
                                + (int) plain(0)
                                + " needs "
                                + (count - 1)
                                + " parameters but has "
                                + (values.length - 1));
            }
        }
    }

    private static void addPrimitive(Arguments a, List<Aperture.Primitive> out) {
        boolean adds = a.plain(1) != 0;
        switch ((int) a.plain(0)) {
            case 1 -> circle(a, adds, out);
            case 2, 20 -> vectorLine(a, adds, out);
            case 21 -> centerLine(a, adds, out);
            case 22 -> lowerLeftLine(a, adds, out);
            case 4 -> outline(a, adds, out);
            case 5 -> polygon(a, adds, out);
            case 6 -> moire(a, out);
            case 7 -> thermal(a, out);
            default ->
                    throw new IllegalArgumentException(
                            "unknown macro primitive " + (int) a.plain(0));
        }
    }

    private static void circle(Arguments a, boolean adds, List<Aperture.Primitive> out) {
        a.need(5);
        Coordinate c = turn(new Coordinate(a.nm(3), a.nm(4)), a.plain(5));
        out.add(new Aperture.Disc(adds, c.x, c.y, a.nm(2)));
    }

    private static void vectorLine(Arguments a, boolean adds, List<Aperture.Primitive> out) {
        a.need(7);
        double dx = a.nm(5) - a.nm(3);
        double dy = a.nm(6) - a.nm(4);
        double length = Math.hypot(dx, dy);
        if (length == 0) {
            return;
        }
        double nx = -dy / length * a.nm(2) / 2;
        double ny = dx / length * a.nm(2) / 2;
        out.add(
                ring(
                        adds,
                        a.plain(7),
                        a.nm(3) + nx,
                        a.nm(4) + ny,
                        a.nm(3) - nx,
                        a.nm(4) - ny,
                        a.nm(5) - nx,
                        a.nm(6) - ny,
                        a.nm(5) + nx,
                        a.nm(6) + ny));
    }

    private static void centerLine(Arguments a, boolean adds, List<Aperture.Primitive> out) {
        a.need(6);
        double w = a.nm(2) / 2;
        double h = a.nm(3) / 2;
        out.add(box(adds, a.plain(6), a.nm(4) - w, a.nm(5) - h, a.nm(4) + w, a.nm(5) + h));
    }

    private static void lowerLeftLine(Arguments a, boolean adds, List<Aperture.Primitive> out) {
        a.need(6);
        double x = a.nm(4);
        double y = a.nm(5);
        out.add(box(adds, a.plain(6), x, y, x + a.nm(2), y + a.nm(3)));
    }

    private static Aperture.Outline box(
            boolean adds, double rotation, double x0, double y0, double x1, double y1) {
        return ring(adds, rotation, x0, y0, x1, y0, x1, y1, x0, y1);
    }

    private static void outline(Arguments a, boolean adds, List<Aperture.Primitive> out) {
        int sides = (int) a.plain(2);
        if (sides < 1 || sides > MOST_VERTICES) {
            throw new IllegalArgumentException("outline with " + sides + " sides");
        }
        a.need(3 + 2 * (sides + 1));
        double[] xy = new double[2 * sides];
        for (int i = 0; i < xy.length; i++) {
            xy[i] = a.nm(3 + i);
        }
        out.add(ring(adds, a.plain(3 + 2 * (sides + 1)), xy));
    }

    private static void polygon(Arguments a, boolean adds, List<Aperture.Primitive> out) {
        a.need(6);
        int corners = (int) a.plain(2);
        if (corners < 3 || corners > 12) {
            throw new IllegalArgumentException("polygon with " + corners + " corners");
        }
        double[] xy = new double[2 * corners];
        for (int i = 0; i < corners; i++) {
            double angle = 2 * Math.PI * i / corners;
            xy[2 * i] = a.nm(3) + a.nm(5) / 2 * Math.cos(angle);
            xy[2 * i + 1] = a.nm(4) + a.nm(5) / 2 * Math.sin(angle);
        }
        out.add(ring(adds, a.plain(6), xy));
    }

    /** Concentric rings and a cross hair (deprecated): each ring is a disc less a smaller disc. */
    private static void moire(Arguments a, List<Aperture.Primitive> out) {
        a.need(9);
        double rotation = a.plain(9);
        Coordinate c = turn(new Coordinate(a.nm(1), a.nm(2)), rotation);
        double diameter = a.nm(3);
        int most = Math.min(50, (int) a.plain(6));
        for (int i = 0; i < most && diameter > 0; i++) {
            double inner = diameter - 2 * a.nm(4);
            out.add(new Aperture.Disc(true, c.x, c.y, diameter));
            if (inner <= 0) {
                break;
            }
            out.add(new Aperture.Disc(false, c.x, c.y, inner));
            diameter = inner - 2 * a.nm(5);
        }
        double half = a.nm(8) / 2;
        double thick = a.nm(7) / 2;
        double x = a.nm(1);
        double y = a.nm(2);
        out.add(box(true, rotation, x - half, y - thick, x + half, y + thick));
        out.add(box(true, rotation, x - thick, y - half, x + thick, y + half));
    }

    private static void thermal(Arguments a, List<Aperture.Primitive> out) {
        a.need(6);
        Coordinate c = turn(new Coordinate(a.nm(1), a.nm(2)), a.plain(6));
        out.add(new Aperture.Thermal(c.x, c.y, a.nm(3), a.nm(4), a.nm(5), a.plain(6)));
    }

    private static Aperture.Outline ring(boolean adds, double rotationDeg, double... xy) {
        List<Coordinate> points = new ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            points.add(turn(new Coordinate(xy[i], xy[i + 1]), rotationDeg));
        }
        points.add(points.get(0).copy());
        return new Aperture.Outline(adds, points);
    }

    /** Turns about the macro's origin and rounds to the grid. */
    private static Coordinate turn(Coordinate c, double rotationDeg) {
        if (rotationDeg != 0) {
            AffineTransformation.rotationInstance(Math.toRadians(rotationDeg)).transform(c, c);
        }
        c.x = Math.rint(c.x);
        c.y = Math.rint(c.y);
        return c;
    }
}
