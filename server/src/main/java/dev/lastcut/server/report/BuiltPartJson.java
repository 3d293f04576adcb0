package dev.lastcut.server.report;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assignment.Assignment;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.padmatch.PadMatch;
import dev.lastcut.core.padmatch.PartPad;
import dev.lastcut.core.placement.PartPolarity;
import dev.lastcut.core.placement.Polarities;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * One part as it is built.
 *
 * @param by who fits it: house, hand or nobody
 * @param why the reason, in one line
 * @param mounting surface or leaded; null where nothing tells
 * @param kind line-stock, loaded-to-order or unknown
 * @param rotationDeg as it goes out
 * @param xMm null with the two after it when the part is not placed
 * @param pads its pads, by the netlist or else by its package; empty where they cannot be told
 * @param polarity null for a part that has none
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
        String why,
        String mounting,
        String kind,
        Double xMm,
        Double yMm,
        Double rotationDeg,
        String side,
        Integer pins,
        @JsonInclude(JsonInclude.Include.NON_NULL) PolarityJson polarity,
        List<PadJson> pads) {
    /** A pad of it, and how sure that is: certain, likely or open. */
    record PadJson(String pin, double xMm, double yMm, String certainty) {
        static PadJson of(PartPad p) {
            return new PadJson(p.pin(), mm(p.at().x()), mm(p.at().y()), p.certainty().id());
        }
    }

    /** The pin that is the cathode, the plus or pin 1, and who says so. */
    record PolarityJson(String pin, String source) {
        static PolarityJson of(PartPolarity p) {
            return new PolarityJson(p.pin(), p.source().id());
        }
    }

    static List<BuiltPartJson> of(Assignments who, BoardGeometry geometry, PartsPlan plan) {
        Map<String, Set<String>> pins = new HashMap<>();
        Optional<Netlist> netlist = geometry.board().netlist();
        netlist.map(Netlist::points).orElse(List.of()).stream()
                .filter(Netlist.Point::isPin)
                .forEach(
                        p ->
                                pins.computeIfAbsent(p.component(), k -> new HashSet<>())
                                        .add(p.pin()));
        Polarities polarities = Polarities.of(geometry, plan);
        PadMatch pads = PadMatch.of(geometry);
        return who.all().stream()
                .map(
                        a ->
                                of(
                                        a,
                                        plan,
                                        polarities.of(a.part()),
                                        netlist.map(
                                                n ->
                                                        pins.getOrDefault(
                                                                        a.part().designator(),
                                                                        Set.of())
                                                                .size()),
                                        pads.of(a.part())))
                .toList();
    }

    private static BuiltPartJson of(
            Assignment a,
            PartsPlan plan,
            Optional<PartPolarity> polarity,
            Optional<Integer> pins,
            List<PartPad> pads) {
        Part p = a.part();
        Optional<PlacedPart> at = p.placed();
        return new BuiltPartJson(
                p.designator(),
                p.value(),
                p.footprint(),
                p.packageName(),
                p.partNumber(),
                p.fitted(),
                a.by().id(),
                a.why(),
                a.mounting().map(Mounting::id).orElse(null),
                plan.known(p)
                        .map(k -> k.supply().lineStock() ? "line-stock" : "loaded-to-order")
                        .orElse("unknown"),
                at.map(q -> mm(q.at().x())).orElse(null),
                at.map(q -> mm(q.at().y())).orElse(null),
                at.map(q -> plan.turns().rotationDeg(p)).orElse(null),
                at.map(PlacedPart::side).map(Side::word).orElse(null),
                pins.orElse(null),
                polarity.map(PolarityJson::of).orElse(null),
                pads.stream().map(PadJson::of).toList());
    }

    private static double mm(long nm) {
        return Math.round(Length.toMm(nm) * 1e6) / 1e6;
    }
}
