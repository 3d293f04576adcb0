package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Envelope;

/** Pads of which netlist or attributes say whose they are: a part lies in the middle of its own. */
public final class NamedPads implements Ground {
    private static final double NEAR_NM = 400_000;

    /** A pad that is known to belong to a part. */
    public record Pad(String part, String pin, Pt at) {}

    private final Map<String, Pt> middles = new HashMap<>();
    private final Map<String, Pt> firstPins = new HashMap<>();

    public NamedPads(List<Pad> pads) {
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

    @Override
    public Envelope extent() {
        Envelope all = new Envelope();
        middles.values().forEach(m -> all.expandToInclude(m.coordinate()));
        return all;
    }

    @Override
    public boolean knows(PlacedPart part) {
        return middles.containsKey(part.designator());
    }

    @Override
    public boolean holds(PlacedPart part, Pt at) {
        return at.distance(middles.get(part.designator())) < NEAR_NM;
    }

    /** The middle difference between pads and table. */
    @Override
    public List<Pt> origins(List<PlacedPart> parts, List<Pt> raw) {
        List<Long> xs = new ArrayList<>();
        List<Long> ys = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Pt d = middles.get(parts.get(i).designator()).minus(raw.get(i));
            xs.add(d.x());
            ys.add(d.y());
        }
        xs.sort(null);
        ys.sort(null);
        Pt origin = new Pt(xs.get(xs.size() / 2), ys.get(ys.size() / 2));
        boolean none = origin.distance(Pt.ORIGIN) < NEAR_NM / 2;
        return none ? List.of(Pt.ORIGIN) : List.of(Pt.ORIGIN, origin);
    }

    /**
     * The first pin lies in a direction that follows from the angle r. Seen from the top and turned
     * counter-clockwise it is 180° − k + r for the direction k of the unturned top part; counted
     * from below it is 180° − k − r.
     */
    @Override
    public Turn turn(PlacedPart part, List<PlacedPart> tops) {
        Optional<Double> actual = toFirstPin(part);
        Optional<Double> k =
                tops.stream()
                        .flatMap(t -> toFirstPin(t).map(a -> a - t.rotationDeg()).stream())
                        .reduce((first, last) -> last);
        if (actual.isEmpty() || k.isEmpty()) {
            return Turn.UNTOLD;
        }
        if (same(actual.get(), 180 - k.get() + part.rotationDeg())) {
            return Turn.COUNTER_CLOCKWISE;
        }
        return same(actual.get(), 180 - k.get() - part.rotationDeg())
                ? Turn.CLOCKWISE
                : Turn.UNTOLD;
    }

    private static boolean same(double a, double b) {
        double d = Math.abs((a - b) % 360);
        return Math.min(d, 360 - d) < 8;
    }

    /** The direction from a part's middle to its first pin, degrees; empty where not known. */
    private Optional<Double> toFirstPin(PlacedPart p) {
        Pt pin = firstPins.get(p.designator());
        Pt middle = middles.get(p.designator());
        if (pin == null || middle == null || pin.distance(middle) < 50_000) {
            return Optional.empty();
        }
        return Optional.of(
                Math.toDegrees(
                        Math.atan2((double) pin.y() - middle.y(), (double) pin.x() - middle.x())));
    }
}
