package dev.lastcut.server.ticket;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.OwnForm;
import dev.lastcut.core.strip.StripChoices;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.StripWeights;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * What is chosen about a strip board: the plan as {@code strip/plan.json} has it, the weights the
 * computer goes by, and lead forms described. Without {@code strips} the computer's plan is taken.
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record StripJson(
        String stock,
        Integer strips,
        Integer holes,
        Double pitchMm,
        List<PlacedJson> parts,
        List<List<Integer>> cuts,
        List<List<Integer>> gaps,
        List<List<Integer>> knifeCuts,
        List<List<List<Integer>>> links,
        List<ProbeJson> probes,
        WeightsJson weights,
        Map<String, FormJson> forms) {
    /** A part and the hole of each of its pins: strip and hole. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record PlacedJson(
            String designator, Map<String, List<Integer>> pins, Boolean standing, Boolean locked) {
        static PlacedJson of(String name, StripPlan.Placed p) {
            Map<String, List<Integer>> pins = new LinkedHashMap<>();
            p.pins().forEach((pin, at) -> pins.put(pin, hole(at)));
            return new PlacedJson(name, pins, p.standing(), p.locked() ? true : null);
        }

        StripPlan.Placed toPlaced() {
            Map<String, GridHole> holes = new LinkedHashMap<>();
            pins.forEach((pin, at) -> holes.put(pin, hole(at)));
            return new StripPlan.Placed(
                    holes, Boolean.TRUE.equals(standing), Boolean.TRUE.equals(locked));
        }
    }

    /** Where a net is measured. */
    public record ProbeJson(String net, List<Integer> at) {}

    /** What counts how much for the computer's plan. */
    public record WeightsJson(Double area, Double link, Double cut) {
        static WeightsJson of(StripWeights w) {
            return w.equals(StripWeights.USUAL)
                    ? null
                    : new WeightsJson(w.area(), w.link(), w.cut());
        }

        StripWeights toWeights() {
            StripWeights usual = StripWeights.USUAL;
            return new StripWeights(
                    area == null ? usual.area() : area,
                    link == null ? usual.link() : link,
                    cut == null ? usual.cut() : cut);
        }
    }

    /** A lead form; spacings in holes, the body in mm. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record FormJson(
            String shape,
            Integer leads,
            Integer spacing,
            Integer rowsApart,
            Double lengthMm,
            Double widthMm,
            Double heightMm) {
        static FormJson of(OwnForm f) {
            return new FormJson(
                    f.shape().id(),
                    f.leads(),
                    f.spacing(),
                    f.rowsApart() == 0 ? null : f.rowsApart(),
                    f.lengthMm(),
                    f.widthMm(),
                    f.heightMm());
        }

        OwnForm toForm() {
            return new OwnForm(
                    OwnForm.Shape.parse(shape).orElseThrow(),
                    leads,
                    spacing == null ? 1 : spacing,
                    rowsApart == null ? 0 : rowsApart,
                    lengthMm,
                    widthMm,
                    heightMm);
        }
    }

    public static StripJson of(StripChoices c) {
        Map<String, FormJson> forms = new TreeMap<>();
        c.forms().forEach((name, f) -> forms.put(name, FormJson.of(f)));
        if (c.plan().isEmpty()) {
            return new StripJson(
                    c.stock().orElse(null),
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    WeightsJson.of(c.weights()),
                    forms);
        }
        StripPlan p = c.plan().get();
        return new StripJson(
                p.stock().or(c::stock).orElse(null),
                p.strips(),
                p.holes(),
                null,
                p.parts().entrySet().stream()
                        .map(e -> PlacedJson.of(e.getKey(), e.getValue()))
                        .toList(),
                holes(p.cuts()),
                null,
                holes(p.knifeCuts()),
                p.links().stream().map(l -> List.of(hole(l.from()), hole(l.to()))).toList(),
                p.probes().stream().map(q -> new ProbeJson(q.net(), hole(q.at()))).toList(),
                WeightsJson.of(c.weights()),
                forms);
    }

    /**
     * @throws IllegalArgumentException when a part is placed twice or a number cannot be
     */
    public StripChoices toChoices() {
        Map<String, OwnForm> own = new TreeMap<>();
        if (forms != null) {
            forms.forEach((name, f) -> own.put(name, f.toForm()));
        }
        return new StripChoices(
                Optional.ofNullable(stock),
                plan(),
                weights == null ? StripWeights.USUAL : weights.toWeights(),
                own);
    }

    private Optional<StripPlan> plan() {
        if (strips == null || holes == null) {
            if (parts != null || cuts != null || links != null) {
                throw new IllegalArgumentException("strips and holes are needed with a plan");
            }
            return Optional.empty();
        }
        Map<String, StripPlan.Placed> placed = new TreeMap<>();
        for (PlacedJson p : or(parts)) {
            if (placed.put(p.designator(), p.toPlaced()) != null) {
                throw new IllegalArgumentException(p.designator() + " is placed twice");
            }
        }
        // The board has its gaps as bought: they are no cuts to make.
        Set<GridHole> made = holes(cuts);
        made.removeAll(holes(gaps));
        return Optional.of(
                new StripPlan(
                        Optional.ofNullable(stock),
                        strips,
                        holes,
                        placed,
                        made,
                        holes(knifeCuts),
                        or(links).stream()
                                .map(l -> new StripPlan.Link(hole(l.get(0)), hole(l.get(1))))
                                .toList(),
                        or(probes).stream()
                                .map(p -> new StripPlan.ProbePoint(p.net(), hole(p.at())))
                                .toList()));
    }

    private static <T> List<T> or(List<T> list) {
        return list == null ? List.of() : list;
    }

    private static Set<GridHole> holes(List<List<Integer>> list) {
        Set<GridHole> all = new HashSet<>();
        or(list).forEach(h -> all.add(hole(h)));
        return all;
    }

    private static List<List<Integer>> holes(Collection<GridHole> all) {
        return all.stream().map(StripJson::hole).toList();
    }

    private static GridHole hole(List<Integer> at) {
        return new GridHole(at.get(0), at.get(1));
    }

    private static List<Integer> hole(GridHole h) {
        return List.of(h.strip(), h.hole());
    }
}
