package dev.lastcut.server.api;

import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.Cost;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.assembly.Savings;
import dev.lastcut.core.assembly.SupplyIssues;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Netlist;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.catalogue.Candidates;
import dev.lastcut.core.catalogue.CataloguePart;
import dev.lastcut.core.catalogue.Supply;
import dev.lastcut.core.check.parts.ListLimitsRule;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.formats.table.Designators;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.value.Dimension;
import dev.lastcut.server.catalogue.PartJson;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.parts.Counter;
import dev.lastcut.server.parts.PartsService;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;

/** Puts the parts of a job together for the station; asks nobody outside. */
final class PartsViews {
    private final PartsService service;
    private final Counter counter;
    private final PartsPlan plan;
    private final int boards;
    private final BoardGeometry geometry;
    private final Board board;
    private final Order order;
    private Optional<Assignments> who = Optional.empty();
    private final Map<String, Part> byName = new HashMap<>();

    private PartsViews(
            PartsService service, Counter counter, Ticket ticket, BoardGeometry geometry) {
        this.service = service;
        this.counter = counter;
        this.plan = ticket.parts();
        this.order = ticket.order();
        this.boards = order.quantity();
        this.geometry = geometry;
        this.board = geometry.board();
    }

    static PartsView of(JobService jobs, PartsService service, Counter counter, long id) {
        Ticket ticket = jobs.ticket(id);
        PartsViews v = new PartsViews(service, counter, ticket, jobs.board(id));
        return v.view(jobs.sheet(id));
    }

    private PartsView view(Optional<CapabilitySheet> sheet) {
        Variants variants = plan.variants();
        List<Part> parts = Population.of(board, variants);
        List<PartsList.Line> kinds = PartsList.kinds(parts);
        parts.forEach(p -> byName.put(p.designator(), p));
        this.who = sheet.map(s -> Assignments.of(geometry, s, order, plan));
        List<Part> listed =
                who.map(Assignments::listed)
                        .orElseGet(() -> parts.stream().filter(Part::fitted).toList());
        boolean ordered = who.filter(Assignments::isOrdered).isPresent();
        List<PartsView.KindView> shown = kinds.stream().map(this::kind).toList();
        Optional<Cost> cost = sheet.map(s -> Cost.of(listed, plan.known(), s, boards, ordered));
        List<Savings.Hint> hints =
                sheet.map(
                                s ->
                                        Savings.of(
                                                listed,
                                                plan,
                                                service.offers(kinds, plan),
                                                s,
                                                boards,
                                                ordered))
                        .orElse(List.of());
        return new PartsView(
                board.parts().isPresent(),
                board.placements().isPresent(),
                variants.built().orElse(""),
                variants.names(),
                boards,
                sheet.map(s -> s.price().currency()).orElse("EUR"),
                shown,
                PartsList.kinds(parts, false).stream().map(this::kind).toList(),
                placed(parts),
                differences(),
                limits(sheet, listed),
                cost.map(PartsViews::cost).orElse(null),
                hints.stream().map(PartsViews::hint).toList(),
                state(kinds),
                new TreeMap<>(plan.needs()),
                service.otherToday(plan).size());
    }

    private PartsView.KindView kind(PartsList.Line l) {
        Part p = l.part();
        Optional<CataloguePart> known = plan.known(p);
        List<Candidates.Candidate> found = service.candidates(p);
        boolean counts = Dimension.of(p.designator()) != Dimension.NONE;
        return new PartsView.KindView(
                Designators.fold(l.designators()),
                l.designators(),
                l.quantity(),
                l.value(),
                p.meaning().words(),
                !counts || p.meaning().amount().isPresent(),
                p.footprint(),
                p.packageName(),
                p.maker(),
                p.partNumber(),
                p.description(),
                known.map(k -> known(k, l.quantity())).orElse(null),
                known.isEmpty() && !found.isEmpty() && found.get(0).isSure()
                        ? found.get(0).part().number()
                        : "",
                found.size(),
                SupplyIssues.of(p, known, (long) l.quantity() * boards),
                fitting(l.designators()),
                (int)
                        l.designators().stream()
                                .map(byName::get)
                                .flatMap(q -> plan.byHand().word(q).stream())
                                .filter(ByHand.Word::hand)
                                .count());
    }

    /** Who fits the parts of a line: parts with the same verdict together. */
    private List<PartsView.FittedByView> fitting(List<String> designators) {
        Map<List<String>, List<String>> alike = new LinkedHashMap<>();
        for (String d : designators) {
            who.flatMap(w -> w.of(d))
                    .ifPresent(
                            a ->
                                    alike.computeIfAbsent(
                                                    List.of(a.by().id(), a.why()),
                                                    k -> new ArrayList<>())
                                            .add(d));
        }
        return alike.entrySet().stream()
                .map(
                        e ->
                                new PartsView.FittedByView(
                                        e.getKey().get(0),
                                        e.getKey().get(1),
                                        Designators.fold(e.getValue()),
                                        e.getValue().size()))
                .toList();
    }

    private static PartsView.KnownView known(CataloguePart k, int quantity) {
        Supply s = k.supply();
        return new PartsView.KnownView(
                k.number(),
                k.maker(),
                k.description(),
                s.stock(),
                s.lineStock(),
                s.life().words(),
                s.price(quantity).orElse(null),
                k.asOf());
    }

    private List<PartsView.PlacedView> placed(List<Part> parts) {
        Map<String, Pt> pin1 = new HashMap<>();
        board.netlist()
                .map(Netlist::points)
                .orElse(List.of())
                .forEach(
                        p -> {
                            if (p.pin().equals("1")) {
                                pin1.putIfAbsent(p.component(), p.at());
                            }
                        });
        Map<String, List<PlacedPart>> places = Population.placed(board);
        Map<String, List<Long>> outlines = new HashMap<>();
        PartBodies.of(geometry, plan).forEach(b -> outlines.put(b.designator(), corners(b)));
        List<PartsView.PlacedView> all = new ArrayList<>();
        for (Part p : parts) {
            if (p.placed().isEmpty()) {
                continue;
            }
            PlacedPart at = p.placed().get();
            Optional<Pt> one = Optional.ofNullable(pin1.get(p.designator()));
            all.add(
                    new PartsView.PlacedView(
                            p.designator(),
                            p.value(),
                            p.footprint(),
                            at.at().x(),
                            at.at().y(),
                            plan.turns().rotationDeg(p),
                            at.side().word(),
                            p.fitted(),
                            one.map(Pt::x).orElse(null),
                            one.map(Pt::y).orElse(null),
                            places.get(p.designator()).stream()
                                    .map(PlacedPart::footprint)
                                    .distinct()
                                    .toList(),
                            outlines.getOrDefault(p.designator(), List.of())));
        }
        return all;
    }

    private static List<Long> corners(PartBodies.Body b) {
        List<Long> all = new ArrayList<>();
        Coordinate[] ring = b.outline().getCoordinates();
        for (int i = 0; i < 4; i++) {
            all.add(Math.round(ring[i].x));
            all.add(Math.round(ring[i].y));
        }
        return all;
    }

    /** Only what differs is told, and what differs alike is told once. */
    private List<PartsView.DifferenceView> differences() {
        Variants v = plan.variants();
        List<Optional<String>> columns = new ArrayList<>();
        columns.add(Optional.empty());
        v.names().forEach(n -> columns.add(Optional.of(n)));
        List<List<Part>> built = columns.stream().map(c -> Population.of(board, v, c)).toList();
        Map<List<PartsView.CellView>, List<String>> alike = new LinkedHashMap<>();
        for (int i = 0; i < built.get(0).size(); i++) {
            Part base = built.get(0).get(i);
            List<PartsView.CellView> cells = new ArrayList<>();
            for (int c = 0; c < columns.size(); c++) {
                cells.add(cell(base, built.get(c).get(i)));
            }
            if (cells.stream().distinct().count() > 1) {
                // What is the same in all is not told, so that what differs alike is alike.
                boolean values = cells.stream().anyMatch(x -> !x.value().isEmpty());
                if (values) {
                    cells.set(0, cell(base));
                }
                alike.computeIfAbsent(cells, k -> new ArrayList<>()).add(base.designator());
            }
        }
        List<PartsView.DifferenceView> all = new ArrayList<>();
        alike.forEach(
                (cells, names) ->
                        all.add(
                                new PartsView.DifferenceView(
                                        Designators.fold(names), names, cells)));
        return all;
    }

    private static PartsView.CellView cell(Part p) {
        return new PartsView.CellView(p.fitted(), p.meaning().words(), "", "");
    }

    /** What is other than in the base. */
    private static PartsView.CellView cell(Part base, Part p) {
        return new PartsView.CellView(
                p.fitted(),
                p.value().equals(base.value()) ? "" : p.meaning().words(),
                p.partNumber().equals(base.partNumber()) ? "" : p.partNumber(),
                p.footprint().equals(base.footprint()) ? "" : p.footprint());
    }

    private PartsView.LimitsView limits(Optional<CapabilitySheet> sheet, List<Part> parts) {
        List<PartsList.Line> kinds = PartsList.kinds(parts);
        String bare = sheet.map(s -> Assignments.whyBare(s, order)).orElse("No shop is chosen");
        Optional<Assembly.Counts> most =
                sheet.flatMap(CapabilitySheet::assembly)
                        .filter(a -> bare.isEmpty())
                        .map(Assembly::counts);
        OptionalInt perLine =
                most.map(Assembly.Counts::designatorsPerLine).orElse(OptionalInt.empty());
        return new PartsView.LimitsView(
                bare.isEmpty() ? sheet.orElseThrow().name() : "",
                bare,
                PartsList.split(kinds, perLine).size(),
                number(most.map(Assembly.Counts::billLines)),
                PlacementTable.fitted(parts).size(),
                number(most.map(Assembly.Counts::placementLines)),
                ListLimitsRule.loaded(kinds, plan.known()),
                number(most.map(Assembly.Counts::loadedKinds)),
                perLine.isPresent() ? perLine.getAsInt() : null);
    }

    private static Integer number(Optional<OptionalInt> n) {
        return n.filter(OptionalInt::isPresent).map(OptionalInt::getAsInt).orElse(null);
    }

    private static PartsView.CostView cost(Cost c) {
        return new PartsView.CostView(
                c.batch(),
                c.perBoard(),
                c.items().stream()
                        .map(
                                i ->
                                        new PartsView.ItemView(
                                                PartJson.id(i.what()),
                                                i.line()
                                                        .map(l -> Designators.fold(l.designators()))
                                                        .orElse(""),
                                                i.pieces(),
                                                i.each(),
                                                i.amount()))
                        .toList(),
                c.unpriced().stream().map(l -> Designators.fold(l.designators())).toList());
    }

    private static PartsView.HintView hint(Savings.Hint h) {
        Map<String, PartsController.FittingView> take = new TreeMap<>(Designators.ORDER);
        for (Map.Entry<String, Fitting> e : h.take().entrySet()) {
            take.put(e.getKey(), PartsController.FittingView.of(e.getValue()));
        }
        return new PartsView.HintView(
                PartJson.id(h.kind()), h.words(), h.saves().orElse(null), take);
    }

    private PartsView.CounterView state(List<PartsList.Line> kinds) {
        String first = "";
        int unasked = 0;
        for (PartsList.Line l : kinds) {
            Optional<String> seen = service.asked(l.part());
            if (seen.isEmpty()) {
                unasked++;
            } else if (!seen.get().isEmpty()
                    && (first.isEmpty() || seen.get().compareTo(first) < 0)) {
                first = seen.get();
            }
        }
        return new PartsView.CounterView(first, counter.fault().orElse(""), unasked);
    }
}
