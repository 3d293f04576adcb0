package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.Locale;
import java.util.Optional;

/** The role named by a Gerber file's FileFunction attribute (specification, "File functions"). */
final class FileFunction {
    private FileFunction() {}

    static Optional<Role> role(String value) {
        String[] f = value.split(",");
        return switch (f[0].toLowerCase(Locale.ROOT)) {
            case "copper" -> copper(f);
            case "soldermask" -> sided(Role.Kind.MASK, f);
            case "paste" -> sided(Role.Kind.PASTE, f);
            case "legend" -> sided(Role.Kind.SILK, f);
            case "profile" -> Optional.of(Role.OUTLINE);
            case "plated" -> Optional.of(Role.PLATED_HOLES);
            case "nonplated" -> Optional.of(Role.UNPLATED_HOLES);
            default -> Optional.empty();
        };
    }

    private static Optional<Role> copper(String[] f) {
        Optional<Role> outer =
                f.length > 2 ? sided(Role.Kind.COPPER, new String[] {"", f[2]}) : Optional.empty();
        if (outer.isPresent()) {
            return outer;
        }
        boolean numbered = f.length > 1 && f[1].matches("[Ll]\\d{1,2}");
        int layer = numbered ? Integer.parseInt(f[1].substring(1)) : 0;
        return layer > 1 ? Optional.of(Role.innerCopper(layer - 1)) : Optional.empty();
    }

    private static Optional<Role> sided(Role.Kind kind, String[] f) {
        String side = f.length > 1 ? f[1].toLowerCase(Locale.ROOT) : "";
        if (side.equals("top")) {
            return Optional.of(Role.of(kind, Side.TOP));
        }
        return side.equals("bot") ? Optional.of(Role.of(kind, Side.BOTTOM)) : Optional.empty();
    }
}
