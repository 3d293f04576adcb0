package dev.lastcut.server.report;

import dev.lastcut.core.capability.Quote;
import java.util.List;

/** What the order costs, and in how many days it is made. */
public record QuoteJson(String currency, double total, int days, List<QuoteLineJson> lines) {
    /** One amount. */
    public record QuoteLineJson(String text, double amount) {}

    public static QuoteJson of(Quote q) {
        return new QuoteJson(
                q.currency(),
                q.total(),
                q.days(),
                q.lines().stream().map(l -> new QuoteLineJson(l.text(), l.amount())).toList());
    }
}
