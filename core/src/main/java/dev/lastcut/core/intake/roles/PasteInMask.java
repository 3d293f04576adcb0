package dev.lastcut.core.intake.roles;

import dev.lastcut.core.intake.picture.Blobs.Blob;
import dev.lastcut.core.intake.picture.Blobs.Patch;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Paste lies within the openings of its side's mask, which are larger. */
final class PasteInMask implements Bond {
    private record Pair(Picture upper, Picture lower) {}

    private record Measured(double inside, double ofOpening) {}

    private final Map<Pair, Measured> known = new HashMap<>();

    @Override
    public double bits(Picture paste, Picture mask) {
        int n = paste.sample().size();
        if (n == 0 || paste == mask) {
            return 0;
        }
        Measured m = measured(paste, mask);
        double weight = Math.min(1, 0.4 + n / 10.0);
        double inside = 7 * (m.inside - 0.5) * weight;
        // The same shapes on both sides: only then does it matter which of the two is larger.
        double larger = m.inside > 0.5 ? (m.ofOpening < 0.97 ? 2 : m.ofOpening > 1.03 ? -4 : 0) : 0;
        return inside + larger * weight;
    }

    private Measured measured(Picture paste, Picture mask) {
        return known.computeIfAbsent(
                new Pair(paste, mask),
                k -> {
                    List<Blob> all = paste.sample();
                    int inside = 0;
                    long own = 0;
                    long opening = 0;
                    for (Blob b : all) {
                        Patch patch = paste.blobs().patch(b);
                        if (patch.dark(mask.ink()) >= 0.6 * patch.area()) {
                            inside++;
                            int under = mask.blobs().at(b.middle());
                            if (under >= 0) {
                                own += patch.area();
                                opening += mask.blobs().all().get(under).area();
                            }
                        }
                    }
                    double share = all.isEmpty() ? 0 : (double) inside / all.size();
                    return new Measured(share, opening == 0 ? 1 : (double) own / opening);
                });
    }

    @Override
    public String words(Picture paste, Picture mask) {
        return PadContent.percent(measured(paste, mask).inside)
                + " of its openings lie in those of "
                + PackFacts.leaf(mask.path());
    }
}
