package dev.lastcut.demo;

import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.demo.Footprint.Pad;
import dev.lastcut.demo.Footprint.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The hive scale node: weighs a hive, sends the weight by radio, runs on a small solar panel. */
final class HiveScaleNode {
    private static final Footprint R = Footprint.chip("R0603", 1.6, 0.8, 0.9);
    private static final Footprint C = Footprint.chip("C0603", 1.6, 0.8, 0.9);
    private static final Footprint BIG = Footprint.chip("C0805", 1.9, 1.0, 1.4);
    private static final Footprint LED = Footprint.diode("D0805", 2.0, 1.1, 1.4);
    private static final Footprint SOD = Footprint.diode("DSOD123", 3.3, 1.0, 1.2);
    private static final Footprint XTAL = Footprint.chip("XTAL3215", 2.5, 1.1, 1.9);
    private static final Footprint SOT3 = Footprint.sot("SOT23-3", false);
    private static final Footprint SOT5 = Footprint.sot("SOT23-5", true);
    private static final Footprint SO8 = Footprint.dual("SO8", 8, 1.27, 2.7, 1.55, 0.6);
    private static final Footprint SO16 = Footprint.dual("SO16", 16, 1.27, 2.7, 1.55, 0.6);
    private static final Footprint QFP = Footprint.quad("QFP32", 8, 0.8, 4.25, 1.5, 0.5);

    private final Design d = new Design("hive-scale-node", 80, 56, 2.5, 2);

    static Map<String, byte[]> files() {
        HiveScaleNode board = new HiveScaleNode();
        board.place();
        new Router(board.d).run();
        board.stitch();
        board.slips();
        return PackWriter.write(
                board.d,
                new Dialect(true, Length.mm(20), Length.mm(15)),
                new PackWriter.Slips(
                        Set.of("TP3"), Set.of("R16"), Map.of("C21", "100n"), Set.of("R14")));
    }

    private void place() {
        d.pourNet = "GND";
        d.usualTrack = 0.25;
        for (String power : List.of("VCC", "VBAT", "VSOL", "SOLAR", "VRF")) {
            d.trackWidth.put(power, 0.4);
        }
        holes();
        controller();
        power();
        scale();
        radio();
        people();
        labels();
    }

    private void holes() {
        for (double[] at : new double[][] {{3.5, 3.5}, {76.5, 3.5}, {3.5, 52.5}, {76.5, 52.5}}) {
            d.mountingHole(at[0], at[1], 3.2);
        }
        for (double x : new double[] {27, 53}) {
            d.bare.add(new Design.Bare(Pt.mm(x, 2.6), Pt.mm(x, 5.4), Length.mm(1.5)));
        }
    }

    private void controller() {
        d.part(
                "U1",
                "HC32 controller",
                QFP,
                40,
                30,
                0,
                "NRST",
                "XIN",
                "XOUT",
                "LED1",
                "BUTTON",
                "VBAT_SENSE",
                "CHG_STAT",
                "GND",
                "ADC_SCK",
                "ADC_DOUT",
                "EXC_EN",
                "VCC",
                "GND",
                "SDA",
                "SCL",
                "LED2",
                "RF_NSS",
                "RF_SCK",
                "RF_MISO",
                "RF_MOSI",
                "RF_RST",
                "RF_DIO",
                "RF_EN",
                "GND",
                "VCC",
                "FL_CS",
                "FL_MISO",
                "FL_MOSI",
                "FL_SCK",
                "SWDIO",
                "SWCLK",
                "TXD");
        d.part("C1", "100n", C, 40.4, 22.2, 0, "VCC", "GND");
        d.part("C2", "100n", C, 47.2, 37.2, 0, "VCC", "GND");
        d.part("Y1", "32.768 kHz", XTAL, 30.6, 31.6, 3, "XIN", "XOUT");
        d.part("C3", "12p", C, 26.6, 33.0, 0, "GND", "XIN");
        d.part("C4", "12p", C, 26.6, 30.2, 0, "GND", "XOUT");
        d.part("R1", "10k", R, 32.4, 38.2, 0, "VCC", "NRST");
        d.part("C5", "100n", C, 28.4, 38.2, 0, "GND", "NRST");
        d.part(
                "U6",
                "honey flash 4M",
                SO8,
                43,
                45.4,
                0,
                "FL_CS",
                "FL_MISO",
                "VCC",
                "GND",
                "FL_MOSI",
                "FL_SCK",
                "VCC",
                "VCC");
        d.part("C10", "100n", C, 49, 48.4, 0, "VCC", "GND");
        d.part(
                "J4",
                "program",
                Footprint.header("HDR2X3", 3, 2, 2.54, 1.7, 1.0),
                32,
                47.6,
                0,
                "VCC",
                "SWDIO",
                "NRST",
                "SWCLK",
                "GND",
                "TXD");
        d.part("TP1", "VCC", testPad(), 51, 27, 0, "VCC");
        d.part("TP2", "GND", testPad(), 52.62, 27, 0, "GND");
    }

    private void power() {
        d.part("J3", "solar jack", jack(), 8.5, 44.4, 0, "SOLAR", "GND", "GND");
        d.part("D3", "schottky 1A", SOD, 16.6, 40.6, 2, "VSOL", "SOLAR");
        d.part(
                "U4",
                "nectar charger",
                SOT5,
                20.6,
                45.4,
                0,
                "CHG_STAT",
                "GND",
                "VBAT",
                "VSOL",
                "PROG");
        d.part("C6", "10u", BIG, 20.6, 49.6, 0, "VSOL", "GND");
        d.part("C7", "10u", BIG, 22.4, 40.4, 0, "VBAT", "GND");
        d.part("R7", "4.7k", R, 25.6, 46.4, 1, "GND", "PROG");
        d.part("R6", "100k", R, 15.8, 45.6, 1, "CHG_STAT", "VCC");
        d.part(
                "J1",
                "battery",
                Footprint.header("HDR1X2", 1, 2, 2.54, 1.7, 1.0),
                5,
                31.5,
                0,
                "VBAT",
                "GND");
        d.part("U3", "3V3 regulator", SOT5, 16.5, 32.4, 0, "VBAT", "GND", "VBAT", "", "VCC");
        d.part("C8", "1u", C, 11.2, 32.4, 1, "GND", "VBAT");
        d.part("C9", "1u", C, 21.2, 32.6, 1, "GND", "VCC");
        d.part("R4", "1M", R, 28.4, 26.8, 0, "VBAT", "VBAT_SENSE");
        d.part("R5", "1M", R, 28.4, 24.6, 0, "GND", "VBAT_SENSE");
    }

    private void scale() {
        d.part(
                "U2",
                "drone bridge ADC",
                SO16,
                40,
                13,
                1,
                "VEXC",
                "REFP",
                "GND",
                "AINP",
                "AINN",
                "GND",
                "AVDD",
                "CAP",
                "GND",
                "VCC",
                "ADC_DOUT",
                "ADC_SCK",
                "VCC",
                "GND",
                "",
                "GND");
        d.part(
                "J2",
                "load cell",
                Footprint.header("HDR1X4", 4, 1, 2.54, 1.7, 1.0),
                40,
                3.4,
                0,
                "VEXC",
                "CELL_P",
                "CELL_N",
                "GND");
        d.part("R11", "100", R, 37.0, 7.3, 1, "CELL_P", "AINP");
        d.part("R12", "100", R, 43.0, 7.3, 1, "CELL_N", "AINN");
        d.part("C13", "100n", C, 40, 7.6, 0, "AINP", "AINN");
        d.part("C14", "10n", C, 34.2, 7.3, 1, "GND", "AINP");
        d.part("C15", "10n", C, 46.2, 7.3, 1, "GND", "AINN");
        d.part("C16", "10u", BIG, 31.2, 9.6, 0, "GND", "VEXC");
        d.part("R13", "10", R, 31.4, 12.2, 0, "VEXC", "REFP");
        d.part("C12", "1u", C, 31.4, 14.4, 0, "GND", "REFP");
        d.part(
                "L1",
                "600R ferrite",
                Footprint.chip("L0805", 1.9, 1.0, 1.4),
                50,
                10.4,
                0,
                "AVDD",
                "VCC");
        d.part("C17", "1u", C, 50, 12.8, 0, "AVDD", "GND");
        d.part("C18", "100n", C, 49.6, 8.0, 0, "CAP", "GND");
        d.part("C19", "100n", C, 48.8, 15.6, 0, "VCC", "GND");
        d.part("Q1", "P-FET", SOT3, 30.6, 18.2, 0, "EXC_EN", "VCC", "VEXC");
        d.part("R8", "100k", R, 30.6, 21.6, 0, "VCC", "EXC_EN");
        d.part("TP3", "VEXC", testPad(), 25.6, 17.6, 0, "VEXC");
    }

    private void radio() {
        d.part(
                "M1",
                "forager radio",
                module(),
                66.5,
                34,
                0,
                "GND",
                "VRF",
                "RF_DIO",
                "RF_RST",
                "RF_MOSI",
                "RF_MISO",
                "RF_SCK",
                "RF_NSS",
                "GND",
                "",
                "",
                "",
                "",
                "GND",
                "ANT",
                "GND");
        d.part("Q2", "P-FET", SOT3, 53, 36.4, 0, "RF_EN", "VCC", "VRF");
        d.part("R10", "100k", R, 53, 40.0, 0, "RF_EN", "VCC");
        d.part("C11", "10u", BIG, 57.6, 45.2, 0, "VRF", "GND");
        d.part("C20", "100n", C, 57.6, 47.8, 0, "VRF", "GND");
        d.part("R9", "0", R, 74.4, 45.4, 1, "ANT", "AERIAL");
        d.part(
                "J5",
                "aerial",
                Footprint.header("HDR1X1", 1, 1, 2.54, 2.0, 1.2),
                70.2,
                48.6,
                0,
                "AERIAL");
        d.part("U5", "brood sensor", SO8, 64, 13, 0, "SDA", "SCL", "", "GND", "GND", "", "", "VCC");
        d.part("R15", "4.7k", R, 55.6, 16.6, 0, "SDA", "VCC");
        d.part("R16", "4.7k", R, 55.6, 19.0, 0, "SCL", "VCC");
        d.part("C22", "100n", C, 70.6, 14.8, 0, "VCC", "GND");
    }

    private void people() {
        d.part("SW1", "button", button(), 10, 11.4, 0, "GND", "BUTTON");
        d.part("R14", "10k", R, 18.6, 16.6, 0, "VCC", "BUTTON");
        d.part("R2", "1k", R, 20.6, 11.4, 0, "LED1", "LED1_A");
        d.part("D1", "green LED", LED, 20.6, 8.2, 0, "GND", "LED1_A");
        d.part("R3", "1k", R, 58.4, 6.6, 0, "LED2", "LED2_A");
        d.part("D2", "amber LED", LED, 63.2, 6.6, 2, "GND", "LED2_A");
        for (int i = 0; i < 3; i++) {
            double[] at = new double[][] {{9.5, 53.2}, {70.5, 3.4}, {9.5, 3.4}}[i];
            Pad pad = new Pad("1", 0, 0, 1, 1, Shape.ROUND, 0, 0);
            d.part(
                    "FID" + (i + 1),
                    "fiducial",
                    Footprint.of("FID", 2.2, 2.2, List.of(pad), List.of()),
                    at[0],
                    at[1],
                    0);
        }
    }

    private void labels() {
        d.labels.add(new Design.Label("HIVE SCALE NODE", 50, 51.4, 1.6, 0));
        d.labels.add(new Design.Label("REV A", 62, 22.6, 1.2, 0));
        d.labels.add(new Design.Label("SOLAR", 4.6, 36.2, 1.0, 0));
        d.labels.add(new Design.Label("+", 1.8, 32.4, 1.0, 0));
        // Set by eye and run over the pads of C15: one of the mistakes the checks should find.
        d.labels.add(new Design.Label("LOAD CELL", 43.2, 5.6, 1.0, 0));
        d.labels.add(new Design.Label("BEEKEEPING CLUB", 56, 20, 1.6, 1));
    }

    /** Joins the pours of both sides with vias wherever there is room on an 8 mm grid. */
    private void stitch() {
        for (double x = 4.5; x < d.width - 3; x += 6) {
            for (double y = 6.5; y < d.height - 5; y += 6) {
                Copper.Via via =
                        new Copper.Via(
                                "GND", Pt.mm(x, y), Length.mm(d.viaPad), Length.mm(d.viaDrill));
                boolean free =
                        d.copper.stream()
                                .noneMatch(c -> c.shape().isWithinDistance(via.shape(), 350_000));
                free &= x < 58 || x > 75 || y < 25 || y > 43;
                free &= d.bare.stream().noneMatch(b -> b.from().distance(via.at()) < Length.mm(3));
                if (free) {
                    d.copper.add(via);
                }
            }
        }
    }

    private void slips() {
        // A via drilled one size too large: its ring is 0.1 mm.
        for (int i = 0; i < d.copper.size(); i++) {
            if (d.copper.get(i) instanceof Copper.Via v && v.net().equals("LED2")) {
                d.copper.set(i, new Copper.Via(v.net(), v.at(), v.pad(), Length.mm(0.5)));
                break;
            }
        }
        // A ground line drawn along the very edge.
        d.track("GND", 0, 0.25, 36, 54.6, 36, 55.75, 48, 55.75, 48, 54.6);
    }

    private static Footprint testPad() {
        Pad pad = new Pad("1", 0, 0, 1.5, 1.5, Shape.ROUND, 0, 0);
        return Footprint.of("TESTPAD", 1.6, 1.6, List.of(pad), List.of());
    }

    private static Footprint jack() {
        List<Pad> pads =
                List.of(
                        new Pad("1", 3, 0, 2.2, 4.2, Shape.OVAL, 1.0, 2.0),
                        new Pad("2", -3, 0, 2.2, 4.2, Shape.OVAL, 1.0, 2.0),
                        new Pad("3", 0, -4.4, 2.2, 3.2, Shape.OVAL, 1.0, 1.0));
        return Footprint.of("JACK", 9.4, 12, pads, Footprint.box(-4.6, -6.4, 4.6, 5.6));
    }

    private static Footprint button() {
        List<Pad> pads =
                List.of(
                        new Pad("1", -3.6, 0, 1.6, 1.6, Shape.ROUNDED, 0, 0),
                        new Pad("2", 3.6, 0, 1.6, 1.6, Shape.ROUNDED, 0, 0));
        List<double[]> silk = new ArrayList<>(Footprint.box(-2.4, -2.6, 2.4, 2.6));
        silk.addAll(Footprint.box(-1, -1, 1, 1));
        return Footprint.of("BUTTON", 9, 5.5, pads, silk);
    }

    private static Footprint module() {
        List<Pad> pads = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            boolean left = i < 8;
            double y = left ? 6.3 - i * 1.8 : -6.3 + (i - 8) * 1.8;
            pads.add(new Pad(String.valueOf(i + 1), left ? -8 : 8, y, 2, 1.1, Shape.RECT, 0, 0));
        }
        List<double[]> silk = new ArrayList<>();
        silk.add(new double[] {-8, 8, 8, 8});
        silk.add(new double[] {-8, -8, 8, -8});
        silk.add(new double[] {-8, 7.3, -8, 8});
        silk.add(new double[] {8, 7.3, 8, 8});
        silk.add(new double[] {-8, -8, -8, -7.3});
        silk.add(new double[] {8, -8, 8, -7.3});
        silk.add(new double[] {-6.4, 7.2, -5.6, 7.2});
        return Footprint.of("RADIO16", 18.4, 16.6, pads, silk);
    }
}
