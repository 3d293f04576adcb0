package dev.lastcut.server.report;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Length;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * One part as it is built.
 *
 * @param by who fits it: house or hand
 * @param kind line-stock, loaded-to-order or unknown
 * @param rotationDeg as it goes out
 * @param xMm null with the two after it when the part is not placed
 * @param pins how many pins the netlist knows of it; null without a netlist
 */
record BuiltPartJson(
        String designator,
        String value,
        String footprint,
        @JsonProperty("package") String packageName,
        String partNumber,
        boolean fitted,
        String by,
        String kind,
        Double xMm,
        Double yMm,
        Double rotationDeg,
        String side,
        Integer pins) {
    static List<BuiltPartJson> of(BoardGeometry geometry, CapabilitySheet sheet, PartsPlan plan) {
        Map<String, Set<String>> pins = new HashMap<>();
        Optional<Netlist> netlist = geometry.board().netlist();
        netlist.map(Netlist::points).orElse(List.of()).stream()
                .filter(Netlist.Point::isPin)
                .forEach(
                        p ->
                                pins.computeIfAbsent(p.component(), k -> new HashSet<>())
                                        .add(p.pin()));
        return Population.of(geometry.board(), plan.variants()).stream()
                .map(
                        p ->
                                of(
                                        p,
                                        sheet,
                                        plan,
                                        netlist.map(
                                                n ->
                                                        pins.getOrDefault(p.designator(), Set.of())
                                                                .size())))
                .toList();
    }

    private static BuiltPartJson of(
            Part p, CapabilitySheet sheet, PartsPlan plan, Optional<Integer> pins) {
        Optional<PlacedPart> at = p.placed();
        return new BuiltPartJson(
                p.designator(),
                p.value(),
                p.footprint(),
                p.packageName(),
                p.partNumber(),
                p.fitted(),
                plan.byHand().houseFits(p, sheet) ? "house" : "hand",
                plan.known(p)
                        .map(k -> k.supply().lineStock() ? "line-stock" : "loaded-to-order")
                        .orElse("unknown"),
                at.map(a -> mm(a.at().x())).orElse(null),
                at.map(a -> mm(a.at().y())).orElse(null),
                at.map(a -> plan.turns().rotationDeg(p)).orElse(null),
                at.map(PlacedPart::side).map(Side::word).orElse(null),
                pins.orElse(null));
    }

    private static double mm(long nm) {
        return Math.round(Length.toMm(nm) * 1e6) / 1e6;
    }
}
