package dev.lastcut.server.api;

import dev.lastcut.core.review.Review;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.server.jobs.CheckService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.jobs.TicketService;
import dev.lastcut.server.kit.KitService;
import dev.lastcut.server.report.ReviewJson;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Puts together what the interface shows of a job. */
@Component
class JobViews {
    private final JobService jobs;
    private final TicketService tickets;
    private final CheckService checks;
    private final OutputService outputs;
    private final KitService ticks;

    JobViews(
            JobService jobs,
            TicketService tickets,
            CheckService checks,
            OutputService outputs,
            KitService ticks) {
        this.ticks = ticks;
        this.jobs = jobs;
        this.tickets = tickets;
        this.checks = checks;
        this.outputs = outputs;
    }

    JobView of(long id) {
        return JobView.of(
                jobs.job(id),
                jobs.revision(id),
                jobs.ticket(id),
                tickets.history(id),
                checks.stamp(id),
                jobs.board(id),
                JobView.BuiltView.of(
                        jobs.board(id),
                        jobs.ticket(id),
                        jobs.sheet(id),
                        Set.copyOf(ticks.done(id))),
                JobView.PanelSummary.of(jobs.panel(id), jobs.board(id)),
                touches(id),
                checks.lastCheck(id)
                        .map(run -> JobView.summary(run, checks.openStops(id).size()))
                        .orElse(new JobView.CheckSummary(false, 0, 0, 0, 0, 0)),
                jobs
                        .sheet(id)
                        .map(
                                sheet ->
                                        Review.of(
                                                jobs.board(id),
                                                sheet,
                                                jobs.ticket(id),
                                                checks.lastCheck(id)))
                        .orElse(List.of())
                        .stream()
                        .map(ReviewJson::of)
                        .toList(),
                outputs.cuts(id).size());
    }

    private JobView.TouchSummary touches(long id) {
        List<Touched.Outcome> all = jobs.touched(id).outcomes();
        int failed = (int) all.stream().filter(o -> o.step().on() && !o.done()).count();
        return new JobView.TouchSummary(all.size(), failed, jobs.touchStamp(id));
    }
}
