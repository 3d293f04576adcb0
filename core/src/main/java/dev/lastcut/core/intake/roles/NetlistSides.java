package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import java.util.Optional;

/** The netlist's test points of one side lie in that side's pads and openings. */
final class NetlistSides implements Witness {
    @Override
    public void testify(PackFacts pack, Testimony testimony) {
        List<Pt> top = points(pack, Side.TOP);
        List<Pt> bottom = points(pack, Side.BOTTOM);
        if (top.isEmpty() && bottom.isEmpty()) {
            return;
        }
        for (Picture p : pack.pictures()) {
            if (p.isSparse()) {
                openings(p, top, bottom, testimony);
            } else if (!p.isEmpty() && p.contour().isEmpty()) {
                copper(p, top, bottom, testimony);
            }
        }
    }

    private static void openings(Picture p, List<Pt> top, List<Pt> bottom, Testimony testimony) {
        double onTop = share(p, top);
        double onBottom = share(p, bottom);
        int n = Math.min(5, Math.max(top.size(), bottom.size()));
        double bits = 6 * (onTop - onBottom) * n / 5.0;
        if (Math.abs(bits) < 0.3) {
            return;
        }
        testimony.say(
                p.path(),
                PadContent.percent(onTop)
                        + " of the netlist's top points lie in it and "
                        + PadContent.percent(onBottom)
                        + " of its bottom points",
                r -> PadContent.isOpening(r) ? Testimony.side(Side.TOP, bits).applyAsDouble(r) : 0);
    }

    /** Every point of a side has copper there; an area may lie under those of the other too. */
    private static void copper(Picture p, List<Pt> top, List<Pt> bottom, Testimony testimony) {
        double noTop = top.isEmpty() ? 0 : 1 - share(p, top);
        double noBottom = bottom.isEmpty() ? 0 : 1 - share(p, bottom);
        if (Math.max(noTop, noBottom) < 0.02) {
            return;
        }
        testimony.say(
                p.path(),
                "it lacks copper at "
                        + PadContent.percent(noTop)
                        + " of the netlist's top points and at "
                        + PadContent.percent(noBottom)
                        + " of its bottom points",
                r -> {
                    if (!r.isCopper() || r.side().isEmpty()) {
                        return 0;
                    }
                    double lacks = r.side().get() == Side.TOP ? noTop : noBottom;
                    return -Math.min(6, 20 * lacks);
                });
    }

    private static List<Pt> points(PackFacts pack, Side side) {
        return pack.points().stream()
                .filter(p -> p.access().equals(Optional.of(side)) && !p.hole())
                .map(Netlist.Point::at)
                .toList();
    }

    private static double share(Picture p, List<Pt> points) {
        long in = points.stream().filter(p.ink()::at).count();
        return points.isEmpty() ? 0 : (double) in / points.size();
    }
}
