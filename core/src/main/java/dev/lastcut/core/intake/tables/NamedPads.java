package dev.lastcut.core.intake.tables;

import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.geometry.Pt;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.locationtech.jts.geom.Envelope;

/** Pads of which netlist or attributes say whose they are: a part lies in the middle of its own. */
public final class NamedPads implements PlacementReference {
    private static final double NEAR_NM = 400_000;
    private static final double SAME_PIN_NM = 150_000;

    /** A pad that is known to belong to a part. */
    public record Pad(String part, String pin, Pt at) {}

    private final Map<String, Pt> middles = new HashMap<>();
    private final Map<String, Map<String, Pt>> pins = new HashMap<>();

    public NamedPads(List<Pad> pads) {
        Map<String, Envelope> boxes = new HashMap<>();
        Map<String, Integer> counts = new HashMap<>();
        for (Pad p : pads) {
            boxes.computeIfAbsent(p.part, k -> new Envelope()).expandToInclude(p.at.coordinate());
            counts.merge(p.part, 1, Integer::sum);
            pins.computeIfAbsent(p.part, k -> new TreeMap<>()).putIfAbsent(p.pin, p.at);
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

    /** The share of pins of one name that lie in the same place about both. */
    @Override
    public double likeness(PlacedPart a, double angleA, PlacedPart b, double angleB) {
        Map<String, Pt> pinsA = pins.getOrDefault(a.designator(), Map.of());
        Map<String, Pt> pinsB = pins.getOrDefault(b.designator(), Map.of());
        List<String> common = pinsA.keySet().stream().filter(pinsB::containsKey).toList();
        if (common.size() < 2) {
            return Double.NaN;
        }
        Pt middleA = middle(common, pinsA);
        Pt middleB = middle(common, pinsB);
        long same =
                common.stream()
                        .filter(
                                pin ->
                                        Look.back(pinsA.get(pin).minus(middleA), a, angleA)
                                                        .distance(
                                                                Look.back(
                                                                        pinsB.get(pin)
                                                                                .minus(middleB),
                                                                        b,
                                                                        angleB))
                                                < SAME_PIN_NM)
                        .count();
        return (double) same / common.size();
    }

    private static Pt middle(List<String> names, Map<String, Pt> pins) {
        double x = names.stream().mapToDouble(n -> pins.get(n).x()).average().orElse(0);
        double y = names.stream().mapToDouble(n -> pins.get(n).y()).average().orElse(0);
        return new Pt(Math.round(x), Math.round(y));
    }
}
