package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.geometry.Pt;
import java.util.List;
import org.locationtech.jts.geom.Envelope;

/** What parts are laid on. */
interface PlacementReference extends Look {
    /** Fewer parts than this prove nothing. */
    int FEWEST = 3;

    /** The box about all that parts could lie on. */
    Envelope extent();

    /** Whether a part's place can be judged at all. */
    boolean knows(PlacedPart part);

    /** Whether a part would lie on pads of its own at a place. */
    boolean holds(PlacedPart part, Pt at);

    /** Where the table's origin could lie, the likeliest first, for parts at raw places. */
    List<Pt> origins(List<PlacedPart> parts, List<Pt> raw);
}
