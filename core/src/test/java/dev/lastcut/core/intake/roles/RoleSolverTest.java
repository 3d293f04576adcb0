package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.intake.picture.Grid;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The assignment of pictures to roles held against trying every one. */
class RoleSolverTest {
    private static final Grid GRID = Grid.about(List.of());
    private static final Role COPPER = Role.of(Role.Kind.COPPER, Side.TOP);
    private static final Role MASK = Role.of(Role.Kind.MASK, Side.TOP);
    private static final Role PASTE = Role.of(Role.Kind.PASTE, Side.TOP);
    private static final Role SILK = Role.of(Role.Kind.SILK, Side.TOP);
    private static final List<Role> ALL = Role.pictures(3);

    /** What inner layers cost without both outer ones, and paste with nothing below it. */
    private static final double ON_NOTHING = -4;

    /** Ties are broken by far less than this. */
    private static final double TIE = 0.02;

    private final List<Picture> pictures = new ArrayList<>();
    private final Map<String, Double> said = new HashMap<>();
    private final Map<String, Double> bonds = new HashMap<>();
    private final Set<String> impossible = new HashSet<>();

    private void pictures(int n) {
        for (int i = 0; i < n; i++) {
            pictures.add(new Picture("f" + i, List.of(), false, GRID));
        }
    }

    private void say(int file, Role role, double bits) {
        said.put("f" + file + role.id(), bits);
    }

    private double said(int file, Role role) {
        return said.getOrDefault("f" + file + role.id(), 0.0);
    }

    private Bond bond(String kind) {
        return new Bond() {
            @Override
            public double bits(Picture upper, Picture lower) {
                return bonds.getOrDefault(kind + upper.path() + lower.path(), 0.0);
            }

            @Override
            public String words(Picture upper, Picture lower) {
                return kind + " " + upper.path() + " " + lower.path();
            }
        };
    }

    private double bits(String kind, int upper, int lower) {
        return bonds.getOrDefault(kind + "f" + upper + "f" + lower, 0.0);
    }

    private RoleSolver solver() {
        Testimony t = new Testimony();
        for (Picture p : pictures) {
            t.say(p.path(), "", r -> said.getOrDefault(p.path() + r.id(), 0.0));
        }
        BiPredicate<Picture, Role> possible = (p, r) -> !impossible.contains(p.path() + r.id());
        return new RoleSolver(
                new RoleSolver.Bonds(bond("mc"), bond("pm"), bond("pc"), bond("sm")),
                pictures,
                t,
                possible);
    }

    private void atRandom(Random r) {
        pictures(2 + r.nextInt(3));
        for (int f = 0; f < pictures.size(); f++) {
            for (Role role : ALL) {
                // Inner layers beyond the third are not among those tried here.
                say(f, role, 9 * r.nextDouble() - 3.9);
                if (r.nextInt(12) == 0) {
                    impossible.add("f" + f + role.id());
                }
            }
            say(f, Role.NOT_PART, 4 * r.nextDouble() - 2);
            say(f, Role.PLATED_HOLES, 4 * r.nextDouble() - 3);
            for (int n = 4; n <= 30; n++) {
                say(f, Role.innerCopper(n), -50);
            }
            for (String kind : List.of("mc", "pm", "pc", "sm")) {
                for (int g = 0; g < pictures.size(); g++) {
                    bonds.put(kind + "f" + f + "f" + g, 8 * r.nextDouble() - 4);
                }
            }
        }
    }

    /** What an assignment is worth, from the words of the class comment alone. */
    private double worth(Role[] roles) {
        double sum = 0;
        List<Role> all = Arrays.asList(roles);
        boolean outer = all.contains(COPPER) && all.contains(COPPER.across());
        for (int file = 0; file < roles.length; file++) {
            Role role = roles[file];
            if (role == null) {
                sum +=
                        Math.max(
                                0,
                                Math.max(said(file, Role.NOT_PART), said(file, Role.PLATED_HOLES)));
                continue;
            }
            sum += said(file, role) + (role.inner() > 0 && !outer ? ON_NOTHING : 0);
            if (role.side().isEmpty()) {
                continue;
            }
            Side side = role.side().get();
            int copper = all.indexOf(Role.of(Role.Kind.COPPER, side));
            int mask = all.indexOf(Role.of(Role.Kind.MASK, side));
            if (role.kind() == Role.Kind.MASK && copper >= 0) {
                sum += bits("mc", file, copper);
            } else if (role.kind() == Role.Kind.SILK && mask >= 0) {
                sum += bits("sm", file, mask);
            } else if (role.kind() == Role.Kind.PASTE) {
                sum +=
                        mask >= 0
                                ? bits("pm", file, mask)
                                : copper >= 0 ? bits("pc", file, copper) : ON_NOTHING;
            }
        }
        return sum;
    }

    private void every(Role[] roles, int at, Consumer<Role[]> to) {
        if (at == roles.length) {
            to.accept(roles);
            return;
        }
        roles[at] = null;
        every(roles, at + 1, to);
        for (Role r : ALL) {
            boolean free = IntStream.range(0, at).noneMatch(k -> r.equals(roles[k]));
            if (free && !impossible.contains("f" + at + r.id())) {
                roles[at] = r;
                every(roles, at + 1, to);
            }
        }
        roles[at] = null;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16})
    void nothingBeatsWhatIsFoundAndTheMarginIsToTheNextBest(long seed) {
        atRandom(new Random(seed));
        RoleSolver.Answer answer = solver().solve();
        Role[] found = roles(answer.best());
        double[] most = {Double.NEGATIVE_INFINITY};
        every(new Role[found.length], 0, r -> most[0] = Math.max(most[0], worth(r)));
        assertThat(answer.best().sum()).isCloseTo(most[0], within(TIE));
        assertThat(worth(found)).isCloseTo(most[0], within(TIE));
        for (int f = 0; f < found.length; f++) {
            double[] next = {Double.NEGATIVE_INFINITY};
            int file = f;
            every(
                    new Role[found.length],
                    0,
                    r -> {
                        if (!isSame(r[file], found[file])) {
                            next[0] = Math.max(next[0], worth(r));
                        }
                    });
            assertThat(answer.margins()[f]).isCloseTo(most[0] - next[0], within(TIE));
            Role[] other = roles(answer.others().get(f));
            assertThat(isSame(other[f], found[f])).isFalse();
            assertThat(worth(other)).isCloseTo(next[0], within(TIE));
        }
    }

    /** The order of inner layers is a question of its own. */
    private static boolean isSame(Role a, Role b) {
        return a == null || b == null ? a == b : a.equals(b) || a.inner() > 0 && b.inner() > 0;
    }

    private static Role[] roles(RoleSolver.Solution s) {
        return s.roles().stream().map(r -> r.orElse(null)).toArray(Role[]::new);
    }

    private void only(int file, Role role, double bits) {
        Role.pictures(30).forEach(r -> say(file, r, -9));
        say(file, role, bits);
    }

    /** Copper of both sides, and more files behind it. */
    private void bothSidesAnd(int more) {
        pictures(2 + more);
        only(0, COPPER, 9);
        only(1, COPPER.across(), 9);
    }

    @Test
    void theOrderOfInnerLayersHasAMarginOfItsOwn() {
        bothSidesAnd(3);
        for (int f = 2; f < 5; f++) {
            only(f, Role.innerCopper(1), 3);
            say(f, Role.innerCopper(2), 3);
            say(f, Role.innerCopper(3), 3);
        }
        say(2, Role.innerCopper(2), 5);
        say(3, Role.innerCopper(1), 4);
        say(4, Role.innerCopper(3), 9);
        RoleSolver solver = solver();
        RoleSolver.Solution best = solver.solve().best();
        assertThat(roles(best))
                .containsExactly(
                        COPPER,
                        COPPER.across(),
                        Role.innerCopper(2),
                        Role.innerCopper(1),
                        Role.innerCopper(3));
        // Changing with its neighbour loses 2 + 1; with the third layer 2 + 6 or 1 + 6.
        assertThat(solver.orderMargin(best, 2)).isEqualTo(3);
        assertThat(solver.orderMargin(best, 3)).isEqualTo(3);
        assertThat(solver.orderMargin(best, 4)).isEqualTo(7);
    }

    @Test
    void theOnlyInnerLayerHasNoOrder() {
        bothSidesAnd(1);
        only(2, Role.innerCopper(1), 9);
        RoleSolver solver = solver();
        assertThat(solver.orderMargin(solver.solve().best(), 2)).isInfinite();
    }

    /** A layer that is said to be the eighth is that, though there are but three. */
    @Test
    void asManyInnerLayersAsAnyFileSays() {
        bothSidesAnd(1);
        only(2, Role.innerCopper(8), 9);
        assertThat(roles(solver().solve().best())[2]).isEqualTo(Role.innerCopper(8));
        said.clear();
        only(0, Role.innerCopper(8), 4);
        assertThat(roles(solver().solve().best())[0]).isNull();
    }

    /** Files that are alike in all are taken from top to bottom in the order of their names. */
    @Test
    void ofWaysWorthTheSameAlwaysTheSameIsTaken() {
        pictures(4);
        for (int f = 0; f < 4; f++) {
            only(f, Role.innerCopper(1), 5);
            say(f, Role.innerCopper(2), 5);
            say(f, COPPER, 7);
            say(f, COPPER.across(), 7);
        }
        assertThat(roles(solver().solve().best()))
                .containsExactly(COPPER, Role.innerCopper(1), Role.innerCopper(2), COPPER.across());
    }

    @Test
    void bondsAreSaidInWordsForWhatTheyJoin() {
        pictures(4);
        only(0, COPPER, 9);
        only(1, MASK, 9);
        only(2, PASTE, 9);
        only(3, SILK, 9);
        bonds.put("mcf1f0", 3.0);
        bonds.put("pmf2f1", -2.0);
        bonds.put("smf3f1", 0.3);
        bonds.put("pcf2f0", 2.0);
        RoleSolver solver = solver();
        RoleSolver.Solution best = solver.solve().best();
        assertThat(roles(best)).containsExactly(COPPER, MASK, PASTE, SILK);
        assertThat(solver.bondWords(best, 1, true)).containsExactly("mc f1 f0");
        assertThat(solver.bondWords(best, 1, false)).isEmpty();
        assertThat(solver.bondWords(best, 2, true)).isEmpty();
        assertThat(solver.bondWords(best, 2, false)).containsExactly("pm f2 f1");
        assertThat(solver.bondWords(best, 3, true)).as("next to nothing").isEmpty();
        bonds.put("smf3f1", -0.5);
        assertThat(solver.bondWords(best, 3, false)).containsExactly("sm f3 f1");
        assertThat(solver.bondWords(best, 0, true)).as("copper lies on nothing").isEmpty();

        // Without a mask, paste lies on copper.
        only(1, Role.NOT_PART, 9);
        RoleSolver bare = solver();
        RoleSolver.Solution without = bare.solve().best();
        assertThat(without.roles().get(1)).isEqualTo(Optional.empty());
        assertThat(bare.bondWords(without, 2, true)).containsExactly("pc f2 f0");
        assertThat(bare.bondWords(without, 3, false)).isEmpty();
        assertThat(bare.bondWords(without, 1, true)).isEmpty();
    }
}
