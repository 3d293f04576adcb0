package dev.lastcut.core.intake.roles;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.tables.Look;
import dev.lastcut.core.intake.tables.OpenPads;
import dev.lastcut.core.intake.tables.SideWords;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.ItemBoundable;
import org.locationtech.jts.index.strtree.STRtree;

/** What lies about a part on its own side, once it is known which picture is of which side. */
public final class SidedLook implements Look, SideWords.Pads {
    private static final double LEAST_REACH_NM = 900_000;
    private static final double MOST_REACH_NM = 5_000_000;
    private static final int STEPS = 24;
    private static final Pattern SAME_TURNED = Pattern.compile("(?:R|C|L|FB|RN|JP)\\d.*");

    private final PackFacts pack;
    private final Map<Side, OpenPads> pads = new EnumMap<>(Side.class);
    private final Map<Side, Map<Role.Kind, Picture>> drawn = new EnumMap<>(Side.class);
    private final Map<String, Double> reach = new HashMap<>();

    public SidedLook(PackFacts pack, Collection<SourceFile> files) {
        this.pack = pack;
        for (Side side : Side.values()) {
            List<OpenPads.Opening> open = new ArrayList<>();
            Map<Role.Kind, Picture> pictures = new EnumMap<>(Role.Kind.class);
            double step = 0;
            for (SourceFile f : files) {
                Picture p = pack.picture(f.path());
                boolean own = p != null && f.role().side().filter(s -> s == side).isPresent();
                if (own && PadContent.isOpening(f.role())) {
                    open.addAll(pack.openings(p));
                    step = p.grid().pixelNm();
                }
                if (own && f.role().kind() != Role.Kind.COPPER) {
                    pictures.put(f.role().kind(), p);
                }
            }
            pads.put(side, new OpenPads(open, pack.usual(), step));
            drawn.put(side, pictures);
        }
    }

    /** Whether two surface pads of the side face each other across a part's middle. */
    @Override
    public boolean hasPads(PlacedPart part, Side side) {
        return pads.get(side).hasPair(part.at(), pack::isSurface);
    }

    private static double distance(ItemBoundable a, ItemBoundable b) {
        return ((PlacedPart) a.getItem()).at().distance(((PlacedPart) b.getItem()).at());
    }

    /** How far about each of these parts its own lines reach: half way to its neighbour. */
    public void among(List<PlacedPart> parts) {
        for (Side side : Side.values()) {
            STRtree tree = new STRtree();
            List<PlacedPart> own = parts.stream().filter(p -> p.side() == side).toList();
            own.forEach(p -> tree.insert(new Envelope(p.at().coordinate()), p));
            for (PlacedPart p : own) {
                double least = 2 * MOST_REACH_NM;
                Object[] nearest =
                        tree.nearestNeighbour(
                                new Envelope(p.at().coordinate()), p, SidedLook::distance, 2);
                for (Object o : nearest) {
                    least =
                            o == p
                                    ? least
                                    : Math.min(least, ((PlacedPart) o).at().distance(p.at()));
                }
                reach.put(p.designator(), Math.max(LEAST_REACH_NM, least / 2));
            }
        }
    }

    /**
     * The ink both have in the same place about them, against all that either has. Resistors,
     * ceramic capacitors and coils are the same turned by half, and what differs about them is
     * lettering: they are not judged.
     */
    @Override
    public double likeness(PlacedPart a, double angleA, PlacedPart b, double angleB) {
        if (SAME_TURNED.matcher(a.designator()).matches()) {
            return Double.NaN;
        }
        double r =
                Math.min(
                        reach.getOrDefault(a.designator(), LEAST_REACH_NM),
                        reach.getOrDefault(b.designator(), LEAST_REACH_NM));
        int both = 0;
        int any = 0;
        for (int i = -STEPS; i <= STEPS; i++) {
            for (int k = -STEPS; k <= STEPS; k++) {
                Pt v = new Pt(Math.round(r * i / STEPS), Math.round(r * k / STEPS));
                int inkA = ink(Look.placed(v, a, angleA), a.side());
                int inkB = ink(Look.placed(v, b, angleB), b.side());
                both += Integer.bitCount(inkA & inkB);
                any += Integer.bitCount(inkA | inkB);
            }
        }
        return any == 0 ? Double.NaN : (double) both / any;
    }

    /** A bit for each kind of picture with ink at a place. */
    private int ink(Pt at, Side side) {
        int bits = 0;
        for (Map.Entry<Role.Kind, Picture> e : drawn.get(side).entrySet()) {
            bits |= e.getValue().ink().at(at) ? 1 << e.getKey().ordinal() : 0;
        }
        return bits;
    }
}
