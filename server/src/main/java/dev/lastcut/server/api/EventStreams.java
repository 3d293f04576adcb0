package dev.lastcut.server.api;

import dev.lastcut.server.jobs.JobEvents;
import dev.lastcut.server.work.Mailbox;
import java.io.IOException;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The streams of events to open windows; they end with the application, and do not hold it up. */
@Component
class EventStreams {
    /** Windows connect again by themselves after this. */
    private static final long LONGEST_MS = 600_000;

    private final JobEvents events;
    private final Set<SseEmitter> open = ConcurrentHashMap.newKeySet();

    EventStreams(JobEvents events) {
        this.events = events;
    }

    /** Opens a stream of a job's events that begins with one. */
    SseEmitter open(long job, JobEvents.Event first) {
        SseEmitter emitter = new SseEmitter(LONGEST_MS);
        open.add(emitter);
        Runnable stop = events.listen(job, new Mailbox<>(e -> send(emitter, e)));
        Runnable over =
                () -> {
                    stop.run();
                    open.remove(emitter);
                };
        emitter.onCompletion(over);
        emitter.onError(e -> over.run());
        emitter.onTimeout(emitter::complete);
        send(emitter, first);
        return emitter;
    }

    private static void send(SseEmitter emitter, JobEvents.Event event) {
        try {
            emitter.send(event, MediaType.APPLICATION_JSON);
        } catch (IOException | IllegalStateException e) {
            // The window was closed; it hears nothing more.
            emitter.completeWithError(e);
        }
    }

    @EventListener(ContextClosedEvent.class)
    void close() {
        open.forEach(SseEmitter::complete);
    }
}
