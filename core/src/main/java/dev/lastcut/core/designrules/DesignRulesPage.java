package dev.lastcut.core.designrules;

import dev.lastcut.core.designrules.DesignRules.DesignRule;
import dev.lastcut.core.print.PaperPages;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;

/** The rules to draw by as a page to print. */
public final class DesignRulesPage {
    private static final float NUMBER = 300;
    private static final float SHOP = 380;
    private static final float TITLE = 16;
    private static final Map<String, String> BOUNDS =
            Map.of("min", "at least ", "max", "at most ", "usual", "usual ");

    private DesignRulesPage() {}

    /** As PDF, A4. */
    public static byte[] pdf(DesignRules rules) {
        try (PaperPages page = new PaperPages("Rules to draw by")) {
            page.line(page.bold(), TITLE, PaperPages.LEFT, "Rules to draw by");
            page.paragraph(page.plain(), PaperPages.LEFT, rules.title());
            page.skip(PaperPages.LEADING);
            for (DesignRule r : rules.rules()) {
                page.room(2 * PaperPages.LEADING);
                float y = page.y();
                page.line(page.plain(), PaperPages.TEXT, PaperPages.LEFT, r.title());
                page.moveTo(y);
                page.line(
                        page.bold(),
                        PaperPages.TEXT,
                        NUMBER - 70,
                        BOUNDS.get(r.bound()) + r.words());
                page.moveTo(y);
                page.line(page.plain(), PaperPages.TEXT, SHOP, r.shop());
                if (!r.silent().isEmpty()) {
                    page.line(
                            page.plain(),
                            PaperPages.TEXT - 1,
                            PaperPages.LEFT + 12,
                            DesignRules.silence(r).replaceFirst("^; ", ""));
                }
            }
            page.skip(PaperPages.LEADING);
            page.paragraph(
                    page.plain(),
                    PaperPages.LEFT,
                    "Of several shops each number is the most demanding one, with the headroom that"
                            + " was chosen. A number that a shop does not state may still be a"
                            + " limit there: ask.");
            return page.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
