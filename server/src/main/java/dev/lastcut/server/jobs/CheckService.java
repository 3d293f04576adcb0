package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.CheckTarget;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.design.DesignNumbers;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.job.JobPipeline;
import dev.lastcut.core.quote.OwnWork;
import dev.lastcut.core.ticket.Acceptance;
import dev.lastcut.core.ticket.SignedFindings;
import dev.lastcut.core.ticket.TicketDependencies;
import dev.lastcut.server.sheets.Sheets;
import dev.lastcut.server.work.Task;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import org.springframework.stereotype.Service;

/** The checks of a job: against its shop, against every shop, and what was signed off. */
@Service
public class CheckService {
    private final JobService jobs;
    private final ChoiceService choices;
    private final Sheets sheets;
    private final ResultCache<CheckRun> checks = new ResultCache<>(60);

    private final ResultCache<OwnWork> works = new ResultCache<>(60);

    CheckService(JobService jobs, ChoiceService choices, Sheets sheets) {
        this.jobs = jobs;
        this.choices = choices;
        this.sheets = sheets;
    }

    /** What a check is made of besides the ticket. */
    private record Of(Object board, CapabilitySheet sheet, List<Object> beside) {}

    private Of of(JobSnapshot m, CapabilitySheet sheet) {
        return new Of(m.board(), sheet, jobs.neighbours().key(m.ticket()));
    }

    private Optional<CheckRun> known(JobSnapshot m, CapabilitySheet sheet) {
        return checks.peek(of(m, sheet), m.ticket());
    }

    /** The check of a job as it is, or would be, at a moment; empty until it was made. */
    Optional<CheckRun> known(JobSnapshot m) {
        return m.sheet().flatMap(s -> known(m, s));
    }

    /** Changes when the files, the sheet, the headroom, the order or the currents change. */
    public String stamp(long id) {
        JobSnapshot now = jobs.now(id);
        String what =
                now.board().toString()
                        + jobs.against(now).orElse(null)
                        + jobs.neighbours().key(now.ticket());
        return Manifest.sha256(what.getBytes(StandardCharsets.UTF_8)).substring(0, 16);
    }

    /** The last check if it was made of just these files, roles, sheet, headroom and order. */
    public Optional<CheckRun> lastCheck(long id) {
        return known(jobs.now(id));
    }

    /** The check of the revision before, made along with that of this one. */
    public Optional<CheckRun> checkBefore(long id) {
        return jobs.before(jobs.now(id)).flatMap(this::known);
    }

    /** Checks the board, and the revision before it to tell what is new. */
    public void check(long id, Task task) {
        JobSnapshot now = jobs.now(id);
        check(now, task);
        jobs.before(now).filter(then -> !task.isCancelled()).ifPresent(then -> check(then, task));
    }

    CheckRun check(JobSnapshot m, Task task) {
        return run(m, m.requireSheet(), task);
    }

    private CheckRun run(JobSnapshot m, CapabilitySheet sheet, Task task) {
        task.progress(0, 1, "reading the board");
        BoardGeometry geometry = jobs.board(m);
        return checks.get(
                of(m, sheet),
                m.ticket(),
                asking -> {
                    CheckRun run =
                            JobPipeline.check(
                                    geometry,
                                    sheet,
                                    asking,
                                    jobs.neighbours(),
                                    task::progress,
                                    task::isCancelled);
                    if (task.isCancelled()) {
                        // Half a check must not be found again.
                        throw new CancellationException();
                    }
                    return run;
                });
    }

    /** A shop and what the checks say of the board there; empty until they ran. */
    public record AtShop(CheckTarget against, Optional<CheckRun> run, Optional<OwnWork> work) {}

    /** Every shop, in the order of the sheets. */
    public List<AtShop> shops(long id) {
        JobSnapshot now = jobs.now(id);
        List<AtShop> all = new ArrayList<>();
        for (CapabilitySheet s : alike(now)) {
            all.add(
                    new AtShop(
                            JobPipeline.against(
                                    s, new TicketDependencies(now.ticket()), jobs.neighbours()),
                            known(now, s),
                            works.peek(of(now, s), now.ticket())));
        }
        return all;
    }

    /** The shops the board can be made at as it is: strip board is laid out otherwise. */
    private List<CapabilitySheet> alike(JobSnapshot now) {
        boolean strip = now.sheet().flatMap(CapabilitySheet::strip).isPresent();
        return sheets.all().stream().filter(s -> s.strip().isPresent() == strip).toList();
    }

    /** Checks the board against every sheet. */
    public void checkShops(long id, Task task) {
        JobSnapshot now = jobs.now(id);
        DesignNumbers.of(jobs.board(now));
        for (CapabilitySheet s : alike(now)) {
            if (!task.isCancelled()) {
                run(now, s, task);
                work(now, s);
            }
        }
    }

    /**
     * What a board costs its maker beside money at a shop; kept, as a mill's programs take long.
     */
    private OwnWork work(JobSnapshot m, CapabilitySheet sheet) {
        return works.get(
                of(m, sheet),
                m.ticket(),
                asking -> OwnWork.of(jobs.board(m), sheet, JobPipeline.setup(sheet, asking)));
    }

    /** Which findings of a check are signed off. */
    public SignedFindings signed(long id, CheckRun run) {
        return JobPipeline.signed(run, new TicketDependencies(jobs.ticket(id)));
    }

    /** Signs off one finding or several alike. */
    public void signOff(
            long id, Optional<Integer> base, List<String> findings, String by, String reason) {
        if (reason.isBlank() || by.isBlank()) {
            throw new RefusedException("A sign-off needs a name and a reason.");
        }
        int revision = jobs.revision(id);
        String time = JobService.time();
        List<Acceptance> all = new ArrayList<>();
        for (String finding : findings) {
            Finding f = finding(id, finding);
            if (!SignedFindings.canBeSigned(f)) {
                throw new RefusedException(
                        "What a file is cannot be signed off: say it at Bring in.");
            }
            all.add(Acceptance.of(f, by.strip(), reason.strip(), revision, time));
        }
        choices.choose(id, base, t -> t.accepting(all));
    }

    private Finding finding(long id, String finding) {
        return lastCheck(id).stream()
                .flatMap(r -> r.findings().stream())
                .filter(x -> x.id().equals(finding))
                .findFirst()
                .orElseThrow(
                        () ->
                                new NotFoundException(
                                        "The last check has no finding " + finding + "."));
    }

    /** Takes a sign-off back, whichever finding it was given for when it was given. */
    public void takeBack(long id, Optional<Integer> base, String findingId) {
        Optional<Acceptance> held =
                lastCheck(id).map(run -> signed(id, run).valid().get(findingId));
        choices.choose(
                id,
                base,
                t ->
                        t.withoutSignOffs(
                                a ->
                                        a.isGivenFor(findingId)
                                                || held.filter(a::equals).isPresent()));
    }

    /** Stop findings of the last check that nobody signed off; empty also without a check. */
    public List<String> openStops(long id) {
        return lastCheck(id)
                .map(run -> Manifest.openStops(run, signed(id, run).signOffs()))
                .orElse(List.of());
    }
}
