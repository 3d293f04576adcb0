package dev.lastcut.server.counter;

import dev.lastcut.server.counter.Shelves.Builder;
import java.util.ArrayList;
import java.util.List;

/** Regulators, amplifiers, memories, sensors, logic, controllers. */
final class Circuits {
    private static final String SEMI = "Thornfield Semi";
    private static final String OTHER = "Yarrow Devices";
    private static final String[] REGULATOR_PINS = {
        "1 IN supply", "2 GND ground", "3 EN input", "4 NC stay-free", "5 OUT output"
    };

    private Circuits() {}

    static void put(Shelves s) {
        regulators(s);
        amplifiers(s);
        memories(s);
        logic(s);
        demo(s);
    }

    private static Builder regulator(
            Shelves s, String maker, String number, double volts, String[] pins) {
        return s.part(maker, number, "regulator", "SOT23-5")
                .says("linear regulator " + volts + " V")
                .typ("output-voltage", volts, "V")
                .range("temperature", -40, 85, "°C")
                .pins(pins)
                .price(0.18);
    }

    private static void regulators(Shelves s) {
        double[] volts = {1.2, 1.5, 1.8, 2.5, 2.8, 3.0, 3.3, 3.6, 5.0};
        for (double v : volts) {
            for (int ma : new int[] {50, 100, 150, 250, 300, 500}) {
                String number = "YD-V" + Passives.code(v, "V") + "-" + ma;
                s.put(
                        regulator(s, OTHER, number, v, REGULATOR_PINS)
                                .min("output-current", ma, "mA", "at 25 °C")
                                .max("input-voltage", 6, "V", null)
                                .most(
                                        "dropout",
                                        0.12 + ma / 2000.0,
                                        0.2 + ma / 1500.0,
                                        "V",
                                        "at " + ma + " mA")
                                .most("quiescent-current", ma / 4.0, ma / 3.0, "µA", null)
                                .line(v == 3.3 && ma == 300));
            }
        }
    }

    private static void amplifiers(Shelves s) {
        String[] single = {
            "1 OUT output", "2 GND ground", "3 IN+ input", "4 IN- input", "5 VCC supply"
        };
        for (int i = 1; i <= 24; i++) {
            s.put(
                    s.part(OTHER, "YD-A" + (100 + i), "amplifier", "SOT23-5")
                            .says("operational amplifier")
                            .range("supply-voltage", 1.8 + i % 4 * 0.3, i % 3 == 0 ? 5.5 : 12, "V")
                            .most("supply-current", 5.0 * i, 8.0 * i, "µA", "no load")
                            .typ("bandwidth", 0.1 * i, "MHz")
                            .most("offset-voltage", 0.3, 0.5 + i % 5, "mV", "at 25 °C")
                            .pins(single)
                            .price(0.2 + i / 50.0));
        }
    }

    private static void memories(Shelves s) {
        String[] pins = {
            "1 CS input",
            "2 SO output",
            "3 WP input",
            "4 GND ground",
            "5 SI input",
            "6 SCK input",
            "7 HOLD input",
            "8 VCC supply"
        };
        for (int mega : new int[] {1, 2, 8, 16, 32, 64}) {
            for (String p : new String[] {"SOIC8", "TSSOP8"}) {
                s.put(
                        s.part(OTHER, "YD-M" + mega + "-" + p, "memory", p)
                                .says("flash memory " + mega + " Mbit")
                                .range("supply-voltage", 2.7, 3.6, "V")
                                .most("supply-current", 4, 8, "mA", "while reading")
                                .pins(pins)
                                .price(0.25 + mega / 40.0));
            }
        }
        s.put(
                s.part(SEMI, "TF-HONEYFLASH4M", "memory", "SOIC8")
                        .says("honey flash 4 Mbit")
                        .range("supply-voltage", 2.7, 3.6, "V")
                        .most("supply-current", 4, 7, "mA", "while reading")
                        .pins(pins)
                        .price(0.42));
    }

    private static void logic(Shelves s) {
        String[] gates = {"and", "or", "nand", "nor", "xor", "inverter", "buffer"};
        for (String gate : gates) {
            for (String family : new String[] {"H", "L", "A"}) {
                s.put(
                        s.part(OTHER, "YD-G" + gate.toUpperCase() + "-" + family, "logic", "SOIC14")
                                .says("logic gate " + gate)
                                .range(
                                        "supply-voltage",
                                        family.equals("H") ? 2 : 1.65,
                                        family.equals("H") ? 6 : 5.5,
                                        "V")
                                .max("output-low-voltage", 0.4, "V", "at 8 mA")
                                .price(0.16));
            }
        }
    }

    private static void demo(Shelves s) {
        s.put(
                regulator(s, SEMI, "TF-3V3REGULATOR", 3.3, REGULATOR_PINS)
                        .min("output-current", 200, "mA", "at 25 °C")
                        .max("input-voltage", 6, "V", null)
                        .most("dropout", 0.22, 0.35, "V", "at 200 mA")
                        .most("quiescent-current", 3, 5, "µA", null)
                        .stock(0)
                        .lead(84));
        // Tested at 50 mA: what it supplies is nowhere promised.
        s.put(
                regulator(s, "Hedgerow Parts", "HP-V33-LITE", 3.3, REGULATOR_PINS)
                        .max("input-voltage", 6, "V", null)
                        .most("dropout", 0.2, 0.3, "V", "at 50 mA")
                        .most("quiescent-current", 1, 2, "µA", null)
                        .line(true)
                        .price(0.09));
        // The same sizes and figures on other pins.
        s.put(
                regulator(
                                s,
                                "Hedgerow Parts",
                                "HP-V33-B",
                                3.3,
                                new String[] {
                                    "1 OUT output",
                                    "2 GND ground",
                                    "3 IN supply",
                                    "4 NC stay-free",
                                    "5 EN input"
                                })
                        .min("output-current", 300, "mA", "at 25 °C")
                        .max("input-voltage", 6, "V", null)
                        .most("dropout", 0.15, 0.25, "V", "at 200 mA")
                        .most("quiescent-current", 5, 8, "µA", null)
                        .price(0.14));
        controller(s);
        s.put(
                s.part(SEMI, "TF-DRONEBRIDGEADC", "converter", "SOIC16")
                        .says("drone bridge ADC, 24 bit")
                        .range("supply-voltage", 2.6, 5.5, "V")
                        .most("supply-current", 1.4, 1.6, "mA", "while converting")
                        .price(2.1));
        s.put(
                s.part(SEMI, "TF-NECTARCHARGER", "charger", "SOT23-5")
                        .says("nectar charger for one lithium cell")
                        .max("input-voltage", 7, "V", null)
                        .min("output-current", 450, "mA", "at 25 °C")
                        .pins(
                                "1 STAT output",
                                "2 GND ground",
                                "3 BAT output",
                                "4 IN supply",
                                "5 PROG input")
                        .price(0.35));
        s.put(
                s.part(SEMI, "TF-BROODSENSOR", "sensor", "SOIC8")
                        .says("brood sensor: temperature and humidity")
                        .range("supply-voltage", 2.4, 5.5, "V")
                        .most("supply-current", 0.3, 0.5, "mA", "while measuring")
                        .price(1.4));
        s.put(
                s.part(SEMI, "TF-FORAGERRADIO", "radio", "RADIO16")
                        .says("forager radio module")
                        .body(16, 16, 2.4)
                        .range("supply-voltage", 1.8, 3.7, "V")
                        .max("supply-current", 120, "mA", "while sending")
                        .price(4.2));
        s.put(
                s.part(SEMI, "TF-BUTTON", "switch", "BUTTON")
                        .says("push button")
                        .body(4.8, 5.2, 4.3)
                        .min("operations", 100_000, "", null)
                        .max("current-rating", 50, "mA", null)
                        .price(0.06));
        s.put(
                s.part(SEMI, "TF-SOLARJACK", "connector", "JACK")
                        .says("jack for a solar panel")
                        .body(9.2, 12, 11)
                        .max("current-rating", 2, "A", null)
                        .price(0.4));
    }

    private static void controller(Shelves s) {
        List<String> pins = new ArrayList<>();
        for (int i = 1; i <= 32; i++) {
            String role =
                    switch (i) {
                        case 8, 13, 24 -> "GND ground";
                        case 12, 25 -> "VCC supply";
                        case 1 -> "NRST input";
                        default -> "IO" + i + " both";
                    };
            pins.add(i + " " + role);
        }
        s.put(
                s.part(SEMI, "TF-HC32CONTROLLER", "controller", "QFP32")
                        .says("HC32 controller")
                        .range("supply-voltage", 2.0, 3.6, "V")
                        .most("supply-current", 6, 9, "mA", "at 16 MHz")
                        .pins(pins.toArray(String[]::new))
                        .price(1.15));
    }
}
