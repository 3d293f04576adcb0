package dev.lastcut.server.api;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Layer;
import dev.lastcut.core.check.CheckRun;
import dev.lastcut.core.check.Finding;
import dev.lastcut.core.compare.BoardChanges;
import dev.lastcut.core.geometry.Length;
import dev.lastcut.core.touch.TouchClearances;
import dev.lastcut.core.touch.Touched;
import dev.lastcut.core.touch.mend.Mending;
import dev.lastcut.server.api.CheckController.PlaceView;
import dev.lastcut.server.jobs.JobService;
import dev.lastcut.server.jobs.NotFoundException;
import dev.lastcut.server.jobs.TouchService;
import dev.lastcut.server.ticket.TouchJson;
import dev.lastcut.server.work.TaskRunner;
import dev.lastcut.server.work.TaskState;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Finishing touches: what came of them, what they do to the findings, and what could be mended. */
@RestController
@RequestMapping("/api/jobs/{id}/touches")
class TouchController {
    private final JobService jobs;
    private final TouchService touches;
    private final TaskRunner tasks;

    TouchController(JobService jobs, TouchService touches, TaskRunner tasks) {
        this.jobs = jobs;
        this.touches = touches;
        this.tasks = tasks;
    }

    /** A touch as the ticket has it, and what came of it; places in nm. */
    record TouchView(
            Map<String, Object> touch,
            String words,
            boolean on,
            boolean done,
            String why,
            List<PlaceView> places) {}

    /** What the chosen shop asks, mm: what forms begin with. */
    record RoomView(
            double clearanceMm,
            double edgeMm,
            double holeMm,
            double maskMm,
            double silkMm,
            double ringMm,
            double neckMm,
            List<Double> drillsMm) {
        static RoomView of(TouchClearances r) {
            return new RoomView(
                    Length.toMm(r.clearance()),
                    Length.toMm(r.edge()),
                    Length.toMm(r.hole()),
                    Length.toMm(r.maskToCopper()),
                    Length.toMm(r.silk()),
                    Length.toMm(r.ring()),
                    Length.toMm(r.neck()),
                    r.drills().stream().map(Length::toMm).toList());
        }
    }

    record TouchesView(List<TouchView> touches, RoomView room, List<String> drawings) {}

    @GetMapping
    TouchesView view(@PathVariable long id) {
        List<TouchView> all = new ArrayList<>();
        Touched touched = touches.touched(id);
        for (Touched.Outcome o : touched.outcomes()) {
            all.add(
                    new TouchView(
                            TouchJson.of(o.step().touch()),
                            o.step().touch().words(),
                            o.step().on(),
                            o.done(),
                            o.why(),
                            o.places().stream().map(PlaceView::of).toList()));
        }
        return new TouchesView(
                all, RoomView.of(touches.room(id)), drawings(touched.read().board()));
    }

    /** The files of a board's pack that can be drawings, by path. */
    static List<String> drawings(Board board) {
        return board.files().stream()
                .map(f -> f.path())
                .filter(p -> p.matches("(?i).*\\.(svg|dxf)"))
                .toList();
    }

    /** A touch that would mend findings, by their ids. */
    record MendView(Map<String, Object> touch, String label, String words, List<String> findings) {}

    /** A finding no touch mends, and why. */
    record UnmendedView(String finding, String why) {}

    /** {@code ran} is false until the board was checked as it is now. */
    record MendingView(boolean ran, List<MendView> offers, List<UnmendedView> rest) {}

    @GetMapping("/mending")
    MendingView mending(@PathVariable long id) {
        Optional<Mending.Plan> plan = touches.mending(id);
        return plan.map(
                        p ->
                                new MendingView(
                                        true,
                                        p.offers().stream()
                                                .map(
                                                        o ->
                                                                new MendView(
                                                                        TouchJson.of(o.touch()),
                                                                        o.label(),
                                                                        o.touch().words(),
                                                                        o.findings()))
                                                .toList(),
                                        p.left().stream()
                                                .map(l -> new UnmendedView(l.finding(), l.why()))
                                                .toList()))
                .orElse(new MendingView(false, List.of(), List.of()));
    }

    /** A finding in short; {@code everywhere} true where it has no place. */
    record EffectFinding(
            String id,
            String rule,
            String title,
            String severity,
            String message,
            boolean everywhere,
            PlaceView at) {}

    /**
     * What a touch, or all of them, do to the findings; {@code ready} is false until both checks
     * were made.
     */
    record EffectView(boolean ready, List<EffectFinding> gone, List<EffectFinding> come) {}

    /** Looks for what a touch does to the findings; without its number: what all of them do. */
    @PostMapping("/effect")
    TaskState lookFor(@PathVariable long id, @RequestParam(required = false) Integer touch) {
        return tasks.start(
                task -> {
                    touches.work(id, Optional.ofNullable(touch), task);
                    return "effect";
                });
    }

    @GetMapping("/effect")
    EffectView effect(@PathVariable long id, @RequestParam(required = false) Integer touch) {
        return touches.effect(id, Optional.ofNullable(touch))
                .map(
                        e ->
                                new EffectView(
                                        true,
                                        without(e.before(), e.after()),
                                        without(e.after(), e.before())))
                .orElse(new EffectView(false, List.of(), List.of()));
    }

    /** The findings of one check that another does not have. */
    private static List<EffectFinding> without(CheckRun run, CheckRun other) {
        Map<String, List<Finding>> known = new HashMap<>();
        other.findings()
                .forEach(f -> known.computeIfAbsent(f.subject(), k -> new ArrayList<>()).add(f));
        Map<String, String> titles = new HashMap<>();
        run.results().forEach(r -> titles.put(r.rule(), r.title()));
        List<EffectFinding> all = new ArrayList<>();
        for (Finding f : run.findings()) {
            if (known.getOrDefault(f.subject(), List.of()).stream().noneMatch(f::isSameAs)) {
                all.add(
                        new EffectFinding(
                                f.id(),
                                f.rule(),
                                titles.get(f.rule()),
                                f.severity().id(),
                                f.message(),
                                f.everywhere(),
                                PlaceView.of(f.at())));
            }
        }
        return all;
    }

    /** A net between its farthest pads: mΩ, and the A that warm its narrowest section by 20 K. */
    record WayView(double milliohm, double amps) {
        static WayView of(Optional<TouchService.Way> way) {
            return way.map(w -> new WayView(w.ohm() * 1e3, w.amps())).orElse(null);
        }
    }

    /** Without the touch and with it; null where no copper leads from pad to pad. */
    record WaysView(WayView before, WayView after) {}

    @GetMapping("/current")
    WaysView current(@PathVariable long id, @RequestParam int touch, @RequestParam String net) {
        TouchService.Ways ways = touches.ways(id, touch, net);
        return new WaysView(WayView.of(ways.before()), WayView.of(ways.after()));
    }

    /** What the touches changed of the board as its files have it. */
    @GetMapping("/changes")
    LookController.ChangesView changes(@PathVariable long id) {
        return LookController.changes(0, touches.changes(id));
    }

    @GetMapping(
            path = "/changes/{index}/{which}",
            produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> area(
            @PathVariable long id, @PathVariable int index, @PathVariable String which) {
        List<BoardChanges.LayerChange> layers = touches.changes(id).layers();
        if (index < 0 || index >= layers.size() || !which.matches("added|removed")) {
            throw new NotFoundException("There is no change " + index + " " + which + ".");
        }
        BoardChanges.LayerChange l = layers.get(index);
        return ResponseEntity.ok(LayerBytes.of(which.equals("added") ? l.added() : l.removed()));
    }

    /** A layer as its file has it, packed as the board's layers are. */
    @GetMapping(path = "/before/{index}", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> before(@PathVariable long id, @PathVariable int index) {
        Touched touched = touches.touched(id);
        List<Layer> layers = touched.geometry().board().layers();
        if (index < 0 || index >= layers.size()) {
            throw new NotFoundException("There is no layer " + index + ".");
        }
        Layer layer =
                touched.read()
                        .board()
                        .layer(layers.get(index).role())
                        .orElse(new Layer(layers.get(index).role(), "", List.of()));
        return ResponseEntity.ok(LayerBytes.of(touched.read(), layer));
    }
}
