package dev.lastcut.core.connectivity;

import dev.lastcut.core.board.Feature;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/** The box about the pad of a pin. */
public final class PadBox {
    /** What is flashed farther from the pin than this is not its pad. */
    private static final double BESIDE_NM = 50_000;

    private PadBox() {}

    /** Empty where a pour or a via covers the pad: then only the pin's place is known. */
    public static Optional<Envelope> of(BoardGeometry geometry, NetReference.Anchor pin) {
        CopperNode node = geometry.nets().nodes().get(pin.node());
        boolean pad =
                node.feature() instanceof Feature.Flash
                        && node.envelope().centre().distance(pin.point().at().coordinate())
                                < BESIDE_NM;
        return pad ? Optional.of(node.envelope()) : Optional.empty();
    }
}
