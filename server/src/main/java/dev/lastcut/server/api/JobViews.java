package dev.lastcut.server.api;

import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.review.Review;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.server.jobs.CheckService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.jobs.TicketService;
import dev.lastcut.server.kit.KitService;
import dev.lastcut.server.report.ReviewJson;
import dev.lastcut.server.store.CutStore;
import java.util.List;
import java.util.Optional;
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
        BoardGeometry board = jobs.board(id);
        Ticket ticket = jobs.ticket(id);
        Optional<CapabilitySheet> sheet = jobs.sheet(id);
        Optional<Assignments> who =
                sheet.map(s -> Assignments.of(board, s, ticket.order(), ticket.parts()));
        List<CutStore.Cut> cuts = outputs.cuts(id);
        Optional<CheckRun> run = checks.lastCheck(id);
        return JobView.of(
                jobs.job(id),
                jobs.revision(id),
                ticket,
                tickets.history(id),
                checks.stamp(id),
                board,
                JobView.BuiltView.of(board, ticket, who, ticks.done(id, ticket.order().quantity())),
                JobView.PanelSummary.of(jobs.panel(id), board),
                touches(id),
                run.map(r -> JobView.summary(r, checks.openStops(id).size()))
                        .orElse(new JobView.CheckSummary(false, 0, 0, 0, 0, 0)),
                who
                        .map(w -> Review.of(board, sheet.get(), ticket, w, run))
                        .orElse(List.of())
                        .stream()
                        .map(ReviewJson::of)
                        .toList(),
                cuts.size(),
                !cuts.isEmpty() && outputs.stands(id, cuts.get(0)));
    }

    private JobView.TouchSummary touches(long id) {
        List<Touched.Outcome> all = jobs.touched(id).outcomes();
        int failed = (int) all.stream().filter(o -> o.step().on() && !o.done()).count();
        return new JobView.TouchSummary(all.size(), failed, jobs.touchStamp(id));
    }
}
