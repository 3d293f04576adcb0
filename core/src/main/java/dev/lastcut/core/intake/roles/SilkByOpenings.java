package dev.lastcut.core.intake.roles;

import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.picture.Blobs.Blob;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Silk is drawn near the surface pads of its own side. */
final class SilkByOpenings implements Bond {
    private static final double NEAR_NM = 1_200_000;

    private record Pair(Picture upper, Picture lower) {}

    private final PackFacts pack;
    private final Map<Pair, Double> shares = new HashMap<>();
    private final Map<Picture, List<Blob>> surfaces = new HashMap<>();

    SilkByOpenings(PackFacts pack) {
        this.pack = pack;
    }

    @Override
    public double bits(Picture silk, Picture mask) {
        List<Blob> surface = surface(mask);
        if (surface.isEmpty() || silk == mask) {
            return 0;
        }
        double weight = Math.min(1, 0.3 + surface.size() / 20.0);
        return 5 * (share(silk, mask) - 0.5) * weight;
    }

    private List<Blob> surface(Picture mask) {
        return surfaces.computeIfAbsent(
                mask, m -> m.sample().stream().filter(b -> !pack.hasHole(b)).toList());
    }

    private double share(Picture silk, Picture mask) {
        return shares.computeIfAbsent(
                new Pair(silk, mask),
                k -> {
                    List<Blob> all = surface(mask);
                    long near = all.stream().filter(b -> isNear(silk, b)).count();
                    return all.isEmpty() ? 0 : (double) near / all.size();
                });
    }

    private static boolean isNear(Picture silk, Blob b) {
        double step = Math.max(silk.grid().pixelNm(), 60_000);
        for (int k = 0; k < 12; k++) {
            double a = Math.PI / 6 * k;
            double reach = NEAR_NM + Math.max(b.widthNm(), b.heightNm()) / 2;
            for (double r = step; r < reach; r += step) {
                Pt at =
                        new Pt(
                                b.middle().x() + Math.round(r * Math.cos(a)),
                                b.middle().y() + Math.round(r * Math.sin(a)));
                if (silk.ink().at(at)) {
                    return true;
                }
            }
        }
        return false;
    }

    @Override
    public String words(Picture silk, Picture mask) {
        return "it has lines near "
                + PadContent.percent(share(silk, mask))
                + " of the surface pads that "
                + PackFacts.leaf(mask.path())
                + " opens";
    }
}
