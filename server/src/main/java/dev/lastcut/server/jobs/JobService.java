package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Correction;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.compare.BoardChanges;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.current.NetPath;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.formats.drill.DrillFormat;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.intake.roles.Remembered;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.server.sheets.Sheets;
import dev.lastcut.server.store.BlobStore;
import dev.lastcut.server.store.CurrentStore;
import dev.lastcut.server.store.JobStore;
import dev.lastcut.server.store.MillStore;
import dev.lastcut.server.store.NamingStore;
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
    private final CurrentStore currents;
    private final MillStore mills;
    private final Sheets sheets;
    private final NamingStore naming;
    private final ResultCache<BoardGeometry> boards = new ResultCache<>(6);
    private final ResultCache<BoardChanges> changes = new ResultCache<>(4);

    JobService(
            JobStore jobs,
            BlobStore blobs,
            CurrentStore currents,
            MillStore mills,
            Sheets sheets,
            NamingStore naming) {
        this.jobs = jobs;
        this.blobs = blobs;
        this.currents = currents;
        this.mills = mills;
        this.sheets = sheets;
        this.naming = naming;
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
        var board = Intake.open(pack, Choices.NONE, remembered());
        task.progress(1, 3, "joining copper into nets");
        BoardGeometry geometry = new BoardGeometry(board);
        if (task.isCancelled()) {
            return 0;
        }
        task.progress(2, 3, "keeping the files");
        String name = pack.name().replaceFirst("(?i)\\.zip$", "");
        long id = jobs.create(name, pack, now());
        // What was said before holds for this job from now on, whatever is said of later packs.
        List<JobStore.StoredFile> told = new ArrayList<>();
        for (SourceFile f : board.files()) {
            if (Remembered.told(f)) {
                told.add(file(id, f.path()).withRole(Optional.of(f.role().id())));
            }
        }
        jobs.chooseAll(id, 1, told);
        if (told.isEmpty()) {
            boards.get(boardKey(id), () -> geometry);
        }
        return id;
    }

    private Remembered remembered() {
        Map<String, Role> roles = new HashMap<>();
        naming.all().forEach((s, id) -> Role.parse(id).ifPresent(r -> roles.put(s, r)));
        return new Remembered(roles);
    }

    /**
     * Keeps for packs to come what the pictures of this one are, by their names. Only what is not
     * in doubt is kept, so that a pack half answered teaches nothing wrong.
     */
    private void remember(long id) {
        List<SourceFile> pictures =
                board(id).board().files().stream().filter(f -> f.role().isPicture()).toList();
        Map<String, String> signatures =
                Remembered.signatures(pictures.stream().map(SourceFile::path).toList());
        Map<String, String> roles = new HashMap<>();
        pictures.stream()
                .filter(f -> f.doubt().isEmpty())
                .forEach(f -> roles.put(signatures.get(f.path()), f.role().id()));
        naming.put(roles, now());
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
        boards.get(boardKey(id), () -> geometry);
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

    BoardGeometry board(long id, int revision) {
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

    /**
     * Sets the roles of files, all or none; an empty one goes back to what is proposed.
     *
     * @param roles role ids by path
     */
    public void chooseRoles(long id, Map<String, Optional<String>> roles) {
        List<JobStore.StoredFile> all = new ArrayList<>();
        roles.forEach(
                (path, role) -> {
                    if (role.isPresent() && Role.parse(role.get()).isEmpty()) {
                        throw new RefusedException("There is no role '" + role.get() + "'.");
                    }
                    all.add(file(id, path).withRole(role));
                });
        jobs.chooseAll(id, jobs.revision(id), all);
        if (roles.values().stream().anyMatch(Optional::isPresent)) {
            remember(id);
        }
    }

    /** The bytes of a file of the newest revision, as brought in. */
    public PackFile content(long id, String path) {
        return new PackFile(path, blobs.get(file(id, path).sha256()));
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

    CapabilitySheet requireSheet(long id) {
        return sheet(id)
                .orElseThrow(
                        () ->
                                new RefusedException(
                                        "Choose a shop first: nothing to hold it against."));
    }

    /** What a revision's board is held against; empty until a shop is chosen. */
    public Optional<CheckContext.Against> against(long id) {
        return sheet(id).map(s -> against(id, s));
    }

    /** What a board would be held against at another shop. */
    public CheckContext.Against against(long id, CapabilitySheet sheet) {
        JobStore.Job job = job(id);
        return new CheckContext.Against(
                sheet,
                headroom(id).toHeadroom(),
                OrderJson.parse(job.order()).toOrder(),
                currents(id).stream().map(CurrentJson::toCurrent).toList(),
                sheet.isMill() ? setup(id, sheet).toSetup() : MillSetup.USUAL);
    }

    /** How the board is set up on a mill; the usual way until something was chosen. */
    public MillSetupJson setup(long id, CapabilitySheet sheet) {
        return mills.setup(id, sheet.id())
                .map(MillSetupJson::parse)
                .orElseGet(() -> MillSetupJson.of(MillSetup.USUAL));
    }

    public void chooseSetup(long id, MillSetupJson setup) {
        CapabilitySheet sheet = requireMill(id);
        try {
            setup.toSetup();
        } catch (IllegalArgumentException e) {
            throw new RefusedException("This set-up cannot be used: " + e.getMessage() + ".");
        }
        mills.putSetup(id, sheet.id(), setup.write());
    }

    /** The chosen sheet, which must be a mill's. */
    public CapabilitySheet requireMill(long id) {
        CapabilitySheet sheet = requireSheet(id);
        if (!sheet.isMill()) {
            throw new RefusedException(
                    sheet.name() + " is a board house. Choose a mill at the Shop station first.");
        }
        return sheet;
    }

    public OrderJson order(long id) {
        return OrderJson.parse(job(id).order());
    }

    public void chooseOrder(long id, OrderJson order) {
        job(id);
        try {
            order.toOrder();
        } catch (IllegalArgumentException e) {
            throw new RefusedException("This cannot be ordered: " + e.getMessage() + ".");
        }
        jobs.chooseOrder(id, order.write());
    }

    public List<CurrentJson> currents(long id) {
        return currents.all(id).stream().map(CurrentJson::of).toList();
    }

    public void giveCurrent(long id, CurrentJson current) {
        job(id);
        try {
            current.toCurrent();
        } catch (IllegalArgumentException e) {
            throw new RefusedException("This current cannot be used: " + e.getMessage() + ".");
        }
        if (NetPath.named(board(id), current.net()).isEmpty()) {
            throw new RefusedException("The board has no net called " + current.net() + ".");
        }
        currents.put(id, current.toKept());
    }

    public void takeCurrent(long id, String net) {
        currents.delete(id, net);
    }

    /** A key that changes when a revision's files, or what was decided of them, change. */
    String boardKey(long id, int revision) {
        return boardKey(jobs.files(id, revision));
    }

    static String now() {
        return Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
    }
}
