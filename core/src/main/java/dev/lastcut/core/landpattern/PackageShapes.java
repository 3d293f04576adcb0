package dev.lastcut.core.landpattern;

import dev.lastcut.core.landpattern.PackageShape.Terminal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The terminals of usual packages, nominal: chips after EIA, the rest after the JEDEC outlines
 * MO-118, MO-153, MO-178, MO-187, MS-001, MS-012, MS-013, MS-026, TO-236, TO-261, DO-214 and DO-219
 * (from memory).
 */
public final class PackageShapes {
    private static final Pattern COUNTED = Pattern.compile("([A-Z]+)(\\d+)");
    private static final Pattern HEADER = Pattern.compile("HDR([12])X(\\d{1,2})");

    /** The square pins of headers, across corners. */
    private static final double HEADER_PIN = 0.9;

    /** Pins, pitch and tip to tip of quad flat packages. */
    private static final Map<Integer, double[][]> QUADS =
            Map.of(
                    32, new double[][] {{0.8, 9.0}, {0.5, 7.0}},
                    44, new double[][] {{0.8, 12.0}},
                    48, new double[][] {{0.5, 9.0}},
                    64, new double[][] {{0.5, 12.0}, {0.8, 16.0}},
                    80, new double[][] {{0.5, 14.0}, {0.65, 16.0}},
                    100, new double[][] {{0.5, 16.0}, {0.4, 14.0}},
                    144, new double[][] {{0.5, 22.0}});

    /** Length over all, length of a terminal, width. */
    private static final Map<String, double[]> CHIPS =
            Map.of(
                    "0201", new double[] {0.6, 0.15, 0.3},
                    "0402", new double[] {1.0, 0.25, 0.5},
                    "0603", new double[] {1.6, 0.3, 0.8},
                    "0805", new double[] {2.0, 0.4, 1.25},
                    "1206", new double[] {3.2, 0.5, 1.6},
                    "1210", new double[] {3.2, 0.5, 2.5},
                    "2512", new double[] {6.3, 0.6, 3.2});

    /** Tip to tip, length of a contact, width. */
    private static final Map<String, double[]> DIODES =
            Map.of(
                    "SOD123", new double[] {3.65, 0.5, 0.6},
                    "SOD323", new double[] {2.5, 0.35, 0.3},
                    "SMA", new double[] {5.1, 1.2, 1.4},
                    "SMB", new double[] {5.4, 1.2, 2.0},
                    "SMC", new double[] {7.9, 1.2, 3.0});

    private PackageShapes() {}

    /**
     * The shapes that go by a name: more than one where a name stands for a narrow and a wide
     * package. Empty for packages that are not known.
     *
     * @param name of {@link dev.lastcut.core.assembly.PackageName}
     */
    public static List<PackageShape> of(String name) {
        double[] chip = CHIPS.get(name);
        if (chip != null) {
            return List.of(PackageShape.two(name, chip[0] - chip[1], chip[1], chip[2]));
        }
        double[] diode = DIODES.get(name);
        if (diode != null) {
            return List.of(PackageShape.two(name, diode[0] - diode[1], diode[1], diode[2]));
        }
        Matcher header = HEADER.matcher(name);
        // Two pins beside each other are anything but a header.
        if (header.matches() && !name.equals("HDR2X1")) {
            return headers(
                    name, Integer.parseInt(header.group(1)), Integer.parseInt(header.group(2)));
        }
        Matcher counted = COUNTED.matcher(name);
        return switch (name) {
            case "SOT23" -> List.of(sot23(name));
            case "SOT23-5" -> List.of(fivePins(name));
            case "SOT23-6" -> List.of(PackageShape.dual(name, 6, 0.95, 2.4, 0.45, 0.4, 0));
            case "SOT223" -> List.of(sot223(name));
            default ->
                    counted.matches()
                            ? counted(name, counted.group(1), Integer.parseInt(counted.group(2)))
                            : List.of();
        };
    }

    private static List<PackageShape> counted(String name, String family, int pins) {
        if (pins < 6 || pins > 200 || pins % 2 != 0) {
            return List.of();
        }
        switch (family) {
            case "SOIC":
                PackageShape narrow = PackageShape.dual(name, pins, 1.27, 5.3, 0.7, 0.42, 0);
                PackageShape wide = PackageShape.dual(name, pins, 1.27, 9.5, 0.8, 0.42, 0);
                return pins < 16 ? List.of(narrow) : List.of(narrow, wide);
            case "TSSOP":
                return pins > 28
                        ? List.of()
                        : List.of(PackageShape.dual(name, pins, 0.65, 5.8, 0.6, 0.25, 0));
            case "SSOP":
                return List.of(PackageShape.dual(name, pins, 0.65, 7.0, 0.75, 0.3, 0));
            case "MSOP":
                return pins == 8
                        ? List.of(PackageShape.dual(name, pins, 0.65, 4.35, 0.55, 0.3, 0))
                        : pins == 10
                                ? List.of(PackageShape.dual(name, pins, 0.5, 4.35, 0.55, 0.22, 0))
                                : List.of();
            case "DIP":
                // The leads of some are spread to ten millimetres; large ones are wide.
                return Stream.of(7.62, 10.16, 15.24)
                        .map(rows -> PackageShape.dual(name, pins, 2.54, rows, 0.3, 0.5, 0.52))
                        .toList();
            case "QFP", "TQFP", "LQFP":
                return Stream.of(QUADS.getOrDefault(pins, new double[0][]))
                        .map(
                                q ->
                                        PackageShape.quad(
                                                name,
                                                pins,
                                                q[0],
                                                q[1] - 0.6,
                                                0.6,
                                                q[0] < 0.6 ? 0.22 : 0.37))
                        .toList();
            default:
                return List.of();
        }
    }

    private static PackageShape sot23(String name) {
        return new PackageShape(
                name,
                List.of(
                        new Terminal("1", -1.0, 0.95, 0.4, 0.42),
                        new Terminal("2", -1.0, -0.95, 0.4, 0.42),
                        new Terminal("3", 1.0, 0, 0.4, 0.42)),
                0,
                true);
    }

    private static PackageShape fivePins(String name) {
        return new PackageShape(
                name,
                List.of(
                        new Terminal("1", -1.2, 0.95, 0.45, 0.4),
                        new Terminal("2", -1.2, 0, 0.45, 0.4),
                        new Terminal("3", -1.2, -0.95, 0.45, 0.4),
                        new Terminal("4", 1.2, -0.95, 0.45, 0.4),
                        new Terminal("5", 1.2, 0.95, 0.45, 0.4)),
                0,
                true);
    }

    private static PackageShape sot223(String name) {
        return new PackageShape(
                name,
                List.of(
                        new Terminal("1", -3.0, 2.3, 0.9, 0.7),
                        new Terminal("2", -3.0, 0, 0.9, 0.7),
                        new Terminal("3", -3.0, -2.3, 0.9, 0.7),
                        new Terminal("4", 3.0, 0, 0.9, 3.0)),
                0,
                true);
    }

    /**
     * Square pins on 2.54 mm. Those of two rows are counted across, or down and up again, and from
     * either side, as plugs and sockets are.
     */
    private static List<PackageShape> headers(String name, int rows, int columns) {
        List<Terminal> across = new ArrayList<>();
        for (int i = 0; i < columns; i++) {
            for (int r = 0; r < rows; r++) {
                across.add(
                        new Terminal(
                                String.valueOf(across.size() + 1),
                                (r - (rows - 1) / 2.0) * 2.54,
                                ((columns - 1) / 2.0 - i) * 2.54,
                                0.64,
                                0.64));
            }
        }
        PackageShape first = new PackageShape(name, across, HEADER_PIN, true);
        if (rows == 1) {
            return List.of(first);
        }
        PackageShape round =
                PackageShape.dual(name, 2 * columns, 2.54, 2.54, 0.64, 0.64, HEADER_PIN);
        return List.of(first, round, first.mirrored(), round.mirrored());
    }
}
