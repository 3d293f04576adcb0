package dev.lastcut.core.capability;

import java.util.List;
import java.util.Optional;

/**
 * A desktop mill: its rack and its habits. Lengths in nm.
 *
 * @param stockThickness thickness of the stock it is set up for
 * @param drillTolerance how far a drill may differ from the wanted hole
 * @param isolationDepth how deep isolation cuts into the surface
 * @param isolationPasses how many times each contour is widened
 * @param passOverlap share of a pass that the next one covers again, 0 to under 1
 * @param breakthrough how far drills and contours go below the stock
 */
public record Mill(
        List<Cutter> rack,
        long stockThickness,
        long safeHeight,
        long drillTolerance,
        long isolationDepth,
        int isolationPasses,
        double passOverlap,
        long breakthrough,
        int tabs,
        long tabWidth,
        long tabHeight,
        double rapidMmPerMin) {
    public Mill {
        rack = List.copyOf(rack);
        if (isolationPasses < 1 || isolationPasses > 20) {
            throw new IllegalArgumentException("isolationPasses must be 1 to 20");
        }
        if (!(passOverlap >= 0 && passOverlap < 1)) {
            throw new IllegalArgumentException("passOverlap must be from 0 to under 1");
        }
        if (isolationDepth <= 0 || safeHeight <= 0 || stockThickness <= 0) {
            throw new IllegalArgumentException("depths, heights and stock must be above 0");
        }
    }

    /** The V tool with the narrowest cut at the isolation depth. */
    public Optional<Cutter> isolationCutter() {
        return rack.stream()
                .filter(c -> c.kind() == Cutter.Kind.V)
                .min(
                        (a, b) ->
                                Double.compare(
                                        a.widthAt(isolationDepth), b.widthAt(isolationDepth)));
    }

    /** The widest flat tool: for contours. */
    public Optional<Cutter> contourCutter() {
        return rack.stream()
                .filter(c -> c.kind() == Cutter.Kind.FLAT)
                .max((a, b) -> Long.compare(a.diameter(), b.diameter()));
    }

    /** The drill nearest to a diameter, if one is within the tolerance. */
    public Optional<Cutter> drillFor(long diameter) {
        return nearestDrill(diameter)
                .filter(c -> Math.abs(c.diameter() - diameter) <= drillTolerance);
    }

    public Optional<Cutter> nearestDrill(long diameter) {
        return rack.stream()
                .filter(c -> c.kind() == Cutter.Kind.DRILL)
                .min(
                        (a, b) ->
                                Long.compare(
                                        Math.abs(a.diameter() - diameter),
                                        Math.abs(b.diameter() - diameter)));
    }
}
