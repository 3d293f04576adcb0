package dev.lastcut.server.report;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.Population;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.stencil.Foil;
import dev.lastcut.core.stencil.openings.Release;
import dev.lastcut.core.stencil.openings.Stencil;
import dev.lastcut.core.stencil.openings.StencilOpening;
import dev.lastcut.core.ticket.Ticket;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * The stencil of one side as it will be cut.
 *
 * @param openings that are cut, panes counted as one with their opening
 * @param leastAreaRatio of the worst pane, as the ratio after it
 */
record StencilReportJson(
        String side,
        double foilMm,
        int openings,
        double areaMm2,
        double leastAreaRatio,
        double leastAspect) {
    static List<StencilReportJson> of(JobPipeline.Product product) {
        Ticket ticket = product.ticket();
        BoardGeometry geometry = product.geometry();
        List<Part> parts = Population.of(geometry.board(), ticket.parts().variants());
        double foil = Foil.mm(ticket.stencil(), product.sheet(), ticket.order());
        List<StencilReportJson> all = new ArrayList<>();
        for (Map.Entry<Side, Stencil> e :
                Stencil.of(geometry, ticket.stencil(), parts).entrySet()) {
            all.add(of(e.getValue(), foil));
        }
        return all;
    }

    private static StencilReportJson of(Stencil s, double foil) {
        Release release = new Release(foil);
        double area = 0;
        double ratio = Double.MAX_VALUE;
        double aspect = Double.MAX_VALUE;
        for (StencilOpening o : s.cut()) {
            area += o.after().getArea();
            for (Release.Pane p : release.of(o)) {
                ratio = Math.min(ratio, p.areaRatio());
                aspect = Math.min(aspect, p.aspect());
            }
        }
        boolean any = !s.cut().isEmpty();
        return new StencilReportJson(
                s.side().word(),
                foil,
                s.cut().size(),
                rounded(area / 1e12, 1e6),
                any ? rounded(ratio, 1e4) : 0,
                any ? rounded(aspect, 1e4) : 0);
    }

    private static double rounded(double n, double to) {
        return Math.round(n * to) / to;
    }
}
