package dev.lastcut.server.api;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.geometry.Measure;
import dev.lastcut.core.geometry.Pt;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.report.CheckReport;
import dev.lastcut.core.report.HtmlReport;
import dev.lastcut.core.report.PdfReport;
import dev.lastcut.core.ticket.Acceptance;
import dev.lastcut.core.ticket.SignedFindings;
import dev.lastcut.server.jobs.CheckService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.report.ReportJson;
import dev.lastcut.server.report.Reports;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Findings, sign-offs and the printed report. */
@RestController
@RequestMapping("/api/jobs/{id}")
class CheckController {
    private final JobService jobs;
    private final CheckService checks;

    CheckController(JobService jobs, CheckService checks) {
        this.jobs = jobs;
        this.checks = checks;
    }

    record PlaceView(long x, long y) {
        static PlaceView of(Pt p) {
            return new PlaceView(p.x(), p.y());
        }
    }

    /** A line between two places; both equal for a point. */
    record LineView(PlaceView from, PlaceView to) {
        static LineView of(Measure m) {
            return new LineView(PlaceView.of(m.from()), PlaceView.of(m.to()));
        }
    }

    /** {@code computed} is false when an earlier outcome still held. */
    record RuleView(
            String rule,
            String title,
            String status,
            String reason,
            int findings,
            boolean computed) {}

    /** {@code revision} is the one it was given on, 0 when nobody said. */
    record SignOffView(String by, String reason, String at, int revision) {
        static SignOffView of(Acceptance a) {
            return a == null
                    ? null
                    : new SignOffView(
                            a.by(),
                            a.reason(),
                            a.facts().map(Acceptance.Facts::time).orElse(""),
                            a.facts().map(Acceptance.Facts::revision).orElse(0));
        }
    }

    /**
     * A finding; {@code number} is its flag on the table, {@code lapsed} a sign-off that no longer
     * holds because it got worse, {@code everywhere} true when it has no place, {@code isNew} true
     * when the revision before did not have it.
     */
    record FindingView(
            int number,
            String id,
            String subject,
            String rule,
            String title,
            String severity,
            boolean everywhere,
            List<String> layers,
            PlaceView at,
            PlaceView from,
            PlaceView to,
            List<LineView> also,
            double measured,
            double limit,
            String unit,
            List<String> nets,
            List<String> parts,
            String message,
            SignOffView signOff,
            SignOffView lapsed,
            boolean isNew) {}

    /**
     * {@code ran} is false until this board was checked against this sheet, headroom and order;
     * {@code gone} are findings of the revision before that this one no longer has.
     */
    record CheckView(
            boolean ran,
            boolean compared,
            List<RuleView> rules,
            List<FindingView> findings,
            List<FindingView> gone) {}

    record SignOffRequest(List<String> findings, String by, String reason) {}

    @GetMapping("/check")
    CheckView check(@PathVariable long id) {
        return checks.lastCheck(id)
                .map(run -> view(run, checks.signed(id, run), checks.checkBefore(id)))
                .orElse(new CheckView(false, false, List.of(), List.of(), List.of()));
    }

    private static CheckView view(CheckRun run, SignedFindings signed, Optional<CheckRun> before) {
        Map<String, String> titles = new HashMap<>();
        List<RuleView> rules = new ArrayList<>();
        for (CheckRun.Result r : run.results()) {
            titles.put(r.rule(), r.title());
            rules.add(
                    new RuleView(
                            r.rule(),
                            r.title(),
                            r.outcome().status().id(),
                            r.outcome().reason(),
                            r.outcome().findings().size(),
                            r.computed()));
        }
        Matched then = new Matched(before.map(CheckRun::findings).orElse(List.of()));
        List<FindingView> findings = new ArrayList<>();
        for (Finding f : run.findings()) {
            boolean isNew = before.isPresent() && !then.take(f);
            findings.add(view(f, findings.size() + 1, titles.get(f.rule()), signed, isNew));
        }
        List<FindingView> gone = new ArrayList<>();
        for (Finding f : then.left()) {
            gone.add(view(f, 0, titles.getOrDefault(f.rule(), f.rule()), signed, false));
        }
        return new CheckView(true, before.isPresent(), rules, findings, gone);
    }

    /** Pairs the findings of two revisions, each one once. */
    private static final class Matched {
        private final Map<String, List<Finding>> bySubject = new HashMap<>();

        Matched(List<Finding> before) {
            before.forEach(
                    f -> bySubject.computeIfAbsent(f.subject(), k -> new ArrayList<>()).add(f));
        }

        boolean take(Finding f) {
            List<Finding> alike = bySubject.getOrDefault(f.subject(), List.of());
            for (Finding other : alike) {
                if (f.isSameAs(other)) {
                    alike.remove(other);
                    return true;
                }
            }
            return false;
        }

        List<Finding> left() {
            return bySubject.values().stream().flatMap(List::stream).toList();
        }
    }

    private static FindingView view(
            Finding f, int number, String title, SignedFindings signed, boolean isNew) {
        return new FindingView(
                number,
                f.id(),
                f.subject(),
                f.rule(),
                title,
                f.severity().id(),
                f.everywhere(),
                f.layers(),
                PlaceView.of(f.at()),
                PlaceView.of(f.from()),
                PlaceView.of(f.to()),
                f.also().stream().map(LineView::of).toList(),
                f.measured(),
                f.limit(),
                f.unit(),
                f.nets(),
                f.parts(),
                f.message(),
                SignOffView.of(signed.valid().get(f.id())),
                SignOffView.of(signed.lapsed().get(f.id())),
                isNew);
    }

    /** Signs off one finding or several with the same reason. */
    @PostMapping("/sign-offs")
    CheckView signOff(
            @PathVariable long id,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base,
            @RequestBody SignOffRequest r) {
        checks.signOff(
                id,
                IfMatchVersion.of(base),
                r.findings() == null ? List.of() : r.findings(),
                r.by() == null ? "" : r.by(),
                r.reason() == null ? "" : r.reason());
        return check(id);
    }

    @DeleteMapping("/sign-offs/{finding}")
    CheckView takeBack(
            @PathVariable long id,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base,
            @PathVariable String finding) {
        checks.takeBack(id, IfMatchVersion.of(base), finding);
        return check(id);
    }

    @GetMapping(path = "/report.html", produces = MediaType.TEXT_HTML_VALUE)
    byte[] html(@PathVariable long id) {
        return HtmlReport.write(report(id));
    }

    @GetMapping(path = "/report.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(@PathVariable long id) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"report.pdf\"")
                .body(PdfReport.write(report(id)));
    }

    @GetMapping(path = "/report.json", produces = MediaType.APPLICATION_JSON_VALUE)
    byte[] json(@PathVariable long id) {
        CheckReport report = report(id);
        OutputSet none = new OutputSet(List.of(), Optional.empty(), List.of());
        JobPipeline.Product checked =
                new JobPipeline.Product(
                        jobs.touched(id),
                        jobs.against(id).orElseThrow().sheet(),
                        jobs.ticket(id),
                        jobs.others(),
                        report.run(),
                        none);
        return Json.write(ReportJson.of(checked, report.signOffs()));
    }

    private CheckReport report(long id) {
        CheckRun run =
                checks.lastCheck(id)
                        .orElseThrow(
                                () ->
                                        new RefusedException(
                                                "The board has not been checked since it, the shop"
                                                        + " or the headroom changed. Check it"
                                                        + " first."));
        return Reports.of(
                jobs.job(id).name() + ", revision " + jobs.revision(id),
                Instant.now().truncatedTo(ChronoUnit.SECONDS).toString(),
                jobs.against(id).orElseThrow(),
                jobs.touched(id),
                run,
                checks.signed(id, run).signOffs());
    }
}
