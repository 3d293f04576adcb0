package dev.lastcut.core.assembly;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.CopperNode;
import dev.lastcut.core.connectivity.NetReference;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.locationtech.jts.geom.Envelope;

/**
 * Parts as plain boxes: as wide and long as their pads, and of a height that parts of that size
 * usually have (common practice, no source). They show what stands over the edge or on the wrong
 * side, not what the part looks like.
 */
public final class PartBodies {
    /**
     * A box on one side of the board; lengths in nm.
     *
     * @param guessed true when no pad is known to be the part's, so that a usual size was taken
     */
    public record Body(
            String designator,
            Side side,
            Envelope box,
            double heightNm,
            boolean throughHole,
            boolean guessed) {}

    private static final double USUAL_NM = 1_500_000;

    private PartBodies() {}

    private static final class Found {
        private final Envelope box = new Envelope();
        private boolean throughHole;
        private Side side = Side.TOP;
    }

    public static List<Body> of(BoardGeometry geometry) {
        Map<String, Found> parts = new TreeMap<>();
        List<NetReference.Anchor> anchors =
                geometry.reference().map(NetReference::anchors).orElse(List.of());
        for (NetReference.Anchor a : anchors) {
            if (a.point().isPin()) {
                Found f = parts.computeIfAbsent(a.point().component(), k -> new Found());
                CopperNode node = geometry.nets().nodes().get(a.node());
                f.throughHole |= a.point().hole();
                a.point().access().ifPresent(s -> f.side = s);
                // A pour can cover a pad; then the pad's place has to do.
                boolean pad = node.feature() instanceof Feature.Flash;
                f.box.expandToInclude(
                        pad ? node.envelope() : new Envelope(a.point().at().coordinate()));
            }
        }
        List<Body> bodies = new ArrayList<>();
        for (PlacedPart p : geometry.board().placements().orElse(List.of())) {
            Found f = parts.remove(p.designator());
            if (f == null) {
                Envelope box = new Envelope(p.at().coordinate());
                box.expandBy(USUAL_NM / 2);
                bodies.add(body(p.designator(), p.side(), box, false, true));
            } else {
                bodies.add(body(p.designator(), p.side(), f.box, f.throughHole, false));
            }
        }
        if (geometry.board().placements().isEmpty()) {
            parts.forEach((name, f) -> bodies.add(body(name, f.side, f.box, f.throughHole, false)));
        }
        return bodies;
    }

    private static Body body(
            String name, Side side, Envelope box, boolean throughHole, boolean guessed) {
        double least = Math.min(box.getWidth(), box.getHeight());
        double height =
                throughHole
                        ? Math.min(9e6, Math.max(2e6, 0.9 * least))
                        : Math.min(3e6, Math.max(0.35e6, 0.45 * least));
        return new Body(name, side, box, height, throughHole, guessed);
    }
}
