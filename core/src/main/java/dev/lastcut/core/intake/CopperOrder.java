package dev.lastcut.core.intake;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Puts copper layers that do not say where they belong into the stack: outer sides by the mask and
 * paste that open on their pads, inner layers by the number in their name, else by name and marked
 * as doubtful.
 */
final class CopperOrder {
    private final Map<String, SourceFile> files;
    private final Map<String, PictureFacts> facts;
    private final Set<String> stated;
    private final Set<Integer> taken = new HashSet<>();

    /**
     * @param files proposals by path; changed in place
     * @param stated paths whose role the file itself names
     */
    CopperOrder(
            Map<String, SourceFile> files, Map<String, PictureFacts> facts, Set<String> stated) {
        this.files = files;
        this.facts = facts;
        this.stated = stated;
        files.values().stream()
                .filter(f -> stated.contains(f.path()) && f.role().inner() > 0)
                .forEach(f -> taken.add(f.role().inner()));
    }

    void settle() {
        List<SourceFile> open =
                files.values().stream()
                        .filter(f -> f.role().isCopper() && !stated.contains(f.path()))
                        .sorted(Comparator.comparing(SourceFile::path))
                        .toList();
        long copper = files.values().stream().filter(f -> f.role().isCopper()).count();
        List<SourceFile> inner = new ArrayList<>();
        for (SourceFile f : open) {
            NameHints name = NameHints.of(f.path());
            if (name.side().isPresent()) {
                continue;
            }
            Optional<Side> outer = byOpenings(f);
            int layer = name.layerNumber().orElse(0);
            if (layer == 1 || (layer == copper && copper > 1)) {
                Side side = layer == 1 ? Side.TOP : Side.BOTTOM;
                put(f, side, "its name says layer " + layer + " of " + copper, 0.75);
            } else if (name.isInner() || (layer > 1 && layer < copper)) {
                inner.add(f);
            } else if (outer.isPresent()) {
                String word = outer.get().word();
                put(f, outer.get(), "mask and paste of the " + word + " open on its pads", 0.8);
            } else if (outerAreTaken(f) && copper > 2) {
                inner.add(f);
            }
        }
        numbers(inner);
    }

    private void put(SourceFile f, Side side, String why, double sure) {
        String evidence = f.evidence().replace("; nothing tells the side, so top", "");
        Role role = Role.of(Role.Kind.COPPER, side);
        double least = Math.max(sure, f.confidence());
        files.put(f.path(), f.withRole(role, evidence + "; " + why, least, false));
    }

    /** The side whose openings lie on this copper's pads, when one side is clearly better. */
    private Optional<Side> byOpenings(SourceFile copper) {
        double top = openings(copper, Side.TOP);
        double bottom = openings(copper, Side.BOTTOM);
        if (Math.max(top, bottom) < 0.6 || Math.abs(top - bottom) < 0.2) {
            return Optional.empty();
        }
        return Optional.of(top > bottom ? Side.TOP : Side.BOTTOM);
    }

    private double openings(SourceFile copper, Side side) {
        double best = 0;
        for (SourceFile f : files.values()) {
            boolean opens = f.role().kind() == Role.Kind.MASK || f.role().kind() == Role.Kind.PASTE;
            boolean sure = f.confidence() >= 0.6;
            if (opens && sure && f.role().side().equals(Optional.of(side))) {
                List<Pt> at = facts.get(f.path()).places();
                best = Math.max(best, facts.get(copper.path()).hits(at));
            }
        }
        return best;
    }

    private boolean outerAreTaken(SourceFile self) {
        Set<Side> sides = new HashSet<>();
        for (SourceFile f : files.values()) {
            boolean other = !f.path().equals(self.path()) && f.role().isCopper();
            if (other && f.confidence() > 0.3) {
                f.role().side().ifPresent(sides::add);
            }
        }
        return sides.size() == 2;
    }

    private void numbers(List<SourceFile> inner) {
        List<SourceFile> open = new ArrayList<>();
        for (SourceFile f : inner) {
            NameHints name = NameHints.of(f.path());
            int number = name.innerNumber().orElse(name.layerNumber().map(n -> n - 1).orElse(0));
            if (number > 0 && taken.add(number)) {
                place(f, number, "its name says so", 0.7);
            } else {
                open.add(f);
            }
        }
        int next = 1;
        for (SourceFile f : open) {
            while (!taken.add(next)) {
                next++;
            }
            boolean alone = open.size() == 1 && taken.size() == 1;
            place(
                    f,
                    next,
                    alone
                            ? "the only layer between top and bottom"
                            : "nothing states the order of the inner layers, so by name: look at"
                                    + " their pictures",
                    alone ? 0.6 : 0.4);
        }
    }

    private void place(SourceFile f, int number, String why, double sure) {
        String evidence = f.evidence().replace("; nothing tells the side, so top", "");
        files.put(
                f.path(), f.withRole(Role.innerCopper(number), evidence + "; " + why, sure, false));
    }
}
