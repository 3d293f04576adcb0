package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.tables.OpenPads;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * Parts that are placed on a side have their surface pads in that side's openings: two of them that
 * face each other across the part's middle. And the silk of their side is drawn about them.
 */
final class PlacedSides implements Witness {
    private static final long NEAR_NM = 3_500_000;
    private static final int FEWEST_PIXELS = 12;
    private static final int MOST_PARTS = 80;
    private static final int MOST_PLACED = 200;

    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        List<PlacedPart> top = on(pack, Side.TOP);
        List<PlacedPart> bottom = on(pack, Side.BOTTOM);
        if (top.isEmpty() && bottom.isEmpty()) {
            return;
        }
        for (Picture p : pack.pictures()) {
            if (p.isSparse()) {
                openings(pack, p, top, bottom, testimony);
            } else if (!p.isEmpty() && p.contour().isEmpty()) {
                silk(p, top, bottom, testimony);
            }
        }
    }

    private static List<PlacedPart> on(PackFacts pack, Side side) {
        return pack.placed().stream().filter(x -> x.side() == side).toList();
    }

    private static void openings(
            PackFacts pack,
            Picture p,
            List<PlacedPart> top,
            List<PlacedPart> bottom,
            Testimony testimony) {
        OpenPads pads = new OpenPads(pack.openings(p), pack.usual(), p.grid().pixelNm());
        double onTop = share(some(top), x -> pads.hasPair(x.at(), pack::isSurface));
        double onBottom = share(some(bottom), x -> pads.hasPair(x.at(), pack::isSurface));
        double bits = 6 * PadContent.clamp((onTop - onBottom) * 1.5);
        if (Math.abs(bits) < 0.3) {
            return;
        }
        testimony.say(
                p.path(),
                PadContent.percent(onTop)
                        + " of the parts placed on top have pads in it, "
                        + PadContent.percent(onBottom)
                        + " of those on the bottom",
                r ->
                        r.kind() == Role.Kind.SILK
                                ? 0
                                : Testimony.side(Side.TOP, bits).applyAsDouble(r));
    }

    /** An even selection, enough to judge by. */
    private static List<PlacedPart> some(List<PlacedPart> parts) {
        int step = Math.max(1, (parts.size() + MOST_PLACED - 1) / MOST_PLACED);
        return IntStream.range(0, parts.size())
                .filter(i -> i % step == 0)
                .mapToObj(parts::get)
                .toList();
    }

    private static double share(List<PlacedPart> parts, Predicate<PlacedPart> test) {
        return parts.isEmpty() ? 0 : (double) parts.stream().filter(test).count() / parts.size();
    }

    private static void silk(
            Picture p, List<PlacedPart> top, List<PlacedPart> bottom, Testimony testimony) {
        double onTop = symmetry(p, top);
        double onBottom = symmetry(p, bottom);
        double bits = 6 * PadContent.clamp((onTop - onBottom) * 2.5);
        if (Math.abs(bits) < 0.3) {
            return;
        }
        testimony.say(
                p.path(),
                "its lines are drawn about the parts placed on "
                        + (bits > 0 ? "top" : "the bottom")
                        + " rather than about the others",
                r ->
                        r.kind() == Role.Kind.SILK
                                ? Testimony.side(Side.TOP, bits).applyAsDouble(r)
                                : 0);
    }

    /**
     * How much of the ink near the middles of parts has ink across that middle: a part's own
     * outline does, lines of its neighbours do not. 0 to 1, on average.
     */
    private static double symmetry(Picture p, List<PlacedPart> parts) {
        int step = Math.max(1, parts.size() / MOST_PARTS);
        double sum = 0;
        int n = 0;
        for (int i = 0; i < parts.size(); i += step) {
            sum += symmetry(p, parts.get(i).at());
            n++;
        }
        return n == 0 ? 0 : sum / n;
    }

    private static double symmetry(Picture p, Pt at) {
        long step = Math.round(2 * p.grid().pixelNm());
        int ink = 0;
        int twice = 0;
        for (long dx = -NEAR_NM; dx <= NEAR_NM; dx += step) {
            for (long dy = -NEAR_NM; dy <= NEAR_NM; dy += step) {
                if (p.ink().at(new Pt(at.x() + dx, at.y() + dy))) {
                    ink++;
                    twice += p.ink().at(new Pt(at.x() - dx, at.y() - dy)) ? 1 : 0;
                }
            }
        }
        return ink < FEWEST_PIXELS ? 0 : (double) twice / ink;
    }
}
