package dev.lastcut.demo;

import java.util.Locale;

/** Invented makers and part numbers for the demo's parts. */
final class Catalogue {
    private Catalogue() {}

    record Entry(String maker, String number, String description) {}

    static Entry lookUp(String footprint, String value) {
        // A letter in place of the point, as numbers of parts have it: 4K7 for 4.7k.
        String code =
                value.toUpperCase(Locale.ROOT)
                        .replaceFirst("^(\\d+)\\.(\\d+)([KMR])$", "$1$3$2")
                        .replaceAll("[^A-Z0-9]", "");
        if (footprint.matches("(R\\d|AX).*")) {
            return new Entry("Clover & Heath", "CH-R-" + code, "resistor " + value + " 1 %");
        }
        if (footprint.startsWith("C")) {
            return new Entry(
                    "Linden Ceramics", "LC-" + footprint + "-" + code, "capacitor " + value);
        }
        if (footprint.startsWith("D")) {
            return new Entry("Foxglove Opto", "FX-" + code, "diode " + value);
        }
        if (footprint.startsWith("HDR") || footprint.startsWith("TERM")) {
            return new Entry("Bramble Contact", "BC-" + footprint, "connector " + value);
        }
        return new Entry("Thornfield Semi", "TF-" + code, value);
    }
}
