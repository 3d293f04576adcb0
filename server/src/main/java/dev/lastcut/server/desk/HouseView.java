package dev.lastcut.server.desk;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.Assembly.ZeroOrientation;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.placement.UnrotatedPins;
import dev.lastcut.core.placement.ZeroTurn;
import dev.lastcut.server.orders.DeskParts.DeskPlaced;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.locationtech.jts.geom.Coordinate;

/**
 * Parts as a house would fit them: where the placement table says, pin 1 where the house has it at
 * 0°, turned on by the rotation of the table. The board's own pin 1 may lie elsewhere.
 */
final class HouseView {
    /** How far the mark of pin 1 lies within the edges, as a share of the shorter side. */
    private static final double IN = 0.14;

    private final Map<String, PartBodies.Body> bodies = new LinkedHashMap<>();
    private final List<Part> parts;
    private final PartPins pins;
    private final Optional<ZeroOrientation> zero;

    /**
     * One part.
     *
     * @param pinOne where the house would put it; empty where it cannot tell
     * @param boards where the board has it; empty where nothing names it
     */
    record Fitted(
            DeskPlaced placed,
            PartBodies.Body body,
            Optional<Coordinate> pinOne,
            Optional<Pt> boards) {}

    HouseView(BoardGeometry geometry, Assembly assembly) {
        parts = PlacementTable.fitted(Population.of(geometry.board(), Variants.NONE));
        PartBodies.of(geometry, PartsPlan.NONE).forEach(b -> bodies.put(b.designator(), b));
        pins = PartPins.of(geometry);
        zero = assembly.zeroOrientation();
    }

    List<Fitted> parts() {
        List<Fitted> all = new ArrayList<>();
        for (Part p : parts) {
            PartBodies.Body body = bodies.get(p.designator());
            if (body != null) {
                all.add(fitted(p, body));
            }
        }
        return all;
    }

    private Fitted fitted(Part p, PartBodies.Body body) {
        PlacedPart at = p.placed().orElseThrow();
        Optional<UnrotatedPins> back =
                UnrotatedPins.of(p, at.rotationDeg(), pins.of(p.designator()));
        OptionalDouble turn =
                zero.isPresent() && back.isPresent()
                        ? ZeroTurn.added(zero.get(), back.get())
                        : OptionalDouble.empty();
        Double said = turn.isPresent() ? turn.getAsDouble() : null;
        return new Fitted(
                new DeskPlaced(
                        p.designator(),
                        p.standsOn(),
                        at.side().word(),
                        Length.toMm(at.at().x()),
                        Length.toMm(at.at().y()),
                        at.rotationDeg(),
                        said),
                body,
                turn.isPresent() ? Optional.of(pinOne(at, body)) : Optional.empty(),
                pins.first(p.designator()));
    }

    /** A corner of the body, where the house has pin 1 at 0°, turned as the table says. */
    private Coordinate pinOne(PlacedPart at, PartBodies.Body body) {
        double turned = Math.toRadians(body.angleDeg() - at.rotationDeg());
        boolean across = Math.abs(Math.sin(turned)) > Math.abs(Math.cos(turned));
        // A little within the corner, as the mark on a body is.
        double in = IN * Math.min(body.length(), body.width());
        double mirror = at.side() == Side.BOTTOM ? -1 : 1;
        double below = zero.orElseThrow() == ZeroOrientation.A ? -1 : 1;
        double x = -mirror * ((across ? body.width() : body.length()) / 2 - in);
        double y = below * ((across ? body.length() : body.width()) / 2 - in);
        double a = Math.toRadians(at.rotationDeg());
        return new Coordinate(
                body.centre().x + x * Math.cos(a) - y * Math.sin(a),
                body.centre().y + x * Math.sin(a) + y * Math.cos(a));
    }
}
