package dev.lastcut.core.stencil.openings;

import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.index.strtree.GeometryItemDistance;
import org.locationtech.jts.index.strtree.STRtree;

/** What foil or change would mend openings that keep their paste. */
public final class FoilAdvice {
    /** Pads as large as this want more paste than a thin foil gives (common practice). */
    private static final double LARGE_NM2 = 3e12;

    /** How far from a step the next opening lies, as a multiple of the step (from memory). */
    private static final double STEPS_AWAY = 36;

    private FoilAdvice() {}

    /**
     * @param foils those that can be had, mm; may be empty
     */
    public static List<String> of(List<Stencil> stencils, double foilMm, List<Double> foils) {
        Release release = new Release(foilMm);
        double most = Double.MAX_VALUE;
        int fails = 0;
        boolean others = false;
        TreeSet<String> parts = new TreeSet<>(Designators.ORDER);
        List<StencilOpening> fine = new ArrayList<>();
        List<StencilOpening> large = new ArrayList<>();
        for (Stencil s : stencils) {
            for (StencilOpening o : s.cut()) {
                boolean bad = release.of(o).stream().anyMatch(Release.Pane::fails);
                if (bad) {
                    fails++;
                    fine.add(o);
                    others |= o.part().isEmpty();
                    if (!o.part().isEmpty()) {
                        parts.add(o.part());
                    }
                    for (Release.Pane p : release.of(o)) {
                        most = Math.min(most, p.mostFoilMm());
                    }
                }
                if (o.after().getArea() > LARGE_NM2) {
                    large.add(o);
                }
            }
        }
        List<String> all = new ArrayList<>();
        if (fails == 0) {
            return all;
        }
        double need = most;
        all.add(
                String.format(
                        Locale.ROOT,
                        "%d %s: of %s the paste does not leave a foil of %s mm. It leaves one of"
                                + " %.3f mm or thinner.",
                        fails,
                        fails == 1 ? "opening fails" : "openings fail",
                        named(parts, others),
                        Length.shortMm(foilMm),
                        Math.floor(need * 1000) / 1000));
        Optional<Double> thinner =
                foils.stream().filter(f -> f <= need).max(Comparator.naturalOrder());
        thinner.ifPresentOrElse(
                f ->
                        all.add(
                                "Of the foils that can be had, "
                                        + Length.shortMm(f)
                                        + " mm would do."),
                () -> {
                    if (!foils.isEmpty()) {
                        all.add(
                                "None of the foils that can be had is thin enough: make these"
                                        + " openings larger, or take nothing off them.");
                    }
                });
        step(fine, large, foilMm, need).ifPresent(all::add);
        return all;
    }

    private static String named(TreeSet<String> parts, boolean others) {
        String named = Designators.fold(parts);
        return others ? (named.isEmpty() ? "" : named + " and ") + "pads of no known part" : named;
    }

    /** Where fine openings lie beside large ones, one thickness cannot serve both. */
    private static Optional<String> step(
            List<StencilOpening> fine, List<StencilOpening> large, double foilMm, double need) {
        if (large.isEmpty()) {
            return Optional.empty();
        }
        STRtree tree = new STRtree();
        large.forEach(l -> tree.insert(l.after().getEnvelopeInternal(), l.after()));
        double apart = Double.MAX_VALUE;
        for (StencilOpening f : fine) {
            Geometry here = f.after();
            Geometry nearest =
                    (Geometry)
                            tree.nearestNeighbour(
                                    here.getEnvelopeInternal(), here, new GeometryItemDistance());
            apart = Math.min(apart, here.distance(nearest));
        }
        double step = foilMm - need;
        double clear = STEPS_AWAY * step;
        boolean room = apart / 1e6 >= clear;
        return Optional.of(
                String.format(
                        Locale.ROOT,
                        "%d large openings want a thicker foil. A foil of %s mm stepped down to"
                                + " %.2f mm about the fine ones needs %.1f mm from the step to the"
                                + " next opening (IPC-7525, from memory: 36 times the step); the"
                                + " nearest large one is %.1f mm away, %s.",
                        large.size(),
                        Length.shortMm(foilMm),
                        Math.floor(need * 100) / 100,
                        clear,
                        apart / 1e6,
                        room ? "so a step fits" : "so a step does not fit: take the thinner foil"));
    }
}
