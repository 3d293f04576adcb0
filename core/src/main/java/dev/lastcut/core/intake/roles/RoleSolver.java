package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.work.WorkLimit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Predicate;

/**
 * The assignment of all pictures to roles for which most speaks.
 *
 * <p>What masks, paste and silk are worth depends on which copper and which mask their side has. So
 * for every choice of these four anchors the rest is a plain assignment problem; the choices are
 * tried from the most promising down, until none left can be better than what was found.
 */
final class RoleSolver {
    private static final int MOST_CANDIDATES = 6;
    private static final double LEAST_CANDIDATE = -4;
    private static final double NEVER = 1e5;
    private static final double INNER_WITHOUT_OUTER = -4;

    /** Paste on a side that has neither mask nor copper. */
    private static final double PASTE_ON_NOTHING = -4;

    /** So that of two ways that are worth the same, always the same is taken. */
    private static final double TINY = 1e-4;

    private static final Role[] ANCHORS = {
        Role.of(Role.Kind.COPPER, Side.TOP),
        Role.of(Role.Kind.COPPER, Side.BOTTOM),
        Role.of(Role.Kind.MASK, Side.TOP),
        Role.of(Role.Kind.MASK, Side.BOTTOM)
    };

    /** Which file is which anchor (−1: none), and what no assignment under it can exceed. */
    private record Choice(int[] anchors, double bound) {}

    /**
     * @param roles by file, empty for none
     * @param sum what speaks for it altogether, in bits
     */
    record Solution(List<Optional<Role>> roles, double sum) {}

    /**
     * @param margins by how many bits each file's role beats the best assignment in which the file
     *     would be something else
     * @param others that assignment
     */
    record Answer(Solution best, double[] margins, List<Solution> others) {}

    /** What tells which files go together on one side. */
    record Bonds(Bond maskOnCopper, Bond pasteInMask, Bond pasteOnCopper, Bond silkByMask) {
        private static final Bond NOTHING =
                new Bond() {
                    @Override
                    public double bits(Picture upper, Picture lower) {
                        return 0;
                    }

                    @Override
                    public String words(Picture upper, Picture lower) {
                        return "";
                    }
                };

        /** Where nothing need be compared. */
        static final Bonds NONE = new Bonds(NOTHING, NOTHING, NOTHING, NOTHING);

        static Bonds of(PackFacts pack) {
            OpeningOnPad onPad = new OpeningOnPad(pack);
            return new Bonds(onPad, new PasteInMask(), onPad, new SilkByOpenings(pack));
        }
    }

    private final List<Picture> pictures;
    private final Testimony testimony;
    private final Bonds bonds;
    private final Role[] slots;
    private final double[][] unary;
    private final double[][] anchorUnary;
    private final double[] none;
    private final List<Choice> choices = new ArrayList<>();
    private final Map<Choice, double[][]> matrices = new HashMap<>();

    /**
     * @param possible whether a file may have a role at all
     */
    RoleSolver(
            Bonds bonds,
            List<Picture> pictures,
            Testimony testimony,
            BiPredicate<Picture, Role> possible) {
        this.pictures = pictures;
        this.testimony = testimony;
        this.bonds = bonds;
        this.slots = slots();
        this.unary = new double[pictures.size()][slots.length];
        this.anchorUnary = new double[pictures.size()][ANCHORS.length];
        this.none = new double[pictures.size()];
        for (int f = 0; f < pictures.size(); f++) {
            Picture p = pictures.get(f);
            for (int s = 0; s < slots.length; s++) {
                // Squared, as plain distances of a whole stack add up to the same in any order.
                int off = slots[s].inner() - f;
                double tie = -TINY * (slots[s].inner() * 10 + off * off / 1e4);
                unary[f][s] = weight(p, slots[s], possible) + tie;
            }
            for (int a = 0; a < ANCHORS.length; a++) {
                double tie = a % 2 == 0 ? -TINY * f / 1e3 : -TINY;
                anchorUnary[f][a] = weight(p, ANCHORS[a], possible) + tie;
            }
            none[f] = 0;
            for (Role r : List.of(Role.NOT_PART, Role.PLATED_HOLES, Role.UNPLATED_HOLES)) {
                none[f] = Math.max(none[f], weight(p, r, possible));
            }
            none[f] = possible.test(p, Role.UNKNOWN) ? none[f] : -NEVER;
        }
        choose(new int[ANCHORS.length], 0);
        choices.sort(Comparator.comparingDouble((Choice c) -> -c.bound));
    }

    private double weight(Picture p, Role role, BiPredicate<Picture, Role> possible) {
        return possible.test(p, role) ? testimony.weight(p.path(), role) : Double.NEGATIVE_INFINITY;
    }

    /** All roles of pictures that are no anchors; as many inner layers as there could be. */
    private Role[] slots() {
        List<Role> all = new ArrayList<>();
        for (Side side : Side.values()) {
            all.add(Role.of(Role.Kind.PASTE, side));
            all.add(Role.of(Role.Kind.SILK, side));
        }
        all.add(Role.OUTLINE);
        Role first = Role.innerCopper(1);
        long copper = pictures.stream().filter(p -> testimony.weight(p.path(), first) > -6).count();
        int inner = (int) Math.min(30, copper);
        for (Picture p : pictures) {
            for (int n = inner + 1; n <= 30; n++) {
                inner = testimony.weight(p.path(), Role.innerCopper(n)) > 4 ? n : inner;
            }
        }
        for (int n = 1; n <= inner; n++) {
            all.add(Role.innerCopper(n));
        }
        return all.toArray(Role[]::new);
    }

    private void choose(int[] anchors, int at) {
        if (at == ANCHORS.length) {
            choices.add(new Choice(anchors.clone(), bound(anchors)));
            return;
        }
        anchors[at] = -1;
        choose(anchors, at + 1);
        for (int f : candidates(at)) {
            boolean used = false;
            for (int k = 0; k < at; k++) {
                used |= anchors[k] == f;
            }
            if (!used) {
                anchors[at] = f;
                choose(anchors, at + 1);
            }
        }
        anchors[at] = -1;
    }

    private List<Integer> candidates(int anchor) {
        List<Integer> all = new ArrayList<>();
        for (int f = 0; f < pictures.size(); f++) {
            if (anchorUnary[f][anchor] > LEAST_CANDIDATE) {
                all.add(f);
            }
        }
        all.sort(Comparator.comparingDouble(f -> -anchorUnary[f][anchor]));
        return all.subList(0, Math.min(MOST_CANDIDATES, all.size()));
    }

    /** What the anchors are worth, with the bonds between them. */
    private double anchorSum(int[] anchors) {
        double sum = 0;
        for (int a = 0; a < ANCHORS.length; a++) {
            sum += anchors[a] < 0 ? 0 : anchorUnary[anchors[a]][a];
        }
        for (int side = 0; side < 2; side++) {
            sum += bond(bonds.maskOnCopper(), anchors[2 + side], anchors[side]);
        }
        return sum;
    }

    private double bond(Bond bond, int upper, int lower) {
        return upper < 0 || lower < 0 ? 0 : bond.bits(pictures.get(upper), pictures.get(lower));
    }

    /** By file and slot, under a choice of anchors; anchors themselves can take no slot. */
    private double[][] matrix(int[] anchors) {
        WorkLimit.steps((long) pictures.size() * slots.length);
        double[][] all = new double[pictures.size()][];
        boolean outer = anchors[0] >= 0 && anchors[1] >= 0;
        for (int f = 0; f < all.length; f++) {
            all[f] = unary[f].clone();
            int file = f;
            if (Arrays.stream(anchors).anyMatch(a -> a == file)) {
                Arrays.fill(all[f], Double.NEGATIVE_INFINITY);
                continue;
            }
            for (int s = 0; s < slots.length; s++) {
                if (Double.isInfinite(all[f][s])) {
                    continue;
                }
                if (slots[s].inner() > 0) {
                    all[f][s] += outer ? 0 : INNER_WITHOUT_OUTER;
                    continue;
                }
                int side = slots[s].side().map(Side::ordinal).orElse(-1);
                if (slots[s].kind() == Role.Kind.PASTE) {
                    all[f][s] += pasteBond(anchors, side, f);
                } else if (slots[s].kind() == Role.Kind.SILK) {
                    all[f][s] += bond(bonds.silkByMask(), f, anchors[2 + side]);
                }
            }
        }
        return all;
    }

    private double pasteBond(int[] anchors, int side, int paste) {
        if (anchors[2 + side] >= 0) {
            return bond(bonds.pasteInMask(), paste, anchors[2 + side]);
        }
        return anchors[side] >= 0
                ? bond(bonds.pasteOnCopper(), paste, anchors[side])
                : PASTE_ON_NOTHING;
    }

    /** What no assignment under these anchors can exceed. */
    private double bound(int[] anchors) {
        double[][] weights = matrix(anchors);
        double sum = anchorSum(anchors);
        for (int f = 0; f < weights.length; f++) {
            if (isAnchor(anchors, f)) {
                continue;
            }
            double most = none[f];
            for (int s = 0; s < slots.length; s++) {
                most = Math.max(most, weights[f][s]);
            }
            sum += most;
        }
        return sum;
    }

    private static boolean isAnchor(int[] anchors, int file) {
        return Arrays.stream(anchors).anyMatch(a -> a == file);
    }

    Answer solve() {
        Solution best = best(-1, r -> true, true);
        double[] margins = new double[pictures.size()];
        List<Solution> others = new ArrayList<>();
        for (int f = 0; f < pictures.size(); f++) {
            Optional<Role> own = best.roles.get(f);
            Solution other =
                    own.isEmpty()
                            ? best(f, r -> true, false)
                            : best(f, r -> !isSame(r, own.get()), true);
            margins[f] = best.sum - other.sum;
            others.add(other);
        }
        return new Answer(best, margins, others);
    }

    /** Inner layers are one thing here: their order is a question of its own. */
    private static boolean isSame(Role a, Role b) {
        return a.inner() > 0 && b.inner() > 0 || a.equals(b);
    }

    /**
     * The best assignment in which one file has an allowed role.
     *
     * @param mayBeNone whether it may have no role as well
     */
    private Solution best(int file, Predicate<Role> allowed, boolean mayBeNone) {
        Solution best = null;
        for (Choice c : choices) {
            if (best != null && c.bound <= best.sum) {
                break;
            }
            if (file >= 0 && !anchorAllowed(c, file, allowed)) {
                continue;
            }
            Solution s = solve(c, file, allowed, mayBeNone);
            if (best == null || s.sum > best.sum) {
                best = s;
            }
        }
        return best;
    }

    private static boolean anchorAllowed(Choice c, int file, Predicate<Role> allowed) {
        for (int a = 0; a < ANCHORS.length; a++) {
            if (c.anchors[a] == file && !allowed.test(ANCHORS[a])) {
                return false;
            }
        }
        return true;
    }

    private Solution solve(Choice c, int file, Predicate<Role> allowed, boolean mayBeNone) {
        WorkLimit.steps((long) pictures.size() * slots.length);
        double[][] known = matrices.computeIfAbsent(c, k -> matrix(k.anchors));
        double[][] weights = known.clone();
        if (file >= 0) {
            weights[file] = weights[file].clone();
            for (int s = 0; s < slots.length; s++) {
                if (!allowed.test(slots[s])) {
                    weights[file][s] = Double.NEGATIVE_INFINITY;
                }
            }
        }
        double[] without = none.clone();
        if (!mayBeNone) {
            without[file] = -NEVER;
        }
        for (int a : c.anchors) {
            if (a >= 0) {
                without[a] = 0;
            }
        }
        Matching.Result m = Matching.best(weights, without);
        List<Optional<Role>> roles = new ArrayList<>();
        for (int f = 0; f < pictures.size(); f++) {
            roles.add(m.slots()[f] < 0 ? Optional.empty() : Optional.of(slots[m.slots()[f]]));
        }
        for (int a = 0; a < ANCHORS.length; a++) {
            if (c.anchors[a] >= 0) {
                roles.set(c.anchors[a], Optional.of(ANCHORS[a]));
            }
        }
        return new Solution(roles, m.sum() + anchorSum(c.anchors));
    }

    /**
     * By how many bits the place of an inner layer in the stack beats changing places with another;
     * infinite where there is no other.
     */
    double orderMargin(Solution s, int file) {
        Role own = s.roles.get(file).orElseThrow();
        double least = Double.POSITIVE_INFINITY;
        for (int g = 0; g < pictures.size(); g++) {
            Optional<Role> other = s.roles.get(g);
            if (g != file && other.isPresent() && other.get().inner() > 0) {
                String a = pictures.get(file).path();
                String b = pictures.get(g).path();
                double now = testimony.weight(a, own) + testimony.weight(b, other.get());
                double then = testimony.weight(a, other.get()) + testimony.weight(b, own);
                least = Math.min(least, now - then);
            }
        }
        return least;
    }

    /** In words, what the bonds of a solution say of each file. */
    List<String> bondWords(Solution s, int file, boolean speaksFor) {
        List<String> words = new ArrayList<>();
        Optional<Role> own = s.roles.get(file);
        if (own.isEmpty() || own.get().side().isEmpty()) {
            return words;
        }
        Picture p = pictures.get(file);
        Side side = own.get().side().get();
        Optional<Picture> mask = holder(s, Role.of(Role.Kind.MASK, side));
        Optional<Picture> copper = holder(s, Role.of(Role.Kind.COPPER, side));
        switch (own.get().kind()) {
            case MASK -> copper.ifPresent(c -> add(words, bonds.maskOnCopper(), p, c, speaksFor));
            case PASTE -> {
                mask.ifPresent(m -> add(words, bonds.pasteInMask(), p, m, speaksFor));
                if (mask.isEmpty()) {
                    copper.ifPresent(c -> add(words, bonds.pasteOnCopper(), p, c, speaksFor));
                }
            }
            case SILK -> mask.ifPresent(m -> add(words, bonds.silkByMask(), p, m, speaksFor));
            default -> {}
        }
        return words;
    }

    private static void add(
            List<String> words, Bond bond, Picture upper, Picture lower, boolean speaksFor) {
        double bits = bond.bits(upper, lower);
        if (speaksFor ? bits > 0.4 : bits < -0.4) {
            words.add(bond.words(upper, lower));
        }
    }

    private Optional<Picture> holder(Solution s, Role role) {
        int i = s.roles.indexOf(Optional.of(role));
        return i < 0 ? Optional.empty() : Optional.of(pictures.get(i));
    }
}
