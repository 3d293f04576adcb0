package dev.lastcut.server.jobs;

import dev.lastcut.server.store.BegunStore;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** Work that broke off because the application stopped, for its user to be told. */
@Service
public class InterruptedWork {
    private final BegunStore begun;
    private final JobService jobs;

    InterruptedWork(BegunStore begun, JobService jobs) {
        this.begun = begun;
        this.jobs = jobs;
    }

    /**
     * Something that broke off.
     *
     * @param job empty for a job that was not there yet
     */
    public record Told(long id, Optional<Long> job, String at, String says) {}

    public List<Told> all() {
        return begun.broken().stream().map(this::told).toList();
    }

    private Told told(BegunStore.Broken b) {
        String of = b.job().map(j -> " of " + jobs.job(j).name()).orElse("");
        return new Told(
                b.id(),
                b.job(),
                b.at(),
                b.what()
                        + of
                        + " broke off when the application stopped. Nothing of it was kept: do it"
                        + " again.");
    }

    public void read(long id) {
        begun.end(id);
    }
}
