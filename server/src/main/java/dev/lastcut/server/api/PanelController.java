package dev.lastcut.server.api;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.capability.PanelTerms;
import dev.lastcut.core.geometry.Geo;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.panel.Break;
import dev.lastcut.core.panel.Panel;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.panel.PanelFit;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.panel.PanelSource;
import dev.lastcut.core.panel.PlacedBoard;
import dev.lastcut.core.quote.FineMeasures;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.ticket.PanelJson;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Polygon;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The panel of a job as it is laid out, and what others would cost. */
@RestController
@RequestMapping("/api/jobs/{id}/panel")
class PanelController {
    private final JobService jobs;

    PanelController(JobService jobs) {
        this.jobs = jobs;
    }

    @GetMapping
    PanelView view(@PathVariable long id) {
        String name = jobs.job(id).name();
        Optional<PanelAsk> ask = jobs.panel(id);
        Optional<PanelAsk.Laid> laid = ask.map(a -> a.on(jobs.board(id)));
        Optional<Panel> panel = laid.flatMap(PanelAsk.Laid::panel);
        Optional<CapabilitySheet> sheet = jobs.sheet(id);
        return new PanelView(
                ask.map(a -> PanelJson.of(a.plan())).orElse(null),
                laid.map(PanelAsk.Laid::problem).orElse(""),
                laid.map(PanelAsk.Laid::widthNm).orElse(0.0),
                laid.map(PanelAsk.Laid::heightNm).orElse(0.0),
                panel.map(Panel::usedPercent).orElse(0.0),
                laid.map(l -> boards(l.boards())).orElse(List.of()),
                laid.map(l -> outlines(l.boards())).orElse(Map.of()),
                panel.map(p -> Rings.of(p.material())).orElse(List.of()),
                panel.map(p -> rings(p.rails())).orElse(List.of()),
                panel.map(PanelController::tabs).orElse(List.of()),
                panel.map(PanelController::scores).orElse(List.of()),
                panel.map(p -> places(p.fiducials())).orElse(List.of()),
                panel.map(p -> places(p.tooling())).orElse(List.of()),
                panel.map(p -> p.plan().tab().biteMm() * 1e6).orElse(0.0),
                panel.map(p -> p.plan().toolingMm() * 1e6).orElse(0.0),
                sheet.flatMap(CapabilitySheet::panel).map(PanelTerms::joins).orElse(List.of()),
                jobs.all().stream()
                        .map(j -> j.name())
                        .filter(n -> !n.equals(name))
                        .distinct()
                        .sorted()
                        .toList(),
                sheet.map(s -> fits(id, ask, s)).orElse(List.of()),
                sheet.map(s -> s.price().currency()).orElse(""),
                jobs.ticket(id).order().quantity());
    }

    private List<PanelView.PanelFitView> fits(
            long id, Optional<PanelAsk> ask, CapabilitySheet sheet) {
        if (jobs.board(id).boardArea().isEmpty()) {
            return List.of();
        }
        PanelSource own = new PanelSource("", jobs.board(id), jobs.ticket(id).parts());
        Order order = jobs.ticket(id).order();
        PanelPlan plan = ask.map(PanelAsk::plan).orElse(PanelPlan.BEGUN);
        return PanelFit.best(plan, own, sheet, order, FineMeasures.of(own.geometry(), sheet))
                .stream()
                .map(
                        f ->
                                new PanelView.PanelFitView(
                                        f.rows(),
                                        f.columns(),
                                        f.rotationDeg(),
                                        f.widthMm(),
                                        f.heightMm(),
                                        f.boards(),
                                        f.usedPercent(),
                                        f.panels(),
                                        f.spare(),
                                        f.total(),
                                        f.each(order.quantity())))
                .toList();
    }

    private static List<PanelView.PanelBoardView> boards(List<PlacedBoard> placed) {
        return placed.stream().map(PanelController::board).toList();
    }

    private static PanelView.PanelBoardView board(PlacedBoard b) {
        Envelope e = b.box();
        return new PanelView.PanelBoardView(
                b.number(),
                b.source().name(),
                b.shift().x(),
                b.shift().y(),
                b.rotationDeg(),
                e.getMinX(),
                e.getMinY(),
                e.getMaxX(),
                e.getMaxY());
    }

    private static Map<String, List<double[]>> outlines(List<PlacedBoard> placed) {
        Map<String, List<double[]>> all = new LinkedHashMap<>();
        for (PlacedBoard b : placed) {
            all.computeIfAbsent(
                    b.source().name(), n -> Rings.of(b.source().geometry().boardArea()));
        }
        return all;
    }

    private static List<double[]> rings(List<Polygon> areas) {
        return Rings.of(Geo.union(areas));
    }

    private static List<PanelView.PanelTabView> tabs(Panel panel) {
        return panel.tabs().stream()
                .map(t -> new PanelView.PanelTabView(Rings.of(t.shape()), places(t.bites())))
                .toList();
    }

    private static List<double[]> scores(Panel panel) {
        List<double[]> all = new ArrayList<>();
        for (Break.Score s : panel.scores()) {
            all.add(
                    Arrays.stream(s.line().getCoordinates())
                            .flatMap((Coordinate c) -> List.of(c.x, c.y).stream())
                            .mapToDouble(Double::doubleValue)
                            .toArray());
        }
        return all;
    }

    private static List<CheckController.PlaceView> places(List<Pt> points) {
        return points.stream().map(CheckController.PlaceView::of).toList();
    }
}
