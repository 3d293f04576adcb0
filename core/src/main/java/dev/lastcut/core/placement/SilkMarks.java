package dev.lastcut.core.placement;

import dev.lastcut.core.board.Feature;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.geometry.Segment;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * Marks of the silk that tell the two ends of a part apart: a bar across one end of a diode, a plus
 * at one end of a capacitor (common practice, no source). Only what is straight is looked at, and
 * what stands alike at both ends tells nothing.
 */
final class SilkMarks {
    /** Directions this far apart are still the same, radians. */
    private static final double ALIKE_RAD = Math.toRadians(8);

    /** Two bars are mirror images of each other when they differ by less, nm. */
    private static final double ALIKE_NM = 120_000;

    private static final double LEAST_BAR_NM = 400_000;

    /** A bar is no longer than a part is, by this share; longer lines are a neighbour's. */
    private static final double LONGEST_BAR = 1.2;

    /** The middle of a bar lies on the line between the pads. */
    private static final double OFF_AXIS_NM = 200_000;

    private static final double LEAST_ARM_NM = 250_000;
    private static final double GREATEST_ARM_NM = 3_000_000;

    /** So far beyond its pads a mark still belongs to the part. */
    private static final double REACH_NM = 1_500_000;

    private final Map<Side, STRtree> lines = new EnumMap<>(Side.class);

    private SilkMarks(BoardGeometry geometry) {
        for (Side side : Side.values()) {
            STRtree tree = new STRtree();
            geometry.board()
                    .layer(Role.Kind.SILK, side)
                    .map(Layer::features)
                    .orElse(List.of())
                    .forEach(
                            f -> {
                                if (f instanceof Feature.Stroke s
                                        && s.dark()
                                        && s.path() instanceof Segment.Line p) {
                                    Line l = new Line(p.from(), p.to());
                                    tree.insert(new Envelope(l.middle().coordinate()), l);
                                }
                            });
            tree.build();
            lines.put(side, tree);
        }
    }

    static SilkMarks of(BoardGeometry geometry) {
        record Key() {}
        return geometry.once(new Key(), () -> new SilkMarks(geometry));
    }

    private record Line(Pt from, Pt to) {
        double length() {
            return from.distance(to);
        }

        Pt middle() {
            return from.middle(to);
        }

        double angle() {
            return Math.atan2(to.y() - from.y(), to.x() - from.x());
        }
    }

    /**
     * At which of two pads a bar lies across a part, which the other has not; true for the first.
     * Empty where neither has one, or both have.
     */
    Optional<Boolean> bar(Side side, Pt a, Pt b) {
        Axis axis = new Axis(a, b);
        List<Double> bars = new ArrayList<>();
        for (Line l : near(side, a, b)) {
            double u = axis.along(l.middle());
            double across = Math.abs(axis.across(l.middle()));
            boolean crosses =
                    l.length() >= LEAST_BAR_NM
                            && l.length() <= axis.length * LONGEST_BAR
                            && across < OFF_AXIS_NM
                            && apart(l.angle(), axis.angle + Math.PI / 2) < ALIKE_RAD;
            if (crosses && Math.abs(u) > axis.length / 10) {
                bars.add(u);
            }
        }
        List<Double> alone =
                bars.stream()
                        .filter(u -> bars.stream().noneMatch(o -> Math.abs(o + u) < ALIKE_NM))
                        .toList();
        boolean first = alone.stream().anyMatch(u -> u < 0);
        boolean second = alone.stream().anyMatch(u -> u > 0);
        return first == second ? Optional.empty() : Optional.of(first);
    }

    /** At which of two pads a plus is drawn; true for the first, empty for none or both. */
    Optional<Boolean> plus(Side side, Pt a, Pt b) {
        Axis axis = new Axis(a, b);
        boolean first = false;
        boolean second = false;
        List<Line> near = near(side, a, b);
        for (int i = 0; i < near.size(); i++) {
            for (int j = i + 1; j < near.size(); j++) {
                if (isPlus(near.get(i), near.get(j))) {
                    double u = axis.along(near.get(i).middle());
                    first |= u < -axis.length / 10;
                    second |= u > axis.length / 10;
                }
            }
        }
        return first == second ? Optional.empty() : Optional.of(first);
    }

    private static boolean isPlus(Line one, Line other) {
        double long1 = one.length();
        double long2 = other.length();
        return long1 >= LEAST_ARM_NM
                && long1 <= GREATEST_ARM_NM
                && Math.abs(long1 - long2) < 0.2 * long1
                && one.middle().distance(other.middle()) < 0.15 * long1
                && apart(one.angle(), other.angle() + Math.PI / 2) < ALIKE_RAD;
    }

    private List<Line> near(Side side, Pt a, Pt b) {
        Envelope window = new Envelope(a.coordinate(), b.coordinate());
        window.expandBy(REACH_NM);
        List<Line> all = new ArrayList<>();
        for (Object o : lines.get(side).query(window)) {
            all.add((Line) o);
        }
        return all;
    }

    /** How far two directions of lines are apart, 0 to a quarter turn. */
    private static double apart(double a, double b) {
        double d = Math.abs(a - b) % Math.PI;
        return Math.min(d, Math.PI - d);
    }

    /** From the first pad to the second, with nothing at the middle between them. */
    private static final class Axis {
        private final double angle;
        private final double length;
        private final double x;
        private final double y;

        Axis(Pt a, Pt b) {
            angle = Math.atan2(b.y() - a.y(), b.x() - a.x());
            length = a.distance(b);
            x = (a.x() + b.x()) / 2.0;
            y = (a.y() + b.y()) / 2.0;
        }

        double along(Pt p) {
            return (p.x() - x) * Math.cos(angle) + (p.y() - y) * Math.sin(angle);
        }

        double across(Pt p) {
            return (p.y() - y) * Math.cos(angle) - (p.x() - x) * Math.sin(angle);
        }
    }
}
