package dev.lastcut.core.strip;

import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import java.util.Optional;

/**
 * A circuit laid out on a shop's strip board.
 *
 * @param stock the board as it is bought
 * @param proposed whether the plan is the computer's
 */
public record StripLayout(
        StripCircuit circuit,
        StripTerms terms,
        StripTerms.Stock stock,
        StripPlan plan,
        boolean proposed) {
    /** The layout a board was made of; empty for boards with pictures. */
    public static Optional<StripLayout> of(BoardGeometry geometry) {
        return geometry.once(StripLayout.class, Optional::<StripLayout>empty);
    }

    /** Marks a board as made of this layout, before anything else is asked of it. */
    BoardGeometry attachTo(BoardGeometry geometry) {
        geometry.once(StripLayout.class, () -> Optional.of(this));
        return geometry;
    }

    public StripCopper copper() {
        return new StripCopper(plan, stock.gaps());
    }

    /** The place of a hole on the board: x along the strips, y upwards, strip 0 at the top. */
    public Pt at(GridHole h) {
        return new Pt(
                h.hole() * terms.pitchNm(), (plan.strips() - 1L - h.strip()) * terms.pitchNm());
    }

    public double pitchMm() {
        return terms.pitchNm() / 1e6;
    }

    /** The part of a placed designator. */
    public Optional<StripPart> part(String designator) {
        return Optional.ofNullable(circuit.parts().get(designator));
    }
}
