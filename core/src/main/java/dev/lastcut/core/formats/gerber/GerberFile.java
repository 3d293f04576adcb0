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
 * @param remarks what its first comments, image and layer names say in plain words
 * @param stepNm the finest step of its coordinates
 * @param looksLikeGerber false when nothing in the file is recognisable as a Gerber command
 */
public record GerberFile(
        List<Feature> features,
        Map<String, String> attributes,
        boolean negative,
        List<PlacedPart> components,
        List<String> remarks,
        double stepNm,
        List<Problem> problems,
        boolean looksLikeGerber) {
    public GerberFile {
        features = List.copyOf(features);
        attributes = Map.copyOf(attributes);
        components = List.copyOf(components);
        remarks = List.copyOf(remarks);
        problems = List.copyOf(problems);
    }

    /**
     * Whether it shows copper that is left out of a filled surface; masks always do and are not.
     */
    public boolean isNegative() {
        boolean copper = fileFunction().orElse("").startsWith("Copper");
        return negative
                || (copper
                        && "Negative"
                                .equalsIgnoreCase(attributes.getOrDefault("FilePolarity", "")));
    }

    /** The same file with its objects elsewhere. */
    public GerberFile withFeatures(List<Feature> moved) {
        return new GerberFile(
                moved,
                attributes,
                negative,
                components,
                remarks,
                stepNm,
                problems,
                looksLikeGerber);
    }

    public Optional<String> fileFunction() {
        return Optional.ofNullable(attributes.get("FileFunction"));
    }
}
