package dev.lastcut.core.intake;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.formats.drill.DrillFormat;
import java.util.Map;

/**
 * What the user decided about the files of a pack, each by path; it wins over every proposal.
 *
 * @param formats how the digits of a drill file are to be read
 * @param unitsNm the unit of a drawing or placement, in nm
 */
public record Choices(
        Map<String, Role> roles,
        Map<String, Correction> corrections,
        Map<String, DrillFormat> formats,
        Map<String, Double> unitsNm) {
    public static final Choices NONE = roles(Map.of());

    public Choices {
        roles = Map.copyOf(roles);
        corrections = Map.copyOf(corrections);
        formats = Map.copyOf(formats);
        unitsNm = Map.copyOf(unitsNm);
    }

    public static Choices roles(Map<String, Role> roles) {
        return new Choices(roles, Map.of(), Map.of(), Map.of());
    }
}
