package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.capability.Order;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.CutZip;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.cut.ZipFiles;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.quote.OrderChoices;
import dev.lastcut.core.ticket.CutStamp;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.report.Handover;
import dev.lastcut.server.report.Json;
import dev.lastcut.server.report.ManifestJson;
import dev.lastcut.server.sheets.SheetJson;
import dev.lastcut.server.store.BegunStore;
import dev.lastcut.server.store.CutStore;
import dev.lastcut.server.ticket.BadTicketException;
import dev.lastcut.server.ticket.Tickets;
import dev.lastcut.server.work.Task;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** The outputs of a job, and its cuts. */
@Service
public class OutputService {
    private final JobService jobs;
    private final CheckService checks;
    private final CutStore cuts;
    private final JobEvents events;
    private final BegunStore begun;
    private final TransactionTemplate whole;
    private final Map<Long, Object> cutting = new ConcurrentHashMap<>();
    private final ResultCache<OutputSet> outputs = new ResultCache<>(12);

    OutputService(
            JobService jobs,
            CheckService checks,
            CutStore cuts,
            JobEvents events,
            BegunStore begun,
            PlatformTransactionManager transactions) {
        this.begun = begun;
        this.whole = new TransactionTemplate(transactions);
        this.jobs = jobs;
        this.checks = checks;
        this.cuts = cuts;
        this.events = events;
    }

    /** What outputs are made of besides the ticket. */
    private record Of(Object board, Optional<CapabilitySheet> sheet, List<Object> beside) {}

    private Of of(JobSnapshot m) {
        return new Of(m.board(), m.sheet(), jobs.neighbours().key(m.ticket()));
    }

    public Optional<OutputSet> lastOutputs(long id) {
        JobSnapshot now = jobs.now(id);
        return outputs.peek(of(now), now.ticket());
    }

    public void outputs(long id, Task task) {
        outputs(jobs.now(id), task);
    }

    private OutputSet outputs(JobSnapshot m, Task task) {
        CapabilitySheet sheet = m.requireSheet();
        BoardGeometry geometry = jobs.board(m);
        task.progress(0, 1, "writing Gerber, drill, stencil, parts and programs");
        return outputs.get(
                of(m),
                m.ticket(),
                asking -> JobPipeline.outputs(geometry, sheet, asking, jobs.neighbours()));
    }

    /** Freezes the outputs for good, as the job is now; returns the cut's number. */
    public int cut(long id, Task task) {
        long work = begun.begin(Optional.of(id), "Making a cut", JobService.time());
        try {
            // Its number is in its files: of two that are made at once one waits for the other.
            synchronized (cutting.computeIfAbsent(id, k -> new Object())) {
                return cut(id, task, work);
            }
        } finally {
            begun.end(work);
        }
    }

    private int cut(long id, Task task, long work) {
        JobSnapshot now = jobs.now(id);
        CapabilitySheet sheet = now.requireSheet();
        CheckRun run = checks.check(now, task);
        OutputSet set = outputs(now, task);
        int number = cuts.nextNumber(id);
        CutStamp made = CutStamp.of(now.name(), jobs.revision(id), number, JobService.time());
        Ticket ticket = now.ticket().with(d -> d.made = made);
        JobPipeline.Product product =
                new JobPipeline.Product(
                        jobs.touched(now), sheet, ticket, jobs.neighbours(), run, set);
        if (!product.openStops().isEmpty()) {
            throw new RefusedException(
                    product.openStops().size()
                            + " stop findings are open. Mend the board or sign them off first.");
        }
        task.progress(1, 2, "freezing the cut");
        Handover handover = Handover.of(product);
        CutStore.Cut cut =
                new CutStore.Cut(
                        number,
                        now.revision(),
                        now.version(),
                        handover.manifest().created(),
                        sheet.name(),
                        handover.manifest().released(),
                        handover.files().size(),
                        "");
        byte[] zip = ZipFiles.write(handover.files(), cut.created(), "");
        task.commit(
                () ->
                        whole.execute(
                                status -> {
                                    cuts.add(id, cut, zip);
                                    begun.end(work);
                                    return number;
                                }));
        events.tell(id, new JobEvents.Event("cut", now.version(), "cut " + number + " made"));
        return number;
    }

    public List<CutStore.Cut> cuts(long id) {
        return cuts.all(id);
    }

    public byte[] cutZip(long id, int number) {
        return cuts.zip(id, number)
                .orElseThrow(() -> new NotFoundException("There is no cut " + number + "."));
    }

    /**
     * The parcels of a cut, as its manifest lists them; none for a shop that takes the whole cut.
     */
    public List<Manifest.Entry> parcels(long id, int number) {
        ManifestJson manifest =
                Json.MAPPER.readValue(cutFile(id, number, "manifest.json"), ManifestJson.class);
        return manifest.files().stream().filter(e -> e.path().startsWith("parcels/")).toList();
    }

    /**
     * Whether a cut is what would be cut now, but for what is ordered of it: everything that its
     * files depend on is chosen as it was.
     */
    public boolean stands(long id, CutStore.Cut cut) {
        JobSnapshot now = jobs.now(id);
        if (cut.revision() != now.revision()) {
            return false;
        }
        try {
            byte[] zip = cutZip(id, cut.number());
            Ticket made = Tickets.takenIn(CutZip.read(zip, "ticket.json").orElseThrow());
            CapabilitySheet sheet = SheetJson.parse(CutZip.read(zip, "sheet.json").orElseThrow());
            Order order = OrderChoices.ofFilesMadeFor(sheet, made.order(), now.ticket().order());
            return Arrays.equals(
                    Tickets.write(made.with(d -> d.order = order)), Tickets.write(now.ticket()));
        } catch (BadTicketException | SheetJson.BadSheetException | NoSuchElementException e) {
            // A cut from before there were tickets in it.
            return false;
        }
    }

    /** One file of a cut as it was handed over. */
    public byte[] cutFile(long id, int number, String path) {
        return CutZip.read(cutZip(id, number), path)
                .orElseThrow(
                        () -> new NotFoundException("Cut " + number + " has no " + path + "."));
    }
}
