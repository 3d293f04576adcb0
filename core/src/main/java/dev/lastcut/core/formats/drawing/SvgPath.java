package dev.lastcut.core.formats.drawing;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.util.AffineTransformation;

/** Path data (W3C SVG 1.1, "Path data" and, for arcs, "Elliptical arc implementation notes"). */
final class SvgPath {
    private final String d;
    private final AffineTransformation to;
    private final PathBuilder out;
    private int at;
    private double x;
    private double y;
    private double startX;
    private double startY;
    private double controlX;
    private double controlY;
    private char before = 'M';

    SvgPath(String d, AffineTransformation to, PathBuilder out) {
        this.d = d;
        this.to = to;
        this.out = out;
    }

    /**
     * @throws IllegalArgumentException where the data breaks off; what came before is drawn
     */
    void run() {
        char command = 0;
        while (skipBlanks()) {
            char c = d.charAt(at);
            if (Character.isLetter(c)) {
                command = c;
                at++;
            } else if (command == 0) {
                throw new IllegalArgumentException("a path must begin with M");
            } else if (command == 'M' || command == 'm') {
                // Further pairs after a move are lines.
                command = command == 'M' ? 'L' : 'l';
            } else if (command == 'z' || command == 'Z') {
                throw new IllegalArgumentException("numbers after Z");
            }
            step(command);
            if (out.isFull()) {
                return;
            }
        }
    }

    private void step(char command) {
        boolean relative = Character.isLowerCase(command);
        double ox = relative ? x : 0;
        double oy = relative ? y : 0;
        switch (Character.toUpperCase(command)) {
            case 'M' -> {
                x = ox + number();
                y = oy + number();
                startX = x;
                startY = y;
            }
            case 'L' -> lineTo(ox + number(), oy + number());
            case 'H' -> lineTo(ox + number(), y);
            case 'V' -> lineTo(x, oy + number());
            case 'Z' -> lineTo(startX, startY);
            case 'C' ->
                    cubic(
                            ox + number(),
                            oy + number(),
                            ox + number(),
                            oy + number(),
                            ox + number(),
                            oy + number());
            case 'S' -> {
                boolean smooth = before == 'C' || before == 'S';
                double cx = smooth ? 2 * x - controlX : x;
                double cy = smooth ? 2 * y - controlY : y;
                cubic(cx, cy, ox + number(), oy + number(), ox + number(), oy + number());
            }
            case 'Q' -> quadratic(ox + number(), oy + number(), ox + number(), oy + number());
            case 'T' -> {
                boolean smooth = before == 'Q' || before == 'T';
                double cx = smooth ? 2 * x - controlX : x;
                double cy = smooth ? 2 * y - controlY : y;
                quadratic(cx, cy, ox + number(), oy + number());
            }
            case 'A' ->
                    arc(
                            number(),
                            number(),
                            Math.toRadians(number()),
                            flag(),
                            flag(),
                            ox + number(),
                            oy + number());
            default -> throw new IllegalArgumentException("unknown path command '" + command + "'");
        }
        before = Character.toUpperCase(command);
    }

    private void lineTo(double nx, double ny) {
        out.line(to, x, y, nx, ny);
        x = nx;
        y = ny;
    }

    private void cubic(double ax, double ay, double bx, double by, double nx, double ny) {
        double x0 = x;
        double y0 = y;
        out.curve(
                to,
                t -> {
                    double u = 1 - t;
                    double k0 = u * u * u;
                    double k1 = 3 * u * u * t;
                    double k2 = 3 * u * t * t;
                    double k3 = t * t * t;
                    return new Coordinate(
                            k0 * x0 + k1 * ax + k2 * bx + k3 * nx,
                            k0 * y0 + k1 * ay + k2 * by + k3 * ny);
                });
        controlX = bx;
        controlY = by;
        x = nx;
        y = ny;
    }

    private void quadratic(double cx, double cy, double nx, double ny) {
        cubic(
                x + (cx - x) * 2 / 3,
                y + (cy - y) * 2 / 3,
                nx + (cx - nx) * 2 / 3,
                ny + (cy - ny) * 2 / 3,
                nx,
                ny);
        controlX = cx;
        controlY = cy;
    }

    private void arc(
            double rx0,
            double ry0,
            double turn,
            boolean large,
            boolean sweep,
            double nx,
            double ny) {
        double rx = Math.abs(rx0);
        double ry = Math.abs(ry0);
        if (rx == 0 || ry == 0 || (nx == x && ny == y)) {
            lineTo(nx, ny);
            return;
        }
        double cos = Math.cos(turn);
        double sin = Math.sin(turn);
        double px = cos * (x - nx) / 2 + sin * (y - ny) / 2;
        double py = -sin * (x - nx) / 2 + cos * (y - ny) / 2;
        double fit = px * px / (rx * rx) + py * py / (ry * ry);
        if (fit > 1) {
            rx *= Math.sqrt(fit);
            ry *= Math.sqrt(fit);
        }
        double under = rx * rx * py * py + ry * ry * px * px;
        double k = Math.sqrt(Math.max(0, (rx * rx * ry * ry - under) / under));
        double sign = large == sweep ? -1 : 1;
        double qx = sign * k * rx * py / ry;
        double qy = -sign * k * ry * px / rx;
        double cx = cos * qx - sin * qy + (x + nx) / 2;
        double cy = sin * qx + cos * qy + (y + ny) / 2;
        double start = Math.atan2((py - qy) / ry, (px - qx) / rx);
        double end = Math.atan2((-py - qy) / ry, (-px - qx) / rx);
        double way = end - start;
        if (sweep && way < 0) {
            way += 2 * Math.PI;
        } else if (!sweep && way > 0) {
            way -= 2 * Math.PI;
        }
        if (Math.abs(rx - ry) < 1e-9 * rx) {
            out.arc(to, cx, cy, rx, start + turn, way);
        } else {
            out.ellipse(to, cx, cy, rx, ry, turn, start, way);
        }
        x = nx;
        y = ny;
    }

    /** To the next number or command; false at the end. */
    private boolean skipBlanks() {
        while (at < d.length() && (Character.isWhitespace(d.charAt(at)) || d.charAt(at) == ',')) {
            at++;
        }
        return at < d.length();
    }

    /** The flags of an arc may be written without anything between them. */
    private boolean flag() {
        if (!skipBlanks() || (d.charAt(at) != '0' && d.charAt(at) != '1')) {
            throw new IllegalArgumentException("expected 0 or 1 at character " + (at + 1));
        }
        return d.charAt(at++) == '1';
    }

    private double number() {
        skipBlanks();
        int from = at;
        if (at < d.length() && (d.charAt(at) == '-' || d.charAt(at) == '+')) {
            at++;
        }
        boolean point = false;
        while (at < d.length()) {
            char c = d.charAt(at);
            boolean exponent =
                    (c == 'e' || c == 'E')
                            && at + 1 < d.length()
                            && (Character.isDigit(d.charAt(at + 1))
                                    || (at + 2 < d.length()
                                            && "+-".indexOf(d.charAt(at + 1)) >= 0
                                            && Character.isDigit(d.charAt(at + 2))));
            if (exponent) {
                at += 2;
                point = true;
            } else if (c == '.' && !point) {
                point = true;
                at++;
            } else if (Character.isDigit(c)) {
                at++;
            } else {
                break;
            }
        }
        if (at == from) {
            throw new IllegalArgumentException("expected a number at character " + (from + 1));
        }
        return Double.parseDouble(d.substring(from, at));
    }
}
