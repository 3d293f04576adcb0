package dev.lastcut.core.formats.netlist;

import dev.lastcut.core.geometry.Pt;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Writes IPC-D-356A in millimetres (unit 0.001 mm). Columns are those of the standard, counted from
 * 1 in the comments; names longer than their columns get short ones, told at the head.
 */
public final class NetlistWriter {
    private static final int NET_COLUMNS = 14;
    private static final int COMPONENT_COLUMNS = 6;
    private static final int PIN_COLUMNS = 4;

    /**
     * A place that can be reached.
     *
     * @param net its name; empty for copper that is no net
     * @param component empty for a via
     * @param access 0 from both sides, else the number of the copper layer counted from 1
     * @param hole diameter in nm; 0 for a pad without a hole
     * @param width and {@code height} of its copper, nm
     */
    public record Place(
            String net,
            String component,
            String pin,
            Pt at,
            int access,
            long hole,
            boolean plated,
            double width,
            double height) {}

    private NetlistWriter() {}

    public static byte[] write(List<Place> places) {
        Map<String, String> nets = new LinkedHashMap<>();
        Map<String, String> components = new LinkedHashMap<>();
        Set<String> taken = new LinkedHashSet<>();
        places.forEach(p -> taken.add(p.net()));
        StringBuilder out = new StringBuilder("C  IPC-D-356A, nets as the copper joins them\n");
        out.append("P  UNITS CUST 1\nP  IMAGE PRIMARY\n");
        for (Place p : places) {
            if (!fits(p.net(), NET_COLUMNS) && !nets.containsKey(p.net())) {
                String alias = alias(nets.size() + 1, taken);
                nets.put(p.net(), alias);
                out.append("P  ").append(alias).append("  ").append(plain(p.net())).append('\n');
            }
            if (!fits(p.component(), COMPONENT_COLUMNS) && !components.containsKey(p.component())) {
                String alias = "#" + (components.size() + 1);
                components.put(p.component(), alias);
                out.append("C  PART ").append(alias).append(" = ");
                out.append(plain(p.component())).append('\n');
            }
        }
        for (Place p : places) {
            record(
                    p,
                    nets.getOrDefault(p.net(), p.net()),
                    components.getOrDefault(p.component(), p.component()),
                    out);
        }
        return out.append("999\n").toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String alias(int number, Set<String> taken) {
        String alias = "NNAME" + number;
        return taken.contains(alias) ? alias + "A" : alias;
    }

    private static boolean fits(String name, int columns) {
        return name.length() <= columns && name.equals(plain(name));
    }

    /** Columns are told apart by place, so a name has no space in it. */
    private static String plain(String name) {
        return name.strip().replaceAll("\\s+", "_");
    }

    private static void record(Place p, String net, String component, StringBuilder out) {
        out.append(p.hole() > 0 ? "317" : "327"); // 1 to 3
        out.append(left(net.isEmpty() ? "N/C" : net, NET_COLUMNS)).append("   "); // 4 to 20
        boolean via = component.isEmpty();
        // Only what has a hole is a via; a pad of no part stays without a name.
        String named = via && p.hole() > 0 ? "VIA" : component;
        out.append(left(named, COMPONENT_COLUMNS)); // 21 to 26
        String pin = p.pin().length() > PIN_COLUMNS ? p.pin().substring(0, PIN_COLUMNS) : p.pin();
        out.append(via || pin.isEmpty() ? ' ' : '-').append(left(via ? "" : pin, PIN_COLUMNS));
        out.append(' '); // 32: not in the middle of a net
        if (p.hole() > 0) {
            out.append('D').append(number(p.hole(), 4)).append(p.plated() ? 'P' : 'U'); // 33 to 38
        } else {
            out.append("      ");
        }
        out.append(String.format(Locale.ROOT, "A%02d", p.access())); // 39 to 41
        out.append('X').append(ordinate(p.at().x())); // 42 to 49
        out.append('Y').append(ordinate(p.at().y())); // 50 to 57
        out.append('X').append(number(p.width(), 4)); // 58 to 62
        out.append('Y').append(number(p.height(), 4)).append("R000\n"); // 63 to 71
    }

    private static String left(String s, int columns) {
        return String.format(Locale.ROOT, "%-" + columns + "s", s);
    }

    private static String number(double nm, int digits) {
        long most = (long) Math.pow(10, digits) - 1;
        return String.format(Locale.ROOT, "%0" + digits + "d", Math.min(most, micro(nm)));
    }

    private static String ordinate(long nm) {
        return (nm < 0 ? "-" : "+") + String.format(Locale.ROOT, "%06d", Math.abs(micro(nm)));
    }

    private static long micro(double nm) {
        return Math.round(nm / 1000);
    }
}
