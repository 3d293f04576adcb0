package dev.lastcut.core.formats.gerber;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Problem;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a Gerber file holds.
 *
 * @param attributes the file attributes by name without the leading dot, fields joined by commas
 * @param negative true when the image is declared negative: what is drawn is then left out of a
 *     filled surface
 * @param components the parts of a component layer; empty for every other file
 * @param looksLikeGerber false when nothing in the file is recognisable as a Gerber command
 */
public record GerberFile(
        List<Feature> features,
        Map<String, String> attributes,
        boolean negative,
        List<PlacedPart> components,
        List<Problem> problems,
        boolean looksLikeGerber) {
    public GerberFile {
        features = List.copyOf(features);
        attributes = Map.copyOf(attributes);
        components = List.copyOf(components);
        problems = List.copyOf(problems);
    }

    public Optional<String> fileFunction() {
        return Optional.ofNullable(attributes.get("FileFunction"));
    }
}
