package dev.lastcut.core.placement;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.placement.TurnJudge.Group;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** What other footprints tell of one that stands alone. */
final class RelatedFootprints {
    /** Packages whose first pin is in the same corner in one library (common practice). */
    private static final Pattern CORNERED =
            Pattern.compile("(SOIC|TSSOP|SSOP|VSSOP|MSOP|DIP|TQFP|LQFP|QFP|QFN|VQFN|WQFN).*");

    /** So many other packages must agree before one that stands alone is held against them. */
    private static final int CORNERS = 2;

    /** The same for parts of two pins, whose numbering is less alike. */
    private static final int PAIRS = 3;

    private RelatedFootprints() {}

    /**
     * How a package lies beside others.
     *
     * @param turnDeg by which its pins must be turned on to lie as theirs
     */
    record Agreement(double turnDeg, int witnesses) {}

    /** Empty when they are too few, do not agree, or tell nothing of such a package. */
    static Optional<Agreement> families(UnrotatedPins t, List<Group> others) {
        if (isCornered(t)) {
            return agreed(t, others, UnrotatedPins::corner, CORNERS, RelatedFootprints::isCornered);
        }
        return isPair(t)
                ? agreed(t, others, UnrotatedPins::direction, PAIRS, RelatedFootprints::isPair)
                : Optional.empty();
    }

    /** Resistors, capacitors, coils and diodes; plugs and switches are drawn as it came. */
    private static boolean isPair(UnrotatedPins t) {
        Part p = t.part();
        return t.pins().size() == 2 && (Polarity.isEitherWay(p) || Polarity.isPolarised(p));
    }

    static boolean isCornered(UnrotatedPins t) {
        return CORNERED.matcher(t.part().packageName()).matches();
    }

    private static Optional<Agreement> agreed(
            UnrotatedPins t,
            List<Group> others,
            Function<UnrotatedPins, Optional<Integer>> where,
            int least,
            Predicate<UnrotatedPins> kin) {
        Optional<Integer> own = where.apply(t);
        if (own.isEmpty()) {
            return Optional.empty();
        }
        int[] votes = new int[4];
        others.stream()
                .map(g -> g.habit().orElseThrow())
                .filter(kin)
                .flatMap(o -> where.apply(o).stream())
                .forEach(q -> votes[q]++);
        int all = votes[0] + votes[1] + votes[2] + votes[3] + 1;
        votes[own.get()]++;
        int most = 0;
        for (int q = 1; q < 4; q++) {
            most = votes[q] > votes[most] ? q : most;
        }
        // It counts itself, so that of three of which one is turned the other two are right.
        boolean same = most == own.get();
        boolean enough = votes[most] >= least && votes[most] * 3 >= all * 2;
        int quarters = Math.floorMod(most - own.get(), 4);
        return enough
                ? Optional.of(new Agreement(90.0 * quarters, votes[most] - (same ? 1 : 0)))
                : Optional.empty();
    }

    /**
     * How much the parts of one side lie turned beside the same footprints of the other: files
     * differ in how they count the bottom. Empty when no footprint is on both, or they do not
     * agree.
     */
    static OptionalDouble sides(Map<String, Group> here, Map<String, Group> there) {
        OptionalDouble all = OptionalDouble.empty();
        for (Group g : here.values()) {
            Group o = there.get(g.footprint());
            if (o == null || g.habit().isEmpty() || o.habit().isEmpty() || g.isAlone()) {
                continue;
            }
            OptionalDouble turn = g.habit().get().turnTo(o.habit().get());
            if (turn.isEmpty() || (all.isPresent() && all.getAsDouble() != turn.getAsDouble())) {
                return OptionalDouble.empty();
            }
            all = turn;
        }
        return all.isPresent() ? OptionalDouble.of((360 - all.getAsDouble()) % 360) : all;
    }
}
