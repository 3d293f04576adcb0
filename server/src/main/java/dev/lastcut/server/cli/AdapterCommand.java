package dev.lastcut.server.cli;

import dev.lastcut.core.adapter.AdapterForm;
import dev.lastcut.core.adapter.AdapterPack;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * {@code adapter --pins N --rows 2|4 --pitch MM --body-width MM --lead-span MM [--exposed-pad MM]
 * [--name TEXT] --out DIR}: writes the pack of an adapter board. Exit status 0, or 2 when nothing
 * was written; one sentence says why.
 */
public final class AdapterCommand {
    private static final String USAGE =
            "Usage: adapter --pins N --rows 2|4 --pitch MM --body-width MM --lead-span MM"
                    + " [--exposed-pad MM] [--name TEXT] --out DIR";

    private static final Set<String> NEEDED =
            Set.of("--pins", "--rows", "--pitch", "--body-width", "--lead-span", "--out");
    private static final Set<String> MORE = Set.of("--exposed-pad", "--name");

    private final PrintStream out;
    private final PrintStream err;

    public AdapterCommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    public int run(List<String> args) {
        try {
            Map<String, String> given = options(args);
            AdapterForm form =
                    new AdapterForm(
                            whole(given, "--pins"),
                            whole(given, "--rows"),
                            mm(given, "--pitch"),
                            mm(given, "--body-width"),
                            mm(given, "--lead-span"),
                            given.containsKey("--exposed-pad") ? mm(given, "--exposed-pad") : 0,
                            given.getOrDefault("--name", ""));
            Path dir = Path.of(given.get("--out"));
            Files.createDirectories(dir);
            Map<String, byte[]> files = AdapterPack.of(form);
            for (Map.Entry<String, byte[]> f : files.entrySet()) {
                Files.write(dir.resolve(f.getKey()), f.getValue());
            }
            out.println(files.size() + " files in " + dir);
            return 0;
        } catch (IllegalArgumentException e) {
            err.println(e.getMessage());
        } catch (IOException e) {
            err.println("Cannot write " + e.getMessage() + ".");
        }
        return 2;
    }

    private static Map<String, String> options(List<String> args) {
        Map<String, String> given = new HashMap<>();
        for (int i = 0; i + 1 < args.size(); i += 2) {
            String key = args.get(i);
            if (!NEEDED.contains(key) && !MORE.contains(key)) {
                throw new IllegalArgumentException(key + " is no option. " + USAGE);
            }
            given.put(key, args.get(i + 1));
        }
        if (args.size() % 2 != 0 || !given.keySet().containsAll(NEEDED)) {
            throw new IllegalArgumentException(USAGE);
        }
        return given;
    }

    private static int whole(Map<String, String> given, String key) {
        try {
            return Integer.parseInt(given.get(key));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                    key + " is a whole number, not '" + given.get(key) + "'.", e);
        }
    }

    private static double mm(Map<String, String> given, String key) {
        try {
            double v = Double.parseDouble(given.get(key));
            if (Double.isFinite(v)) {
                return v;
            }
        } catch (NumberFormatException e) {
            // Said below, as for infinite ones.
        }
        throw new IllegalArgumentException(
                key + " is a length in mm, not '" + given.get(key) + "'.");
    }
}
