package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.OrderOption;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.job.PanelBoardSource;
import dev.lastcut.core.panel.PanelPlan;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.store.JobStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;

/** Boards of other jobs that go on a job's panel, found by the job's name. */
final class Neighbours implements PanelBoardSource {
    private final JobService jobs;

    Neighbours(JobService jobs) {
        this.jobs = jobs;
    }

    @Override
    public Other find(String pack) throws UnusablePackException {
        JobSnapshot now =
                moment(pack).orElseThrow(() -> new UnusablePackException("there is no such job"));
        Optional<Double> said =
                now.ticket().order().value(OrderOption.THICKNESS).map(Double::valueOf);
        try {
            return new Other(
                    jobs.board(now),
                    said.isPresent() ? OptionalDouble.of(said.get()) : OptionalDouble.empty());
        } catch (RefusedException e) {
            throw new UnusablePackException(e.getMessage());
        }
    }

    /** The newest job of that name. */
    private Optional<JobSnapshot> moment(String pack) {
        return jobs.all().stream()
                .filter(j -> j.name().equals(pack))
                .map(JobStore.Job::id)
                .max(Long::compare)
                .map(jobs::now);
    }

    /** What results depend on besides the job itself: the boards beside it, as they are now. */
    List<Object> key(Ticket ticket) {
        List<Object> all = new ArrayList<>();
        for (String pack : ticket.panel().map(PanelPlan::packs).orElse(new TreeSet<>())) {
            Optional<JobSnapshot> there = moment(pack);
            all.add(pack);
            there.ifPresent(
                    m -> {
                        all.add(m.board());
                        all.add(m.ticket().order().value(OrderOption.THICKNESS));
                    });
        }
        return all;
    }
}
