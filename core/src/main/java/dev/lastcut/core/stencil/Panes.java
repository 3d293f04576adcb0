package dev.lastcut.core.stencil;

/**
 * Openings that are divided into panes, so that a large pad gets less paste and gases can leave.
 *
 * @param overMm2 the area above which an opening is divided
 * @param webMm the least width of foil between panes
 * @param coverPercent the share of the opening that stays open at most
 */
public record Panes(double overMm2, double webMm, double coverPercent) {
    public Panes {
        if (!(overMm2 > 0 && overMm2 <= 10_000)) {
            throw new IllegalArgumentException(
                    "panes.over_mm2 is above 0 and at most 10000, not " + overMm2);
        }
        if (!(webMm > 0 && webMm <= 10)) {
            throw new IllegalArgumentException(
                    "panes.web_mm is above 0 and at most 10, not " + webMm);
        }
        if (!(coverPercent >= 10 && coverPercent <= 100)) {
            throw new IllegalArgumentException(
                    "panes.cover_percent is from 10 to 100, not " + coverPercent);
        }
    }
}
