package dev.lastcut.core.placement;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.Turns;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Judges the rotation of every placed part. Parts of one footprint, turned back by what the
 * placement says, must look alike; a footprint that stands alone is held against the same footprint
 * on the other side, then against others whose first pin a library puts in the same place. Where
 * nothing names the pins, pads and silk about the parts serve ({@link Likeness}).
 */
public final class TurnJudge {
    /**
     * Of parts that are the same turned by half so many must agree, or all but one, before one is
     * told: else they are numbered as it came.
     */
    private static final double SURE = 0.8;

    /** So many different looks of a footprint are tried as the usual one. */
    private static final int TRIED = 20;

    private final BoardGeometry geometry;
    private final Turns turns;
    private final PartPins pins;
    private final Map<String, Verdict> verdicts = new HashMap<>();
    private final Map<Side, Map<String, Group>> groups = new EnumMap<>(Side.class);

    private TurnJudge(BoardGeometry geometry, Turns turns) {
        this.geometry = geometry;
        this.turns = turns;
        this.pins = PartPins.of(geometry);
        for (Side side : Side.values()) {
            groups.put(side, new LinkedHashMap<>());
        }
    }

    /** Parts of one footprint on one side, and how most of them lie. */
    static final class Group {
        private final String footprint;
        private final List<UnrotatedPins> members = new ArrayList<>();
        private Optional<UnrotatedPins> habit = Optional.empty();
        private int like;

        Group(String footprint) {
            this.footprint = footprint;
        }

        Optional<UnrotatedPins> habit() {
            return habit;
        }

        /** A single part proves no habit. */
        boolean isAlone() {
            return like < 2;
        }

        String footprint() {
            return footprint;
        }

        private void findHabit() {
            List<UnrotatedPins> looks = new ArrayList<>();
            for (UnrotatedPins t : members) {
                if (looks.size() < TRIED && looks.stream().noneMatch(t::isAs)) {
                    looks.add(t);
                }
            }
            for (UnrotatedPins look : looks) {
                int alike = (int) members.stream().filter(o -> o.isAs(look)).count();
                if (alike > like) {
                    like = alike;
                    habit = Optional.of(look);
                }
            }
            if (like * 2 <= members.size()) {
                habit = Optional.empty();
            }
        }
    }

    /**
     * A verdict for every part that is placed, in their order.
     *
     * @param turns of which those of single parts count as said by the placement
     */
    public static List<Verdict> of(BoardGeometry geometry, List<Part> parts, Turns turns) {
        TurnJudge judge = new TurnJudge(geometry, turns);
        List<Part> placed = parts.stream().filter(p -> p.placed().isPresent()).toList();
        judge.run(placed);
        return placed.stream().map(p -> judge.verdicts.get(p.designator())).toList();
    }

    private void run(List<Part> placed) {
        List<Part> unnamed = new ArrayList<>();
        for (Part p : placed) {
            Optional<UnrotatedPins> back =
                    UnrotatedPins.of(p, rotation(p), pins.of(p.designator()));
            if (p.standsOn().isBlank()) {
                put(Verdict.unknown(p, "neither table says what its footprint is"));
            } else if (pins.side(p.designator())
                    .filter(s -> s != p.placed().orElseThrow().side())
                    .isPresent()) {
                put(Verdict.unknown(p, "its pads are on the other side than it is said to be"));
            } else if (back.isPresent()) {
                groups.get(p.placed().orElseThrow().side())
                        .computeIfAbsent(p.standsOn(), Group::new)
                        .members
                        .add(back.get());
            } else if (pins.isEmpty()) {
                unnamed.add(p);
            } else {
                put(Verdict.unknown(p, "fewer than two of its pins are named"));
            }
        }
        Likeness.judge(geometry, unnamed, this::rotation).forEach(this::put);
        groups.values().forEach(by -> by.values().forEach(Group::findHabit));
        groups.forEach((side, by) -> by.values().forEach(g -> among(g, side)));
    }

    private double rotation(Part p) {
        return p.placed().orElseThrow().rotationDeg() + turns.ofPart(p.designator());
    }

    private void put(Verdict v) {
        verdicts.put(v.part().designator(), v);
    }

    private void among(Group g, Side side) {
        if (g.members.size() > 1 && g.habit.isPresent() && g.like > 1) {
            String others = others(g.like, g);
            String fellows = others(g.like - 1, g);
            boolean sure = g.members.size() - g.like <= 1 || g.like >= SURE * g.members.size();
            for (UnrotatedPins t : g.members) {
                against(t, g.habit.get(), 0, sure, t.isAs(g.habit.get()) ? fellows : others);
            }
            return;
        }
        // Of two that differ, others may tell which is turned; of many, it is how they are
        // numbered.
        if (g.members.size() > 2 && eitherWay(g)) {
            return;
        }
        for (UnrotatedPins t : g.members) {
            lone(t, g, side);
        }
    }

    private static String others(int n, Group g) {
        return "the " + (n == 1 ? "other" : n + " others") + " of " + g.footprint;
    }

    /** Parts that are the same turned by half, numbered one way and the other. */
    private boolean eitherWay(Group g) {
        if (!g.members.stream().allMatch(TurnJudge::isSameTurned)) {
            return false;
        }
        for (UnrotatedPins look : g.members.subList(0, Math.min(TRIED, g.members.size()))) {
            List<UnrotatedPins> alike =
                    g.members.stream().filter(t -> t.turnTo(look).orElse(1) % 180 == 0).toList();
            if (alike.size() < 2 || alike.size() * 2 <= g.members.size()) {
                continue;
            }
            for (UnrotatedPins t : g.members) {
                if (alike.contains(t)) {
                    put(Verdict.right(t.part(), others(alike.size() - 1, g)));
                } else {
                    against(t, look, 0, true, others(alike.size(), g));
                }
            }
            return true;
        }
        return false;
    }

    private static boolean isSameTurned(UnrotatedPins t) {
        return t.pins().size() == 2 && Polarity.isEitherWay(t.part());
    }

    /**
     * @param besideDeg how much the part lies otherwise than the habit by right
     * @param sure whether half a turn of a part that is the same then is told
     */
    private void against(
            UnrotatedPins t, UnrotatedPins habit, double besideDeg, boolean sure, String others) {
        OptionalDouble found = t.turnTo(habit);
        if (found.isEmpty()) {
            put(Verdict.unknown(t.part(), "its pins lie otherwise than those of " + others));
            return;
        }
        double turn = ((found.getAsDouble() + besideDeg) % 360 + 360) % 360;
        boolean harmless = turn == 180 && isSameTurned(t);
        if (turn == 0 || (harmless && !sure)) {
            put(Verdict.right(t.part(), others));
            return;
        }
        // What is seen from below turns the other way.
        boolean below = t.part().placed().orElseThrow().side() == Side.BOTTOM;
        double added = below ? turn : 360 - turn;
        put(new Verdict(t.part(), Verdict.State.TURNED, added, harmless, others));
    }

    private void lone(UnrotatedPins t, Group g, Side side) {
        Side other = side == Side.TOP ? Side.BOTTOM : Side.TOP;
        OptionalDouble beside = RelatedFootprints.sides(groups.get(side), groups.get(other));
        Group across = groups.get(other).get(g.footprint);
        if (beside.isPresent() && across != null && across.habit.isPresent() && across.like > 1) {
            String others = "the " + across.like + " of " + g.footprint + " on the " + other.word();
            against(t, across.habit.get(), beside.getAsDouble(), true, others);
            return;
        }
        List<Group> others =
                groups.get(side).values().stream()
                        .filter(o -> o != g && o.habit.isPresent())
                        .sorted(Comparator.comparing(Group::footprint))
                        .toList();
        Optional<RelatedFootprints.Agreement> agreed = RelatedFootprints.families(t, others);
        if (agreed.isEmpty()) {
            put(
                    Verdict.unknown(
                            t.part(),
                            g.members.size() == 1
                                    ? "no other part of "
                                            + g.footprint
                                            + " stands on its side, and no kin of its package"
                                            + " tells"
                                    : "those of " + g.footprint + " do not agree"));
            return;
        }
        double turn = agreed.get().turnDeg();
        boolean mended = turn != 0 && turns.ofPackage(t.part()) == (360 - turn) % 360;
        int n = agreed.get().witnesses();
        String against = n == 1 ? "the other package like it" : "the " + n + " other packages";
        if (turn == 0 || mended) {
            put(Verdict.right(t.part(), against));
        } else {
            double added = side == Side.BOTTOM ? turn : 360 - turn;
            boolean harmless = turn == 180 && isSameTurned(t);
            put(new Verdict(t.part(), Verdict.State.TURNED, added, harmless, against));
        }
    }
}
