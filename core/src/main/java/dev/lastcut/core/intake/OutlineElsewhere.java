package dev.lastcut.core.intake;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.intake.picture.Loops;
import dev.lastcut.core.intake.picture.Loops.Loop;
import dev.lastcut.core.intake.reading.Reading;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/**
 * The board's edge where no file is an outline: a closed line about all pads and holes that is
 * drawn in copper or silk pictures, or among the lines of a dimension drawing.
 */
final class OutlineElsewhere {
    private static final double OVER_NM = 300_000;

    /** An edge leaves at most this share of pads and holes outside. */
    private static final double OUTSIDE = 0.02;

    /** A frame about a drawing is so many times larger than what is drawn. */
    private static final double FRAME = 4;

    /** Edges of one size in several pictures are one edge. */
    private static final double SAME_NM = 100_000;

    /**
     * @param lines of the edge and of cut-outs drawn with the same line
     * @param others how many further closed lines go about all pads: the board's edge or a frame
     */
    record Found(String path, List<Feature> lines, int others) {}

    private OutlineElsewhere() {}

    static Optional<Found> find(Map<String, Reading> readings) {
        List<Pt> places = new ArrayList<>();
        Envelope pads = new Envelope();
        readings.values()
                .forEach(
                        r -> {
                            if (r instanceof Reading.Gerber g) {
                                g.file()
                                        .features()
                                        .forEach(
                                                f -> {
                                                    if (f instanceof Feature.Flash x) {
                                                        places.add(x.at());
                                                    }
                                                });
                            } else if (r instanceof Reading.Drill d) {
                                d.file().places().stream().map(Hole::middle).forEach(places::add);
                            }
                        });
        if (places.isEmpty()) {
            return Optional.empty();
        }
        places.forEach(p -> pads.expandToInclude(p.coordinate()));
        List<Candidate> all = new ArrayList<>();
        readings.forEach(
                (path, r) -> {
                    if (r instanceof Reading.Gerber g) {
                        for (Loop l : Loops.of(g.file().features())) {
                            if (goesAbout(l, places, pads)) {
                                all.add(new Candidate(path, l));
                            }
                        }
                    }
                });
        if (all.isEmpty()) {
            return Optional.empty();
        }
        all.sort(
                Comparator.comparingDouble((Candidate c) -> c.loop.box().getArea())
                        .thenComparing(Candidate::path));
        Candidate first = all.get(0);
        long others =
                all.stream()
                        .map(c -> c.loop.box())
                        .filter(b -> !isSame(b, first.loop.box()))
                        .map(
                                b ->
                                        Math.round(b.getWidth() / SAME_NM)
                                                + " "
                                                + Math.round(b.getHeight() / SAME_NM))
                        .distinct()
                        .count();
        return Optional.of(new Found(first.path, lines(first, readings), (int) others));
    }

    private record Candidate(String path, Loop loop) {}

    private static boolean isSame(Envelope a, Envelope b) {
        return Math.abs(a.getMinX() - b.getMinX()) < SAME_NM
                && Math.abs(a.getMaxX() - b.getMaxX()) < SAME_NM
                && Math.abs(a.getMinY() - b.getMinY()) < SAME_NM
                && Math.abs(a.getMaxY() - b.getMaxY()) < SAME_NM;
    }

    private static boolean goesAbout(Loop l, List<Pt> places, Envelope pads) {
        Envelope box = l.box();
        box.expandBy(OVER_NM);
        if (box.getArea() > FRAME * Math.max(1, pads.getArea())) {
            return false;
        }
        long out = places.stream().filter(p -> !box.contains(p.coordinate())).count();
        return out <= OUTSIDE * places.size();
    }

    /** The edge, and closed lines of its width within it that are no edge themselves. */
    private static List<Feature> lines(Candidate c, Map<String, Reading> readings) {
        List<Feature> all = new ArrayList<>(c.loop.strokes());
        Reading.Gerber g = (Reading.Gerber) readings.get(c.path);
        for (Loop l : Loops.of(g.file().features())) {
            boolean within = c.loop.box().contains(l.box()) && !isSame(l.box(), c.loop.box());
            if (within && l.widthNm() == c.loop.widthNm()) {
                all.addAll(l.strokes());
            }
        }
        return all;
    }
}
