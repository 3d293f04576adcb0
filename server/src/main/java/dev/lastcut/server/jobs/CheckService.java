package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.check.design.DesignNumbers;
import dev.lastcut.core.check.files.FileUnassignedRule;
import dev.lastcut.core.check.run.CheckRunner;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.server.sheets.Sheets;
import dev.lastcut.server.store.SignOffStore;
import dev.lastcut.server.work.Task;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;

/** The checks of a job: against its shop, against every shop, and what was signed off. */
@Service
public class CheckService {
    private final JobService jobs;
    private final SignOffStore signOffs;
    private final Sheets sheets;
    private final ResultCache<CheckRun> checks = new ResultCache<>(60);

    CheckService(JobService jobs, SignOffStore signOffs, Sheets sheets) {
        this.jobs = jobs;
        this.signOffs = signOffs;
        this.sheets = sheets;
    }

    private record Key(String board, CheckContext.Against against) {}

    private Optional<Key> key(long id, int revision) {
        return jobs.against(id).map(a -> new Key(jobs.boardKey(id, revision), a));
    }

    /** Changes when the files, the sheet, the headroom, the order or the currents change. */
    public String stamp(long id) {
        int revision = jobs.revision(id);
        String what = jobs.boardKey(id, revision) + jobs.against(id).hashCode();
        return Manifest.sha256(what.getBytes(StandardCharsets.UTF_8)).substring(0, 16);
    }

    /** The last check if it was made of just these files, roles, sheet, headroom and order. */
    public Optional<CheckRun> lastCheck(long id) {
        return key(id, jobs.revision(id)).flatMap(checks::peek);
    }

    /** The check of the revision before, made along with that of this one. */
    public Optional<CheckRun> checkBefore(long id) {
        int now = jobs.revision(id);
        return now < 2 ? Optional.empty() : key(id, now - 1).flatMap(checks::peek);
    }

    /** Checks the board, and the revision before it to tell what is new. */
    public CheckRun check(long id, Task task) {
        CapabilitySheet sheet = jobs.requireSheet(id);
        int now = jobs.revision(id);
        CheckRun run = run(id, now, sheet, task);
        if (now > 1 && !task.isCancelled()) {
            run(id, now - 1, sheet, task);
        }
        return run;
    }

    private CheckRun run(long id, int revision, CapabilitySheet sheet, Task task) {
        task.progress(0, 1, "reading the board");
        CheckContext.Against against = jobs.against(id, sheet);
        Key key = new Key(jobs.boardKey(id, revision), against);
        Optional<CheckRun> known = checks.peek(key);
        if (known.isPresent()) {
            return known.get();
        }
        BoardGeometry geometry = jobs.board(id, revision);
        CheckRun run =
                CheckRunner.run(
                        new CheckContext(geometry, against), task::progress, task::isCancelled);
        if (!task.isCancelled()) {
            checks.put(key, run);
        }
        return run;
    }

    /** A shop and what the checks say of the board there; empty until they ran. */
    public record AtShop(CheckContext.Against against, Optional<CheckRun> run) {}

    /** Every shop, in the order of the sheets. */
    public List<AtShop> shops(long id) {
        String board = jobs.boardKey(id, jobs.revision(id));
        List<AtShop> all = new ArrayList<>();
        for (CapabilitySheet s : sheets.all()) {
            CheckContext.Against against = jobs.against(id, s);
            all.add(new AtShop(against, checks.peek(new Key(board, against))));
        }
        return all;
    }

    /** Checks the board against every sheet. */
    public void checkShops(long id, Task task) {
        DesignNumbers.of(jobs.board(id));
        for (CapabilitySheet s : sheets.all()) {
            if (!task.isCancelled()) {
                run(id, jobs.revision(id), s, task);
            }
        }
    }

    /** Which findings of a check are signed off. */
    public SignedFindings signed(long id, CheckRun run) {
        return SignedFindings.of(run, signOffs.all(id));
    }

    /** Signs off one finding or several alike. */
    public void signOff(long id, List<String> findings, String by, String reason) {
        if (reason.isBlank() || by.isBlank()) {
            throw new RefusedException("A sign-off needs a name and a reason.");
        }
        List<SignOffStore.Kept> all = new ArrayList<>();
        for (String finding : findings) {
            Finding f =
                    lastCheck(id).stream()
                            .flatMap(r -> r.findings().stream())
                            .filter(x -> x.id().equals(finding))
                            .findFirst()
                            .orElseThrow(
                                    () ->
                                            new NotFoundException(
                                                    "The last check has no finding "
                                                            + finding
                                                            + "."));
            if (f.rule().equals(FileUnassignedRule.ID)) {
                throw new RefusedException(
                        "What a file is cannot be signed off: say it at Bring in.");
            }
            all.add(
                    new SignOffStore.Kept(
                            new SignOff(finding, by.strip(), reason.strip(), JobService.now()),
                            jobs.revision(id),
                            f.subject(),
                            f.at(),
                            SignedFindings.beyond(f)));
        }
        signOffs.put(id, all);
    }

    /** Takes a sign-off back, whichever id its finding had when it was given. */
    public void takeBack(long id, String findingId) {
        Set<String> ids = new LinkedHashSet<>(List.of(findingId));
        lastCheck(id)
                .map(run -> signed(id, run).valid().get(findingId))
                .ifPresent(k -> ids.add(k.signOff().findingId()));
        ids.forEach(each -> signOffs.delete(id, each));
    }

    /** Stop findings of the last check that nobody signed off; empty also without a check. */
    public List<String> openStops(long id) {
        return lastCheck(id)
                .map(run -> Manifest.openStops(run, signed(id, run).signOffs()))
                .orElse(List.of());
    }
}
