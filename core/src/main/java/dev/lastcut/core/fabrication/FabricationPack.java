package dev.lastcut.core.fabrication;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.Span;
import dev.lastcut.core.formats.drill.DrillWriter;
import dev.lastcut.core.formats.gerber.GerberWriter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Writes the Gerber and drill files of a board. */
public final class FabricationPack {
    private FabricationPack() {}

    /**
     * One file of the pack.
     *
     * @param function its file function after the Gerber specification
     * @param positive whether what is drawn is what is there; a mask's picture is its openings
     */
    public record Written(String name, String function, boolean positive, byte[] content) {}

    /** File name to content, copper from the top first, then mask, paste, silk, outline, holes. */
    public static Map<String, byte[]> write(Board board) {
        Map<String, byte[]> all = new LinkedHashMap<>();
        files(board).forEach(f -> all.put(f.name(), f.content()));
        return all;
    }

    /** The same with what each file is. */
    public static List<Written> files(Board board) {
        return files(board, Map.of());
    }

    /**
     * @param instead what is written of a layer in place of what the pack draws
     */
    public static List<Written> files(Board board, Map<Role, Layer> instead) {
        List<Written> files = new ArrayList<>();
        for (Layer drawn : board.layers()) {
            Layer layer = instead.getOrDefault(drawn.role(), drawn);
            files.add(
                    new Written(
                            layer.role().id() + ".gbr",
                            function(board, layer.role()),
                            isPositive(layer.role()),
                            gerber(board, layer)));
        }
        int copper = Math.max(1, board.copper().size());
        for (boolean plated : new boolean[] {true, false}) {
            Map<Span, List<Hole>> bySpan = new LinkedHashMap<>();
            board.holes().stream()
                    .filter(h -> h.plated() == plated)
                    .sorted(Comparator.comparingInt(h -> h.span().first() * 100 + h.span().last()))
                    .forEach(h -> bySpan.computeIfAbsent(h.span(), k -> new ArrayList<>()).add(h));
            bySpan.forEach(
                    (span, holes) -> {
                        String layers =
                                span.isThrough() ? "" : "-" + span.first() + "-" + span.last();
                        String name = (plated ? "plated" : "unplated") + "-holes" + layers + ".xnc";
                        files.add(
                                new Written(
                                        name,
                                        DrillWriter.function(plated, span, Math.max(2, copper)),
                                        true,
                                        DrillWriter.write(
                                                holes, plated, span, Math.max(2, copper))));
                    });
        }
        return files;
    }

    /** One layer as Gerber X2. */
    public static byte[] gerber(Board board, Layer layer) {
        return GerberWriter.write(
                GerberWriter.fileAttributes(
                        function(board, layer.role()), isPositive(layer.role())),
                layer.features());
    }

    private static boolean isPositive(Role role) {
        return role.kind() != Role.Kind.MASK;
    }

    private static String function(Board board, Role role) {
        String side = role.side().map(s -> s == Side.TOP ? "Top" : "Bot").orElse("Inr");
        return switch (role.kind()) {
            case COPPER -> "Copper,L" + number(board, role) + "," + side;
            case MASK -> "Soldermask," + side;
            case PASTE -> "Paste," + side;
            case SILK -> "Legend," + side;
            case OUTLINE -> "Profile,NP";
            default -> "Other," + role.id();
        };
    }

    /** Copper layers are numbered from 1 at the top; a lone bottom layer is still the second. */
    private static int number(Board board, Role role) {
        if (role.inner() > 0) {
            return role.inner() + 1;
        }
        return role.side().orElseThrow() == Side.TOP ? 1 : Math.max(2, board.copper().size());
    }
}
