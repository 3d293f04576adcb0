package dev.lastcut.core.milling;

import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.capability.Mill;
import dev.lastcut.core.geometry.Geo;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/**
 * Cuts the openings of a stencil with the widest flat tool that enters them all, else the finest.
 * The centre stays half the tool inside each opening, so the opening comes out in its size.
 *
 * @param program empty when nothing can be cut
 * @param tooNarrow openings the tool does not enter
 */
public record StencilCut(Optional<Program> program, List<Polygon> tooNarrow) {
    /** Thickness of the foil when nobody says (common practice: 5 mil). */
    public static final long FOIL_NM = 127_000;

    private static final double CHORD_NM = 500;

    /** How far below the foil the tool goes. */
    private static final double BELOW_NM = 100_000;

    /** An opening counts as cut when its area comes out to this share. */
    private static final double SHARE = 0.9;

    /**
     * @param openings the areas to cut out, nm
     * @param extent what program zero is at the lower left of
     */
    public static StencilCut of(Geometry openings, Side side, Envelope extent, Mill mill) {
        List<Cutter> tools =
                mill.rack().stream()
                        .filter(c -> c.kind() == Cutter.Kind.FLAT)
                        .sorted(Comparator.comparingLong(c -> -c.diameter()))
                        .toList();
        StencilCut best = new StencilCut(Optional.empty(), Geo.polygons(openings));
        for (Cutter c : tools) {
            best = with(c, openings, side, extent, mill);
            if (best.tooNarrow.isEmpty()) {
                break;
            }
        }
        return best;
    }

    private static StencilCut with(
            Cutter tool, Geometry openings, Side side, Envelope extent, Mill mill) {
        double r = tool.diameter() / 2.0;
        List<ToolPath> paths = new ArrayList<>();
        List<Polygon> narrow = new ArrayList<>();
        List<Double> depths = ContourCut.passes(FOIL_NM + BELOW_NM, tool.depthPerPass());
        for (Polygon opening : Geo.polygons(openings)) {
            Geometry centres = Geo.offset(opening, -r, CHORD_NM);
            double cut = Geo.offset(centres, r, CHORD_NM).getArea();
            if (centres.isEmpty() || cut < SHARE * opening.getArea()) {
                narrow.add(opening);
                continue;
            }
            for (Polygon p : Geo.polygons(centres)) {
                LineString ring = p.getExteriorRing();
                paths.add(ContourCut.plain(ring, depths));
            }
        }
        if (paths.isEmpty()) {
            return new StencilCut(Optional.empty(), narrow);
        }
        String file = "stencil-" + side.word() + ".nc";
        List<ToolPath> ordered = TravelOrder.visits(paths);
        Operation o =
                new Operation(
                        file,
                        Operation.Kind.STENCIL,
                        side,
                        tool,
                        mill.rack().indexOf(tool) + 1,
                        FOIL_NM + BELOW_NM,
                        0,
                        ProgramToBoardTransform.seenFrom(
                                Side.TOP, MillSetup.FlipAxis.UPRIGHT, extent),
                        ordered,
                        Duration.minutes(ordered, tool, mill));
        return new StencilCut(Optional.of(new Program(file, side, List.of(o))), narrow);
    }
}
