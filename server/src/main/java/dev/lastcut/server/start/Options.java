package dev.lastcut.server.start;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The options of the server.
 *
 * @param demo whether the demo boards are brought in
 * @param backupEvery how often a copy of everything is made; zero: never
 * @param keep how many copies are kept
 * @param rest what is left for the framework
 */
public record Options(boolean demo, Duration backupEvery, int keep, List<String> rest) {
    private static final Pattern SPAN = Pattern.compile("([1-9]\\d{0,4})([smhd])");

    /** Where the server listens unless it is told another port. */
    public static final int USUAL_PORT = 8787;

    private static final int USUAL_KEEP = 7;

    /**
     * @throws StartFault when an option's value cannot be used
     */
    public static Options parse(List<String> args) throws StartFault {
        boolean demo = false;
        Duration every = Duration.ZERO;
        int keep = USUAL_KEEP;
        List<String> rest = new ArrayList<>();
        for (int i = 0; i < args.size(); i++) {
            String[] word = args.get(i).split("=", 2);
            boolean valued = word[0].equals("--backup-every") || word[0].equals("--keep");
            String value = "";
            if (valued) {
                value = word.length > 1 ? word[1] : i + 1 < args.size() ? args.get(++i) : "";
            }
            switch (word[0]) {
                case "--demo" -> demo = true;
                case "--backup-every" -> every = span(value);
                case "--keep" -> keep = number(value);
                default -> rest.add(args.get(i));
            }
        }
        return new Options(demo, every, keep, List.copyOf(rest));
    }

    /**
     * Looks whether the server can listen at a port of this machine.
     *
     * @throws StartFault when another program does
     */
    public static void requireFree(int port) throws StartFault {
        try (ServerSocket trial = new ServerSocket()) {
            trial.setReuseAddress(true);
            trial.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        } catch (IOException e) {
            throw new StartFault(
                    StartFault.PORT,
                    "Port "
                            + port
                            + " is taken by another program: stop that, or set LASTCUT_PORT to another"
                            + " number.");
        }
    }

    private static Duration span(String text) throws StartFault {
        Matcher m = SPAN.matcher(text);
        if (!m.matches()) {
            throw new StartFault(
                    StartFault.OPTION,
                    "--backup-every takes a time such as 12h or 1d, not '" + text + "'.");
        }
        long n = Long.parseLong(m.group(1));
        return switch (m.group(2)) {
            case "s" -> Duration.ofSeconds(n);
            case "m" -> Duration.ofMinutes(n);
            case "h" -> Duration.ofHours(n);
            default -> Duration.ofDays(n);
        };
    }

    private static int number(String text) throws StartFault {
        if (!text.matches("[1-9]\\d{0,3}")) {
            throw new StartFault(
                    StartFault.OPTION, "--keep takes a number from 1 to 9999, not '" + text + "'.");
        }
        return Integer.parseInt(text);
    }
}
