package dev.lastcut.demo;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * The honeycomb tag: hangs on a frame and blinks the number of the hive. Its edge was drawn in a
 * graphics program and comes as SVG, without a word on the unit.
 */
final class HoneycombTag {
    private static final Footprint R = Footprint.chip("R0603", 1.6, 0.8, 0.9);
    private static final Footprint C = Footprint.chip("C0603", 1.6, 0.8, 0.9);
    private static final Footprint LED = Footprint.diode("D0805", 2.0, 1.1, 1.4);
    private static final Footprint SO8 = Footprint.dual("SO8", 8, 1.27, 2.7, 1.55, 0.6);
    private static final Footprint CELL = Footprint.header("HDR2X1", 2, 1, 7.62, 2.4, 1.2);

    /** Corner to corner, mm; flat to flat it is √3/2 of that. */
    static final double ACROSS = 40;

    static final double HIGH = ACROSS * Math.sqrt(3) / 2;

    private final Design d = new Design("honeycomb-tag", ACROSS, HIGH, 0, 2);

    static Map<String, byte[]> files() {
        HoneycombTag tag = new HoneycombTag();
        tag.place();
        new Router(tag.d).run();
        Map<String, byte[]> files =
                new LinkedHashMap<>(
                        PackWriter.write(
                                tag.d,
                                new Dialect(true, 0, 0),
                                new PackWriter.Slips(Set.of(), Set.of(), Map.of(), Set.of())));
        files.remove("honeycomb-tag-outline.gbr");
        files.put("honeycomb-tag-edge.svg", edge());
        return files;
    }

    private void place() {
        d.mountingHole(20, HIGH - 3.5, 3.2);
        d.part(
                "U1",
                "tag blinker",
                SO8,
                20,
                17,
                0,
                "LED_A",
                "LED_B",
                "LED_C",
                "GND",
                "SET",
                "CLK",
                "KEY",
                "VCC");
        String[] colors = {"amber", "green", "white"};
        String[] nets = {"LED_A", "LED_B", "LED_C"};
        for (int i = 0; i < 3; i++) {
            double x = 12.5 + 7.5 * i;
            d.part("D" + (i + 1), colors[i], LED, x, 27, 0, "K" + i, nets[i]);
            d.part("R" + (i + 1), "220", R, x, 23.8, 0, "K" + i, "GND");
        }
        d.part("C1", "100n", C, 27.5, 17, 1, "VCC", "GND");
        d.part("R4", "1M", R, 12.5, 16, 1, "SET", "CLK");
        d.part("C2", "10n", C, 9.5, 16, 1, "CLK", "GND");
        d.part("R5", "10k", R, 30.5, 17, 1, "KEY", "VCC");
        d.part("J1", "cell", CELL, 20, 6, 0, "VCC", "GND");
        d.labels.add(new Design.Label("HIVE", 20, 10.2, 1.2, 0));
    }

    /** A hexagon standing on a side, y down as SVG has it, in units that only its author knew. */
    private static byte[] edge() {
        String path =
                String.format(
                        Locale.ROOT,
                        "M10 %1$.4f L30 %1$.4f L40 %2$.4f L30 0 L10 0 L0 %2$.4f Z",
                        HIGH,
                        HIGH / 2);
        String svg =
                String.format(
                        Locale.ROOT,
                        "<?xml version=\"1.0\"?>%n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"40\""
                                + " height=\"%1$.4f\" viewBox=\"0 0 40 %1$.4f\">%n"
                                + "<path d=\"%2$s\" fill=\"none\" stroke=\"black\""
                                + " stroke-width=\"0.1\"/>%n</svg>%n",
                        HIGH,
                        path);
        return svg.getBytes(StandardCharsets.UTF_8);
    }
}
