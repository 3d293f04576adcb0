package dev.lastcut.server.jobs;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckTarget;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.compare.BoardChanges;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.intake.Choices;
import dev.lastcut.core.intake.Intake;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.Pack.PackFile;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.core.intake.roles.Remembered;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.job.PanelBoardSource;
import dev.lastcut.core.panel.PanelAsk;
import dev.lastcut.core.ticket.RevisionCarryOver;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.core.ticket.TicketConflict;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.server.sheets.Sheets;
import dev.lastcut.server.store.BegunStore;
import dev.lastcut.server.store.BlobStore;
import dev.lastcut.server.store.JobStore;
import dev.lastcut.server.work.Task;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Jobs, their boards, and what is chosen for them. */
@Service
public class JobService {
    private static final int LONGEST_NAME = 120;

    /** Something too short to be noted as begun. */
    private static final long NO_WORK = -1;

    private final JobStore jobs;
    private final BlobStore blobs;
    private final TicketService tickets;
    private final Sheets sheets;
    private final Names names;
    private final BegunStore begun;
    private final TransactionTemplate whole;

    /** Jobs whose files were told something since their names were last remembered. */
    private final Set<Long> told = ConcurrentHashMap.newKeySet();

    private final ResultCache<BoardGeometry> boards =
            new ResultCache<>(40, BoardWeight.share(0.25), BoardWeight::of);
    private final ResultCache<Touched> touched =
            new ResultCache<>(40, BoardWeight.share(0.15), t -> BoardWeight.of(t.geometry()));
    private final ResultCache<BoardGeometry> opened =
            new ResultCache<>(10, BoardWeight.share(0.1), BoardWeight::of);
    private final ResultCache<BoardChanges> changes = new ResultCache<>(4);

    JobService(
            JobStore jobs,
            BlobStore blobs,
            TicketService tickets,
            Sheets sheets,
            Names names,
            BegunStore begun,
            PlatformTransactionManager transactions) {
        this.begun = begun;
        this.whole = new TransactionTemplate(transactions);
        this.jobs = jobs;
        this.blobs = blobs;
        this.tickets = tickets;
        this.sheets = sheets;
        this.names = names;
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

    /** The version of the ticket that holds now. */
    public int version(long id) {
        return tickets.now(id).version();
    }

    public Ticket ticket(long id) {
        job(id);
        return tickets.now(id).ticket();
    }

    /**
     * Reads a pack and, if it can be used, keeps it as a new job.
     *
     * @return the job's id
     * @throws UnusablePackException when it cannot be used; nothing is kept then
     */
    public long bringIn(Pack pack, Task task) throws UnusablePackException {
        long work = begun.begin(Optional.empty(), "Bringing in " + pack.name(), time());
        try {
            return bringIn(pack, task, work);
        } finally {
            begun.end(work);
        }
    }

    private long bringIn(Pack pack, Task task, long work) throws UnusablePackException {
        task.progress(0, 3, "reading " + pack.files().size() + " files");
        BoardGeometry geometry = opened(pack, task);
        var board = geometry.board();
        // What was said before holds for this job from now on, whatever is said of later packs.
        Map<String, Role> told = new HashMap<>();
        board.files().stream().filter(Remembered::told).forEach(f -> told.put(f.path(), f.role()));
        task.progress(2, 3, "keeping the files");
        String name = pack.name().replaceFirst("(?i)\\.zip$", "");
        Ticket first = Ticket.BLANK.with(d -> d.files = Choices.roles(told));
        long id = task.commit(() -> begin(name, pack, "brought in", first, work));
        face(id, geometry);
        if (told.isEmpty()) {
            keep(id, geometry);
        }
        return id;
    }

    /** Packs that were read lately, by their files and what was known of names then. */
    private record Opened(String files, Remembered known) {}

    /** The same pack brought in again is not read again. */
    private BoardGeometry opened(Pack pack, Task task) throws UnusablePackException {
        StringBuilder files = new StringBuilder(pack.name()).append('\n');
        pack.files()
                .forEach(
                        f ->
                                files.append(f.path())
                                        .append(' ')
                                        .append(Manifest.sha256(f.content()))
                                        .append('\n'));
        Remembered known = names.known();
        return opened.get(
                new Opened(files.toString(), known),
                Ticket.BLANK,
                asking -> {
                    var board = Intake.open(pack, Choices.NONE, known);
                    task.progress(1, 3, "joining copper into nets");
                    return new BoardGeometry(board);
                });
    }

    /** A job with its first ticket: both are there, or neither, and the work is still begun. */
    private long begin(String name, Pack pack, String says, Ticket first, long work) {
        return whole.execute(
                status -> {
                    long id = jobs.create(name, pack, time());
                    tickets.begin(id, 1, says, first, List.of());
                    begun.end(work);
                    return id;
                });
    }

    /** A job of its own with the files and choices that another has now; its id. */
    public long copy(long id) {
        JobSnapshot now = now(id);
        long made =
                begin(
                        now.name() + " copy",
                        pack(id, now.revision()),
                        "copied from " + now.name(),
                        now.ticket(),
                        NO_WORK);
        job(id).face().ifPresent(path -> jobs.face(made, path));
        return made;
    }

    /** Every job as it is listed, deleted ones too. */
    public List<JobStore.Listed> listed() {
        return jobs.listed();
    }

    /**
     * @throws RefusedException when it is no name
     */
    public void rename(long id, String name) {
        job(id);
        String stripped = name.strip();
        if (stripped.isEmpty() || stripped.length() > LONGEST_NAME) {
            throw new RefusedException(
                    "A job's name has 1 to " + LONGEST_NAME + " characters. Nothing was changed.");
        }
        jobs.rename(id, stripped);
    }

    public void archive(long id, boolean archived) {
        job(id);
        jobs.archive(id, archived);
    }

    /** It is kept and can be taken back. */
    public void delete(long id, boolean deleted) {
        job(id);
        jobs.delete(id, deleted ? Optional.of(time()) : Optional.empty());
    }

    /** The file that shows best what a board is: its top copper, else its bottom copper. */
    private void face(long id, BoardGeometry geometry) {
        geometry.board().copper().stream()
                .findFirst()
                .filter(l -> !job(id).face().equals(Optional.of(l.file())))
                .ifPresent(l -> jobs.face(id, l.file()));
    }

    private void keep(long id, BoardGeometry geometry) {
        face(id, geometry);
        JobSnapshot now = now(id);
        boards.get(
                now.board().files(),
                now.ticket(),
                asking -> {
                    asking.ask(Ticket::files);
                    return geometry;
                });
    }

    /**
     * Reads the board, if it is not there yet, and remembers what was said of its files.
     *
     * @throws RefusedException when it can no longer be read
     */
    void read(long id, Task task) {
        JobSnapshot now = now(id);
        board(now, now.ticket(), task::progress);
        if (told.remove(id)) {
            names.learn(board(id).board());
        }
    }

    /** What files are was said: their names are to be remembered once the board is read. */
    void told(long id) {
        told.add(id);
    }

    /** Whether the board was read and what was said of its files remembered. */
    boolean isRead(long id) {
        JobSnapshot now = now(id);
        boolean read = boards.peek(now.board().files(), now.ticket()).isPresent();
        boolean done = !now.board().isMade() || touched.peek(now.board(), now.ticket()).isPresent();
        return !told.contains(id) && read && done;
    }

    /**
     * Reads newer files of a job and, if they can be used, keeps them as its next revision, which
     * starts from the ticket there is.
     *
     * @return the revision's number
     */
    public int bringInAgain(long id, Pack pack, Task task) throws UnusablePackException {
        job(id);
        long work = begun.begin(Optional.of(id), "Bringing in " + pack.name(), time());
        try {
            return bringInAgain(id, pack, task, work);
        } finally {
            begun.end(work);
        }
    }

    private int bringInAgain(long id, Pack pack, Task task, long work)
            throws UnusablePackException {
        task.progress(0, 3, "reading " + pack.files().size() + " files");
        RevisionCarryOver carried = RevisionCarryOver.over(ticket(id), pack);
        Pack named = new Pack(job(id).name(), pack.files());
        BoardGeometry geometry = JobPipeline.board(named, new TicketDependencies(carried.ticket()));
        carried = carried.onto(geometry.board());
        List<String> left = new ArrayList<>(carried.left());
        TicketConflict.nets(carried.ticket(), geometry).forEach(m -> left.add(m.sentence() + "."));
        left.addAll(noLongerDone(id, carried.ticket(), geometry, pack));
        task.progress(2, 3, "keeping the files");
        int number = jobs.revision(id) + 1;
        Ticket next = carried.ticket();
        task.commit(
                () ->
                        whole.execute(
                                status -> {
                                    jobs.addRevision(id, number, pack, time());
                                    tickets.begin(
                                            id,
                                            number,
                                            "revision " + number + " brought in",
                                            next,
                                            left);
                                    begun.end(work);
                                    return number;
                                }));
        keep(id, geometry);
        return number;
    }

    /** Touches that were done on the revision before and do not fit this one; they stay listed. */
    private List<String> noLongerDone(long id, Ticket ticket, BoardGeometry read, Pack pack) {
        if (ticket.touches().isEmpty()) {
            return List.of();
        }
        List<Touched.Outcome> before = touched(id).outcomes();
        List<Touched.Outcome> after =
                JobPipeline.touched(
                                read,
                                ticket.shop().flatMap(sheets::find),
                                new TicketDependencies(ticket),
                                JobPipeline.drawings(pack))
                        .outcomes();
        List<String> all = new ArrayList<>();
        for (int i = 0; i < after.size(); i++) {
            if (before.get(i).done() && !after.get(i).done()) {
                all.add(
                        "The touch \""
                                + after.get(i).step().touch().words()
                                + "\" is not done on this revision: "
                                + after.get(i).why());
            }
        }
        return all;
    }

    /** A job as it is now. */
    JobSnapshot now(long id) {
        String name = job(id).name();
        return at(id, name, jobs.revision(id));
    }

    /** The revision before the one of a moment, to be held against what is chosen at it. */
    Optional<JobSnapshot> before(JobSnapshot now) {
        if (now.revision() < 2) {
            return Optional.empty();
        }
        JobSnapshot then = at(now.job(), now.name(), now.revision() - 1);
        Ticket ticket = now.ticket().with(d -> d.files = then.ticket().files());
        JobSnapshot before =
                new JobSnapshot(
                        now.job(),
                        now.name(),
                        then.revision(),
                        then.version(),
                        ticket,
                        now.sheet(),
                        then.board());
        return Optional.of(with(before, ticket));
    }

    private JobSnapshot at(long id, String name, int revision) {
        TicketService.Chosen chosen = tickets.at(id, revision);
        StringBuilder files = new StringBuilder(name).append('\n');
        jobs.files(id, revision).forEach(f -> files.append(f).append('\n'));
        return new JobSnapshot(
                id,
                name,
                revision,
                chosen.version(),
                chosen.ticket(),
                chosen.ticket().shop().flatMap(sheets::find),
                key(
                        Manifest.sha256(files.toString().getBytes(StandardCharsets.UTF_8)),
                        chosen.ticket()));
    }

    /** The same moment with something else chosen. */
    JobSnapshot with(JobSnapshot m, Ticket ticket) {
        return new JobSnapshot(
                m.job(),
                m.name(),
                m.revision(),
                m.version(),
                ticket,
                m.sheet(),
                key(m.board().files(), ticket));
    }

    private JobSnapshot.BoardKey key(String files, Ticket ticket) {
        return JobSnapshot.BoardKey.of(files, ticket, ticket.shop().flatMap(sheets::find));
    }

    /** The job's board; read again only when its files or what was decided of them changed. */
    public BoardGeometry board(long id) {
        return board(now(id));
    }

    BoardGeometry board(JobSnapshot m) {
        return board(m, m.ticket());
    }

    /** The board as it would be under another ticket. */
    BoardGeometry board(JobSnapshot m, Ticket ticket) {
        return board(m, ticket, (done, of, title) -> {});
    }

    private BoardGeometry board(JobSnapshot m, Ticket ticket, CheckRunner.Progress progress) {
        return touched(m, ticket, progress).geometry();
    }

    /** The job's board as it is read, and as it is made. */
    public Touched touched(long id) {
        return touched(now(id));
    }

    Touched touched(JobSnapshot m) {
        return touched(m, m.ticket());
    }

    /** The same under another ticket. */
    Touched touched(JobSnapshot m, Ticket ticket) {
        return touched(m, ticket, (done, of, title) -> {});
    }

    private Touched touched(JobSnapshot m, Ticket ticket, CheckRunner.Progress progress) {
        BoardGeometry read = read(m, ticket, progress);
        JobSnapshot.BoardKey key = key(m.board().files(), ticket);
        if (!key.isMade()) {
            return Touched.none(read);
        }
        boolean strip = ticket.shop().flatMap(sheets::find).flatMap(s -> s.strip()).isPresent();
        progress.step(1, 2, strip ? "laying out the strip board" : "doing the finishing touches");
        return touched.get(
                key,
                ticket,
                asking ->
                        JobPipeline.touched(
                                read,
                                ticket.shop().flatMap(sheets::find),
                                asking,
                                path -> file(m, path)));
    }

    /** A word that changes whenever what the touches make of the board may; empty for none. */
    public String touchStamp(long id) {
        JobSnapshot now = now(id);
        return !now.board().isMade()
                ? ""
                : Manifest.sha256(now.board().touches().toString().getBytes(StandardCharsets.UTF_8))
                        .substring(0, 16);
    }

    private Optional<byte[]> file(JobSnapshot m, String path) {
        return jobs.files(m.job(), m.revision()).stream()
                .filter(f -> f.path().equals(path))
                .findFirst()
                .map(f -> blobs.get(f.sha256()));
    }

    private BoardGeometry read(JobSnapshot m, Ticket ticket, CheckRunner.Progress progress) {
        try {
            return boards.get(
                    m.board().files(),
                    ticket,
                    asking -> {
                        BoardGeometry read =
                                JobPipeline.board(pack(m.job(), m.revision()), asking, progress);
                        face(m.job(), read);
                        return read;
                    });
        } catch (UnusablePackException e) {
            throw new RefusedException(e.getMessage());
        }
    }

    /** The board as its pack has it, before anything is done to it. */
    public BoardGeometry asRead(long id) {
        JobSnapshot now = now(id);
        return read(now, now.ticket(), (done, of, title) -> {});
    }

    /** The files of a job's newest revision as they were brought in. */
    public Pack pack(long id) {
        return pack(id, revision(id));
    }

    private Pack pack(long id, int revision) {
        List<PackFile> files = new ArrayList<>();
        jobs.files(id, revision)
                .forEach(f -> files.add(new PackFile(f.path(), blobs.get(f.sha256()))));
        return new Pack(job(id).name(), files);
    }

    /** What the newest revision changed against the one before; empty for the first. */
    public Optional<BoardChanges> changes(long id) {
        JobSnapshot now = now(id);
        return before(now)
                .map(
                        then ->
                                changes.get(
                                        List.of(then.board(), now.board()),
                                        Ticket.BLANK,
                                        asking -> BoardChanges.between(board(then), board(now))));
    }

    /** The paths of the newest revision's files. */
    Set<String> paths(long id) {
        Set<String> all = new HashSet<>();
        jobs.files(id, jobs.revision(id)).forEach(f -> all.add(f.path()));
        return all;
    }

    /** The bytes of a file of the newest revision, as brought in. */
    public PackFile content(long id, String path) {
        return jobs.files(id, jobs.revision(id)).stream()
                .filter(f -> f.path().equals(path))
                .findFirst()
                .map(f -> new PackFile(path, blobs.get(f.sha256())))
                .orElseThrow(() -> new NotFoundException("The job has no file " + path + "."));
    }

    /** The chosen sheet, empty until one is chosen. */
    public Optional<CapabilitySheet> sheet(long id) {
        return now(id).sheet();
    }

    /** The chosen sheet, which must be a mill's. */
    static CapabilitySheet requireMill(JobSnapshot now) {
        CapabilitySheet sheet = now.requireSheet();
        if (!sheet.isMill()) {
            throw new RefusedException(
                    sheet.name() + " is no mill. Choose a mill at the Shop station first.");
        }
        return sheet;
    }

    /** What the newest revision's board is held against; empty until a shop is chosen. */
    public Optional<CheckTarget> against(long id) {
        return against(now(id));
    }

    Optional<CheckTarget> against(JobSnapshot m) {
        return m.sheet()
                .map(s -> JobPipeline.against(s, new TicketDependencies(m.ticket()), neighbours()));
    }

    /** The panel that is wanted; sizes are told without a shop too. */
    public Optional<PanelAsk> panel(long id) {
        JobSnapshot now = now(id);
        Optional<CapabilitySheet> sheet = now.sheet().or(() -> sheets.all().stream().findFirst());
        return sheet.flatMap(
                s -> JobPipeline.panel(s, new TicketDependencies(now.ticket()), neighbours()));
    }

    /** Boards of other jobs, for panels. */
    public PanelBoardSource others() {
        return neighbours();
    }

    Neighbours neighbours() {
        return new Neighbours(this);
    }

    /** Now, to the second, as it is kept. */
    public static String time() {
        return Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
    }
}
