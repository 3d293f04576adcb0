package dev.lastcut.core.intake;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/**
 * Recognises the habits of placement tables by laying them on the pads: another unit, another
 * origin, bottom parts given as seen from below, and bottom rotations counted the other way.
 */
final class PlacementFit {
    private static final double NEAR_NM = 400_000;
    private static final double LEAST = 0.7;
    private static final double[] UNITS = {
        1, Length.NM_PER_MIL / (double) Length.NM_PER_MM, 25.4, 1 / 25.4, 1e-3
    };

    /** The parts as they lie on the copper, and what had to be done to them. */
    record Result(List<PlacedPart> parts, List<String> done, double share) {}

    private final Map<String, Pt> middles = new HashMap<>();
    private final Map<String, Pt> firstPins = new HashMap<>();

    /** A pad that is known to belong to a part. */
    record Pad(String part, String pin, Pt at) {}

    PlacementFit(List<Pad> pads) {
        Map<String, Envelope> boxes = new HashMap<>();
        Map<String, Integer> counts = new HashMap<>();
        for (Pad p : pads) {
            boxes.computeIfAbsent(p.part, k -> new Envelope()).expandToInclude(p.at.coordinate());
            counts.merge(p.part, 1, Integer::sum);
            if (p.pin.equals("1") || p.pin.equalsIgnoreCase("A")) {
                firstPins.put(p.part, p.at);
            }
        }
        boxes.forEach(
                (part, box) -> {
                    if (counts.get(part) >= 2) {
                        middles.put(part, Pt.of(box.centre()));
                    }
                });
    }

    /**
     * @param unitStated when true, only the table's own unit is tried
     * @return empty when too few parts have pads that are known to be theirs
     */
    Optional<Result> fit(List<PlacedPart> parts, boolean unitStated) {
        List<PlacedPart> known =
                parts.stream().filter(p -> middles.containsKey(p.designator())).toList();
        if (known.size() < 3) {
            return Optional.empty();
        }
        double asIs = share(known, 1, false, Pt.ORIGIN);
        if (asIs >= LEAST) {
            return Optional.of(turned(parts, new ArrayList<>(), asIs));
        }
        for (double unit : unitStated ? new double[] {1} : UNITS) {
            for (boolean mirrored : new boolean[] {false, true}) {
                Pt origin = origin(known, unit, mirrored);
                double share = share(known, unit, mirrored, origin);
                if (share >= LEAST) {
                    return Optional.of(moved(parts, unit, mirrored, origin, share));
                }
            }
        }
        return Optional.of(new Result(parts, List.of(), asIs));
    }

    /** A place with the unit put right; of bottom parts with x turned round, if so asked. */
    private static Pt raw(PlacedPart p, double unit, boolean mirrored) {
        boolean turn = mirrored && p.side() == Side.BOTTOM;
        return new Pt(
                Math.round(p.at().x() * unit) * (turn ? -1 : 1), Math.round(p.at().y() * unit));
    }

    /** The middle difference between pads and table, taken from the top side where there is one. */
    private Pt origin(List<PlacedPart> known, double unit, boolean mirrored) {
        List<PlacedPart> some =
                mirrored ? known : known.stream().filter(p -> p.side() == Side.TOP).toList();
        List<Long> xs = new ArrayList<>();
        List<Long> ys = new ArrayList<>();
        for (PlacedPart p : some.isEmpty() ? known : some) {
            Pt d = middles.get(p.designator()).minus(raw(p, unit, mirrored));
            xs.add(d.x());
            ys.add(d.y());
        }
        xs.sort(null);
        ys.sort(null);
        long x = xs.get(xs.size() / 2);
        long y = ys.get(ys.size() / 2);
        return Math.hypot(x, y) < NEAR_NM / 2 ? Pt.ORIGIN : new Pt(x, y);
    }

    private double share(List<PlacedPart> known, double unit, boolean mirrored, Pt origin) {
        long near =
                known.stream()
                        .filter(
                                p ->
                                        raw(p, unit, mirrored)
                                                        .plus(origin)
                                                        .distance(middles.get(p.designator()))
                                                < NEAR_NM)
                        .count();
        return (double) near / known.size();
    }

    private Result moved(
            List<PlacedPart> parts, double unit, boolean mirrored, Pt origin, double share) {
        List<String> done = new ArrayList<>();
        if (unit != 1) {
            done.add(String.format(Locale.ROOT, "its places were scaled by %.6g", unit));
        }
        if (mirrored) {
            done.add("its bottom parts are given as seen from below, so their x was turned round");
        }
        if (!origin.equals(Pt.ORIGIN)) {
            done.add(
                    String.format(
                            Locale.ROOT,
                            "its origin lies elsewhere, so all were moved by %.3f, %.3f mm",
                            origin.x() / 1e6,
                            origin.y() / 1e6));
        }
        List<PlacedPart> all = new ArrayList<>();
        for (PlacedPart p : parts) {
            all.add(with(p, raw(p, unit, mirrored).plus(origin), p.rotationDeg()));
        }
        return turned(all, done, share);
    }

    private static PlacedPart with(PlacedPart p, Pt at, double rotationDeg) {
        return new PlacedPart(
                p.designator(), p.value(), p.footprint(), at, rotationDeg, p.side(), p.line());
    }

    /**
     * Bottom rotations: a footprint that is used on both sides shows its first pin in a direction
     * that follows from the rotation. Seen from the top and turned counter-clockwise it is 180° − k
     * + r for the direction k of the unturned top part; counted from below it is 180° − k − r.
     */
    private Result turned(List<PlacedPart> parts, List<String> done, double share) {
        Map<String, Double> direction = new HashMap<>();
        for (PlacedPart p : parts) {
            if (p.side() == Side.TOP && !p.footprint().isEmpty()) {
                toPin(p).ifPresent(a -> direction.put(p.footprint(), a - p.rotationDeg()));
            }
        }
        int counterClockwise = 0;
        int clockwise = 0;
        for (PlacedPart p : parts) {
            Double k = direction.get(p.footprint());
            if (p.side() == Side.BOTTOM && k != null && p.rotationDeg() % 180 != 0) {
                double actual = toPin(p).orElse(Double.NaN);
                counterClockwise += same(actual, 180 - k + p.rotationDeg()) ? 1 : 0;
                clockwise += same(actual, 180 - k - p.rotationDeg()) ? 1 : 0;
            }
        }
        if (clockwise < 2 || clockwise <= 2 * counterClockwise) {
            return new Result(parts, done, share);
        }
        done.add("its bottom rotations count as seen from below, so they were reversed");
        List<PlacedPart> all = new ArrayList<>();
        for (PlacedPart p : parts) {
            boolean bottom = p.side() == Side.BOTTOM;
            all.add(bottom ? with(p, p.at(), (360 - p.rotationDeg()) % 360) : p);
        }
        return new Result(all, done, share);
    }

    private Optional<Double> toPin(PlacedPart p) {
        Pt pin = firstPins.get(p.designator());
        Pt middle = middles.get(p.designator());
        if (pin == null || middle == null || pin.distance(middle) < 50_000) {
            return Optional.empty();
        }
        return Optional.of(
                Math.toDegrees(
                        Math.atan2((double) pin.y() - middle.y(), (double) pin.x() - middle.x())));
    }

    private static boolean same(double a, double b) {
        double d = Math.abs((a - b) % 360);
        return Math.min(d, 360 - d) < 8;
    }
}
