package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.geometry.Pt;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/** The box about the pad of a pin. */
public final class PadBox {
    /** What is flashed farther from the pin than this is not its pad. */
    private static final double BESIDE_NM = 50_000;

    private PadBox() {}

    /** Empty where nothing is flashed at the pin: then only its place is known. */
    public static Optional<Envelope> of(BoardGeometry geometry, NetReference.Anchor pin) {
        CopperNode node = geometry.nets().nodes().get(pin.node());
        if (isPad(node, pin.point().at())) {
            return Optional.of(node.envelope());
        }
        // A pour may lie over the pad, and be what the pin was found on.
        return geometry.nets().at(node.layer(), pin.point().at()).stream()
                .filter(n -> isPad(n, pin.point().at()))
                .findFirst()
                .map(CopperNode::envelope);
    }

    private static boolean isPad(CopperNode node, Pt pin) {
        return node.feature() instanceof Feature.Flash
                && node.envelope().centre().distance(pin.coordinate()) < BESIDE_NM;
    }
}
