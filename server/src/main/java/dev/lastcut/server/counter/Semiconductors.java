package dev.lastcut.server.counter;

import dev.lastcut.server.counter.Shelves.Builder;

/** Diodes, LEDs, transistors. */
final class Semiconductors {
    private static final String OPTO = "Foxglove Opto";
    private static final String SEMI = "Thornfield Semi";
    private static final String OTHER = "Yarrow Devices";

    private Semiconductors() {}

    static void put(Shelves s) {
        diodes(s);
        leds(s);
        fets(s);
        bipolars(s);
    }

    private static void diodes(Shelves s) {
        int[] volts = {20, 30, 40, 60, 100};
        double[] amps = {0.2, 0.5, 1, 2, 3};
        for (String p : new String[] {"SOD123", "SMA"}) {
            for (int v : volts) {
                for (double a : amps) {
                    String number = "YD-S" + v + "-" + Passives.code(a, "A") + "-" + p;
                    s.put(schottky(s, OTHER, number, p, v, a).line(v == 40 && a == 1));
                    s.put(
                            s.part(
                                            OTHER,
                                            "YD-R" + v + "-" + Passives.code(a, "A") + "-" + p,
                                            "diode",
                                            p)
                                    .says("rectifier diode " + v + " V " + a + " A")
                                    .max("reverse-voltage", v, "V", null)
                                    .max("forward-current", a, "A", null)
                                    .most("forward-voltage", 0.9, 1.1, "V", "at " + a + " A")
                                    .most("recovery-time", 1.2, 2.0, "µs", null)
                                    .pins("1 K cathode", "2 A anode")
                                    .price(0.03));
                }
            }
        }
        s.put(schottky(s, OPTO, "FX-SCHOTTKY1A", "SOD123", 30, 1));
    }

    private static Builder schottky(
            Shelves s, String maker, String number, String p, int volts, double amps) {
        return s.part(maker, number, "diode", p)
                .says("schottky diode " + volts + " V " + amps + " A")
                .max("reverse-voltage", volts, "V", null)
                .max("forward-current", amps, "A", null)
                .most(
                        "forward-voltage",
                        0.38 + volts / 500.0,
                        0.45 + volts / 400.0,
                        "V",
                        "at " + amps + " A")
                .max("leakage", 0.1 + amps / 5, "mA", "at rated voltage, 25 °C")
                .pins("1 K cathode", "2 A anode")
                .price(0.05);
    }

    private static void leds(Shelves s) {
        String[] colours = {"red", "amber", "yellow", "green", "blue", "white"};
        double[] drop = {1.9, 2.0, 2.1, 2.2, 3.0, 3.1};
        for (String p : new String[] {"0603", "0805", "1206"}) {
            for (int i = 0; i < colours.length; i++) {
                boolean demo = p.equals("0805") && (i == 1 || i == 3);
                String number =
                        demo
                                ? "FX-" + colours[i].toUpperCase() + "LED"
                                : "FX-L" + p + "-" + colours[i].toUpperCase();
                s.put(
                        s.part(OPTO, number, "LED", p)
                                .says(colours[i] + " LED " + p)
                                .body(
                                        p.equals("0603") ? 1.6 : p.equals("0805") ? 2.0 : 3.2,
                                        p.equals("1206") ? 1.6 : p.equals("0805") ? 1.25 : 0.8,
                                        0.8)
                                .word("colour", colours[i])
                                .most("forward-voltage", drop[i], drop[i] + 0.4, "V", "at 10 mA")
                                .max("forward-current", 25, "mA", null)
                                .typ("intensity", 40 + 15.0 * i, "mcd")
                                .pins("1 K cathode", "2 A anode")
                                .line(p.equals("0603"))
                                .price(0.03));
            }
        }
    }

    private static void fets(Shelves s) {
        int n = 0;
        for (int v : new int[] {12, 20, 30, 60}) {
            for (double a : new double[] {0.3, 1, 2, 3.5, 5}) {
                for (String polarity : new String[] {"N", "P"}) {
                    s.put(
                            fet(
                                    s,
                                    "YD-F" + polarity + v + "-" + (++n),
                                    polarity,
                                    v,
                                    a,
                                    40.0 * v / 10 / a,
                                    1.4 + v / 60.0));
                }
            }
        }
        s.put(fet(s, SEMI, "TF-PFET", "P", 20, 2.5, 90, 0.9).life("last-orders").stock(640));
        s.put(fet(s, SEMI, "TF-PFET2", "P", 20, 2.5, 75, 0.9).line(true));
        s.put(fet(s, SEMI, "TF-PFET-HV", "P", 60, 0.3, 4000, 2.5));
    }

    private static Builder fet(
            Shelves s,
            String number,
            String polarity,
            int volts,
            double amps,
            double milliohms,
            double threshold) {
        return fet(s, OTHER, number, polarity, volts, amps, milliohms, threshold);
    }

    private static Builder fet(
            Shelves s,
            String maker,
            String number,
            String polarity,
            int volts,
            double amps,
            double milliohms,
            double threshold) {
        return s.part(maker, number, "MOSFET", "SOT23")
                .says(polarity + " channel MOSFET " + volts + " V " + amps + " A")
                .word("polarity", polarity + " channel")
                .max("drain-voltage", volts, "V", null)
                .max("drain-current", amps, "A", "at 25 °C")
                .most(
                        "on-resistance",
                        Math.round(milliohms * 0.8),
                        Math.round(milliohms),
                        "mΩ",
                        "at 4.5 V of drive")
                .most(
                        "gate-threshold",
                        Math.round(threshold * 7) / 10.0,
                        Math.round(threshold * 10) / 10.0,
                        "V",
                        "at 250 µA")
                .typ("gate-charge", 4 + amps, "nC")
                .pins("1 G input", "2 S passive", "3 D passive")
                .price(0.08);
    }

    private static void bipolars(Shelves s) {
        int n = 0;
        for (int v : new int[] {25, 45, 65}) {
            for (int ma : new int[] {100, 500, 1000}) {
                for (String polarity : new String[] {"NPN", "PNP"}) {
                    s.put(
                            s.part(
                                            OTHER,
                                            "YD-B" + polarity + v + "-" + (++n),
                                            "transistor",
                                            "SOT23")
                                    .says(polarity + " transistor " + v + " V " + ma + " mA")
                                    .word("polarity", polarity)
                                    .max("collector-voltage", v, "V", null)
                                    .max("collector-current", ma, "mA", null)
                                    .range("gain", 100, 400, "")
                                    .pins("1 B input", "2 E passive", "3 C passive")
                                    .line(v == 45 && ma == 100)
                                    .price(0.03));
                }
            }
        }
    }
}
