package dev.lastcut.core.assembly;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.value.PartValue;
import java.util.Map;
import java.util.Optional;

/**
 * One designator as it is built.
 *
 * @param listed whether the pack's parts list has it
 * @param fitted whether this build has it
 * @param others further columns of the list, by heading, while the part is the one it lists
 * @param placed where it goes; empty when the placement does not say
 */
public record Part(
        String designator,
        String value,
        String footprint,
        String maker,
        String partNumber,
        String description,
        boolean listed,
        boolean fitted,
        Optional<PlacedPart> placed,
        Map<String, String> others) {
    /** Of which the list says nothing more. */
    public Part(
            String designator,
            String value,
            String footprint,
            String maker,
            String partNumber,
            String description,
            boolean listed,
            boolean fitted,
            Optional<PlacedPart> placed) {
        this(
                designator,
                value,
                footprint,
                maker,
                partNumber,
                description,
                listed,
                fitted,
                placed,
                Map.of());
    }

    /** What its value says. */
    public PartValue meaning() {
        return PartValue.read(value, designator);
    }

    /**
     * The footprint it stands on: as the placement says, or where that says none as the list does.
     */
    public String standsOn() {
        return placed.map(PlacedPart::footprint).filter(f -> !f.isBlank()).orElse(footprint);
    }

    /** The package in its footprint's name. */
    public String packageName() {
        return PackageName.of(footprint);
    }
}
