package dev.lastcut.server.strip;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.strip.BodyBox;
import dev.lastcut.core.strip.GridHole;
import dev.lastcut.core.strip.LeadForm;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripCopper;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripNets;
import dev.lastcut.core.strip.StripPart;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.StripWeights;
import dev.lastcut.core.strip.paper.StripTables;
import dev.lastcut.server.ticket.StripJson;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Geometry;

/**
 * A strip board as its station shows it. Lengths in mm, from hole 0 of strip 0: x along the strips,
 * y downwards.
 *
 * @param plan as it stands in the ticket, whole
 * @param proposed whether it is the computer's
 * @param pieces of copper, with the net on each
 */
public record StripView(
        double pitchMm,
        boolean knife,
        List<StockView> stock,
        String board,
        StripJson plan,
        boolean proposed,
        List<PartView> parts,
        List<NetView> nets,
        List<PieceView> pieces,
        List<List<Integer>> gaps,
        List<LinkView> links,
        List<FoundView> findings,
        WeightsView weights) {
    /** A board that can be had. */
    public record StockView(String name, int strips, int holes) {}

    /**
     * A part.
     *
     * @param pins in the order of its leads
     * @param feet where the leads stand from the first, strip and hole; of two bendable leads the
     *     nearest
     * @param kind axial, radial or fixed; empty when nothing is known of its leads
     * @param body its outline where it is placed, x and y in turn
     */
    public record PartView(
            String designator,
            String value,
            String footprint,
            String form,
            String kind,
            List<String> pins,
            List<List<Integer>> feet,
            int leastSpan,
            int mostSpan,
            boolean canStand,
            boolean placed,
            boolean standing,
            boolean locked,
            List<Double> body) {}

    /** A net and its pins, as R1.1. */
    public record NetView(String name, List<String> pins) {}

    /** A piece of copper: equal groups are joined; the nets on the group, joined by " + ". */
    public record PieceView(int strip, int first, int last, int group, String net) {}

    /** A wire, with what it needs. */
    public record LinkView(
            List<Integer> from, List<Integer> to, double lengthMm, String net, String wire) {}

    /** A finding of the strip checks. */
    public record FoundView(
            String id,
            String rule,
            String severity,
            String message,
            List<Double> at,
            List<String> parts,
            List<String> nets) {}

    /** What counts how much when the computer compares plans. */
    public record WeightsView(double area, double link, double cut) {}

    static StripView of(StripLayout layout, CheckRun run, StripJson plan, StripWeights weights) {
        StripNets nets = new StripNets(layout);
        return new StripView(
                layout.pitchMm(),
                layout.terms().knife(),
                layout.terms().stock().stream()
                        .map(s -> new StockView(s.name(), s.strips(), s.holes()))
                        .toList(),
                layout.stock().name(),
                plan,
                layout.proposed(),
                layout.circuit().parts().values().stream().map(p -> part(layout, p)).toList(),
                layout.circuit().nets().entrySet().stream()
                        .map(
                                e ->
                                        new NetView(
                                                e.getKey(),
                                                e.getValue().stream()
                                                        .map(StripCircuit.Pin::describe)
                                                        .toList()))
                        .toList(),
                pieces(nets),
                StripCopper.gaps(layout.plan(), layout.stock().gaps()).stream()
                        .map(StripView::hole)
                        .toList(),
                layout.plan().links().stream().map(l -> link(layout, nets, l)).toList(),
                run.findings().stream().map(f -> found(layout, f)).toList(),
                new WeightsView(weights.area(), weights.link(), weights.cut()));
    }

    private static List<Integer> hole(GridHole h) {
        return List.of(h.strip(), h.hole());
    }

    private static LinkView link(StripLayout layout, StripNets nets, StripPlan.Link l) {
        return new LinkView(
                hole(l.from()),
                hole(l.to()),
                Math.round(l.length() * layout.pitchMm() * 10) / 10.0,
                nets.at(l.from()).orElse(""),
                StripTables.wire(l));
    }

    private static PartView part(StripLayout layout, StripPart p) {
        StripPlan.Placed placed = layout.plan().parts().get(p.designator());
        List<Double> body =
                placed == null
                        ? List.of()
                        : BodyBox.of(p, placed, layout.pitchMm())
                                .map(StripView::ring)
                                .orElse(List.of());
        LeadForm form = p.form().orElse(null);
        return new PartView(
                p.designator(),
                p.value(),
                p.footprint(),
                form == null ? "" : form.name(),
                form == null ? "" : form.kind().name().toLowerCase(Locale.ROOT),
                p.pins(),
                form == null ? List.of() : form.feet().stream().map(StripView::hole).toList(),
                form == null ? 0 : form.leastSpan(),
                form == null ? 0 : form.mostSpan(),
                form != null && form.standing(),
                placed != null,
                placed != null && placed.standing(),
                placed != null && placed.locked(),
                body);
    }

    private static List<Double> ring(Geometry g) {
        List<Double> xy = new ArrayList<>();
        Arrays.stream(g.getCoordinates())
                .forEach(
                        c -> {
                            xy.add(c.x);
                            xy.add(c.y);
                        });
        return xy;
    }

    private static List<PieceView> pieces(StripNets nets) {
        return nets.copper().pieces().stream()
                .map(
                        p ->
                                new PieceView(
                                        p.strip(),
                                        p.first(),
                                        p.last(),
                                        p.group(),
                                        String.join(" + ", nets.allOn(p.group()))))
                .toList();
    }

    private static FoundView found(StripLayout layout, Finding f) {
        double x = f.at().x() / 1e6;
        double y = (layout.plan().strips() - 1) * layout.pitchMm() - f.at().y() / 1e6;
        return new FoundView(
                f.id(),
                f.rule(),
                f.severity().id(),
                f.message(),
                f.everywhere() ? List.of() : List.of(x, y),
                f.parts(),
                f.nets());
    }
}
