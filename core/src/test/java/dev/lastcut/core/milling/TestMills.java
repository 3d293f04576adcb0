package dev.lastcut.core.milling;

import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import java.util.List;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Envelope;

/** Mills for tests. */
public final class TestMills {
    /** 0.1 mm tip, 10 degrees. */
    public static final Cutter V =
            new Cutter(
                    "v", "V", Cutter.Kind.V, 100_000, 10, 3_175_000, 0, 200, 60, 12_000, 200_000);

    private TestMills() {}

    public static Cutter flat(double mm) {
        long d = Math.round(mm * 1e6);
        return new Cutter(
                "f" + d, "flat " + mm, Cutter.Kind.FLAT, 0, 0, d, 0, 200, 60, 12_000, 900_000);
    }

    public static Cutter drill(double mm) {
        long d = Math.round(mm * 1e6);
        return new Cutter(
                "d" + d, "drill " + mm, Cutter.Kind.DRILL, 0, 0, d, 0, 100, 90, 12_000, 1_000_000);
    }

    /** 0.1 mm deep, a channel of 0.19 mm, three tabs, a program for each tool, lines for arcs. */
    public static Mill mill(Cutter... rack) {
        return mill(
                new Mill.Controller(
                        Mill.Controller.ToolChange.PROGRAM_PER_TOOL, false, false, true, 2),
                rack);
    }

    public static Mill mill(Mill.Controller controller, Cutter... rack) {
        return new Mill(
                List.of(rack),
                new Mill.Stock(160_000_000, 120_000_000, 1_600_000, 35_000),
                new Mill.Bed(200_000_000, 150_000_000, 40_000_000),
                new Mill.Cutting(2_000_000, 100_000, 187_000, 0.4, 200_000, 50_000, 1200),
                new Mill.Tabs(3, 2_000_000, 500_000),
                new Mill.Pins(900_000, 4_000_000),
                controller);
    }

    /** The usual set-up but for what becomes of copper, and the tools. */
    public static MillSetup setup(
            MillSetup.Clearing clearing,
            String ground,
            long nick,
            List<Envelope> rubOut,
            List<Envelope> leaveOut,
            Cutter... tools) {
        MillSetup u = MillSetup.USUAL;
        return new MillSetup(
                Stream.of(tools).map(Cutter::id).toList(),
                u.sides(),
                clearing,
                rubOut,
                leaveOut,
                u.leaveFreeCopper(),
                nick,
                u.climb(),
                ground,
                u.throughZero(),
                u.inStockX(),
                u.inStockY(),
                u.pins(),
                u.turnedOver());
    }

    /** Channels, with so much of wanted copper that may go. */
    public static MillSetup nick(long nick, Cutter... tools) {
        return setup(MillSetup.Clearing.CHANNEL, "", nick, List.of(), List.of(), tools);
    }
}
