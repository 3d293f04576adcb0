package dev.lastcut.core.connectivity;

import java.util.Locale;
import java.util.regex.Pattern;

/** What the name of a net tells of it (common practice, no source). */
public final class NetNames {
    private static final Pattern GROUND =
            Pattern.compile("(A|D|P|S|CHASSIS|SIGNAL)?_?(GND|GROUND|VSS|0V|COM|MASS)[A-Z]?\\d*");
    private static final Pattern SUPPLY =
            Pattern.compile(
                    "(\\+?\\d+V\\d*.*|\\+?\\d+[.,]\\d+V.*|[+-]\\d+V?|V(CC|DD|BAT|BUS|IN|SYS|EE|PP|AA|RF|SOL|REF|EXC)\\w*"
                            + "|(A|D)VDD\\w*|(A|D)VCC\\w*|POWER|PWR\\w*|SUPPLY)");

    private NetNames() {}

    private static String plain(String net) {
        return net.toUpperCase(Locale.ROOT).replaceFirst("^[/~]+", "");
    }

    public static boolean isGround(String net) {
        return GROUND.matcher(plain(net)).matches();
    }

    public static boolean isSupply(String net) {
        return SUPPLY.matcher(plain(net)).matches();
    }

    /** A supply above ground: of -12 V the ground is the plus. */
    public static boolean isPositive(String net) {
        String name = plain(net);
        return isSupply(net) && !name.startsWith("-") && !name.startsWith("VEE");
    }
}
