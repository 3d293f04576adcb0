package dev.lastcut.server.api;

import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.server.jobs.JobService;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Findings and sign-offs. */
@RestController
@RequestMapping("/api/jobs/{id}")
class CheckController {
    private final JobService jobs;

    CheckController(JobService jobs) {
        this.jobs = jobs;
    }

    record PlaceView(long x, long y) {}

    record RuleView(String rule, String title, String status, String reason, int findings) {}

    /** A finding; {@code number} is its flag on the table. */
    record FindingView(
            int number,
            String id,
            String rule,
            String title,
            String severity,
            List<String> layers,
            PlaceView at,
            PlaceView from,
            PlaceView to,
            double measured,
            double limit,
            String unit,
            List<String> nets,
            List<String> parts,
            String message,
            SignOff signOff) {}

    /** {@code ran} is false until this board was checked against this sheet and headroom. */
    record CheckView(boolean ran, List<RuleView> rules, List<FindingView> findings) {}

    record SignOffRequest(String by, String reason) {}

    @GetMapping("/check")
    CheckView check(@PathVariable long id) {
        jobs.job(id);
        return jobs.lastCheck(id)
                .map(run -> view(run, jobs.signOffs(id)))
                .orElse(new CheckView(false, List.of(), List.of()));
    }

    private static CheckView view(CheckRun run, List<SignOff> signOffs) {
        Map<String, SignOff> byFinding = new HashMap<>();
        signOffs.forEach(s -> byFinding.put(s.findingId(), s));
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
                            r.outcome().findings().size()));
        }
        List<FindingView> findings = new ArrayList<>();
        for (Finding f : run.findings()) {
            findings.add(view(f, findings.size() + 1, titles.get(f.rule()), byFinding.get(f.id())));
        }
        return new CheckView(true, rules, findings);
    }

    private static FindingView view(Finding f, int number, String title, SignOff signOff) {
        return new FindingView(
                number,
                f.id(),
                f.rule(),
                title,
                f.severity().id(),
                f.layers(),
                new PlaceView(f.at().x(), f.at().y()),
                new PlaceView(f.from().x(), f.from().y()),
                new PlaceView(f.to().x(), f.to().y()),
                f.measured(),
                f.limit(),
                f.unit(),
                f.nets(),
                f.parts(),
                f.message(),
                signOff);
    }

    @PutMapping("/sign-offs/{finding}")
    CheckView signOff(
            @PathVariable long id, @PathVariable String finding, @RequestBody SignOffRequest r) {
        jobs.signOff(
                id, finding, r.by() == null ? "" : r.by(), r.reason() == null ? "" : r.reason());
        return check(id);
    }

    @DeleteMapping("/sign-offs/{finding}")
    CheckView takeBack(@PathVariable long id, @PathVariable String finding) {
        jobs.takeBack(id, finding);
        return check(id);
    }
}
