package dev.lastcut.core.intake.roles;

import dev.lastcut.core.intake.reading.Reading;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/**
 * A small board whose names tell nothing: two copper layers with a part on either side, joined by
 * holes; masks, paste, lettering and edge.
 */
final class SmallBoard {
    static final String HEAD =
            "%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,1.2*%\n%ADD11R,1X1.4*%\n%ADD12C,0.25*%\n"
                    + "%ADD13C,0.15*%\n%ADD14R,1.1X1.5*%\n%ADD15R,0.9X1.3*%\n%ADD16C,1.3*%\n";
    static final String END = "M02*\n";

    final Map<String, String> files = new LinkedHashMap<>();

    static String at(double x, double y, int d) {
        return String.format(
                Locale.ROOT, "X%dY%dD0%d*\n", Math.round(x * 1e6), Math.round(y * 1e6), d);
    }

    static String pads(String aperture, double... xy) {
        StringBuilder s = new StringBuilder(aperture + "*\n");
        for (int i = 0; i < xy.length; i += 2) {
            s.append(at(xy[i], xy[i + 1], 3));
        }
        return s.toString();
    }

    static String lines(String aperture, double... xy) {
        StringBuilder s = new StringBuilder(aperture + "*\n");
        for (int i = 0; i < xy.length; i += 4) {
            s.append(at(xy[i], xy[i + 1], 2)).append(at(xy[i + 2], xy[i + 3], 1));
        }
        return s.toString();
    }

    /**
     * A letter of lines on a grid of 4 by 6, each a run of corners "xy"; a space parts lines.
     *
     * @param step from one place of the grid to the next, mm
     */
    static String letter(double x, double y, double step, boolean mirrored, String strokes) {
        StringBuilder s = new StringBuilder("D13*\n");
        for (String line : strokes.split(" ")) {
            for (int i = 0; i < line.length(); i += 2) {
                int column = line.charAt(i) - '0';
                int row = line.charAt(i + 1) - '0';
                s.append(
                        at(
                                x + (mirrored ? 4 - column : column) * step,
                                y + row * step,
                                i == 0 ? 2 : 1));
            }
        }
        return s.toString();
    }

    static final double[] HOLES = {5, 5, 5, 15, 25, 5, 25, 15, 15, 10};
    static final double[] TOP = {9, 5, 11, 5, 9, 15, 11, 15};
    static final double[] BOTTOM = {19, 5, 21, 5, 19, 15, 21, 15};

    SmallBoard() {
        String holes = pads("D10", HOLES);
        files.put(
                "copper 1",
                HEAD
                        + holes
                        + pads("D11", TOP)
                        + lines("D12", 5, 5, 9, 5, 5, 15, 9, 15, 11, 5, 15, 10)
                        + END);
        files.put(
                "copper 2",
                HEAD
                        + holes
                        + pads("D11", BOTTOM)
                        + lines("D12", 25, 5, 21, 5, 25, 15, 21, 15, 15, 10, 19, 15)
                        + END);
        files.put("openings 1", HEAD + pads("D16", HOLES) + pads("D14", TOP) + END);
        files.put("openings 2", HEAD + pads("D16", HOLES) + pads("D14", BOTTOM) + END);
        files.put("paste 1", HEAD + pads("D15", TOP) + END);
        files.put("paste 2", HEAD + pads("D15", BOTTOM) + END);
        files.put(
                "lines 1",
                HEAD
                        + lines(
                                "D13", 8, 3.5, 12, 3.5, 8, 6.5, 12, 6.5, 8, 13.5, 12, 13.5, 8, 16.5,
                                12, 16.5)
                        + END);
        files.put(
                "edge",
                HEAD + lines("D13", 0, 0, 30, 0, 30, 0, 30, 20, 30, 20, 0, 20, 0, 20, 0, 0) + END);
        files.put(
                "drill",
                "M48\nMETRIC\nT1C0.8\n%\nT1\nX5.0Y5.0\nX5.0Y15.0\nX25.0Y5.0\nX25.0Y15.0\nX15.0Y10.0\nM30\n");
    }

    Map<String, Reading> readings() {
        Map<String, Reading> readings = new LinkedHashMap<>();
        files.forEach((p, t) -> readings.put(p, Reading.of(p, t.getBytes(StandardCharsets.UTF_8))));
        return readings;
    }

    PackFacts facts() {
        return new PackFacts(readings());
    }
}
