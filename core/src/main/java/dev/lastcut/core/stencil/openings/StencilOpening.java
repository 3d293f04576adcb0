package dev.lastcut.core.stencil.openings;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import org.locationtech.jts.geom.Geometry;

/**
 * One opening of a stencil.
 *
 * @param drawn what drew it; empty for one that is made from a pad
 * @param before as it was drawn, nm
 * @param after as it will be cut, in as many panes as it has; empty when it is left out
 * @param part the part whose pad it lies on; "" where nothing tells
 * @param footprint of that part
 * @param refused what of the plan could not be done to it; "" when all was
 */
public record StencilOpening(
        List<Feature> drawn,
        Geometry before,
        Geometry after,
        String part,
        String footprint,
        String refused) {
    public boolean isChanged() {
        return before != after;
    }

    public boolean isLeftOut() {
        return after.isEmpty();
    }

    /** A place in it. */
    public Pt at() {
        return Pt.of(before.getEnvelopeInternal().centre());
    }
}
