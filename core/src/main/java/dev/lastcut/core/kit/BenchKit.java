package dev.lastcut.core.kit;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartBodies.Body;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assignment.Assignment;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.DataValue;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.kit.KitStep.Place;
import dev.lastcut.core.kit.KitStep.Reading;
import dev.lastcut.core.kit.KitStep.Stage;
import dev.lastcut.core.placement.Polarities;
import dev.lastcut.core.placement.Polarity;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.value.Amount;
import dev.lastcut.core.value.ColourCode;
import dev.lastcut.core.value.Dimension;
import dev.lastcut.core.value.PartValue;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Pattern;

/**
 * What is soldered by hand, in the order to solder it: flat parts before leaded ones, the lowest
 * first, what stands one way round after what does not, what heat harms late, plugs last; and what
 * lies under something else before that (common practice, no source).
 *
 * @param lines steps of soldering and of one's own, in the order that is chosen
 * @param bodies of all parts that stand on the board
 * @param unplaced parts that are fitted but have no place: they are bought, and not soldered here
 * @param gaps parts that nobody fits
 */
public record BenchKit(
        List<GuideLine> lines, List<Body> bodies, List<Part> unplaced, List<Assignment> gaps) {
    private static final Pattern PLUG =
            Pattern.compile("(J|P|X|CN|CON|H|HDR|SW|S|BT|BAT|USB|K|RL|F?H)\\d+.*");

    private static final Pattern HEAT_NAME =
            Pattern.compile("(LED|LD|Y|XTAL|X?TAL|MK|MIC|DS|LCD)\\d+.*");

    private static final Pattern HEAT_WORD =
            Pattern.compile(
                    "(?<![A-Z])(LED|CRYSTAL|XTAL|MICROPHONE|DISPLAY|ELECTROLYTIC|ELEC|FILM|SENSOR)(?![A-Z])");

    public static BenchKit of(BoardGeometry geometry, Assignments who, PartsPlan plan) {
        List<Part> hand = who.hand();
        Map<String, Body> bodies = new HashMap<>();
        List<Body> all = PartBodies.of(geometry, plan).stream().filter(Body::fitted).toList();
        all.forEach(b -> bodies.put(b.designator(), b));
        List<KitStep> proposed =
                new Ordering(
                                bodies,
                                PartPins.of(geometry),
                                Polarities.of(geometry, plan),
                                who,
                                plan)
                        .steps(hand);
        List<GuideLine> lines = new ArrayList<>();
        // In an order of the maker's own these stand as steps already.
        if (plan.guide().entries().isEmpty()) {
            StripLayout.of(geometry).ifPresent(l -> lines.addAll(StripSteps.before(l)));
        }
        lines.addAll(GuideLine.ordered(proposed, plan.guide()));
        return new BenchKit(
                lines, all, hand.stream().filter(p -> p.placed().isEmpty()).toList(), who.gaps());
    }

    /** What is soldered, in order, without the steps of one's own. */
    public List<KitStep> steps() {
        return lines.stream().flatMap(l -> l.step().stream()).toList();
    }

    /** Parts that are soldered in one go: of one value on one footprint, side and stage. */
    private record Kind(Stage stage, String value, String footprint, String number, Side side) {}

    private record Ordering(
            Map<String, Body> bodies,
            PartPins pins,
            Polarities polarities,
            Assignments who,
            PartsPlan plan) {
        List<KitStep> steps(List<Part> hand) {
            Map<Kind, List<Part>> kinds = new LinkedHashMap<>();
            for (Part p : hand) {
                if (p.placed().isPresent()) {
                    kinds.computeIfAbsent(kind(p), k -> new ArrayList<>()).add(p);
                }
            }
            List<KitStep> steps = new ArrayList<>();
            kinds.forEach((k, parts) -> steps.add(step(k, parts)));
            return SolderingOrder.ordered(steps, bodies);
        }

        private Kind kind(Part p) {
            return new Kind(
                    stage(p),
                    p.meaning().canonical(),
                    p.standsOn(),
                    p.partNumber(),
                    p.placed().orElseThrow().side());
        }

        private Stage stage(Part p) {
            String name = p.designator().toUpperCase(Locale.ROOT);
            String said =
                    (p.value() + " " + p.footprint() + " " + p.description())
                            .toUpperCase(Locale.ROOT);
            if (PLUG.matcher(name).matches()) {
                return Stage.PLUG;
            }
            if (HEAT_NAME.matcher(name).matches() || HEAT_WORD.matcher(said).find()) {
                return Stage.HEAT;
            }
            boolean polar = Polarity.isPolarised(p) || pins.count(p.designator()) > 2;
            if (leads(p)) {
                return polar ? Stage.LEADED_POLAR : Stage.LEADED;
            }
            return polar ? Stage.FLAT_POLAR : Stage.FLAT;
        }

        private boolean leads(Part p) {
            return who.of(p.designator())
                    .flatMap(Assignment::mounting)
                    .filter(m -> m == Mounting.LEADED)
                    .isPresent();
        }

        private KitStep step(Kind k, List<Part> parts) {
            List<Place> places = parts.stream().map(this::place).toList();
            double height = 0;
            boolean leads = false;
            for (Part p : parts) {
                Body b = bodies.get(p.designator());
                height = Math.max(height, b == null ? 0 : b.heightNm() / 1e6);
                leads |= leads(p);
            }
            return new KitStep(
                    k.stage,
                    parts,
                    places,
                    k.side,
                    height,
                    leads,
                    leads ? colours(parts.get(0), plan.known(parts.get(0))) : List.of(),
                    leads ? spacing(parts.get(0)) : OptionalDouble.empty());
        }

        private OptionalDouble spacing(Part p) {
            List<Netlist.Point> own = pins.of(p.designator());
            return own.size() == 2
                    ? OptionalDouble.of(own.get(0).at().distance(own.get(1).at()) / 1e6)
                    : OptionalDouble.empty();
        }

        private Place place(Part p) {
            Side side = p.placed().orElseThrow().side();
            List<Netlist.Point> own = pins.of(p.designator());
            Facing.Words facing = Facing.of(p, polarities.of(p), own, side, leads(p));
            Optional<Netlist.Point> start = start(own);
            return new Place(
                    p.designator(),
                    p.placed().get().at(),
                    start.map(Netlist.Point::at),
                    start.map(Netlist.Point::pin).orElse(""),
                    facing.words(),
                    facing.mark(),
                    facing.assumed());
        }

        /**
         * A pad at the end of the part, on a net of few: what holds on to much copper draws the
         * heat away.
         */
        private Optional<Netlist.Point> start(List<Netlist.Point> own) {
            if (own.isEmpty()) {
                return Optional.empty();
            }
            Pt middle = Pt.of(pins.box(own.get(0).component()).centre());
            double far = own.stream().mapToDouble(q -> q.at().distance(middle)).max().orElse(0);
            return own.stream()
                    .filter(q -> q.at().distance(middle) > 0.9 * far)
                    .min(Comparator.comparingInt((Netlist.Point q) -> pins.onNet(q.net())));
        }
    }

    /**
     * The bands of a leaded resistor; where neither its value nor what is known of it says the
     * tolerance, both usual readings.
     */
    static List<Reading> colours(Part p, Optional<CataloguePart> known) {
        PartValue v = p.meaning();
        Optional<Amount> ohms = v.amount().filter(a -> a.of() == Dimension.RESISTANCE);
        if (ohms.isEmpty() || Dimension.of(p.designator()) != Dimension.RESISTANCE) {
            return List.of();
        }
        Optional<Double> said =
                v.tolerancePercent()
                        .or(
                                () ->
                                        known.map(k -> k.values().get("tolerance"))
                                                .flatMap(DataValue::max));
        List<Double> tolerances = said.map(List::of).orElse(List.of(5.0, 1.0));
        List<Reading> all = new ArrayList<>();
        for (double t : tolerances) {
            ColourCode.of(ohms.get().number(), t, OptionalInt.empty())
                    .filter(c -> all.stream().noneMatch(r -> r.code().equals(c)))
                    .ifPresent(c -> all.add(new Reading(c, said.isPresent() ? 0 : t)));
        }
        return all;
    }
}
