package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.intake.naming.Hints;
import java.util.Locale;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/** What words say: those of the file's name, of its folder, or of its own comments. */
final class WordWitness implements Witness {
    /** Where the words stand. */
    enum Source {
        NAME("its name says ", 4),
        FOLDER("its folder says ", 1.5),
        REMARK("a comment in it says ", 5);

        private final String words;
        private final double bits;

        Source(String words, double bits) {
            this.words = words;
            this.bits = bits;
        }
    }

    private final Source source;

    WordWitness(Source source) {
        this.source = source;
    }

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        int layers = deepest(pack);
        for (Picture p : pack.pictures()) {
            Hints h = hints(pack, p.path());
            if (h.isNone()) {
                continue;
            }
            String what = what(h);
            if (!what.isEmpty()) {
                testimony.say(p.path(), source.words + what, kindWeight(h, layers));
            }
            h.side()
                    .ifPresent(
                            side ->
                                    testimony.say(
                                            p.path(), source.words + side.word(), sideWeight(h)));
        }
    }

    /** What a name says beside the side, in words; empty for nothing. */
    private static String what(Hints h) {
        if (h.drawing().isPresent()) {
            return "“" + h.drawing().get() + "”";
        }
        if (h.layer().isPresent()) {
            return "layer " + h.layer().get();
        }
        if (h.inner().isPresent()) {
            return "inner" + (h.inner().get() > 0 ? " " + h.inner().get() : "");
        }
        return h.kind()
                .map(k -> k.name().toLowerCase(Locale.ROOT))
                .orElse(h.holes() ? "holes" : "");
    }

    /**
     * The highest layer number, which is the bottom's most likely; 0 where the sides are written
     * out beside the numbers, as then the bottom's would be too.
     */
    private int deepest(PackFacts pack) {
        int layers = 0;
        for (Picture p : pack.pictures()) {
            Hints h = hints(pack, p.path());
            if (h.layer().isPresent() && h.side().isPresent()) {
                return 0;
            }
            layers = Math.max(layers, h.layer().orElse(0));
        }
        return layers;
    }

    private Hints hints(PackFacts pack, String path) {
        return switch (source) {
            case NAME -> pack.name(path);
            case FOLDER -> pack.folderName(path);
            case REMARK -> pack.remark(path);
        };
    }

    private ToDoubleFunction<Role> sideWeight(Hints h) {
        double bits = source.bits;
        return role -> {
            if (role.side().isEmpty()) {
                return role.isCopper() ? -bits : 0;
            }
            // Two files called top are more likely two of the top than one of the bottom.
            return role.side().equals(h.side()) ? bits : -3 * bits;
        };
    }

    /**
     * @param layers the highest layer number that any name states: the bottom's, most likely
     */
    private ToDoubleFunction<Role> kindWeight(Hints h, int layers) {
        double bits = source.bits;
        return role -> {
            if (role.equals(Role.NOT_PART)) {
                boolean picture = h.kind().isPresent() && h.drawing().isEmpty();
                return h.drawing().isPresent() ? bits : picture ? -bits / 2 : 0;
            }
            if (role.isHoles()) {
                return h.holes() && h.drawing().isEmpty() ? platedWeight(h, role, bits) : -bits;
            }
            if (!role.isPicture()) {
                return 0;
            }
            double sum = h.drawing().isPresent() ? -bits / 2 : 0;
            sum -= h.holes() ? bits / 2 : 0;
            if (h.kind().isPresent()) {
                sum += h.kind().get() == role.kind() ? bits : -bits / 2;
            }
            boolean numbered = h.inner().isPresent() || h.layer().isPresent();
            return role.isCopper() && numbered ? sum + innerWeight(h, role, layers, bits) : sum;
        };
    }

    private static double platedWeight(Hints h, Role role, double bits) {
        return h.plated().isEmpty() || h.plated().get() == role.equals(Role.PLATED_HOLES)
                ? bits
                : -bits;
    }

    private static double innerWeight(Hints h, Role role, int layers, double bits) {
        Optional<Integer> among = h.inner().filter(n -> n > 0);
        if (h.layer().isPresent()) {
            int n = h.layer().get();
            if (h.side().isPresent()) {
                return role.side().equals(h.side()) ? bits : 0;
            }
            if (n == 1) {
                return role.id().equals("copper-top") ? bits : -bits;
            }
            if (role.inner() > 0) {
                return role.inner() == n - 1 ? bits : -bits / 2;
            }
            boolean last = n == layers && role.id().equals("copper-bottom");
            return last ? bits : -bits;
        }
        if (role.inner() == 0) {
            return -bits;
        }
        if (among.isEmpty()) {
            return bits;
        }
        return among.get() == role.inner() ? bits * 1.5 : -bits / 2;
    }
}
