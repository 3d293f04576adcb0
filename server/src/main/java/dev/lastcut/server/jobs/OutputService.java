package dev.lastcut.server.jobs;

import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.check.CheckContext;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.cut.Manifest;
import dev.lastcut.core.cut.OutputSet;
import dev.lastcut.core.cut.SignOff;
import dev.lastcut.core.milling.MillSetup;
import dev.lastcut.server.report.Handover;
import dev.lastcut.server.report.Reports;
import dev.lastcut.server.store.CutStore;
import dev.lastcut.server.work.Task;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** The outputs of a job, and its cuts. */
@Service
public class OutputService {
    private final JobService jobs;
    private final CheckService checks;
    private final CutStore cuts;
    private final Surfaces surfaces;
    private final ResultCache<OutputSet> outputs = new ResultCache<>(12);

    OutputService(JobService jobs, CheckService checks, CutStore cuts, Surfaces surfaces) {
        this.jobs = jobs;
        this.checks = checks;
        this.cuts = cuts;
        this.surfaces = surfaces;
    }

    private record Key(
            String board, Optional<CapabilitySheet> sheet, MillSetup setup, String heights) {}

    private Key key(long id) {
        MillSetup setup = jobs.against(id).map(CheckContext.Against::setup).orElse(MillSetup.USUAL);
        return new Key(
                jobs.boardKey(id, jobs.revision(id)), jobs.sheet(id), setup, surfaces.stamp(id));
    }

    public Optional<OutputSet> lastOutputs(long id) {
        return outputs.peek(key(id));
    }

    public OutputSet outputs(long id, Task task) {
        CapabilitySheet sheet = jobs.requireSheet(id);
        MillSetup setup = key(id).setup();
        task.progress(0, 1, "writing Gerber, drill, stencil, parts and programs");
        return outputs.get(
                key(id), () -> OutputSet.make(jobs.board(id), sheet, setup, surfaces.of(id)));
    }

    /** Freezes the outputs for good; returns the cut's number. */
    public int cut(long id, Task task) {
        CheckRun run = checks.check(id, task);
        OutputSet set = outputs(id, task);
        List<SignOff> signOffs = checks.signed(id, run).signOffs();
        List<String> open = Manifest.openStops(run, signOffs);
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
        String created = JobService.now();
        Handover handover =
                Handover.of(
                        Reports.of(
                                jobs.job(id).name(),
                                created,
                                jobs.against(id).orElseThrow(),
                                jobs.board(id),
                                run,
                                signOffs),
                        jobs.requireSheet(id),
                        number,
                        set);
        CutStore.Cut cut =
                new CutStore.Cut(
                        number,
                        jobs.revision(id),
                        created,
                        jobs.requireSheet(id).name(),
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

    /** One file of a cut as it was handed over. */
    public byte[] cutFile(long id, int number, String path) {
        return CutZip.read(cutZip(id, number), path)
                .orElseThrow(
                        () -> new NotFoundException("Cut " + number + " has no " + path + "."));
    }
}
