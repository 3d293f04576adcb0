package dev.lastcut.server.jobs;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;

/** Tells whoever looks at a job that it changed. */
@Component
public class JobEvents {
    /**
     * Something that happened to a job.
     *
     * @param kind {@code ticket}, {@code revision} or {@code cut}
     * @param version of the ticket that holds now
     * @param says what changed, in words
     */
    public record Event(String kind, int version, String says) {}

    private final Map<Long, List<Consumer<Event>>> listeners = new ConcurrentHashMap<>();

    /** Listens until the returned handle is run. */
    public Runnable listen(long job, Consumer<Event> listener) {
        List<Consumer<Event>> all =
                listeners.computeIfAbsent(job, k -> new CopyOnWriteArrayList<>());
        all.add(listener);
        return () -> all.remove(listener);
    }

    void tell(long job, Event event) {
        listeners.getOrDefault(job, List.of()).forEach(l -> l.accept(event));
    }
}
