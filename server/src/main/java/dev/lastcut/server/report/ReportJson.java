package dev.lastcut.server.report;

import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.Hole;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Cutter;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.cut.Parcels;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.Operation;
import dev.lastcut.core.quote.JobQuote;
import dev.lastcut.core.review.Review;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.touch.Touched;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Envelope;

/** {@code report.json}, version 1; documented in docs/report.md. */
public record ReportJson(
        int version,
        String sheet,
        BoardJson board,
        List<FileJson> files,
        List<ProblemJson> problems,
        List<CheckJson> checks,
        List<FindingJson> findings,
        List<MillingJson> milling,
        List<BuiltPartJson> parts,
        BillJson bill,
        PlacementJson placement,
        List<StencilReportJson> stencil,
        PanelReportJson panel,
        QuoteJson quote,
        String variant,
        List<TouchedJson> touches,
        StripReportJson strip,
        List<ReviewJson> reviews,
        List<String> remarks) {
    public static final int VERSION = 1;

    record BoardJson(
            double widthMm,
            double heightMm,
            int copperLayers,
            List<HoleJson> holes,
            long slots,
            long netCount,
            int partCount) {}

    record HoleJson(double diameterMm, boolean plated, int count) {}

    /**
     * {@code doubt} says what the user must be asked; empty where nothing is open. {@code against}
     * is what speaks against the role.
     */
    record FileJson(
            String path,
            String role,
            String evidence,
            String against,
            double confidence,
            String doubt) {}

    record ProblemJson(String file, int line, String text, String action) {}

    record CheckJson(String rule, String status, String reason) {}

    public record PlaceJson(double xMm, double yMm) {
        static PlaceJson of(Pt p) {
            return new PlaceJson(mm(p.x()), mm(p.y()));
        }
    }

    /** A further place of a finding; both ends equal for a point. */
    record LineJson(PlaceJson from, PlaceJson to) {
        static LineJson of(Measure m) {
            return new LineJson(PlaceJson.of(m.from()), PlaceJson.of(m.to()));
        }
    }

    /** One finding as it stands in the report and in the manifest. */
    public record FindingJson(
            String id,
            String rule,
            String severity,
            List<String> layers,
            double xMm,
            double yMm,
            PlaceJson from,
            PlaceJson to,
            double measured,
            double limit,
            String unit,
            List<String> nets,
            List<String> parts,
            List<LineJson> also,
            String message,
            String signedOff) {
        static FindingJson of(Finding f, Map<String, String> reasons) {
            return new FindingJson(
                    f.id(),
                    f.rule(),
                    f.severity().id(),
                    f.layers(),
                    mm(f.at().x()),
                    mm(f.at().y()),
                    PlaceJson.of(f.from()),
                    PlaceJson.of(f.to()),
                    f.measured(),
                    f.limit(),
                    f.unit(),
                    f.nets(),
                    f.parts(),
                    f.also().stream().map(LineJson::of).toList(),
                    f.message(),
                    reasons.get(f.id()));
        }
    }

    /** What came of a finishing touch. */
    public record TouchedJson(String kind, boolean done, String why, List<PlaceJson> places) {
        static TouchedJson of(Touched.Outcome o) {
            return new TouchedJson(
                    o.step().touch().kind(),
                    o.done(),
                    o.why(),
                    o.places().stream().map(PlaceJson::of).toList());
        }
    }

    /** How many parts a machine is to place. */
    record PlacementJson(int lines) {}

    record MillingJson(
            String file,
            String operation,
            String side,
            ToolJson tool,
            double depthMm,
            ToPackJson toPack,
            double minutes) {}

    record ToolJson(String kind, double tipMm, double angleDeg, double diameterMm) {}

    record ToPackJson(boolean mirrorX, boolean mirrorY, double dxMm, double dyMm) {}

    public static ReportJson of(JobPipeline.Product product, List<SignOff> signOffs) {
        BoardGeometry geometry = product.geometry();
        CapabilitySheet sheet = product.sheet();
        CheckRun checks = product.run();
        OutputSet outputs = product.outputs();
        PartsPlan plan = product.ticket().parts();
        int quantity = product.ticket().order().quantity();
        Board board = geometry.board();
        Assignments who = Assignments.of(geometry, sheet, product.ticket().order(), plan);
        return new ReportJson(
                VERSION,
                sheet.id(),
                board(geometry),
                board.files().stream()
                        .map(
                                f ->
                                        new FileJson(
                                                f.path(),
                                                f.role().id(),
                                                f.evidence(),
                                                f.against(),
                                                f.confidence(),
                                                f.doubt().map(Doubt::text).orElse("")))
                        .toList(),
                board.problems().stream()
                        .map(p -> new ProblemJson(p.file(), p.line(), p.text(), p.action()))
                        .toList(),
                checks.results().stream()
                        .map(
                                r ->
                                        new CheckJson(
                                                r.rule(),
                                                r.outcome().status().id(),
                                                r.outcome().reason()))
                        .toList(),
                findings(checks, signOffs),
                outputs.milling().map(ReportJson::milling).orElse(List.of()),
                BuiltPartJson.of(who, geometry, plan),
                BillJson.of(who, sheet, plan, quantity),
                new PlacementJson(PlacementTable.fitted(who.listed()).size()),
                StencilReportJson.of(product),
                product.panel().map(PanelReportJson::of).orElse(null),
                JobQuote.of(geometry, sheet, product.ticket().order(), plan, product.panel())
                        .map(QuoteJson::of)
                        .orElse(null),
                plan.variants().built().orElse(null),
                product.touched().outcomes().stream().map(TouchedJson::of).toList(),
                StripLayout.of(geometry).map(StripReportJson::of).orElse(null),
                Review.of(geometry, sheet, product.ticket(), who, Optional.of(checks)).stream()
                        .map(ReviewJson::of)
                        .toList(),
                Stream.concat(
                                outputs.remarks().stream(),
                                Parcels.empty(sheet.parcels(), outputs.files()).stream())
                        .toList());
    }

    /** All findings, the most severe first, with the reasons of those signed off. */
    public static List<FindingJson> findings(CheckRun checks, List<SignOff> signOffs) {
        Map<String, String> reasons = new LinkedHashMap<>();
        signOffs.forEach(s -> reasons.put(s.findingId(), s.reason()));
        return checks.findings().stream().map(f -> FindingJson.of(f, reasons)).toList();
    }

    private static BoardJson board(BoardGeometry geometry) {
        Board board = geometry.board();
        Envelope e = geometry.boardArea().getEnvelopeInternal();
        record Size(long diameter, boolean plated) {}
        Map<Size, Integer> sizes = new LinkedHashMap<>();
        board.holes().stream()
                .filter(h -> !h.isSlot())
                .forEach(h -> sizes.merge(new Size(h.diameter(), h.plated()), 1, Integer::sum));
        Map<String, HoleJson> sorted = new TreeMap<>();
        sizes.forEach(
                (s, count) ->
                        sorted.put(
                                String.format(Locale.ROOT, "%12d %b", s.diameter(), s.plated()),
                                new HoleJson(mm(s.diameter()), s.plated(), count)));
        long named =
                board.netlist().map(n -> n.netCount()).orElse((long) geometry.nets().netCount());
        return new BoardJson(
                e.isNull() ? 0 : mm(e.getWidth()),
                e.isNull() ? 0 : mm(e.getHeight()),
                board.copper().size(),
                new ArrayList<>(sorted.values()),
                board.holes().stream().filter(Hole::isSlot).count(),
                named,
                board.partCount());
    }

    private static List<MillingJson> milling(MillingPlan plan) {
        List<MillingJson> result = new ArrayList<>();
        Map<Operation, String> files = new IdentityHashMap<>();
        plan.programs().forEach(p -> p.operations().forEach(o -> files.put(o, p.file())));
        for (Operation o : plan.operations()) {
            Cutter c = o.cutter();
            result.add(
                    new MillingJson(
                            "milling/" + files.get(o),
                            o.kind().id(),
                            o.side().word(),
                            new ToolJson(
                                    c.kind().name().toLowerCase(Locale.ROOT),
                                    mm(c.tip()),
                                    c.angleDeg(),
                                    mm(c.diameter())),
                            mm(o.depth()),
                            new ToPackJson(
                                    o.toPack().mirrorX(),
                                    o.toPack().mirrorY(),
                                    mm(o.toPack().dx()),
                                    mm(o.toPack().dy())),
                            Math.round(o.minutes() * 100) / 100.0));
        }
        return result;
    }

    private static double mm(double nm) {
        return Math.round(Length.toMm(nm) * 1e6) / 1e6;
    }
}
