package dev.lastcut.core.intake;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the plain words in a file's name suggest. Weaker than anything the content says.
 *
 * @param innerNumber counted among the inner layers, as in "inner 2"
 * @param layerNumber counted from the top, as in "layer 3"
 */
record NameHints(Set<String> words, Optional<Integer> innerNumber, Optional<Integer> layerNumber) {
    private static final Pattern INNER =
            Pattern.compile(
                    "\\b(?:inner|int|internal|mid|in) ?(?:layer|copper|cu|l)? ?0*(\\d{1,2})\\b");
    private static final Pattern LAYER =
            Pattern.compile("\\b(?:layer|lyr|l|copper|cu|signal|sig) ?0*(\\d{1,2})\\b");

    static NameHints of(String path) {
        String spaced =
                path.replaceAll("([a-z])([A-Z])", "$1 $2")
                        .toLowerCase(Locale.ROOT)
                        .replaceAll("[^a-z0-9]+", " ");
        return new NameHints(
                new HashSet<>(Arrays.asList(spaced.split(" "))),
                number(INNER.matcher(spaced)),
                number(LAYER.matcher(spaced)));
    }

    private static Optional<Integer> number(Matcher m) {
        return m.find() ? Optional.of(Integer.parseInt(m.group(1))) : Optional.empty();
    }

    private boolean any(String... candidates) {
        return List.of(candidates).stream().anyMatch(words::contains);
    }

    Optional<Role.Kind> kind() {
        if (any("mask", "soldermask", "resist")) {
            return Optional.of(Role.Kind.MASK);
        }
        if (any("paste", "stencil", "solderpaste")) {
            return Optional.of(Role.Kind.PASTE);
        }
        if (any("silk", "silkscreen", "legend", "overlay")) {
            return Optional.of(Role.Kind.SILK);
        }
        if (any("outline", "profile", "edge", "contour", "border")) {
            return Optional.of(Role.Kind.OUTLINE);
        }
        boolean copper =
                any("copper", "cu", "tracks", "signal") || isInner() || innerNumber.isPresent();
        return copper ? Optional.of(Role.Kind.COPPER) : Optional.empty();
    }

    Optional<Side> side() {
        boolean top = any("top", "front", "upper", "component");
        boolean bottom = any("bottom", "bot", "back", "lower", "solder");
        return top == bottom ? Optional.empty() : Optional.of(top ? Side.TOP : Side.BOTTOM);
    }

    /** Words that only a layer inside the board carries. */
    boolean isInner() {
        return innerNumber.isPresent()
                || any("inner", "internal", "mid", "plane", "gnd", "ground", "power", "pwr");
    }

    Optional<Boolean> plated() {
        if (any("npth", "unplated", "nonplated") || (any("non", "not") && any("plated"))) {
            return Optional.of(false);
        }
        return any("plated", "pth") ? Optional.of(true) : Optional.empty();
    }
}
