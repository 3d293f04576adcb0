package dev.lastcut.server.api;

import dev.lastcut.server.jobs.ChoiceService;
import dev.lastcut.server.jobs.JobEvents;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.TicketService;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.ticket.TicketSchema;
import dev.lastcut.server.ticket.Tickets;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The ticket of a job: to read, to choose in, to go back and forward in, to take in and out. */
@RestController
@WithoutBoard
@RequestMapping("/api")
class TicketController {
    private final JobService jobs;
    private final ChoiceService choices;
    private final TicketService tickets;
    private final TaskRunner tasks;
    private final EventStreams streams;

    TicketController(
            JobService jobs,
            ChoiceService choices,
            TicketService tickets,
            TaskRunner tasks,
            EventStreams streams) {
        this.jobs = jobs;
        this.choices = choices;
        this.tickets = tickets;
        this.tasks = tasks;
        this.streams = streams;
    }

    /** The version that holds now. */
    record VersionView(int version) {
        static VersionView of(TicketService.Chosen chosen) {
            return new VersionView(chosen.version());
        }
    }

    /** A step that was done: the version it made, when, and what it changed. */
    record DoneView(int version, String at, String says) {}

    /** What was done, the first step first; {@code version} is the one that holds. */
    record HistoryView(int version, List<DoneView> steps) {}

    /** The ticket as a file. */
    @GetMapping(path = "/jobs/{id}/ticket.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> ticket(@PathVariable long id) {
        byte[] json = Tickets.write(jobs.ticket(id));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"ticket.json\"")
                .body(json);
    }

    /** The JSON Schema of a ticket. */
    @GetMapping(path = "/ticket/schema", produces = MediaType.APPLICATION_JSON_VALUE)
    byte[] schema() {
        return Json.write(TicketSchema.schema());
    }

    /**
     * Chooses: the parts of the ticket that are given replace those there are, with null what is
     * usual holds again. In {@code roles}, {@code formats}, {@code units_nm}, {@code columns},
     * {@code tool_sizes} and {@code corrections} the files that are given are replaced, the others
     * stay.
     */
    @PatchMapping(path = "/jobs/{id}/ticket", consumes = MediaType.APPLICATION_JSON_VALUE)
    VersionView choose(
            @PathVariable long id,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base,
            @RequestBody byte[] parts) {
        return VersionView.of(
                choices.choose(
                        id, IfMatchVersion.of(base), before -> Tickets.changed(before, parts)));
    }

    /** Takes a whole ticket in, all or nothing; the task's result is the version it made. */
    @PostMapping(path = "/jobs/{id}/ticket", consumes = MediaType.APPLICATION_JSON_VALUE)
    TaskState takeIn(
            @PathVariable long id,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base,
            @RequestBody byte[] json) {
        return tasks.start(
                task -> {
                    task.progress(0, 1, "holding the ticket against the board");
                    return String.valueOf(
                            choices.choose(
                                            id,
                                            IfMatchVersion.of(base),
                                            before -> Tickets.takenIn(json),
                                            task)
                                    .version());
                });
    }

    @GetMapping("/jobs/{id}/history")
    HistoryView history(@PathVariable long id) {
        TicketService.History h = tickets.history(id);
        return new HistoryView(
                h.version(),
                h.path().stream().map(v -> new DoneView(v.number(), v.at(), v.says())).toList());
    }

    /** Goes to another version: back, forward, or to one that was left. */
    @PostMapping("/jobs/{id}/versions/{version}")
    VersionView go(
            @PathVariable long id,
            @PathVariable int version,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        return VersionView.of(tickets.go(id, IfMatchVersion.of(base), version));
    }

    /** A stream of what happens to the job, from whichever window. */
    @GetMapping(path = "/jobs/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable long id) {
        return streams.open(id, new JobEvents.Event("now", tickets.now(id).version(), ""));
    }
}
