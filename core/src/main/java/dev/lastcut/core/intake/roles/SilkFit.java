package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.picture.Blobs.Blob;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Whether silk is drawn where the parts are. It has no pads to go by, but the outline of a part is
 * the same on both sides of the part's middle. So all places half way between two lines near a part
 * are votes for where its middle is drawn; over all parts together the votes for one shift and one
 * scale add up, and those of chance do not.
 */
public final class SilkFit {
    private static final int FEWEST_PARTS = 8;
    private static final int MOST_PARTS = 80;
    private static final int MOST_PIXELS = 110;
    private static final double LARGEST_LETTER_NM = 2_200_000;
    private static final long REACH_NM = 3_500_000;

    /** Votes are counted on a grid of this, so far to every side. */
    private static final double CELL_NM = 60_000;

    private static final int CELLS = 50;
    private static final double MOST_SCALE = 0.05;
    private static final double SCALE_STEP = 0.0025;

    /** A shift this small is how drawn outlines are, or the rounding of their files. */
    private static final double STILL_NM = 200_000;

    /** So many times the votes of where it lies, another place must have. */
    private static final double CLEARLY = 2.5;

    /** Middles between lines near a part, and the part's own place. */
    private record Near(Pt part, List<Pt> middles) {}

    private record Peak(double scale, Pt shift, int votes) {}

    /**
     * @param before how well the lines lie about the parts as it is, of how well with the
     *     correction
     */
    public record Found(Correction correction, double before) {}

    private SilkFit() {}

    /** By path, the silk that would lie on its parts only when moved. */
    public static Map<String, Found> find(PackFacts pack, Collection<SourceFile> files) {
        Map<String, Found> found = new LinkedHashMap<>();
        for (SourceFile f : files) {
            Picture p = pack.picture(f.path());
            if (p != null && f.role().kind() == Role.Kind.SILK) {
                Side side = f.role().side().orElseThrow();
                List<PlacedPart> parts =
                        pack.placed().stream().filter(x -> x.side() == side).toList();
                fit(p, parts).ifPresent(x -> found.put(f.path(), x));
            }
        }
        return found;
    }

    private static Optional<Found> fit(Picture p, List<PlacedPart> parts) {
        List<Near> all = new ArrayList<>();
        int step = Math.max(1, (parts.size() + MOST_PARTS - 1) / MOST_PARTS);
        for (int i = 0; i < parts.size(); i += step) {
            List<Pt> middles = middles(p, parts.get(i).at());
            if (!middles.isEmpty()) {
                all.add(new Near(parts.get(i).at(), middles));
            }
        }
        if (all.size() < FEWEST_PARTS) {
            return Optional.empty();
        }
        int asItIs = peak(all, 1, STILL_NM).votes;
        Peak best = null;
        int steps = (int) Math.round(MOST_SCALE / SCALE_STEP);
        for (int i = -steps; i <= steps; i++) {
            Peak found = peak(all, 1 + i * SCALE_STEP, CELLS * CELL_NM);
            best = best == null || found.votes > best.votes ? found : best;
        }
        if (best.votes < CLEARLY * asItIs) {
            return Optional.empty();
        }
        Pt shift = best.shift.distance(Pt.ORIGIN) < STILL_NM ? Pt.ORIGIN : best.shift;
        return Optional.of(
                new Found(
                        new Correction(false, 0, best.scale, shift), (double) asItIs / best.votes));
    }

    /** Where most votes lie for a scale: the shift that then brings lines about their parts. */
    private static Peak peak(List<Near> all, double scale, double reachNm) {
        int[][] votes = new int[2 * CELLS + 3][2 * CELLS + 3];
        for (Near n : all) {
            for (Pt m : n.middles) {
                long x = Math.round((n.part.x() - scale * m.x()) / CELL_NM) + CELLS + 1;
                long y = Math.round((n.part.y() - scale * m.y()) / CELL_NM) + CELLS + 1;
                if (x > 0 && y > 0 && x <= 2 * CELLS + 1 && y <= 2 * CELLS + 1) {
                    votes[(int) x][(int) y]++;
                }
            }
        }
        int reach = (int) (reachNm / CELL_NM);
        Peak best = new Peak(scale, Pt.ORIGIN, 0);
        for (int x = -reach; x <= reach; x++) {
            for (int y = -reach; y <= reach; y++) {
                int sum = 0;
                for (int k = 0; k < 9; k++) {
                    sum += votes[x + CELLS + k % 3][y + CELLS + k / 3];
                }
                if (sum > best.votes) {
                    Pt shift = new Pt(Math.round(x * CELL_NM), Math.round(y * CELL_NM));
                    best = new Peak(scale, shift, sum);
                }
            }
        }
        return best;
    }

    /** Designators stand beside their parts, always on the same side: they would outvote lines. */
    private static boolean isLetter(Blob b) {
        double high = Math.max(b.widthNm(), b.heightNm());
        return high <= LARGEST_LETTER_NM && Math.min(b.widthNm(), b.heightNm()) >= 0.35 * high;
    }

    /**
     * Places half way between two dark ones of lines near a part, where it is clear itself:
     * lettering aside.
     */
    private static List<Pt> middles(Picture p, Pt at) {
        long step = Math.max(1, Math.round(2 * p.grid().pixelNm()));
        List<Pt> dark = new ArrayList<>();
        for (long dx = -REACH_NM; dx <= REACH_NM; dx += step) {
            for (long dy = -REACH_NM; dy <= REACH_NM; dy += step) {
                Pt q = new Pt(at.x() + dx, at.y() + dy);
                int piece = p.blobs().at(q);
                if (piece >= 0 && !isLetter(p.blobs().all().get(piece))) {
                    dark.add(q);
                }
            }
        }
        int stride = Math.max(1, dark.size() / MOST_PIXELS);
        List<Pt> middles = new ArrayList<>();
        for (int i = 0; i < dark.size(); i += stride) {
            for (int k = i + stride; k < dark.size(); k += stride) {
                Pt m = dark.get(i).middle(dark.get(k));
                // Between two places of one line lies that line: that says nothing of a middle.
                if (!p.ink().at(m)) {
                    middles.add(m);
                }
            }
        }
        return middles;
    }
}
