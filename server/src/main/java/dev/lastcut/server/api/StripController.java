package dev.lastcut.server.api;

import dev.lastcut.server.strip.CircuitView;
import dev.lastcut.server.strip.StripService;
import dev.lastcut.server.strip.StripView;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The strip board of a job. */
@RestController
@RequestMapping("/api/jobs/{id}/strip")
class StripController {
    private final StripService strips;
    private final TaskRunner tasks;

    StripController(StripService strips, TaskRunner tasks) {
        this.strips = strips;
        this.tasks = tasks;
    }

    /** Which parts stay where they are: "locked" ones, or all that are "placed". */
    record ProposalWish(String keep) {}

    /** The circuit as its tables have it, to be changed and brought in again. */
    @GetMapping("/circuit")
    CircuitView circuit(@PathVariable long id) {
        return strips.circuit(id);
    }

    @GetMapping
    StripView view(@PathVariable long id) {
        return strips.view(id);
    }

    /** Looks for a plan and chooses it; the task's result is the version this made. */
    @PostMapping("/proposal")
    TaskState propose(
            @PathVariable long id,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base,
            @RequestBody ProposalWish wish) {
        StripService.Keep keep =
                "placed".equals(wish.keep()) ? StripService.Keep.PLACED : StripService.Keep.LOCKED;
        return tasks.start(
                task -> String.valueOf(strips.propose(id, keep, IfMatchVersion.of(base), task)));
    }

    /** Ends the search with the best plan so far. */
    @PostMapping("/proposal/enough")
    void enough(@PathVariable long id) {
        strips.enough(id);
    }
}
