package dev.lastcut.server.strip;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.StripTerms;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.job.StripMaking;
import dev.lastcut.core.strip.StripChoices;
import dev.lastcut.core.strip.StripCircuit;
import dev.lastcut.core.strip.StripLayout;
import dev.lastcut.core.strip.StripPlan;
import dev.lastcut.core.strip.search.StripProposal;
import dev.lastcut.server.jobs.ChoiceService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.ticket.StripJson;
import dev.lastcut.server.work.Task;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.stereotype.Service;

/** The strip board of a job, and plans by the computer. */
@Service
public class StripService {
    private static final int STEPS = 100;

    private final JobService jobs;
    private final ChoiceService choices;

    /** Searches that run, by job: set to end one with the best plan so far. */
    private final Map<Long, AtomicBoolean> searching = new ConcurrentHashMap<>();

    StripService(JobService jobs, ChoiceService choices) {
        this.jobs = jobs;
        this.choices = choices;
    }

    /** What the station shows. */
    public StripView view(long id) {
        StripLayout layout = layout(id);
        BoardGeometry geometry = jobs.board(id);
        CheckRun run = CheckRunner.run(new CheckContext(geometry, jobs.against(id).orElseThrow()));
        StripChoices chosen = jobs.ticket(id).strip();
        return StripView.of(
                layout, run, StripJson.of(chosen.with(layout.plan())), chosen.weights());
    }

    /** The circuit as its tables have it. */
    public CircuitView circuit(long id) {
        return CircuitView.of(jobs.asRead(id).board());
    }

    private StripLayout layout(long id) {
        return StripLayout.of(jobs.board(id))
                .orElseThrow(
                        () ->
                                new RefusedException(
                                        "Choose a strip board at the Shop station first."));
    }

    /** Which parts a search leaves where they are. */
    public enum Keep {
        /** Those that are locked. */
        LOCKED,
        /** All that are placed: only cuts and links are laid. */
        PLACED
    }

    /**
     * Lets the computer lay the circuit out and chooses its plan.
     *
     * @return the version of the ticket this made
     */
    public int propose(long id, Keep keep, Optional<Integer> base, Task task) {
        StripLayout now = layout(id);
        CapabilitySheet sheet = jobs.sheet(id).orElseThrow();
        StripTerms terms = sheet.strip().orElseThrow();
        StripChoices chosen = jobs.ticket(id).strip();
        StripCircuit circuit = StripMaking.circuit(jobs.asRead(id).board(), chosen);
        Map<String, StripPlan.Placed> kept = new TreeMap<>(now.plan().parts());
        if (keep == Keep.LOCKED) {
            kept.values().removeIf(p -> !p.locked());
        }
        AtomicBoolean enough = new AtomicBoolean();
        searching.put(id, enough);
        try {
            StripLayout found =
                    StripProposal.of(
                            circuit,
                            terms,
                            chosen,
                            kept,
                            done ->
                                    task.progress(
                                            (int) (done * STEPS), STEPS, "Looking for a plan"),
                            () -> enough.get() || task.isCancelled());
            StripPlan plan = unlocked(found.plan(), now.plan());
            return task.commit(
                    () ->
                            choices.choose(
                                            id,
                                            base,
                                            before ->
                                                    before.with(
                                                            d ->
                                                                    d.strip =
                                                                            before.strip()
                                                                                    .with(plan)))
                                    .version());
        } finally {
            searching.remove(id, enough);
        }
    }

    /** Parts that were kept for this search alone are not locked by it. */
    private static StripPlan unlocked(StripPlan found, StripPlan before) {
        Map<String, StripPlan.Placed> parts = new TreeMap<>();
        found.parts()
                .forEach(
                        (name, p) -> {
                            StripPlan.Placed had = before.parts().get(name);
                            parts.put(
                                    name,
                                    new StripPlan.Placed(
                                            p.pins(), p.standing(), had != null && had.locked()));
                        });
        return found.withParts(parts);
    }

    /** Ends a search with the best plan so far; nothing when none runs. */
    public void enough(long id) {
        AtomicBoolean running = searching.get(id);
        if (running != null) {
            running.set(true);
        }
    }
}
