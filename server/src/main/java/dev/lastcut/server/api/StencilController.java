package dev.lastcut.server.api;

import dev.lastcut.core.assembly.PackageName;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.stencil.Foil;
import dev.lastcut.core.stencil.openings.AlignHoles;
import dev.lastcut.core.stencil.openings.FoilAdvice;
import dev.lastcut.core.stencil.openings.Release;
import dev.lastcut.core.stencil.openings.Stencil;
import dev.lastcut.core.stencil.openings.StencilOpening;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.ticket.StencilJson;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The stencils of a job, opening by opening, before and after. */
@RestController
@RequestMapping("/api/jobs/{id}/stencil")
class StencilController {
    private final JobService jobs;

    StencilController(JobService jobs) {
        this.jobs = jobs;
    }

    @GetMapping
    StencilView view(@PathVariable long id) {
        Ticket ticket = jobs.ticket(id);
        BoardGeometry geometry = jobs.board(id);
        Optional<CapabilitySheet> sheet = jobs.sheet(id);
        List<Part> parts = Population.of(geometry.board(), ticket.parts().variants());
        Map<Side, Stencil> stencils = Stencil.of(geometry, ticket.stencil(), parts);
        double foil =
                sheet.map(s -> Foil.mm(ticket.stencil(), s, ticket.order()))
                        .orElse(ticket.stencil().foilMm().orElse(Foil.USUAL_MM));
        List<Double> foils =
                sheet
                        .map(s -> s.options().getOrDefault(OrderOption.FOIL, List.of()))
                        .orElse(List.of())
                        .stream()
                        .map(Double::valueOf)
                        .toList();
        Release release = new Release(foil);
        List<StencilView.StencilSideView> sides = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        Map<String, StencilView.StencilKindView> packages = new TreeMap<>();
        for (Stencil s : stencils.values()) {
            sides.add(side(s, release, packages));
            remarks.addAll(s.remarks());
        }
        return new StencilView(
                foil,
                foils,
                StencilJson.of(ticket.stencil()),
                sides,
                List.copyOf(packages.values()),
                Rings.of(
                        AlignHoles.about(
                                geometry.boardArea(), ticket.stencil().mounting().alignMm())),
                FoilAdvice.of(List.copyOf(stencils.values()), foil, foils),
                remarks);
    }

    private static StencilView.StencilSideView side(
            Stencil s, Release release, Map<String, StencilView.StencilKindView> packages) {
        List<StencilView.OpeningView> all = new ArrayList<>();
        int panes = 0;
        double area = 0;
        double ratio = Double.MAX_VALUE;
        double aspect = Double.MAX_VALUE;
        for (StencilOpening o : s.openings()) {
            List<Release.Pane> own = release.of(o);
            StencilView.OpeningView view = opening(o, own);
            all.add(view);
            panes += own.size();
            area += o.after().getArea();
            for (Release.Pane p : own) {
                ratio = Math.min(ratio, p.areaRatio());
                aspect = Math.min(aspect, p.aspect());
            }
            packages.merge(
                    o.footprint().isEmpty() ? "" : PackageName.of(o.footprint()),
                    new StencilView.StencilKindView(
                            o.footprint().isEmpty() ? "" : PackageName.of(o.footprint()),
                            o.isLeftOut() ? 0 : 1,
                            view.fails() ? 1 : 0,
                            mm2(o.before().getArea()),
                            mm2(o.after().getArea())),
                    StencilController::sum);
        }
        boolean any = !s.cut().isEmpty();
        return new StencilView.StencilSideView(
                s.side().word(),
                s.fromPads(),
                s.cut().size(),
                panes,
                mm2(area),
                any ? ratio : 0,
                any ? aspect : 0,
                all);
    }

    private static double mm2(double nm2) {
        return Math.round(nm2 / 1e6) / 1e6;
    }

    private static StencilView.StencilKindView sum(
            StencilView.StencilKindView a, StencilView.StencilKindView b) {
        return new StencilView.StencilKindView(
                a.name(),
                a.openings() + b.openings(),
                a.fails() + b.fails(),
                a.beforeMm2() + b.beforeMm2(),
                a.afterMm2() + b.afterMm2());
    }

    private static StencilView.OpeningView opening(StencilOpening o, List<Release.Pane> panes) {
        double ratio = panes.stream().mapToDouble(Release.Pane::areaRatio).min().orElse(0);
        double aspect = panes.stream().mapToDouble(Release.Pane::aspect).min().orElse(0);
        return new StencilView.OpeningView(
                o.part(),
                o.footprint(),
                o.at().x(),
                o.at().y(),
                Rings.of(o.before()),
                o.isChanged() ? Rings.of(o.after()) : List.of(),
                o.isChanged(),
                o.isLeftOut(),
                panes.stream().anyMatch(Release.Pane::fails),
                ratio,
                aspect,
                panes.stream().mapToDouble(Release.Pane::mostFoilMm).min().orElse(0),
                o.refused());
    }
}
