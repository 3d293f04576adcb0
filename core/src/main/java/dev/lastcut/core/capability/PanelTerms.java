package dev.lastcut.core.capability;

import java.util.List;
import java.util.Optional;

/**
 * What a shop takes of panels; what is empty it does not say.
 *
 * @param railMin the narrowest rail
 * @param gapMin the narrowest channel where boards are held by tabs
 * @param scoreToCopper how near to a score or a row of bites copper may come
 * @param partToBreak how near to one a part may stand
 * @param joins ids of how boards may be held together; empty for any
 */
public record PanelTerms(
        Optional<Limit> widthMax,
        Optional<Limit> heightMax,
        Optional<Limit> railMin,
        Optional<Limit> gapMin,
        Optional<Limit> scoreToCopper,
        Optional<Limit> partToBreak,
        List<String> joins) {
    private static final List<String> KNOWN = List.of("tabs", "score", "none");

    public PanelTerms {
        joins = List.copyOf(joins);
        if (widthMax.isPresent() != heightMax.isPresent()) {
            throw new IllegalArgumentException("panel.width_max and panel.height_max go together");
        }
        for (String j : joins) {
            if (!KNOWN.contains(j)) {
                throw new IllegalArgumentException(
                        "panel.joins are tabs, score or none, not '" + j + "'");
            }
        }
        for (Optional<Limit> l :
                List.of(widthMax, heightMax, railMin, gapMin, scoreToCopper, partToBreak)) {
            if (l.filter(Limit::hasNoUnit).isPresent()) {
                throw new IllegalArgumentException("panel: its numbers are lengths, not ratios");
            }
        }
    }
}
