package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What the cells of a side column mean when no vocabulary knows them: told by the pads. */
public final class SideWords {
    /** The parts of a word must have their pads on one side by so much more than on the other. */
    private static final double CLEAR = 0.3;

    private SideWords() {}

    /** Tells on which sides a part has pads of its own. */
    public interface Pads {
        boolean hasPads(PlacedPart part, Side side);
    }

    /**
     * @param open what must be asked; empty where every part has a side
     * @param done what was taken for what, in words
     */
    public record Result(List<PlacedPart> parts, List<String> done, Optional<String> open) {}

    /**
     * Parts of an unknown side by groups of one word, so that they can be laid on pads: the largest
     * on the top, others on the bottom.
     */
    public static List<PlacedPart> guessed(List<PlacedPart> parts, Map<String, String> words) {
        Map<String, Integer> counts = new TreeMap<>();
        words.values().forEach(w -> counts.merge(w, 1, Integer::sum));
        if (counts.size() != 2) {
            return parts;
        }
        String most =
                counts.entrySet().stream()
                        .max(Map.Entry.comparingByValue(Comparator.naturalOrder()))
                        .map(Map.Entry::getKey)
                        .orElseThrow();
        return parts.stream()
                .map(
                        p -> {
                            String w = words.get(p.designator());
                            return w == null || w.equals(most) ? p : p.on(Side.BOTTOM);
                        })
                .toList();
    }

    /**
     * @param words what the table says of each part whose side is unknown; empty for nothing
     * @param named the side that the file's name says
     */
    public static Result settle(
            List<PlacedPart> parts, Map<String, String> words, Pads pads, Optional<Side> named) {
        Map<String, List<PlacedPart>> groups = new TreeMap<>();
        for (PlacedPart p : parts) {
            String w = words.get(p.designator());
            if (w != null) {
                groups.computeIfAbsent(w, k -> new ArrayList<>()).add(p);
            }
        }
        Map<String, Side> meaning = new HashMap<>();
        groups.forEach((word, own) -> lean(own, pads).ifPresent(s -> meaning.put(word, s)));
        if (groups.size() == 2 && meaning.size() == 1 && !groups.containsKey("")) {
            Side only = meaning.values().iterator().next();
            Side other = only == Side.TOP ? Side.BOTTOM : Side.TOP;
            groups.keySet().forEach(w -> meaning.putIfAbsent(w, other));
        }
        Map<String, Side> single = new HashMap<>();
        List<String> done = new ArrayList<>();
        List<String> open = new ArrayList<>();
        boolean anyBelow = parts.stream().anyMatch(p -> pads.hasPads(p, Side.BOTTOM));
        groups.forEach(
                (word, own) -> {
                    if (word.isEmpty()) {
                        unsaid(own, pads, named, anyBelow, single, done, open);
                    } else if (meaning.containsKey(word)) {
                        own.forEach(p -> single.put(p.designator(), meaning.get(word)));
                        done.add(
                                "by their pads, parts with the side “"
                                        + word
                                        + "” are on the "
                                        + meaning.get(word).word());
                    } else {
                        open.add(
                                "“"
                                        + word
                                        + "” does not say on which side "
                                        + own.size()
                                        + (own.size() == 1 ? " part is" : " parts are")
                                        + ", and neither do their pads");
                    }
                });
        List<PlacedPart> sided =
                parts.stream()
                        .map(p -> p.on(single.getOrDefault(p.designator(), p.side())))
                        .toList();
        return new Result(
                sided, done, open.isEmpty() ? Optional.empty() : Optional.of(open.get(0)));
    }

    /** The side on which the parts of one word have their pads. */
    private static Optional<Side> lean(List<PlacedPart> own, Pads pads) {
        long top = own.stream().filter(p -> pads.hasPads(p, Side.TOP)).count();
        long bottom = own.stream().filter(p -> pads.hasPads(p, Side.BOTTOM)).count();
        if (Math.abs(top - bottom) < CLEAR * own.size()) {
            return Optional.empty();
        }
        return Optional.of(top > bottom ? Side.TOP : Side.BOTTOM);
    }

    /** Parts of which nothing is said: each on the side its pads are on, the rest by the others. */
    private static void unsaid(
            List<PlacedPart> own,
            Pads pads,
            Optional<Side> named,
            boolean anyBelow,
            Map<String, Side> single,
            List<String> done,
            List<String> open) {
        int top = 0;
        int bottom = 0;
        List<PlacedPart> either = new ArrayList<>();
        for (PlacedPart p : own) {
            boolean above = pads.hasPads(p, Side.TOP);
            boolean below = pads.hasPads(p, Side.BOTTOM);
            if (above == below) {
                either.add(p);
            } else {
                single.put(p.designator(), above ? Side.TOP : Side.BOTTOM);
                top += above ? 1 : 0;
                bottom += below ? 1 : 0;
            }
        }
        Optional<Side> rest = named;
        if (rest.isEmpty() && top + bottom > 0 && Math.min(top, bottom) == 0) {
            rest = Optional.of(top > 0 ? Side.TOP : Side.BOTTOM);
        }
        if (rest.isEmpty() && !anyBelow) {
            rest = Optional.of(Side.TOP);
        }
        Side taken = rest.orElse(Side.TOP);
        either.forEach(p -> single.put(p.designator(), taken));
        if (rest.isEmpty() && !either.isEmpty()) {
            open.add(
                    "it states no side, and "
                            + either.size()
                            + (either.size() == 1 ? " part has" : " parts have")
                            + " pads on both sides or on none");
        } else if (bottom > 0 || taken == Side.BOTTOM) {
            int below = bottom + (taken == Side.BOTTOM ? either.size() : 0);
            done.add(
                    "it states no side; by their pads "
                            + below
                            + (below == 1 ? " part is" : " parts are")
                            + " on the bottom");
        }
    }
}
