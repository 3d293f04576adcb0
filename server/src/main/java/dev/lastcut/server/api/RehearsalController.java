package dev.lastcut.server.api;

import dev.lastcut.core.milling.MillingPlan;
import dev.lastcut.core.milling.rehearsal.BodyVerdict;
import dev.lastcut.core.milling.rehearsal.CopperVerdict;
import dev.lastcut.core.milling.rehearsal.Hazard;
import dev.lastcut.core.milling.rehearsal.Rehearsal;
import dev.lastcut.server.api.CheckController.PlaceView;
import dev.lastcut.server.jobs.BenchService;
import dev.lastcut.server.jobs.MillService;
import dev.lastcut.server.jobs.MillService.OnMill;
import dev.lastcut.server.jobs.MillService.Wish;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Rehearsals: what came of running the programs on a stock that exists only here. */
@RestController
@RequestMapping("/api/jobs/{id}/mill")
class RehearsalController {
    private final MillService mills;
    private final BenchService bench;
    private final TaskRunner tasks;

    private static final int MOST_LOOSE = 200;

    RehearsalController(MillService mills, BenchService bench, TaskRunner tasks) {
        this.mills = mills;
        this.bench = bench;
        this.tasks = tasks;
    }

    record HazardView(
            String program, int line, String sentence, PlaceView at, int also, boolean severe) {}

    /** A fault of the board as it comes off the mill. */
    record FaultView(String kind, String sentence, PlaceView at) {}

    /** A piece of copper that touches no net. */
    record LooseView(PlaceView at, double areaMm2) {}

    /** Leftover copper that was to be tied to a net: what hangs on it, and what does not. */
    record TiedView(String net, double tiedMm2, int loose, List<LooseView> places) {}

    /** A side's copper; {@code remaining} as rings of x, y in nm, filled by the even-odd rule. */
    record CopperView(
            String side,
            int nets,
            boolean good,
            int lost,
            int joined,
            int broken,
            TiedView tied,
            List<double[]> remaining) {}

    /** Holes and edge. */
    record MilledView(
            int holes,
            int wrong,
            boolean cutOut,
            boolean held,
            int tabs,
            double tabLengthMm,
            double deepestNm) {}

    record TurnView(String program, String tool, double fromMinute, double minutes, double cutMm) {}

    /**
     * The way of a tool: {@code points} holds x, y, depth (nm), minute, line and 1 for a feed, six
     * numbers for each place.
     */
    record TrackView(int program, double width, double[] points) {}

    record RehearsalView(
            boolean ran,
            boolean passes,
            double minutes,
            List<HazardView> hazards,
            List<FaultView> faults,
            List<CopperView> copper,
            MilledView body,
            List<TurnView> parts,
            List<TrackView> tracks) {}

    /** The result of a rehearsal, if it ran; a POST because a pasted program may be long. */
    @OnlyAsks
    @PostMapping("/rehearsal/result")
    RehearsalView result(@PathVariable long id, @RequestBody Wish wish) {
        return mills.rehearsal(id, wish)
                .map(r -> view(mills.onMill(id), r))
                .orElse(
                        new RehearsalView(
                                false, false, 0, List.of(), List.of(), List.of(), null, List.of(),
                                List.of()));
    }

    @PostMapping("/rehearsal")
    TaskState rehearse(@PathVariable long id, @RequestBody Wish wish) {
        mills.onMill(id);
        return tasks.start(
                task -> {
                    mills.rehearse(id, wish, task);
                    return "";
                });
    }

    /** What became of the stock on the bench mill. */
    @OnlyAsks
    @PostMapping("/bench/look")
    RehearsalView look(@PathVariable long id) {
        return view(mills.onMill(id), bench.look(id));
    }

    private static RehearsalView view(OnMill on, Rehearsal r) {
        return new RehearsalView(
                true,
                r.passes(),
                r.minutes(),
                r.hazards().stream().map(RehearsalController::view).toList(),
                faults(on, r),
                r.copper().stream().map(c -> view(on, c)).toList(),
                r.body().map(RehearsalController::view).orElse(null),
                r.parts().stream()
                        .map(
                                p ->
                                        new TurnView(
                                                p.program(),
                                                p.tool(),
                                                p.fromMinute(),
                                                p.minutes(),
                                                p.cutMm()))
                        .toList(),
                r.tracks().stream().map(RehearsalController::view).toList());
    }

    private static HazardView view(Hazard h) {
        return new HazardView(
                h.program(), h.line(), h.sentence(), PlaceView.of(h.at()), h.also(), h.severe());
    }

    private static CopperView view(OnMill on, CopperVerdict c) {
        return new CopperView(
                c.side().word(),
                c.nets(),
                c.isGood(),
                c.lost().size(),
                c.joined().size(),
                c.broken().size(),
                tied(on, c),
                Rings.of(c.remaining()));
    }

    private static TiedView tied(OnMill on, CopperVerdict c) {
        int ground = MillingPlan.groundNet(on.geometry(), on.setup());
        if (ground < 0) {
            return null;
        }
        return new TiedView(
                name(on, ground),
                c.tiedMm2(),
                c.loose().size(),
                c.loose().stream()
                        .limit(MOST_LOOSE)
                        .map(l -> new LooseView(PlaceView.of(l.at()), l.areaMm2()))
                        .toList());
    }

    private static MilledView view(BodyVerdict b) {
        return new MilledView(
                b.holes(),
                b.wrong().size(),
                b.cutOut(),
                b.held(),
                b.tabs(),
                b.tabLengthMm(),
                b.deepestNm());
    }

    private static List<FaultView> faults(OnMill on, Rehearsal r) {
        List<FaultView> faults = new ArrayList<>();
        for (CopperVerdict c : r.copper()) {
            String side = " on the " + c.side().word() + ".";
            c.joined()
                    .forEach(
                            j ->
                                    faults.add(
                                            fault(
                                                    "joined",
                                                    name(on, j.netA())
                                                            + " and "
                                                            + name(on, j.netB())
                                                            + " stay joined"
                                                            + side,
                                                    PlaceView.of(j.at()))));
            c.broken()
                    .forEach(
                            b ->
                                    faults.add(
                                            fault(
                                                    "broken",
                                                    name(on, b.net()) + " is cut apart" + side,
                                                    PlaceView.of(b.at()))));
            c.lost()
                    .forEach(
                            l ->
                                    faults.add(
                                            fault(
                                                    "lost",
                                                    String.format(
                                                            java.util.Locale.ROOT,
                                                            "%s loses %.4f mm² of copper%s",
                                                            name(on, l.net()),
                                                            l.areaMm2(),
                                                            side),
                                                    PlaceView.of(l.at()))));
        }
        Optional<BodyVerdict> body = r.body();
        body.ifPresent(
                b ->
                        b.wrong()
                                .forEach(
                                        w ->
                                                faults.add(
                                                        fault(
                                                                "hole",
                                                                w.sentence(),
                                                                PlaceView.of(w.at())))));
        return faults;
    }

    private static FaultView fault(String kind, String sentence, PlaceView at) {
        return new FaultView(kind, sentence, at);
    }

    private static String name(OnMill on, int net) {
        return on.geometry().netName(net);
    }

    private static TrackView view(Rehearsal.Track t) {
        int n = t.x().length;
        // The screen needs no more places than this of one tool.
        int every = Math.max(1, n / 60_000);
        double[] points = new double[((n + every - 1) / every) * 6];
        for (int i = 0, at = 0; i < n; i += every, at += 6) {
            points[at] = Math.rint(t.x()[i]);
            points[at + 1] = Math.rint(t.y()[i]);
            points[at + 2] = Math.rint(t.depth()[i]);
            points[at + 3] = t.minute()[i];
            points[at + 4] = t.lines()[i];
            points[at + 5] = t.feed()[i] ? 1 : 0;
        }
        return new TrackView(t.program(), t.width(), points);
    }
}
