package dev.lastcut.core.capability;

import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/**
 * What an order costs at a shop, line by line, and in how many days it is there. Amounts are whole
 * cents, so the total is the sum of what is shown.
 *
 * @param days to make it and to carry it
 * @param hint that more pieces would cost less; empty where they would not
 */
public record Quote(String currency, List<Line> lines, int days, String hint) {
    /** One amount. */
    public record Line(String text, double amount) {}

    public Quote {
        lines = List.copyOf(lines);
    }

    /**
     * What is made.
     *
     * @param what one piece is called
     */
    public record Pieces(int count, double widthMm, double heightMm, String what) {
        double squareCm() {
            return widthMm * heightMm / 100;
        }

        Pieces of(int other) {
            return new Pieces(other, widthMm, heightMm, what);
        }

        String words() {
            return count + " " + what + (count == 1 ? "" : "s");
        }
    }

    /**
     * @param own the smallest of what the shop's finer work is measured by; what the board has
     *     nothing of is left out
     */
    public static Quote of(
            CapabilitySheet sheet,
            Order order,
            int copperLayers,
            Pieces pieces,
            Map<LimitKey, OwnMeasure> own) {
        Quote q = priced(sheet, order, copperLayers, pieces, own);
        Optional<Pieces> more = cheaper(sheet, order, copperLayers, pieces, own, q.total());
        return more.isEmpty()
                ? q
                : new Quote(
                        q.currency,
                        q.lines,
                        q.days,
                        String.format(
                                Locale.ROOT,
                                "%s cost less: %.2f %s in all",
                                more.get().words(),
                                priced(sheet, order, copperLayers, more.get(), own).total(),
                                q.currency));
    }

    private static Quote priced(
            CapabilitySheet sheet,
            Order order,
            int copperLayers,
            Pieces pieces,
            Map<LimitKey, OwnMeasure> own) {
        Price p = sheet.price();
        List<Line> lines = new ArrayList<>();
        double base = base(p, copperLayers, pieces, lines);
        int days = p.days();
        for (Price.Addition a : p.additions()) {
            if (sheet.has(a.option(), a.value(), order, copperLayers)) {
                double area = pieces.count * pieces.squareCm();
                double amount = a.setup() + a.perSquareCm() * area + a.percent() / 100 * base;
                add(lines, a.option().title() + ": " + a.option().words(a.value()), amount);
                days += a.days();
            }
        }
        for (FineSurcharge f : p.fine()) {
            OwnMeasure m = own.get(f.limit());
            if (m != null && f.isFor(m.nm())) {
                add(lines, fine(f, m), f.amount(base));
            }
        }
        double sum = lines.stream().mapToDouble(Line::amount).sum();
        if (sum < p.minimum()) {
            add(
                    lines,
                    String.format(Locale.ROOT, "Up to the minimum order of %.2f", p.minimum()),
                    p.minimum() - sum);
        }
        Optional<Carriage> carriage = p.carriage(order);
        if (carriage.isPresent()) {
            Carriage c = carriage.get();
            String way = c.days() == 1 ? "1 day" : c.days() + " days";
            lines.add(new Line("Carriage: " + c.name() + ", " + way, cents(c.amount())));
            days += c.days();
        }
        return new Quote(p.currency(), lines, Math.max(0, days), "");
    }

    /** Set-up and area, or the lot in their place: their sum, which percentages are of. */
    private static double base(Price p, int copperLayers, Pieces pieces, List<Line> lines) {
        Optional<Lot> lot = p.lot(pieces, copperLayers);
        if (lot.isPresent()) {
            Lot l = lot.get();
            lines.add(
                    new Line(
                            String.format(
                                    Locale.ROOT,
                                    "%s, lot of up to %d up to %s × %s mm",
                                    pieces.words(),
                                    l.upToBoards(),
                                    plain(l.widthMm()),
                                    plain(l.heightMm())),
                            cents(l.total())));
            return cents(l.total());
        }
        double boards = cents(pieces.count * pieces.squareCm() * p.perSquareCm(pieces.count));
        lines.add(new Line("Setting up", cents(p.setup())));
        lines.add(
                new Line(
                        String.format(
                                Locale.ROOT, "%s of %.2f cm²", pieces.words(), pieces.squareCm()),
                        boards));
        return p.setup() + boards;
    }

    private static String fine(FineSurcharge f, OwnMeasure m) {
        return String.format(
                Locale.ROOT,
                "%s below %s %s: %.3f mm %s",
                f.limit().title(),
                plain(f.below().value()),
                f.below().unit(),
                Length.toMm(m.nm()),
                m.where());
    }

    private static String plain(double n) {
        return n == Math.rint(n) ? String.valueOf((long) n) : String.valueOf(n);
    }

    private static void add(List<Line> lines, String text, double amount) {
        if (cents(amount) != 0) {
            lines.add(new Line(text, cents(amount)));
        }
    }

    /** The cheapest larger number of pieces that costs less in all, where a price changes. */
    private static Optional<Pieces> cheaper(
            CapabilitySheet sheet,
            Order order,
            int copperLayers,
            Pieces pieces,
            Map<LimitKey, OwnMeasure> own,
            double total) {
        TreeSet<Integer> turns = new TreeSet<>();
        sheet.price().steps().forEach(s -> turns.add(s.from()));
        sheet.price().lots().forEach(l -> turns.add(l.upToBoards() + 1));
        Optional<Pieces> best = Optional.empty();
        double least = total;
        for (int n : turns.tailSet(pieces.count + 1)) {
            double price = priced(sheet, order, copperLayers, pieces.of(n), own).total();
            if (price < least) {
                least = price;
                best = Optional.of(pieces.of(n));
            }
        }
        return best;
    }

    /** With something else that is bought. */
    public Quote with(String text, double amount) {
        List<Line> all = new ArrayList<>(lines);
        all.add(new Line(text, cents(amount)));
        return new Quote(currency, all, days, hint);
    }

    public double total() {
        return cents(lines.stream().mapToDouble(Line::amount).sum());
    }

    private static double cents(double amount) {
        return Math.round(amount * 100) / 100.0;
    }
}
