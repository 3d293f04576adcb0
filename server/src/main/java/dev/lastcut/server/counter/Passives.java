package dev.lastcut.server.counter;

import dev.lastcut.core.value.PreferredNumbers;
import dev.lastcut.server.counter.Shelves.Builder;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Resistors, capacitors, inductors, ferrites and crystals. */
final class Passives {
    private static final String RESISTORS = "Clover & Heath";
    private static final String CAPACITORS = "Linden Ceramics";
    private static final String COILS = "Withy Windings";
    private static final Map<String, Double> WATTS =
            Map.of("0402", 0.063, "0603", 0.1, "0805", 0.125, "1206", 0.25);

    /** What houses keep on their machines: the usual values in the usual sizes. */
    private static final Set<String> LINE_PACKAGES = Set.of("0603", "0805");

    private Passives() {}

    static void put(Shelves s) {
        resistors(s);
        capacitors(s);
        electrolytics(s);
        coils(s);
        crystals(s);
    }

    private static void resistors(Shelves s) {
        for (String p : List.of("0402", "0603", "0805", "1206")) {
            PreferredNumbers series =
                    p.equals("0402") ? PreferredNumbers.E24 : PreferredNumbers.E96;
            s.put(resistor(s, p, 0, 1));
            for (int power = 1; power <= 5; power++) {
                for (double d : series.decade()) {
                    s.put(resistor(s, p, exact(d, power), 1));
                }
                if (series == PreferredNumbers.E96) {
                    for (double d : PreferredNumbers.E24.decade()) {
                        if (!PreferredNumbers.E96.contains(d)) {
                            s.put(resistor(s, p, exact(d, power), 1));
                        }
                    }
                }
            }
            s.put(resistor(s, p, 1e6, 1));
        }
        for (String p : List.of("0603", "0805", "1206")) {
            for (int power = 1; power <= 5; power++) {
                for (double d : PreferredNumbers.E12.decade()) {
                    s.put(coarse(s, p, exact(d, power)));
                }
            }
        }
    }

    private static double exact(double d, int power) {
        return new BigDecimal(String.valueOf(d))
                .scaleByPowerOfTen(power)
                .round(new MathContext(6))
                .doubleValue();
    }

    private static Builder resistor(Shelves s, String p, double ohms, double tolerance) {
        String code = code(ohms, "R");
        // The usual size carries no size in its number.
        String number = p.equals("0603") ? "CH-R-" + code : "CH-R" + p + "-" + code;
        boolean usual = ohms == 0 || PreferredNumbers.E12.contains(ohms);
        return s.part(RESISTORS, number, "resistor", p)
                .says("thick film resistor " + code + " " + p + " 1 %")
                .typ("resistance", ohms, "Ω")
                .max("tolerance", tolerance, "%", null)
                .max("power", WATTS.get(p), "W", "at 70 °C")
                .max(
                        "voltage-rating",
                        p.equals("0402") ? 50 : p.equals("0603") ? 75 : 150,
                        "V",
                        null)
                .max("temperature-coefficient", 100, "1/K·10⁻⁶", null)
                .twoPins()
                .line(LINE_PACKAGES.contains(p) && usual)
                .price(p.equals("1206") ? 0.012 : usual ? 0.004 : 0.009)
                .stock(usual ? 20_000 + s.next(400_000) : -1);
    }

    private static Builder coarse(Shelves s, String p, double ohms) {
        String size = p.equals("0603") ? "" : p + "-";
        return s.part("Hedgerow Parts", "HP-R5-" + size + code(ohms, "R"), "resistor", p)
                .says("carbon film resistor " + p + " 5 %")
                .typ("resistance", ohms, "Ω")
                .max("tolerance", 5, "%", null)
                .max("power", WATTS.get(p), "W", "at 70 °C")
                .twoPins()
                .price(0.002);
    }

    private static void capacitors(Shelves s) {
        for (String p : List.of("0402", "0603", "0805", "1206")) {
            for (int power = -12; power <= -10; power++) {
                for (double d : PreferredNumbers.E12.decade()) {
                    s.put(ceramic(s, p, d, power, "C0G", 50, 5));
                }
            }
        }
        for (String p : List.of("0402", "0603", "0805", "1206")) {
            for (int power = -9; power <= -7; power++) {
                for (double d : PreferredNumbers.E6.decade()) {
                    s.put(ceramic(s, p, d, power, "X7R", p.equals("0402") ? 16 : 50, 10));
                }
            }
            for (double d : PreferredNumbers.E3.decade()) {
                s.put(ceramic(s, p, d, -6, "X5R", p.equals("0402") ? 6.3 : 16, 20));
                if (!p.equals("0402")) {
                    s.put(ceramic(s, p, d, -5, "X5R", p.equals("0603") ? 6.3 : 10, 20));
                }
            }
        }
        for (double d : PreferredNumbers.E6.decade()) {
            s.put(ceramic(s, "0805", d, -8, "Y5V", 25, 20).life("not-for-new"));
        }
    }

    private static Builder ceramic(
            Shelves s, String p, double d, int power, String dielectric, double volts, double tol) {
        double farads = new BigDecimal(String.valueOf(d)).scaleByPowerOfTen(power).doubleValue();
        String code = farads(d, power);
        String tail = dielectric.equals("Y5V") ? "-Y5V" : "";
        boolean usual =
                Set.of("10P", "12P", "15P", "22P", "100P", "1N", "10N", "100N", "1U", "4U7", "10U")
                                .contains(code)
                        && tail.isEmpty();
        return s.part(CAPACITORS, "LC-C" + p + "-" + code + tail, "capacitor", p)
                .says("ceramic capacitor " + code + " " + dielectric + " " + volts + " V " + p)
                .typ("capacitance", farads, "F")
                .max("tolerance", tol, "%", null)
                .max("voltage-rating", volts, "V", null)
                .word("dielectric", dielectric)
                .twoPins()
                .line(LINE_PACKAGES.contains(p) && usual)
                .price(farads > 4e-6 ? 0.06 : 0.011)
                .stock(usual ? 30_000 + s.next(300_000) : -1);
    }

    private static void electrolytics(Shelves s) {
        double[] sizes = {4, 5, 6.3, 8, 10};
        int i = 0;
        for (int micro : new int[] {1, 2, 4, 10, 22, 47, 100, 220, 470, 1000}) {
            for (int volts : new int[] {10, 16, 25, 50}) {
                double d = sizes[Math.min(4, i++ / 8)];
                s.put(
                        s.part(
                                        "Osier Electric",
                                        "OE-" + micro + "U-" + volts,
                                        "capacitor",
                                        "CAN" + (int) Math.ceil(d))
                                .says("electrolytic capacitor " + micro + " µF " + volts + " V")
                                .body(d, d, d + 1.5)
                                .typ("capacitance", micro * 1e-6, "F")
                                .max("tolerance", 20, "%", null)
                                .max("voltage-rating", volts, "V", null)
                                .max(
                                        "esr",
                                        Math.round(300.0 / Math.sqrt(micro)) / 100.0,
                                        "Ω",
                                        "at 100 kHz")
                                .pins("1 + anode", "2 - cathode")
                                .price(0.05 + micro / 4000.0));
            }
        }
    }

    private static void coils(Shelves s) {
        for (int power = -7; power <= -4; power++) {
            for (double d : PreferredNumbers.E6.decade()) {
                String code = farads(d, power);
                double amps = Math.round(1000 / Math.sqrt(d * Math.pow(10, power + 7))) / 500.0;
                s.put(
                        s.part(COILS, "WW-L1210-" + code, "inductor", "1210")
                                .says("wound inductor " + code + "H")
                                .typ("inductance", exact(d, power), "H")
                                .max("tolerance", 20, "%", null)
                                .max("current-rating", amps, "A", "for 30 °C of rise")
                                .most("dc-resistance", 0.2 / amps, 0.25 / amps, "Ω", "at 25 °C")
                                .twoPins()
                                .price(0.14));
            }
        }
        for (int ohms : new int[] {60, 120, 220, 330, 470, 600, 1000}) {
            for (String p : List.of("0603", "0805")) {
                boolean demo = ohms == 600 && p.equals("0805");
                s.put(
                        s.part(
                                        demo ? "Thornfield Semi" : COILS,
                                        demo ? "TF-600RFERRITE" : "WW-FB" + p + "-" + ohms,
                                        "ferrite bead",
                                        p)
                                .says("ferrite bead " + ohms + " Ω at 100 MHz")
                                .typ("resistance", ohms, "Ω")
                                .max("current-rating", 500, "mA", null)
                                .max("dc-resistance", 0.3, "Ω", null)
                                .twoPins()
                                .line(p.equals("0603") && ohms == 600)
                                .price(0.02));
            }
        }
    }

    private static void crystals(Shelves s) {
        double[] mega = {4, 8, 10, 12, 16, 20, 24, 25, 26, 27, 32, 40};
        for (double f : mega) {
            for (int load : new int[] {8, 12, 18}) {
                s.put(crystal(s, "TF-X" + (int) f + "M-" + load, "XTAL3225", f * 1e6, load, 20));
            }
        }
        s.put(crystal(s, "TF-32768KHZ", "XTAL3215", 32_768, 12, 20).line(true).price(0.22));
        s.put(crystal(s, "TF-32768KHZ-7", "XTAL3215", 32_768, 7, 20));
    }

    private static Builder crystal(
            Shelves s, String number, String p, double hertz, int load, int ppm) {
        return s.part("Thornfield Semi", number, "crystal", p)
                .says("crystal " + (hertz < 1e5 ? hertz / 1e3 + " kHz" : hertz / 1e6 + " MHz"))
                .body(3.2, p.equals("XTAL3215") ? 1.5 : 2.5, 0.9)
                .typ("frequency", hertz, "Hz")
                .typ("load-capacitance", load, "pF")
                .max("stability", ppm, "10⁻⁶", "at 25 °C")
                .twoPins()
                .price(0.3);
    }

    /** Letter code of IEC 60062, capitals: 4K7, 10K, 100, 1M. */
    static String code(double ohms, String none) {
        BigDecimal n = new BigDecimal(ohms).round(new MathContext(4));
        String letter = ohms >= 1e6 ? "M" : ohms >= 1e3 ? "K" : none;
        int shift = ohms >= 1e6 ? 6 : ohms >= 1e3 ? 3 : 0;
        String digits = n.scaleByPowerOfTen(-shift).stripTrailingZeros().toPlainString();
        if (digits.contains(".")) {
            return digits.replace(".", letter);
        }
        return letter.equals("R") ? digits : digits + letter;
    }

    /** The same for farads and henries: 4U7, 100N, 12P. */
    static String farads(double d, int power) {
        BigDecimal n = new BigDecimal(String.valueOf(d)).scaleByPowerOfTen(power);
        String letter = "P";
        int shift = -12;
        if (n.doubleValue() >= 0.999e-6) {
            letter = "U";
            shift = -6;
        } else if (n.doubleValue() >= 0.999e-9) {
            letter = "N";
            shift = -9;
        }
        String digits = n.scaleByPowerOfTen(-shift).stripTrailingZeros().toPlainString();
        return digits.contains(".") ? digits.replace(".", letter) : digits + letter;
    }
}
