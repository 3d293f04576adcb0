package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.compare.BoardChanges;
import dev.lastcut.core.current.NetCurrent;
import dev.lastcut.core.current.NetPath;
import dev.lastcut.core.current.TrackCurrent;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.touch.Step;
import dev.lastcut.core.touch.TouchClearances;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.core.touch.mend.Mending;
import dev.lastcut.server.work.Task;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** What finishing touches do to a job's board. */
@Service
public class TouchService {
    private final JobService jobs;
    private final CheckService checks;
    private final ResultCache<BoardChanges> changes = new ResultCache<>(6);

    TouchService(JobService jobs, CheckService checks) {
        this.jobs = jobs;
        this.checks = checks;
    }

    public Touched touched(long id) {
        return jobs.touched(id);
    }

    public TouchClearances room(long id) {
        JobSnapshot now = jobs.now(id);
        return room(now);
    }

    private TouchClearances room(JobSnapshot now) {
        return TouchClearances.of(
                now.sheet(),
                now.ticket().headroom(),
                now.ticket().order(),
                jobs.touched(now).read().board().copper().size());
    }

    /** What the touches changed of the board as its files have it. */
    public BoardChanges changes(long id) {
        JobSnapshot now = jobs.now(id);
        return changes.get(
                now.board(),
                Ticket.BLANK,
                asking -> {
                    Touched t = jobs.touched(now);
                    return BoardChanges.between(t.read(), t.geometry());
                });
    }

    /** What mends what the last check found; empty until there is one. */
    public Optional<Mending.Plan> mending(long id) {
        JobSnapshot now = jobs.now(id);
        return checks.lastCheck(id)
                .map(run -> new Mending(jobs.board(now), room(now)).plan(run.findings()));
    }

    /**
     * Checks without a touch and with it.
     *
     * @param touch its place in the list; empty: with none of them and with all
     */
    public void work(long id, Optional<Integer> touch, Task task) {
        JobSnapshot now = jobs.now(id);
        checks.check(now, task);
        if (!task.isCancelled()) {
            checks.check(without(now, touch), task);
        }
    }

    /** The findings without and with; empty until both were looked for. */
    public Optional<Effect> effect(long id, Optional<Integer> touch) {
        JobSnapshot now = jobs.now(id);
        JobSnapshot then = without(now, touch);
        Optional<CheckRun> after = checks.known(now);
        Optional<CheckRun> before = checks.known(then);
        if (after.isEmpty() || before.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Effect(before.get(), after.get()));
    }

    /** Two checks of one board, without something and with it. */
    public record Effect(CheckRun before, CheckRun after) {}

    /** The job as it would be without one of its touches, or without any. */
    private JobSnapshot without(JobSnapshot now, Optional<Integer> touch) {
        List<Step> left = new ArrayList<>();
        List<Step> all = now.ticket().touches();
        touch.filter(i -> i >= 0 && i < all.size())
                .ifPresent(
                        i -> {
                            left.addAll(all);
                            left.remove((int) i);
                        });
        return jobs.with(now, now.ticket().with(d -> d.touches = left));
    }

    /**
     * A net between its farthest pads.
     *
     * @param ohm resistance, Ω
     * @param amps direct current that warms its narrowest section by {@link #RISE_K}
     */
    public record Way(double ohm, double amps) {}

    /** The same without a touch and with it; empty where no copper leads there. */
    public record Ways(Optional<Way> before, Optional<Way> after) {}

    public static final double RISE_K = 20;

    /** What a touch does for a current. */
    public Ways ways(long id, int touch, String net) {
        JobSnapshot now = jobs.now(id);
        Optional<CapabilitySheet> sheet = now.sheet();
        NetPath.Stack stack =
                NetPath.Stack.ordered(
                        o ->
                                sheet.flatMap(s -> s.value(o, now.ticket().order()))
                                        .map(Double::valueOf));
        return new Ways(way(without(now, Optional.of(touch)), net, stack), way(now, net, stack));
    }

    private Optional<Way> way(JobSnapshot m, String net, NetPath.Stack stack) {
        var geometry = jobs.board(m);
        NetCurrent one = new NetCurrent(net, 1, RISE_K, Optional.empty(), Optional.empty());
        try {
            return NetPath.named(geometry, net)
                    .flatMap(n -> NetPath.of(geometry, n, one, stack))
                    .map(
                            r ->
                                    new Way(
                                            r.ohm(),
                                            TrackCurrent.amps(
                                                    r.sectionNm2(),
                                                    RISE_K,
                                                    r.isOuter(geometry.board().copper().size()))));
        } catch (IllegalStateException tooFine) {
            return Optional.empty();
        }
    }
}
