package dev.lastcut.server.api;

import dev.lastcut.server.ticket.StencilJson;
import java.util.List;

/**
 * The stencils of a job as they will be cut.
 *
 * @param foils those the shop offers, mm
 * @param foilMm the one that is taken
 * @param plan what is chosen
 * @param align rings of the holes for pins beside the board, nm
 * @param advice what foil or change would mend openings that fail, in sentences
 */
record StencilView(
        double foilMm,
        List<Double> foils,
        StencilJson plan,
        List<StencilSideView> sides,
        List<StencilKindView> packages,
        List<double[]> align,
        List<String> advice,
        List<String> remarks) {
    /** One side: how many openings, panes, and how many of these release no paste. */
    record StencilSideView(
            String side,
            boolean fromPads,
            int openings,
            int panes,
            double areaMm2,
            double leastAreaRatio,
            double leastAspect,
            List<OpeningView> all) {}

    /**
     * One opening; rings in nm.
     *
     * @param mostFoilMm the thickest foil that the worst pane of it releases from; 0 when left out
     */
    record OpeningView(
            String part,
            String footprint,
            long x,
            long y,
            List<double[]> before,
            List<double[]> after,
            boolean changed,
            boolean leftOut,
            boolean fails,
            double areaRatio,
            double aspect,
            double mostFoilMm,
            String refused) {}

    /** The openings of a package: how many, how many fail, and the area before and after. */
    record StencilKindView(
            String name, int openings, int fails, double beforeMm2, double afterMm2) {}
}
