package dev.lastcut.server.api;

import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.work.Mailbox;
import dev.lastcut.server.work.Task;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.io.IOException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Background work: its state, a stream of its changes, cancel. */
@RestController
@RequestMapping("/api/tasks/{id}")
class TaskController {
    private static final long LONGEST_MS = 600_000;
    private final TaskRunner tasks;

    TaskController(TaskRunner tasks) {
        this.tasks = tasks;
    }

    private Task find(String id) {
        return tasks.find(id).orElseThrow(() -> new NotFoundException("There is no such task."));
    }

    @GetMapping
    TaskState state(@PathVariable String id) {
        return find(id).state();
    }

    @GetMapping(path = "/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable String id) {
        SseEmitter emitter = new SseEmitter(LONGEST_MS);
        find(id).listen(new Mailbox<>(state -> send(emitter, state)));
        return emitter;
    }

    private static void send(SseEmitter emitter, TaskState state) {
        try {
            emitter.send(state, MediaType.APPLICATION_JSON);
            if (state.isOver()) {
                emitter.complete();
            }
        } catch (IOException | IllegalStateException e) {
            // The listener went away; the task goes on without it.
            emitter.completeWithError(e);
        }
    }

    @DeleteMapping
    TaskState cancel(@PathVariable String id) {
        tasks.cancel(id);
        return find(id).state();
    }
}
