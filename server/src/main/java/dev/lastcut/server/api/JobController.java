package dev.lastcut.server.api;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.server.jobs.CheckService;
import dev.lastcut.server.jobs.ChoiceService;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.Opening;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.store.JobStore;
import dev.lastcut.server.work.Task;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Jobs: bring in, look at, set to work. */
@RestController
@RequestMapping("/api/jobs")
class JobController {
    private final JobService jobs;
    private final ChoiceService choices;
    private final CheckService checks;
    private final OutputService outputs;
    private final JobViews views;
    private final Opening opening;
    private final TaskRunner tasks;

    JobController(
            JobService jobs,
            ChoiceService choices,
            CheckService checks,
            OutputService outputs,
            JobViews views,
            Opening opening,
            TaskRunner tasks) {
        this.jobs = jobs;
        this.choices = choices;
        this.checks = checks;
        this.outputs = outputs;
        this.views = views;
        this.opening = opening;
        this.tasks = tasks;
    }

    /**
     * A job in the list.
     *
     * @param shop the id of its sheet, empty for none
     * @param last what was done last, and when
     */
    record JobLine(
            long id,
            String name,
            String created,
            boolean archived,
            boolean deleted,
            int revision,
            int cuts,
            String shop,
            String last,
            String at,
            boolean face) {
        static JobLine of(JobStore.Listed l) {
            return new JobLine(
                    l.job().id(),
                    l.job().name(),
                    l.job().created(),
                    l.job().archived(),
                    l.job().deleted(),
                    l.revision(),
                    l.cuts(),
                    l.shop(),
                    l.last(),
                    l.at(),
                    l.job().face().isPresent());
        }
    }

    /** What of a job is to be changed; null stays. */
    record JobChange(String name, Boolean archived, Boolean deleted) {}

    record CorrectionChoice(String path, boolean apply) {}

    @GetMapping
    List<JobLine> all() {
        return jobs.listed().stream().map(JobLine::of).toList();
    }

    /** Renames it, lays it aside, deletes it or takes it back. */
    @PatchMapping("/{id}")
    List<JobLine> change(@PathVariable long id, @RequestBody JobChange change) {
        if (change.name() != null) {
            jobs.rename(id, change.name());
        }
        if (change.archived() != null) {
            jobs.archive(id, change.archived());
        }
        if (change.deleted() != null) {
            jobs.delete(id, change.deleted());
        }
        return all();
    }

    /** A job with the same files and choices; its id. */
    @PostMapping("/{id}/copy")
    long copy(@PathVariable long id) {
        return jobs.copy(id);
    }

    /** Starts reading what was brought in; the task's result is the new job's id. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    TaskState bringIn(@RequestParam("files") List<MultipartFile> files)
            throws IOException, UnusablePackException {
        List<Pack.PackFile> given = given(files);
        Pack pack = PackReader.fromLoose(packName(given), given);
        return tasks.start(task -> String.valueOf(jobs.bringIn(pack, task)));
    }

    /** Starts reading newer files of a job; the task's result is the new revision's number. */
    @PostMapping(path = "/{id}/revisions", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    TaskState bringInAgain(@PathVariable long id, @RequestParam("files") List<MultipartFile> files)
            throws IOException, UnusablePackException {
        List<Pack.PackFile> given = given(files);
        Pack pack = PackReader.fromLoose(packName(given), given);
        return tasks.start(task -> String.valueOf(jobs.bringInAgain(id, pack, task)));
    }

    private static List<Pack.PackFile> given(List<MultipartFile> files)
            throws IOException, UnusablePackException {
        List<Pack.PackFile> given = new ArrayList<>();
        for (MultipartFile f : files) {
            String name = f.getOriginalFilename();
            given.add(new Pack.PackFile(name == null ? "file" : name, f.getBytes()));
        }
        if (given.isEmpty()) {
            throw new UnusablePackException("No file arrived: drop a zip, a folder or the files.");
        }
        return given;
    }

    /** A folder's own name, else the first file's without its ending. */
    private static String packName(List<Pack.PackFile> given) {
        String first = given.get(0).path();
        int slash = first.indexOf('/');
        return slash > 0 ? first.substring(0, slash) : first.replaceFirst("\\.[^.]*$", "");
    }

    /**
     * A job; while its board is still being read, the task that reads it.
     *
     * @return a {@link JobView}, or with status 202 a {@link TaskState}
     */
    @WithoutBoard
    @GetMapping("/{id}")
    @ApiResponse(
            responseCode = "200",
            content = @Content(schema = @Schema(implementation = JobView.class)))
    @ApiResponse(
            responseCode = "202",
            content = @Content(schema = @Schema(implementation = TaskState.class)))
    ResponseEntity<?> job(@PathVariable long id) {
        Optional<TaskState> reading = opening.open(id);
        return reading.isPresent()
                ? ResponseEntity.accepted().body(reading.get())
                : ResponseEntity.ok(views.of(id));
    }

    /** Moves a file as proposed, or back. */
    @PutMapping("/{id}/correction")
    TicketController.VersionView correction(
            @PathVariable long id,
            @RequestHeader(name = IfMatchVersion.HEADER, required = false) String base,
            @RequestBody CorrectionChoice choice) {
        jobs.content(id, choice.path());
        Optional<Correction> move =
                choice.apply()
                        ? Optional.of(choices.proposedMove(id, choice.path()))
                        : Optional.empty();
        return TicketController.VersionView.of(
                choices.choose(
                        id,
                        IfMatchVersion.of(base),
                        t -> t.with(d -> d.files = t.files().withCorrection(choice.path(), move))));
    }

    /** What is computed of a job as it is at a version of its ticket. */
    private record Question(long job, String what, int revision, int version) {}

    private TaskState once(long id, String what, Consumer<Task> work) {
        return tasks.startOnce(
                new Question(id, what, jobs.revision(id), jobs.version(id)),
                task -> {
                    work.accept(task);
                    return what;
                });
    }

    /** Starts the checks, those of every shop, the outputs or a cut in the background. */
    @PostMapping("/{id}/work/{what}")
    TaskState work(@PathVariable long id, @PathVariable String what) {
        return switch (what) {
            case "check" -> once(id, what, task -> checks.check(id, task));
            case "shops" -> once(id, what, task -> checks.checkShops(id, task));
            case "outputs" -> once(id, what, task -> outputs.outputs(id, task));
            case "cut" -> {
                if (!checks.openStops(id).isEmpty()) {
                    throw new RefusedException(
                            checks.openStops(id).size()
                                    + " stop findings are open. Mend the board or sign them off.");
                }
                yield tasks.start(task -> String.valueOf(outputs.cut(id, task)));
            }
            default -> throw new RefusedException("There is no work called '" + what + "'.");
        };
    }
}
