package dev.lastcut.core.capability;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What an order costs at a shop, line by line, and in how many days it is made. Amounts are whole
 * cents, so the total is the sum of what is shown.
 */
public record Quote(String currency, List<Line> lines, int days) {
    /** One amount. */
    public record Line(String text, double amount) {}

    public Quote {
        lines = List.copyOf(lines);
    }

    /**
     * What is made.
     *
     * @param squareCm of one piece
     * @param what one piece is called
     */
    public record Pieces(int count, double squareCm, String what) {}

    public static Quote of(CapabilitySheet sheet, Order order, int copperLayers, Pieces pieces) {
        Price p = sheet.price();
        List<Line> lines = new ArrayList<>();
        double area = pieces.count * pieces.squareCm;
        double boards = cents(area * p.perSquareCm(pieces.count));
        lines.add(new Line("Setting up", cents(p.setup())));
        lines.add(
                new Line(
                        String.format(
                                Locale.ROOT,
                                "%d %s%s of %.2f cm²",
                                pieces.count,
                                pieces.what,
                                pieces.count == 1 ? "" : "s",
                                pieces.squareCm),
                        boards));
        int days = p.days();
        for (Price.Addition a : p.additions()) {
            if (sheet.has(a.option(), a.value(), order, copperLayers)) {
                double amount =
                        a.setup()
                                + a.perSquareCm() * area
                                + a.percent() / 100 * (p.setup() + boards);
                if (cents(amount) != 0) {
                    String what = a.option().title() + ": " + a.option().words(a.value());
                    lines.add(new Line(what, cents(amount)));
                }
                days += a.days();
            }
        }
        return new Quote(p.currency(), lines, Math.max(0, days));
    }

    /** With something else that is bought. */
    public Quote with(String text, double amount) {
        List<Line> all = new ArrayList<>(lines);
        all.add(new Line(text, cents(amount)));
        return new Quote(currency, all, days);
    }

    public double total() {
        return cents(lines.stream().mapToDouble(Line::amount).sum());
    }

    private static double cents(double amount) {
        return Math.round(amount * 100) / 100.0;
    }
}
