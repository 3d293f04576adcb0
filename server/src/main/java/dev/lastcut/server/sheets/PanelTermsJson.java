package dev.lastcut.server.sheets;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.capability.Limit;
import dev.lastcut.core.capability.PanelTerms;
import java.util.List;
import java.util.Optional;

/** The panel section of a sheet; what is not given the shop does not say. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PanelTermsJson(
        Limit widthMax,
        Limit heightMax,
        Limit railMin,
        Limit gapMin,
        Limit scoreToCopper,
        Limit partToBreak,
        List<String> joins) {
    static PanelTermsJson of(PanelTerms t) {
        return new PanelTermsJson(
                t.widthMax().orElse(null),
                t.heightMax().orElse(null),
                t.railMin().orElse(null),
                t.gapMin().orElse(null),
                t.scoreToCopper().orElse(null),
                t.partToBreak().orElse(null),
                t.joins().isEmpty() ? null : t.joins());
    }

    /**
     * @throws IllegalArgumentException when a word or a number of it cannot be
     */
    PanelTerms toTerms() {
        return new PanelTerms(
                Optional.ofNullable(widthMax),
                Optional.ofNullable(heightMax),
                Optional.ofNullable(railMin),
                Optional.ofNullable(gapMin),
                Optional.ofNullable(scoreToCopper),
                Optional.ofNullable(partToBreak),
                joins == null ? List.of() : joins);
    }
}
