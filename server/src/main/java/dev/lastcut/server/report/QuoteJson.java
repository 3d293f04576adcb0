package dev.lastcut.server.report;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.capability.Quote;
import java.util.List;

/**
 * What the order costs, and in how many days it is there.
 *
 * @param hint that more boards would cost less; null where they would not
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record QuoteJson(
        String currency, double total, int days, List<QuoteLineJson> lines, String hint) {
    /** One amount. */
    public record QuoteLineJson(String text, double amount) {}

    public static QuoteJson of(Quote q) {
        return new QuoteJson(
                q.currency(),
                q.total(),
                q.days(),
                q.lines().stream().map(l -> new QuoteLineJson(l.text(), l.amount())).toList(),
                q.hint().isEmpty() ? null : q.hint());
    }
}
