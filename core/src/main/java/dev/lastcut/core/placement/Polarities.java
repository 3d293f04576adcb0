package dev.lastcut.core.placement;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.CataloguePart.PinRole;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.NetNames;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.placement.PartPolarity.Source;
import dev.lastcut.core.placement.PartPolarity.Terminal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Finds the cathode of diodes, the plus of capacitors and pin 1 of plugs, and who says so: the
 * maker, the part's data, names of pins and nets, the silk. Where nobody does, pin 1 is assumed and
 * called so.
 */
public final class Polarities {
    private static final List<String> CATHODE = List.of("K", "C", "CATHODE", "KATHODE");
    private static final List<String> ANODE = List.of("A", "ANODE");
    private static final List<String> PLUS = List.of("+", "P", "POS", "PLUS");
    private static final List<String> MINUS = List.of("-", "N", "NEG", "MINUS");
    private static final List<String> FIRST = List.of("1", "A1");

    private final PartPins pins;
    private final SilkMarks silk;
    private final PartsPlan plan;

    private Polarities(PartPins pins, SilkMarks silk, PartsPlan plan) {
        this.pins = pins;
        this.silk = silk;
        this.plan = plan;
    }

    public static Polarities of(BoardGeometry geometry, PartsPlan plan) {
        return new Polarities(PartPins.of(geometry), SilkMarks.of(geometry), plan);
    }

    /** Empty for a part that may stand either way round, and for one whose pins have no names. */
    public Optional<PartPolarity> of(Part part) {
        Map<String, Pt> own = places(part);
        if (Polarity.isPolarised(part) && own.size() <= 2) {
            Terminal terminal = Polarity.isDiode(part) ? Terminal.CATHODE : Terminal.PLUS;
            return Optional.of(twoPins(part, terminal, own));
        }
        if (PartPins.isPlug(part.designator()) && own.size() > 1) {
            return named(own, FIRST).map(pin -> said(Terminal.PIN_ONE, pin, own, Source.NETLIST));
        }
        return Optional.empty();
    }

    private PartPolarity twoPins(Part part, Terminal terminal, Map<String, Pt> own) {
        return told(part, own)
                .map(pin -> said(terminal, pin, own, Source.TOLD))
                .or(() -> byPart(part, terminal, own).map(p -> said(terminal, p, own, Source.PART)))
                .or(
                        () ->
                                byNames(part, terminal, own)
                                        .map(p -> said(terminal, p, own, Source.NETLIST)))
                .or(() -> bySilk(part, terminal, own).map(p -> said(terminal, p, own, Source.SILK)))
                .orElseGet(
                        () ->
                                said(
                                        terminal,
                                        named(own, FIRST)
                                                .or(
                                                        () ->
                                                                own.keySet().stream()
                                                                        .sorted()
                                                                        .findFirst())
                                                .orElse("1"),
                                        own,
                                        Source.ASSUMED));
    }

    private static PartPolarity said(
            Terminal terminal, String pin, Map<String, Pt> own, Source source) {
        return new PartPolarity(terminal, pin, Optional.ofNullable(own.get(pin)), source);
    }

    private Map<String, Pt> places(Part part) {
        Map<String, Pt> own = new LinkedHashMap<>();
        pins.of(part.designator()).forEach(p -> own.putIfAbsent(p.pin(), p.at()));
        return own;
    }

    private Optional<String> told(Part part, Map<String, Pt> own) {
        return Optional.ofNullable(plan.polarity().get(part.standsOn()))
                .filter(pin -> own.isEmpty() || own.containsKey(pin));
    }

    /** By what the part's data call its terminals; those of a tantalum capacitor are its plus. */
    private Optional<String> byPart(Part part, Terminal terminal, Map<String, Pt> own) {
        List<CataloguePart.Pin> stated =
                plan.known(part).map(CataloguePart::pins).orElse(List.of());
        PinRole is = terminal == Terminal.CATHODE ? PinRole.CATHODE : PinRole.ANODE;
        PinRole isNot = terminal == Terminal.CATHODE ? PinRole.ANODE : PinRole.CATHODE;
        return pin(stated, own, p -> p.role() == is)
                .or(() -> pin(stated, own, p -> p.role() == isNot).flatMap(x -> other(own, x)))
                .or(() -> pin(stated, own, p -> isName(p.name(), wanted(terminal))))
                .or(
                        () ->
                                pin(stated, own, p -> isName(p.name(), unwanted(terminal)))
                                        .flatMap(x -> other(own, x)));
    }

    private static Optional<String> pin(
            List<CataloguePart.Pin> stated,
            Map<String, Pt> own,
            Predicate<CataloguePart.Pin> asked) {
        return stated.stream()
                .filter(asked)
                .map(CataloguePart.Pin::pin)
                .filter(p -> own.isEmpty() || own.containsKey(p))
                .findFirst();
    }

    /** By the names of its pins; of a capacitor also by the one net of the two that is ground. */
    private Optional<String> byNames(Part part, Terminal terminal, Map<String, Pt> own) {
        return named(own, wanted(terminal))
                .or(() -> named(own, unwanted(terminal)).flatMap(x -> other(own, x)))
                .or(() -> terminal == Terminal.PLUS ? byNets(part) : Optional.empty());
    }

    private Optional<String> byNets(Part part) {
        List<Netlist.Point> own = pins.of(part.designator());
        boolean grounded = own.stream().anyMatch(p -> NetNames.isGround(p.net()));
        return own.stream()
                .filter(p -> grounded && NetNames.isPositive(p.net()))
                .map(Netlist.Point::pin)
                .findFirst();
    }

    private Optional<String> bySilk(Part part, Terminal terminal, Map<String, Pt> own) {
        Optional<Side> side = part.placed().map(PlacedPart::side);
        if (own.size() != 2 || side.isEmpty()) {
            return Optional.empty();
        }
        List<String> names = List.copyOf(own.keySet());
        Pt a = own.get(names.get(0));
        Pt b = own.get(names.get(1));
        Optional<Boolean> atFirst =
                terminal == Terminal.CATHODE
                        ? silk.bar(side.get(), a, b)
                        : silk.plus(side.get(), a, b);
        return atFirst.map(first -> names.get(first ? 0 : 1));
    }

    private static List<String> wanted(Terminal terminal) {
        return terminal == Terminal.CATHODE ? CATHODE : PLUS;
    }

    private static List<String> unwanted(Terminal terminal) {
        return terminal == Terminal.CATHODE ? ANODE : MINUS;
    }

    private static Optional<String> named(Map<String, Pt> own, List<String> names) {
        return own.keySet().stream().filter(p -> isName(p, names)).findFirst();
    }

    private static boolean isName(String name, List<String> names) {
        return names.contains(name.toUpperCase(Locale.ROOT));
    }

    private static Optional<String> other(Map<String, Pt> own, String pin) {
        return own.keySet().stream().filter(p -> own.size() == 2 && !p.equals(pin)).findFirst();
    }
}
