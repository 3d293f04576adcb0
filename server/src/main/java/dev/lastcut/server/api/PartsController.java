package dev.lastcut.server.api;

import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.Part;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.parts.Counter;
import dev.lastcut.server.parts.PartsService;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The parts of a job: the list, what it costs, what else would do, and variants. */
@RestController
@RequestMapping("/api/jobs/{id}/parts")
class PartsController {
    private final JobService jobs;
    private final PartsService parts;
    private final Counter counter;
    private final TaskRunner tasks;

    PartsController(JobService jobs, PartsService parts, Counter counter, TaskRunner tasks) {
        this.jobs = jobs;
        this.parts = parts;
        this.counter = counter;
        this.tasks = tasks;
    }

    /** What is chosen for one designator; what is null is not touched. */
    record FittingView(Boolean fitted, String value, String partNumber, String footprint) {
        Fitting toFitting() {
            return new Fitting(
                    Optional.ofNullable(fitted),
                    Optional.ofNullable(value),
                    Optional.ofNullable(partNumber),
                    Optional.ofNullable(footprint));
        }

        static FittingView of(Fitting f) {
            return new FittingView(
                    f.fitted().orElse(null),
                    f.value().orElse(null),
                    f.partNumber().orElse(null),
                    f.footprint().orElse(null));
        }
    }

    /** Choices for designators in some variants, "" being the base. */
    record ChosenFittings(List<String> variants, Map<String, FittingView> fittings) {}

    /** A new variant; {@code like} is one to begin from, null for the base. */
    record NewVariant(String name, String like) {}

    /** What a part must do, each as it was written. */
    record SaidNeeds(String designator, List<String> needs) {}

    @GetMapping
    PartsView view(@PathVariable long id) {
        return PartsViews.of(jobs, parts, counter, id);
    }

    /** Asks the counter anew, in the background. */
    @PostMapping("/ask")
    TaskState ask(@PathVariable long id) {
        return tasks.startWaiting(task -> parts.ask(id, task));
    }

    /** Asks the counter for words of the user's own, in the background. */
    @PostMapping("/search")
    TaskState search(@PathVariable long id, @RequestParam String words) {
        return tasks.startWaiting(task -> parts.search(words));
    }

    /** What could be meant by a part and what else would do, as the counter said last. */
    @GetMapping("/candidates")
    CandidatesView candidates(
            @PathVariable long id,
            @RequestParam String designator,
            @RequestParam(defaultValue = "") String words) {
        Part part =
                parts.parts(id).stream()
                        .filter(p -> p.designator().equals(designator))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new NotFoundException(
                                                "There is no part " + designator + "."));
        return CandidatesView.of(jobs.ticket(id).parts(), parts, part, words);
    }

    @PostMapping("/fittings")
    TicketController.VersionView choose(
            @PathVariable long id,
            @RequestBody ChosenFittings body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        Map<String, Fitting> chosen = new TreeMap<>();
        if (body.fittings() != null) {
            body.fittings().forEach((d, f) -> chosen.put(d, f.toFitting()));
        }
        List<String> variants = body.variants() == null ? List.of("") : body.variants();
        return TicketController.VersionView.of(
                parts.choose(id, IfMatchVersion.of(base), variants, chosen));
    }

    @PostMapping("/variants")
    TicketController.VersionView add(
            @PathVariable long id,
            @RequestBody NewVariant body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        String name = body.name() == null ? "" : body.name();
        return TicketController.VersionView.of(
                parts.add(id, IfMatchVersion.of(base), name, Optional.ofNullable(body.like())));
    }

    @DeleteMapping("/variants")
    TicketController.VersionView drop(
            @PathVariable long id,
            @RequestParam String name,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        return TicketController.VersionView.of(parts.drop(id, IfMatchVersion.of(base), name));
    }

    @PostMapping("/needs")
    TicketController.VersionView need(
            @PathVariable long id,
            @RequestBody SaidNeeds body,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        List<String> said = body.needs() == null ? List.of() : body.needs();
        return TicketController.VersionView.of(
                parts.need(id, IfMatchVersion.of(base), body.designator(), said));
    }

    /** Takes over what the counter says today of parts that are known already. */
    @PostMapping("/refresh")
    TicketController.VersionView refresh(
            @PathVariable long id,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base) {
        return TicketController.VersionView.of(parts.refresh(id, IfMatchVersion.of(base)));
    }
}
