package dev.lastcut.server.cli;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Headroom;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.designrules.DesignRules;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.sheets.SheetLibrary;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;

/**
 * {@code rules SHEET [SHEET …] [--layers N] [--headroom PERCENT]}: the numbers to draw a board by,
 * that all of these shops can make.
 */
public final class RulesCommand {
    private static final String LAYERS = "--layers";
    private static final String HEADROOM = "--headroom";
    private static final String USAGE =
            "Usage: rules SHEET [SHEET ...] [--layers N] [--headroom PERCENT]";

    private final PrintStream out;
    private final PrintStream err;

    public RulesCommand(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /** Exit status: 0, or 2 when a sheet or a number cannot be used. */
    public int run(List<String> args) {
        try {
            int layers = 2;
            double headroom = 0;
            List<CapabilitySheet> sheets = new ArrayList<>();
            SheetLibrary library = new SheetLibrary();
            for (int i = 0; i < args.size(); i++) {
                String word = args.get(i);
                boolean option = word.equals(LAYERS) || word.equals(HEADROOM);
                if (option && i + 1 == args.size() || !option && word.startsWith("--")) {
                    throw new IllegalArgumentException(USAGE);
                }
                if (word.equals(LAYERS)) {
                    layers = (int) number(word, args.get(++i));
                } else if (word.equals(HEADROOM)) {
                    headroom = number(word, args.get(++i));
                } else {
                    sheets.add(library.resolve(word));
                }
            }
            if (sheets.isEmpty()) {
                throw new IllegalArgumentException(USAGE);
            }
            out.print(
                    DesignRules.of(sheets, Order.USUAL, Headroom.ofPercent(headroom), layers)
                            .text());
            return 0;
        } catch (IllegalArgumentException | SheetJson.BadSheetException e) {
            err.println(e.getMessage());
        }
        return 2;
    }

    private static double number(String option, String text) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(option + " is a number, not '" + text + "'.", e);
        }
    }
}
