package dev.lastcut.core.intake.roles;

import dev.lastcut.core.intake.picture.Blobs.Blob;
import dev.lastcut.core.intake.picture.Blobs.Patch;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Openings lie on the pads of their side: copper within, none close round it. Openings over holes
 * are the same on both sides and tell nothing.
 */
final class OpeningOnPad implements Bond {
    private static final double RIM_NM = 70_000;
    private static final double LEAST_WITHIN = 0.35;
    private static final double LEAST_CLEAR = 0.4;

    private record Probe(Patch within, Patch rim) {}

    private record Pair(Picture upper, Picture lower) {}

    private final PackFacts pack;
    private final Map<Picture, List<Probe>> probes = new HashMap<>();
    private final Map<Pair, Double> shares = new HashMap<>();

    OpeningOnPad(PackFacts pack) {
        this.pack = pack;
    }

    @Override
    public double bits(Picture opening, Picture copper) {
        int n = probes(opening).size();
        if (n == 0) {
            return 0;
        }
        double weight = Math.min(1, 0.4 + n / 10.0);
        return 8 * (share(opening, copper) - 0.45) * weight;
    }

    double share(Picture opening, Picture copper) {
        return shares.computeIfAbsent(
                new Pair(opening, copper),
                k -> {
                    List<Probe> all = probes(opening);
                    long on = all.stream().filter(x -> isPad(x, copper)).count();
                    return all.isEmpty() ? 0 : (double) on / all.size();
                });
    }

    private static boolean isPad(Probe x, Picture copper) {
        return x.within.dark(copper.ink()) >= LEAST_WITHIN * x.within.area()
                && x.rim.area() - x.rim.dark(copper.ink()) >= LEAST_CLEAR * x.rim.area();
    }

    private List<Probe> probes(Picture opening) {
        return probes.computeIfAbsent(
                opening,
                p -> {
                    int rim = p.grid().pixels(RIM_NM) + 1;
                    List<Probe> all = new ArrayList<>();
                    for (Blob b : p.sample()) {
                        if (!pack.hasHole(b)) {
                            all.add(new Probe(p.blobs().patch(b), p.blobs().rim(b, rim)));
                        }
                    }
                    return all;
                });
    }

    @Override
    public String words(Picture opening, Picture copper) {
        return PadContent.percent(share(opening, copper))
                + " of its openings lie on pads of "
                + PackFacts.leaf(copper.path());
    }
}
