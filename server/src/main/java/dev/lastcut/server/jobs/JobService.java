package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.CheckRunner;
import dev.lastcut.core.compare.BoardChanges;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.server.report.Handover;
import dev.lastcut.server.sheets.SheetLibrary;
import dev.lastcut.server.store.BlobStore;
import dev.lastcut.server.store.CutStore;
import dev.lastcut.server.store.JobStore;
import dev.lastcut.server.work.Task;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** What can be done with a job. */
@Service
public class JobService {
    private final JobStore jobs;
    private final BlobStore blobs;
    private final CutStore cuts;
    private final SheetLibrary sheets = new SheetLibrary();
    private final ResultCache<BoardGeometry> boards = new ResultCache<>(6);
    private final ResultCache<CheckRun> checks = new ResultCache<>(30);
    private final ResultCache<BoardChanges> changes = new ResultCache<>(4);
    private final ResultCache<OutputSet> outputs = new ResultCache<>(12);

    JobService(JobStore jobs, BlobStore blobs, CutStore cuts) {
        this.jobs = jobs;
        this.blobs = blobs;
        this.cuts = cuts;
    }

    public SheetLibrary sheets() {
        return sheets;
    }

    public JobStore.Job job(long id) {
        return jobs.find(id)
                .orElseThrow(() -> new NotFoundException("There is no job " + id + "."));
    }

    public List<JobStore.Job> all() {
        return jobs.all();
    }

    public int revision(long id) {
        return jobs.revision(id);
    }

    /**
     * Reads a pack and, if it can be used, keeps it as a new job.
     *
     * @return the job's id
     * @throws UnusablePackException when it cannot be used; nothing is kept then
     */
    public long bringIn(Pack pack, Task task) throws UnusablePackException {
        task.progress(0, 3, "reading " + pack.files().size() + " files");
        var board = Intake.open(pack);
        task.progress(1, 3, "joining copper into nets");
        BoardGeometry geometry = new BoardGeometry(board);
        if (task.isCancelled()) {
            return 0;
        }
        task.progress(2, 3, "keeping the files");
        String name = pack.name().replaceFirst("(?i)\\.zip$", "");
        long id = jobs.create(name, pack, now());
        boards.put(boardKey(id), geometry);
        return id;
    }

    /**
     * Reads newer files of a job and, if they can be used, keeps them as its next revision with
     * what was decided about the files before.
     *
     * @return the revision's number, 0 when cancelled
     */
    public int bringInAgain(long id, Pack pack, Task task) throws UnusablePackException {
        job(id);
        task.progress(0, 3, "reading " + pack.files().size() + " files");
        List<JobStore.StoredFile> kept = Carrying.over(files(id), pack);
        BoardGeometry geometry =
                new BoardGeometry(
                        Intake.open(new Pack(job(id).name(), pack.files()), choices(kept)));
        if (task.isCancelled()) {
            return 0;
        }
        task.progress(2, 3, "keeping the files");
        int number = jobs.revision(id) + 1;
        jobs.addRevision(id, number, pack, now());
        kept.forEach(f -> jobs.choose(id, number, f));
        boards.put(boardKey(id), geometry);
        return number;
    }

    public List<JobStore.Revision> revisions(long id) {
        return jobs.revisions(id);
    }

    private List<JobStore.StoredFile> files(long id) {
        return jobs.files(id, jobs.revision(id));
    }

    /** The job's board; read again only when its files or what was decided of them changed. */
    public BoardGeometry board(long id) {
        job(id);
        return board(id, jobs.revision(id));
    }

    private BoardGeometry board(long id, int revision) {
        try {
            List<JobStore.StoredFile> files = jobs.files(id, revision);
            return boards.get(boardKey(files), () -> open(id, files));
        } catch (UnusablePackException e) {
            throw new RefusedException(e.getMessage());
        }
    }

    /** What the newest revision changed against the one before; empty for the first. */
    public Optional<BoardChanges> changes(long id) {
        int now = jobs.revision(id);
        if (now < 2) {
            return Optional.empty();
        }
        String key = boardKey(jobs.files(id, now - 1)) + boardKey(id);
        return Optional.of(
                changes.get(key, () -> BoardChanges.between(board(id, now - 1), board(id, now))));
    }

    private BoardGeometry open(long id, List<JobStore.StoredFile> stored)
            throws UnusablePackException {
        List<PackFile> files = new ArrayList<>();
        stored.forEach(f -> files.add(new PackFile(f.path(), blobs.get(f.sha256()))));
        return new BoardGeometry(Intake.open(new Pack(job(id).name(), files), choices(stored)));
    }

    private static Choices choices(List<JobStore.StoredFile> stored) {
        Map<String, Role> roles = new HashMap<>();
        Map<String, Correction> corrections = new HashMap<>();
        Map<String, DrillFormat> formats = new HashMap<>();
        Map<String, Double> units = new HashMap<>();
        for (JobStore.StoredFile f : stored) {
            f.role().flatMap(Role::parse).ifPresent(r -> roles.put(f.path(), r));
            f.correction()
                    .map(c -> CorrectionJson.parse(c).toCorrection())
                    .ifPresent(c -> corrections.put(f.path(), c));
            f.format().flatMap(DrillFormat::named).ifPresent(d -> formats.put(f.path(), d));
            f.unitNm().ifPresent(u -> units.put(f.path(), u));
        }
        return new Choices(roles, corrections, formats, units);
    }

    private String boardKey(long id) {
        return boardKey(files(id));
    }

    private static String boardKey(List<JobStore.StoredFile> files) {
        StringBuilder all = new StringBuilder();
        files.forEach(f -> all.append(f).append('\n'));
        return hash(all.toString());
    }

    private static String hash(String s) {
        return Manifest.sha256(s.getBytes(StandardCharsets.UTF_8));
    }

    private JobStore.StoredFile file(long id, String path) {
        return files(id).stream()
                .filter(f -> f.path().equals(path))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("The job has no file " + path + "."));
    }

    private void keep(long id, JobStore.StoredFile f) {
        jobs.choose(id, jobs.revision(id), f);
    }

    public void chooseRole(long id, String path, Optional<String> role) {
        if (role.isPresent() && Role.parse(role.get()).isEmpty()) {
            throw new RefusedException("There is no role '" + role.get() + "'.");
        }
        JobStore.StoredFile f = file(id, path);
        keep(id, f.withRole(role));
    }

    /** Moves a file's content as proposed, or, with {@code apply} false, back to where it was. */
    public void correct(long id, String path, boolean apply) {
        JobStore.StoredFile f = file(id, path);
        Optional<String> correction = Optional.empty();
        if (apply) {
            correction =
                    board(id).board().files().stream()
                            .filter(s -> s.path().equals(path))
                            .findFirst()
                            .flatMap(SourceFile::suggested)
                            .map(c -> CorrectionJson.of(c).write());
            if (correction.isEmpty()) {
                throw new RefusedException("No correction is proposed for " + path + ".");
            }
        }
        keep(id, f.withCorrection(correction));
    }

    /** Sets how a drill file's digits are read, in words; empty to take what the file says. */
    public void chooseFormat(long id, String path, Optional<String> format) {
        if (format.isPresent() && DrillFormat.named(format.get()).isEmpty()) {
            throw new RefusedException("There is no number format '" + format.get() + "'.");
        }
        JobStore.StoredFile f = file(id, path);
        keep(id, f.withFormat(format));
    }

    /** Sets or confirms the unit of a drawing, in nm; empty to take what the file says. */
    public void chooseUnit(long id, String path, Optional<Double> unitNm) {
        if (unitNm.isPresent() && !(unitNm.get() >= 1 && unitNm.get() <= 1e9)) {
            throw new RefusedException("A unit of " + unitNm.get() + " nm makes no sense.");
        }
        JobStore.StoredFile f = file(id, path);
        keep(id, f.withUnit(unitNm));
    }

    public void chooseShop(long id, String sheetId, HeadroomJson headroom) {
        job(id);
        if (sheets.find(sheetId).isEmpty()) {
            throw new NotFoundException("There is no sheet '" + sheetId + "'.");
        }
        try {
            headroom.toHeadroom();
        } catch (IllegalArgumentException e) {
            throw new RefusedException("This headroom cannot be used: " + e.getMessage() + ".");
        }
        jobs.chooseShop(id, sheetId, headroom.write());
    }

    public HeadroomJson headroom(long id) {
        return HeadroomJson.parse(job(id).headroom());
    }

    /** The chosen sheet, empty until one is chosen. */
    public Optional<CapabilitySheet> sheet(long id) {
        return job(id).sheetId().flatMap(sheets::find);
    }

    private CapabilitySheet requireSheet(long id) {
        return sheet(id)
                .orElseThrow(
                        () ->
                                new RefusedException(
                                        "Choose a shop first: nothing to hold it against."));
    }

    private String checkKey(long id) {
        JobStore.Job job = job(id);
        return boardKey(id) + job.sheetId().orElse("") + hash(job.headroom());
    }

    /** The last check if it was made of just these files, roles, sheet and headroom. */
    public Optional<CheckRun> lastCheck(long id) {
        return checks.peek(checkKey(id));
    }

    public CheckRun check(long id, Task task) {
        CapabilitySheet sheet = requireSheet(id);
        String key = checkKey(id);
        task.progress(0, 1, "reading the board");
        BoardGeometry geometry = board(id);
        CheckContext context = new CheckContext(geometry, sheet, headroom(id).toHeadroom());
        Optional<CheckRun> known = checks.peek(key);
        CheckRun run =
                known.isPresent()
                        ? known.get()
                        : CheckRunner.run(context, task::progress, task::isCancelled);
        if (!task.isCancelled()) {
            checks.put(key, run);
        }
        return run;
    }

    private String outputKey(long id) {
        return boardKey(id) + job(id).sheetId().orElse("");
    }

    public Optional<OutputSet> lastOutputs(long id) {
        return outputs.peek(outputKey(id));
    }

    public OutputSet outputs(long id, Task task) {
        CapabilitySheet sheet = requireSheet(id);
        task.progress(0, 1, "writing Gerber, drill, stencil, parts and programs");
        return outputs.get(outputKey(id), () -> OutputSet.make(board(id), sheet));
    }

    public List<SignOff> signOffs(long id) {
        return jobs.signOffs(id);
    }

    public void signOff(long id, String findingId, String by, String reason) {
        if (reason.isBlank() || by.isBlank()) {
            throw new RefusedException("A sign-off needs a name and a reason.");
        }
        boolean known =
                lastCheck(id).stream()
                        .flatMap(r -> r.findings().stream())
                        .anyMatch(f -> f.id().equals(findingId));
        if (!known) {
            throw new NotFoundException("The last check has no finding " + findingId + ".");
        }
        jobs.signOff(id, new SignOff(findingId, by.strip(), reason.strip(), now()));
    }

    public void takeBack(long id, String findingId) {
        jobs.takeBack(id, findingId);
    }

    /**
     * Stop findings of the last check that nobody signed off; empty also when there is no check.
     */
    public List<String> openStops(long id) {
        return lastCheck(id).map(r -> Manifest.openStops(r, signOffs(id))).orElse(List.of());
    }

    /** Freezes the outputs for good; returns the cut's number. */
    public int cut(long id, Task task) {
        CheckRun run = check(id, task);
        OutputSet set = outputs(id, task);
        List<String> open = Manifest.openStops(run, signOffs(id));
        if (!open.isEmpty()) {
            throw new RefusedException(
                    open.size()
                            + " stop findings are open. Mend the board or sign them off first.");
        }
        if (task.isCancelled()) {
            return 0;
        }
        task.progress(1, 2, "freezing the cut");
        int number = cuts.nextNumber(id);
        String created = now();
        Handover handover =
                Handover.of(
                        job(id).name(),
                        number,
                        created,
                        requireSheet(id),
                        board(id),
                        run,
                        set,
                        signOffs(id));
        CutStore.Cut cut =
                new CutStore.Cut(
                        number,
                        jobs.revision(id),
                        created,
                        requireSheet(id).name(),
                        handover.manifest().released(),
                        handover.files().size(),
                        "");
        cuts.add(id, cut, CutZip.write(handover.files(), created));
        return number;
    }

    public List<CutStore.Cut> cuts(long id) {
        return cuts.all(id);
    }

    public byte[] cutZip(long id, int number) {
        return cuts.zip(id, number)
                .orElseThrow(() -> new NotFoundException("There is no cut " + number + "."));
    }

    private static String now() {
        return Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
    }
}
