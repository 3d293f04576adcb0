package dev.lastcut.server.cli;

import dev.lastcut.core.cut.Verification;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.List;

/**
 * {@code verify ZIP}: holds a cut's zip against its manifest. Exit status 0: all as it says; 1:
 * something is not, each fault on a line; 2: there is no such file.
 */
public final class VerifyCommand {
    private final PrintStream out;
    private final PrintStream err;

    public VerifyCommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    public int run(List<String> args) {
        if (args.size() != 1) {
            err.println("Usage: verify ZIP");
            return 2;
        }
        Verification v;
        try {
            v = Verification.of(Path.of(args.get(0)));
        } catch (IOException | IllegalArgumentException e) {
            err.println("Cannot read " + args.get(0) + ".");
            return 2;
        }
        v.faults().forEach(f -> err.println(f.says()));
        String which =
                v.cut()
                        .map(c -> "cut " + c.number() + " of " + c.job() + ", " + c.created())
                        .orElse("no cut that can be told");
        out.println(
                v.isWhole()
                        ? v.files() + " files, each as the manifest says: " + which
                        : "Not as it was handed over: " + which);
        return v.isWhole() ? 0 : 1;
    }
}
