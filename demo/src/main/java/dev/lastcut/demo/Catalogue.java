package dev.lastcut.demo;

import java.util.Locale;

/** Invented makers and part numbers for the demo's parts. */
final class Catalogue {
    private Catalogue() {}

    record Entry(String maker, String number, String description) {}

    static Entry lookUp(String footprint, String value) {
        String code = value.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
        if (footprint.startsWith("R") || footprint.startsWith("AX")) {
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
