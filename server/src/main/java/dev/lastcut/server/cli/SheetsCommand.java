package dev.lastcut.server.cli;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.server.sheets.SheetLibrary;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** {@code sheets}: lists the capability sheets; {@code sheets ID}: prints one as JSON. */
public final class SheetsCommand {
    private final PrintStream out;
    private final PrintStream err;

    public SheetsCommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /** Exit status: 0, or 2 when there is no such sheet. */
    public int run(List<String> args) {
        SheetLibrary library = new SheetLibrary();
        if (args.isEmpty()) {
            for (CapabilitySheet s : library.all()) {
                out.println(s.id() + "\t" + s.kind().id() + "\t" + s.name());
            }
            return 0;
        }
        var json = library.json(args.get(0));
        if (json.isEmpty()) {
            err.println("There is no sheet '" + args.get(0) + "'; 'sheets' alone lists them.");
            return 2;
        }
        out.print(new String(json.get(), StandardCharsets.UTF_8));
        return 0;
    }
}
