package dev.lastcut.server.api;

import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.server.jobs.CheckService;
import dev.lastcut.server.jobs.HeadroomJson;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.jobs.RefusedException;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Jobs: bring in, look at, choose roles and shop. */
@RestController
@RequestMapping("/api/jobs")
class JobController {
    private final JobService jobs;
    private final CheckService checks;
    private final OutputService outputs;
    private final TaskRunner tasks;

    JobController(JobService jobs, CheckService checks, OutputService outputs, TaskRunner tasks) {
        this.jobs = jobs;
        this.checks = checks;
        this.outputs = outputs;
        this.tasks = tasks;
    }

    record JobLine(long id, String name, String created) {}

    record RoleChoice(String path, String role) {}

    record CorrectionChoice(String path, boolean apply) {}

    /** {@code format} in words for drill files, {@code unitNm} for drawings. */
    record NumberChoice(String path, String format, double unitNm) {}

    record ShopChoice(String sheetId, HeadroomJson headroom) {}

    @GetMapping
    List<JobLine> all() {
        return jobs.all().stream().map(j -> new JobLine(j.id(), j.name(), j.created())).toList();
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
        jobs.job(id);
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

    @GetMapping("/{id}")
    JobView job(@PathVariable long id) {
        return JobView.of(jobs.job(id), jobs, checks, outputs);
    }

    /**
     * Sets the roles of files, all or none, as one question may settle several; an empty role goes
     * back to what was proposed.
     */
    @PutMapping("/{id}/roles")
    JobView roles(@PathVariable long id, @RequestBody List<RoleChoice> choices) {
        Map<String, Optional<String>> roles = new LinkedHashMap<>();
        for (RoleChoice c : choices) {
            roles.put(c.path(), Optional.ofNullable(c.role()).filter(r -> !r.isEmpty()));
        }
        jobs.chooseRoles(id, roles);
        return job(id);
    }

    /** Moves a file as proposed, or back. */
    @PutMapping("/{id}/correction")
    JobView correction(@PathVariable long id, @RequestBody CorrectionChoice choice) {
        jobs.correct(id, choice.path(), choice.apply());
        return job(id);
    }

    /** Sets how a file's numbers are read; empty or 0 goes back to what it says itself. */
    @PutMapping("/{id}/numbers")
    JobView numbers(@PathVariable long id, @RequestBody NumberChoice choice) {
        Optional<String> format = Optional.ofNullable(choice.format()).filter(f -> !f.isEmpty());
        if (choice.unitNm() > 0 || format.isEmpty()) {
            jobs.chooseUnit(
                    id,
                    choice.path(),
                    choice.unitNm() > 0 ? Optional.of(choice.unitNm()) : Optional.empty());
        }
        if (choice.unitNm() == 0) {
            jobs.chooseFormat(id, choice.path(), format);
        }
        return job(id);
    }

    @PutMapping("/{id}/shop")
    JobView shop(@PathVariable long id, @RequestBody ShopChoice choice) {
        HeadroomJson headroom =
                choice.headroom() == null ? new HeadroomJson(0, null, null) : choice.headroom();
        jobs.chooseShop(id, choice.sheetId(), headroom);
        return job(id);
    }

    /** Starts the checks, those of every shop, the outputs or a cut in the background. */
    @PostMapping("/{id}/work/{what}")
    TaskState work(@PathVariable long id, @PathVariable String what) {
        jobs.job(id);
        return switch (what) {
            case "check" ->
                    tasks.start(
                            task -> {
                                checks.check(id, task);
                                return "check";
                            });
            case "shops" ->
                    tasks.start(
                            task -> {
                                checks.checkShops(id, task);
                                return "shops";
                            });
            case "outputs" ->
                    tasks.start(
                            task -> {
                                outputs.outputs(id, task);
                                return "outputs";
                            });
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
