package dev.lastcut.core.ticket;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.milling.MillSetup;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;

/** Says in words what is other in a set-up of a mill. */
final class MillWords {
    private record Part(Function<MillSetup, Object> value, Function<MillSetup, String> words) {}

    private static final List<Part> PARTS =
            List.of(
                    new Part(
                            MillSetup::tools,
                            s ->
                                    s.tools().isEmpty()
                                            ? "cutters found by itself"
                                            : "cutters " + String.join(" and ", s.tools())),
                    new Part(MillSetup::sides, s -> "milled: " + sides(s)),
                    new Part(MillSetup::clearing, s -> "clearing: " + word(s.clearing())),
                    new Part(MillSetup::ground, s -> "leftover copper tied to " + s.ground()),
                    new Part(MillSetup::rubOut, s -> areas(s.rubOut().size(), "rubbed out")),
                    new Part(MillSetup::leaveOut, s -> areas(s.leaveOut().size(), "left out")),
                    new Part(
                            MillSetup::leaveFreeCopper,
                            s ->
                                    s.leaveFreeCopper()
                                            ? "rings round unplated holes left alone"
                                            : "rings round unplated holes isolated"),
                    new Part(MillSetup::nick, s -> "nick " + TicketWords.length(s.nick())),
                    new Part(MillSetup::climb, s -> s.climb() ? "climb" : "conventional"),
                    new Part(MillSetup::throughZero, s -> "z zero: " + word(s.throughZero())),
                    new Part(
                            MillSetup::inStockX,
                            s -> TicketWords.length(s.inStockX()) + " from the left"),
                    new Part(
                            MillSetup::inStockY,
                            s -> TicketWords.length(s.inStockY()) + " from below"),
                    new Part(MillSetup::pins, s -> s.pins() + " index pins"),
                    new Part(MillSetup::turnedOver, s -> "turned over " + word(s.turnedOver())));

    private MillWords() {}

    static void changed(MillSetup before, MillSetup after, List<String> all) {
        for (Part p : PARTS) {
            if (!p.value.apply(before).equals(p.value.apply(after))
                    && !(p.words.apply(after).endsWith("tied to "))) {
                all.add(p.words.apply(after));
            }
        }
    }

    private static String sides(MillSetup s) {
        return s.sides().isEmpty()
                ? "every side with copper"
                : String.join(" and ", s.sides().stream().map(Side::word).sorted().toList());
    }

    private static String areas(int n, String what) {
        return (n == 0 ? "no area" : n == 1 ? "one area" : n + " areas") + " " + what;
    }

    private static String word(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
