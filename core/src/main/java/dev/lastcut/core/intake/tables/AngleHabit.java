package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * How the angles of a placement count. Usual is counter-clockwise as seen from the top, for a
 * bottom part after it was mirrored left to right.
 *
 * @param clockwise all angles count the other way
 * @param reversedBelow those of bottom parts count as seen from below
 * @param halfBelow those of bottom parts count from half a turn, as when a part is turned over
 *     lengthwise
 */
public record AngleHabit(boolean clockwise, boolean reversedBelow, boolean halfBelow) {
    public static final AngleHabit USUAL = new AngleHabit(false, false, false);

    /** Of the other parts of a footprint so many are held against one. */
    private static final int FELLOWS = 6;

    private static final int MOST_OF_A_FOOTPRINT = 40;

    /** Parts that are less alike than this under every habit say nothing. */
    private static final double ALIKE = 0.55;

    /** A habit is better for a part when it makes it so much liker to its fellows. */
    private static final double LIKER = 0.12;

    /** One part may lie wrong; so many must agree. */
    private static final int FEWEST = 2;

    /** The angle counter-clockwise from the top, 0 to 360. */
    public double angle(PlacedPart p) {
        return angle(p.rotationDeg(), p.side());
    }

    double angle(double written, Side side) {
        double a = clockwise ? -written : written;
        if (side == Side.BOTTOM) {
            a = (reversedBelow ? -a : a) + (halfBelow ? 180 : 0);
        }
        return ((a % 360) + 360) % 360;
    }

    /** What is unusual, in words. */
    public List<String> words() {
        List<String> all = new ArrayList<>();
        if (clockwise) {
            all.add("its rotations count clockwise, so they were reversed");
        }
        if (reversedBelow) {
            all.add("its bottom rotations count as seen from below, so they were reversed");
        }
        if (halfBelow) {
            all.add("its bottom rotations count from the other end, so they were turned by 180°");
        }
        return all;
    }

    /** All parts with their angles as usual. */
    public List<PlacedPart> apply(List<PlacedPart> parts) {
        return equals(USUAL) ? parts : parts.stream().map(p -> p.turned(angle(p))).toList();
    }

    /**
     * The habit under which parts of one footprint lie alike; empty where nothing tells.
     *
     * @param clockwise what the table says of itself: whether angles count clockwise
     */
    public static Optional<AngleHabit> of(List<PlacedPart> parts, Look look, boolean clockwise) {
        Map<String, List<PlacedPart>> footprints = new TreeMap<>();
        for (PlacedPart p : parts) {
            if (!p.footprint().isBlank()) {
                footprints.computeIfAbsent(p.footprint(), k -> new ArrayList<>()).add(p);
            }
        }
        AngleHabit plain = new AngleHabit(clockwise, false, false);
        List<AngleHabit> senses = List.of(plain, new AngleHabit(!clockwise, false, false));
        Optional<AngleHabit> sense = best(footprints, senses, Side.TOP, look);
        boolean way = sense.orElse(plain).clockwise;
        List<AngleHabit> below = new ArrayList<>();
        for (boolean half : new boolean[] {false, true}) {
            for (boolean reversed : new boolean[] {false, true}) {
                below.add(new AngleHabit(way, reversed, half));
            }
        }
        Optional<AngleHabit> found = best(footprints, below, Side.BOTTOM, look);
        return found.or(() -> sense);
    }

    /**
     * The habit most parts of a side vote for; the first unless another has clearly more.
     *
     * @param side the parts that vote, each held against its fellows on the top where there are any
     */
    private static Optional<AngleHabit> best(
            Map<String, List<PlacedPart>> footprints,
            List<AngleHabit> habits,
            Side side,
            Look look) {
        // Each part's vote: a bit for every habit under which it lies as its fellows do.
        List<Integer> votes = new ArrayList<>();
        for (List<PlacedPart> all : footprints.values()) {
            List<PlacedPart> tops = all.stream().filter(p -> p.side() == Side.TOP).toList();
            List<PlacedPart> own = all.stream().filter(p -> p.side() == side).toList();
            List<PlacedPart> fellows = tops.isEmpty() ? own : tops;
            for (PlacedPart p : own.subList(0, Math.min(own.size(), MOST_OF_A_FOOTPRINT))) {
                vote(p, fellows, habits, look, votes);
            }
        }
        int best = 0;
        for (int i = 1; i < habits.size(); i++) {
            int more = only(votes, i, best);
            int less = only(votes, best, i);
            best = more >= FEWEST && more > 2 * less ? i : best;
        }
        return votes.isEmpty() ? Optional.empty() : Optional.of(habits.get(best));
    }

    /** How many parts vote for one habit and not for the other. */
    private static int only(List<Integer> votes, int one, int other) {
        return (int)
                votes.stream().filter(v -> (v >> one & 1) == 1 && (v >> other & 1) == 0).count();
    }

    private static void vote(
            PlacedPart p,
            List<PlacedPart> fellows,
            List<AngleHabit> habits,
            Look look,
            List<Integer> votes) {
        double[] like = new double[habits.size()];
        double most = 0;
        double least = 1;
        for (int i = 0; i < like.length; i++) {
            like[i] = likeness(p, fellows, habits.get(i), look);
            if (Double.isNaN(like[i])) {
                return;
            }
            most = Math.max(most, like[i]);
            least = Math.min(least, like[i]);
        }
        if (most < ALIKE || most - least < LIKER) {
            return;
        }
        int own = 0;
        for (int i = 0; i < like.length; i++) {
            own |= like[i] > most - LIKER / 2 ? 1 << i : 0;
        }
        votes.add(own);
    }

    private static double likeness(
            PlacedPart p, List<PlacedPart> fellows, AngleHabit habit, Look look) {
        double sum = 0;
        int n = 0;
        for (PlacedPart f : fellows) {
            if (f != p && n < FELLOWS) {
                double one = look.likeness(f, habit.angle(f), p, habit.angle(p));
                if (!Double.isNaN(one)) {
                    sum += one;
                    n++;
                }
            }
        }
        return n == 0 ? Double.NaN : sum / n;
    }
}
