package dev.lastcut.server.api;

import dev.lastcut.server.jobs.InterruptedWork;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Work that broke off because the application stopped. */
@RestController
@RequestMapping("/api/broken-off")
class BrokenOffController {
    private final InterruptedWork broken;

    BrokenOffController(InterruptedWork broken) {
        this.broken = broken;
    }

    /**
     * Something that broke off.
     *
     * @param job null for a job that was not there yet
     */
    record BrokenView(long id, Long job, String at, String says) {}

    @GetMapping
    List<BrokenView> all() {
        return broken.all().stream()
                .map(b -> new BrokenView(b.id(), b.job().orElse(null), b.at(), b.says()))
                .toList();
    }

    /** It was read of. */
    @DeleteMapping("/{id}")
    List<BrokenView> read(@PathVariable long id) {
        broken.read(id);
        return all();
    }
}
